using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>What lies over a part: what it is behind (or, of a gasket, what its name tells), what that is behind, and so on.</summary>
internal static class Covers
{
    // Further than any part lies under others.
    private const int Most = 40;

    /// <summary>The covers of a part, the nearest first, each with the one it covers itself; null where that is the part.</summary>
    public static IReadOnlyList<(Part Cover, Part? Past)> Of(Walk walk, Part part)
    {
        List<(Part Cover, Part? Past)> covers = [];
        if (part.Behind.IsEmpty && Named(walk, part) is { } over) covers.Add((over, null));
        for (var i = -1; i < covers.Count && covers.Count < Most; i++)
            foreach (var id in (i < 0 ? part : covers[i].Cover).Behind)
                if (id != part.Id && walk.Things.GetValueOrDefault(id) is Part next && covers.TrueForAll(c => c.Cover.Id != id))
                    covers.Add((next, i < 0 ? null : covers[i].Cover));
        return covers;
    }

    /// <summary>True for a gasket that is named after something.</summary>
    public static bool IsGasket(Part part) => NameIndex.NamesOf(part)[0] is [_, .., "gasket"];

    // "Manifold gasket", "pipe gasket": it lies under the manifold, the exhaust pipe, where nobody has said what it is behind. Common practice, no source.
    private static Part? Named(Walk walk, Part part)
    {
        if (!IsGasket(part)) return null;
        var of = NameIndex.NamesOf(part)[0].SkipLast(1).ToList();
        var byLast = walk.Kept(typeof(Covers), static w => w.Sheet.Parts.ToLookup(p => NameIndex.NamesOf(p)[0][^1]));
        return byLast[of[^1]].Where(p => p.Id != part.Id && p.IsSecond == part.IsSecond && NameIndex.NamesOf(p)[0].TakeLast(of.Count).SequenceEqual(of))
            .Take(2).ToList() is [var only] ? only : null;
    }
}
