using System.Security.Cryptography;
using System.Text.Json.Nodes;
using WornPath.Formats;
using WornPath.Web.Hosting;

namespace WornPath.Web.Access;

/// <summary>
/// The key the workshop signs with: ECDSA on P-256, made when it is first needed, in the folder of secrets, which is in no backup of the
/// database. Where it is lost another is made; what was signed with the former one still holds, since each signature carries its public half.
/// </summary>
public sealed class WorkshopKey(DataFolder data)
{
    private const UnixFileMode Own = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    private readonly Lazy<ECDsa> _key = new(() => Load(Path.Combine(data.Path, "secrets", "signing-key.pem")));

    /// <summary>Its public half (RFC 7517).</summary>
    public JsonObject PublicKey => SignedFile.PublicKey(_key.Value);

    /// <summary>Its thumbprint (RFC 7638): what a signature's key is held against.</summary>
    public string Thumbprint => SignedFile.Thumbprint(PublicKey);

    /// <summary>A signature that says this.</summary>
    public string Sign(SignatureSays says)
    {
        lock (_key) return SignedFile.Sign(_key.Value, says);
    }

    private static ECDsa Load(string file)
    {
        if (File.Exists(file))
        {
            var kept = ECDsa.Create();
            kept.ImportFromPem(File.ReadAllText(file));
            return kept;
        }

        var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        Directory.CreateDirectory(Path.GetDirectoryName(file)!);
        // Whole or not at all, and for the server's account alone from its first byte.
        var partly = file + ".new";
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows()) options.UnixCreateMode = Own;
        using (var to = new FileStream(partly, options))
        using (var text = new StreamWriter(to)) text.Write(key.ExportPkcs8PrivateKeyPem());
        File.Move(partly, file);
        return key;
    }
}
