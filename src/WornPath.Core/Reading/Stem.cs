namespace WornPath.Core.Reading;

/// <summary>Words reduced so that the same thing is met in singular and plural, in both spellings, and with a slip of the finger.</summary>
internal static class Stem
{
    /// <summary>The stem of a lower-case word.</summary>
    public static string Of(string word)
    {
        var bare = word.Replace("-", "").Replace("’", "").Replace("'", "");
        if (bare.Length > 4 && bare.EndsWith("ies", StringComparison.Ordinal)) bare = bare[..^3] + "y";
        else if (bare.Length > 4 && (bare.EndsWith("sses", StringComparison.Ordinal) || bare.EndsWith("xes", StringComparison.Ordinal) || bare.EndsWith("ches", StringComparison.Ordinal) || bare.EndsWith("shes", StringComparison.Ordinal))) bare = bare[..^2];
        else if (bare.Length > 2 && bare[^1] == 's' && bare[^2] is not ('s' or 'u' or 'i')) bare = bare[..^1];
        return bare switch
        {
            "tire" => "tyre",
            "calliper" => "caliper",
            "guage" => "gauge",
            "feet" => "foot",
            "teeth" => "tooth",
            _ => bare,
        };
    }

    /// <summary>True where two stems are the same, or one slip apart (two in long words). Short words must be the same: "nut" is not "nub".</summary>
    public static bool Alike(string a, string b)
    {
        if (string.Equals(a, b, StringComparison.Ordinal)) return true;
        var shorter = Math.Min(a.Length, b.Length);
        var allowed = shorter >= 9 ? 2 : shorter >= 5 ? 1 : 0;
        return allowed > 0 && Math.Abs(a.Length - b.Length) <= allowed && Distance(a, b) <= allowed;
    }

    // Edit distance where two letters swapped count as one slip (optimal string alignment).
    private static int Distance(string a, string b)
    {
        Span<int> before = stackalloc int[b.Length + 1];
        Span<int> above = stackalloc int[b.Length + 1];
        Span<int> row = stackalloc int[b.Length + 1];
        for (var j = 0; j <= b.Length; j++) above[j] = j;
        for (var i = 1; i <= a.Length; i++)
        {
            row[0] = i;
            for (var j = 1; j <= b.Length; j++)
            {
                var cost = a[i - 1] == b[j - 1] ? 0 : 1;
                row[j] = Math.Min(Math.Min(row[j - 1], above[j]) + 1, above[j - 1] + cost);
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1]) row[j] = Math.Min(row[j], before[j - 2] + 1);
            }

            var spare = before;
            before = above;
            above = row;
            row = spare;
        }

        return above[b.Length];
    }
}
