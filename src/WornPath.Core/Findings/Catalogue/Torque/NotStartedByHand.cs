using WornPath.Core.Workshops;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ014: a fastener goes from out to its final torque, and nothing says that it is started by hand.</summary>
public sealed class NotStartedByHand : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ014", Severity.Warn, "Not started by hand");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        // What is done up by hand needs no start of its own.
        if (joint.Untorqued is not null || IsDrivenByHand(joint)) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb is Verb.Torque or Verb.TorquePass or Verb.Snug) is not { Acted.AnyOut: true } turned) return;
        var some = turned.Acted.Counts is null ? "" : "Some of ";
        found.Add(At(turned, $"{some}{joint.Label} {joint.Are} out, and turned with a wrench here: "
            + "a thread that is crossed is felt by hand and cut by a wrench.",
            // What it holds goes on in this very step, or later: it cannot be started before.
            !Fixes.CanStart(walk, joint, turned.StepIndex) ? null : Fixes.InsertBefore(walk, turned.StepIndex,
                $"Start {joint.Id} by hand first", $"Start {(joint.Reuse == ReuseRule.Renew ? $"the new {joint.Name}" : Fixes.The(joint))} by hand.")));
    }

    // A small screw is turned with a screwdriver, which feels a crossed thread. Common practice, no source.
    private static bool IsDrivenByHand(Joint joint) => joint is
    {
        Torque.Target.NewtonMetres: <= 6,
        Fastener.Drive.Kind: DriveKind.CrossRecess or DriveKind.Slot or DriveKind.Hexalobular
    };
}
