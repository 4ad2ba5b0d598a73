using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>What lies over a part: what it is behind, what that is behind, and so on.</summary>
internal static class Covers
{
    // Further than any part lies under others.
    private const int Most = 40;

    /// <summary>The covers of a part, the nearest first, each with the one it covers itself; null where that is the part.</summary>
    public static IReadOnlyList<(Part Cover, Part? Past)> Of(Walk walk, Part part)
    {
        List<(Part Cover, Part? Past)> covers = [];
        for (var i = -1; i < covers.Count && covers.Count < Most; i++)
            foreach (var id in (i < 0 ? part : covers[i].Cover).Behind)
                if (id != part.Id && walk.Things.GetValueOrDefault(id) is Part next && covers.TrueForAll(c => c.Cover.Id != id))
                    covers.Add((next, i < 0 ? null : covers[i].Cover));
        return covers;
    }
}
