using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using WornPath.Core;
using WornPath.Core.Revisions;

namespace WornPath.Formats;

/// <summary>What a signature says.</summary>
/// <param name="Content">SHA-256 of what was signed, in hexadecimal digits.</param>
/// <param name="Number">The procedure's number.</param>
/// <param name="Revision">The revision's letter.</param>
/// <param name="Who">Who signed: name and account.</param>
/// <param name="At">When, in UTC, as <see cref="RecordChain.Time"/> writes it.</param>
/// <param name="Record">The last link of the procedure's record when it was signed (<see cref="RecordChain"/>).</param>
/// <param name="Key">The key it was signed with: its SHA-256 thumbprint (RFC 7638).</param>
public sealed record SignatureSays(string Content, string Number, string Revision, string Who, string At, string Record, string Key);

/// <summary>
/// A procedure file with signatures. Each is a JSON Web Signature (RFC 7515, compact) with ECDSA on P-256 and SHA-256 (ES256, RFC 7518) that
/// carries its public key (RFC 7517) and names the content by its hash: SHA-256 over the canonical JSON (RFC 8785) of the file without its
/// "signatures" and "pictures" (which its figures name by their own hashes). So the file alone tells whether it is what was signed.
/// </summary>
public static class SignedFile
{
    private static readonly JsonDocumentOptions Lenient = new() { CommentHandling = JsonCommentHandling.Skip, AllowTrailingCommas = true, MaxDepth = 64 };

    /// <summary>What of a procedure is signed: its file without signatures and pictures, as canonical JSON.</summary>
    public static byte[] Content(ProcedureFile file)
    {
        var bare = file with { Version = ProcedureFile.NewestVersion, Pictures = null, Signatures = null };
        return Content(JsonSerializer.SerializeToNode(bare, ProcedureFileText.Written)!.AsObject());
    }

    /// <summary>A file of what was signed: the content as it was, with its signatures and the pictures it shows.</summary>
    public static byte[] Write(byte[] content, IEnumerable<string> signatures, ProcedureFile pictures)
    {
        var file = JsonNode.Parse(content)!.AsObject();
        file["signatures"] = new JsonArray([.. signatures.Select(s => (JsonNode)s)]);
        if (pictures.Pictures is { } shown) file["pictures"] = JsonSerializer.SerializeToNode(shown, ProcedureFileText.Written);
        return [.. JsonSerializer.SerializeToUtf8Bytes(file, ProcedureFileText.Written), (byte)'\n'];
    }

    /// <summary>A signature under content.</summary>
    /// <param name="key">The workshop's key, on P-256.</param>
    /// <param name="says">What it says; its key is that of <paramref name="key"/>.</param>
    public static string Sign(ECDsa key, SignatureSays says)
    {
        var jwk = PublicKey(key);
        var header = new JsonObject { ["alg"] = "ES256", ["jwk"] = jwk, ["kid"] = Thumbprint(jwk), ["typ"] = "wornpath-signature" };
        var payload = new JsonObject
        {
            ["content"] = says.Content,
            ["number"] = says.Number,
            ["revision"] = says.Revision,
            ["who"] = says.Who,
            ["at"] = says.At,
            ["record"] = says.Record,
        };
        var signed = $"{Base64Url.EncodeToString(CanonicalJson.Of(header))}.{Base64Url.EncodeToString(CanonicalJson.Of(payload))}";
        return $"{signed}.{Base64Url.EncodeToString(key.SignData(Encoding.ASCII.GetBytes(signed), HashAlgorithmName.SHA256))}";
    }

    /// <summary>The public half of a key, as a JSON Web Key with its required members alone.</summary>
    public static JsonObject PublicKey(ECDsa key)
    {
        var point = key.ExportParameters(false).Q;
        return new JsonObject { ["crv"] = "P-256", ["kty"] = "EC", ["x"] = Base64Url.EncodeToString(point.X), ["y"] = Base64Url.EncodeToString(point.Y) };
    }

    /// <summary>The SHA-256 thumbprint of a public key (RFC 7638), base64url.</summary>
    public static string Thumbprint(JsonObject jwk) => Base64Url.EncodeToString(SHA256.HashData(CanonicalJson.Of(jwk)));

    /// <summary>What a signature says, where it holds for the key it carries.</summary>
    public static Outcome<SignatureSays> Read(string jws)
    {
        var broken = new Problem("A signature in the file is none.", "Get the file again from where it came.");
        try
        {
            var parts = jws.Split('.');
            if (parts.Length != 3 || jws.Length > 8000) return broken;
            if (JsonNode.Parse(Base64Url.DecodeFromChars(parts[0])) is not JsonObject header
                || JsonNode.Parse(Base64Url.DecodeFromChars(parts[1])) is not JsonObject payload) return broken;
            if ((string?)header["alg"] != "ES256" || header["jwk"] is not JsonObject jwk || (string?)jwk["crv"] != "P-256" || jwk.Count != 4) return broken;
            using var key = ECDsa.Create(new ECParameters
            {
                Curve = ECCurve.NamedCurves.nistP256,
                Q = new ECPoint { X = Base64Url.DecodeFromChars((string?)jwk["x"]), Y = Base64Url.DecodeFromChars((string?)jwk["y"]) },
            });
            if (!key.VerifyData(Encoding.ASCII.GetBytes($"{parts[0]}.{parts[1]}"), Base64Url.DecodeFromChars(parts[2]),
                HashAlgorithmName.SHA256)) return broken;
            string Of(string name) => (string?)payload[name] ?? throw new FormatException(name);
            return new SignatureSays(Of("content"), Of("number"), Of("revision"), Of("who"), Of("at"), Of("record"), Thumbprint(jwk));
        }
        catch (Exception e) when (e is FormatException or JsonException or CryptographicException or InvalidOperationException or ArgumentException)
        {
            return broken;
        }
    }

    /// <summary>Null where a file has no signatures, or all that it has are of what it holds; else what was changed since.</summary>
    internal static Problem? Check(ReadOnlySpan<byte> bytes, ProcedureFile file)
    {
        if (file.Signatures is not { } signatures) return null;
        var hash = RecordChain.Hash(Content(JsonNode.Parse(bytes, documentOptions: Lenient)!.AsObject()));
        foreach (var signature in signatures)
        {
            var says = Read(signature);
            if (!says.IsGood) return says.Problem;
            if (says.Value.Content != hash)
                return new Problem($"The file was changed after {says.Value.Who} signed it.",
                    "Get it again from where it came; or take “signatures” out of it, if what it says now is meant.");
        }

        return null;
    }

    private static byte[] Content(JsonObject file)
    {
        file.Remove("signatures");
        file.Remove("pictures");
        return CanonicalJson.Of(file);
    }
}
