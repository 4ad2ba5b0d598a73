using WornPath.Core.Reading;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Puts questions and actions into words a person reads on a chip.</summary>
public static class Asking
{
    /// <summary>What a question asks.</summary>
    public static string Of(Question question, Sheet sheet) => question.Kind switch
    {
        QuestionKind.UnknownName => $"Nothing on this sheet is called “{question.Phrase}”.",
        QuestionKind.Several => $"“{question.Phrase}” can mean {List(question.Candidates.Select(id => sheet.Find(id)?.Label ?? id))}.",
        QuestionKind.NoObject => $"“{question.Phrase}”: what?",
        QuestionKind.WrongKind => $"{question.Because}: what is “{question.Phrase}” here?",
        QuestionKind.OtherValue => OtherValue(question, sheet),
        QuestionKind.BadValue when question.Torque is not null => $"“{question.Phrase}” has no unit. Is it a torque?",
        QuestionKind.BadValue => $"“{question.Phrase}” cannot be taken as a torque: {question.Because}",
        QuestionKind.VehicleMoves => $"Does the vehicle move with “{question.Phrase}”?",
        QuestionKind.PartOf => $"“{question.Phrase}”: {List(question.Candidates.Select(id => sheet.Find(id)?.Label ?? id))} are kept as one. All of them, or some that need a name of their own?",
        QuestionKind.Unclear => $"“{question.Phrase}” was not understood. What is done?",
        QuestionKind.NoVerb => "No instruction was found in this step.",
        _ => throw new ArgumentOutOfRangeException(nameof(question)),
    };

    /// <summary>A kind of thing with its article: "a joint", "an aid".</summary>
    public static string A(ThingKind kind) => $"{(kind == ThingKind.Aid ? "an" : "a")} {kind.ToString().ToLowerInvariant()}";

    /// <summary>The verb of a chip, as the trade says it.</summary>
    public static string Of(Verb verb) => verb switch
    {
        Verb.BreakLoose => "break loose",
        Verb.TakeOut => "take out",
        Verb.Start => "start by hand",
        Verb.TorquePass => "pass",
        Verb.Align => "align slot",
        Verb.BackOff => "back off",
        Verb.InsertPin => "pin",
        Verb.RemovePin => "pull pin",
        Verb.HangAside => "hang aside",
        Verb.CheckLevel => "check level",
        Verb.Place => "put in place",
        Verb.TakeAway => "take away",
        Verb.SetOnStands => "on stands",
        Verb.LowerToTouch => "lower until tyres touch",
        Verb.PumpBrakes => "pump brakes",
        Verb.TurnOn => "turn on",
        Verb.SetAside => "set aside",
        Verb.Treat => "apply",
        Verb.FunctionCheck => "check function",
        Verb.Carry => "along with it",
        _ => verb.ToString().ToLowerInvariant(),
    };

