using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What looks as if something came off or went on and only tells how far, or what for; and what goes on or comes off though no verb says so.
public sealed partial class SentenceReader
{
    // What a clause goes on until: "until it clicks", "till its eye meets the arm".
    private Clause? UntilBehind(Clause clause) => _clauses.ElementAtOrDefault(_clauses.IndexOf(clause) + 1) is { Mood: Mood.Beside } until
        && _finder.Tokens[until.From].Text is "until" or "till" ? until : null;

    // "Press the tail down until it clicks".
    private bool ClicksHome(Clause clause) => UntilBehind(clause) is { } until && Has(until, "clicks", "click", "snaps", "snap", "latches", "catches", "locks");

    // "Pull the rod out until its eye meets the arm": so far, and it stays on.
    private bool IsOnlyAsFar(Clause clause, Sense sense, List<NounPhrase> objects) => sense is Sense.Off or Sense.MoveOff
        && (objects is [{ IsPronoun: false } one] && (one.Is(ThingKind.Part) || _refer.Known(one) is Part)
            || objects is [{ IsPronoun: true }] && _actions is [.., { Verb: Verb.Fit or Verb.Connect }])
        && UntilBehind(clause) is { } until
        && Has(until, "meets", "meet", "line", "lines", "reaches", "reach", "touches", "level", "flush", "aligns", "align", "aligned", "lined");

    // "The mulcher is lowered to the ground": let down, and nothing of it was undone.
    private bool IsOnlyLetDown(Clause clause, Sense sense, List<NounPhrase> objects) => sense == Sense.Off && clause.Verb?.Lemma == "lower"
        && Has(clause, "ground", "floor") && objects is [{ IsPronoun: false } one] && _refer.Known(one) is null or Part
        && !Spoken.Last.Concat(Spoken.Earlier).Any(t => t is Joint && Spoken.IsOff(t) is true)
        && !_actions.Exists(a => a.Verb is Verb.TakeOut or Verb.Remove);

    // "Replace the seal: lever the old one out, … and press the new one in": told in full behind the colon.
    private bool IsToldBehind(Clause clause, Sense sense)
    {
        if (sense != Sense.Replace) return false;
        var colon = clause.To;
        while (colon < _finder.Tokens.Count && _finder.Tokens[colon].Kind == TokenKind.Word) colon++;
        if (colon >= _finder.Tokens.Count || _finder.Tokens[colon] is not { Kind: TokenKind.Mark, Text: ":" }) return false;
        var behind = _clauses.SkipWhile(c => c != clause).Skip(1).Where(c => c.From > colon)
            .TakeWhile(c => !Enumerable.Range(colon, c.From - colon).Any(i => _finder.Tokens[i].Kind == TokenKind.Stop)).ToList();
        return behind.Exists(c => Has(c, "old", "worn", "out", "off", "away")) && behind.Exists(c => Has(c, "new", "replacement", "in", "on", "home"));
    }

    // "The ring must engage fully in its groove", of one that is off: it goes in.
    private bool MustLieIn(Clause clause, Sense sense)
    {
        if (sense != Sense.Say || clause.Mood != Mood.Declarative || clause.Negated
            || clause.Verb?.Lemma is not ("engage" or "sit" or "seat" or "snap" or "lie" or "drop")
            || !Has(clause, "must", "has", "have", "should") || !Has(clause, "groove", "grooves", "recess", "slot", "seat", "place")
            || clause.Nouns.FirstOrDefault() is not { IsPronoun: false } one || _refer.Known(one) is not Part part || Spoken.WasOff(part) is not true
            || _actions.Exists(a => a.Verb == Verb.Fit && a.Target == part.Id)) return false;
        Act(clause, Sense.On, part, one);
        Spoken.Hand([part]);
        return true;
    }

    // "Hold the winch against the plate while you start its bolts".
    private bool IsHeldToBeStarted(Clause clause, Thing thing) => clause.Verb?.Lemma is "hold" or "steady" or "support" && thing is Part
        && Spoken.IsOff(thing) is not false
        && _clauses.SkipWhile(c => c != clause).Skip(1).Any(c => c is { Mood: Mood.Imperative, Negated: false, Verb.Lemma: "start" });

