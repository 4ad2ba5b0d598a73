using WornPath.Core.Cautions;
using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Building;

/// <summary>
/// Proposes the refit from what was taken off: in reverse, new for what is replaced, nothing for what is discarded, with start
/// by hand, snug, the value, pins, marks, reconnections and aids away where they belong. The author then moves what differs.
/// </summary>
public sealed class ReverseBuilder
{
    private readonly Walk _walk;
    private readonly int _last;
    private readonly List<string> _steps = [];
    private readonly HashSet<string> _started = [];
    private readonly HashSet<string> _fitted = [];
    private readonly HashSet<string> _pinned = [];
    private readonly HashSet<string> _away = [];
    private readonly HashSet<string> _kept = [];
    private readonly HashSet<string> _finished = [];
    private readonly List<Joint> _onGround = [];
    private readonly List<string> _chocks = [];
    private readonly List<Part> _kit = [];

    // Started, and torqued once all that hold the same parts are started, too; with the variants it is for.
    private readonly List<(Joint Joint, string Only)> _waiting = [];
    private readonly Dictionary<string, int> _firstLoosened = [];
    private bool _lowered;

    private ReverseBuilder(Walk walk, int last)
    {
        _walk = walk;
        _last = last;
    }

    /// <summary>The sentences of the refit of everything that is off, slack or open when a phase ends; empty where nothing is.</summary>
    public static ImmutableArray<string> Propose(Walk walk, string phaseId) =>
        LastOf(walk, phaseId) is >= 0 and var last ? new ReverseBuilder(walk, last).Build() : [];

    /// <summary>The same after any step (its place on the sheet from 0; −1 for the beginning).</summary>
    internal static ImmutableArray<string> ProposeAfter(Walk walk, int last) => last < 0 ? [] : new ReverseBuilder(walk, last).Build();

    /// <summary>What the author may say first: what becomes of each thing that is off when a phase ends.</summary>
    public static ImmutableArray<RefitChoice> Choices(Walk walk, string phaseId) =>
        LastOf(walk, phaseId) is >= 0 and var last ? RefitChoice.Of(walk, last) : [];

    /// <summary>What the sheet does not tell about the order, in sentences: parts of the kit that nothing puts before or behind each other.</summary>
    public static ImmutableArray<string> Unsure(Walk walk, string phaseId)
    {
        if (LastOf(walk, phaseId) is not (>= 0 and var last)) return [];
        var builder = new ReverseBuilder(walk, last);
        builder.Build();
        var loose = builder._kit.Where((p, i) => i > 0 && !builder.IsTold(builder._kit[i - 1], p)).ToList();
        return loose.Count == 0 ? []
            : [$"Nothing on the sheet says in which order the parts of the kit go on: {string.Join(", ", builder._kit.Select(p => p.Label))}. "
                + "They stand as in Joints; say there what each is behind or sits on, or move the steps."];
    }

    // True where the sheet puts one of two before the other, or clamps both with the same fasteners.
    private bool IsTold(Part one, Part other) =>
        one.PartIds.Contains(other.Id) || other.PartIds.Contains(one.Id) || LiesUnder(one, other) || LiesUnder(other, one)
        || _walk.HoldersOf(one.Id).Any(j => j.Holds.Contains(other.Id));

    private static int LastOf(Walk walk, string phaseId)
    {
        var number = 0;
        foreach (var phase in walk.Sheet.Phases)
        {
            number += phase.Steps.Length;
            if (phase.Id == phaseId) return number - 1;
        }

        return -1;
    }

    /// <summary>The name of the phase a refit is written into where there is none yet.</summary>
    public const string NewPhase = "Refit";

    /// <summary>The phase a refit is written into: the first behind that is called so; null where there is none.</summary>
    public static Phase? TargetOf(Walk walk, string phaseId) => walk.Sheet.Phases.SkipWhile(p => p.Id != phaseId).Skip(1)
        .FirstOrDefault(IsRefit);

    /// <summary>True where a phase is called as one in which things go on.</summary>
    internal static bool IsRefit(Phase phase) =>
        phase.Name.Contains("refit", StringComparison.OrdinalIgnoreCase) || phase.Name.Contains("install", StringComparison.OrdinalIgnoreCase);

