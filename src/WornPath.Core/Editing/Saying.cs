using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>
/// One thing done, as an author says it: what, to what, how many of them, value, condition, with what. Texts are empty and the rest
/// null where nothing is said.
/// </summary>
public sealed record Saying
{
    public required Verb Verb { get; init; }

    /// <summary>Id of what it is done to; null for the vehicle, or where <see cref="NewName"/> names it.</summary>
    public string? Target { get; init; }

    /// <summary>The name of a thing the sheet does not have yet, of <see cref="NewKind"/>.</summary>
    public string? NewName { get; init; }

    public ThingKind? NewKind { get; init; }

    /// <summary>Id of an aid, tool or consumable it is done with.</summary>
    public string? With { get; init; }

    /// <summary>Id of the part it comes off or goes onto, or comes along with; null where none is said.</summary>
    public string? Host { get; init; }

    /// <summary>So many of the set; null for all.</summary>
    public int? Some { get; init; }

    /// <summary>True for what was not yet done of the set.</summary>
    public bool Rest { get; init; }

    /// <summary>True where it is new hardware or a new part.</summary>
    public bool New { get; init; }

    /// <summary>A torque, as in a cell.</summary>
    public string Torque { get; init; } = "";

    /// <summary>An angle: "90°", "1/4 turn".</summary>
    public string Angle { get; init; } = "";

    /// <summary>The position of a control.</summary>
    public string Position { get; init; } = "";

    /// <summary>When it is done only; empty where always.</summary>
    public string If { get; init; } = "";

    /// <summary>Minutes of a wait.</summary>
    public decimal? Minutes { get; init; }

    /// <summary>The side it is done on; null where none is said.</summary>
    public Side? Side { get; init; }

    /// <summary>The steps that are repeated: "5–9"; empty where the words name none.</summary>
    public string Steps { get; init; } = "";

    /// <summary>What an action of a step says.</summary>
    public static Saying Of(StepAction action, Step step) => new()
    {
        Verb = action.Verb,
        Target = action.Target,
        With = action.With,
        Host = action.Host,
        Some = action.Some,
        Rest = action.Rest,
        New = action.New,
        Torque = action.Torque?.ToString() ?? "",
        Angle = action.Angle is { } degrees ? new Angle(degrees).ToString() : "",
        Position = action.Position ?? "",
        If = action.If ?? SignOf(action, step),
        Minutes = action.Minutes,
        Side = action.Side,
        Steps = action.Steps?.ToString() ?? "",
    };

    /// <summary>The sign of the branch an action belongs to; empty for none.</summary>
    public static string SignOf(StepAction action, Step step) =>
        action.Branch > 0 && action.Branch <= step.Branches.Length ? step.Branches[action.Branch - 1].Sign : "";
}
