using System.Text.RegularExpressions;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR003: a step names a socket, wrench or key of a size, and the joint's drive has another.</summary>
public sealed partial class OtherSizeSaid : AgreementRule
{
    public override RuleInfo Info { get; } = new("AGR003", Severity.Warn, "Another size of tool than in Joints");

    [GeneratedRegex(@"(?<![\w.,/])(?<size>\d{1,2}(?:\.5)?\s?mm|\d{1,2}/\d{1,2}\s?(?:in(?:ch)?|""|″)?|[TE]-?\d{1,2})(?:\s+(?:deep|long|thin|short|impact|hex(?:agon)?|lobed|12-point|six-point|swivel))*[\s-]+(?:socket|wrench|spanner|key|bit|crow-?foot|ring)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Size();

    protected internal override bool Concerns(Step step, HouseRules rules) => Size().IsMatch(step.Text);

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (joint.Fastener?.Drive is not { } drive) return null;
        // A second size may hold the nut, or be another joint's.
        var sizes = Size().Matches(step.Text).Select(m => m.Groups["size"]).ToList();
        if (sizes.Count != 1 || NamesSeveralJoints(walk, step)) return null;
        if (joint.HeldBy.Contains(sizes[0].Value, StringComparison.OrdinalIgnoreCase) || Bare(sizes[0].Value) == Bare(drive.Size)) return null;
        // "24 mm socket" is an external hexagon's, "6 mm key" a hexagon socket's: the same kind of drive, of another size.
        var fastener = joint.Fastener with { Drive = drive with { Size = Spelled(sizes[0].Value) } };
        var takes = FastenerText.Parse(fastener.ToString()).IsGood ? fastener.ToString() : "";
        return new Said(new Span(sizes[0].Index, sizes[0].Length), sizes[0].Value, drive.Size, takes.Length > 0 ? "fastener" : "", takes, drive.Size);
    }

    // The size alone, to be compared: "13mm", "13 mm" and "9/16 in", "9/16".
    private static string Bare(string size)
    {
        var bare = new string([.. size.Where(c => char.IsAsciiLetterOrDigit(c) || c is '/' or '.')]).ToUpperInvariant();
        return bare.Contains('/') ? bare.Replace("INCH", "").Replace("IN", "") : bare;
    }

    // The size as a drive is written: "13 mm", "9/16 in", "T30".
    private static string Spelled(string size)
    {
        var bare = Bare(size);
        return bare.EndsWith("MM", StringComparison.Ordinal) ? $"{bare[..^2]} mm" : bare.Contains('/') ? $"{bare} in" : bare;
    }
}
