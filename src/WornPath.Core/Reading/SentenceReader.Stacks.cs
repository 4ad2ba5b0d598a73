using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Washers, spacers and nuts that belong to a joint by its table: no things of their own.
public sealed partial class SentenceReader
{
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
