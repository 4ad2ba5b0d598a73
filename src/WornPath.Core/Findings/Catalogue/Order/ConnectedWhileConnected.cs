using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD008: a connection is made that is made already.</summary>
public sealed class ConnectedWhileConnected : Rule
{
    public override RuleInfo Info { get; } = new("ORD008", Severity.Warn, "Connected, never disconnected");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Connect))
            if (walked is { Thing: Connection connection, Action.Verb: Verb.Connect, Before.Connected: true }
                // "Secure the loom with ties": tied.
                && !Claims.Says(walked.Step, walked.Action, ClaimKind.Secures))
                yield return At(walked, $"{connection.Label} is connected here and {connection.Are} connected already. Write where {connection.It} {connection.Are} disconnected; or {connection.It} {connection.Or("comes", "come")} with the kit: say so in Joints.");
    }
}
