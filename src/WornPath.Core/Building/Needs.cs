using System.Collections.Immutable;
using WornPath.Core.Fasteners;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>What kind of thing must be in hand.</summary>
public enum ReadyGroup
{
    Parts,
    Hardware,
    Spares,
    Tools,
    Consumables,
    People,
}

/// <summary>Something that must be in hand before the first bolt is undone.</summary>
/// <param name="Key">How it is ticked off.</param>
/// <param name="What">What it is.</param>
/// <param name="Amount">How many or how much.</param>
/// <param name="Note">Where it comes from, what it is for.</param>
/// <param name="LeadDays">Days to get it.</param>
/// <param name="Steps">Numbers of the steps that need it.</param>
/// <param name="InHand">True where the crib has it or somebody has ticked it off.</param>
/// <param name="InCrib">True where the crib has it: nobody needs to tick it off.</param>
/// <param name="Optional">True for spares: advised, and no reason not to begin.</param>
/// <param name="OrderBy">The day it has to be ordered for the wanted day; null where there is no such day, or it is at hand.</param>
public sealed record ReadyItem(string Key, ReadyGroup Group, string What, string Amount, string Note, int LeadDays, ImmutableArray<int> Steps, bool InHand, bool InCrib, bool Optional, DateOnly? OrderBy);

/// <summary>What a walk needs: the one list behind the Ready face, the pick list and the printed sheet.</summary>
public static class Needs
{
    private static int Sides(Walk walk, Thing thing) => walk.HasSecond(thing) ? 2 : 1;

    private static ReadyItem Item(string key, ReadyGroup group, string what, string amount, string note, ImmutableArray<int> steps, int lead = 0, bool inCrib = false, bool optional = false) =>
        new(key, group, what, amount, note, lead, steps, inCrib, inCrib, optional, null);

    /// <summary>Parts, hardware that is new or from the kit, and the spares advised.</summary>
    public static IEnumerable<ReadyItem> Parts(Walk walk)
    {
        foreach (var part in walk.Written.Parts)
        {
            var needed = part.Origin != Origin.Vehicle || part.Fate == Fate.Replace;
            var old = part.IsMany ? "in place of the old ones" : "in place of the old one";
            var from = part.Origin switch { Origin.Kit => "kit", Origin.ToBuy => "to buy", _ => old };
            if (needed) yield return Item($"part:{part.Id}", ReadyGroup.Parts, part.Name, $"{part.Quantity * Sides(walk, part)}", part.Note.Length > 0 ? $"{from}; {part.Note}" : from, walk.StepsOf(part), part.LeadDays);
            if (part.Spares > 0) yield return Item($"spare:{part.Id}", ReadyGroup.Spares, $"spare {part.Name}", $"{part.Spares * Sides(walk, part)}", "easily spoilt", walk.StepsOf(part), part.LeadDays, optional: true);
        }

        foreach (var joint in walk.Written.Joints)
        {
            if (walk.EventsOf(joint.Id).Count == 0) continue;
            var what = joint.Fastener is { } f && f.ToString().Length > 0 ? $"{joint.Name}, {f}" : joint.Name;
            if (joint.Origin != Origin.Vehicle) yield return Item($"joint:{joint.Id}", ReadyGroup.Hardware, what, $"{joint.Count * Sides(walk, joint)}", joint.Origin == Origin.Kit ? "kit" : "to buy", walk.StepsOf(joint));
            else if (joint.Reuse == ReuseRule.Renew) yield return Item($"joint:{joint.Id}", ReadyGroup.Hardware, what, $"{joint.Count * Sides(walk, joint)}", "new each time", walk.StepsOf(joint));
            foreach (var piece in joint.Stack?.Renewed ?? [])
            {
                var many = joint.Count * piece.Count * Sides(walk, joint);
                yield return Item($"stack:{joint.Id}:{piece.Name}", ReadyGroup.Hardware, $"{piece.NameFor(many)}{(piece.Size.Length > 0 ? " " + piece.Size : "")} for the {joint.Name}", $"{many}",
                    "new each time", walk.StepsOf(joint));
            }

            // A tab is bent once, a wire is cut (common practice, no source).
            if (joint.HasTabOrWire)
            {
                var lockedBy = EnumWord.Of(joint.Locking);
                yield return Item($"{lockedBy}:{joint.Id}", ReadyGroup.Hardware, $"{lockedBy} for the {joint.Name}", joint.Locking == Locking.Wire ? "" : $"{Sides(walk, joint)}",
                    "new each time", walk.StepsOf(joint));
            }

            if (joint.Locking != Locking.CotterPin) continue;
            var size = joint.Fastener?.Thread is { } thread && CastleNut.PinOf(thread) is { } pin ? $", {pin}" : "";
            yield return Item($"pin:{joint.Id}", ReadyGroup.Hardware, $"cotter pin for the {joint.Name}{size}", $"{joint.Count * Sides(walk, joint)}", "new each time", walk.StepsOf(joint));
        }
    }

