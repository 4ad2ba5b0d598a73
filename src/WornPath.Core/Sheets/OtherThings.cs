using System.Text.Json.Serialization;

namespace WornPath.Core.Sheets;

/// <summary>A connector, hose, cable or clip: connected or not.</summary>
public sealed record Connection : Thing
{
    /// <summary>What it goes to.</summary>
    public string GoesTo { get; init; } = "";

    /// <summary>A connection that comes with the kit is open when the job begins.</summary>
    public Origin Origin { get; init; }

    public override ThingKind Kind => ThingKind.Connection;
}

/// <summary>A fluid in its reservoir.</summary>
public sealed record Fluid : Thing
{
    /// <summary>How much goes in, as written ("0.9 L").</summary>
    public string Capacity { get; init; } = "";

    /// <summary>Where it is filled to, as written ("upper line, loader down").</summary>
    public string FillTo { get; init; } = "";

    /// <summary>Where the amount was taken from: document, edition, page. Null where nobody says.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Source { get; init; }

    public override ThingKind Kind => ThingKind.Fluid;
}

/// <summary>A temporary thing that must come away: a stand, hanger, plug, wedge, a nut that holds a disc for a while.</summary>
public sealed record Aid : Thing
{
    public override ThingKind Kind => ThingKind.Aid;
}

/// <summary>A tool that no fastener implies.</summary>
public sealed record Tool : Thing
{
    /// <summary>What does as well where the shop has none, as written.</summary>
    public string Alternative { get; init; } = "";

    public override ThingKind Kind => ThingKind.Tool;
}

/// <summary>Something that is used up: threadlocker, cleaner, grease.</summary>
public sealed record Consumable : Thing
{
    public string Amount { get; init; } = "";

    public override ThingKind Kind => ThingKind.Consumable;
}

/// <summary>A control with positions: a lever, a key, the parking brake, the bonnet.</summary>
public sealed record Control : Thing
{
    public override ThingKind Kind => ThingKind.Control;
}
