using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Puts the author's word on a clause in the place of what is read from it.</summary>
internal static class Sayings
{
    // More than anybody says of one step, and of one clause.
    private const int MostClauses = 60;
    private const int MostActions = 20;

    /// <summary>The verbs that are done to a kind of thing; to the vehicle, or to nothing the sheet keeps, where it is null.</summary>
    public static ImmutableArray<Verb> VerbsFor(ThingKind? kind) => kind is { } k ? ByKind[k] : OnVehicle;

    private static readonly ImmutableArray<Verb> OnVehicle =
        [Verb.Raise, Verb.SetOnStands, Verb.LowerToTouch, Verb.Lower, Verb.PumpBrakes, Verb.Wait, Verb.Inspect, Verb.Measure, Verb.Clean,
            Verb.Treat, Verb.FunctionCheck, Verb.Adjust, Verb.Repeat];

    private static readonly Dictionary<ThingKind, ImmutableArray<Verb>> ByKind = Enum.GetValues<ThingKind>().ToDictionary(k => k, k =>
        Enum.GetValues<Sense>().SelectMany(s => Trade.Of(s).ByKind.TryGetValue(k, out var verb) && verb is { } v ? [v] : Array.Empty<Verb>())
            .Concat(k == ThingKind.Joint ? [Verb.TorquePass, Verb.Renew] : []).Distinct().Order().ToImmutableArray());

    /// <summary>The actions of a step that a clause comes to, in order.</summary>
    public static List<StepAction> Of(Step step, string words) =>
        [.. step.Actions.Where(a => a.In.Length > 0 && a.In.Of(step.Text).Equals(words, StringComparison.OrdinalIgnoreCase))];

    /// <summary>Says what a clause comes to: another action in the place of one, one more behind the last, or one less.</summary>
    public static Outcome<Sheet> Say(Sheet sheet, Step step, SayAction edit, Func<Sheet, ThingKind, string, Outcome<(Sheet Sheet, string Id)>> add)
    {
        if (string.IsNullOrWhiteSpace(edit.Words) || edit.Words.Length > SheetSize.LongestStep
            || !step.Text.Contains(edit.Words, StringComparison.OrdinalIgnoreCase))
            return new Problem($"The words “{NumberText.Excerpt(edit.Words)}” do not stand in the step any more.",
                "Look at the step as it is, and say it again.");
        var actions = Of(step, edit.Words);
        if (edit.Place < 0 || edit.Place > actions.Count || edit.Place < actions.Count && Asking.Of(actions[edit.Place], sheet) != edit.Before)
            return new Problem("This clause was read otherwise a moment ago.", "Look at what it comes to now, and say it again.");
        if (edit.Now is null && edit.Place == actions.Count) return new Problem("Nothing is said to be done.", "Choose what is done, and to what.");
        if (actions.Count >= MostActions && edit.Place == actions.Count || step.Said.Length >= MostClauses)
            return new Problem("That is more than one step can be told.", "Split it into steps of one instruction each.");
        if (edit.Now is null) actions.RemoveAt(edit.Place);
        else
        {
            var said = ActionOf(sheet, step, edit, edit.Place < actions.Count ? actions[edit.Place] : null, add);
            if (!said.IsGood) return said.Problem;
            (sheet, var action) = said.Value;
            if (edit.Place < actions.Count) actions[edit.Place] = action;
            else actions.Add(action);
        }

        var word = new AuthorsWord(edit.Words, [.. actions.Select(Kept)]);
        sheet = StepReading.PutStep(sheet,
            step with { Said = step.Said.RemoveAll(s => s.Words.Equals(edit.Words, StringComparison.OrdinalIgnoreCase)).Add(word) });
        // What the author speaks of, the author has looked at: it is not taken back with the sentence.
        foreach (var thing in actions.SelectMany(a => a.Ids).Distinct().Select(sheet.Find).OfType<Thing>())
            if (thing.Assumed) sheet = Slots.Put(sheet, thing with { Assumed = false });
        foreach (var action in actions)
            if (action is { Verb: Verb.Torque, Torque: { } torque, Target: { } id } && sheet.Find(id) is Joint { Torque: null } joint)
                sheet = Slots.Put(sheet, joint with { Torque = torque });
        return sheet;
    }

