using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ012: the joint that keeps a coil spring compressed is loosened, or not yet tight, with no compressor on the spring.</summary>
public sealed class SpringNotHeld : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("HAZ012", Severity.Stop, "Spring not held");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        // What keeps the spring in: a part that covers it, and what holds that part.
        var springs = found.Kept(this, () => walk.Sheet.Parts.Where(p => !p.Behind.IsEmpty && Natures.Is(p, Trait.CoilSpring)).ToList());
        if (springs.Find(p => p.Behind.Any(joint.Holds.Contains)) is not { } spring) return;
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            if (walked.Verb is not (Verb.Loosen or Verb.TakeOut or Verb.BreakLoose) || walked.Acted.IsOut || IsHeld(walk, walked.Order)) continue;
            found.Add(At(walked, $"{joint.Label} holds {spring.Label} under load and {joint.Are} loosened here with "
                + $"no compressor on {spring.Them}: what {joint.It} {joint.Or("holds", "hold")} is shot off. Compress the spring first."));
            return;
        }

        foreach (var away in walk.Doing(Verb.TakeAway))
            if (IsCompressor(away.Thing) && walk.BeforeEvent(joint.Id, away.Order).Joint is { WasOut: true } state && (state.IsOut || state.IsSlack))
            {
                var torqued = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Order > away.Order && e.Verb == Verb.Torque);
                found.Add(At(away, $"{away.Thing!.Label} comes off here before {joint.Label} "
                    + $"has its torque: the spring is held by a few threads.",
                    torqued is null || torqued.Step.Id == away.Step.Id ? null : Fixes.MoveAfter(walk, away.StepIndex, torqued.StepIndex)));
            }
    }

    private static bool IsHeld(Walk walk, int order) => walk.Sheet.Aids.Any(a => IsCompressor(a) && walk.BeforeEvent(a.Id, order).InPlace)
        || walk.Sheet.Tools.Any(IsCompressor) && walk.Events.Any(e => e.Order < order && (e.Action.With is { } with
            && IsCompressor(walk.Things.GetValueOrDefault(with)) || IsCompressor(e.Thing)));

    private static bool IsCompressor(Thing? thing) => thing is Aid or Tool && Natures.Is(thing, Trait.Compressor);
}
