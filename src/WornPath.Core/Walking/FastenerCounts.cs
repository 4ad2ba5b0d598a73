using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>So many fasteners of a joint in one state.</summary>
public readonly record struct FastenerGroup(int Count, JointState State);

/// <summary>The fasteners of a joint that are not all in the same state, counted: two out and the third hand-tight.</summary>
public sealed class FastenerCounts : IEquatable<FastenerCounts>
{
    private FastenerCounts(FastenerGroup[] groups) => Groups = groups;

    /// <summary>The groups, those furthest from done first; no two in the same state.</summary>
    public IReadOnlyList<FastenerGroup> Groups { get; }

    /// <summary>The state of a joint after an action on it, or on so many of its fasteners.</summary>
    /// <param name="next">What the action makes of one fastener.</param>
    internal static JointState After(Joint joint, JointState now, StepAction action, Func<JointState, JointState> next)
    {
        if (action.Some is null && !action.Rest && now.Counts is null) return next(now);
        var after = new List<FastenerGroup>();
        foreach (var (group, taken) in Chosen(joint, now, action, next))
        {
            if (taken > 0) after.Add(new FastenerGroup(taken, next(group.State)));
            if (taken < group.Count) after.Add(group with { Count = group.Count - taken });
        }

        return Of(after);
    }

    /// <summary>The state of those fasteners an action is done to, before it.</summary>
    internal static JointState ActedOn(Joint joint, JointState now, StepAction action, Func<JointState, JointState> next) =>
        now.Counts is null ? now : Of([.. Chosen(joint, now, action, next).Where(c => c.Taken > 0).Select(c => c.Group with { Count = c.Taken })]);

    // Of which group how many are meant: all those the action leads further, and of a number those that are nearest to it. "Torque two
    // of them" are two that are started, "take out the rest" those that are in. Where it leads none further, all are meant.
    private static List<(FastenerGroup Group, int Taken)> Chosen(Joint joint, JointState now, StepAction action, Func<JointState, JointState> next)
    {
        List<FastenerGroup> groups = now.Counts is { } counts ? [.. counts.Groups] : [new FastenerGroup(joint.Count, now)];
        bool Leads(FastenerGroup group) => next(group.State) is var after && after != group.State
            && (Aim(action.Verb) is not { } aim || (TakesApart(action.Verb) ? Rank(group.State) > aim : Rank(group.State) < aim));
        var due = groups.FindAll(Leads);
        if (due.Count == 0) return [.. groups.Select(g => (g, g.Count))];
        // The groups stand with those furthest from done first.
        if (!TakesApart(action.Verb)) due.Reverse();
        var left = action.Some ?? int.MaxValue;
        var taken = new Dictionary<JointState, int>();
        foreach (var group in due)
        {
            taken[group.State] = Math.Min(left, group.Count);
            left -= taken[group.State];
        }

        return [.. groups.Select(g => (g, taken.GetValueOrDefault(g.State)))];
    }

    private static JointState Of(List<FastenerGroup> groups)
    {
        var merged = groups.GroupBy(g => g.State).Select(g => new FastenerGroup(g.Sum(x => x.Count), g.Key))
            .OrderBy(g => Rank(g.State)).ThenBy(g => g.State.Pass).ThenBy(g => g.State.Renewed).ThenBy(g => g.State.Treated)
            .ThenBy(g => g.State.PinIn).ThenBy(g => g.State.Lock).ToArray();
        return merged.Length == 1 ? merged[0].State : merged[0].State with { Counts = new FastenerCounts(merged) };
    }

    private static bool TakesApart(Verb verb) => verb is Verb.BreakLoose or Verb.Loosen or Verb.BackOff or Verb.TakeOut;

    // How far a verb leads a fastener, in the order of Rank; null where it does not lead it on or back.
    private static int? Aim(Verb verb) => verb switch
    {
        Verb.TakeOut => Rank(JointStage.Out),
        Verb.Loosen or Verb.BackOff => Rank(JointStage.BackedOut),
        Verb.BreakLoose => Rank(JointStage.BrokenLoose),
        Verb.Start => Rank(JointStage.Started),
        Verb.Snug => Rank(JointStage.Snug),
        Verb.TorquePass or Verb.Torque => Rank(JointStage.Torqued),
        _ => null,
    };

    private static int Rank(JointState state) => Rank(state.Stage);

    // From out to tight, as it never was touched.
    private static int Rank(JointStage stage) => stage switch
    {
        JointStage.Out => 0,
        JointStage.Started => 1,
        JointStage.BackedOut => 2,
        JointStage.BrokenLoose => 3,
        JointStage.Snug => 4,
        JointStage.Pass => 5,
        JointStage.Torqued => 6,
        JointStage.Aligned => 7,
        JointStage.Locked => 8,
        JointStage.Marked => 9,
        JointStage.Tight => 10,
        _ => throw new ArgumentOutOfRangeException(nameof(stage)),
    };

    public bool Equals(FastenerCounts? other) => other is not null && Groups.SequenceEqual(other.Groups);

    public override bool Equals(object? obj) => Equals(obj as FastenerCounts);

    public override int GetHashCode() => Groups.Aggregate(0, (hash, group) => HashCode.Combine(hash, group));
}
