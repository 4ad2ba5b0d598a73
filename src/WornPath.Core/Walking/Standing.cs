using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>How high something stands and on what.</summary>
public enum Height : byte
{
    OnGround,
    TyresTouching,

    /// <summary>On a lift, whose arms or runways hold it.</summary>
    OnLift,
    OnStands,
    Raised,
}

/// <summary>Corners that are up together.</summary>
public readonly record struct Lifted(Corners Corners, Height Height);

/// <summary>
/// How each corner of a vehicle stands, and which went up together: the rear is raised while the front is on its stands, and comes down by
/// itself. At the beginning all are on the ground.
/// </summary>
public readonly record struct Standing
{
    private const int Bits = 8;
    private const int HeightBits = 4;

    // For each corner its height, and above it the corners it went up with.
    private readonly uint _corners;

    private Standing(uint corners) => _corners = corners;

    /// <summary>What is up, each lift for itself; empty on the ground.</summary>
    public IEnumerable<Lifted> Lifts
    {
        get
        {
            for (var (corner, seen) = (0, Corners.None); corner < 4; corner++)
            {
                if (At(corner) is not { Height: not Height.OnGround } lifted || (seen & lifted.Corners) != 0) continue;
                seen |= lifted.Corners;
                yield return lifted;
            }
        }
    }

    /// <summary>The height of what stands least safely.</summary>
    public Height Height
    {
        get
        {
            var height = Height.OnGround;
            for (var corner = 0; corner < 4; corner++)
                if (At(corner).Height > height) height = At(corner).Height;
            return height;
        }
    }

    /// <summary>The corners whose tyre bears nothing.</summary>
    public Corners InTheAir => Where(h => h is Height.Raised or Height.OnStands or Height.OnLift);

    /// <summary>The corners that are on stands.</summary>
    public Corners OnStands => Where(h => h == Height.OnStands);

    private Corners Where(Func<Height, bool> isSo)
    {
        var those = Corners.None;
        for (var corner = 0; corner < 4; corner++)
            if (isSo(At(corner).Height)) those |= (Corners)(1 << corner);
        return those;
    }

    /// <summary>The ends and sides that are up, as far as the words said; none where they did not, or it is on the ground.</summary>
    public Ends Up
    {
        get
        {
            var up = Ends.None;
            foreach (var lift in Lifts)
            {
                if (lift.Corners == Corners.All) return Ends.None;
                up |= CornersOf.Named(lift.Corners);
            }

            return up;
        }
    }

    /// <summary>Raised at an end or side, with what is up there already; where none is named, what is up, else all of it.</summary>
    public Standing Raise(Ends at, Height to)
    {
        if (at == Ends.None && _corners != 0) return Each(_ => true, to);
        var corners = CornersOf.Ends(at);
        return With(Lifts.Where(lift => (lift.Corners & corners) != 0).Aggregate(corners, (all, lift) => all | lift.Corners), to);
    }

    /// <summary>What is raised comes onto stands: at an end or side, else wherever it is raised and not yet on them.</summary>
    public Standing SetOnStands(Ends at) =>
        at != Ends.None || _corners == 0 ? Raise(at, Height.OnStands) : Each(l => l.Height is Height.Raised or Height.TyresTouching, Height.OnStands);

    /// <summary>Its stands come away at an end or side: it is held by what raised it. Where none is named and one is on a jack, it is that one's.</summary>
    public Standing OffStands(Ends at) =>
        at == Ends.None && Height == Height.Raised ? this : Each(Touching(at, l => l.Height == Height.OnStands), Height.Raised);

    /// <summary>Lowered at an end or side, and all that went up with it; where none is named, or none is up there, all that is up.</summary>
    public Standing Lower(Ends at, Height to) => _corners == 0 ? With(CornersOf.Ends(at), to) : Each(Touching(at, _ => true), to);

    // Of some lifts those at an end; all of them where none is there.
    private Func<Lifted, bool> Touching(Ends at, Func<Lifted, bool> of)
    {
        var corners = CornersOf.Ends(at);
        bool IsThere(Lifted lift) => of(lift) && (lift.Corners & corners) != 0;
        return Lifts.Any(IsThere) ? IsThere : of;
    }

    private Standing Each(Func<Lifted, bool> which, Height to) => Lifts.Where(which).Aggregate(this, (all, lift) => all.With(lift.Corners, to));

    private Lifted At(int corner) => (byte)(_corners >> corner * Bits) is var one
        ? new Lifted((Corners)(one >> HeightBits), (Height)(one & (1 << HeightBits) - 1)) : default;

    private Standing With(Corners corners, Height to)
    {
        var all = _corners;
        for (var corner = 0; corner < 4; corner++)
        {
            if (!corners.HasFlag((Corners)(1 << corner))) continue;
            all &= ~(0xFFu << corner * Bits);
            if (to != Height.OnGround) all |= ((uint)to | (uint)corners << HeightBits) << corner * Bits;
        }

        return new Standing(all);
    }
}
