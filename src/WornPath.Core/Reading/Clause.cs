using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>A verb with what follows it, up to the next verb.</summary>
internal sealed class Clause(string verb, Sense sense, Span at, bool negated)
{
    public string Verb { get; } = verb;

    public Sense Sense { get; } = sense;

    public Span At { get; } = at;

    /// <summary>"Do not …": said, not done.</summary>
    public bool Negated { get; } = negated;

    public List<Phrase> Phrases { get; } = [];

    public List<Token> Values { get; } = [];

    public HashSet<string> All { get; } = [];
}

/// <summary>A noun phrase in a clause.</summary>
/// <param name="Stems">The stems of its telling words.</param>
/// <param name="At">Where its telling words stand.</param>
/// <param name="Text">The telling words, lower case.</param>
/// <param name="After">The preposition it follows; null for a direct object.</param>
/// <param name="IsNew">True where it is said to be new.</param>
internal sealed record Phrase(IReadOnlyList<string> Stems, Span At, string Text, string? After, bool IsNew)
{
    /// <summary>True for "it" and "them", and for "both" or "all" standing alone.</summary>
    public bool IsPronoun { get; init; }

    /// <summary>True for "two of the bolts" and "the rest of the bolts": its text and place begin with the count.</summary>
    public bool IsPart { get; init; }

    /// <summary>The count of "two of the bolts"; null where it is not said in numbers.</summary>
    public decimal? Count { get; init; }
}
