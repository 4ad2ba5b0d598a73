using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ006: a starter, alternator or airbag is disconnected while the battery is on.</summary>
public sealed class BatteryStillConnected : Rule
{
    private static readonly string[] Live = ["starter", "alternator", "airbag", "glow plug", "fuel pump"];

    public override RuleInfo Info { get; } = new("HAZ006", Severity.Stop, "Battery still connected");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // The one that comes off first, of those that are called after the battery or go to it; the negative one where none does.
        var battery = walk.Sheet.Connections.Where(c => c.Name.Contains("battery", StringComparison.OrdinalIgnoreCase)
                || c.Origin == Origin.Vehicle && c.GoesTo.Contains("battery", StringComparison.OrdinalIgnoreCase))
            .MinBy(c => (walk.EventsOf(c.Id).FirstOrDefault(e => e.Verb == Verb.Disconnect)?.Order ?? int.MaxValue,
                c.Name.Contains("positive", StringComparison.OrdinalIgnoreCase)));
        foreach (var walked in walk.Doing(Verb.Disconnect))
        {
            if (walked.Thing is not Connection connection
                || !Array.Exists(Live, l => connection.Name.Contains(l, StringComparison.OrdinalIgnoreCase))) continue;
            if (battery is not null && !walk.BeforeEvent(battery.Id, walked.Order).Connected) continue;
            yield return At(walked, $"{connection.Label} is disconnected while the battery is on: a slipping spanner welds, an airbag can fire. "
                + "Negative lead off first.", battery is null ? null
                : Fixes.And(Fixes.InsertBefore(walk, walked.StepIndex, $"Disconnect {battery.Id} first", $"Disconnect the {battery.Name}."),
                    walk.EventsOf(battery.Id).Any(e => e.Verb == Verb.Connect && e.Order > walked.Order) ? null
                        : Fixes.InsertAtEnd(walk, $"Connect {battery.Id}", $"Connect the {battery.Name}.")));
            yield break;
        }
    }
}
