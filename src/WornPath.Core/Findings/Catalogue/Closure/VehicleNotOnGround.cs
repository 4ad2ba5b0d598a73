using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO007: the vehicle is raised, on stands or barely touching when all is done.</summary>
public sealed class VehicleNotOnGround : Rule
{
    public override RuleInfo Info { get; } = new("CLO007", Severity.Stop, "Vehicle not on the ground at the end");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var end = walk.AtEnd(Walk.Vehicle).Vehicle.Height;
        if (end == Height.OnGround) yield break;
        var last = walk.Events.Last(e => e.Verb is Verb.Raise or Verb.SetOnStands or Verb.LowerToTouch);
        var how = end switch
        {
            Height.Raised => "raised",
            Height.OnStands => "set on stands",
            Height.OnLift => "raised on the lift",
            _ => "lowered until the tyres touch",
        };
        yield return At(last, $"The vehicle is {how} here and never lowered to the ground.", Fixes.InsertAtEnd(walk, "Lower it at the end", "Lower the vehicle to the ground."));
    }
}
