using WornPath.Core.Sheets;
using System.Collections.Immutable;

namespace WornPath.Core.Reading;

/// <summary>What a thing is by its name, where nobody has said it outright. Common practice, no source: the trade names things by what they do.</summary>
public static class Natures
{
    // What a name tells.
    private static readonly Memo<Thing, Told> ByName = new(thing => new Told(Trade.TraitsOf(thing.Name)
        | (thing is Joint { Fastener.Called: { Length: > 0 } called } ? Trade.TraitsOf(called) : 0)));

    private sealed record Told(ulong Traits);

    /// <summary>The mass in kg from which nobody catches a part alone. Common practice, no source.</summary>
    private const decimal HeavyKg = 40;

    /// <summary>True where the name tells that a thing is so.</summary>
    public static bool Is(Thing? thing, Trait trait) => thing is not null && (ByName.Of(thing).Traits & (1UL << (int)trait)) != 0;

    /// <summary>True where words tell it, of what the sheet has no thing for.</summary>
    public static bool Is(string words, Trait trait) => (Trade.TraitsOf(words) & (1UL << (int)trait)) != 0;

    /// <summary>True for what one person does not catch: by its mass, else by its name.</summary>
    public static bool IsHeavy(Part part) => part.MassKg >= HeavyKg || Is(part, Trait.Heavy);

    /// <summary>The part's nature: as the author set it, else by its name.</summary>
    public static PartNature Of(Part part) => part.Nature ?? (Is(part, Trait.BrakePart) ? PartNature.Brake : Is(part, Trait.RoadWheel) && !Is(part, Trait.OtherWheel)
        ? PartNature.Wheel : PartNature.Plain);

    /// <summary>True for the fasteners that hold a road wheel: by the wheel they hold, else by their name.</summary>
    public static bool HoldsAWheel(Joint joint, IReadOnlyDictionary<string, Thing> things)
    {
        // The nut of an axle, where a key or a pin keeps the wheel from turning on it, is tightened against that.
        if (joint.HeldBy.Length > 0 && Is(joint, Trait.AxleNut)) return false;
        foreach (var id in joint.Holds)
            if (things.GetValueOrDefault(id) is Part part && Of(part) == PartNature.Wheel) return true;
        return Is(joint, Trait.WheelFastener);
    }

    // Kept with the first thing of a sheet, as long as none of its things changes.
    private static readonly Memo<Thing, Sheet, ImmutableArray<Thing>> OfSheet = new(
        (_, sheet) => sheet.Things.ToDictionary(t => t.Id) is var things ? [.. sheet.Things.Where(t => IsLifeCritical(t, things))] : [],
        (one, other) => one.SameThings(other));

    /// <summary>The things of a sheet that keep people alive.</summary>
    public static ImmutableArray<Thing> LifeCritical(Sheet sheet) => sheet.Things.FirstOrDefault() is { } first ? OfSheet.Of(first, sheet) : [];

    /// <summary>True for what keeps people alive: brakes, steering, suspension, roll-over and towing structures, and the joints that hold them.</summary>
    public static bool IsLifeCritical(Thing thing, IReadOnlyDictionary<string, Thing> things)
    {
        if (thing is Part part) return Of(part) == PartNature.Brake || Is(part, Trait.Brakes) || KeepsAlive(part);
        if (thing is not Joint joint) return false;
        foreach (var id in joint.Holds)
            if (things.GetValueOrDefault(id) is Part held && IsLifeCritical(held, things)) return true;
        return KeepsAlive(joint);
    }

    private static bool KeepsAlive(Thing thing) => Is(thing, Trait.Protective) || Is(thing, Trait.Guides) || Is(thing, Trait.Tows);
}
