using System.Collections.Immutable;
using System.Text.Json;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Finds what changed between two sheets. What the two share is recognised by reference and costs nothing.</summary>
internal static class DeltaFinder
{
    public static Delta Find(Sheet before, Sheet after)
    {
        var changes = ImmutableArray.CreateBuilder<Change>();
        if (!ReferenceEquals(before.Header, after.Header)) Fields(changes, Slots.Header, "", before.Header, after.Header);
        foreach (var kind in Slots.Kinds)
            if (!Slots.SameList(before, after, kind)) Things(changes, Slots.Of(kind), Slots.List(before, kind), Slots.List(after, kind), t => t.Id);
        if (before.Phases != after.Phases) Phases(changes, before, after);
        if (!ReferenceEquals(before.Issued, after.Issued) && !before.Issued.SequenceEqual(after.Issued))
            changes.Add(new Change(Slots.Issued, "", null, Json(before.Issued), Json(after.Issued)));
        return new Delta(changes.ToImmutable());
    }

    private static JsonElement Json<T>(T value) => JsonSerializer.SerializeToElement(value, value!.GetType(), SheetJson.Options);

    private static void Things<T>(ImmutableArray<Change>.Builder changes, string slot, IReadOnlyList<T> before, IReadOnlyList<T> after, Func<T, string> id)
        where T : class
    {
        var old = before.ToDictionary(id);
        foreach (var thing in after)
        {
            if (!old.Remove(id(thing), out var was)) changes.Add(new Change(slot, id(thing), null, null, Json(thing)));
            else if (!ReferenceEquals(was, thing)) Fields(changes, slot, id(thing), was, thing);
        }

        foreach (var gone in old.Values) changes.Add(new Change(slot, id(gone), null, Json(gone), null));
    }

    private static void Fields<T>(ImmutableArray<Change>.Builder changes, string slot, string id, T before, T after)
        where T : class
    {
        JsonElement was = Json(before), now = Json(after);
        var names = was.EnumerateObject().Select(p => p.Name).Union(now.EnumerateObject().Select(p => p.Name));
        foreach (var name in names)
        {
            JsonElement? a = was.TryGetProperty(name, out var x) ? x : null, b = now.TryGetProperty(name, out var y) ? y : null;
            if (a is { } old && b is { } fresh && JsonElement.DeepEquals(old, fresh)) continue;
            changes.Add(new Change(slot, id, name, a, b));
        }
    }

    private static void Phases(ImmutableArray<Change>.Builder changes, Sheet before, Sheet after)
    {
        if (SameOutline(before, after))
        {
            // Most edits change a text or a name and move nothing.
            for (var p = 0; p < after.Phases.Length; p++)
                for (var s = 0; s < after.Phases[p].Steps.Length; s++)
                    if (!ReferenceEquals(before.Phases[p].Steps[s], after.Phases[p].Steps[s]))
                        Fields(changes, Slots.Step, after.Phases[p].Steps[s].Id, before.Phases[p].Steps[s], after.Phases[p].Steps[s]);
            return;
        }

        static Phase Bare(Phase phase) => phase with { Steps = [] };
        var changed = ImmutableArray.CreateBuilder<Change>();
        var oldPhases = before.Phases.ToDictionary(p => p.Id);
        foreach (var phase in after.Phases)
        {
            if (!oldPhases.Remove(phase.Id, out var was)) changed.Add(new Change(Slots.Phase, phase.Id, null, null, Json(Bare(phase))));
            else if (was.Name != phase.Name) Fields(changed, Slots.Phase, phase.Id, Bare(was), Bare(phase));
        }

        foreach (var gone in oldPhases.Values) changed.Add(new Change(Slots.Phase, gone.Id, null, Json(Bare(gone)), null));
        Things(changed, Slots.Step, [.. before.Steps], [.. after.Steps], s => s.Id);

        AddPlaces(changed, Slots.Phase, PhasePlaces(before), PhasePlaces(after));
        AddPlaces(changed, Slots.Step, StepPlaces(before), StepPlaces(after));
        changes.AddRange(changed);
    }

    /// <summary>True where both have the same phases, by id and name, with the same steps in the same order.</summary>
    public static bool SameOutline(Sheet a, Sheet b)
    {
        if (a.Phases == b.Phases) return true;
        if (a.Phases.Length != b.Phases.Length) return false;
        for (var p = 0; p < a.Phases.Length; p++)
        {
            Phase x = a.Phases[p], y = b.Phases[p];
            if (x.Id != y.Id || x.Name != y.Name || x.Steps.Length != y.Steps.Length) return false;
            for (var s = 0; s < x.Steps.Length; s++)
                if (x.Steps[s].Id != y.Steps[s].Id) return false;
        }

        return true;
    }

    private static List<(string Id, Place Place)> PhasePlaces(Sheet sheet) =>
        [.. sheet.Phases.Select((p, i) => (p.Id, new Place("", i == 0 ? null : sheet.Phases[i - 1].Id, i)))];

    private static List<(string Id, Place Place)> StepPlaces(Sheet sheet)
    {
        var places = new List<(string, Place)>();
        foreach (var phase in sheet.Phases)
            for (var i = 0; i < phase.Steps.Length; i++)
                places.Add((phase.Steps[i].Id, new Place(phase.Id, i == 0 ? null : phase.Steps[i - 1].Id, places.Count)));
        return places;
    }

    // Whatever came, went or moved gets its places. Moved are the fewest that explain the new order.
    private static void AddPlaces(ImmutableArray<Change>.Builder changes, string slot, List<(string Id, Place Place)> before, List<(string Id, Place Place)> after)
    {
        var old = before.ToDictionary(p => p.Id, p => p.Place);
        var fresh = after.ToDictionary(p => p.Id, p => p.Place);
        for (var i = 0; i < changes.Count; i++)
        {
            var change = changes[i];
            if (change.Slot != slot || change.Field is not null) continue;
            changes[i] = change with { From = old.GetValueOrDefault(change.Id), To = fresh.GetValueOrDefault(change.Id) };
        }

        var stayed = after.Where(p => old.TryGetValue(p.Id, out var was) && was.Phase == p.Place.Phase).Select(p => p.Id).ToList();
        var still = LongestRising(stayed, id => old[id].Order);
        foreach (var (id, place) in after)
            if (old.TryGetValue(id, out var was) && !still.Contains(id)) changes.Add(new Change(slot, id, "@place", null, null) { From = was, To = place });
    }

    private static HashSet<string> LongestRising(List<string> ids, Func<string, int> rank)
    {
        // Patience sorting: tails[k] ends the best run of length k + 1 so far.
        var tails = new List<int>();
        var previous = new int[ids.Count];
        for (var i = 0; i < ids.Count; i++)
        {
            int low = 0, high = tails.Count;
            while (low < high)
            {
                var middle = (low + high) / 2;
                if (rank(ids[tails[middle]]) < rank(ids[i])) low = middle + 1;
                else high = middle;
            }

            previous[i] = low > 0 ? tails[low - 1] : -1;
            if (low == tails.Count) tails.Add(i);
            else tails[low] = i;
        }

        var kept = new HashSet<string>();
        for (var i = tails.Count > 0 ? tails[^1] : -1; i >= 0; i = previous[i]) kept.Add(ids[i]);
        return kept;
    }
}
