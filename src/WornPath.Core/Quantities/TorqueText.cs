using System.Collections.Frozen;
using System.Text.RegularExpressions;

namespace WornPath.Core.Quantities;

/// <summary>
/// Reads torque as people write it: "95 Nm", "70 ft-lb", "70 lb-ft", "108 in lbs", "22–28 N·m", "25 ± 3 N·m", "40 N·m + 90°",
/// "60 N·m + next slot", "seat 68 N·m, back 90°, set 30 N·m + next slot within 30°", and finds such values inside a sentence.
/// </summary>
public static partial class TorqueText
{
    // Each unit by its letters alone: dots, dashes and blanks between them are how people vary.
    private static readonly FrozenDictionary<string, TorqueUnit> Units = new (TorqueUnit Unit, string[] Names)[]
    {
        (TorqueUnit.NewtonMetre, ["nm", "newtonmetre", "newtonmetres", "newtonmeter", "newtonmeters"]),
        (TorqueUnit.PoundForceFoot, ["ftlb", "ftlbs", "lbft", "lbsft", "ftlbf", "lbfft", "footpound", "footpounds", "poundfoot", "poundfeet", "poundsfeet", "footlb", "footlbs"]),
        (TorqueUnit.PoundForceInch, ["inlb", "inlbs", "lbin", "lbsin", "inlbf", "lbfin", "inchpound", "inchpounds", "poundinch", "poundinches", "inchlb", "inchlbs"]),
        (TorqueUnit.KilogramForceMetre, ["kgm", "kgfm", "mkg", "mkgf", "kpm", "kilogrammetre", "kilogrammetres", "kilogrammeter", "kilogrammeters"]),
        (TorqueUnit.KilogramForceCentimetre, ["kgcm", "kgfcm", "cmkg", "cmkgf"]),
    }.SelectMany(u => u.Names.Select(n => (n, u.Unit))).ToFrozenDictionary(p => p.n, p => p.Unit);

    // The unit's words, at the place where a unit may stand. Letters with the marks people put between them.
    private const string UnitPattern =
        @"(?:newton[\s\-]?met(?:re|er)s?|foot[\s\-]?(?:pounds?|lbs?)|inch[\s\-]?(?:pounds?|lbs?)|pounds?[\s\-]?(?:foot|feet|inch(?:es)?)|kilogram[\s\-]?met(?:re|er)s?|" +
        @"N\s?[·.⋅•∙*\-]?\s?m|ft\.?\s?[·.⋅\-/*]?\s?lbs?f?\.?|lbs?f?\.?\s?[·.⋅\-/*]?\s?ft\.?|in\.?\s?[·.⋅\-/*]?\s?lbs?f?\.?|lbs?f?\.?\s?[·.⋅\-/*]?\s?in\.?|kgf?\s?[·.⋅\-*]?\s?c?m|c?m\s?[·.⋅\-*]?\s?kgf?|kpm)";

    private const string Number = @"[\-−]?(?:\d[\d.,]*\d|\d)(?:\s?[½¼¾⅓⅔⅛⅜⅝⅞]|\s\d{1,2}/\d{1,2}(?![\d/]))?";

    // Behind a number these make it no end of a range: "25 N·m - 13 mm socket", "25 N·m – 90°".
    private const string NotOfIt = @"[\d.,]*\d|\s*(?:mm|cm|°|deg(?:rees?)?|flats?|turns?)(?![A-Za-z])";

    // "As shown on page 3 to 25 N·m": no range from 3.
    private const string NotAPlace = @"(?<!\b(?:page|p\.|step|figure|fig\.|section|chapter|item)\s{0,3}[\d.,]{1,6}\s{0,3})";

