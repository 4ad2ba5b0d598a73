using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>A step that is moved by sorting, and why.</summary>
/// <param name="Step">Its id.</param>
/// <param name="From">Its number before.</param>
/// <param name="To">Its number after.</param>
/// <param name="Why">What had to come before it.</param>
public sealed record SortMove(string Step, int From, int To, string Why);

/// <summary>
/// Sorts the steps of a removal phase so that nothing comes off before what holds or covers it, moving as few as it can: each
/// step keeps its place among those it has nothing to do with.
/// </summary>
/// <param name="Moves">What is moved; empty where the order is good.</param>
/// <param name="Edit">The edit that does it; null where nothing moves.</param>
public sealed record RemovalSort(ImmutableArray<SortMove> Moves, Edit? Edit)
{
    /// <summary>The sorting of a phase, or the circle that stands in the way.</summary>
    public static Outcome<RemovalSort> Of(Walk walk, string phaseId)
    {
        if (walk.Sheet.Phases.FirstOrDefault(p => p.Id == phaseId) is not { } phase) return new Problem("This phase is no longer on the sheet.", "Reload to see the sheet as it is.");
        var order = RemovalOrder.Of(walk.Written);
        if (order.Whole().Problem is { } circle) return circle;
        var steps = phase.Steps;
        var offset = steps.IsEmpty ? 0 : walk.IndexOf(steps[0]);
        // Which step of the phase takes a thing off, first.
        var takenBy = new Dictionary<string, int>();
        for (var i = 0; i < steps.Length; i++)
            foreach (var action in steps[i].Actions)
                if (action.Target is { } id && action.Verb is Verb.TakeOut or Verb.Remove or Verb.HangAside or Verb.SetAside) takenBy.TryAdd(id, i);
        var before = steps.Select(_ => new SortedSet<int>()).ToArray();
        var why = new Dictionary<(int, int), string>();
        foreach (var (id, at) in takenBy)
            foreach (var first in order.Before(id))
                if (takenBy.TryGetValue(first, out var earlier) && earlier != at && before[at].Add(earlier)) why[(at, earlier)] = $"{walk.Things[id].Label} {(walk.Things[first] is Joint ? "is held by" : "is behind")} {walk.Things[first].Label}";
        // Other things done to one thing keep their order: a joint is broken loose before it is taken out.
        var lastOn = new Dictionary<string, int>();
        for (var i = 0; i < steps.Length; i++)
            foreach (var id in steps[i].Actions.Select(a => a.Target).OfType<string>().Distinct())
            {
                if (lastOn.TryGetValue(id, out var earlier)) before[i].Add(earlier);
                lastOn[id] = i;
            }

        var sorted = new List<int>();
        while (sorted.Count < steps.Length)
        {
            // The first in the order as written whose needs are met.
            var next = Enumerable.Range(0, steps.Length).FirstOrDefault(i => !sorted.Contains(i) && before[i].All(sorted.Contains), -1);
            if (next < 0) return new Problem("Two steps each need the other first.", "Split the step that does more than one thing.");
            sorted.Add(next);
        }

        var moves = ImmutableArray.CreateBuilder<SortMove>();
        var now = Enumerable.Range(0, steps.Length).ToList();
        for (var place = 0; place < sorted.Count; place++)
        {
            if (now[place] == sorted[place]) continue;
            var step = sorted[place];
            now.Remove(step);
            now.Insert(place, step);
            // It goes forward for the sake of a step that needs it.
            var reason = why.FirstOrDefault(w => w.Key.Item2 == step && w.Key.Item1 < step).Value ?? "what it stands before needs it";
            moves.Add(new SortMove(steps[step].Id, offset + step + 1, offset + place + 1, reason));
        }

        return new RemovalSort(moves.ToImmutable(), moves.Count == 0 ? null
            : new Several($"“{phase.Name}” sorted", [new MoveSteps([.. sorted.Select(i => steps[i].Id)], phaseId, null)]));
    }
}