    /// <summary>An action as its chip says it: "take out J3 caliper bolts".</summary>
    public static string Of(StepAction action, Sheet sheet)
    {
        var verb = action.Verb == Verb.TorquePass ? $"pass {action.Pass}" : Of(action.Verb);
        var target = action.Target is { } id ? sheet.Find(id)?.Label ?? id : action.Words;
        var with = action.With is { } aid && sheet.Find(aid) is { } thing ? $" with {thing.Label}" : "";
        var value = (action.Torque ?? (action.Verb is Verb.Torque or Verb.Retorque && action.Target is { } t && sheet.Find(t) is Joint { Torque: { } own } ? own : null)) is { } torque ? $" to {(action.Passes is { } passes ? $"{passes}, then " : "")}{torque}" : "";
        var angle = action.Angle is { } degrees ? $" {degrees:0.#}°" : "";
        var minutes = action.Minutes is { } m ? $" {m:0.#} min" : "";
        var limits = action.Limits is { } l ? $", {l}" : "";
        var only = action.Only is { } o ? $"{o}: " : "";
        var some = action.Some is { } n ? $" {n} of" : action.Rest ? " the rest of" : "";
        if (action.Verb == Verb.Repeat && (action.Side is not null || action.Steps is not null))
        {
            var what = action.Steps is { } steps ? $"step{(steps.Ranges is [(var first, var last)] && first == last ? "" : "s")} {steps}" : "what stands before";
            return $"{only}repeat {what}{Where(action.Side)}";
        }

        if (action is { Verb: Verb.Renew, Words: { } piece }) return $"{only}renew {piece} of {target}{Where(action.Side)}";
        if (action.Verb == Verb.Set && action.Position is { } position) return $"{only}set {target}: {position}";
        var host = action.Host is { } on && sheet.Find(on) is { } bearer ? bearer.Label : "";
        if (action.Verb == Verb.Carry) return $"{only}{target} along with {(host.Length > 0 ? host : "it")}{Where(action.Side)}";
        if (host.Length > 0) with += (action.Verb == Verb.Fit ? " to " : " from ") + host;
        var later = action.If is { } after ? $", {after}" : "";
        return $"{only}{verb}{some}{(action.New ? " new" : "")}{(target is null ? "" : " " + target)}{with}{value}{angle}{minutes}{limits}{later}{Where(action.Side)}";
    }

    private static string Where(Side? side) => side is { } s ? $" on the {SideWords.Of(s)} side" : "";

    /// <summary>The answers a question can be settled with, the likeliest first, each with the edit that does it.</summary>
    public static IEnumerable<(string Label, Edit Edit)> Answers(Question question, Step step, Sheet sheet)
    {
        var words = ("Just words", (Edit)new SettleQuestion(step.Id, question.Phrase, ""));
        switch (question.Kind)
        {
            case QuestionKind.OtherValue:
                yield return ($"Take {question.Torque} as the joint’s value", new TakeStatedValue(step.Id, question.Phrase));
                yield return ("Keep the joint’s value", new SettleQuestion(step.Id, question.Phrase, ""));
                yield break;
            case QuestionKind.VehicleMoves:
                yield return ("The vehicle moves", new SettleQuestion(step.Id, question.Phrase, ""));
                yield return ($"Only the {question.Phrase}", new SettleQuestion(step.Id, Question.OnlyThis + question.Phrase, ""));
                yield break;
        }

        if (question is { Kind: QuestionKind.BadValue, Torque: { } likely } && JointOf(question, step, sheet) is { } joint)
        {
            // In the unit of the sheet first, then in the others people write.
            foreach (var unit in new[] { likely.Unit, TorqueUnit.NewtonMetre, TorqueUnit.PoundForceFoot, TorqueUnit.PoundForceInch }.Distinct())
                if (TorqueSpec.Create(likely.Low, likely.High, unit) is { IsGood: true } meant)
                    yield return ($"It is {meant.Value} on {joint.Label}", TightenTo(question, step, sheet, joint, meant.Value));
            yield return words;
            yield break;
        }

        if (question.Kind == QuestionKind.Unclear)
        {
            Edit Say(Saying said) => new SayAction(step.Id, question.At.Of(step.Text), 0, "", said);
            foreach (var thing in question.Candidates.Select(sheet.Find).OfType<Thing>())
                foreach (var verb in MeaningsFor(thing.Kind).OrderByDescending(v => PutsOn(v) == PutsOn(question.Verb)))
                    yield return ($"{Sentences.Capital(Of(verb))} {thing.Label}", Say(new Saying { Verb = verb, Target = thing.Id }));
            foreach (var name in question.Names.Where(n => !sheet.Things.Any(t => t.Name.Equals(n, StringComparison.OrdinalIgnoreCase))))
                foreach (var kind in question.NewKinds)
                    foreach (var verb in MeaningsFor(kind).Take(2).OrderByDescending(v => PutsOn(v) == PutsOn(question.Verb)))
                        yield return ($"{Sentences.Capital(Of(verb))} {name}, a new {kind.ToString().ToLowerInvariant()}",
                            Say(new Saying { Verb = verb, NewName = name, NewKind = kind }));
            yield return words;
            yield break;
        }

        foreach (var kind in question.NewKinds)
        {
            var word = kind.ToString().ToLowerInvariant();
            var canBeKit = kind is ThingKind.Joint or ThingKind.Part or ThingKind.Connection;
            var vehicle = ($"New {word}" + (canBeKit && question.FromKit ? ", on the vehicle" : ""), (Edit)new SettleAsNew(step.Id, question.Phrase, kind, question.Phrase, false));
            var kit = ($"New {word}, from the kit", (Edit)new SettleAsNew(step.Id, question.Phrase, kind, question.Phrase, true));
            if (canBeKit && question.FromKit) yield return kit;
            yield return vehicle;
        }

        foreach (var id in question.Candidates)
            if (sheet.Find(id) is { } thing) yield return ($"{(question.Kind == QuestionKind.PartOf ? "All of" : "It is")} {thing.Label}", new SettleQuestion(step.Id, question.Phrase, id));
        yield return words;
    }

