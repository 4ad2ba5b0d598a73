using System.Security.Cryptography;
using System.Text;

namespace WornPath.Web.Access;

/// <summary>Secrets that are made here, and what of them is kept.</summary>
public static class Hashes
{
    /// <summary>A new secret of 256 random bits, for links and cookies (base64url).</summary>
    public static string NewSecret() => Convert.ToBase64String(RandomNumberGenerator.GetBytes(32)).TrimEnd('=').Replace('+', '-').Replace('/', '_');

    /// <summary>SHA-256, in hexadecimal. For secrets that are random and long: a password is hashed otherwise.</summary>
    public static string Of(string secret) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));
}
