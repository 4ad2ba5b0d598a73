using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>A torque that is put off.</summary>
/// <param name="Id">The joint.</param>
/// <param name="Name">Its name.</param>
/// <param name="Value">What it is owed; empty while nobody has given a value.</param>
/// <param name="Since">Number of the step that left it so, from 1.</param>
/// <param name="Due">Number of the step that torques it, or brings it to what it is tightened to without a torque; null where none does.</param>
public sealed record OwedTorque(string Id, string Name, string Value, int Since, int? Due);

/// <summary>The joints that were started, snugged, brought through a pass or loosened, and are torqued only later: carried until done.</summary>
public static class TorqueLedger
{
    /// <summary>What is still to torque after a step (its place from 0).</summary>
    public static ImmutableArray<OwedTorque> After(Walk walk, int stepIndex)
    {
        var owed = ImmutableArray.CreateBuilder<OwedTorque>();
        foreach (var joint in walk.Sheet.Joints)
            if (Of(walk, joint, stepIndex) is { } line) owed.Add(line);
        return owed.ToImmutable();
    }

    /// <summary>What one joint is owed after a step; null where nothing.</summary>
    public static OwedTorque? Of(Walk walk, Joint joint, int stepIndex)
    {
        var state = walk.AfterStep(joint.Id, stepIndex).Joint;
        if (!state.IsSlack || DoneAt.IsReached(walk, joint, state)) return null;
        var since = walk.MomentsOf(joint.Id).Last(m => m.StepIndex <= stepIndex).StepIndex;
        if (since < 0) return null;
        var due = walk.EventsOf(joint.Id).FirstOrDefault(e => e.StepIndex > stepIndex
            && (e.Action.Verb == Verb.Torque || e.Action.Verb is Verb.Start or Verb.Snug && DoneAt.IsReached(walk, joint, e.After.Joint)));
        return new OwedTorque(joint.SheetId, joint.Name, joint.TighteningText, since + 1, due is null ? null : due.StepIndex + 1);
    }
}
