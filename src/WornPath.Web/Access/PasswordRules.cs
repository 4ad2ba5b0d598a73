using System.Text;
using Microsoft.AspNetCore.Identity;
using WornPath.Core;
using WornPath.Store.Entities;

namespace WornPath.Web.Access;

/// <summary>
/// What a password must be: long, and none that is tried first. No kind of character is asked for or forbidden (OWASP ASVS 4.0.3, 2.1).
/// The list of common ones is that of the zxcvbn package (Dan Wheeler and Dropbox, MIT licence), 30,000 by how often they were met.
/// </summary>
public sealed class PasswordRules : IPasswordValidator<Person>
{
    public const int Shortest = 12;
    public const int Longest = 128;

    private static readonly Lazy<HashSet<string>> Common = new(() =>
    {
        using var stream = typeof(PasswordRules)
            .Assembly.GetManifestResourceStream("common-passwords.txt") ?? throw new InvalidOperationException("The list of common passwords is missing.");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries).ToHashSet(StringComparer.OrdinalIgnoreCase);
    });

    /// <summary>What is wrong with a password; null where it may be used.</summary>
    /// <param name="password">The password.</param>
    /// <param name="own">Words that anybody would try for this person: account, name, address.</param>
    public static Problem? Check(string password, params IEnumerable<string?> own)
    {
        if (password.Length < Shortest) return new Problem($"A password of {password.Length} characters is too short.",
            $"Take at least {Shortest}: three or four words that have nothing to do with each other will do.");
        if (password.Length > Longest) return new Problem("The password is too long.", $"Take at most {Longest} characters.");
        if (IsPattern(password)) return new Problem("The password is one piece said again, or a row of neighbours.",
            "Take three or four words that have nothing to do with each other.");
        var core = Core(password);
        if (Common.Value.Contains(password)
            || Common.Value.Contains(core)) return new Problem("This password is among those that are tried first.",
            "Take three or four words that have nothing to do with each other.");
        var words = own.OfType<string>().SelectMany(w => w.Split([' ', '@', '.'], StringSplitOptions.RemoveEmptyEntries))
            .Append("wornpath").Where(w => w.Length > 2);
        // What is left without the name must be a password by itself.
        var without = words.Aggregate(password, (p, w) => p.Replace(w, "", StringComparison.OrdinalIgnoreCase));
        return without.Length < Shortest / 2 ? new Problem("The password is little more than your name.",
            "Take three or four words that have nothing to do with each other.") : null;
    }

    public Task<IdentityResult> ValidateAsync(UserManager<Person> manager, Person user, string? password) =>
        Task.FromResult(Check(password ?? "", user.UserName, user.DisplayName, user.Email) is { } problem
            ? IdentityResult.Failed(new IdentityError { Code = "Password", Description = problem.ToString() }) : IdentityResult.Success);

    // Without figures and marks around it, and with figures that stand for letters as letters: P@ssw0rd2026! is password.
    private static string Core(string password)
    {
        var trimmed = password.Trim([.. password.Where(c => !char.IsLetter(c) && c is not ('@' or '$'))]);
        var core = new StringBuilder(trimmed.ToLowerInvariant());
        foreach (var (sign, letter) in ((char, char)[])[('0', 'o'), ('1', 'i'), ('3', 'e'), ('4', 'a'), ('5', 's'), ('7', 't'),
            ('@', 'a'), ('$', 's')]) core.Replace(sign, letter);
        return core.ToString();
    }

    // One piece said over (abcabcabcabc), or neighbours of the alphabet or the figures in one row.
    private static bool IsPattern(string password)
    {
        for (var length = 1; length <= password.Length / 3; length++)
            if (Enumerable.Range(length, password.Length - length).All(i => password[i] == password[i - length])) return true;
        var steps = password.Zip(password.Skip(1), (a, b) => b - a).ToList();
        return steps.TrueForAll(s => s == 1) || steps.TrueForAll(s => s == -1);
    }
}
