using System.Globalization;
using System.Text.RegularExpressions;

namespace WornPath.Core.Quantities;

/// <summary>
/// The ways people write a torque in a cell beside the plain one, brought into it: "22 Nm to 28 Nm", "between 90 and 100 Nm",
/// "95 +5/-0 Nm", "40 Nm + 2 x 90°", "40 Nm, then 1/4 turn", "95 Nm (70 lb-ft)". What says more than a torque is refused with what
/// would be read.
/// </summary>
internal static partial class TorqueSpellings
{
    private const string Number = @"\d+(?:[.,]\d+)?(?:\s?[½¼¾⅓⅔⅛⅜⅝⅞]|\s\d{1,2}/\d{1,2})?";
    private const string Unit = @"[A-Za-z][A-Za-z·.⋅•∙*\-\s/]*?";

    [GeneratedRegex($@"^(?<low>{Number})\s*(?<u1>{Unit})\s*(?:to|–|—|-|and)\s*(?<high>{Number})\s*(?<u2>{Unit})$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex BothEnds();

    [GeneratedRegex($@"^between\s+(?<low>{Number})\s*(?<u1>{Unit})?\s*and\s+(?<high>{Number})\s*(?<u2>.+)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Between();

    [GeneratedRegex($@"^(?<mid>{Number})\s*(?<u1>{Unit})?\s*\(?\s*\+\s*(?<up>{Number})\s*/\s*[-−]\s*(?<down>{Number})\s*\)?\s*(?<u2>{Unit})?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Lopsided();

    [GeneratedRegex(@"^(?<first>[^()/]+?)\s*(?:\((?<second>[^()]+)\)|/\s*(?<second>\d[^()/]*[A-Za-z][^()/]*))$", RegexOptions.CultureInvariant)]
    private static partial Regex Dual();

    [GeneratedRegex(@"^(?<head>.*?[A-Za-z.])\s*(?:\+|,?\s*\bthen\b|,?\s*\bplus\b|\band\b|/)\s*(?:a\s+further\s+|another\s+)?(?<turn>[^+].*(?:°|deg\w*|turns?|flats?)\.?)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Turned();

    [GeneratedRegex(@"^(?<n>\d+)\s*[x×*]\s*(?<each>.+)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Times();

    [GeneratedRegex(@"^(?<value>.+?)[\s,]+\(?(?<how>dry|oiled|lubricated|greased|wet)\)?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Conditioned();

    [GeneratedRegex(@"^(?<how>min\.?|minimum|at\s+least|max\.?|maximum|at\s+most|approx\.?|approximately|about|ca\.?)\s+(?<value>\d.*)$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OneEnded();

    [GeneratedRegex(@"^(?<value>\d.*?)[\s,]+(?<how>min\.?|minimum|max\.?|maximum)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex EndedBehind();

    [GeneratedRegex(@"^(?:hand|finger)[\s-]?tight$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex HandTight();

    [GeneratedRegex(@"^(?:(?:stage|step|pass)?\s*(?:\d(?:st|nd|rd|th)?\s*:?\s+)?\d[\d.,]*\s*(?:[A-Za-z·.\-]+)?\s*(?:,|/|;|\bthen\b|\s)\s*){1,5}(?:stage|step|pass)?\s*(?:\d(?:st|nd|rd|th)?\s*:?\s+)?(?<last>\d[\d.,]*\s*[A-Za-z][A-Za-z·.\-\s]*)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Staged();

    /// <summary>A cell read in one of these ways; null where it is in none of them.</summary>
    public static Outcome<TorqueSpec>? Read(string text, TorqueUnit? fallback)
    {
        var cell = text.Trim();
        if (HandTight().IsMatch(cell)) return new Problem($"“{cell}” is no torque, and less than snug.", "Write snug where the parts must be in firm contact, or hand-tight + 60°.");
        if ((OneEnded().Match(cell) is { Success: true } before ? before : EndedBehind().Match(cell)) is { Success: true } ended)
            return new Problem($"“{ended.Groups["how"].Value}” says only one end.", $"Write the value, {ended.Groups["value"].Value}, or both ends, such as 22–28 N·m.");
        if (Conditioned().Match(cell) is { Success: true } conditioned && TorqueText.Parse(conditioned.Groups["value"].Value, fallback).IsGood)
            return new Problem($"“{conditioned.Groups["how"].Value}” is the state of the threads.", $"Write {conditioned.Groups["value"].Value} here; what is on the threads stands under treatment.");
        if (Turned().Match(cell) is { Success: true } turned && Degrees(turned.Groups["turn"].Value) is { } degrees)
            return WithTurn(turned.Groups["head"].Value, degrees, fallback);
        if (Between().Match(cell) is { Success: true } between) return Range(between, fallback);
        if (BothEnds().Match(cell) is { Success: true } ends) return Range(ends, fallback);
        if (Lopsided().Match(cell) is { Success: true } lopsided) return FromLopsided(lopsided, fallback);
        if (Dual().Match(cell) is { Success: true } dual) return FromDual(dual, fallback);
        return null;
    }

    /// <summary>Why a cell in no way that is known is none.</summary>
    public static Problem Refused(string text) => Staged().Match(text.Trim()) is { Success: true } staged
        ? new Problem("These are several passes.", $"Write the last, {staged.Groups["last"].Value.Trim()}, here; the passes before it are told in the step: “… to 50 N·m, then 100 N·m”.")
        : new Problem($"“{NumberText.Excerpt(text.Trim())}” cannot be read as a torque.",
            "Write a value and a unit, such as 45 N·m, 22–28 N·m or 40 N·m + 90°.");

    // Both ends in one unit.
    private static Outcome<TorqueSpec> Range(Match match, TorqueUnit? fallback)
    {
        var (one, other) = (match.Groups["u1"].Value.Trim(), match.Groups["u2"].Value.Trim());
        if (one.Length > 0 && TorqueText.ParseUnit(one) is { IsGood: true } first && TorqueText.ParseUnit(other) is { IsGood: true } second
            && first.Value != second.Value)
            return new Problem("The two ends have two units.", "Write both in one, such as 22–28 N·m.");
        return TorqueText.Parse($"{match.Groups["low"].Value}–{match.Groups["high"].Value} {other}", fallback);
    }

    // "95 +5/-0 N·m" is from 95 to 100.
    private static Outcome<TorqueSpec> FromLopsided(Match match, TorqueUnit? fallback)
    {
        Outcome<decimal> middle = NumberText.Parse(match.Groups["mid"].Value), up = NumberText.Parse(match.Groups["up"].Value),
            down = NumberText.Parse(match.Groups["down"].Value);
        if ((middle.Problem ?? up.Problem ?? down.Problem) is { } problem) return problem;
        var unit = match.Groups["u2"].Value.Trim() is { Length: > 0 } behind ? behind : match.Groups["u1"].Value;
        return TorqueText.Parse(string.Create(CultureInfo.InvariantCulture,
            $"{middle.Value - down.Value:0.####}–{middle.Value + up.Value:0.####} {unit}"), fallback);
    }

    // "2 x 90°", "90° + 90°", "1/4 turn": the whole of it.
    private static decimal? Degrees(string text)
    {
        var sum = 0m;
        foreach (var part in text.Split('+', StringSplitOptions.TrimEntries))
        {
            var times = Times().Match(part) is { Success: true } t
                ? (int.Parse(t.Groups["n"].Value, CultureInfo.InvariantCulture), t.Groups["each"].Value) : (1, part);
            if (times.Item1 is < 1 or > 20 || Angle.Parse(times.Item2) is not { IsGood: true } angle) return null;
            sum += times.Item1 * angle.Value.Degrees;
        }

        return sum;
    }

    private static Outcome<TorqueSpec> WithTurn(string head, decimal degrees, TorqueUnit? fallback)
    {
        var before = TorqueText.Parse(head, fallback);
        return before.IsGood ? TorqueSpec.Create(before.Value.Low, before.Value.High, before.Value.Unit,
            degrees).Map(s => before.Value.IsTolerance ? s.AsTolerance() : s) : before;
    }

    // Said in two units: the first counts, and the second must be the same.
    private static Outcome<TorqueSpec>? FromDual(Match match, TorqueUnit? fallback)
    {
        var first = TorqueText.Parse(match.Groups["first"].Value, fallback);
        var second = TorqueText.Parse(match.Groups["second"].Value);
        if (!first.IsGood || !second.IsGood) return null;
        return first.Value.SaysTheSameAs(second.Value)
            ? first
            : new Problem($"{first.Value} and {second.Value} are not the same torque.", "Check both in the source, and write the one that is right.");
    }
}
