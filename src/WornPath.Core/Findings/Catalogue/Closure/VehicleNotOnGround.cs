using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO007: the vehicle is raised, on stands or barely touching when all is done.</summary>
public sealed class VehicleNotOnGround : Rule
{
    public override RuleInfo Info { get; } = new("CLO007", Severity.Stop, "Vehicle not on the ground at the end");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var lift in walk.AtEnd(Walk.Vehicle).Vehicle.Standing.Lifts)
            yield return LeftUp(walk, lift);
    }

    private Finding LeftUp(Walk walk, Lifted lift)
    {
        var moved = walk.Events.Where(e => e.Verb is Verb.Raise or Verb.SetOnStands or Verb.LowerToTouch).ToList();
        var last = moved.FindLast(e => e.After.Vehicle.Standing.Lifts.Contains(lift) && !e.Before.Vehicle.Standing.Lifts.Contains(lift)) ?? moved[^1];
        var how = lift.Height switch
        {
            Height.Raised => "raised",
            Height.OnStands => "set on stands",
            Height.OnLift => "raised on the lift",
            _ => "lowered until the tyres touch",
        };
        var what = CornersOf.Named(lift.Corners) is not Ends.None and var ends ? $"The vehicle's {WhichEnd.Text(ends)}" : "The vehicle";
        return At(last, $"{what} is {how} here and never lowered to the ground.",
            Fixes.Lower(walk, walk.Steps.Count, "Lower it at the end"));
    }
}