    /// <summary>The edit that writes the proposal: into the phase behind, or a new phase “Refit” where there is none. Null where there is nothing to propose.</summary>
    public static Edit? EditFor(Walk walk, string phaseId)
    {
        var steps = Propose(walk, phaseId);
        if (steps.IsEmpty) return null;
        var edits = ImmutableArray.CreateBuilder<Edit>();
        var target = TargetOf(walk, phaseId);
        var into = target?.Id ?? $"refit-{phaseId}";
        if (target is null) edits.Add(new InsertPhase(into, phaseId, NewPhase));
        var after = target?.Steps.LastOrDefault(s => s.Text.Length > 0)?.Id;
        edits.Add(new InsertSteps(into, after, [.. steps.Select(text => new NewStep(null, text))]));
        return new Several($"refit of {steps.Length} step{(steps.Length == 1 ? "" : "s")}, in reverse", edits.ToImmutable());
    }

    private ImmutableArray<string> Build()
    {
        Keep();
        var events = _walk.Events.Where(e => e.StepIndex <= _last).ToList();
        foreach (var walked in events)
            if (walked.Thing is Joint joint && walked.Action.Verb is Verb.BreakLoose or Verb.Loosen or Verb.TakeOut) _firstLoosened.TryAdd(joint.Id, walked.Order);
        var repeated = Enumerable.Range(0, _last + 1).Select(i => _walk.RepeatedBy(i).DefaultIfEmpty(-1).Min()).ToHashSet();
        // What came off made room: the kit goes on behind what it shares fasteners with, else before anything comes back.
        var behind = events.Where(IsMetByTheKit).Select(e => e.Order).DefaultIfEmpty(int.MaxValue).Min();
        if (behind == int.MaxValue) FitKit();
        for (var i = events.Count - 1; i >= 0;)
        {
            var (step, top) = (events[i].StepIndex, events[i].Order);
            var sentences = new List<string>();
            for (; i >= 0 && events[i].StepIndex == step; i--)
            {
                UndoAs(events[i], sentences);
                TightenThoseReady(sentences);
            }

            if (sentences.Count > 0) _steps.Add(string.Join(' ', sentences));
            // What was taken off on each side goes back on each.
            if (_steps.Count > 0 && repeated.Contains(step)) _steps.Add($"Repeat on the {SideWords.Of(_walk.SecondSide)} side.");
            if (behind != int.MaxValue && top >= behind && (i < 0 || events[i].Order < behind)) FitKit();
        }

        FitWhatIsNew();
        foreach (var (joint, only) in _waiting) _steps.Add(For(only, TightenAndPin(joint)));
        foreach (var joint in _onGround) _steps.Add(Tighten(joint));
        foreach (var fluid in _walk.Sheet.Fluids.Where(f => Then(f.Id).Fluid == FluidState.Drained && !_fitted.Contains(f.Id)))
        {
            _steps.Add($"Fill the {fluid.Name}.");
            _steps.Add($"Check the level of the {fluid.Name}.");
        }

        foreach (var (control, _) in _walk.Sheet.Controls.Select(c => (Control: c, Set: ControlPosition.LeftOpen(_walk, c) ?? ControlPosition.LetGo(_walk, c)))
            .Where(c => c.Set?.StepIndex <= _last).OrderByDescending(c => c.Set!.Order)) _steps.Add(ControlPosition.PutBack(control));
        // The longest cure of what was tightened: said once, at the end.
        var added = _walk.Sheet.Joints.Where(j => _started.Contains(j.Id) && !_kept.Contains(j.Id)).ToList();
        var cure = added.Select(j => (Joint: j, Hours: TreatmentAdvice.For(j, _walk.Things, _walk.Workshop.Rules).FullHours ?? 0)).OrderByDescending(c => c.Hours).FirstOrDefault();
        if (cure.Hours > 0 && !IsSaidLater("cure")) _steps.Add($"Let the {TighteningSentence.TreatmentWords(cure.Joint)} cure {cure.Hours} {(cure.Hours == 1 ? "hour" : "hours")} before the vehicle is used.");
        if (_walk.Sheet.Parts.Any(p => _fitted.Contains(p.Id) && Natures.Is(p, Trait.Aligns)) && !IsSaidLater("alignment"))
            _steps.Add(TighteningSentence.CheckAlignment);
        if (Then(Walk.Vehicle).Vehicle.PedalSoft && !_walk.Doing(Verb.PumpBrakes).Any(e => e.StepIndex > _last)) _steps.Add("Pump the brake pedal until it is firm.");
        foreach (var chocks in _chocks) _steps.Add($"Take away the {chocks}.");
        foreach (var joint in _walk.Sheet.Joints.Where(j => _firstLoosened.ContainsKey(j.Id) && Natures.HoldsAWheel(j, _walk.Things) && !_walk.EventsOf(j.Id).Any(e => e.Action.Verb == Verb.Retorque))) _steps.Add(TighteningSentence.Again(joint, _walk.Workshop.Rules));
        List<Joint> critical = [.. added.Where(j => Natures.IsLifeCritical(j, _walk.Things))];
        if (critical.Count > 0 && !IsSaidLater("qualified")) _steps.Add(TighteningSentence.HaveChecked(critical));
        return [.. _steps];
    }

