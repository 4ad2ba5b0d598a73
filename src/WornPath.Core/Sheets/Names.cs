namespace WornPath.Core.Sheets;

/// <summary>Names as they are kept.</summary>
public static class Names
{
    /// <summary>Most characters of a name.</summary>
    public const int Longest = 80;

    /// <summary>Text on one line, without control characters, trimmed.</summary>
    public static string Clean(string text) =>
        string.Join(' ', new string([.. text.Select(c => char.IsControl(c) ? ' ' : c)]).Split(' ', StringSplitOptions.RemoveEmptyEntries));
}
