using WornPath.Core.Sheets;
namespace WornPath.Core;

/// <summary>An immutable record that keeps what was worked out of it.</summary>
internal interface IRemembers
{
    /// <summary>What is kept.</summary>
    ref Memory Memory { get; }
}

/// <summary>
/// What was worked out of an immutable record, kept with it as long as it lives, a slot for each <see cref="Memo{TOwner, TGiven, T}"/>.
/// A copy (by "with") begins with nothing kept, and what is kept counts for nothing when two records are compared.
/// </summary>
internal struct Memory : IEquatable<Memory>
{
    private static int _stepSlots;
    private static int _thingSlots;

    private Kept? _kept;

    private sealed class Kept(object owner)
    {
        public readonly object Owner = owner;
        public object?[] Slots = [];
    }

    /// <summary>A slot of its own among those of steps, or of things.</summary>
    public static int NewSlot(bool ofSteps) => (ofSteps ? Interlocked.Increment(ref _stepSlots) : Interlocked.Increment(ref _thingSlots)) - 1;

    /// <summary>What the owner keeps in a slot; null where nothing.</summary>
    public readonly object? Get(object owner, int slot) =>
        _kept is { } kept && ReferenceEquals(kept.Owner, owner) && kept.Slots is var slots && slot < slots.Length ? slots[slot] : null;

    /// <summary>Keeps something in a slot. Two threads may do so at once: what one of them loses is worked out again.</summary>
    public void Set(object owner, int slot, object value)
    {
        var kept = _kept;
        // What a copy was made of stays with that.
        if (kept is null || !ReferenceEquals(kept.Owner, owner)) kept = new Kept(owner);
        var slots = kept.Slots;
        if (slot >= slots.Length) Array.Resize(ref slots, Math.Max(owner is Step ? _stepSlots : _thingSlots, slot + 1));
        slots[slot] = value;
        kept.Slots = slots;
        _kept = kept;
    }

    public readonly bool Equals(Memory other) => true;

    public override readonly bool Equals(object? obj) => obj is Memory;

    public override readonly int GetHashCode() => 0;
}
