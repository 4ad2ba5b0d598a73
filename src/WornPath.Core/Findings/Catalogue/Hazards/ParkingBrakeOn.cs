using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ015: the brake of the rear wheels comes apart with the parking brake on.</summary>
public sealed class ParkingBrakeOn : Rule
{
    public override RuleInfo Info { get; } = new("HAZ015", Severity.Warn, "Parking brake on where its brake comes apart");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var brake in walk.Sheet.Controls.Where(ControlPosition.IsParkingBrake))
            foreach (var off in walk.Events)
            {
                if (off is not { Verb: Verb.Remove or Verb.HangAside, Thing: Part part, ActedPart.Place: PartPlace.On }
                    || !Natures.Is(part, Trait.RearBrake)) continue;
                // Where it acts: common practice, no source; on the rear wheels.
                if (!part.Name.Contains("rear", StringComparison.OrdinalIgnoreCase)
                    && !walk.VehicleBefore(off.Order).State.Vehicle.Up.HasFlag(Ends.Rear)) continue;
                if (walk.BeforeEvent(brake.Id, off.Order).Control != ControlState.Engaged) continue;
                yield return At(off, $"{part.Label} comes off here with {brake.Label} on: it holds the brake shut, and nothing holds the vehicle when "
                    + "it is apart. Chock the wheels that stay down, put it in gear and let the parking brake off.");
                break;
            }
    }
}
