using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>Corners of a vehicle, several at once.</summary>
[Flags]
public enum Corners : byte
{
    None = 0,
    FrontLeft = 1,
    FrontRight = 2,
    RearLeft = 4,
    RearRight = 8,
    All = FrontLeft | FrontRight | RearLeft | RearRight,
}

/// <summary>Ends and sides by their corners.</summary>
public static class CornersOf
{
    /// <summary>The corners at an end or side; all of them where none is named.</summary>
    public static Corners Ends(Ends ends)
    {
        var along = (ends & (Sheets.Ends.Front | Sheets.Ends.Rear)) switch
        {
            Sheets.Ends.Front => Corners.FrontLeft | Corners.FrontRight,
            Sheets.Ends.Rear => Corners.RearLeft | Corners.RearRight,
            _ => Corners.All,
        };
        var across = (ends & (Sheets.Ends.Left | Sheets.Ends.Right)) switch
        {
            Sheets.Ends.Left => Corners.FrontLeft | Corners.RearLeft,
            Sheets.Ends.Right => Corners.FrontRight | Corners.RearRight,
            _ => Corners.All,
        };
        return along & across;
    }

    /// <summary>The corners fasteners are at: by their name, else by the names of what they hold. All of them where neither tells.</summary>
    public static Corners Joint(Joint joint, IReadOnlyDictionary<string, Thing> things) =>
        WhichEnd.Of(joint) is not Sheets.Ends.None and var named ? Ends(named)
        : joint.Holds.IsEmpty ? Corners.All
        : joint.Holds.Aggregate(Corners.None, (all, id) => all | (things.TryGetValue(id, out var held) ? Ends(WhichEnd.Of(held)) : Corners.All));

    /// <summary>The end, side or corner that corners make; none for all of them and for what has no name.</summary>
    public static Ends Named(Corners corners)
    {
        for (var ends = Sheets.Ends.Front; ends <= (Sheets.Ends.Rear | Sheets.Ends.Right); ends++)
            if (Ends(ends) is not Corners.All and var of && of == corners) return ends;
        return Sheets.Ends.None;
    }
}
