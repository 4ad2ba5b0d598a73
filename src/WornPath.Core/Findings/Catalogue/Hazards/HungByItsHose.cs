using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ013: a caliper comes off and hangs by its hose: it is said so, or nothing says where else it is.</summary>
public sealed class HungByItsHose : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("HAZ013", Severity.Warn, "Hung by its hose");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (!Natures.Is(part, Trait.Caliper)) return;
        var events = walk.EventsOf(part.Id);
        if (events.FirstOrDefault(e => e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside && e.ActedPart.Place == PartPlace.On) is not { } off) return;
        var said = found.Kept(this, () => walk.Steps.Select((step, i) => (Step: step, Index: i)).Where(s => Claims.Says(s.Step, ClaimKind.ByItsHose)).ToList());
        var hung = said.Find(s => s.Index >= off.StepIndex);
        if (hung.Step is not null)
        {
            found.Add(At(hung.Step, hung.Index, part,
                $"{part.Label} hangs by its hose here: the hose breaks inside, where nobody sees it. Hang {part.Them} from the frame with a hook or wire."));
            return;
        }

        if (off.Verb != Verb.Remove || events.Any(e => e.Verb is Verb.HangAside or Verb.SetAside && e.StepIndex <= off.StepIndex + 1)
            || IsOpened(walk, off)) return;
        found.Add(At(off, $"{part.Label} comes off here, and nothing says what carries {part.Them}: left alone {part.It} {part.Or("hangs", "hang")} by the hose. Hang {part.Them} up, or take "
            + "its hose off.",
            Fixes.And(
                Fixes.InsertAfter(walk, off.StepIndex, "Hang it up", $"Hang {Fixes.The(part)} from the frame with a wire hook so that its hose is not pulled."),
                events.FirstOrDefault(e => e.Order > off.Order && e.Verb == Verb.Fit) is { } back
                    ? Fixes.InsertBefore(walk, back.StepIndex, "Hang it up", $"Take {Fixes.The(part)} off the wire hook. Remove the wire hook.") : null)));
    }

    // Its hose or line is off: it is free to be laid down.
    private static bool IsOpened(Walk walk, WalkEvent off) => walk.Events.Any(e => e.Order < off.Order + 4
        && e.Verb is Verb.Disconnect or Verb.TakeOut && Natures.Is(e.Thing, Trait.BrakeLine));
}
