using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FLO001: a plug or line is opened before the pan that the sheet has is under it.</summary>
public sealed class NothingToCatchIt : Rule
{
    public override RuleInfo Info { get; } = new("FLO001", Severity.Warn, "Opened with no pan under it");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        List<Aid> pans = [.. walk.Sheet.Aids.Where(a => Natures.Is(a, Trait.Pan))];
        if (pans.Count == 0) yield break;
        var opened = walk.Events.FirstOrDefault(e => e.Verb == Verb.Drain || e is { Verb: Verb.TakeOut or Verb.Disconnect, Thing: { } thing }
            && Flow.Contains(thing, walk.Things));
        if (opened is null || pans.Any(p => walk.BeforeEvent(p.Id, opened.Order).InPlace)) yield break;
        var placed = pans.SelectMany(p => walk.EventsOf(p.Id)).FirstOrDefault(e => e.Verb == Verb.Place && e.StepIndex > opened.StepIndex
            && (opened.Verb != Verb.Drain && !SaysPan(opened.Step) || e.Step.Text.Contains(opened.Thing!.Name, StringComparison.OrdinalIgnoreCase)
                || opened.Thing is Joint { Holds: var held } && held.Any(id => walk.Things.GetValueOrDefault(id) is { } part && NamesIt(e.Step, part))));
        // "Drain it into the pan": it stands there, unless it is put there only later.
        if (placed is null && pans.Any(p => walk.EventsOf(p.Id).Any(e => e.Step.Id == opened.Step.Id && e.Verb == Verb.Place))) yield break;
        yield return At(opened, $"{opened.Thing!.Label} {(opened.Verb == Verb.Drain ? "is drained" : "comes out")} here, and {pans[0].Label} "
            + $"{(placed is null ? $"{pans[0].Are} never put under {opened.Thing.Them}" : $"{pans[0].Or("comes", "come")} under {opened.Thing.Them} only in step {placed.StepIndex + 1}")}.",
            placed is null ? Fixes.And(Fixes.InsertBefore(walk, opened.StepIndex, "Put it under first",
                $"Put {Fixes.The(pans[0])} under {Fixes.The(opened.Thing)}."),
                walk.EventsOf(pans[0].Id).Any(e => e.Order > opened.Order && e.Verb == Verb.TakeAway) ? null
                    : Fixes.InsertAtEnd(walk, "Take it away", $"Take {Fixes.The(pans[0])} away."))
                : Fixes.MoveBefore(walk, placed.StepIndex, opened.StepIndex));
    }

    private static bool SaysPan(Step step) => step.Actions.Any(a => a.Verb == Verb.Place);

    // "Under the hose", of the lift hose.
    private static bool NamesIt(Step step, Thing thing) => step.Text.Contains(thing.Name[(thing.Name.LastIndexOf(' ') + 1)..],
        StringComparison.OrdinalIgnoreCase);
}
