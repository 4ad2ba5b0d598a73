using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What a lead, a hose or a rod ends in, told for all of it: "slip the earth lead's ring under its screw" connects the earth lead.
public sealed partial class SentenceReader
{
    private void TakeEnds(Clause clause)
    {
        if (!Trade.MayChange(clause.Verb!) || clause.Verb!.Lemma == "cut") return;
        for (var i = 0; i < clause.Pieces.Count; i++)
            if (clause.Pieces[i].Noun is { IsPronoun: false, IsNew: false } noun && (noun.After is null || IsDirect(clause, noun))
                && WholeOfEnd(clause, noun) is { } whole)
                clause.Pieces[i] = clause.Pieces[i] with { Noun = whole with { After = noun.After } };
    }

    // "The ring of the earth lead", "the hose end": the lead, the hose; null where it is a thing of its own.
    private NounPhrase? WholeOfEnd(Clause clause, NounPhrase end)
    {
        if (!Trade.Ends.Contains(end.Head) && !Trade.RodEnds.Contains(end.Head)
            || _refer.Called([.. end.Owner, .. end.Stems]) is not null) return null;
        var of = end.Owner.Count > 0 ? new NounPhrase(end.At, end.OwnerName.ToLowerInvariant(), end.Owner) { Name = end.OwnerName }
            : clause.Behind(end) is { IsPronoun: false, After: "of" } behind ? behind with { At = end.At }
            // "The hose end", of one hose.
            : end.Stems.Count > 1 && end.Name.LastIndexOf(' ') is > 0 and var space && !Trade.IsCompound(end.Stems[^2], end.Head)
                ? new NounPhrase(end.At, end.Name[..space].ToLowerInvariant(), [.. end.Stems.SkipLast(1)]) { Name = end.Name[..space] } : null;
        if (of is null) return null;
        var known = _refer.Known(of);
        // "The tie rod end" is a part of its own; "the end of the tie rod" is the tie rod's.
        var said = end.Owner.Count > 0 || of.After == "of";
        if (Trade.Ends.Contains(end.Head) && (known is Connection || known is null && end.Stems.Count == 1 && _refer.Doubtful.Count == 0 && said
            && Trade.NounOf(of.Stems) is { Kinds: [ThingKind.Connection, ..], Role: NounRole.Thing })) return of with { After = null };
        return said && Trade.RodEnds.Contains(end.Head) && known is Part rod && !Trade.Wired.Contains(of.Head)
            && (end.Head != "stud" || Spoken.IsOff(rod) is true && clause.Pieces.Exists(p => p.Way is "through" or "into" or "up"))
            ? of with { After = null } : null;
    }
}
