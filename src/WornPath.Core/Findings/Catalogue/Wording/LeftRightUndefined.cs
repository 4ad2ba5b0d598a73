using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD007: left or right is said, and not from where it is seen: in front of the vehicle they are the other way round.</summary>
public sealed class LeftRightUndefined : StepRule
{
    private const string Definition = "Left and right are as seen from the driver’s seat.";

    public override RuleInfo Info { get; } = new("WRD007", Severity.Hint, "Left and right undefined");

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.First(step, ClaimKind.Sided) is not null;

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        if (!found.IsFirst(this)) return;
        var header = walk.Sheet.Header;
        if (Array.Exists(Claims.Find($"{header.Purpose}\n{header.Fits}\n{header.EntryCheck}"), c => c.Kind == ClaimKind.SeenFrom)
            || walk.Steps.Any(s => Claims.Says(s, ClaimKind.SeenFrom))) return;
        found.Add(At(walk.Steps[stepIndex], stepIndex, null, "Left or right is said, and nowhere from where it is seen: who stands before the vehicle has them the other way round.", new Fix("Say it in the header: from the driver’s seat", new SetField("", "fits", header.Fits, $"{header.Fits} {Definition}".Trim()))));
    }
}
