using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>
/// Keeps "repeat steps 5 to 9" about the same steps when others come, go or move: the numbers in the words follow. Nobody has to count
/// again, and an inserted step is repeated with those around it.
/// </summary>
internal static class Renumbering
{
    /// <summary>The sheet after an edit, with the numbers its words name brought up to where those steps stand now.</summary>
    public static Sheet Follow(Sheet before, Sheet after)
    {
        if (!before.Steps.Any(Names)) return after;
        List<string> were = [.. before.Steps.Select(s => s.Id)], are = [.. after.Steps.Select(s => s.Id)];
        if (were.SequenceEqual(are)) return after;
        foreach (var step in before.Steps.Where(Names))
        {
            // What the edit itself writes anew is the author's.
            if (after.FindStep(step.Id) is not { } now || now.Text != step.Text) continue;
            var text = step.Text;
            foreach (var again in step.Actions.Where(a => a.Steps is not null))
                text = StepNumbersText.With(text, again.At.Start, range => Now(range, were, are));
            if (text == step.Text) continue;
            // What the author said of the clause goes with its words.
            var said = now.Said.Select(s => new AuthorsWord(StepNumbersText.With(s.Words, 0, range => Now(range, were, are)),
                [.. s.Actions.Select(a => a.Steps is { } named ? a with { Steps = StepNumbers.Of(named.Ranges.Select(r => Now(r, were, are))) } : a)]));
            now = now with { Said = [.. said] };
            after = StepReading.Read(StepReading.PutStep(after, now), now, text);
        }

        return after;
    }

    private static bool Names(Step step)
    {
        foreach (var action in step.Actions)
            if (action is { Verb: Verb.Repeat, Steps: not null }) return true;
        return false;
    }

    // From the first of a range that is still there to the last; one that was taken out of the stretch to elsewhere, beyond more than one
    // other, is none of it any more. What is gone altogether keeps its numbers.
    private static (int First, int Last) Now((int First, int Last) range, List<string> were, List<string> are)
    {
        if (range.Last > were.Count) return range;
        var others = were.ToHashSet();
        var of = were.GetRange(range.First - 1, range.Last - range.First + 1).ToHashSet();
        others.ExceptWith(of);
        var runs = new List<(int First, int Last, int Count)>();
        var between = int.MaxValue;
        for (var at = 0; at < are.Count; at++)
        {
            if (of.Contains(are[at]))
            {
                if (between < 2) runs[^1] = (runs[^1].First, at, runs[^1].Count + 1);
                else runs.Add((at, at, 1));
                between = 0;
            }
            else if (others.Contains(are[at]) && between < int.MaxValue)
            {
                between++;
            }
        }

        if (runs.Count == 0) return range;
        var longest = runs.MaxBy(r => r.Count);
        return (longest.First + 1, longest.Last + 1);
    }
}
