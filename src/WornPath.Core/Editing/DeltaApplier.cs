using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Does a delta to a sheet, checking that what it replaces is what it knew.</summary>
internal static class DeltaApplier
{
    public static Outcome<Sheet> Apply(Delta delta, Sheet sheet)
    {
        foreach (var kind in Slots.Kinds)
        {
            var changed = ApplyThings(delta, sheet, kind);
            if (!changed.IsGood) return changed;
            sheet = changed.Value;
        }

        foreach (var change in delta.Changes)
        {
            if (change.Slot == Slots.Header)
            {
                var header = SetField(sheet.Header, change, "the header");
                if (!header.IsGood) return header.Problem;
                sheet = sheet with { Header = header.Value };
            }
            else if (change is { Slot: Slots.Issued, After: { } after })
            {
                // Numbers given out stay given out: undoing takes the thing away, not the number back.
                var issued = after.Deserialize<ImmutableSortedDictionary<string, int>>(SheetJson.Options)!;
                sheet = sheet with { Issued = sheet.Issued.SetItems(issued.Where(i => i.Value > sheet.Issued.GetValueOrDefault(i.Key))) };
            }
        }

        return ApplyPhases(delta, sheet);
    }

    private static Outcome<Sheet> ApplyThings(Delta delta, Sheet sheet, ThingKind kind)
    {
        var slot = Slots.Of(kind);
        List<Thing>? list = null;
        foreach (var change in delta.Changes)
        {
            if (change.Slot != slot) continue;
            list ??= [.. Slots.List(sheet, kind)];
            var at = list.FindIndex(t => t.Id == change.Id);
            var done = ChangeList(list, at, change, change.Id, t => t.Label, Slots.TypeOf(kind));
            if (done is not null) return done;
        }

        return list is null ? sheet : Slots.With(sheet, kind, list);
    }

    // What it is about is named by its words, and by "gone" where it is no longer there.
    private static Problem? ChangeList<T>(List<T> list, int at, Change change, string gone, Func<T, string> label, Type type)
        where T : class
    {
        if (change is { Field: null, Before: null, After: { } came })
        {
            if (at >= 0) return new Problem($"{Sentences.Capital(label(list[at]))} is there already.", "Look at it before you bring it back.");
            var thing = (T)came.Deserialize(type, SheetJson.Options)!;
            // Things stand in the order of their numbers; what comes back stands where it stood.
            var next = thing is Thing { Id: var id } ? list.FindIndex(t => t is Thing other && Number(other.Id) > Number(id)) : -1;
            list.Insert(next < 0 ? list.Count : next, thing);
            return null;
        }

        if (at < 0) return new Problem($"{gone} is no longer on the sheet.", "Somebody took it away since. Nothing was changed.");
        if (change.Field is "@place") return null;
        if (change.Field is null)
        {
            var now = JsonSerializer.SerializeToElement(list[at], type, SheetJson.Options);
            if (change.Before is { } was && !JsonElement.DeepEquals(now, was) && !JsonElement.DeepEquals(now, InFull(was, type)))
                return new Problem($"Somebody changed {label(list[at])} since.", "Look at it before you take it away. Nothing was changed.");
            list.RemoveAt(at);
            return null;
        }

        var set = SetField(list[at], change, label(list[at]));
        if (!set.IsGood) return set.Problem;
        list[at] = set.Value;
        return null;
    }

    private static Outcome<T> SetField<T>(T thing, Change change, string label)
        where T : class
    {
        var json = JsonSerializer.SerializeToNode(thing, thing.GetType(), SheetJson.Options)!.AsObject();
        var now = json[change.Field!];
        var type = FieldType(thing.GetType(), change.Field!);
        if (!Same(now, change.After, type))
        {
            if (!Same(now, change.Before, type))
            {
                return new Problem($"Somebody changed {FieldWords.Of(change.Slot, change.Field!)} of {label} since.",
                    "Look at it and change it by hand. Nothing was changed.")
                { Clash = ClashOf(now, change.After) };
            }

            if (change.After is { } after) json[change.Field!] = JsonNode.Parse(after.GetRawText());
            else json.Remove(change.Field!);
        }

        return (T)json.Deserialize(thing.GetType(), SheetJson.Options)!;
    }

