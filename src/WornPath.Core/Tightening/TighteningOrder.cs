using WornPath.Core.Fasteners;
using System.Collections.Immutable;

namespace WornPath.Core.Tightening;

/// <summary>The order a pattern is tightened in: crossing, so that the load stays balanced and the parts come down level.</summary>
public static class TighteningOrder
{
    /// <summary>Position numbers in the order they are tightened: the author's own, else computed.</summary>
    public static ImmutableArray<int> Of(Pattern pattern, int count) =>
        !pattern.Order.IsEmpty ? pattern.Order : pattern.Shape == PatternShape.Circle ? Circle(count) : FromTheCentre(pattern.Places(count));

    /// <summary>
    /// The crossing order of a circle of any number. Even numbers: opposite pairs, each pair as far from the last as can be, as ASME PCC-1
    /// has them for 4, 8, 12 and 16 (legacy pattern, from memory); odd numbers: the star.
    /// </summary>
    public static ImmutableArray<int> Circle(int count) =>
        count < 1 ? [] : count % 2 == 0 ? [.. Starts(count / 2).SelectMany(s => new[] { s + 1, s + 1 + (count / 2) })] : [.. Star(count).Select(s => s + 1)];

    // Where the pairs of a half circle begin: halving again while it can be halved, the star where it is odd.
    private static IEnumerable<int> Starts(int half) => half % 2 == 0 ? Starts(half / 2).SelectMany(s => new[] { s, s + (half / 2) }) : Star(half);

    // Round and round with the largest step below the half that meets every position.
    private static IEnumerable<int> Star(int count)
    {
        var step = Math.Max(1, (count - 1) / 2);
        while (step > 1 && Gcd(count, step) != 1) step--;
        return Enumerable.Range(0, count).Select(i => i * step % count);
    }

    /// <summary>The order of any other layout: from the centre outwards, each one followed by the one across from it.</summary>
    public static ImmutableArray<int> FromTheCentre(ImmutableArray<Spot> places)
    {
        if (places.IsEmpty) return [];
        var centre = new Spot(places.Average(p => p.X), places.Average(p => p.Y));
        var order = ImmutableArray.CreateBuilder<int>(places.Length);
        var left = Enumerable.Range(0, places.Length).ToList();
        Spot? last = null;
        while (left.Count > 0)
        {
            // The nearest to the centre; among equals the farthest from the one before, then the lowest number.
            var nearest = left.Min(i => Near(places[i].To(centre)));
            var first = left.Where(i => Near(places[i].To(centre)) == nearest).OrderByDescending(i => last is { } from ? Near(places[i].To(from)) : 0).ThenBy(i => i).First();
            Take(first);
            if (left.Count == 0) break;
            var mirror = new Spot((2 * centre.X) - places[first].X, (2 * centre.Y) - places[first].Y);
            var across = left.OrderBy(i => Near(places[i].To(mirror))).ThenBy(i => i).First();
            // Across only where something is: a lone one in the middle has no other side.
            if (places[across].To(mirror) < places[first].To(centre) || Near(places[across].To(mirror)) == 0) Take(across);
        }

        return order.ToImmutable();

        void Take(int i)
        {
            order.Add(i + 1);
            left.Remove(i);
            last = places[i];
        }
    }

    private static double Near(double distance) => Math.Round(distance, 6);

    private static int Gcd(int a, int b) => b == 0 ? a : Gcd(b, a % b);
}
