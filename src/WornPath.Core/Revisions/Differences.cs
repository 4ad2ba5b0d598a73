using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Walking;

namespace WornPath.Core.Revisions;

/// <summary>What a difference is about; in the order in which it matters to who follows the sheet.</summary>
public enum DifferenceGroup
{
    /// <summary>Cautions, and what keeps a joint from coming loose.</summary>
    [JsonStringEnumMemberName("safety")] Safety,

    /// <summary>Torques and what they hold for, fasteners, amounts, limits.</summary>
    [JsonStringEnumMemberName("values")] Values,

    /// <summary>What is done, and in which order.</summary>
    [JsonStringEnumMemberName("what is done")] Doing,

    /// <summary>Parts, tools, aids and consumables, and what the sheet fits.</summary>
    [JsonStringEnumMemberName("parts and tools")] Parts,

    /// <summary>How things stand at the end of a phase.</summary>
    [JsonStringEnumMemberName("states")] States,

    /// <summary>Words and pictures alone.</summary>
    [JsonStringEnumMemberName("wording")] Wording,
}

/// <summary>One difference in the trade's words: "J4 caliper bolts: torque 95 N·m → 105 N·m".</summary>
/// <param name="Group">What it is about.</param>
/// <param name="Says">It, in one sentence.</param>
/// <param name="Step">Id of the step it is seen at; null where it is of no step.</param>
/// <param name="Thing">Id of the thing it is of; null where it is of none, empty for the vehicle.</param>
/// <param name="Phase">Id of the phase it is of; null where it is of none.</param>
public sealed record Difference(DifferenceGroup Group, string Says, string? Step = null, string? Thing = null, string? Phase = null);

/// <summary>A step that differs, side by side.</summary>
/// <param name="Id">Its id, the same in both.</param>
/// <param name="Before">Its number before; null where it is new.</param>
/// <param name="After">Its number after; null where it is gone.</param>
/// <param name="Moved">True where it stands at another place among the others.</param>
/// <param name="Was">Its words before; empty where it is new.</param>
/// <param name="Now">Its words after; empty where it is gone.</param>
public sealed record StepDifference(string Id, int? Before, int? After, bool Moved, string Was, string Now);

/// <summary>What differs between two revisions of a procedure, for who writes, reviews and follows it.</summary>
/// <param name="Lines">Each difference, the weightiest group first.</param>
/// <param name="Steps">The steps that differ, in the order of the sheet; those that are gone where they stood.</param>
/// <param name="Changed">Ids of the steps of the later revision where something is other than it was: their own words, or a value used there.</param>
public sealed record Differences(ImmutableArray<Difference> Lines, ImmutableArray<StepDifference> Steps, ImmutableHashSet<string> Changed)
{
    /// <summary>True where both are the same in all that a reader sees.</summary>
    public bool IsNone => Lines.IsEmpty;

    /// <summary>What differs between an earlier and a later walk, both in the workshop of today.</summary>
    /// <param name="letter">What the earlier one is called, where a number is one of its own.</param>
    public static Differences Between(Walk before, Walk after, string letter) => new DifferenceFinder(before, after, letter).Find();

    /// <summary>What differs as one would tell it, a sentence each: steps that are only worded otherwise are told together, and nothing is told as such.</summary>
    public IEnumerable<string> Summary()
    {
        if (IsNone) yield return "Nothing of what is done, its values or its words.";
        var numbers = Steps.Where(s => s.After is not null).ToDictionary(s => s.Id, s => s.After!.Value);
        var worded = new SortedSet<int>();
        foreach (var line in Lines)
        {
            if (line.Group == DifferenceGroup.Wording && line.Step is { } step && numbers.TryGetValue(step, out var number)) worded.Add(number);
            else yield return line.Says;
        }

        if (worded.Count > 0) yield return $"Words or pictures of step{(worded.Count == 1 ? "" : "s")} {string.Join(", ", worded)}.";
    }
}