    // The joint a value without a unit is for: as asked, else the one its clause tightens, else the one the step last named before it.
    private static Joint? JointOf(Question question, Step step, Sheet sheet)
    {
        if (question.Candidates is [var id, ..]) return sheet.Find(id) as Joint;
        bool Tightens(StepAction a) => a.Verb is Verb.Torque or Verb.TorquePass or Verb.Retorque or Verb.Start && a.In.Begins(question.At);
        Joint? Of(StepAction? a) => a?.Target is { } target ? sheet.Find(target) as Joint : null;
        return Of(step.Actions.FirstOrDefault(a => a.Target is not null && Tightens(a)))
            ?? step.Actions.Where(a => a.At.Start < question.At.Start).Select(Of).LastOrDefault(j => j is not null);
    }

    // Said in the place of the tightening that has no value, else as one more.
    private static SayAction TightenTo(Question question, Step step, Sheet sheet, Joint joint, TorqueSpec torque)
    {
        var words = SentenceReader.ClausesOf(sheet, step.Text).FirstOrDefault(c => c.Begins(question.At)) is { Length: > 0 } clause
            ? clause.Of(step.Text) : question.At.Of(step.Text);
        var there = Sayings.Of(step, words);
        var place = there.FindIndex(a => a.Target == joint.Id && a is { Verb: Verb.Torque or Verb.TorquePass or Verb.Retorque, Torque: null });
        return place >= 0
            ? new SayAction(step.Id, words, place, Of(there[place], sheet), Saying.Of(there[place], step) with { Torque = torque.ToString() })
            : new SayAction(step.Id, words, there.Count, "", new Saying { Verb = Verb.Torque, Target = joint.Id, Torque = torque.ToString() });
    }

    private static bool PutsOn(Verb? verb) => verb is Verb.Start or Verb.Fit or Verb.Connect or Verb.Place or Verb.Fill or Verb.Snug or Verb.Torque;

    // What is most often done to a thing of a kind, off first.
    internal static Verb[] MeaningsFor(ThingKind kind) => kind switch
    {
        ThingKind.Joint => [Verb.TakeOut, Verb.Start, Verb.Loosen, Verb.Snug],
        ThingKind.Part => [Verb.Remove, Verb.Fit, Verb.Inspect],
        ThingKind.Connection => [Verb.Disconnect, Verb.Connect],
        ThingKind.Fluid => [Verb.Drain, Verb.Fill],
        ThingKind.Aid => [Verb.Place, Verb.TakeAway],
        ThingKind.Control => [Verb.Set],
        _ => [],
    };

    private static string OtherValue(Question question, Sheet sheet)
    {
        var joint = question.Candidates.Select(id => sheet.Find(id)).OfType<Joint>().FirstOrDefault();
        return joint is { TighteningText.Length: > 0 }
            ? $"This step says {question.Torque}; {joint.Label} says {joint.TighteningText}."
            : $"This step says {question.Torque}; the joint says something else.";
    }

    private static string List(IEnumerable<string> words) => string.Join(" or ", words);
}
