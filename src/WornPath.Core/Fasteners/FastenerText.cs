using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>One cell that says what a fastener is: "M12x1.25x40 10.9 flange bolt, 17 mm". Order is free; nothing unknown is dropped.</summary>
public static partial class FastenerText
{
    [GeneratedRegex(@"(?<![\w/])" + ThreadText.MetricPattern + @"(?!\w)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Metric();

    [GeneratedRegex(@"(?<![\w/])" + ThreadText.InchPattern + @"(?!\w)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Inch();

    [GeneratedRegex(@"(?<!\w)(?:\+|with|into)\s*(?:a\s+)?(?:(?:class|grade)\s*)?nut(?:\s+(?:of\s+)?(?:class|grade))?\s*(?<n>\d{1,2})(?![\w.])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex NutPattern();

    [GeneratedRegex(@"(?<!\w)(?:(?:property\s+)?class\s*\d{1,2}\.\d|\d{1,2}\.\d|grade\s*\d|gr\.?\s*\d|A[24]-\d0)(?![\w.])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Class();

    [GeneratedRegex(@"(?<!\w)(?:(?<kind>hex socket|hexagon socket|allen|12-point|12 point|twelve-point|slot)\s*)?(?:(?<t>[TE]\d{1,3}|PH\d)|(?<mm>\d{1,2}(?:\.\d)?)\s*mm|(?<in>(?:\d[ \-])?\d{1,2}/\d{1,2}|\d)\s*(?:in\b|""|″))(?!\w)(?:\s*(?<key>(?:hex(?:agon)?\s+|allen\s+)?key|allen)\b)?", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex DrivePattern();

    [GeneratedRegex(@"(?<!\w)left-hand(?!\w)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex LeftHand();

    // "Nut of class 8": what is turned is the nut itself.
    [GeneratedRegex(@"(?<=nut)\s+of\s+(?:class|grade)\s+(?<n>\d{1,2})(?![\w.])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OwnClass();

    [GeneratedRegex(@"(?<!\w)triple[\s-]square\s+(?:M\s?)?(?<n>\d{1,2})(?!\w)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex TripleSquare();

    // Finish, seat, standard, a washer that comes with it: said besides, and kept as it is said.
    private const string FinishPattern = @"(?:zinc|nickel|chrome|cadmium|tin)(?:[\s-]+(?:flake|nickel))?(?:[\s-]+(?:plated|coated|coating|plating))?"
        + @"|hot[\s-]dip(?:ped)?[\s-]+galvani[sz]ed|HDG|galvani[sz]ed|phosphated?|black(?:[\s-]+oxide)?|yellow(?:[\s-]+(?:zinc|chromate|passivated))?"
        + @"|(?:pre-?)?coated|plated|passivated";

    private const string SeatPattern = @"(?:with\s+)?(?:an?\s+)?(?:cone|conical|taper(?:ed)?|ball|spherical|flat|mag)[\s-]+(?:seat(?:ed)?|collar)";

    private const string StandardPattern = @"(?:(?:DIN|ISO|EN|JIS|SAE|ASME|ASTM|BS)[\s-]+)+[A-Z]?\d{2,6}(?:[.-]\d+)*|SAE|metric";

    private const string OtherPattern = @"(?:with|and)\s+(?:(?:an?|its|the)\s+)?(?:[a-z]+[\s-]+){0,3}?washers?|SEMS"
        + @"|(?:fully|full|partially|partly)[\s-]+thread(?:ed)?"
        + @"|coarse(?:[\s-]+(?:thread|pitch))?|drilled[\s-]+(?:head|shank)";

    [GeneratedRegex($@"(?<![\w/-])(?:{FinishPattern}|{SeatPattern}|{StandardPattern}|{OtherPattern})(?![\w-])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Besides();

    [GeneratedRegex(@"^(?:with|and|\+)\s.*\bnuts?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OwnNut();

    /// <summary>Reads a cell. What is left over is named, not dropped.</summary>
    public static Outcome<Fastener> Parse(string text)
    {
        if (text.Length > 200)
            return new Problem($"“{NumberText.Excerpt(text)}” is too long for a fastener.", "Write thread, length, class, head and drive, such as M8x30 8.8 flange bolt, 13 mm.");
        // Most cells are written plainly; only what is not is brought into the plain way.
        var plain = ParsePlain(text, text.Trim());
        return plain.IsGood || FastenerSpellings.Plain(text.Trim()) is var spelled && spelled == text.Trim() ? plain : ParsePlain(text, spelled);
    }

    private static Outcome<Fastener> ParsePlain(string text, string rest)
    {
        var besides = new List<string>();
        while (Take(Besides(), ref rest) is { } said) besides.Add(string.Join(' ', said.Value.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)));
        var fastener = new Fastener { Besides = string.Join(", ", besides) };
        if (Take(LeftHand(), ref rest) is not null) fastener = fastener with { LeftHand = true };
        if (Take(Metric(), ref rest) is { } metric)
        {
            var (thread, length) = ThreadText.FromMetric(metric);
            if (!thread.IsGood) return thread.Problem;
            fastener = fastener with { Thread = thread.Value, Length = length };
        }
        else if (Take(Inch(), ref rest) is { } inch)
        {
            var (thread, length) = ThreadText.FromInch(inch);
            if (!thread.IsGood) return thread.Problem;
            fastener = fastener with { Thread = thread.Value, Length = length };
        }

        if ((Take(OwnClass(), ref rest) ?? Take(NutPattern(), ref rest)) is { } nut)
        {
            // An inch nut has a grade (SAE J995), a metric one a class (ISO 898-2).
            var name = fastener.Thread is InchThread ? "grade " + nut.Groups["n"].Value : nut.Groups["n"].Value;
            if (!NutClass.Exists(name)) return new Problem($"There is no nut of {NutClass.Named(name)}.",
                $"Write one of {string.Join(", ", NutClass.All)}, such as with nut 8.");
            if (fastener.Thread is { } bolt
                && NutClass.ProofStress(name, bolt) is null) return new Problem($"A nut of {NutClass.Named(name)} is not made in {bolt}.",
                "Check the class and the thread.");
            fastener = fastener with { NutClass = name };
        }

        if (Take(Class(), ref rest) is { } grade)
        {
            var read = PropertyClass.Parse(grade.Value);
            if (!read.IsGood) return read.Problem;
            if (fastener.Thread is { } known && PropertyClass.ProofStrength(read.Value, known) is null)
                return new Problem($"Class {read.Value} is not made as large as {known}.", "Check the class and the thread.");
            fastener = fastener with { Class = read.Value };
        }

        if (Take(TripleSquare(), ref rest) is { } square) fastener = fastener with { Drive = new Drive(DriveKind.TripleSquare, square.Groups["n"].Value) };
        else if (Take(DrivePattern(), ref rest) is { } drive) fastener = fastener with { Drive = ReadDrive(drive) };
        if (FastenerForms.Find(rest) is { } named)
        {
            rest = rest.Remove(named.At.Index, named.At.Length);
            fastener = fastener with { Form = named.Form, Called = named.Called };
            // "M6 socket screw, 5 mm": the width of its key.
            if (fastener is { Thread: { } its, Drive: { Kind: DriveKind.Hexagon, Size: var width } }
                && DriveSizes.Usual(its, named.Form).FirstOrDefault(d => d.Kind == DriveKind.HexSocket
                    && d.Size == width) is { } key) fastener = fastener with { Drive = key };
        }

        var left = string.Join(' ', rest.Split([' ', '\t', ',', ';', '(', ')'], StringSplitOptions.RemoveEmptyEntries)).Trim('.');
        if (fastener is { Thread: { } only } && left.ToLowerInvariant() is "fine" or "fine thread" or "fine pitch")
            return new Problem($"“{NumberText.Excerpt(left)}” leaves the pitch open.", $"Write it, such as {only}×1.25.");
        if (OwnNut().IsMatch(left)) return new Problem($"“{NumberText.Excerpt(left)}” is the other end of the joint.",
            "Leave it out here and write it under washers and nut.");
        if (left.StartsWith("triple", StringComparison.OrdinalIgnoreCase))
            return new Problem("The size of the triple square is missing.", "Write it behind, such as triple square 10.");
        return left.Length == 0
            ? fastener
            : new Problem($"“{NumberText.Excerpt(left)}” is not understood in “{NumberText.Excerpt(text.Trim())}”.",
                "Write thread, length, class, head and drive, such as M8x30 8.8 flange bolt, 13 mm.");
    }

    /// <summary>The printed form, which <see cref="Parse"/> reads back.</summary>
    public static string Format(Fastener fastener)
    {
        var thread = fastener.Thread?.Designation;
        if (thread is not null && fastener.Length is { } length)
            thread += length.InInches ? $" × {Fraction.Show(length.Amount)} in" : $"×{length.Amount:0.##}";
        var nut = fastener.NutClass is not { } its ? null : IsNut(fastener.Form) ? $"of {NutClass.Named(its)}" : $"with nut {its}";
        var first = string.Join(' ', new[] { thread, fastener.Class, fastener.IsCalled, nut,
            fastener.LeftHand ? "left-hand" : null }.Where(s => s is not null));
        return string.Join(", ", new[] { first, fastener.Drive?.ToString(), fastener.Besides }.Where(s => !string.IsNullOrEmpty(s)));
    }

    /// <summary>True for a nut: it has its class itself, anything else goes into one of it.</summary>
    internal static bool IsNut(FastenerForm? form) =>
        form is FastenerForm.Nut or FastenerForm.FlangeNut or FastenerForm.LockNut or FastenerForm.CastleNut or FastenerForm.WheelNut
            or FastenerForm.OddNut;

    private static Drive ReadDrive(Match match)
    {
        var kindWord = match.Groups["kind"].Value.ToLowerInvariant();
        if (match.Groups["t"].Success)
        {
            var size = match.Groups["t"].Value.ToUpperInvariant();
            return new Drive(size[0] switch { 'T' => DriveKind.Hexalobular, 'E' => DriveKind.ExternalHexalobular, _ => DriveKind.CrossRecess }, size);
        }

        var flats = match.Groups["mm"].Success ? match.Groups["mm"].Value + " mm" : match.Groups["in"].Value.Replace('-', ' ') + " in";
        return new Drive(kindWord switch
        {
            "" => match.Groups["key"].Success ? DriveKind.HexSocket : DriveKind.Hexagon,
            "slot" => DriveKind.Slot,
            "12-point" or "12 point" or "twelve-point" => DriveKind.TwelvePoint,
            _ => DriveKind.HexSocket,
        }, flats);
    }

    private static Match? Take(Regex pattern, ref string rest)
    {
        var match = pattern.Match(rest);
        if (!match.Success) return null;
        rest = rest.Remove(match.Index, match.Length);
        return match;
    }
}