    // What a later phase brings back already stays as its author has it: when the removal changes, only what is missing is proposed.
    private void Keep()
    {
        foreach (var walked in _walk.Events)
        {
            if (walked.StepIndex <= _last) continue;
            var id = walked.Thing?.Id ?? "";
            switch (walked.Action.Verb)
            {
                case Verb.Start:
                    _started.Add(id);
                    _kept.Add(id);
                    break;
                case Verb.Torque or Verb.Snug:
                    _finished.Add(id);
                    break;
                case Verb.Fit or Verb.Connect or Verb.Fill:
                    _fitted.Add(id);
                    break;
                case Verb.InsertPin:
                    _pinned.Add(id);
                    break;
                case Verb.TakeAway:
                    _away.Add(id);
                    break;
                case Verb.Lower:
                    _lowered = true;
                    break;
            }
        }
    }

    private bool IsSaidLater(string word) => _walk.Steps.Skip(_last + 1).Any(s => s.Text.Contains(word, StringComparison.OrdinalIgnoreCase));

    // What was done for some variants alone is undone for them alone.
    private void UndoAs(WalkEvent walked, List<string> sentences)
    {
        var from = sentences.Count;
        var waited = _waiting.Count;
        Undo(walked, sentences);
        if ((walked.Action.Only ?? walked.Thing?.Only)?.ToString() is not { Length: > 0 } only) return;
        for (var i = from; i < sentences.Count; i++) sentences[i] = For(only, sentences[i]);
        for (var i = waited; i < _waiting.Count; i++) _waiting[i] = (_waiting[i].Joint, only);
    }

    private static string For(string only, string sentence) =>
        only.Length == 0 ? sentence : $"{char.ToUpperInvariant(only[0])}{only[1..]}: {char.ToLowerInvariant(sentence[0])}{sentence[1..]}";

    // The state when the phase ends.
    private ThingState Then(string id) => _walk.AfterStep(id, _last);

