using System.Globalization;
using System.Text;

namespace WornPath.Core.Revisions;

/// <summary>The name a person is shown by. No two people may look the same in a record.</summary>
public static class PersonName
{
    /// <summary>The longest name.</summary>
    public const int Longest = 100;

    /// <summary>A name that can be shown, its blanks made one; or why it cannot.</summary>
    public static Outcome<string> Check(string name)
    {
        // What cannot be seen (control, direction and joining characters, private ones) makes two names look like one.
        var hidden = name.EnumerateRunes().FirstOrDefault(r => Rune.GetUnicodeCategory(r) is UnicodeCategory.Control or UnicodeCategory.Format or UnicodeCategory.PrivateUse or UnicodeCategory.Surrogate or UnicodeCategory.OtherNotAssigned or UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator);
        if (hidden.Value != 0 || name.Contains('\0')) return new Problem($"The name holds a character that cannot be seen (U+{hidden.Value:X4}).", "Type it anew, without what was pasted along.");
        var clean = string.Join(' ', name.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        if (!clean.Any(char.IsLetter)) return new Problem("A person needs a name with letters in it.", "Write first and last name.");
        return clean.Length > Longest ? new Problem($"A name of {clean.Length} characters is too long.", $"Keep it to {Longest}.") : clean;
    }

    /// <summary>The same for two names that look alike: forms of letters, case and blanks put aside.</summary>
    public static string Key(string name)
    {
        var text = new StringBuilder();
        foreach (var written in name.Normalize(NormalizationForm.FormKC).ToUpperInvariant().EnumerateRunes())
        {
            // Full-width letters are letters; without the system's tables the line above leaves them.
            var rune = written.Value is >= 0xFF01 and <= 0xFF5E ? Rune.ToUpperInvariant(new Rune(written.Value - 0xFEE0)) : written;
            if (Rune.IsLetterOrDigit(rune) || Rune.GetUnicodeCategory(rune) is UnicodeCategory.NonSpacingMark or UnicodeCategory.DashPunctuation) text.Append(rune);
        }

        return text.ToString();
    }

    /// <summary>How a record names a person: the name as shown and the account behind it.</summary>
    public static string InRecords(string shown, string account) => shown.Equals(account, StringComparison.OrdinalIgnoreCase) ? shown : $"{shown} ({account})";
}
