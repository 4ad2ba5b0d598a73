using System.Collections.Frozen;
using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>An edit carried out.</summary>
/// <param name="Sheet">The sheet after it.</param>
/// <param name="Delta">What it changed; its inverse undoes it.</param>
/// <param name="Label">What was done, for the log and for "undo …".</param>
public sealed record Applied(Sheet Sheet, Delta Delta, string Label);

/// <summary>Carries edits out. The only way a sheet changes.</summary>
public static class Editor
{
    /// <summary>Carries an edit out on a sheet, or says why not. The sheet itself is never changed.</summary>
    public static Outcome<Applied> Apply(Sheet sheet, Edit edit)
    {
        var done = Do(sheet, edit);
        if (!done.IsGood) return done.Problem;
        var after = Renumbering.Follow(sheet, done.Value);
        return new Applied(after, Delta.Between(sheet, after), LabelOf(sheet, edit));
    }

    /// <summary>
    /// Takes an edit back or does it again, on a sheet that others may have changed since. Steps of theirs that name what goes are read
    /// again, so that none names what is not there; a figure and a fastener's successor are theirs, and refuse it.
    /// </summary>
    /// <param name="delta">What the edit changed, or its inverse.</param>
    public static Outcome<(Sheet Sheet, Delta Delta)> Again(Sheet sheet, Delta delta)
    {
        var done = delta.ApplyTo(sheet);
        if (!done.IsGood) return done.Problem;
        var after = done.Value;
        bool IsGone(string id) => after.Find(id) is null;
        static IEnumerable<string> Shown(Sheet s) =>
            s.Steps.SelectMany(step => step.Figures).SelectMany(f => f.Ids).Concat(s.Joints.Select(j => j.SupersededBy).OfType<string>());
        // What an old sheet named that was gone before stands in nobody's way.
        if (Shown(after).Where(IsGone).Except(Shown(sheet).Where(id => sheet.Find(id) is null)).FirstOrDefault() is { } kept)
        {
            return sheet.Find(kept) is { } used
                ? new Problem($"{used.Label} {used.Are} used by a figure or another joint since.", "Change that first. Nothing was changed.")
                : new Problem($"{kept} is no longer on the sheet.", "Somebody took it away since. Nothing was changed.");
        }

        after = Slots.WithParts(after, id => IsGone(id) ? null : id);
        if (after.Steps.Any(s => s.Named.Any(IsGone))) after = ReadOthers(sheet, after);
        return ReferenceEquals(after, done.Value) ? (after, delta) : (after, Delta.Between(sheet, after));
    }

    /// <summary>Reads the steps of a sheet that hold text alone, as in a file written by hand.</summary>
    public static Sheet ReadUnread(Sheet sheet)
    {
        var before = new Spoken();
        foreach (var step in sheet.Steps.ToList())
        {
            if (IsUnread(step)) sheet = StepReading.Read(sheet, step, step.Text, new Spoken(before));
            before.Take(sheet.FindStep(step.Id)!, NameIndex.Of(sheet));
        }

        return sheet;
    }

    private static bool IsUnread(Step step) => step.Actions.IsEmpty;

