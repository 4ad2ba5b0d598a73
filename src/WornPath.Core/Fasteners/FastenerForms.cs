using System.Collections.Frozen;
using System.Text.RegularExpressions;

namespace WornPath.Core.Fasteners;

/// <summary>What people call fasteners, as forms.txt has it. Common practice, no source.</summary>
internal static class FastenerForms
{
    // The words that may stand before a name, of the line "kept"; all others are of a form: its plain name | what means just that | what stays as written.
    private static readonly (string Left, string[][] Columns)[] Rows = [.. DataFile.Lines("Fasteners.forms").Select(DataFile.Cut)
        .Select(row => (row.Left, row.Right.Split('|').Select(List).ToArray()))];

    private static readonly string[] Kept = Rows.Single(r => r.Left == "kept").Columns[0];

    private static readonly FrozenDictionary<FastenerForm, string> PlainNames = Rows.Where(r => r.Left != "kept").ToFrozenDictionary(
        r => Enum.Parse<FastenerForm>(r.Left), r => r.Columns[0][0]);

    private static readonly FrozenDictionary<string, (FastenerForm Form, bool Stays)> Names = Rows.Where(r => r.Left != "kept")
        .SelectMany(r => r.Columns.SelectMany((names, column) => names.Select(n =>
            (Name: Plain(n), Form: Enum.Parse<FastenerForm>(r.Left), Stays: column == 2))))
        .ToFrozenDictionary(n => n.Name, n => (n.Form, n.Stays));

    // The longer names stand before the shorter ones they hold: at one place the first that fits is taken.
    private static readonly Regex Pattern = new(
        $@"(?<![\w-])(?<kept>(?:(?:{Any(Kept)})[\s-]+)*?)(?<name>{Any(Names.Keys)})s?(?![\w-])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.Compiled);

    /// <summary>All names, as the list has them, with their forms.</summary>
    public static IEnumerable<(string Name, FastenerForm Form)> All => Names.Select(n => (n.Key, n.Value.Form));

    /// <summary>What a form is called where nobody calls it otherwise.</summary>
    public static string PlainName(FastenerForm form) => PlainNames[form];

    /// <summary>Where a cell says what the fastener is: the form, the words, and whether they are more than its plain name; null where it does not.</summary>
    public static (Match At, FastenerForm Form, string Called)? Find(string text)
    {
        var at = Pattern.Match(text);
        if (!at.Success) return null;
        var (form, stays) = Names[Plain(at.Groups["name"].Value)];
        var words = (at.Groups["kept"].Value + at.Groups["name"].Value).Trim();
        return (at, form, stays || at.Groups["kept"].Length > 0 ? string.Join(' ', words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)) : "");
    }

    private static string Plain(string name) => string.Join(' ', name.ToLowerInvariant().Split([' ', '\t', '-'], StringSplitOptions.RemoveEmptyEntries));

    private static string Any(IEnumerable<string> names) =>
        string.Join('|', names.OrderByDescending(n => n.Length).Select(n => Regex.Escape(n).Replace("\\ ", @"[\s-]+", StringComparison.Ordinal)));

    private static string[] List(string names) => names.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
}
