using System.Collections.Immutable;
using System.Text.Json;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Where a step or phase stands: behind another, in a phase.</summary>
/// <param name="Phase">The phase; empty for a phase's own place.</param>
/// <param name="After">The one before it there; null at the head.</param>
/// <param name="Order">Its place in the whole order, which places are restored by.</param>
public sealed record Place(string Phase, string? After, int Order);

/// <summary>One field that changed, or one thing that came or went (<paramref name="Field"/> null), before and after.</summary>
/// <param name="Slot">Which list: "header", a kind of thing, "phase" or "step".</param>
/// <param name="Id">Id in the list; empty for the header.</param>
/// <param name="Field">The field, as it is called in JSON; null where the whole came or went.</param>
/// <param name="Before">Value before; null where there was none.</param>
/// <param name="After">Value after; null where there is none.</param>
public sealed record Change(string Slot, string Id, string? Field, JsonElement? Before, JsonElement? After)
{
    /// <summary>Where a step or phase stood before; null where it was not there or has not moved.</summary>
    public Place? From { get; init; }

    /// <summary>Where it stands after.</summary>
    public Place? To { get; init; }
}

/// <summary>
/// What an edit changed, field by field, with the values before and after: it can be applied to the sheet again and, turned
/// round, undoes the edit. Applied to a sheet that others have changed since, it goes through where they touched other fields
/// and is refused where they touched the same.
/// </summary>
public sealed record Delta(ImmutableArray<Change> Changes)
{
    /// <summary>True where nothing changed.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public bool IsEmpty => Changes.IsEmpty;

    /// <summary>What it touches, each once: "step:s4", "joint:J3", "header:". Numbers given out are nothing anybody writes.</summary>
    public IEnumerable<string> Elements() => Changes.Where(c => c.Slot != Slots.Issued).Select(c => $"{c.Slot}:{c.Id}").Distinct();

    /// <summary>Whether what an element names stands on a sheet.</summary>
    public static bool Stands(string element, Sheet sheet)
    {
        var colon = element.IndexOf(':');
        if (colon < 0) return true;
        var id = element[(colon + 1)..];
        return element[..colon] switch
        {
            Slots.Step => sheet.FindStep(id) is not null,
            Slots.Phase => sheet.Phases.Any(p => p.Id == id),
            Slots.Header => true,
            _ => sheet.Find(id) is not null,
        };
    }

    /// <summary>The delta that takes this one back.</summary>
    public Delta Inverse() => new([.. Changes.Reverse().Select(c => c with { Before = c.After, After = c.Before, From = c.To, To = c.From })]);

    /// <summary>What changed between two sheets.</summary>
    public static Delta Between(Sheet before, Sheet after) => DeltaFinder.Find(before, after);

    /// <summary>True where both sheets have the same phases with the same steps in the same order.</summary>
    public static bool SameOutline(Sheet a, Sheet b) => DeltaFinder.SameOutline(a, b);

    /// <summary>The sheet with this delta done to it, or whose values stand in the way.</summary>
    public Outcome<Sheet> ApplyTo(Sheet sheet) => DeltaApplier.Apply(this, sheet);
}
