using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>How a clause is put.</summary>
internal enum Mood
{
    /// <summary>"Remove the bolts."</summary>
    Imperative,

    /// <summary>"The bolts are removed", "bolts torqued": what is done stands behind what it is done to.</summary>
    Passive,

    /// <summary>"The hose goes on next": who moves is what it is done to.</summary>
    Declarative,

    /// <summary>"New bolts in, finger-tight": no verb; the way, the value and the words tell.</summary>
    Fragment,

    /// <summary>"… while turning the hub", "holding the bolt": said of another clause.</summary>
    Beside,
}

/// <summary>When a clause holds.</summary>
/// <param name="Sign">The writer's words.</param>
/// <param name="Instead">True where it is another way to do what stands before it.</param>
/// <param name="At">Where it stands.</param>
internal sealed record Proviso(string Sign, bool Instead, Span At);

/// <summary>A verb with what belongs to it, or a fragment without one.</summary>
internal sealed class Clause(Mood mood, int from, int to)
{
    public Mood Mood { get; } = mood;

    /// <summary>Its first token, and the one after its last.</summary>
    public int From { get; } = from;

    public int To { get; set; } = to;

    /// <summary>Stretches within it that belong to clauses of their own.</summary>
    public List<(int From, int To)> Gaps { get; } = [];

    /// <summary>How far its words reach, with what says how far it goes: "until it touches".</summary>
    public int Reach { get; set; } = to;

    /// <summary>The token of its verb; -1 for a fragment.</summary>
    public int VerbAt { get; init; } = -1;

    /// <summary>The verb; null for a fragment or where the word is no verb that is known.</summary>
    public TradeVerb? Verb { get; init; }

    /// <summary>"Do not", "never", "without": said, not done.</summary>
    public bool Negated { get; init; }

    /// <summary>"If the clip breaks": what follows may speak of its subject.</summary>
    public bool IsProviso { get; init; }

    /// <summary>A helper does it: "have somebody hold the brake".</summary>
    public bool HasHelper { get; init; }

    /// <summary>How many people are said to do it; 0 where nothing is said.</summary>
    public int People { get; init; }

    /// <summary>True for a whole sentence with its auxiliary: "the bolts are removed".</summary>
    public bool IsFull { get; init; }

    /// <summary>Known to say and change nothing: a reason, a time, a remark.</summary>
    public bool IsRemark { get; init; }

    /// <summary>Told by what it needs: "a torque wrench is needed to tighten them". Where it is told outright as well, that counts.</summary>
    public bool IsNeed { get; init; }

    /// <summary>"Having first slackened the bolts": done before what the clause before it tells.</summary>
    public bool ComesFirst { get; init; }

    /// <summary>"Once the bolts are removed": done here only where the words before have not done it.</summary>
    public bool IfNotYet { get; init; }

    /// <summary>"With the cover in place": told only of what was off.</summary>
    public bool IfOff { get; init; }

    /// <summary>"Remove and discard the gasket": what it is done to stands in the clause behind it.</summary>
    public bool Shares { get; init; }

    /// <summary>"The pins are greased and fitted": the clause that names what it is done to; null where it names that itself.</summary>
    public Clause? Of { get; init; }

    /// <summary>When it is done; null for always.</summary>
    public Proviso? Proviso { get; set; }

    /// <summary>The words of a verb nobody knows, where one is told to do it.</summary>
    public bool IsUnknown { get; init; }

    /// <summary>What it consists of, in order.</summary>
    public List<Piece> Pieces { get; } = [];

    /// <summary>The noun phrase that stands next behind one of it; null where it is the last.</summary>
    public NounPhrase? Behind(NounPhrase phrase)
    {
        var at = Pieces.FindIndex(p => p.Noun == phrase);
        return at < 0 ? null : Pieces.Skip(at + 1).FirstOrDefault(p => p.Noun is not null)?.Noun;
    }

    /// <summary>The noun phrases in it, in order.</summary>
    public IEnumerable<NounPhrase> Nouns => Pieces.Select(p => p.Noun).OfType<NounPhrase>();
}

/// <summary>A part of a clause: a noun phrase, a way, a value.</summary>
internal sealed record Piece(Span At)
{
    /// <summary>The noun phrase; null where it is none.</summary>
    public NounPhrase? Noun { get; init; }

    /// <summary>The word of the way ("off", "into"); null where it is none.</summary>
    public string? Way { get; init; }

    /// <summary>A value, or a number that stands alone; null where it is none.</summary>
    public Token? Value { get; init; }
}

/// <summary>A noun phrase: which things, and how many of them.</summary>
internal sealed record NounPhrase(Span At, string Text, IReadOnlyList<string> Stems)
{
    /// <summary>The preposition or way before it; null for what the verb is done to.</summary>
    public string? After { get; init; }

    /// <summary>The words as written, for a name.</summary>
    public string Name { get; init; } = "";

    /// <summary>"It", "them", "both", "one": no name of its own.</summary>
    public bool IsPronoun { get; init; }

    /// <summary>Nothing was said: whatever is in hand, or what a note is about.</summary>
    public bool IsUnsaid { get; init; }

    /// <summary>More than one is meant: "them", "both", a plural.</summary>
    public bool IsPlural { get; init; }

    /// <summary>The number said before it ("the two bolts"); null where none is.</summary>
    public int? Count { get; init; }

    /// <summary>So many of the set ("two of the bolts", "three of the four bolts").</summary>
    public int? Some { get; init; }

    /// <summary>What was not yet done of the set: "the rest", "the last bolt", "the other two".</summary>
    public bool IsRest { get; init; }

    /// <summary>"All", "both", "each".</summary>
    public bool IsAll { get; init; }

    /// <summary>"Some of", "most of": how many, nobody knows.</summary>
    public bool IsVague { get; init; }

    public bool IsNew { get; init; }

    /// <summary>"The old seal", "that bearing".</summary>
    public bool IsOld { get; init; }

    /// <summary>"A", "two new": not spoken of before.</summary>
    public bool IsIndefinite { get; init; }

    /// <summary>Words that tell one of like things: upper, left, long.</summary>
    public IReadOnlyList<string> Distinct { get; init; } = [];

    /// <summary>Stems of what it belongs to: "of the wheel", "the disc's", "on the carrier". Empty where nothing is said.</summary>
    public IReadOnlyList<string> Owner { get; init; } = [];

    /// <summary>The owner as written.</summary>
    public string OwnerName { get; init; } = "";

    /// <summary>"Its nut", "their clips".</summary>
    public bool IsIts { get; init; }

    /// <summary>When it is meant at all: "a wet one", "any implement". Empty where it is meant in any case.</summary>
    public string Sign { get; init; } = "";

    /// <summary>A size said before it: "24 mm", "M8", "T40".</summary>
    public string Size { get; init; } = "";

    /// <summary>True where a noun of the trade names it that is most likely of a kind, whatever the sheet calls so.</summary>
    public bool Is(ThingKind kind) => Trade.NounOf(Stems) is { Kinds: [var likeliest, ..] } && likeliest == kind;

    /// <summary>The last word's stem; empty for a pronoun.</summary>
    public string Head => Stems.Count > 0 ? Stems[^1] : "";
}
