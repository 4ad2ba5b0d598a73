using System.Collections.Concurrent;
using System.Numerics;

namespace WornPath.Core.Reading;

/// <summary>A set of stems in which those alike to another (<see cref="Stem.Alike"/>) are found without comparing it with every one.</summary>
internal sealed class Spellings
{
    private readonly Dictionary<int, List<(string Stem, uint Letters)>> _byLength = [];
    private readonly ConcurrentDictionary<string, string[]> _known = new();

    public Spellings(IEnumerable<string> stems)
    {
        foreach (var stem in stems)
        {
            if (!_byLength.TryGetValue(stem.Length, out var list)) _byLength[stem.Length] = list = [];
            list.Add((stem, LettersOf(stem)));
        }
    }

    /// <summary>The stems alike to one, itself among them where it is there.</summary>
    public string[] Alike(string stem) => _known.GetOrAdd(stem, Find);

    private string[] Find(string stem)
    {
        var letters = LettersOf(stem);
        var found = new List<string>();
        for (var length = stem.Length - 2; length <= stem.Length + 2; length++)
            if (_byLength.TryGetValue(length, out var list))
                foreach (var (other, has) in list)
                    // Two slips change at most four letters of the two together.
                    if (BitOperations.PopCount(letters ^ has) <= 4 && Stem.Alike(other, stem)) found.Add(other);
        return [.. found];
    }

    private static uint LettersOf(string stem)
    {
        var letters = 0u;
        foreach (var c in stem) letters |= 1u << (c & 31);
        return letters;
    }
}