    // "Slide it straight back about 60 mm to part the coupling": so far, and it is on still.
    private bool MovesBy(Clause clause, Sense sense)
    {
        if (sense is not (Sense.Off or Sense.On or Sense.Move or Sense.MoveOff)
            || clause.Verb?.Lemma is not ("slide" or "pull" or "push" or "move" or "draw" or "shift" or "ease")) return false;
        var tokens = _finder.Tokens;
        for (var i = clause.VerbAt + 1; i + 1 < Math.Min(clause.To, tokens.Count); i++)
            if (tokens[i].Kind == TokenKind.Number && tokens[i + 1].Text is "mm" or "cm" or "inch" or "inches" && tokens[i - 1].Kind == TokenKind.Word
                && (Trade.Paths.Contains(tokens[i - 1].Text) || tokens[i - 1].Text is "about" or "by" or "some" or "roughly" or "rearwards" or "forwards")
                && (i + 2 >= tokens.Count || tokens[i + 2].Kind != TokenKind.Word || tokens[i + 2].Text is "to" or "so" or "until" or "and")) return true;
        return false;
    }

    // "Replace the plugs by the restrictors": the one comes off, the other goes on.
    private bool ReplacedBy(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        if (sense != Sense.Replace || objects is not [{ IsPronoun: false, IsNew: false } old]
            || clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: "by" or "with" or "for" } && n.Head != old.Head
                && !n.Text.EndsWith("ones", StringComparison.Ordinal)) is not { } by
            || !(_refer.Known(by) is { } known ? known is Part or Joint or Connection
                : Trade.NounOf(by.Stems) is null or { Role: NounRole.Thing, Kinds: [ThingKind.Part or ThingKind.Joint or ThingKind.Connection, ..] }))
            return false;
        DoEach(clause, Sense.Off, objects);
        DoEach(clause, Sense.On, [by with { After = null }]);
        return true;
    }

    // "Drop the pin in and clip it": the clip goes on, where the sheet has one that is off.
    private bool GoesOnByItsVerb(Clause clause, Sense sense, List<NounPhrase> objects)
    {
        if (sense is not (Sense.Secure or Sense.On) || clause.Verb is not { Lemma: "clip" or "circlip" or "peg" } verb
            || objects is not [{ IsPronoun: true } it] || _actions is not [.., { Verb: Verb.Fit }]) return false;
        bool IsCalledSo(Thing t) => t is Part or Joint && NameIndex.NamesOf(t)[0][^1] == verb.Lemma && Spoken.IsOff(t) is true;
        if (_refer.Things.Where(IsCalledSo).ToList() is not [var own]) return false;
        Act(clause, Sense.On, own, it);
        return true;
    }

    // "Save the spacers, they go back on the same side", "take it off and keep it; it goes back the same way": later, and not now.
    private bool GoesBackLater(Clause clause, Sense sense) => sense == Sense.On && clause is { Mood: Mood.Declarative, Verb.Lemma: "go" }
        && clause.Nouns.FirstOrDefault() is { IsPronoun: true } && Has(clause, "back") && !Has(clause, "then", "now", "next", "finally")
        && (_actions is [.., { Verb: Verb.Remove or Verb.TakeOut or Verb.SetAside or Verb.Mark }]
            || _actions.Count == 0 && _clauses.TakeWhile(c => c != clause).Any(c => c.Verb is { } verb && Trade.Saves.Contains(verb.Lemma)));

    // "Screw in the upper bolt by two turns", which is out: it goes in by that.
    private bool IsRunIn(Clause clause, Sense sense, List<NounPhrase> objects) => sense == Sense.TurnOn && Has(clause, "in", "on")
        && !Has(clause, "further", "more", "another", "extra") && objects is [{ IsPronoun: false } one]
        && (_refer.Known(one, k => k == ThingKind.Joint) is { } known ? Spoken.WasOff(known) is true : one.Is(ThingKind.Joint))
        && Values(clause).FirstOrDefault(v => v.Kind == TokenKind.Angle) is { Kind: TokenKind.Angle } by && by.Number >= 360;

    // "Offer up the unit and put its studs through the wing": they are in it, and it goes on by that.
    private bool IsStudOfPart(Clause clause, List<NounPhrase> objects) => objects is [{ IsPronoun: false, Head: "stud" } studs]
        && clause.Pieces.Exists(p => p.Way == "through" || p.Noun?.After == "through")
        && (studs.IsIts || studs.Owner.Count == 0 || clause.Nouns.Any(n => n.After == "through" && n.Stems.SequenceEqual(studs.Owner)))
        && _actions is [.., { Verb: Verb.Fit, Target: not null }]
        && !(_refer.Known(studs, k => k == ThingKind.Joint) is { } known && Spoken.WasOff(known) is true);

    // What is wrong with whichever one is told of before its verb; null where nothing is.
    private NounPhrase? FaultOf(Clause clause) => clause is { Mood: Mood.Passive, Proviso: null, IsFull: true, Negated: false }
        && clause.Pieces is [{ Noun: { IsPronoun: false } one }, { Noun: { After: "with", IsPronoun: false } fault }, ..]
        && (one.IsIndefinite || one.IsPlural && !Has(clause, "the", "these", "those"))
        && fault.At.Start < _finder.Tokens[clause.VerbAt].At.Start
        && fault.Text.Split(' ').Any(w => Trade.Trouble.Contains(w) || Judged.IsTrouble(w)) ? fault : null;

    // "The plug gets a new ring and 30 N·m", "give each bolt a new washer": that goes on.
    private void FitGiven(Clause clause, List<NounPhrase> objects)
    {
        if (clause.Verb?.Lemma != "give") return;
        foreach (var given in clause.Nouns.Skip(1).Where(n => n is { IsNew: true, IsPronoun: false, After: null }
            && (n.Is(ThingKind.Part) || n.Is(ThingKind.Joint) || _refer.Known(n) is Part or Joint)).ToList())
        {
            objects.Remove(given);
            DoEach(clause, Sense.On, [given]);
        }
    }

    // "Crack the wheel nuts", "wheel off": what was made slack before comes out with the part it holds, unless that only slides from under it.
    private List<Joint> ComeOutWith(Part part)
    {
        var isWheel = Natures.Is(part, Trait.RoadWheel);
        return _shifts && !isWheel ? [] : [.. _refer.Holding(part).Where(j => Spoken.Slack(j) is { } how && (how == Verb.BreakLoose || isWheel)
            && !_actions.Exists(a => a.Target == j.Id))];
    }

    // "Run an old nut on to save the thread": worked with, and not fitted.
    private Aid? RunOnForNow(NounPhrase phrase)
    {
        if (phrase is not { IsOld: true, IsIndefinite: true, IsPronoun: false, Owner.Count: 0 } || !phrase.Is(ThingKind.Joint)) return null;
        var worn = phrase with { Name = $"old {phrase.Name}", Text = $"old {phrase.Text}", Stems = ["old", .. phrase.Stems], IsOld = false };
        var aid = _refer.Called(worn.Stems) as Aid ?? (Aid)_refer.Assume(worn, ThingKind.Aid, false, null, null);
        Add(Verb.Place, aid, phrase.At);
        Spoken.Hand([aid]);
        return aid;
    }

    // "Spin the nuts off and roll the wheel out of the way": of nobody else.
    private Joint? JustOut() => _actions is [.., { Verb: Verb.TakeOut, Some: null, Target: { } id }]
        && _refer.Find(id) is Joint { Holds.Length: 0 } joint && NameIndex.NamesOf(joint)[0] is [_] ? joint : null;

    // What an action was done to by the clause that has just been read, told by its words or as a thing.
    private bool IsInHand(StepAction action) => action.Words is not null || action.Target is { } id && Spoken.Last.Any(t => t.Id == id);

    // "Crack the nuts, shove the pipe on and torque them again": what the step has made slack, tightened to what the sheet says of it.
    private bool ToItsValueAgain(List<NounPhrase> objects)
    {
        if (_actions.FindLast(a => a is { Verb: Verb.BreakLoose or Verb.Loosen, Target: not null }) is not { Target: { } id } slackened
            || slackened.Branch != _branch || _refer.Find(id) is not Joint { Torque: { } torque } joint
            || !objects.TrueForAll(o => o.IsPronoun || _refer.Known(o)?.Id == id)) return false;
        Add(Verb.Torque, joint, objects.Count > 0 ? objects[0].At : slackened.At, a => a with { Torque = torque });
        return true;
    }

    // "Wind the regulator in to 20 bar": to what a gauge shows.
    [GeneratedRegex(@"\d\s*(?:bar|psi|kPa|MPa)\b", RegexOptions.CultureInvariant)]
    private static partial Regex PressureSaid();
}