    private void Undo(WalkEvent walked, List<string> sentences)
    {
        switch (walked.Thing)
        {
            case Part part when walked.Action.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside or Verb.Discard:
                if (walked.Action.Verb == Verb.HangAside && walked.Action.With is { } hook && Then(hook).InPlace && _away.Add(hook) && _walk.Things.TryGetValue(hook, out var hanger))
                    sentences.Add($"Take the {part.Name} off the {hanger.Name}. Remove the {hanger.Name}.");
                Fit(part, sentences);
                break;
            case Joint joint:
                Undo(joint, walked, sentences);
                break;
            case Connection connection when walked.Action.Verb == Verb.Disconnect && !Then(connection.Id).Connected && _fitted.Add(connection.Id):
                sentences.Add($"Connect the {connection.Name}.");
                break;
            // A hook comes away with what hangs from it.
            case Aid aid when Then(aid.Id).InPlace && !IsHookOfTheOneBefore(walked) && _away.Add(aid.Id):
                // What keeps it from rolling stays until all is done.
                if (Natures.Is(aid, Trait.Chock)) _chocks.Add(aid.Name);
                else sentences.Add($"Take away the {aid.Name}.");
                break;
            // The end that was raised last comes down first, by itself.
            case null when walked.Action.Verb is Verb.Raise && !_lowered && walked.Before.Vehicle.Standing.Lifts.Any():
                if (Then(Walk.Vehicle).Vehicle.Standing.Lifts.Except(walked.Before.Vehicle.Standing.Lifts).ToList() is [var last]
                    && CornersOf.Named(last.Corners) is not Ends.None and var end) sentences.Add($"Lower the {WhichEnd.Named(end)} to the ground.");
                break;
            case null when walked.Action.Verb is Verb.Raise && Then(Walk.Vehicle).Vehicle.Height != Height.OnGround && !_lowered:
                FitWhatIsNew();
                _lowered = true;
                // The school of the house: the wheels keep still while the tyres touch, or the whole weight is on them.
                var touching = _onGround.FindAll(j => j.Condition == TighteningCondition.TyreTouching
                    || j.Condition == TighteningCondition.None && _walk.Workshop.Rules.KeepsTo(School.WheelFasteners));
                if (touching.Count > 0)
                {
                    sentences.Add("Lower the vehicle until the tyres just touch.");
                    foreach (var joint in touching) sentences.Add(Tighten(joint));
                    _onGround.RemoveAll(touching.Contains);
                }

                sentences.Add("Lower the vehicle to the ground.");
                foreach (var joint in _onGround) sentences.Add(Tighten(joint));
                _onGround.Clear();
                break;
        }
    }

    private bool IsHookOfTheOneBefore(WalkEvent walked) =>
        walked.Order > 0 && _walk.Events[walked.Order - 1].Action is { Verb: Verb.HangAside, With: { } hook } && hook == walked.Thing!.Id;

    private void Fit(Part part, List<string> sentences)
    {
        if (Then(part.Id).Part.IsMounted || part.Fate is Fate.Discard or Fate.Spare || !_fitted.Add(part.Id)) return;
        // What goes under it is in the kit: it goes on first, in a step of its own.
        foreach (var under in NewParts().Where(p => LiesUnder(p, part))) FitNew(under);
        if (BearingGrease.For(_walk, part) is { } grease) sentences.Add($"Pack the {(part.Fate == Fate.Replace ? "new " : "")}{part.Name} with {grease.Name}.");
        var helper = part.MassKg > UsualCautions.HeaviestForOne && _walk.Sheet.Header.People == 1 ? " with a helper" : "";
        // New fasteners clamp it together with what is new: that goes in with it.
        var clamped = part.Origin == Origin.Vehicle ? NewJoints().Where(j => j.Holds.Contains(part.Id)).ToList() : [];
        foreach (var kit in NewParts().Where(p => clamped.Exists(j => j.Holds.Contains(p.Id))).ToList()) Fit(kit, sentences);
        sentences.Add(part.Fate == Fate.Replace ? $"Fit the new {part.Name}{helper}." : $"Fit the {part.Name}{helper}.");
        foreach (var joint in clamped.Where(IsAllThere)) FitNew(joint, sentences);
    }

    // True where all that a joint holds is on, or was put on.
    private bool IsAllThere(Joint joint) => joint.Holds.All(id => _walk.Things.GetValueOrDefault(id) is not Part part || !IsToCome(part));

    private bool LiesUnder(Part part, Part over) => Covers.Of(_walk, part).Any(c => c.Past is null && c.Cover.Id == over.Id);

