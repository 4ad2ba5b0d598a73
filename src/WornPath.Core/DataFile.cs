namespace WornPath.Core;

/// <summary>The word lists that are built into the core.</summary>
internal static class DataFile
{
    /// <summary>The lines of a list, without remarks and empty ones.</summary>
    /// <param name="name">Folder and name, such as "Trade.verbs".</param>
    public static IEnumerable<string> Lines(string name)
    {
        using var stream = typeof(DataFile).Assembly.GetManifestResourceStream($"{name}.txt")
            ?? throw new InvalidOperationException($"The list {name} is missing.");
        using var reader = new StreamReader(stream);
        while (reader.ReadLine() is { } line)
            if (line.Length > 0 && line[0] != '#') yield return line;
    }

    /// <summary>What stands left and right of the first " = " of a line.</summary>
    public static (string Left, string Right) Cut(string line)
    {
        var at = line.IndexOf(" = ", StringComparison.Ordinal);
        return (line[..at].Trim(), line[(at + 3)..].Trim());
    }
}