    [GeneratedRegex(@"(?<![\w.,/])(?<low>" + Number + @")\s*(?<u1>" + UnitPattern + @"(?![A-Za-z]))?\s*(?:(?:–|—|-|" + NotAPlace + @"\bto\b|(?<=\bbetween\s[\d.,\s]{1,12})\band\b)\s*(?<high>" + Number + @")(?!" + NotOfIt + @"))?\s*(?<unit>" + UnitPattern + @")?(?![A-Za-z])(?:\s*(?:\+|,?\s*then|,?\s*plus|and\s+(?:a\s+)?further)\s*(?<angle>" + Number + @")\s*(?:°|deg(?:rees?)?\b))?",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex ValuePattern();

    [GeneratedRegex(@"^\s*(?<low>" + Number + @")(?:\s*(?:–|—|-|\bto\b)\s*(?<high>" + Number + @"))?\s*(?<unit>[^\d+]*?)\s*(?:(?:\+|,?\s*then|,?\s*plus)\s*(?<angle>" + Number + @")\s*(?:°|deg(?:rees?)?)?\s*)?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex CellPattern();

    [GeneratedRegex(@"^\s*(?<mid>" + Number + @")\s*(?<u1>[^\d±]*?)\s*(?:±|\+/-|\+-)\s*(?<tol>" + Number + @")\s*(?<percent>%)?\s*(?<unit>[^\d%]*?)\s*$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex TolerancePattern();

    // "95 ± 5 N·m" in a sentence.
    [GeneratedRegex(@"(?<![\w.,/])(?<mid>" + Number + @")\s*(?<u1>" + UnitPattern + @")?\s*(?:±|\+/-|\+-)\s*(?<tol>" + Number + @")\s*(?<percent>%)?\s*(?<unit>" + UnitPattern + @")?(?![A-Za-z])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex WithinPattern();

    // "Ten newton metres", "a hundred and twenty foot-pounds".
    [GeneratedRegex(@"(?<![\w\-])(?<spoken>" + NumberWords.Pattern + @")[\s\-]+(?<unit>newton[\s\-]?met(?:re|er)s?|(?:foot|inch)[\s\-]?(?:pounds?|lbs?)|pounds?[\s\-]?(?:foot|feet|inch(?:es)?)|N\s?[·.⋅•∙*\-]?\s?m)(?![A-Za-z])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex SpokenPattern();

    [GeneratedRegex(@"\s*(?:\+|,|\bthen\b)?\s*(?:on\s+)?(?:to\s+)?(?:the\s+)?next\s+slot(?:\s*,?\s*(?:within|by)?\s*(?:at\s+most\s*)?(?<within>" + Number + @")\s*(?:°|deg(?:rees?)?))?\s*$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex SlotPattern();

    [GeneratedRegex(@"^\s*seat\s+(?:at\s+)?(?<seat>.+?)(?:\s+(?:while\s+)?turning)?\s*[,;]\s*back(?:\s+off)?\s+(?<back>.+?)\s*[,;]\s*(?:set|then|to)\s+(?:to\s+)?(?<set>.+)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex SeatPattern();

    [GeneratedRegex(@"\s*(?:[,;+]|\bthen\b)\s*(?:then\s+)?back(?:\s+off)?\s+(?<back>.+?)\s*$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex BackPattern();

    /// <summary>A torque found in running text, with where it stands.</summary>
    public readonly record struct Found(int Start, int Length, Outcome<TorqueSpec> Spec);

    /// <summary>Reads a unit by its letters, in any of the usual ways of writing it.</summary>
    public static Outcome<TorqueUnit> ParseUnit(string text)
    {
        // A unit is letters and the marks people put between them: "9⁵ Nm" is no 9, "12½" no 12.
        if (text.FirstOrDefault(c => !(char.IsLetter(c) || char.IsWhiteSpace(c) || ".·⋅•∙*-/()[],".Contains(c))) is var odd and not '\0')
            return new Problem($"“{odd}” is not understood in “{NumberText.Excerpt(text.Trim())}”.", "Write a number and a unit, such as 12.5 N·m.");
        var letters = new string([.. text.Where(char.IsLetter).Select(char.ToLowerInvariant)]);
        if (Units.TryGetValue(letters, out var unit)) return unit;
        return letters.Length == 0
            ? new Problem("The value has no unit.", "Write N·m, lbf·ft, lbf·in, kgf·m or kgf·cm after the number.")
            : new Problem($"“{NumberText.Excerpt(text.Trim())}” is not a unit of torque.", "Write N·m, lbf·ft, lbf·in, kgf·m or kgf·cm.");
    }

    /// <summary>Reads a whole cell as one specification. <paramref name="fallback"/> is the sheet's unit, taken where none is written.</summary>
    public static Outcome<TorqueSpec> Parse(string text, TorqueUnit? fallback = null)
    {
        if (text.Length > 200)
            return new Problem($"“{NumberText.Excerpt(text)}” is too long for a torque.", "Write a value and a unit, such as 45 N·m.");
        // "90...100 N·m".
        if (text.Contains("..", StringComparison.Ordinal))
            return Parse(text.Replace("...", "–", StringComparison.Ordinal).Replace("..", "–", StringComparison.Ordinal), fallback);
        if (SlotPattern().Match(text) is { Success: true } slot && slot.Index > 0)
        {
            decimal? within = null;
            if (slot.Groups["within"].Success)
            {
                var angle = NumberText.Parse(slot.Groups["within"].Value);
                if (!angle.IsGood) return angle.Problem;
                within = angle.Value;
            }

            var before = Parse(text[..slot.Index], fallback);
            return before.IsGood ? before.Value.WithNextSlot(within) : before;
        }

        if (SeatPattern().Match(text) is { Success: true } seated)
        {
            var set = Parse(seated.Groups["set"].Value, fallback);
            var seat = Parse(seated.Groups["seat"].Value, fallback);
            return !set.IsGood ? set : !seat.IsGood ? seat.Problem : WithBack(set.Value, seat.Value.Target, seated.Groups["back"].Value);
        }

        if (BackPattern().Match(text) is { Success: true } backed && backed.Index > 0)
        {
            var before = Parse(text[..backed.Index], fallback);
            return before.IsGood ? WithBack(before.Value, null, backed.Groups["back"].Value) : before;
        }

        if (SpokenPattern().Match(text) is { Success: true } spoken && spoken.Value == text.Trim()) return FromSpoken(spoken);
        if (TolerancePattern().Match(text) is { Success: true } tolerance) return FromTolerance(tolerance, fallback);
        var match = CellPattern().Match(text);
        var unit = match.Success ? UnitOf(match.Groups["unit"].Value, fallback) : default;
        if (match.Success && unit.IsGood) return FromMatch(match, unit.Value);
        // Most cells are written plainly; only what is not is tried in the other ways people write it.
        return TorqueSpellings.Read(text, fallback) ?? (match.Success ? unit.Problem! : TorqueSpellings.Refused(text));
    }

    /// <summary>Finds every number followed by a unit of torque. Numbers without one (sizes, counts, angles alone) are passed over.</summary>
    public static IEnumerable<Found> FindAll(string sentence)
    {
        // What is found already.
        List<Found> found = [];
        if (sentence.AsSpan().IndexOfAny('±', '+') >= 0)
        {
            foreach (Match match in WithinPattern().Matches(sentence))
            {
                if (match.Groups["u1"].Length == 0 && match.Groups["unit"].Length == 0) continue;
                var cell = FromTolerance(match, null);
                found.Add(new Found(match.Index, match.Length, cell));
                yield return found[^1];
            }
        }

        foreach (Match match in SpokenPattern().Matches(sentence))
        {
            found.Add(new Found(match.Index, match.Length, FromSpoken(match)));
            yield return found[^1];
        }

        foreach (Match match in ValuePattern().Matches(sentence))
        {
            if (found.Exists(w => match.Index < w.Start + w.Length && w.Start < match.Index + match.Length)) continue;
            var unitText = match.Groups["unit"].Success ? match.Groups["unit"].Value : match.Groups["u1"].Value;
            if (unitText.Length == 0) continue;
            var unit = ParseUnit(unitText);
            if (unit.IsGood) yield return new Found(match.Index, match.Length, FromMatch(match, unit.Value));
        }
    }

    private static Outcome<TorqueSpec> FromSpoken(Match match)
    {
        var value = NumberWords.InWords(match.Groups["spoken"].Value)!.Value;
        var unit = ParseUnit(match.Groups["unit"].Value);
        return unit.IsGood ? TorqueSpec.Create(value, value, unit.Value) : unit.Problem!;
    }

    private static Outcome<TorqueSpec> WithBack(TorqueSpec spec, Torque? seat, string back)
    {
        var angle = Angle.Parse(back.TrimEnd('.'));
        return angle.IsGood ? spec.WithBackOff(seat, angle.Value.Degrees) : angle.Problem;
    }

    private static Outcome<TorqueUnit> UnitOf(string text, TorqueUnit? fallback) =>
        string.IsNullOrWhiteSpace(text) && fallback is { } known ? known : ParseUnit(text);

    private static Outcome<TorqueSpec> FromTolerance(Match match, TorqueUnit? fallback)
    {
        var unitText = match.Groups["unit"].Value.Trim().Length > 0 ? match.Groups["unit"].Value : match.Groups["u1"].Value;
        var unit = UnitOf(unitText, fallback);
        if (!unit.IsGood) return unit.Problem;
        var middle = NumberText.Parse(match.Groups["mid"].Value);
        if (!middle.IsGood) return middle.Problem;
        var tolerance = NumberText.Parse(match.Groups["tol"].Value);
        if (!tolerance.IsGood) return tolerance.Problem;
        if (tolerance.Value < 0) return new Problem($"A tolerance of {match.Groups["tol"].Value} cannot be meant.", "Write it without a sign, such as 25 ± 3 N·m.");
        var half = match.Groups["percent"].Success ? middle.Value * tolerance.Value / 100 : tolerance.Value;
        return TorqueSpec.Create(middle.Value - half, middle.Value + half, unit.Value).Map(s => s.AsTolerance());
    }

    private static Outcome<TorqueSpec> FromMatch(Match match, TorqueUnit unit)
    {
        var low = NumberText.Parse(match.Groups["low"].Value);
        if (!low.IsGood) return low.Problem;
        var high = low;
        if (match.Groups["high"].Success)
        {
            high = NumberText.Parse(match.Groups["high"].Value);
            if (!high.IsGood) return high.Problem;
        }

        decimal? angle = null;
        if (match.Groups["angle"].Success)
        {
            var read = NumberText.Parse(match.Groups["angle"].Value);
            if (!read.IsGood) return read.Problem;
            angle = read.Value;
        }

        return TorqueSpec.Create(low.Value, high.Value, unit, angle);
    }
}
