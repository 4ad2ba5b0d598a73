using System.Text.RegularExpressions;

namespace WornPath.Core.Fasteners;

/// <summary>The ways people write a fastener beside the plain one, each brought into it: "M10x40-10.9", "SHCS", "T-40", "12-pt", "A/F 17".</summary>
internal static partial class FastenerSpellings
{
    private static readonly (Regex Pattern, string Plain)[] Rows =
    [
        // Class behind a dash, grade of a metric bolt, abbreviated class.
        (Of(@"(?<=[\d""])\s*-\s*(?=\d{1,2}\.\d(?![\d.]))"), " "),
        (Of(@"(?<!\w)(?:cl\.?|grade|gr\.?|property\s+class)\s*(?=\d{1,2}\.\d(?!\d))"), "class "),
        // Sizes in words, and by number.
        (Of(@"(?<!\w)half[\s-]inch(?!\w)"), "1/2"), (Of(@"(?<!\w)quarter[\s-]inch(?!\w)"), "1/4"),
        (Of(@"(?<!\w)three[\s-]eighths?(?:[\s-]inch)?(?!\w)"), "3/8"), (Of(@"(?<!\w)five[\s-]sixteenths?(?:[\s-]inch)?(?!\w)"), "5/16"),
        (Of(@"(?<!\w)No\.?\s*(?=\d{1,2}-\d{2}(?!\d))"), "#"),
        // An inch mark before the threads to the inch.
        (Of(@"(?<=\d/\d{1,2})\s*(?:""|″|in\.?)\s*-\s*(?=\d)"), "-"),
        // Heads.
        (Of(@"(?<!\w)hd\.?(?!\w)"), "head"), (Of(@"(?<!\w)hx\.?(?!\w)"), "hex"),
        (Of(@"(?<!\w)SHCS(?!\w)"), "cap screw"), (Of(@"(?<!\w)BHCS(?!\w)"), "button head screw"), (Of(@"(?<!\w)FHCS(?!\w)"), "countersunk screw"),
        (Of(@"(?<!\w)socket\s+head(?!\s+(?:cap|screw))"), "cap screw"), (Of(@"(?<!\w)socket\s+head\s+screw"), "cap screw"),
        (Of(@"(?<!\w)button\s+head(?!\s+screw)"), "button head screw"), (Of(@"(?<!\w)countersunk(?!\s+screw)"), "countersunk screw"),
            (Of(@"(?<!\w)pan\s+head(?!\s+screw)"), "pan head screw"),
        (Of(@"(?<!\w)(?:grub\s+screw|setscrew)"), "set screw"),
        (Of(@"(?<!\w)(?:drain|filler|fill|level|sump)\s+plug"), "plug"),
        (Of(@"(?<!\w)castellated(?:\s+nut)?"), "castle nut"),
        (Of(@"(?<!\w)(?:nut\s+with\s+nylon\s+insert|nylon[\s-]insert(?:\s+lock)?\s*nut|nylon\s+lock\s*nut)"), "lock nut"),
        (Of(@"(?<!\w)lug\s+nut"), "wheel nut"),
        // A stud has its nut; the class of it is kept. Where no class is so high, it is the width of its hexagon.
        (Of(@"(?<=stud),?\s+(?:(?:with|and)\s+)?(?:a\s+)?nut\s+(?<n>1[3-9]|[2-4]\d)(?:\s*mm)?(?![\w.,/])"), ", ${n} mm"),
        (Of(@"(?<=stud)\s+(?:with|and)\s+(?:a\s+)?nuts?(?!\s*(?:of\s+)?(?:class\s*)?\d)"), ""),
        (Of(@"(?<=stud)\s+and\s+(?=nut)"), " with "),
        (Of(@"(?<!\w)(?:class|cl\.?)\s*(?<n>\d{1,2})\s+nut(?!\w)"), "nut of class ${n}"),
        (Of(@"(?<!(?:with|into)\s+(?:a\s+)?|\+\s*)(?<!\w)nut\s+(?:class\s*|cl\.?\s*)?(?<n>\d{1,2})(?![\w.,/]|\s*mm)"), "nut of class ${n}"),
        (Of(@"(?<![\w.×/-])(?:(?:class|cl\.?)\s*)?(?<n>4|5|6|8|9|10|12)\s+(?<k>(?!with\b|into\b|and\b)(?:[a-z-]+\s+){0,3}?)nut(?!\w)"),
            "${k}nut of class ${n}"),
        (Of(@"(?<!\w)stainless\s+(?:steel\s+)?(?=A[24]-)"), ""),
        // Drives.
        (Of(@"(?<!\w)TX\s*-?\s*(?<n>\d{1,3})(?!\w)"), "T${n}"), (Of(@"(?<!\w)T-(?<n>\d{1,3})(?!\w)"), "T${n}"),
        (Of(@"(?<!\w)12[\s-]?pt\.?(?!\w)"), "12-point"),
        (Of(@"(?<!\w)A/?F\s*(?<n>\d{1,2})(?:\s*mm)?(?!\w)"), "${n} mm"), (Of(@"(?<!\w)(?<n>\d{1,2})\s*(?:mm\s*)?A/?F(?!\w)"), "${n} mm"),
        (Of(@"(?<n>\d{1,2}(?:\.\d)?)\s*mm\s+hex(?:agon)?\s+(?:key|socket)"), "hex socket ${n} mm"),
        (Of(@"(?<=\d\s*mm)\s+hex(?:agon)?(?!\w)"), ""),
        // A head that stands for the whole: "M12×35 8.8 hex", "M10 10.9 flange".
        (Of(@"(?<!\w)hex(?:agon)?(?:\s+head)?(?!\s*(?:socket|bolt|nut|flange|key|cap|screw|head))(?!\w)"), "bolt"),
        (Of(@"(?<!\w)flange(?:d)?(?!\s*(?:bolt|nut|screw))(?!\w)"), "flange bolt"),
        // Which way it is turned.
        (Of(@"(?<!\w)(?:LH|left[\s-]hand(?:ed)?)(?:\s+thread)?(?!\w)"), "left-hand"),
    ];

    /// <summary>The same cell in the plain way.</summary>
    public static string Plain(string text)
    {
        foreach (var (pattern, plain) in Rows) text = pattern.Replace(text, plain);
        return InchSeries().Replace(text, m => ThreadSeries.Inch(m.Groups["s"].Value.Replace('-', ' ')) is { } row
            ? $"{m.Groups["s"].Value}-{(m.Groups["f"].Value.Equals("UNC", StringComparison.OrdinalIgnoreCase) ? row.Coarse : row.Fine)} {m.Groups["f"].Value.ToUpperInvariant()}"
            : m.Value);
    }

    // "1/2 UNF": the series tells the threads to the inch (ASME B1.1).
    [GeneratedRegex(@"(?<![\w/.-])(?<s>#\d{1,2}|(?:\d[ \-])?\d{1,2}/\d{1,2}|1)\s*(?:""|″|in\.?)?\s*(?<f>UNC|UNF)(?![A-Za-z])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex InchSeries();

    private static Regex Of(string pattern) => new(pattern, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.Compiled);
}
