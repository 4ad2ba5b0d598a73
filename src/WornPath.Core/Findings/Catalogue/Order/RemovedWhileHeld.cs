using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD001: a part comes off while a joint that holds it is in.</summary>
public sealed class RemovedWhileHeld : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("ORD001", Severity.Stop, "Part removed while a joint holds it");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        foreach (var walked in walk.EventsOf(part.Id))
        {
            if (walked.Verb is not (Verb.Remove or Verb.HangAside or Verb.SetAside) || !walked.ActedPart.IsMounted) continue;
            foreach (var joint in walk.HoldersOf(part.Id))
            {
                var state = walk.BeforeEvent(joint.Id, walked.Order).Joint;
                // A clamp that is slack lets go.
                if (state.IsOut || state.Stage is JointStage.BackedOut or JointStage.BrokenLoose && Natures.Is(joint, Trait.OwnClamp)) continue;
                var later = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Order > walked.Order && e.Verb == Verb.TakeOut);
                var fix = later is not null && later.StepIndex != walked.StepIndex
                    ? Fixes.MoveBefore(walk, later.StepIndex, walked.StepIndex)
                    : Fixes.InsertBefore(walk, walked.StepIndex, $"Remove {joint.Id} first", $"Remove {Fixes.The(joint)}.");
                var left = state.Counts?.Groups.Where(g => !g.State.IsOut).Sum(g => g.Count);
                var holding = left is { } many ? $"{many} of {joint.Count} {joint.Label}" : joint.Label;
                var hold = (left is { } some ? some > 1 : joint.IsMany) ? "hold" : "holds";
                found.Add(At(walked, $"Taken off while {holding} still {hold} {part.Them}: {part.Label}.", fix));
            }
        }
    }
}