    private static int Number(string id) => int.TryParse(id.AsSpan(1), out var number) ? number : int.MaxValue;

    private static bool Same(JsonNode? node, JsonElement? element, Type? type) =>
        element is not { } e ? node is null : node is not null && (JsonNode.DeepEquals(node, JsonNode.Parse(e.GetRawText()))
            || type is not null && JsonNode.DeepEquals(node, JsonNode.Parse(InFull(e, type).GetRawText())));

    // A value as it is written now: one that was logged before a member came has not got it.
    private static JsonElement InFull(JsonElement logged, Type type) =>
        JsonSerializer.SerializeToElement(logged.Deserialize(type, SheetJson.Options), type, SheetJson.Options);

    private static Type? FieldType(Type owner, string field) =>
        SheetJson.Options.GetTypeInfo(owner).Properties.FirstOrDefault(p => p.Name == field)?.PropertyType;

    // Both values, where they are words or numbers that a person can read.
    private static Clash? ClashOf(JsonNode? now, JsonElement? wanted) =>
        now is null or JsonValue && wanted is not { ValueKind: JsonValueKind.Object or JsonValueKind.Array } ? new Clash(Show(now), Show(wanted)) : null;

    private static string Show(JsonNode? node) => node?.ToString() ?? "";

    private static string Show(JsonElement? element) => element?.ToString() ?? "";

    private static Outcome<Sheet> ApplyPhases(Delta delta, Sheet sheet)
    {
        var relevant = delta.Changes.Where(c => c.Slot is Slots.Phase or Slots.Step).ToList();
        if (relevant.Count == 0) return sheet;
        var phases = sheet.Phases.Select(p => p with { Steps = [] }).ToList();
        var steps = sheet.Steps.ToList();
        var placed = sheet.Phases.ToDictionary(p => p.Id, p => p.Steps.Select(s => s.Id).ToList());
        // Where two met, it is their words that are shown, not what was read from them.
        foreach (var change in relevant.OrderByDescending(c => c.Field == "text"))
        {
            var problem = change.Slot == Slots.Phase
                ? ChangeList(phases, phases.FindIndex(p => p.Id == change.Id), change, "A phase this is about", p => $"the phase “{p.Name}”", typeof(Phase))
                : ChangeList(steps, steps.FindIndex(s => s.Id == change.Id), change, "A step this is about",
                    s => $"the step “{Quantities.NumberText.Excerpt(s.Text)}”", typeof(Step));
            if (problem is not null) return problem;
        }

        // First everything that moves or goes is taken out, then what stays or comes is put in its place, in the order of the whole.
        var order = phases.Select(p => p.Id).ToList();
        foreach (var change in relevant.Where(c => c.From is not null || c.To is not null))
        {
            if (change.Slot == Slots.Phase) order.Remove(change.Id);
            else foreach (var list in placed.Values) list.Remove(change.Id);
        }

        foreach (var change in relevant.Where(c => c is { Slot: Slots.Phase, To: not null }).OrderBy(c => c.To!.Order))
        {
            InsertAfter(order, change.Id, change.To!.After);
            placed.TryAdd(change.Id, []);
        }

        foreach (var change in relevant.Where(c => c is { Slot: Slots.Step, To: not null }).OrderBy(c => c.To!.Order))
        {
            if (!placed.TryGetValue(change.To!.Phase, out var list) || !order.Contains(change.To.Phase))
                return new Problem("The phase this step was in is no longer there.", "Bring the phase back first. Nothing was changed.");
            InsertAfter(list, change.Id, change.To.After);
        }

        var byId = steps.ToDictionary(s => s.Id);
        foreach (var (id, list) in placed)
            if (!order.Contains(id) && list.Count > 0) return new Problem("The phase has steps in it by now.", "Move them first. Nothing was changed.");
        var byPhase = phases.ToDictionary(p => p.Id);
        return sheet with { Phases = [.. order.Select(id => byPhase[id] with { Steps = [.. placed[id].Select(s => byId[s])] })] };
    }

    // Behind the one it stood behind; where that one is gone, at the end: better found there than lost.
    private static void InsertAfter(List<string> list, string id, string? after)
    {
        if (after is null)
        {
            list.Insert(0, id);
            return;
        }

        var at = list.IndexOf(after);
        list.Insert(at < 0 ? list.Count : at + 1, id);
    }
}