    private void Undo(Joint joint, WalkEvent walked, List<string> sentences)
    {
        var now = Then(joint.Id).Joint;
        switch (walked.Action.Verb)
        {
            case Verb.TakeOut when now.AnyOut && !HoldsOnlyWhatStaysOff(joint) && _started.Add(joint.Id):
                foreach (var id in joint.Holds)
                    if (_walk.Things.GetValueOrDefault(id) is Part { Origin: not Origin.Vehicle } kit && Then(id).Part.Place == PartPlace.InBox) Fit(kit, sentences);
                Start(joint, sentences);
                if (_firstLoosened[joint.Id] == walked.Order) Finish(joint, sentences);
                break;
            case Verb.BreakLoose or Verb.Loosen when (now.IsSlack || _started.Contains(joint.Id)) && _firstLoosened[joint.Id] == walked.Order:
                Finish(joint, sentences);
                break;
            case Verb.RemovePin when !now.PinIn && !HoldsOnlyWhatStaysOff(joint) && !Waits(joint) && _pinned.Add(joint.Id):
                sentences.Add(TighteningSentence.Pin(joint));
                break;
        }
    }

    // A bracket that is thrown away takes its bolts with it.
    private bool HoldsOnlyWhatStaysOff(Joint joint) => joint.Becomes != JointFate.Refit ||
        joint.Holds.Length > 0 && joint.Holds.All(id => _walk.Things.GetValueOrDefault(id) is Part { Fate: Fate.Discard or Fate.Spare });

    private void Start(Joint joint, List<string> sentences)
    {
        if (TreatmentAdvice.IsLocker(joint.Treatment) && joint is { Origin: Origin.Vehicle, Reuse: ReuseRule.Reuse }) sentences.Add($"Clean the {joint.Name}.");
        if (joint.Treatment != Treatment.None) sentences.Add(TighteningSentence.Apply(joint));
        sentences.Add($"Start the {(joint.Reuse == ReuseRule.Renew ? "new " : "")}{joint.Name} by hand.");
        if (joint.Count > 2) sentences.Add($"Snug the {joint.Name} in the order drawn.");
        // A wheel does not come down on what was only started.
        else if (Natures.HoldsAWheel(joint, _walk.Things)) sentences.Add($"Snug the {joint.Name}.");
    }

    // Wheel fasteners wait for the ground; by the school of the house, the others for all that hold the same part.
    private void Finish(Joint joint, List<string> sentences)
    {
        if (_finished.Contains(joint.Id)) return;
        if (DoneAt.Of(_walk, joint) == JointStage.Started) return;
        if ((Natures.HoldsAWheel(joint, _walk.Things) || joint.Condition is TighteningCondition.SuspensionLoaded or TighteningCondition.TyreTouching)
            && !_lowered && Then(Walk.Vehicle).Vehicle.InTheAir)
        {
            _onGround.Add(joint);
            return;
        }

        if (_walk.Workshop.Rules.KeepsTo(School.WhenToTorque) && OthersToStart(joint)) _waiting.Add((joint, ""));
        else sentences.Add(Tighten(joint));
    }

    private bool Waits(Joint joint) => _waiting.Exists(w => w.Joint.Id == joint.Id);

    private bool OthersToStart(Joint joint) => joint.Holds.Any(part => _walk.HoldersOf(part).Any(other =>
        other.Id != joint.Id && Then(other.Id).Joint.IsOut && !_started.Contains(other.Id) && !HoldsOnlyWhatStaysOff(other)));

    private void TightenThoseReady(List<string> sentences)
    {
        foreach (var (joint, only) in _waiting.Where(w => !OthersToStart(w.Joint)).ToList())
        {
            _waiting.RemoveAll(w => w.Joint.Id == joint.Id);
            sentences.Add(For(only, TightenAndPin(joint)));
        }
    }

    private string TightenAndPin(Joint joint)
    {
        var text = Tighten(joint);
        return joint.Locking == Locking.CotterPin && !Then(joint.Id).Joint.PinIn && _pinned.Add(joint.Id) ? $"{text} {TighteningSentence.Pin(joint)}" : text;
    }

    private string Tighten(Joint joint)
    {
        var text = joint.Untorqued is null && DoneAt.Of(_walk, joint) == JointStage.Snug ? $"Snug the {joint.Name}." : TighteningSentence.Of(joint);
        if (joint.Locking == Locking.CotterPin && Then(joint.Id).Joint is { PinIn: false, WasOut: false } && _pinned.Add(joint.Id)) text += $" {TighteningSentence.Pin(joint)}";
        if (joint.Locking == Locking.Stake) text += $" Stake the {joint.Name}.";
        if (joint.HasTabOrWire) text += $" {TighteningSentence.Lock(joint)}";
        if (joint.Mark) text += $" Mark the {joint.Name}.";
        return text;
    }

