using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>Which combinations of a sheet are walked: every one up to <see cref="MostWhole"/>, beyond that as few as hold every pair.</summary>
public static class Combinations
{
    /// <summary>Up to so many combinations each is walked.</summary>
    public const int MostWhole = 64;

    /// <summary>The combinations of a sheet, the one of the first options, all as planned, first.</summary>
    public static ImmutableArray<Combination> Of(Sheet sheet)
    {
        var factors = sheet.Header.Variants;
        var turning = sheet.Steps.Where(s => s.Branches.Length > 0).ToList();
        if (factors.IsEmpty && turning.Count == 0) return [Combination.First(sheet)];
        int[] levels = [.. factors.Select(f => f.Options.Length), .. turning.Select(s => s.Branches.Length + 1)];
        var product = levels.Aggregate(1L, (n, l) => Math.Min(n * l, MostWhole + 1));
        var rows = product <= MostWhole ? Product(levels) : Pairs(levels);
        return [.. rows.Select(row => new Combination(
            [.. factors.Select((f, i) => f.Options[row[i]])],
            turning.Select((s, i) => KeyValuePair.Create(s.Id, row[factors.Length + i])).Where(t => t.Value > 0).ToImmutableSortedDictionary()))];
    }

    private static IEnumerable<int[]> Product(int[] levels)
    {
        var row = new int[levels.Length];
        while (true)
        {
            yield return [.. row];
            var at = levels.Length - 1;
            while (at >= 0 && ++row[at] == levels[at]) row[at--] = 0;
            if (at < 0) yield break;
        }
    }

    /// <summary>
    /// Rows in which every two levels of every two columns stand together at least once, put together greedily (after the AETG
    /// method of Cohen, Dalal, Fredman and Patton, 1997, without its chance). The first row is all first levels.
    /// </summary>
    public static IReadOnlyList<int[]> Pairs(int[] levels)
    {
        var open = new HashSet<(int Column, int Level, int Other, int OtherLevel)>();
        for (var a = 0; a < levels.Length; a++)
            for (var b = a + 1; b < levels.Length; b++)
                for (var x = 0; x < levels[a]; x++)
                    for (var y = 0; y < levels[b]; y++) open.Add((a, x, b, y));
        List<int[]> rows = [];
        for (var row = new int[levels.Length]; ;)
        {
            rows.Add(row);
            for (var a = 0; a < levels.Length; a++)
                for (var b = a + 1; b < levels.Length; b++) open.Remove((a, row[a], b, row[b]));
            if (open.Count == 0) return rows;
            // From one pair that is still open, each further column takes the level that closes most.
            var (first, firstLevel, second, secondLevel) = open.Min();
            var next = Enumerable.Repeat(-1, levels.Length).ToArray();
            (next[first], next[second]) = (firstLevel, secondLevel);
            for (var column = 0; column < levels.Length; column++)
            {
                if (next[column] >= 0) continue;
                var gains = new int[levels[column]];
                for (var level = 0; level < levels[column]; level++)
                    for (var other = 0; other < levels.Length; other++)
                        if (next[other] >= 0 && open.Contains(other < column ? (other, next[other], column, level) : (column, level, other, next[other]))) gains[level]++;
                next[column] = Array.IndexOf(gains, gains.Max());
            }

            row = next;
        }
    }
}
