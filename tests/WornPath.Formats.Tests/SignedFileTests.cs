using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using WornPath.Cli;
using WornPath.Core.Revisions;

namespace WornPath.Formats.Tests;

/// <summary>
/// Signatures in a file: JSON Web Signature (RFC 7515) with ES256 (RFC 7518). That another program verifies them is tried in the browser tests,
/// with Node's own cryptography.
/// </summary>
public class SignedFileTests
{
    private static ProcedureFile Sample => ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, "front-weights.json"))).Value;

    private static (byte[] File, string Jws) Signed(ECDsa key, ProcedureFile file)
    {
        var content = SignedFile.Content(file);
        var jws = SignedFile.Sign(key, new SignatureSays(RecordChain.Hash(content), file.Number, file.Revision ?? "", "Odo Brandt (odo)",
            "2026-11-29T12:00:00.0000000Z", "", ""));
        return (SignedFile.Write(content, [jws], file), jws);
    }

    [Fact]
    public void A_signed_file_is_read_whole_and_its_signature_says_who_signed_what()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var (file, jws) = Signed(key, Sample);
        var read = ProcedureFileText.Read(file).Value;
        ProcedureFileText.Write(read with { Signatures = null }).Value.ShouldBe(ProcedureFileText.Write(Sample).Value);
        var says = SignedFile.Read(read.Signatures!.Value.Single()).Value;
        (says.Who, says.Number, says.Key).ShouldBe(("Odo Brandt (odo)", "OT-126", SignedFile.Thumbprint(SignedFile.PublicKey(key))));
        // Blanks and the order of members are none of the content.
        var mixed = JsonNode.Parse(file)!.AsObject();
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(new JsonObject(mixed.Reverse().Select(m => new KeyValuePair<string,
            JsonNode?>(m.Key, m.Value!.DeepClone())))
            .ToJsonString())).IsGood.ShouldBeTrue();
        jws.Split('.').Length.ShouldBe(3);
    }

    // RFC 7638, 3.1 works an RSA key; this is the EC key of RFC 7517, A.1, thumbprint made by hand: SHA-256 over its required members.
    [Fact]
    public void A_thumbprint_is_over_the_required_members_in_their_order()
    {
        const string x = "MKBCTNIcKUSDii11ySs3526iDZ8AiTo7Tu6KPAqv7D4", y = "4Etl6SRW2YiLUrN5vfvVHuhp7x8PxltmWWlbbM4IFyM";
        var byHand = Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes($$"""{"crv":"P-256","kty":"EC","x":"{{x}}","y":"{{y}}"}""")))
            .TrimEnd('=').Replace('+', '-').Replace('/', '_');
        SignedFile.Thumbprint(new JsonObject { ["y"] = y, ["kty"] = "EC", ["x"] = x, ["crv"] = "P-256" }).ShouldBe(byHand);
    }

    [Fact]
    public void Whatever_is_changed_in_a_signed_file_is_found_and_says_who_signed_it()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var whole = JsonNode.Parse(Signed(key, Sample).File)!.AsObject();
        var random = new Random(7);
        var texts = Leaves(whole).Where(p => !p.Contains("signatures", StringComparison.Ordinal) && !p.Contains("pictures", StringComparison.Ordinal)
            && p is not ("$.format" or "$.version")).ToList();
        texts.Count.ShouldBeGreaterThan(200);
        foreach (var path in texts.OrderBy(_ => random.Next()).Take(120))
        {
            var damaged = whole.DeepClone();
            var leaf = Leaf(damaged, path);
            leaf.ReplaceWith(leaf.GetValueKind() == System.Text.Json.JsonValueKind.String ? JsonValue.Create(leaf.GetValue<string>() + "x")
                : leaf.GetValueKind() == System.Text.Json.JsonValueKind.Number ? JsonValue.Create(leaf.GetValue<double>() + 1)
                    : JsonValue.Create(leaf.GetValueKind() != System.Text.Json.JsonValueKind.True));
            var read = ProcedureFileText.Read(Encoding.UTF8.GetBytes(damaged.ToJsonString()));
            read.IsGood.ShouldBeFalse(path);
        }

        var title = whole.DeepClone();
        title["title"] = "Something else";
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(title.ToJsonString())).Problem!.ToString().ShouldContain("changed after Odo Brandt (odo) signed it");
        // Without its signatures it is a file like any other.
        title.AsObject().Remove("signatures");
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(title.ToJsonString())).IsGood.ShouldBeTrue();
    }

    [Fact]
    public void A_signature_that_was_made_up_is_none()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        using var other = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var (_, jws) = Signed(key, Sample);
        var parts = jws.Split('.');
        SignedFile.Read(jws).IsGood.ShouldBeTrue();
        foreach (var forged in (string[])[$"{parts[0]}.{parts[1]}.{parts[2][..^4]}AAAA", $"{Signed(other, Sample).Jws.Split('.')[0]}.{parts[1]}.{parts[2]}",
            $"{parts[0]}.{parts[1]}", "", "..", "a.b.c", "{}.{}.{}", new string('a', 9000), $"bnVsbA.{parts[1]}.{parts[2]}",
            // No algorithm: {"alg":"none"}.
            $"eyJhbGciOiJub25lIn0.{parts[1]}."])
            SignedFile.Read(forged).IsGood.ShouldBeFalse(forged.Length > 40 ? forged[..40] : forged);
    }

    [Fact]
    public async Task The_command_line_says_who_signed_and_refuses_what_was_changed()
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        using var folder = new Folder();
        var (bytes, _) = Signed(key, Sample);
        async Task<(int Code, string Says)> RunAsync(byte[] file, string? of = null)
        {
            var path = Path.Combine(folder.Path, "signed.json");
            await File.WriteAllBytesAsync(path, file);
            var says = new StringWriter();
            return (await SignaturesCommand.RunAsync(new FileInfo(path), of, says, says), says.ToString());
        }

        var print = SignedFile.Thumbprint(SignedFile.PublicKey(key));
        (await RunAsync(bytes, print)).ShouldSatisfyAllConditions(r => r.Code.ShouldBe(0), r => r.Says.ShouldContain("OT-126 A: signed by Odo Brandt (odo)"));
        (await RunAsync(bytes, "another")).ShouldSatisfyAllConditions(r => r.Code.ShouldBe(1), r => r.Says.ShouldContain("not signed with the key another"));
        (await RunAsync(ProcedureFileText.Write(Sample).Value)).ShouldSatisfyAllConditions(r => r.Code.ShouldBe(1), r =>
            r.Says.ShouldContain("nobody has signed it"));
        var changed = Encoding.UTF8.GetBytes(Encoding.UTF8.GetString(bytes).Replace("Front weights and their carrier", "Front weights",
            StringComparison.Ordinal));
        (await RunAsync(changed)).ShouldSatisfyAllConditions(r => r.Code.ShouldBe(3), r => r.Says.ShouldContain("changed after Odo Brandt (odo) signed it"));
    }

    private sealed class Folder : IDisposable
    {
        public string Path { get; } = Directory.CreateTempSubdirectory("wornpath-signed-").FullName;

        public void Dispose() => Directory.Delete(Path, recursive: true);
    }

    private static IEnumerable<string> Leaves(JsonNode node) => node switch
    {
        JsonObject o => o.Where(m => m.Value is not null).SelectMany(m => Leaves(m.Value!)),
        JsonArray a => a.Where(i => i is not null).SelectMany(i => Leaves(i!)),
        _ => [node.GetPath()],
    };

    private static JsonNode Leaf(JsonNode root, string path) => Find(root, path) ?? throw new InvalidOperationException(path);

    private static JsonNode? Find(JsonNode node, string path) => node switch
    {
        JsonObject o => o.Select(m => m.Value is null ? null : Find(m.Value, path)).FirstOrDefault(f => f is not null),
        JsonArray a => a.Select(i => i is null ? null : Find(i, path)).FirstOrDefault(f => f is not null),
        _ => node.GetPath() == path ? node : null,
    };
}
