using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD016: a connection is made to something else than it goes to.</summary>
public sealed class ConnectedElsewhere : Rule
{
    public override RuleInfo Info { get; } = new("ORD016", Severity.Warn, "Connected to something else");

    // What every lead goes into.
    private static readonly string[] Anything = ["socket", "plug", "connector", "port", "terminal", "fitting", "side", "end"];

    private static readonly string[] LeadIns = [" into ", " onto ", " to "];

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var made in walk.Doing(Verb.Connect))
        {
            if (made.Thing is not Connection { GoesTo.Length: > 0 } connection || PlaceSaid(made) is not { } place) continue;
            string[] said = [.. NameIndex.StemsOf(place).Except(Anything)];
            var goes = NameIndex.StemsOf(connection.GoesTo);
            // A hose has two ends: one of them goes there.
            if (walk.EventsOf(connection.Id).Any(e => e.Verb == Verb.Connect && e.Order != made.Order && NameIndex.StemsOf(e.Step.Text) is var also
                && goes.All(also.Contains))) continue;
            if (said.Length == 0 || said.Any(goes.Contains) || !Array.Exists(said, s => Trade.Wired.Contains(s) || Trade.NounOf([s]) is { Role: NounRole.Thing })) continue;
            yield return At(made, $"{connection.Label} is connected to “{place}” here, and Joints says that {connection.It} {connection.Or("goes", "go")} to “{connection.GoesTo}”. One of "
                + "the two is wrong.");
        }
    }

    // What the clause says behind the connection: "into the frame socket".
    private static string? PlaceSaid(WalkEvent made)
    {
        var action = made.Action;
        var end = action.In.Length > 0 ? action.In.End : made.Step.Text.Length;
        if (action.At.End <= 0 || action.At.End > end || end > made.Step.Text.Length) return null;
        var rest = made.Step.Text[action.At.End..end];
        foreach (var lead in LeadIns)
            if (rest.IndexOf(lead, StringComparison.OrdinalIgnoreCase) is >= 0 and var at)
                return rest[(at + lead.Length)..].Split(" and ")[0].Trim().TrimEnd('.', ',', ';');
        return null;
    }
}
