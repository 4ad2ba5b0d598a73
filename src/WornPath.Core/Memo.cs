using WornPath.Core.Sheets;
namespace WornPath.Core;

/// <summary>
/// Something worked out of an immutable step or thing, once: they live on from sheet to sheet, so an edit costs only what it
/// changed. Worked out anew where what else it depends on is no longer the same.
/// </summary>
/// <param name="workOut">What is worked out of an owner, given what else it depends on.</param>
/// <param name="isSame">Whether what it depends on is still the same; equality where null.</param>
internal sealed class Memo<TOwner, TGiven, T>(Func<TOwner, TGiven, T> workOut, Func<TGiven, TGiven, bool>? isSame = null)
    where TOwner : class, IRemembers
{
    private sealed record Known(TGiven Given, T Found);

    private readonly int _slot = Memory.NewSlot(typeof(TOwner) == typeof(Step));

    // Most owners give the same ("nothing found"): they share one note of it, which stays in the cache.
    private Known? _last;

    /// <summary>What is worked out of an owner.</summary>
    public T Of(TOwner owner, TGiven given)
    {
        if (owner.Memory.Get(owner, _slot) is Known known && IsSame(known.Given, given)) return known.Found;
        var found = workOut(owner, given);
        var last = _last;
        if (last is null || !IsSame(last.Given, given) || !EqualityComparer<T>.Default.Equals(last.Found, found)) _last = last = new Known(given, found);
        owner.Memory.Set(owner, _slot, last);
        return found;
    }

    /// <summary>True where it was worked out of an owner before, and still holds.</summary>
    public bool IsKnown(TOwner owner, TGiven given) => owner.Memory.Get(owner, _slot) is Known known && IsSame(known.Given, given);

    private bool IsSame(TGiven one, TGiven other) => isSame is null ? EqualityComparer<TGiven>.Default.Equals(one, other) : isSame(one, other);
}

/// <summary>Something worked out of an immutable step or thing alone, once.</summary>
/// <param name="workOut">What is worked out of an owner.</param>
internal sealed class Memo<TOwner, T>(Func<TOwner, T> workOut)
    where TOwner : class, IRemembers
{
    private readonly Memo<TOwner, ValueTuple, T> _memo = new((owner, _) => workOut(owner));

    /// <summary>What is worked out of an owner.</summary>
    public T Of(TOwner owner) => _memo.Of(owner, default);
}
