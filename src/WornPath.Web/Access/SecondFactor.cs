using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.EntityFrameworkCore;
using OtpNet;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Hosting;

namespace WornPath.Web.Access;

/// <summary>What keeps the secrets of second factors: keys in a folder of their own, not in the database and not in a backup of it.</summary>
public sealed class FactorKeys(DataFolder data)
{
    private readonly Lazy<IDataProtector> _protector = new(() =>
        DataProtectionProvider.Create(new DirectoryInfo(Path.Combine(data.Path, "secrets")), b =>
        b.SetApplicationName("wornpath-secrets")).CreateProtector("second factor"));

    public string Protect(byte[] secret) => _protector.Value.Protect(Convert.ToBase64String(secret));

    /// <summary>The secret; null where the keys it was kept with are gone.</summary>
    public byte[]? Read(string kept)
    {
        try
        {
            return Convert.FromBase64String(_protector.Value.Unprotect(kept));
        }
        catch (CryptographicException)
        {
            return null;
        }
    }
}

/// <summary>
/// The second factor: a code of six figures from an app (TOTP, RFC 6238: SHA-1, 30 s, one step of grace either way), or one of ten
/// recovery codes. A code opens once.
/// </summary>
public sealed class SecondFactor(WornPathDb db, FactorKeys keys, TimeProvider time)
{
    public const int RecoveryCodes = 10;

    /// <summary>What an app needs to make codes: the secret to type, and the same as a picture to scan.</summary>
    public sealed record Setup(string Secret, string Address, string Picture);

    /// <summary>A new secret, 160 bits (RFC 4226, 4).</summary>
    public static byte[] NewSecret() => KeyGeneration.GenerateRandomKey(20);

    /// <summary>How an app is told of a secret.</summary>
    public static Setup SetupOf(byte[] secret, string account)
    {
        var text = Base32Encoding.ToString(secret).TrimEnd('=');
        var address = $"otpauth://totp/Worn%20Path:{Uri.EscapeDataString(account)}?secret={text}&issuer=Worn%20Path";
        return new Setup(string.Join(' ', text.Chunk(4).Select(c => new string(c))), address,
            QrPicture.Of(address));
    }

    /// <summary>The time step a code belongs to, if it is one of this secret's of now.</summary>
    public long? StepOf(byte[] secret, string code) =>
        new Totp(secret).VerifyTotp(time.GetUtcNow().UtcDateTime, Digits(code), out var step, new VerificationWindow(1, 1)) ? step : null;

    /// <summary>What became of a code that was given.</summary>
    public enum Taken
    {
        Wrong,
        Right,
        RecoveryCode,

        /// <summary>It was right, and has opened before: somebody may have looked on.</summary>
        UsedBefore,
    }

    /// <summary>Takes a code of the app or a recovery code, once.</summary>
    public async Task<Taken> TakeAsync(Person person, string code)
    {
        if (person.FactorSecret is null) return Taken.Wrong;
        if (Digits(code).Length == 6)
        {
            if (keys.Read(person.FactorSecret) is not { } secret || StepOf(secret, code) is not { } step) return Taken.Wrong;
            return await db.Users.Where(p => p.Id == person.Id && p.FactorStep < step)
                .ExecuteUpdateAsync(p => p.SetProperty(x => x.FactorStep, step)) == 1 ? Taken.Right : Taken.UsedBefore;
        }

        var (hash, now) = (HashOf(person, code), time.GetUtcNow().UtcDateTime);
        var same = db.RecoveryCodes.Where(c => c.PersonId == person.Id && c.CodeHash == hash);
        if (await same.Where(c => c.UsedAt == null).ExecuteUpdateAsync(c => c.SetProperty(x => x.UsedAt, now)) == 1) return Taken.RecoveryCode;
        return await same.AnyAsync() ? Taken.UsedBefore : Taken.Wrong;
    }

    /// <summary>Ten new recovery codes in place of the former. They are shown once.</summary>
    public async Task<IReadOnlyList<string>> NewRecoveryCodesAsync(Person person)
    {
        await db.RecoveryCodes.Where(c => c.PersonId == person.Id).ExecuteDeleteAsync();
        var codes = Enumerable.Range(0, RecoveryCodes).Select(_ =>
            string.Join('-', Base32Encoding.ToString(RandomNumberGenerator.GetBytes(10)).Chunk(4).Select(c => new string(c)))).ToList();
        db.RecoveryCodes.AddRange(codes.Select(c => new RecoveryCode { PersonId = person.Id, CodeHash = HashOf(person, c) }));
        await db.SaveChangesAsync();
        return codes;
    }

    /// <summary>How many recovery codes are left.</summary>
    public Task<int> LeftAsync(string personId) => db.RecoveryCodes.CountAsync(c => c.PersonId == personId && c.UsedAt == null);

    private static string Digits(string code) => new([.. code.Where(c => !char.IsWhiteSpace(c))]);

    private static string HashOf(Person person, string code) =>
        Hashes.Of(person.Id + " " + new string([.. code.ToUpperInvariant().Where(char.IsAsciiLetterOrDigit)]));
}