    /// <summary>Tools; what the crib has is in hand.</summary>
    public static IEnumerable<ReadyItem> Tools(Walk walk)
    {
        foreach (var line in ToolList.Of(walk, walk.Workshop))
        {
            // A torque wrench the crib has is in hand; one it lacks is not had by ticking, but borrowed ones are.
            var wrench = line.What.StartsWith("torque wrench ", StringComparison.Ordinal);
            var inCrib = wrench && !line.Lacking && walk.Workshop.Crib.Any(w => line.What.StartsWith($"torque wrench {w.Name},", StringComparison.Ordinal));
            var set = wrench ? null : walk.Workshop.HandTools.FirstOrDefault(s => s.Has(line.What));
            var alternative = walk.Sheet.Tools.FirstOrDefault(t => t.Name.Equals(line.What, StringComparison.OrdinalIgnoreCase))?.Alternative is { Length: > 0 } other ? $"or {other}" : "";
            var note = string.Join("; ", new[] { set?.Name ?? "", line.Note, alternative }.Where(n => n.Length > 0));
            yield return Item($"tool:{line.What}", ReadyGroup.Tools, line.What, "1", note, line.Steps, inCrib: inCrib || set is not null);
        }
    }

    /// <summary>What is used up, with amounts, and the fluids that are filled.</summary>
    public static IEnumerable<ReadyItem> Consumables(Walk walk)
    {
        foreach (var consumable in walk.Sheet.Consumables)
        {
            bool Names(Step step) => step.Uses.Contains(consumable.Id) || step.Text.Contains(consumable.Name, StringComparison.OrdinalIgnoreCase);
            yield return Item($"consumable:{consumable.Id}", ReadyGroup.Consumables, consumable.Name,
                consumable.Amount.Length > 0 ? consumable.Amount : AmountOf(walk, consumable), "",
                [.. walk.Steps.Select((s, i) => (Step: s, Number: i + 1)).Where(x => Names(x.Step)).Select(x => x.Number)]);
        }

        foreach (var group in walk.Sheet.Joints.Where(j => j.Treatment != Treatment.None && walk.EventsOf(j.Id).Count > 0).GroupBy(j => j.Treatment))
        {
            var word = EnumWord.Of(group.Key);
            if (walk.Sheet.Consumables.Any(c => Treats(c, group.Key))) continue;
            yield return Item($"treatment:{word}", ReadyGroup.Consumables, word, About(group.Sum(MillilitresOf)),
                string.Join(", ", group.Where(j => !j.IsSecond).Select(j => j.Id)), [.. group.SelectMany(j => walk.StepsOf(j)).Distinct().Order()]);
        }

        foreach (var fluid in walk.Sheet.Fluids.Where(f => walk.EventsOf(f.Id).Any(e => e.Action.Verb == Verb.Fill)))
            yield return Item($"fluid:{fluid.Id}", ReadyGroup.Consumables, fluid.Name, fluid.Capacity, fluid.FillTo.Length > 0 ? $"fill to {fluid.FillTo}" : "", walk.StepsOf(fluid));
    }

    /// <summary>Helpers: the most people any step takes, and which steps take more than the job's usual number.</summary>
    public static IEnumerable<ReadyItem> People(Walk walk)
    {
        var usual = walk.Sheet.Header.People;
        var busy = walk.Steps.Select((s, i) => (People: s.Takes(usual), Number: i + 1)).Where(x => x.People > 1).ToList();
        if (busy.Count == 0) yield break;
        var most = busy.Max(x => x.People);
        // Where every step takes them all, no step is named.
        yield return Item($"people:{most}", ReadyGroup.People, most == 2 ? "a second person" : $"{most - 1} helpers", "1", "",
            usual > 1 ? [] : [.. busy.Select(x => x.Number)]);
    }

    // How much of it the joints take that are treated with it; nothing where none is.
    private static string AmountOf(Walk walk, Consumable consumable)
    {
        var joints = walk.Sheet.Joints.Where(j => j.Treatment != Treatment.None && walk.EventsOf(j.Id).Count > 0 && Treats(consumable, j.Treatment)).ToList();
        return joints.Count == 0 ? "" : About(joints.Sum(MillilitresOf));
    }

    // "Medium threadlocker" is none for a joint that gets high strength; one that says no strength is for all.
    private static bool Treats(Consumable consumable, Treatment treatment)
    {
        var said = consumable.Name.Split([' ', ',', '-'], StringSplitOptions.RemoveEmptyEntries);
        var words = EnumWord.Of(treatment).Split(", ");
        bool Says(string word) => said.Contains(word, StringComparer.OrdinalIgnoreCase);
        return consumable.Name.Contains(words[0], StringComparison.OrdinalIgnoreCase)
            && (words.Length == 1 || Says(words[1]) || !Array.Exists(said, w => Trade.Strengths.Contains(w.ToLowerInvariant())));
    }

    private static string About(double millilitres) => millilitres < 0.05 ? "a drop" : FormattableString.Invariant($"about {millilitres:0.#} mL");

    // A thread is wetted over about its diameter of length: a film of 0.1 mm on it, and as much again runs off (common practice, no source).
    private static double MillilitresOf(Joint joint)
    {
        var diameter = joint.Fastener?.Thread?.DiameterMm ?? 10;
        return joint.Count * 2 * Math.PI * diameter * diameter * 0.1 / 1000;
    }
}
