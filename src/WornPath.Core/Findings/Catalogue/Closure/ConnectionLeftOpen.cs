using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO005: a connector, hose, cable or clip is open when all is done.</summary>
public sealed class ConnectionLeftOpen : Rule
{
    public override RuleInfo Info { get; } = new("CLO005", Severity.Stop, "Connection left open");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var connection in walk.Sheet.Connections)
        {
            if (walk.AtEnd(connection.Id).Connected || walk.IsForABranch(connection)) continue;
            var opened = walk.EventsOf(connection.Id).LastOrDefault(e => e.Verb == Verb.Disconnect);
            var after = opened?.StepIndex ?? -1;
            var message = opened is null ? $"Comes with the kit and no step connects it: {connection.Label}." : $"Disconnected here and never connected again: {connection.Label}.";
            yield return At(opened?.Step, after, connection, message, Fixes.PutRight(walk, connection, after, $"Connect {connection.Id}", $"Connect {Fixes.The(connection)}."));
        }
    }
}