    // An event that brings a part of the kit along when it is undone: its fasteners come out, or what lies over it comes off.
    private bool IsMetByTheKit(WalkEvent walked) => walked switch
    {
        { Verb: Verb.TakeOut, Thing: Joint joint } => Then(joint.Id).Joint.AnyOut && joint.Holds.Any(id => NewParts().Any(p => p.Id == id)),
        { Verb: Verb.Remove or Verb.HangAside or Verb.SetAside, Thing: Part part } => NewParts().Any(p => LiesUnder(p, part)
            || NewJoints().Any(j => j.Holds.Contains(p.Id) && j.Holds.Contains(part.Id))),
        _ => false,
    };

    // The parts of the kit that nothing that is off lies over, and that no old fastener holds.
    private void FitKit()
    {
        foreach (var part in NewParts().ToList())
            if (!_fitted.Contains(part.Id) && !Covers.Of(_walk, part).Any(c => IsToCome(c.Cover))
                && !_walk.HoldersOf(part.Id).Any(IsSharedWithWhatComes)) FitNew(part);
        ConnectKit();
    }

    // Old fasteners that are out, or new ones that hold something that comes back later.
    private bool IsSharedWithWhatComes(Joint joint) => !_started.Contains(joint.Id) && Then(joint.Id).Joint.AnyOut && (joint.Origin == Origin.Vehicle
        || joint.Holds.Any(id => _walk.Things.GetValueOrDefault(id) is Part { Origin: Origin.Vehicle } old && IsToCome(old)));

    private bool IsToCome(Part part) => !_fitted.Contains(part.Id) && !Then(part.Id).Part.IsMounted && part.Fate is not (Fate.Discard or Fate.Spare);

    // What comes with the kit and was not met on the way, a step each: before the vehicle comes down, else at the end.
    private void FitWhatIsNew()
    {
        foreach (var part in NewParts()) FitNew(part);
        foreach (var joint in NewJoints().ToList())
        {
            var sentences = new List<string>();
            FitNew(joint, sentences);
            _steps.Add(string.Join(' ', sentences));
        }

        ConnectKit();
    }

    // Before what came off lies over it again.
    private void ConnectKit()
    {
        foreach (var connection in _walk.Sheet.Connections.Where(c => c.Origin != Origin.Vehicle && !Then(c.Id).Connected
            && !_walk.IsForABranch(c) && _fitted.Add(c.Id)))
            _steps.Add($"Connect the {connection.Name}.");
    }

    private IEnumerable<Part> NewParts() => _walk.Sheet.Parts.Where(p => p.Origin != Origin.Vehicle && Then(p.Id).Part.Place == PartPlace.InBox
        && !_walk.IsForABranch(p));

    private void FitNew(Part part)
    {
        var sentences = new List<string>();
        if (!_fitted.Contains(part.Id)) _kit.Add(part);
        Fit(part, sentences);
        foreach (var joint in NewJoints().Where(j => j.Holds.Contains(part.Id) && IsAllThere(j)).ToList()) FitNew(joint, sentences);
        if (sentences.Count > 0) _steps.Add(string.Join(' ', sentences));
    }

    private IEnumerable<Joint> NewJoints() => _walk.Sheet.Joints.Where(j => j.Origin != Origin.Vehicle && Then(j.Id).Joint.IsOut
        && !_started.Contains(j.Id) && !_walk.IsForABranch(j));

    private void FitNew(Joint joint, List<string> sentences)
    {
        _started.Add(joint.Id);
        Start(joint, sentences);
        Finish(joint, sentences);
        if (joint.Locking == Locking.CotterPin && !Waits(joint) && _pinned.Add(joint.Id)) sentences.Add(TighteningSentence.Pin(joint));
        TightenThoseReady(sentences);
    }
}
