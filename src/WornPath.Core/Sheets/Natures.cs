using System.Collections.Immutable;

namespace WornPath.Core.Sheets;

/// <summary>What a thing is by its name, where nobody has said it outright. Common practice, no source: the trade names things by what they do.</summary>
public static class Natures
{
    private static readonly string[] BrakeWords = ["caliper", "calliper", "brake cylinder", "wheel cylinder", "master cylinder", "brake hose", "brake line", "brake pad", "brake pads"];

    private static readonly string[] WheelWords = ["wheel", "wheels"];

    private static readonly string[] WheelFasteners = ["wheel nuts", "wheel bolts", "wheel nut", "wheel bolt", "wheel screws"];

    private static readonly string[] ProtectiveWords = ["roll-over", "rollover", "roll bar"];

    private static readonly string[] SteeringAndTowing = ["steering", "tie rod", "drag link", "tow hook", "drawbar", "hitch"];

    private sealed record Told(PartNature Nature, bool HoldsAWheel, bool LifeCritical);

    // What a name tells.
    private static readonly Memo<Thing, Told> ByName = new(t => new Told(
        NatureOf(t.Name),
        Array.Exists(WheelFasteners, w => t.Name.EndsWith(w, StringComparison.OrdinalIgnoreCase)),
        IsProtective(t.Name) || Array.Exists(SteeringAndTowing, w => t.Name.Contains(w, StringComparison.OrdinalIgnoreCase))));

    /// <summary>The part's nature: as the author set it, else by its name.</summary>
    public static PartNature Of(Part part) => part.Nature ?? ByName.Of(part).Nature;

    private static PartNature NatureOf(string name)
    {
        if (Array.Exists(BrakeWords, w => name.EndsWith(w, StringComparison.OrdinalIgnoreCase))) return PartNature.Brake;
        return Array.Exists(WheelWords, w => name.EndsWith(" " + w, StringComparison.OrdinalIgnoreCase) || name.Equals(w, StringComparison.OrdinalIgnoreCase)) ? PartNature.Wheel : PartNature.Plain;
    }

    /// <summary>True for the fasteners that hold a road wheel: by the wheel they hold, else by their name.</summary>
    public static bool HoldsAWheel(Joint joint, IReadOnlyDictionary<string, Thing> things)
    {
        foreach (var id in joint.Holds)
            if (things.GetValueOrDefault(id) is Part part && Of(part) == PartNature.Wheel) return true;
        return ByName.Of(joint).HoldsAWheel;
    }

    /// <summary>True where the name is of a structure that protects in a roll-over.</summary>
    public static bool IsProtective(string name) => Array.Exists(ProtectiveWords, w => name.Contains(w, StringComparison.OrdinalIgnoreCase));

    // Kept with the first thing of a sheet, as long as none of its things changes.
    private static readonly Memo<Thing, Sheet, ImmutableArray<Thing>> OfSheet = new(
        (_, sheet) => sheet.Things.ToDictionary(t => t.Id) is var things ? [.. sheet.Things.Where(t => IsLifeCritical(t, things))] : [],
        (one, other) => one.SameThings(other));

    /// <summary>The things of a sheet that keep people alive.</summary>
    public static ImmutableArray<Thing> LifeCritical(Sheet sheet) => sheet.Things.FirstOrDefault() is { } first ? OfSheet.Of(first, sheet) : [];

    /// <summary>True for what keeps people alive: brakes, steering, roll-over and towing structures, and the joints that hold them.</summary>
    public static bool IsLifeCritical(Thing thing, IReadOnlyDictionary<string, Thing> things)
    {
        if (thing is Part part) return Of(part) == PartNature.Brake || ByName.Of(part).LifeCritical;
        if (thing is not Joint joint) return false;
        foreach (var id in joint.Holds)
            if (things.GetValueOrDefault(id) is Part held && IsLifeCritical(held, things)) return true;
        return ByName.Of(joint).LifeCritical;
    }
}