    /// <summary>
    /// Holds a sheet that came from elsewhere against its own words: every step's text is read anew, and where what the step
    /// carries is something else, the step keeps what it carries and notes what its sentence says (<see cref="Step.SentenceSays"/>).
    /// </summary>
    public static Sheet ReadAnew(Sheet sheet)
    {
        var unread = sheet.Steps.Where(IsUnread).Select(s => s.Id).ToHashSet();
        sheet = ReadUnread(sheet);
        var names = NameIndex.Of(sheet);
        var before = new Spoken();
        Step Held(Step step)
        {
            var held = unread.Contains(step.Id) || Rereading.Of(sheet, names, step, new Spoken(before)) is var says
                && says == step.SentenceSays ? step : step with { SentenceSays = says };
            before.Take(step, names);
            return held;
        }

        return sheet with { Phases = [.. sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(Held)] })] };
    }

    private static Outcome<Sheet> Do(Sheet sheet, Edit edit) => edit switch
    {
        InsertStep e => Insert(sheet, new InsertSteps(e.Phase, e.After, [new NewStep(e.Id, e.Text)])),
        InsertSteps e => Insert(sheet, e),
        RemoveStep e => Remove(sheet, new RemoveSteps([new SeenStep(e.Id, e.Before)])),
        RemoveSteps e => Remove(sheet, e),
        MoveStep e => Move(sheet, new MoveSteps([e.Id], e.Phase, e.After)),
        MoveSteps e => Move(sheet, e),
        WriteStep e => Write(sheet, e),
        SettleQuestion e => Settle(sheet, e),
        SettleMeaning e => Say(sheet, new SayAction(e.Step, e.Phrase, 0, "", new Saying { Verb = e.Verb, Target = e.Target })),
        SayAction e => Say(sheet, e),
        Unsay e => OnStep(sheet, e.Step, step => TakeBack(sheet, step,
            step with { Said = step.Said.RemoveAll(s => s.Words.Equals(e.Words, StringComparison.OrdinalIgnoreCase)) })),
        LearnWords e => Learn(sheet, e),
        ForgetWord e => WithWords(sheet, sheet.Header.Words.RemoveAll(w => w.Word == e.Word)),
        LookedAt e => Looked(sheet, e),
        SetKind e => OfKind(sheet, e),
        SettleAsNew e => SettleNew(sheet, e),
        TakeStatedValue e => TakeValue(sheet, e),
        ReadSentence e => OnStep(sheet, e.Step, step => ReRead(sheet, step)),
        AskAgain e => OnStep(sheet, e.Step, step => TakeBack(sheet, step, step with { Settled = step.Settled.RemoveAll(s => s.Phrase == e.Phrase) })),
        InsertPhase e => Phasing.Insert(sheet, e),
        RenamePhase e => Phasing.Rename(sheet, e),
        RemovePhase e => Phasing.Remove(sheet, e),
        MovePhase e => Phasing.Move(sheet, e),
        SplitPhase e => Phasing.Split(sheet, e),
        JoinPhase e => Phasing.Join(sheet, e),
        AddThing e => Add(sheet, e.Kind, e.Name, e.FromKit).Map(a => ReadOthers(sheet, a.Sheet)),
        AddFilled e => AddAndFill(sheet, e).Map(a => ReadOthers(sheet, a)),
        RemoveThing e => Remove(sheet, e),
        SetField e => Set(sheet, e),
        SetFieldByName e => sheet.Things.FirstOrDefault(t => t.Name.Equals(e.Name, StringComparison.OrdinalIgnoreCase)) is not { } named ? Gone(NumberText.Excerpt(e.Name))
            : Fields.Of(named.Kind).FirstOrDefault(f => f.Name == e.Field) is { } field ? Set(sheet, new SetField(named.Id, e.Field, field.Get(named), e.After)) : new Problem($"{named.Label} has no field “{NumberText.Excerpt(e.Field)}”.", "Reload to see the sheet as it is."),
        WriteCaution e => OnStep(sheet, e.Step, step => Cautioning.Write(step, e).Map(s => StepReading.PutStep(sheet, s))),
        DropCaution e => OnStep(sheet, e.Step, step => Cautioning.Drop(sheet, step, e).Map(s => StepReading.PutStep(sheet, s))),
        BringCautionBack e => OnStep(sheet, e.Step, step => StepReading.PutStep(sheet, step with { Dropped = step.Dropped.RemoveAll(d => d.Hazard == e.Hazard) })),
        PutFigure e => OnStep(sheet, e.Step, step => Figuring.Put(sheet, step, e)),
        MoveFigure e => OnStep(sheet, e.Step, step => Figuring.Move(sheet, step, e)),
        Several e => All(sheet, e),
        _ => throw new ArgumentOutOfRangeException(nameof(edit)),
    };

    private static Outcome<Sheet> All(Sheet sheet, Several several)
    {
        if (several.Edits.Length > 200) return new Problem($"{several.Edits.Length} edits at once are too many.", "Send at most 200.");
        foreach (var edit in several.Edits)
        {
            if (edit is Several) return new Problem("A group of edits cannot hold another.", "Send them one after the other.");
            var next = Do(sheet, edit);
            if (!next.IsGood) return next;
            sheet = next.Value;
        }

        return sheet;
    }

    internal static Problem Gone(string what) => new($"{what} is no longer on the sheet.", "Somebody took it away, perhaps. Reload to see the sheet as it is; your text stays in the field.");

    private static Outcome<Sheet> OnStep(Sheet sheet, string id, Func<Step, Outcome<Sheet>> change) =>
        sheet.FindStep(id) is { } step ? change(step) : Gone("This step");

    private static Problem? CheckText(string text)
    {
        if (text.Length > SheetSize.LongestStep)
            return new Problem($"{text.Length:N0} characters are too many for one step ({SheetSize.LongestStep:N0}).", "Split it into steps of one instruction each. Your text stays in the field.");
        return text.Any(c => char.IsControl(c) && c is not ('\n' or '\r' or '\t'))
            ? new Problem("The text holds control characters that cannot be printed.", "Paste it as plain text.")
            : null;
    }

    private static Problem? NoRoomFor(Sheet sheet, int more)
    {
        if (more <= 0) return null;
        var text = (long)more;
        foreach (var phase in sheet.Phases)
            foreach (var step in phase.Steps) text += step.Text.Length;
        return text > SheetSize.MostText ? new Problem($"The steps would have more than {SheetSize.MostText:N0} characters together.", "Split the procedure in two.") : null;
    }

    private static Outcome<Sheet> Insert(Sheet sheet, InsertSteps edit)
    {
        if (edit.Steps.IsDefaultOrEmpty) return sheet;
        foreach (var one in edit.Steps)
            if (CheckText(one.Text) is { } problem) return problem;
        if (NoRoomFor(sheet, edit.Steps.Sum(s => s.Text.Length)) is { } full) return full;
        var there = sheet.Phases.Sum(p => p.Steps.Length);
        if (there + edit.Steps.Length > SheetSize.MostSteps)
        {
            return new Problem(edit.Steps.Length == 1
                    ? $"The sheet has {there:N0} steps."
                    : $"The sheet has {there:N0} steps; with {edit.Steps.Length:N0} more it would have over {SheetSize.MostSteps:N0}.",
                "Split the procedure in two.");
        }

        var known = sheet.Steps.Select(s => s.Id).ToHashSet();
        var steps = new List<Step>();
        foreach (var one in edit.Steps)
        {
            var id = one.Id;
            if (id is null) (sheet, id) = Issue(sheet, "S");
            else if (!IsId(id)) return new Problem($"“{NumberText.Excerpt(id)}” cannot be a step's id.", "Use letters, digits and dashes, at most 24.");
            if (!known.Add(id)) return new Problem("This step is there already.", "Reload to see the sheet as it is.");
            steps.Add(new Step { Id = id, Block = one.Block });
        }

        return PutInPhase(sheet, edit.Phase, edit.After, steps)
            .Map(placed => StepReading.ReadWithOthers(placed, [.. steps.Zip(edit.Steps, (step, one) => (step, one.Text))]));
    }

    internal static bool IsId(string id) => id.Length is > 0 and <= 24 && id.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_');

    private static Outcome<Sheet> PutInPhase(Sheet sheet, string phaseId, string? after, IEnumerable<Step> steps)
    {
        var at = sheet.Phases.IndexOf(sheet.Phases.FirstOrDefault(p => p.Id == phaseId)!);
        if (at < 0) return Gone("This phase");
        var phase = sheet.Phases[at];
        var index = 0;
        if (after is not null)
        {
            // Where the step before is gone, the end of the phase is the nearest place that loses nothing.
            var before = phase.Steps.ToList().FindIndex(s => s.Id == after);
            index = before < 0 ? phase.Steps.Length : before + 1;
        }

        return sheet with { Phases = sheet.Phases.SetItem(at, phase with { Steps = phase.Steps.InsertRange(index, steps) }) };
    }

    private static Sheet WithoutSteps(Sheet sheet, HashSet<string> ids) => sheet with
    {
        Phases = [.. sheet.Phases.Select(p => p.Steps.Any(s => ids.Contains(s.Id)) ? p with { Steps = p.Steps.RemoveAll(s => ids.Contains(s.Id)) } : p)],
    };

    private static Outcome<Sheet> Remove(Sheet sheet, RemoveSteps edit)
    {
        foreach (var (id, before) in edit.Steps)
        {
            if (sheet.FindStep(id) is not { } step) return Gone("This step");
            if (step.Text != before)
                return new Problem($"{Which(id)} was changed a moment ago.", "Look at it before you take it away.") { Clash = new Clash(step.Text, "") };
        }

        // Of several the one that was changed has to be found.
        string Which(string id) => edit.Steps.Length == 1 ? "This step" : $"Step {sheet.Steps.TakeWhile(s => s.Id != id).Count() + 1}";
        return Unnamed(sheet, WithoutSteps(sheet, [.. edit.Steps.Select(s => s.Id)]));
    }

    // What only the steps named, and nobody has looked at, goes with them.
    private static Sheet Unnamed(Sheet before, Sheet sheet)
    {
        var without = StepReading.WithoutUnnamed(sheet);
        return without.SameThings(before) ? without : ReadOthers(before, without);
    }

    private static Outcome<Sheet> Move(Sheet sheet, MoveSteps edit)
    {
        var ids = edit.Ids.ToHashSet();
        if (ids.Count < edit.Ids.Length) return new Problem("A step cannot go to two places.", "Name each step once.");
        // Behind itself: it stays where it is.
        if (edit.After is not null && ids.Contains(edit.After)) return sheet;
        var steps = edit.Ids.Select(sheet.FindStep).ToList();
        return steps.Contains(null) ? Gone("This step") : PutInPhase(WithoutSteps(sheet, ids), edit.Phase, edit.After, steps.OfType<Step>());
    }

    private static Outcome<Sheet> Write(Sheet sheet, WriteStep edit) => OnStep(sheet, edit.Id, step =>
    {
        if (CheckText(edit.Text) is { } problem) return problem;
        if (step.Text == edit.Text) return sheet;
        // Written at once: other sentences come together, the same one is asked about.
        var text = step.Text == edit.Before ? edit.Text : TextMerge.Of(edit.Before, step.Text, edit.Text);
        if (text is null)
            return new Problem("This step was changed a moment ago.", "Both texts are shown; keep the one that is right.") { Clash = new Clash(step.Text, edit.Text) };
        if (text == step.Text) return sheet;
        if (text != edit.Text && CheckText(text) is { } tooMuch) return tooMuch;
        return NoRoomFor(sheet, text.Length - step.Text.Length) is { } full ? full : StepReading.ReadWithOthers(sheet, step, text);
    });

    private static Sheet ReRead(Sheet sheet, Step step) => StepReading.ReadWithOthers(StepReading.PutStep(sheet, step), step, step.Text);

    // After things came, went or changed their names, the steps that name them or still ask are read again; what is settled stays as it is.
    private static Sheet ReadOthers(Sheet before, Sheet sheet) => StepReading.ReadNaming(sheet, StepReading.HeadsChanged(before, sheet));

    private static Outcome<Sheet> Say(Sheet sheet, SayAction edit) => OnStep(sheet, edit.Step, step =>
        Sayings.Say(sheet, step, edit, (s, kind, name) => Add(s, kind, name, false)).Map(said => ReadOthers(sheet, ReRead(said, said.FindStep(step.Id)!))));

    private static Step WithSettled(Step step, string phrase, string target) =>
        step with { Settled = step.Settled.RemoveAll(s => s.Phrase == phrase).Add(new Settlement(phrase, target)) };

    private static Outcome<Sheet> Settle(Sheet sheet, SettleQuestion edit) => OnStep(sheet, edit.Step, step =>
    {
        if (edit.Phrase.Length > SheetSize.LongestStep) return new Problem("The phrase is too long.", "Settle a question that stands under the step.");
        if (edit.Target.Length > 0 && sheet.Find(edit.Target) is null) return Gone(edit.Target);
        return ReRead(sheet, WithSettled(step, edit.Phrase, edit.Target));
    });

    private static Outcome<Sheet> SettleNew(Sheet sheet, SettleAsNew edit) => OnStep(sheet, edit.Step, step =>
    {
        var added = Add(sheet, edit.Kind, edit.Name, edit.FromKit);
        return added.Map(a => ReadOthers(sheet, AsManyAsSaid(ReRead(a.Sheet, WithSettled(step, edit.Phrase, a.Id)), edit.Step, a.Id)));
    });

    // An answer is taken back whole: what it added goes with it, where nothing else names it and nobody has written on it.
    private static Sheet TakeBack(Sheet sheet, Step step, Step without)
    {
        var answered = step.Settled.Select(s => s.Target).Concat(step.Said.SelectMany(s => s.Actions).SelectMany(a => a.Ids))
            .Except(without.Settled.Select(s => s.Target).Concat(without.Said.SelectMany(s => s.Actions).SelectMany(a => a.Ids))).ToList();
        var read = ReRead(sheet, without);
        foreach (var id in answered)
            if (read.Find(id) is { } thing && Remove(read, new RemoveThing(id)) is { IsGood: true, Value: var less } && IsAsAdded(less, thing)) read = less;
        return ReadOthers(sheet, read);
    }

    // True where a thing says no more than one of its name that was just added, but how many there are.
    private static bool IsAsAdded(Sheet without, Thing thing) => Add(without, thing.Kind, thing.Name, false) is { IsGood: true, Value: var (sheet, id) }
        && sheet.Find(id) is { } fresh
        && Fields.Of(thing.Kind).All(f => f.Name is "count" or "quantity" or "origin" || f.Get(thing) == f.Get(fresh))
        && !without.Things.Any(t => t.PartIds.Contains(thing.Id));

    // "Remove the two strap bolts": there are two.
    private static Sheet AsManyAsSaid(Sheet sheet, string stepId, string id)
    {
        var step = sheet.FindStep(stepId)!;
        if (step.Actions.Where(a => a.Target == id).Select(a => CountSaid.Of(step.Text, a.At) ?? CountSaid.OfPart(step.Text, a.At)).FirstOrDefault(c => c is not null) is not { } count) return sheet;
        return sheet.Find(id) switch
        {
            Joint joint => Slots.Put(sheet, joint with { Count = count }),
            Part part => Slots.Put(sheet, part with { Quantity = count }),
            _ => sheet,
        };
    }

    private static Outcome<Sheet> TakeValue(Sheet sheet, TakeStatedValue edit) => OnStep(sheet, edit.Step, step =>
    {
        if (step.Questions.FirstOrDefault(q => q.Kind == QuestionKind.OtherValue && q.Phrase == edit.Phrase) is not { Torque: { } torque, Candidates: [var id, ..] } || sheet.Find(id) is not Joint joint)
            return new Problem("This question is settled already.", "Reload to see the sheet as it is.");
        if (step.Actions.FirstOrDefault(a => a.Target == id && a.Torque == torque)?.Only is { } only) return ReRead(Slots.Put(sheet, StepReading.WithValue(joint, only.ToString(), torque)), step);
        // Another value comes from another place: the old source does not vouch for it.
        return ReRead(Slots.Put(sheet, joint with { Torque = torque, Untorqued = null, Source = "" }), step);
    });

    internal static (Sheet Sheet, string Id) Issue(Sheet sheet, string letter)
    {
        var number = sheet.Issued.GetValueOrDefault(letter);
        string id;
        do id = letter + ++number;
        while (sheet.Find(id) is not null || sheet.FindStep(id) is not null || sheet.Phases.Any(p => p.Id == id));
        return (sheet with { Issued = sheet.Issued.SetItem(letter, number) }, id);
    }

    private static Outcome<(Sheet Sheet, string Id)> Add(Sheet sheet, ThingKind kind, string name, bool fromKit)
    {
        var good = Fields.CheckName(sheet, name);
        if (!good.IsGood) return good.Problem;
        if (Slots.List(sheet, kind).Count >= SheetSize.MostThings) return new Problem($"The sheet has {SheetSize.MostThings:N0} {kind.ToString().ToLowerInvariant()}s.", "Split the procedure in two.");
        (sheet, var id) = Issue(sheet, Thing.Letter(kind));
        var origin = fromKit ? Origin.Kit : Origin.Vehicle;
        Thing thing = kind switch
        {
            ThingKind.Part => new Part { Id = id, Name = good.Value, Origin = origin },
            ThingKind.Joint => new Joint { Id = id, Name = good.Value, Origin = origin, Holds = [.. StepReading.HeldBy(sheet, good.Value)] },
            ThingKind.Connection => new Connection { Id = id, Name = good.Value, Origin = origin },
            ThingKind.Fluid => new Fluid { Id = id, Name = good.Value },
            ThingKind.Aid => new Aid { Id = id, Name = good.Value },
            ThingKind.Tool => new Tool { Id = id, Name = good.Value },
            ThingKind.Consumable => new Consumable { Id = id, Name = good.Value },
            ThingKind.Control => new Control { Id = id, Name = good.Value },
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
        sheet = Slots.With(sheet, kind, Slots.List(sheet, kind).Append(thing));
        if (thing is Part part)
        {
            foreach (var joint in sheet.Joints.Where(j => j.Holds.IsEmpty && StepReading.HeldBy(sheet, j.Name).Contains(part.Id)))
                sheet = Slots.Put(sheet, joint with { Holds = [part.Id] });
        }

        return (sheet, id);
    }

    private static Outcome<Sheet> AddAndFill(Sheet sheet, AddFilled edit)
    {
        var added = Add(sheet, edit.Kind, edit.Name, false);
        if (!added.IsGood) return added.Problem;
        (sheet, var id) = added.Value;
        foreach (var (name, text) in edit.Fields)
        {
            if (Fields.Of(edit.Kind).FirstOrDefault(f => f.Name == name) is not { } field) return new Problem($"There is no field “{NumberText.Excerpt(name)}”.", "Reload to see the fields there are.");
            var set = field.Set(sheet, sheet.Find(id)!, text).At($"{edit.Name}, {field.Label}");
            if (!set.IsGood) return set.Problem;
            sheet = Slots.Put(sheet, set.Value);
        }

        return sheet;
    }

    private static Outcome<Sheet> Learn(Sheet sheet, LearnWords edit)
    {
        if (sheet.Header.Words.Length + edit.Words.Length > HouseWord.Most)
            return new Problem($"{HouseWord.Most} words are as many as a sheet learns.", "Forget some that are not needed.");
        var good = new List<HouseWord>();
        foreach (var word in edit.Words)
        {
            var read = HouseWord.Check(word);
            if (!read.IsGood) return read.Problem;
            if (read.Value.Verb is { } verb && !SentenceReader.CanBeTaught(verb))
                return new Problem($"“{Asking.Of(verb)}” cannot be what a word always means.", "Say it of the sentence instead.");
            good.Add(read.Value);
        }

        return WithWords(sheet, HouseWord.Together(sheet.Header.Words, good));
    }

    // What a word comes to changes what its sentences say.
    private static Sheet WithWords(Sheet sheet, ImmutableArray<HouseWord> words)
    {
        var changed = sheet.Header.Words.Except(words).Concat(words.Except(sheet.Header.Words)).Select(w => w.Word.Split(' ')[0]).ToHashSet();
        return changed.Count == 0 ? sheet : StepReading.ReadNaming(sheet with { Header = sheet.Header with { Words = words } }, changed);
    }

    private static Outcome<Sheet> Looked(Sheet sheet, LookedAt edit)
    {
        if (edit.Ids.Length > SheetSize.MostThings) return new Problem($"{edit.Ids.Length:N0} things at once are too many.", "Look at them in parts.");
        var ids = edit.Ids.ToHashSet();
        foreach (var kind in Slots.Kinds)
            if (Slots.List(sheet, kind).Any(t => t.Assumed && ids.Contains(t.Id))) sheet = Slots.With(sheet, kind, Slots.List(sheet, kind).Select(t => t.Assumed && ids.Contains(t.Id) ? t with { Assumed = false } : t));
        return sheet;
    }

    // Another kind, another number; what the author settled about the old one is meant of the new one.
    private static Outcome<Sheet> OfKind(Sheet sheet, SetKind edit)
    {
        if (sheet.Find(edit.Id) is not { } thing) return Gone(edit.Id);
        if (thing.Kind == edit.Kind) return sheet;
        var before = sheet;
        sheet = Slots.With(sheet, thing.Kind, Slots.List(sheet, thing.Kind).Where(t => t.Id != thing.Id));
        if (thing is Part) sheet = WithoutPart(sheet, thing.Id);
        var origin = thing switch { Part p => p.Origin, Joint j => j.Origin, Connection c => c.Origin, _ => Origin.Vehicle };
        var added = Add(sheet, edit.Kind, thing.Name, origin == Origin.Kit);
        if (!added.IsGood) return added.Problem;
        (sheet, var id) = added.Value;
        var count = thing switch { Joint j => j.Count, Part p => p.Quantity, _ => 1 };
        sheet = Slots.Put(sheet, sheet.Find(id) switch { Joint j => j with { Count = count, AlsoCalled = thing.AlsoCalled }, Part p => p with { Quantity = count, AlsoCalled = thing.AlsoCalled }, var other => other! with { AlsoCalled = thing.AlsoCalled } });
        string? Now(string? target) => target == thing.Id ? id : target;
        foreach (var step in sheet.Steps.Where(s => s.Settled.Any(x => x.Target == thing.Id)
            || s.Said.Any(x => x.Actions.Any(a => a.Ids.Contains(thing.Id))) || s.Figures.Any(f => f.Ids.Contains(thing.Id))).ToList())
        {
            sheet = StepReading.PutStep(sheet, step with
            {
                Shows = Figuring.OfKind(step.Shows, thing, sheet.Find(id)!),
                Settled = [.. step.Settled.Select(x => x with { Target = Now(x.Target)! })],
                Said = [.. step.Said.Select(x => x with { Actions = [.. x.Actions.Select(a => a.Renamed(Now))] })],
            });
        }

        return ReadOthers(before, sheet);
    }

    private static Sheet WithoutPart(Sheet sheet, string gone) => Slots.WithParts(sheet, id => id == gone ? null : id);

    private static Outcome<Sheet> Remove(Sheet sheet, RemoveThing edit)
    {
        if (sheet.Find(edit.Id) is not { } thing) return Gone(edit.Id);
        if (sheet.Joints.FirstOrDefault(j => j.SupersededBy == edit.Id) is { } superseded)
            return new Problem($"{thing.Label} takes the place of {superseded.Label}.", $"Say first what else becomes of {superseded.Id}.");
        var users = sheet.Steps.Select((s, i) => (Step: s, Number: i + 1)).Where(s => s.Step.Named.Contains(edit.Id)).Select(s => s.Number).ToList();
        if (users.Count > 0)
            return new Problem($"{thing.Label} {thing.Are} used by step{(users.Count == 1 ? "" : "s")} {string.Join(", ", users.Take(8))}{(users.Count > 8 ? " …" : "")}.",
                "Change those steps and their figures first, or keep it.");
        sheet = Slots.With(sheet, thing.Kind, Slots.List(sheet, thing.Kind).Where(t => t.Id != edit.Id));
        return thing is Part ? WithoutPart(sheet, edit.Id) : sheet;
    }

    private static Outcome<Sheet> Set(Sheet sheet, SetField edit)
    {
        if (edit.After.Length > SheetSize.LongestStep) return new Problem($"{edit.After.Length:N0} characters are too many for one field.", "Shorten it. Your text stays in the field.");
        if (edit.Id.Length == 0)
        {
            if (Fields.Header.FirstOrDefault(f => f.Name == edit.Field) is not { } field) return new Problem($"The header has no field “{NumberText.Excerpt(edit.Field)}”.", "Reload to see the sheet as it is.");
            var changedHeader = Compare(field, sheet, sheet.Header, edit, "The header");
            if (!changedHeader.IsGood || ReferenceEquals(changedHeader.Value, sheet.Header)) return changedHeader.Map(_ => sheet);
            var former = sheet.Header.Variants;
            sheet = sheet with { Header = changedHeader.Value };
            return edit.Field == "variants" ? StepReading.ReadNaming(sheet, [.. former.Concat(sheet.Header.Variants).SelectMany(f => f.Options)]) : sheet;
        }

        if (sheet.FindStep(edit.Id) is { } step)
        {
            if (Fields.Step.FirstOrDefault(f => f.Name == edit.Field) is not { } own) return new Problem($"A step has no field “{NumberText.Excerpt(edit.Field)}”.", "Reload to see the sheet as it is.");
            return Compare(own, sheet, step, edit, "The step").Map(s => ReferenceEquals(s, step) ? sheet : StepReading.PutStep(sheet, s));
        }

        if (sheet.Find(edit.Id) is not { } thing) return Gone(edit.Id);
        if (Fields.Of(thing.Kind).FirstOrDefault(f => f.Name == edit.Field) is not { } cell) return new Problem($"{thing.Label} has no field “{NumberText.Excerpt(edit.Field)}”.", "Reload to see the sheet as it is.");
        var changed = Compare(cell, sheet, thing, edit, thing.Label);
        if (!changed.IsGood) return changed.Problem;
        if (ReferenceEquals(changed.Value, thing)) return sheet;
        var with = Slots.Put(sheet, changed.Value with { Assumed = false });
        if (!ReadBy.Contains(edit.Field)) return with;
        var read = ReadOthers(sheet, with);
        // A value that a step gives an emptied cell comes from another place: the old source does not vouch for it.
        return edit.Field == "torque" && changed.Value is Joint { Torque: null } && read.Find(edit.Id) is Joint { Torque: not null } told
            ? Slots.Put(read, told with { Source = "" }) : read;
    }

    // What a sentence means hangs on these: who holds what, what a fastener is called, which is the old one. What a step was read to say of
    // a value or a number is held against the cell by rules, and not read anew.
    private static readonly FrozenSet<string> ReadBy = new[]
    {
        "name", "torque", "locking", "holds", "fastener", "becomes", "behind", "sitsOn", "goesTo",
    }.ToFrozenSet();

    // Sets a field where it still is what the author saw, or is already what she wants.
    private static Outcome<T> Compare<T>(Field<T> field, Sheet sheet, T thing, SetField edit, string label)
    {
        var set = field.Set(sheet, thing, edit.After).At($"{label}, {field.Label}");
        if (!set.IsGood) return set;
        var now = field.Get(thing);
        if (field.Get(set.Value) == now) return thing;
        if (now != edit.Before)
            return new Problem($"{label}: {field.Label} was changed a moment ago.", "Both values are shown; keep the one that is right.") { Clash = new Clash(now, edit.After) };
        return set;
    }

    private static string LabelOf(Sheet sheet, Edit edit)
    {
        string Number(string id) => (sheet.Steps.ToList().FindIndex(s => s.Id == id) + 1).ToString();
        string Name(string id) => sheet.Find(id)?.Label ?? id;
        string PhaseName(string id) => sheet.Phases.FirstOrDefault(p => p.Id == id)?.Name ?? id;
        return edit switch
        {
            InsertStep => "new step",
            InsertSteps e => e.Steps.Length == 1 ? "new step" : $"{e.Steps.Length:N0} new steps",
            RemoveStep e => $"delete step {Number(e.Id)}",
            RemoveSteps e => e.Steps.Length == 1 ? $"delete step {Number(e.Steps[0].Id)}" : $"delete {e.Steps.Length:N0} steps",
            MoveStep e => $"move step {Number(e.Id)}",
            MoveSteps e => e.Ids.Length == 1 ? $"move step {Number(e.Ids[0])}" : $"move {e.Ids.Length:N0} steps",
            WriteStep e => $"text of step {Number(e.Id)}",
            SettleQuestion e => $"“{NumberText.Excerpt(e.Phrase)}” in step {Number(e.Step)}",
            SettleMeaning e => $"“{NumberText.Excerpt(e.Phrase)}” in step {Number(e.Step)}",
            SayAction e => $"what “{NumberText.Excerpt(e.Words)}” comes to in step {Number(e.Step)}",
            Unsay e => $"“{NumberText.Excerpt(e.Words)}” read again in step {Number(e.Step)}",
            LearnWords e => e.Words.Length == 1 ? $"“{NumberText.Excerpt(e.Words[0].Word)}” learnt" : $"{e.Words.Length} words learnt",
            ForgetWord e => $"“{NumberText.Excerpt(e.Word)}” forgotten",
            LookedAt e => e.Ids.Length == 1 ? $"{Name(e.Ids[0])} looked at" : $"{e.Ids.Length} new names looked at",
            SetKind e => $"{Name(e.Id)} {sheet.Find(e.Id)?.Are ?? "is"} {Asking.A(e.Kind)}",
            SettleAsNew e => $"new {e.Kind.ToString().ToLowerInvariant()} “{NumberText.Excerpt(e.Name)}”",
            TakeStatedValue e => $"value from step {Number(e.Step)}",
            ReadSentence e => $"reading of step {Number(e.Step)}",
            AskAgain e => $"ask again about “{NumberText.Excerpt(e.Phrase)}”",
            InsertPhase e => $"new phase “{NumberText.Excerpt(e.Name)}”",
            RenamePhase => "name of a phase",
            RemovePhase => "delete a phase",
            MovePhase e => $"move phase “{NumberText.Excerpt(PhaseName(e.Id))}”",
            SplitPhase e => $"new phase from step {Number(e.Step)} on",
            JoinPhase e => $"phase “{NumberText.Excerpt(PhaseName(e.Id))}” joined with the one before",
            AddThing e => $"new {e.Kind.ToString().ToLowerInvariant()} “{NumberText.Excerpt(e.Name)}”",
            AddFilled e => $"new {e.Kind.ToString().ToLowerInvariant()} “{NumberText.Excerpt(e.Name)}”",
            RemoveThing e => $"delete {Name(e.Id)}",
            SetField { Id.Length: 0 } e => $"header: {e.Field}",
            SetField e when sheet.FindStep(e.Id) is not null => $"{e.Field} of step {Number(e.Id)}",
            SetFieldByName e => $"{NumberText.Excerpt(e.Field)} of {NumberText.Excerpt(e.Name)}",
            WriteCaution e => $"caution of step {Number(e.Step)}",
            DropCaution e => $"caution of step {Number(e.Step)} taken off",
            BringCautionBack e => $"caution of step {Number(e.Step)} back",
            PutFigure { Was: null } e => $"new figure in step {Number(e.Step)}",
            PutFigure { Now: null } e => $"delete a figure of step {Number(e.Step)}",
            PutFigure e => $"figure of step {Number(e.Step)}",
            MoveFigure e => $"move a figure to step {Number(e.Step)}",
            SetField e => $"{e.Field} of {Name(e.Id)}",
            Several e => NumberText.Excerpt(Names.Clean(e.Label)),
            _ => throw new ArgumentOutOfRangeException(nameof(edit)),
        };
    }
}
