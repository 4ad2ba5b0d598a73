using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Which of the things of a sheet is meant by a short name: by what holds or belongs to what is in hand, what the step named in full, what alone is off or on.
public sealed partial class SentenceReader
{
    // The part that came off or went on last in this step.
    private Part? PartInHand => _actions.FindLast(a => a.Verb is Verb.Fit or Verb.Remove) is { Target: { } id } ? _refer.Find(id) as Part : null;

    // The fasteners of a part, where they are called so: its bolts, its nuts.
    private Joint? FastenersOf(Part? part, string head) =>
        part is not null && FastenersOf(part) is { } own && NameIndex.NamesOf(own)[0][^1] == head ? own : null;

    // "Undo the bolts and slide it back": they are out, and "it" is one: what they held, also where nothing was called so yet. Of one
    // nut, which may be meant itself, only where it is moved some way: "undo the nut and guide it down past the frame".
    private NounPhrase? HeldBy(Clause clause, NounPhrase phrase)
    {
        // "Take out the bracket bolts. Raise the tractor and set it on stands": the tractor.
        if (phrase.Text != "it" || Spoken.Vehicle || Spoken.Last is not [.., Joint joint] || Spoken.IsOff(joint) is not true && !IsSlack(joint)
            || !(joint.IsMany || joint.Name.EndsWith('s')) && !Conveys(clause)
            || Values(clause).Any(v => v.Kind is TokenKind.Torque or TokenKind.Angle)) return null;
        if (joint.Holds is [var id])
            return _refer.Find(id) is Part part && Spoken.IsOff(part) is not true
                ? new NounPhrase(phrase.At, part.Name.ToLowerInvariant(), NameIndex.NamesOf(part)[0]) { Name = part.Name } : null;
        if (joint.Holds.Length > 0 || Spoken.Last.Count > 1 || NameIndex.NamesOf(joint)[0] is not { Length: > 1 } name || !Trade.Plain.Contains(name[^1])
            || Trade.NounOf(name[..^1]) is not { Role: NounRole.Thing, Kinds: [ThingKind.Part, ..] }) return null;
        if (joint.Name.LastIndexOf(' ') is not (> 0 and var space) || joint.Name[..space] is var held && NameIndex.StemsOf(held).Length == 0) return null;
        return new NounPhrase(phrase.At, held.ToLowerInvariant(), name[..^1]) { Name = held };
    }

    private static bool Conveys(Clause clause) => clause.Verb is { } verb && Trade.Conveys.Contains(verb.Lemma)
        && clause.Pieces.Exists(p => p.Way is { } way && way is not ("out" or "off" or "on" or "in"));

    // Slackened in this step: "loosen its two screws and swing it up".
    private bool IsSlack(Joint joint) => _actions.FindLast(a => a.Target == joint.Id) is { Verb: Verb.Loosen or Verb.BreakLoose, Some: null };

    // Meant by "it", and free: its fasteners are out; false where they are only slack, null where it is not meant so.
    private bool? IsFree(Part part, NounPhrase phrase) =>
        _held is { } held && held.At == phrase.At && FastenersOf(part) is { } own ? Spoken.IsOff(own) is true : null;

