using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What is only shown or named, and nothing done to it, is what the next "it" is: "that exposes the gasket: take it off".
public sealed partial class SentenceReader
{
    // Named by the clause before, of the sheet; null where something was done there, or nothing was named.
    private Thing? _shown;

    // Two that the clause before names: "lay the gasket on the plate and fit both".
    private IReadOnlyList<Thing> _pair = [];

    // Where something is only said, what it is said of; else that nothing was.
    private void Show(Clause clause, bool isDone)
    {
        // "Turn the roller until its flat faces the frame and lift it out": how far, and what is in hand stays so.
        if (clause.Mood == Mood.Beside && _finder.Tokens[clause.From].Text is "until" or "till" or "to" or "so" || !isDone && !clause.Nouns.Any()) return;
        (_shown, _pair) = (null, []);
        // What is named and not known yet comes first.
        if (!isDone && _unnamed is { Owner.Count: > 0 } said && said.Is(ThingKind.Joint) && PlaceOf(clause).Begins(said.At)) return;
        var things = clause.Nouns.Where(n => n is { IsPronoun: false, After: null or "on" or "onto" or "over" or "to" or "with" or "into" or "in" })
            .Select(n => _refer.Known(n)).OfType<Thing>().Distinct().ToList();
        if (!clause.Negated && things is [Part, Part]) _pair = things;
        // "It is not needed any more."
        var denied = clause.Negated && clause.Verb?.Lemma is not ("need" or "require" or "want");
        if (isDone || denied || clause.IsProviso || clause.Verb is { Lemma: "mind" or "watch" or "protect" or "avoid" or "stay" or "remain" }
            || clause.Nouns.Any(n => n is { IsPronoun: true, After: null, Text: "it" or "them" or "they" }
                && clause.Nouns.First(o => o.After is null || o.IsPronoun) is var first && first != n)) return;
        var named = clause.Nouns.Where(n => n is { IsPronoun: false, IsIts: false } && (n.After is null or "to" or "for" or "of" or "at" || IsDirect(clause, n))
            && (_refer.Known(n) is Part or Joint or Connection
                // "Release the spring compressor and take it off".
                || n.After is null && clause.Verb?.Lemma is "release" or "relax" or "slacken" && _refer.Known(n) is Aid or Tool)).ToList();
        // "Release the lock of the sensor lead and unplug it": whose it is.
        if (named.Count == 0 && clause.Nouns.Where(n => n.After is null).ToList() is [{ IsPronoun: false, Owner.Count: > 0 } its])
        {
            var owner = its with { Stems = [.. its.Owner], Name = its.OwnerName, Text = its.OwnerName, Owner = [], OwnerName = "" };
            _shown = _refer.Known(owner) is Part or Connection ? _refer.Known(owner) : null;
        }

        // "Take the tension off the spring and unhook it", "put the pliers in the eyes of the circlip and take it out".
        if (named.Count == 0 && _shown is null && clause.Mood == Mood.Imperative
            && clause.Nouns.Where(n => n is { IsPronoun: false, After: "off" or "from" or "in" or "into" or "on" })
            .Select(n => n.Owner.Count > 0 ? PartNamed(n.At, n.OwnerName, n.Owner)
                : _refer.Known(n)).Where(t => t is Part or Connection).ToList() is [{ } worked])
            _shown = worked;
        // "Pull up on the rear of the seat and lift it off", "get a good grip on the fan and draw it out": what is handled, though the
        // sheet does not have it yet.
        if (named.Count == 0 && _shown is null && clause is { Mood: Mood.Imperative, Proviso: null }
            && !clause.Nouns.Any(n => n.After is null && !n.IsPronoun && !IsMeans(n))
            && clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: "of" or "on" or "behind" or "at" or "around" or "round" or "under" }
                && !n.Is(ThingKind.Joint)
                && Trade.NounOf(n.Stems) is { Role: NounRole.Thing, Kinds: [ThingKind.Part or ThingKind.Connection, ..] } or null
                && _refer.Known(n) is null) is { } handled)
            _unnamed = handled with { After = null };
        if (named.Count == 0) return;
        // Of what is said, its subject; else what is come to.
        var one = named.Find(n => n.After is null) ?? named[^1];
        if (named.Count(n => n.After is null) > 1) return;
        _shown = _refer.Known(one);
    }

    // A hand, a grip: what is put to something to hold it by.
    private static bool IsMeans(NounPhrase noun) => Trade.IsNoObject(noun) || Trade.Hands.Contains(noun.Head);

    // What is handled where a feature of it is named: "squeeze the ears of the clip together", "blow the dust out of the housing".
    private static NounPhrase HandledIn(Clause clause, NounPhrase noun)
    {
        if (Trade.Soil.Contains(noun.Head)
            && clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: "of" or "out" or "off" or "from" or "in" or "on" }) is { } soiled)
            return soiled with { After = null };
        if (noun.Owner.Count == 0 || Trade.NounOf(noun.Stems) is { Role: NounRole.Thing } && noun.Head != "weight"
            || Trade.NounOf(noun.Owner)?.Role is not (null or NounRole.Thing)) return noun;
        return new NounPhrase(noun.At, noun.OwnerName.ToLowerInvariant(), noun.Owner) { Name = noun.OwnerName, IsNew = noun.IsNew };
    }

    // "Open up the circlip": the way stands before what it is done to.
    private static bool IsDirect(Clause clause, NounPhrase noun)
    {
        var at = clause.Pieces.FindIndex(p => p.Noun == noun);
        return at > 0 && noun.After is { } after && clause.Pieces[at - 1].Way == after;
    }

    // The next words are of it.
    private void TakeShown(Clause clause)
    {
        if (clause.Negated || clause.IsRemark || clause.Mood is not (Mood.Imperative or Mood.Passive)
            || clause.Pieces.Find(p => p.Noun is { After: null })?.Noun is not { IsPronoun: true, IsRest: false, Distinct.Count: 0, Some: null } it) return;
        if (_pair.Count == 2 && it.IsPlural && clause.Mood == Mood.Imperative && (it.Count == 2 || Has(clause, "together"))) Spoken.Hand(_pair);
        if (_shown is not { } shown || it.Count is not null || it.Text is not ("it" or "them" or "they" or "this" or "these" or "those")
            || it.IsPlural != (shown.IsMany || shown.Name.EndsWith('s'))) return;
        Spoken.Hand([shown]);
        // A tool is no more than the means, unless it is what was worked on.
        if (shown is Tool)
            clause.Pieces[clause.Pieces.FindIndex(p => p.Noun == it)] = new Piece(it.At)
            {
                Noun = new NounPhrase(it.At, shown.Name.ToLowerInvariant(), NameIndex.NamesOf(shown)[0]) { Name = shown.Name },
            };
        _unnamed = null;
    }
}
