namespace WornPath.Core.Revisions;

/// <summary>
/// Revision letters: A, B, C … then AA, AB. The letters I, O, Q, S, X and Z are left out, being mistaken for figures and for
/// one another (ASME Y14.35, from memory).
/// </summary>
public static class RevisionLetter
{
    private const string Letters = "ABCDEFGHJKLMNPRTUVWY";

    /// <summary>The first revision's letter.</summary>
    public const string First = "A";

    /// <summary>The letter after another. Throws <see cref="ArgumentException"/> for what is no revision letter.</summary>
    public static string Next(string letter)
    {
        var digits = letter.Select(c => Letters.IndexOf(c)).ToArray();
        if (digits.Length == 0 || digits.Contains(-1)) throw new ArgumentException($"“{letter}” is no revision letter.", nameof(letter));
        for (var i = digits.Length - 1; i >= 0; i--)
        {
            if (++digits[i] < Letters.Length) return new string([.. digits.Select(d => Letters[d])]);
            digits[i] = 0;
        }

        return Letters[0] + new string([.. digits.Select(d => Letters[d])]);
    }
}