    // Whatever such a clause does, it does to what they held: that part; null where it is not so.
    private NounPhrase? TakeHeld(Clause clause)
    {
        for (var i = 0; i < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i] is not { Noun: { IsPronoun: true, After: null } it } piece || HeldBy(clause, it) is not { } held) continue;
            clause.Pieces[i] = piece with { Noun = held };
            return held;
        }

        return null;
    }

    // What goes on is off now; what comes off is not known to be.
    private bool MayBe(Thing thing, Sense sense) => sense switch
    {
        Sense.On or Sense.Connect or Sense.Secure => Spoken.IsOff(thing) is true,
        Sense.Off or Sense.Disconnect => Spoken.WasOff(thing) is not true,
        _ => true,
    };

    // "Push the three hoses on", of an upper, a lower and a bypass hose: all of them that are off.
    private List<Thing> SetOf(NounPhrase phrase, Sense sense, Predicate<ThingKind> accepts)
    {
        // "Disconnect both radiator hoses": those the sheet has, by their own names.
        if (phrase is { Stems.Count: 2, Count: > 1 } && _refer.Known(phrase) is null
            && _refer.Known(phrase with { Stems = [phrase.Stems[0]], Name = phrase.Stems[0], Text = phrase.Stems[0], IsPlural = false, Count = null }) is Part)
            phrase = phrase with { Stems = [phrase.Head] };
        if (phrase is not { IsPlural: true, Stems.Count: 1, Distinct.Count: 0, Owner.Count: 0, Size.Length: 0, Some: null, IsRest: false, IsVague: false }
            || phrase.Is(ThingKind.Joint)) return [];
        var named = _refer.WithWord(phrase.Head).Where(t => t is Part or Connection && NameIndex.NamesOf(t)[0] is var name
            && (name[^1] == phrase.Head || name is [.., var before, { Length: 1 }] && before == phrase.Head)).ToList();
        if (named.Count < 2 || named.Exists(t => t.IsMany || !accepts(t.Kind))) return [];
        var meant = named.FindAll(t => MayBe(t, sense));
        return phrase.Count is { } count && count != meant.Count ? [] : meant;
    }

    // "Slacken the clamp of the intake hose and work the hose off": the one the step named in full; "cable off": the only one that is on.
    private Thing? NearBy(Clause clause, Sense sense, NounPhrase phrase, Predicate<ThingKind> accepts)
    {
        if (phrase is not { IsPlural: false, IsPronoun: false, Stems.Count: 1, Distinct.Count: 0, Owner.Count: 0, Size.Length: 0, IsRest: false }
            || phrase.Is(ThingKind.Joint)) return null;
        var named = _refer.WithWord(phrase.Head).Where(t => t is Part or Connection && accepts(t.Kind)
            && NameIndex.NamesOf(t)[0] is { Length: > 1 } name && name[^1] == phrase.Head).ToList();
        if (named.Count < 2 || _refer.Called(phrase.Stems) is not null) return null;
        // As the step named it before, else what belongs to the part in hand, else the one whose other words the step says, else the only one that may be.
        return Only(t => MentionOf(clause, phrase) is { } whole && NameIndex.NamesOf(t)[0].SequenceEqual(NameIndex.StemsOf(whole)))
            ?? Only(t => Spoken.Last.OfType<Part>().LastOrDefault() is { } inHand && t != inHand
                && NameIndex.NamesOf(t)[0][^2] == NameIndex.NamesOf(inHand)[0][^1])
            ?? Only(t => NameIndex.NamesOf(t)[0].SkipLast(1).All(word => SaysBeside(phrase, word)))
            ?? (sense is Sense.On or Sense.Connect or Sense.Secure or Sense.Off or Sense.Disconnect
                && named.FindAll(t => MayBe(t, sense)) is [var only] ? only : null);

        Thing? Only(Predicate<Thing> isIt) => named.FindAll(isIt) is [var one] && MayBe(one, sense) ? one : null;
    }

    // True where the step has a word outside a phrase.
    private bool SaysBeside(NounPhrase phrase, string stem) =>
        _finder.Tokens.Any(k => k.Kind == TokenKind.Word && !phrase.At.Begins(k.At) && Stem.Of(k.Text) == stem);

    // "The screws of each tail lamp": those that hold it, whatever they are called.
    private Joint? FastenersOfOwner(NounPhrase phrase) => phrase is { Owner.Count: > 0, Stems.Count: 1, IsNew: false } && phrase.Is(ThingKind.Joint)
        ? FastenersOf(PartNamed(phrase.At, phrase.OwnerName, phrase.Owner), phrase.Head) : null;

    // "The cover fasteners", "the hardware holding the cover": all that hold it; none where something is called so.
    private List<Thing> HardwareOf(NounPhrase phrase, Sense sense)
    {
        if (phrase.IsPronoun || phrase.IsNew || !Trade.Hardware.Contains(phrase.Head)) return [];
        List<string> owner = [.. phrase.Owner, .. phrase.Stems.SkipLast(1)];
        return owner.Count == 0 || _refer.Called([.. owner, phrase.Head]) is not null ? []
            : Fastening(PartNamed(phrase.At, string.Join(' ', owner), owner), phrase.Count, sense);
    }

    // "The four on the cover", "those on the bracket", where nothing goes on: its fasteners.
    private List<Thing> OnesOf(Clause clause, NounPhrase phrase, Sense sense)
    {
        if (phrase is { IsRest: true } or { Distinct.Count: > 0 } or { Some: not null }
            || !(phrase.Text is "ones" or "those" || phrase is { Text: "them", Count: > 1 })
            || sense is Sense.On or Sense.Place or Sense.Secure or Sense.Move or Sense.Transfer
            || clause.Behind(phrase) is not { IsPronoun: false, After: "on" or "of" or "at" or "around" } on) return [];
        return Fastening(PartNamed(on.At, on.Name, on.Stems), phrase.Count, sense);
    }

    private Part? PartNamed(Span at, string name, IReadOnlyList<string> stems) => _refer.Known(new NounPhrase(at, name.ToLowerInvariant(), stems)) as Part;

    // The fasteners that hold a part and may be meant: as many as are said, where some are so many.
    private List<Thing> Fastening(Part? part, int? count, Sense sense)
    {
        if (part is null) return [];
        List<Thing> all = [.. _refer.Holding(part).Where(j => MayBe(j, sense))];
        return all.Exists(t => t is Joint joint && joint.Count == count) ? all.FindAll(t => t is Joint joint && joint.Count == count) : all;
    }

    // "With the two socket screws": those of the part in hand, called by their form alone.
    private Joint? CalledByItsForm(NounPhrase phrase) => phrase is { Stems.Count: > 1, Owner.Count: 0 }
        && FastenerForms.Find(phrase.Text) is { At: { Index: 0 } at } && at.Length == phrase.Text.Length
        && FastenersOf(PartInHand, phrase.Head) is { } own && (phrase.Count is null || phrase.Count == own.Count) ? own : null;

    // "Fit both bolts, nuts finger-tight": the nuts at the far end of what is in hand; "the post nuts": those of the post bolts.
    private Joint? NutsOf(NounPhrase phrase)
    {
        if (phrase.IsPronoun || phrase.Head != "nut" || phrase.Owner.Count > 0 || phrase.Size.Length > 0) return null;
        if (phrase.Stems.Count == 1)
            return (_actions is [.., { Target: { } id }] && _refer.Find(id) is Joint just ? just : Spoken.Last is [.., var last] ? last : null) is Joint bolts
                && NameIndex.NamesOf(bolts)[0][^1] != "nut"
                && !(phrase.Count is > 1 and var said && said != bolts.Count)
                    ? CalledNutsOf(bolts, phrase) ?? (bolts.Stack?.Nut is not null || IsItsNut(bolts, phrase) ? bolts : null) : null;
        if (_refer.Known(phrase) is not null || _refer.Doubtful.Count > 0) return null;
        foreach (var head in BoltHeads)
            if (_refer.Called([.. phrase.Stems.SkipLast(1), head]) is Joint { Stack.Nut: not null } bolted) return bolted;
        return null;
    }

    // "Put in the bolt and screw on the nut", where the sheet knows the nuts of something else.
    private bool IsItsNut(Joint bolts, NounPhrase phrase) => phrase is { IsPlural: false, IsNew: false, Count: null } && bolts is not { Count: > 1 }
        && BoltHeads.Contains(NameIndex.NamesOf(bolts)[0][^1]) && _actions is [.., { Target: { } id }] && id == bolts.Id
        && _refer.Known(phrase, k => k == ThingKind.Joint) is Joint { IsMany: true } others && !Spoken.Last.Contains(others);

    private static readonly string[] BoltHeads = ["bolt", "screw", "stud"];

    // "U-bolts" and "U-bolt nuts", "bracket bolts" and "bracket nuts": two joints of one sheet.
    private Joint? CalledNutsOf(Joint bolts, NounPhrase phrase)
    {
        var name = NameIndex.NamesOf(bolts)[0];
        foreach (var called in (string[][])[[.. name, "nut"], [.. name.SkipLast(1), "nut"]])
            if (called.Length > 1 && _refer.Called(called) is Joint nuts && nuts != bolts && nuts.IsMany == phrase.IsPlural) return nuts;
        return null;
    }

    // On still, with its fasteners out.
    private bool IsUndone(Part part) => Spoken.IsOff(part) is not true && FastenersOf(part) is { } fasteners && Spoken.IsOff(fasteners) is true;

    private Part? Undone() => !Spoken.Vehicle && Spoken.Last is [.., var last] && (last as Part ?? (last is Joint { Holds: [var held] }
        ? _refer.Find(held) as Part : null)) is { } part
        && IsUndone(part) ? part : null;

    // "The side plate and tube bolts": the side plate bolts, too, where the sheet has such.
    private void ShareFastener(Clause clause)
    {
        for (var i = 0; i + 1 < clause.Pieces.Count; i++)
            if (clause.Pieces[i].Noun is { IsPronoun: false, Owner.Count: 0 } whose
                && clause.Pieces[i + 1].Noun is { IsPronoun: false, IsPlural: true, Stems.Count: > 1 } fasteners
                && whose.After == fasteners.After && Trade.Plain.Contains(fasteners.Head) && !Trade.Plain.Contains(whose.Head)
                && _text[whose.At.End..fasteners.At.Start].Trim() is "and" or "&" or "," or ", and"
                && _refer.Called([.. whose.Stems, fasteners.Head]) is Joint shared)
                clause.Pieces[i] = clause.Pieces[i] with
                {
                    Noun = whose with { Stems = [.. whose.Stems, fasteners.Head], Name = shared.Name, Text = shared.Name.ToLowerInvariant(), IsPlural = true },
                };
    }

    // "The upper and the lower hose": two hoses.
    private static void NameByNext(Clause clause)
    {
        for (var i = 0; i + 1 < clause.Pieces.Count; i++)
            if (clause.Pieces[i].Noun is { IsPronoun: true, Distinct.Count: > 0, Some: null } one && !Trade.Pronouns.Contains(one.Text)
                && clause.Pieces[i + 1].Noun is { IsPronoun: false, Distinct.Count: > 0, Owner.Count: 0 } next && next.Distinct.All(next.Stems.Contains))
            {
                List<string> rest = [.. next.Stems.Where(s => !next.Distinct.Contains(s))];
                if (rest.Count == 0) continue;
                var name = $"{string.Join(' ', one.Distinct)} {string.Join(' ', next.Name.Split(' ').TakeLast(rest.Count))}";
                clause.Pieces[i] = clause.Pieces[i] with
                {
                    Noun = next with
                    {
                        At = one.At,
                        After = one.After,
                        Stems = [.. one.Distinct, .. rest],
                        Distinct = one.Distinct,
                        Name = name,
                        Text = name.ToLowerInvariant()
                    },
                };
            }
    }

    private static bool GoesTo(Connection connection, IReadOnlyList<string> part) =>
        connection.GoesTo.Length > 0 && NameIndex.StemsOf(connection.GoesTo) is var goes && part.All(goes.Contains);
}
