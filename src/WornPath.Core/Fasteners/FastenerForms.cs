using System.Collections.Frozen;
using System.Text.RegularExpressions;

namespace WornPath.Core.Fasteners;

/// <summary>What people call fasteners, as forms.txt has it. Common practice, no source.</summary>
internal static class FastenerForms
{
    private static readonly Dictionary<FastenerForm, string> PlainNames = [];
    private static readonly FrozenDictionary<string, (FastenerForm Form, bool Stays)> Names = Load(out Kept);
    private static readonly string[] Kept;

    // The longer names stand before the shorter ones they hold: at one place the first that fits is taken.
    private static readonly Regex Pattern = new(
        $@"(?<![\w-])(?<kept>(?:(?:{Any(Kept)})[\s-]+)*)(?<name>{Any(Names.Keys)})s?(?![\w-])",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.Compiled);

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

    private static FrozenDictionary<string, (FastenerForm, bool)> Load(out string[] kept)
    {
        kept = [];
        var names = new Dictionary<string, (FastenerForm, bool)>();
        using var stream = typeof(FastenerForms).Assembly.GetManifestResourceStream("Fasteners.forms.txt") ?? throw new InvalidOperationException("The list of fastener forms is missing.");
        using var reader = new StreamReader(stream);
        while (reader.ReadLine() is { } line)
        {
            if (line.Length == 0 || line[0] == '#') continue;
            var (left, right) = (line[..line.IndexOf('=')].Trim(), line[(line.IndexOf('=') + 1)..]);
            if (left == "kept")
            {
                kept = List(right);
                continue;
            }

            var (form, columns) = (Enum.Parse<FastenerForm>(left), right.Split('|'));
            PlainNames.Add(form, columns[0].Trim());
            names.Add(Plain(columns[0].Trim()), (form, false));
            foreach (var name in List(columns[1])) names.Add(Plain(name), (form, false));
            foreach (var name in List(columns[2])) names.Add(Plain(name), (form, true));
        }

        return names.ToFrozenDictionary();
    }

    private static string[] List(string names) => names.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
}
