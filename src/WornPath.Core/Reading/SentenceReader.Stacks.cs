using WornPath.Core.Sheets;
using WornPath.Core.Tightening;

namespace WornPath.Core.Reading;

// Washers, spacers and nuts that belong to a joint by its table: no things of their own.
public sealed partial class SentenceReader
{
    // "Fit both bolts, nuts finger-tight": the nuts at the far end of what is in hand; "the post nuts": those of the post bolts.
    private Joint? NutsOf(NounPhrase phrase)
    {
        if (phrase.IsPronoun || phrase.Head != "nut" || phrase.Owner.Count > 0 || phrase.Size.Length > 0) return null;
        if (phrase.Stems.Count == 1)
            return (_actions is [.., { Target: { } id }] && _refer.Find(id) is Joint just ? just : Spoken.Last is [.., var last] ? last : null) is Joint bolts
                && NameIndex.NamesOf(bolts)[0][^1] != "nut"
                && !(phrase.Count is > 1 and var said && said != bolts.Count) ? CalledNutsOf(bolts, phrase) ?? (bolts.Stack?.Nut is null ? null : bolts) : null;
        if (_refer.Known(phrase) is not null || _refer.Doubtful.Count > 0) return null;
        foreach (var head in BoltHeads)
            if (_refer.Called([.. phrase.Stems.SkipLast(1), head]) is Joint { Stack.Nut: not null } bolted) return bolted;
        return null;
    }

    private static readonly string[] BoltHeads = ["bolt", "screw", "stud"];

    // "U-bolts" and "U-bolt nuts", "bracket bolts" and "bracket nuts": two joints of one sheet.
    private Joint? CalledNutsOf(Joint bolts, NounPhrase phrase)
    {
        var name = NameIndex.NamesOf(bolts)[0];
        foreach (var called in (string[][])[[.. name, "nut"], [.. name.SkipLast(1), "nut"]])
            if (called.Length > 1 && _refer.Called(called) is Joint nuts && nuts != bolts && nuts.IsMany == phrase.IsPlural) return nuts;
        return null;
    }

    // "New copper washers" of the banjo bolt: renewed; the old ones, or the same again: said. False where no joint has such a piece.
    private bool ReadPieceOfStack(Clause clause, NounPhrase phrase, bool goesOn)
    {
        if (phrase.IsPronoun || phrase.Stems.Count == 0 || PieceOf(clause, phrase) is not { } piece) return false;
        if (goesOn && phrase.IsNew) Add(Verb.Renew, piece.Joint, phrase.At, a => a with { Words = piece.Piece.NameFor(piece.Joint.Count * piece.Piece.Count) });
        else Spoken.Name(piece.Joint);
        _isDone = true;
        return true;
    }

    private (Joint Joint, StackPiece Piece)? PieceOf(Clause clause, NounPhrase phrase)
    {
        var having = _refer.Stacked.Select(j => (Joint: j, Piece: j.Stack!.Pieces.FirstOrDefault(p => Names(p, phrase)))).Where(j =>
            j.Piece is not null).ToList();
        if (having.Count == 0 || _refer.Known(phrase) is { Assumed: false }) return null;
        // The joint named beside it, else the one in hand, else the only one that has such.
        var beside = clause.Nouns.Where(n => !n.IsPronoun && n.At != phrase.At).Select(n => _refer.Known(n, k => k == ThingKind.Joint)).OfType<Joint>().ToList();
        foreach (var (joint, piece) in having)
            if (beside.Contains(joint) || phrase.Owner.Count > 0 && NameIndex.NamesOf(joint)[0].SequenceEqual(phrase.Owner)) return (joint, piece!);
        if (having.Find(h => Spoken.Last.Contains(h.Joint)) is { Piece: not null } inHand) return (inHand.Joint, inHand.Piece!);
        return having.Count == 1 ? (having[0].Joint, having[0].Piece!) : Spoken.Nearest(having.Select(h => h.Joint)) is Joint near
            ? (near, having.First(h => h.Joint == near).Piece!) : null;
    }

    // "Washers" are copper washers; "steel washers" are not.
    private static bool Names(StackPiece piece, NounPhrase phrase)
    {
        var name = NameIndex.StemsOf(piece.Name);
        return name[^1] == phrase.Head && phrase.Stems.All(name.Contains)
            // "The nut" of a bolt is its nut; "the axle nut" is a joint.
            && (!piece.IsNut || phrase.IsNew || phrase.IsIts);
    }
}