    // As it is kept: its place counted from the clause, its branch only as being in one.
    private static StepAction Kept(StepAction action) => action with
    {
        At = action.At with { Start = Math.Max(0, action.At.Start - action.In.Start) },
        In = default,
        IsSaid = false,
        Only = null,
        Branch = action.Branch > 0 ? 1 : 0,
    };

    private static Outcome<(Sheet Sheet, StepAction Action)> ActionOf(Sheet sheet, Step step, SayAction edit, StepAction? was,
        Func<Sheet, ThingKind, string, Outcome<(Sheet Sheet, string Id)>> add)
    {
        var now = edit.Now!;
        var target = now.Target;
        if (now.NewName is { Length: > 0 } name)
        {
            if (now.NewKind is not { } kind) return new Problem($"It is not said what “{NumberText.Excerpt(name)}” is.",
                "Say whether it is a joint, a part, a tool …");
            var added = add(sheet, kind, name);
            if (!added.IsGood) return added.Problem;
            (sheet, target) = added.Value;
        }

        var thing = target is null ? null : sheet.Find(target);
        if (target is not null && thing is null) return new Problem($"{NumberText.Excerpt(target)} is no longer on the sheet.", "Choose something else.");
        if (!VerbsFor(thing?.Kind).Contains(now.Verb))
            return new Problem($"“{Sentences.Capital(Asking.Of(now.Verb))}” is nothing that is done to {(thing is null ? "the vehicle" : $"a {thing.Kind.ToString().ToLowerInvariant()}")}.", "Choose another verb, or another thing.");
        if (now.With is { } with && sheet.Find(with) is not (Aid or Tool or Consumable))
            return new Problem($"{NumberText.Excerpt(with)} is no aid, tool or consumable of the sheet.", "Choose one that is.");
        if (now.Host is { } host && (host == target || sheet.Find(host) is not Part))
            return new Problem($"{NumberText.Excerpt(host)} is no other part of the sheet.", "Choose the part it comes off, goes onto or comes along with.");
        if (now.Some is < 1 or > 999) return new Problem($"{now.Some} of a set are none.", "Write how many, such as 2, or leave it empty for all.");
        if (now.Minutes is < 0 or > 10_000) return new Problem($"{now.Minutes} minutes is no time to wait.", "Write minutes, such as 20.");
        Outcome<TorqueSpec?> torque = string.IsNullOrWhiteSpace(now.Torque) ? default
            : TorqueText.Parse(now.Torque, sheet.Header.Unit).Map(t => (TorqueSpec?)t);
        if (!torque.IsGood) return torque.Problem;
        Outcome<decimal?> angle = string.IsNullOrWhiteSpace(now.Angle) ? default : Angle.Parse(now.Angle).Map(a => (decimal?)a.Degrees);
        if (!angle.IsGood) return angle.Problem;
        Outcome<StepNumbers?> steps = now.Verb != Verb.Repeat || string.IsNullOrWhiteSpace(now.Steps) ? default
            : StepNumbers.Parse(now.Steps).Map(s => (StepNumbers?)s);
        if (!steps.IsGood) return steps.Problem;
        var (when, sign) = (Names.Clean(now.If), was is null ? "" : Saying.SignOf(was, step));
        if (when.Length > 200 || now.Position.Length > 200) return new Problem("That is too long.", "Write it in a few words.");
        var action = (was ?? new StepAction { Verb = now.Verb }) with
        {
            Verb = now.Verb,
            Target = target,
            Words = target is null ? was?.Words : null,
            With = now.With,
            Host = now.Verb is Verb.Remove or Verb.Fit or Verb.Carry ? now.Host : null,
            Some = now.Rest ? null : now.Some,
            Rest = now.Rest,
            New = now.New,
            Torque = torque.Value,
            Passes = torque.Value is null || torque.Value != was?.Torque ? null : was?.Passes,
            Pass = now.Verb == Verb.TorquePass ? was?.Pass ?? 1 : null,
            Angle = angle.Value,
            Limits = now.Verb == was?.Verb ? was.Limits : null,
            Position = Names.Clean(now.Position) is { Length: > 0 } position ? position : null,
            Minutes = now.Minutes,
            Side = now.Side,
            Steps = steps.Value,
            // A condition that stands as it was read is the branch of the step; another is the author's.
            Branch = was is not null && when == sign ? was.Branch : 0,
            If = when.Length == 0 || when == sign ? null : when,
        };
        if (was is null) action = action with { At = new Span(0, edit.Words.Length) };
        return (sheet, action);
    }
}
