using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>A state that each of several like things has for itself: the fasteners of a joint, the caps that stand on the sheet as one part.</summary>
public interface ICounted<TState>
    where TState : struct, ICounted<TState>, IEquatable<TState>
{
    /// <summary>How many are in which state; null where all are alike. The state itself is then of those furthest from done.</summary>
    Counts<TState>? Counts { get; init; }

    /// <summary>How far it is from undone to done.</summary>
    int Rank { get; }

    /// <summary>How far a verb leads one; null where it leads none on or back.</summary>
    static abstract int? Aim(Verb verb);

    /// <summary>Puts those furthest from done first, and those that are equally far in a steady order.</summary>
    static abstract int Compare(TState one, TState other);

    /// <summary>True for a verb that leads one back.</summary>
    static abstract bool TakesApart(Verb verb);
}

/// <summary>So many of several like things in one state.</summary>
public readonly record struct Group<TState>(int Count, TState State);

/// <summary>Like things that are not all in the same state, counted: two out and the third hand-tight.</summary>
public sealed class Counts<TState> : IEquatable<Counts<TState>>
    where TState : struct, ICounted<TState>, IEquatable<TState>
{
    private Counts(Group<TState>[] groups) => Groups = groups;

    /// <summary>The groups, those furthest from done first; no two in the same state.</summary>
    public IReadOnlyList<Group<TState>> Groups { get; }

    /// <summary>The state of so many things after an action on them, or on some of them.</summary>
    /// <param name="count">How many there are.</param>
    /// <param name="now">Their state before.</param>
    /// <param name="action">The action.</param>
    /// <param name="next">What the action makes of one.</param>
    internal static TState After(int count, TState now, StepAction action, Func<TState, TState> next)
    {
        if (action.Some is null && !action.Rest && now.Counts is null) return next(now);
        var after = new List<Group<TState>>();
        foreach (var (group, taken) in Chosen(count, now, action, next))
        {
            if (taken > 0) after.Add(new Group<TState>(taken, next(group.State)));
            if (taken < group.Count) after.Add(group with { Count = group.Count - taken });
        }

        return Of(after);
    }

    /// <summary>The state of those an action is done to, before it.</summary>
    internal static TState ActedOn(int count, TState now, StepAction action, Func<TState, TState> next) =>
        now.Counts is null ? now : Of([.. Chosen(count, now, action, next).Where(c => c.Taken > 0).Select(c => c.Group with { Count = c.Taken })]);

    /// <summary>The state after something that happens to each of them.</summary>
    internal static TState Each(TState now, Func<TState, TState> next) =>
        now.Counts is null ? next(now) : Of([.. now.Counts.Groups.Select(g => g with { State = next(g.State) })]);

    /// <summary>True where one of them is so.</summary>
    internal static bool Any(TState now, Func<TState, bool> isSo) => now.Counts is null ? isSo(now) : now.Counts.Groups.Any(g => isSo(g.State));

    /// <summary>How many are in which state, in words: "2 out, 1 hand-tight".</summary>
    internal static string Says(TState now, Func<TState, string> says) => now.Counts is null ? says(now)
        : now.Counts.Groups.GroupBy(g => says(g.State)).ToList() is [var alike] ? alike.Key
        : string.Join(", ", now.Counts.Groups.GroupBy(g => says(g.State)).Select(alike => $"{alike.Sum(g => g.Count)} {alike.Key}"));

    // Of which group how many are meant: all those the action leads further, and of a number those that are nearest to it. "Torque two
    // of them" are two that are started, "take out the rest" those that are in. Where it leads none further, all are meant.
    private static List<(Group<TState> Group, int Taken)> Chosen(int count, TState now, StepAction action, Func<TState, TState> next)
    {
        List<Group<TState>> groups = now.Counts is { } counts ? [.. counts.Groups] : [new Group<TState>(count, now)];
        var apart = TState.TakesApart(action.Verb);
        bool Leads(Group<TState> group) => next(group.State) is var after && !after.Equals(group.State)
            && (TState.Aim(action.Verb) is not { } aim || (apart ? group.State.Rank > aim : group.State.Rank < aim));
        var due = groups.FindAll(Leads);
        if (due.Count == 0) return [.. groups.Select(g => (g, g.Count))];
        // The groups stand with those furthest from done first: what is out is oiled, what is off is cleaned.
        if (!apart && TState.Aim(action.Verb) is not null) due.Reverse();
        var left = action.Some ?? int.MaxValue;
        var taken = new Dictionary<TState, int>();
        foreach (var group in due)
        {
            taken[group.State] = Math.Min(left, group.Count);
            left -= taken[group.State];
        }

        return [.. groups.Select(g => (g, taken.GetValueOrDefault(g.State)))];
    }

    private static TState Of(List<Group<TState>> groups)
    {
        var merged = groups.GroupBy(g => g.State).Select(g => new Group<TState>(g.Sum(x => x.Count), g.Key))
            .Order(Comparer<Group<TState>>.Create((one, other) => TState.Compare(one.State, other.State))).ToArray();
        return merged.Length == 1 ? merged[0].State : merged[0].State with { Counts = new Counts<TState>(merged) };
    }

    public bool Equals(Counts<TState>? other) => other is not null && Groups.SequenceEqual(other.Groups);

    public override bool Equals(object? obj) => Equals(obj as Counts<TState>);

    public override int GetHashCode() => Groups.Aggregate(0, (hash, group) => HashCode.Combine(hash, group));
}
