using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>
/// ORD018: what a step repeats on the other side is done elsewhere without a word of a side: taken off on both and, as it is written, fitted
/// on one; or the other way round.
/// </summary>
public sealed class OneSideOnly : Rule
{
    public override RuleInfo Info { get; } = new("ORD018", Severity.Warn, "On both sides, or on one?");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var bare = new List<WalkEvent>();
        var told = new Dictionary<string, WalkEvent>();
        foreach (var second in walk.Sheet.Things)
        {
            if (!second.IsSecond || second is not (Part or Connection)) continue;
            var moved = walk.EventsOf(second.SheetId).Where(IsMove).ToList();
            if (walk.EventsOf(second.Id).FirstOrDefault(e => IsMove(e) && !e.OfNoSide) is not { } other) continue;
            told[second.SheetId] = other;
            bare.AddRange(moved.Where(e => e.OfNoSide && !SaysBoth(e)));
        }

        foreach (var phase in bare.OrderBy(e => e.Order).GroupBy(e => walk.PlaceAt(e.StepIndex).Phase.Id))
        {
            var first = phase.First();
            var elsewhere = told[first.Thing!.Id];
            var last = phase.Last();
            var (from, to) = (first.StepIndex + 1, last.StepIndex + 1);
            var named = from == to ? $"step {from}" : $"steps {from} to {to}";
            var what = $"{Sentences.Capital(named)}: {Names([.. phase.Select(e => e.Thing!).Distinct()])} without a word of a side, and step "
                + $"{elsewhere.StepIndex + 1} has {elsewhere.Thing!.Name} {Said(elsewhere.Verb)} on its own.";
            // A repeat that leaves out what stands right before or behind it takes it in.
            if (walk.Doing(Verb.Repeat).FirstOrDefault(e => e.Action is { Steps: not null, Side: not null } && e.StepIndex >= last.StepIndex
                && walk.PlaceAt(e.StepIndex).Phase.Id == phase.Key) is { } again)
            {
                var text = StepNumbersText.With(again.Step.Text, again.Action.At.Start, range => (Math.Min(range.First, from), Math.Max(range.Last, to)));
                yield return At(again, $"{what} This step repeats {again.Action.Steps} and leaves them out. Repeat them as well, or write “both”.",
                    new Fix($"Repeat {named} as well", new WriteStep(again.Step.Id, again.Step.Text, text)));
            }
            else
            {
                yield return At(last, $"{what} Taken for both sides. Repeat it on the other side, or write “both”.",
                    Fixes.InsertAfter(walk, last.StepIndex, $"Repeat {named} on the other side",
                        $"Repeat {named} on the {SideWords.Of(walk.SecondSide)} side."));
            }
        }
    }

    private static bool IsMove(WalkEvent e) => e.Before != e.After
        && e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside or Verb.Fit or Verb.Disconnect or Verb.Connect;

    // "Fit both wheels", "lift the wheels on", "on each side".
    private static bool SaysBoth(WalkEvent e) => Claims.Says(e.Step, ClaimKind.BothSides)
        || !e.Thing!.IsMany && e.Action.At.Of(e.Step.Text) is var words && words.EndsWith('s') && !words.EndsWith("ss", StringComparison.Ordinal);

    private static string Said(Verb verb) => verb switch
    {
        Verb.Remove => "taken off",
        Verb.HangAside or Verb.SetAside => "put aside",
        Verb.Fit => "fitted",
        Verb.Disconnect => "disconnected",
        _ => "connected",
    };

    private static string Names(List<Thing> things) => things.Count == 1 ? things[0].Label
        : $"{string.Join(", ", things.SkipLast(1).Select(t => t.Label))} and {things[^1].Label}";
}
