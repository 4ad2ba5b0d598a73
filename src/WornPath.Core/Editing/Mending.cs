using WornPath.Core.Reading;
using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>What an author may say of a clause of a step: of one thing read there, or of one more that is done there.</summary>
/// <param name="Words">The clause the author's word is kept with.</param>
/// <param name="Place">Which of the clause's actions it is about.</param>
/// <param name="Before">What that is now, as its chip says it; empty for one more.</param>
/// <param name="IsSaid">True where it is the author's word already.</param>
/// <param name="Answers">The likeliest things to say, each with the edit that does it.</param>
/// <param name="Now">What is said now, to be changed; null for one more.</param>
public sealed record Mending(string Words, int Place, string Before, bool IsSaid, ImmutableArray<(string Label, Edit Edit)> Answers, Saying? Now)
{
    /// <summary>Of an action of a step, by its place among them; null where there is none.</summary>
    public static Mending? Of(Sheet sheet, Step step, int index)
    {
        if (index < 0 || index >= step.Actions.Length) return null;
        var action = step.Actions[index];
        var words = action.In.Of(step.Text);
        // What was read before clauses were kept is read again first.
        if (words.Length == 0) return new Mending("", 0, Asking.Of(action, sheet), false, [("Read the sentence again", new ReadSentence(step.Id))], null);
        var place = Sayings.Of(step, words).FindIndex(a => ReferenceEquals(a, action));
        var before = Asking.Of(action, sheet);
        var now = Saying.Of(action, step);
        var answers = ImmutableArray.CreateBuilder<(string, Edit)>();
        void Say(string label, Saying? said) => answers.Add((label, new SayAction(step.Id, words, place, before, said)));
        if (action.IsSaid) answers.Add(("Take my word back", new Unsay(step.Id, words)));
        var thing = action.Target is { } id ? sheet.Find(id) : null;
        if (thing is { Assumed: true }) answers.Add(("It is right", new LookedAt([thing.Id])));
        Say("Not done", null);
        if (thing is not null)
        {
            foreach (var verb in Asking.MeaningsFor(thing.Kind).Where(v => v != action.Verb).Take(2))
                Say($"No: {Asking.Of(verb)}", now with { Verb = verb, Torque = "", Angle = "" });
            foreach (var other in Beside(sheet, thing).Take(3)) Say($"No: {other.Label}", now with { Target = other.Id });
            if (thing.Assumed)
                foreach (var kind in KindsBeside(thing.Kind)) answers.Add(($"It is {Asking.A(kind)}", new SetKind(thing.Id, kind)));
            // Offered where it takes the chip away: "it" is settled under no name.
            if (action.At.Of(step.Text).ToLowerInvariant() is { Length: > 0 } phrase && !action.IsSaid
                && new SettleQuestion(step.Id, phrase, "") is var settle && Editor.Apply(sheet, settle) is { IsGood: true, Value.Sheet: var settled }
                && !settled.FindStep(step.Id)!.Actions.Any(a => a.At.Meets(action.At) && a.Verb == action.Verb))
                answers.Add(("Just words", settle));
        }

        answers.AddRange(Teaching(sheet, action, thing, words).Select(w => ($"Always: {Says(w)}", (Edit)new LearnWords([w]))));
        return new Mending(words, place, before, action.IsSaid, answers.ToImmutable(), now);
    }

    /// <summary>A word that was taught, in words: "“cowl” is a part", "“nip” means snug".</summary>
    public static string Says(HouseWord word) =>
        word.Kind is { } kind ? $"“{word.Word}” is {Asking.A(kind)}" : $"“{word.Word}” means {Asking.Of(word.Verb!.Value)}";

    // What the sheet may learn from an action: a noun the trade does not take so, and the verb of a clause the author had to say. What the trade
    // does by a verb it keeps: that "remove" is not removing in one clause is no reason to take it so in none.
    private static IEnumerable<HouseWord> Teaching(Sheet sheet, StepAction action, Thing? thing, string words)
    {
        bool IsNew(HouseWord word) => HouseWord.Check(word).IsGood && !sheet.Header.Words.Contains(word);
        if (thing is not null && !(Trade.NounOf(NameIndex.StemsOf(thing.Name)) is { Kinds: [var usual, ..] } && usual == thing.Kind)
            && new HouseWord(thing.Name.ToLowerInvariant(), thing.Kind, null) is var noun && IsNew(noun)) yield return noun;
        var verb = words.Split(' ', ',')[0].ToLowerInvariant();
        if (action.IsSaid && SentenceReader.CanBeTaught(action.Verb) && !Trade.IsSmall(verb) && Trade.NounOf([Stem.Of(verb)]) is null
            && !Array.Exists(Trade.VerbsOf(verb), f => Trade.MayChange(f.Verb))
            && new HouseWord(verb, null, action.Verb) is var said && IsNew(said)) yield return said;
    }

    /// <summary>The verbs that are done to a kind of thing; to the vehicle, or to nothing the sheet keeps, where it is null.</summary>
    public static ImmutableArray<Verb> VerbsFor(ThingKind? kind) => Sayings.VerbsFor(kind);

    /// <summary>One more that is done in a clause of a step; the first clause that comes to nothing where none is chosen.</summary>
    public static Mending More(Sheet sheet, Step step, string? words)
    {
        var clauses = ClausesOf(sheet, step);
        var chosen = clauses.FirstOrDefault(c => c.Equals(words, StringComparison.OrdinalIgnoreCase))
            ?? clauses.FirstOrDefault(c => Sayings.Of(step, c).Count == 0) ?? clauses.FirstOrDefault() ?? "";
        return new Mending(chosen, Sayings.Of(step, chosen).Count, "", false, [], null);
    }

    /// <summary>The clauses of a step, as they stand in its text.</summary>
    public static ImmutableArray<string> ClausesOf(Sheet sheet, Step step) =>
        [.. SentenceReader.ClausesOf(sheet, step.Text).Select(at => at.Of(step.Text)).Distinct()];

    /// <summary>Words the author said something of that does not hold any more: they are gone from the step, or what was said of them is
    /// gone from the sheet.</summary>
    public static ImmutableArray<string> Lost(Sheet sheet, Step step) =>
        step.Said.IsEmpty ? [] : [.. step.Said.Where(s => !step.Text.Contains(s.Words, StringComparison.OrdinalIgnoreCase)
            || !s.Stands(sheet)).Select(s => s.Words)];

    private static IEnumerable<ThingKind> KindsBeside(ThingKind kind) =>
        new[] { ThingKind.Part, ThingKind.Joint, ThingKind.Connection, ThingKind.Aid, ThingKind.Fluid, ThingKind.Tool,
            ThingKind.Control }.Where(k => k != kind);

    // Things of its kind that share a word with it.
    private static IEnumerable<Thing> Beside(Sheet sheet, Thing thing)
    {
        var words = NameIndex.NamesOf(thing)[0];
        return sheet.Things.Where(t => t.Id != thing.Id && t.Kind == thing.Kind && NameIndex.NamesOf(t).Any(n => n.Intersect(words).Any()));
    }
}
