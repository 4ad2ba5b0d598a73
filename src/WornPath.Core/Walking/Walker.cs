using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Walking;

/// <summary>Walks a sheet: does its actions one after the other and keeps the state of everything. Linear in the number of actions.</summary>
public sealed class Walker
{
    private readonly Tracks _tracks;
    private readonly List<WalkEvent> _events = [];
    private readonly List<int> _indices = [];
    private readonly List<Moment> _onVehicle = [new Moment(-1, -1, default)];
    private VehicleState _vehicle;
    private bool _onLift;

    private readonly Sides? _sides;

    private Walker(Sheet sheet, Sides? sides)
    {
        _tracks = new Tracks(sides?.Sheet ?? sheet, Replaced(sheet));
        _sides = sides;
    }

    /// <summary>Walks the sheet from the vehicle as it stands, all tight and on the ground, to its last step. The workshop is what its values are judged in.</summary>
    public static Walk Run(Sheet sheet, Workshop? workshop = null, Combination? combination = null, Sheet? whole = null)
    {
        List<Step> steps = [.. sheet.Steps];
        return Run(sheet, Sides.Of(sheet, steps), steps, workshop, combination, whole);
    }

    /// <summary>Walks the sheet as if there were one side: what is repeated on another is done once.</summary>
    public static Walk RunOneSide(Sheet sheet, Workshop workshop)
    {
        List<Step> steps = [.. sheet.Steps];
        return Run(sheet, Sides.Of(sheet, steps, asOneSide: true), steps, workshop, null, null);
    }

    private static Walk Run(Sheet sheet, Sides? sides, List<Step> steps, Workshop? workshop, Combination? combination, Sheet? whole)
    {
        var walker = new Walker(sheet, sides);
        // A step has one or two actions; to count them would go through all steps once more.
        walker._events.EnsureCapacity(steps.Count * 2);
        walker._indices.EnsureCapacity(steps.Count * 2);
        for (var i = 0; i < steps.Count; i++)
            walker.Do(i, steps[i]);
        walker._tracks.SortOut(walker._events, walker._indices);
        return new Walk(sheet, whole ?? sheet, workshop ?? Workshop.Default, combination ?? Combination.First(sheet), steps, walker._events,
            walker._tracks, walker._onVehicle, sides);
    }

    // What comes with the kit and is taken off before it was ever fitted: an old one stands there that it replaces.
    private static HashSet<string> Replaced(Sheet sheet)
    {
        var kit = sheet.Things.Where(t => !IsOnVehicle(t)).Select(t => t.Id).ToHashSet();
        var replaced = new HashSet<string>();
        if (kit.Count == 0) return replaced;
        foreach (var action in sheet.Steps.SelectMany(s => s.Actions))
            if (action.Target is { } id && kit.Contains(id) && action.Verb is not (Verb.Inspect or Verb.Measure or Verb.Clean or Verb.Treat or Verb.Mark))
            {
                kit.Remove(id);
                if (!action.New && action.Verb is Verb.Remove or Verb.TakeOut or Verb.Disconnect or Verb.BreakLoose or Verb.Loosen or Verb.Unlock
                    or Verb.RemovePin)
                    replaced.Add(id);
            }

        return replaced;
    }

    private static bool IsOnVehicle(Thing thing) => thing is not (Part { Origin: not Origin.Vehicle } or Joint { Origin: not Origin.Vehicle }
        or Connection { Origin: not Origin.Vehicle });

    /// <summary>The state a thing is in when the job begins.</summary>
    /// <param name="thing">The thing.</param>
    /// <param name="isReplaced">True where it comes from elsewhere and an old one is on the vehicle that it replaces.</param>
    public static ThingState AtBeginning(Thing thing, bool isReplaced) => IsOnVehicle(thing) || isReplaced
        ? new(thing.Kind)
        {
            Joint = thing is not Joint joint ? default : new JointState(JointStage.Tight, 0, false, false, false, joint.Locking == Locking.CotterPin)
            {
                Lock = joint.HasTabOrWire ? LockState.On : LockState.AsFound,
            },
            Part = thing is Part ? new PartState(PartPlace.On, false, false, false, false) : default,
            Connected = thing is Connection,
            LevelChecked = thing is Fluid,
        }
        : new(thing.Kind)
        {
            Joint = thing is Joint ? new JointState(JointStage.Out, 0, true, false, false, false) : default,
            Part = thing is Part ? new PartState(PartPlace.InBox, false, true, false, false) : default,
        };

    private void Do(int stepIndex, Step step)
    {
        _onLift |= Claims.Says(step, ClaimKind.OnLift);
        if (_vehicle.InTheAir && Claims.Says(step, ClaimKind.Loads)) Vehicle(_vehicle with { Loaded = true }, _events.Count - 1, stepIndex);
        if (_sides is null)
        {
            for (var i = 0; i < step.Actions.Length; i++)
            {
                // "Replace it" where it lies on the bench: a new one lies there now, and nothing came off or went on.
                if (i + 1 < step.Actions.Length && Renews(step.Actions[i], step.Actions[i + 1]))
                    Do(stepIndex, step, Renewed(step.Actions[++i]));
                else Do(stepIndex, step, step.Actions[i]);
            }

            return;
        }

        // Where there are two sides, what is done goes on one side after the other.
        List<(Step Said, StepAction Action, bool OfNoSide)> done = [.. Enumerable.Range(0, step.Actions.Length).SelectMany(i => _sides.Done(stepIndex, i))];
        for (var i = 0; i < done.Count; i++)
        {
            var on = done.FindIndex(i + 1, d => d.Action.Target == done[i].Action.Target && d.Said == done[i].Said);
            if (on > 0 && Renews(done[i].Action, done[on].Action))
            {
                Do(stepIndex, done[i].Said, Renewed(done[on].Action), done[i].OfNoSide);
                done.RemoveAt(on);
            }
            else Do(stepIndex, done[i].Said, done[i].Action, done[i].OfNoSide);
        }
    }

    // "Renew the gasket" that came off: the one of the kit goes on.
    private StepAction Renewed(StepAction on) => _tracks.IndexOf(on.Target) is >= 0 and var at && _tracks.ThingAt(at) is Part { Origin: not Origin.Vehicle }
        && _tracks.Now(at).Part.Place == PartPlace.OnBench ? on : on with { Verb = Verb.Renew };

    // One clause takes off and fits a new one: what is off already, or asks for no torque, is exchanged as it is.
    private bool Renews(StepAction off, StepAction on)
    {
        if (off.Target is null || off.Target != on.Target || !on.New || off.In != on.In || off.In.Length == 0
            || _tracks.IndexOf(off.Target) is not (>= 0 and var at)) return false;
        return (off.Verb, on.Verb, _tracks.ThingAt(at)) switch
        {
            (Verb.Remove, Verb.Fit, Part) => _tracks.Now(at).Part.Place != PartPlace.On,
            (Verb.TakeOut, Verb.Start, Joint joint) => _tracks.Now(at).Joint.IsOut || joint.Torque is null && joint.Untorqued is null,
            _ => false,
        };
    }

    private void Do(int stepIndex, Step step, StepAction action, bool ofNoSide = false)
    {
        if (_tracks.IndexOf(action.Target) is >= 0 and var at)
        {
            // What one sentence tells of passes is walked pass by pass.
            if (action.Passes is { } passes)
            {
                for (var i = 0; i < passes.Torques.Length; i++)
                {
                    var pass = action with { Verb = Verb.TorquePass, Torque = passes.Torques[i], Pass = i + 1, Passes = null };
                    On(at, stepIndex, step, pass, Next(_tracks.ThingAt(at), _tracks.Now(at), step, pass, hostIsOff: false), ofNoSide);
                }
            }

            var thing = _tracks.ThingAt(at);
            if (thing is Part)
            {
                if (_tracks.IndexOf(action.Host) is >= 0 and var host) _tracks.Sit(at, host);
                if (action.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside or Verb.Discard)
                    CarryAlong(at, PartPlace.On, PartPlace.Carried, stepIndex, step, action, ofNoSide);
            }

            var order = _events.Count;
            On(at, stepIndex, step, action, Next(thing, _tracks.Now(at), step, action, IsOff(_tracks.HostOf(at))), ofNoSide);
            if (thing is Part && _tracks.Now(at).Part.Place == PartPlace.On) CarryAlong(at, PartPlace.Carried, PartPlace.On, stepIndex, step, action, ofNoSide);
            // An aid the part hangs from comes into place with it.
            if (action.Verb == Verb.HangAside && _tracks.IndexOf(action.With) is >= 0 and var hook && _tracks.Now(hook) is { InPlace: false } empty)
                On(hook, stepIndex, step, new StepAction { Verb = Verb.Place, Target = action.With, At = action.At }, empty with { InPlace = true });
            if (action.Verb is Verb.Remove or Verb.HangAside or Verb.Fit && thing is Part part && Natures.Of(part) == PartNature.Brake)
                Vehicle(_vehicle with { PedalSoft = true }, order, stepIndex);
            if (action.Verb == Verb.TakeAway && _vehicle.Loaded && thing is Aid jack && Natures.Is(jack, Trait.Carrier))
                Vehicle(_vehicle with { Loaded = false }, order, stepIndex);
            // Without its stands it is held by what raised it.
            if (action.Verb == Verb.TakeAway && _vehicle.InTheAir && thing is Aid stands && Natures.Is(stands, Trait.Stand))
            {
                var said = WhichEnd.Of(step, action);
                var ends = said is not Ends.None ? said : StandsAt.Of(_events, stands, order);
                Vehicle(_vehicle with { Standing = _vehicle.Standing.OffStands(ends) }, order, stepIndex);
            }
            return;
        }

        var vehicle = new ThingState(null) { Vehicle = _vehicle };
        Vehicle(NextVehicle(step, action), _events.Count, stepIndex);
        _events.Add(new WalkEvent(_events.Count, stepIndex, step, action, null, vehicle, new ThingState(null) { Vehicle = _vehicle }));
        _indices.Add(-1);
    }

    // What sits on a part goes where it goes, and what sits on that; with an old one that a new one takes the place of, what was never off it.
    private void CarryAlong(int host, PartPlace from, PartPlace to, int stepIndex, Step step, StepAction action, bool ofNoSide)
    {
        if (!_tracks.AnySits) return;
        foreach (var at in _tracks.On(host))
        {
            var part = _tracks.Now(at).Part;
            if (_tracks.ThingAt(at) is not Part || !Counts<PartState>.Any(part, p => p.Place == from)) continue;
            var stays = to == PartPlace.On && action.New && !part.WasOff && !part.IsNew;
            var carried = new StepAction { Verb = Verb.Carry, Target = _tracks.ThingAt(at).Id, Host = _tracks.ThingAt(host).Id, At = action.At, In = action.In };
            On(at, stepIndex, step, carried, _tracks.Now(at) with
            {
                Part = Counts<PartState>.Each(part, p => p.Place == from ? p with { Place = stays ? PartPlace.OnBench : to } : p),
            }, ofNoSide);
            if (!stays) CarryAlong(at, from, to, stepIndex, step, action, ofNoSide);
        }
    }

    private bool IsOff(int host) => host >= 0 && _tracks.Now(host).Part.Place != PartPlace.On;

    private void On(int at, int stepIndex, Step step, StepAction action, ThingState after, bool ofNoSide = false)
    {
        _events.Add(new WalkEvent(_events.Count, stepIndex, step, action, _tracks.ThingAt(at), _tracks.Now(at), after) { OfNoSide = ofNoSide });
        _indices.Add(at);
        _tracks.Now(at) = after;
    }

    private void Vehicle(VehicleState next, int order, int step)
    {
        if (next == _vehicle) return;
        _vehicle = next;
        _onVehicle.Add(new Moment(order, step, new ThingState(null) { Vehicle = next }));
    }

    private VehicleState NextVehicle(Step step, StepAction action) => action.Verb switch
    {
        Verb.Raise => _vehicle with { Standing = _vehicle.Standing.Raise(WhichEnd.Of(step, action), _onLift ? Height.OnLift : Height.Raised), Loaded = false },
        Verb.SetOnStands => _vehicle with { Standing = _vehicle.Standing.SetOnStands(WhichEnd.Of(step, action)) },
        Verb.LowerToTouch => _vehicle with { Standing = _vehicle.Standing.Lower(WhichEnd.Of(step, action), Height.TyresTouching), Loaded = false },
        Verb.Lower => _vehicle with { Standing = _vehicle.Standing.Lower(WhichEnd.Of(step, action), Height.OnGround), Loaded = false },
        Verb.PumpBrakes => _vehicle with { PedalSoft = false },
        _ => _vehicle,
    };

    private static ThingState Next(Thing thing, ThingState now, Step step, StepAction action, bool hostIsOff) => thing.Kind switch
    {
        ThingKind.Joint => now with { Joint = NextJoints((Joint)thing, now.Joint, action) },
        ThingKind.Part => now with { Part = NextParts((Part)thing, now.Part, step, action, hostIsOff) },
        ThingKind.Connection => action.Verb switch
        {
            Verb.Disconnect => now with { Connected = false },
            // "Secure the loom with zip ties": tied, and not plugged in by that.
            Verb.Connect when !Claims.Says(step, action, ClaimKind.Secures) => now with { Connected = true },
            _ => now,
        },
        ThingKind.Fluid => action.Verb switch
        {
            Verb.Drain => now with { Fluid = FluidState.Drained, LevelChecked = false },
            // "Check it on the dipstick and top up as needed": to the mark that was just looked at.
            Verb.Fill when action.Branch > 0 && now is { Fluid: FluidState.Filled, LevelChecked: true } => now,
            Verb.Fill => now with { Fluid = FluidState.Filled, LevelChecked = false },
            Verb.CheckLevel => now with { LevelChecked = true },
            _ => now,
        },
        ThingKind.Aid => action.Verb switch
        {
            Verb.Place => now with { InPlace = true },
            Verb.TakeAway => now with { InPlace = false },
            _ => now,
        },
        ThingKind.Control => action.Verb == Verb.Set ? now with { Control = ControlPosition.Of(thing, action) } : now,
        _ => now,
    };

    /// <summary>The state of those fasteners of a joint an action is done to, before it.</summary>
    internal static JointState ActedOn(Joint joint, JointState now, StepAction action) =>
        Counts<JointState>.ActedOn(joint.Count, now, action, one => NextJoint(joint, one, action));

    /// <summary>The state of those of a part that stands on the sheet as one an action is done to, before it.</summary>
    internal static PartState ActedOn(Part part, PartState now, Step step, StepAction action) =>
        Counts<PartState>.ActedOn(part.Quantity, now, action, one => NextPart(one, action, hostIsOff: false, IsNewOne(part, step, action)));

    // Where all are alike and stay so, nothing is counted.
    private static JointState NextJoints(Joint joint, JointState now, StepAction action) => action is { Some: null, Rest: false } && now.Counts is null
        ? NextJoint(joint, now, action) : CountedJoints(joint, now, action);

    private static JointState CountedJoints(Joint joint, JointState now, StepAction action) =>
        Counts<JointState>.After(joint.Count, now, action, one => NextJoint(joint, one, action));

    private static PartState NextParts(Part part, PartState now, Step step, StepAction action, bool hostIsOff) =>
        action is { Some: null, Rest: false } && now.Counts is null ? NextPart(now, action, hostIsOff, IsNewOne(part, step, action))
            : CountedParts(part, now, action, hostIsOff, IsNewOne(part, step, action));

    private static PartState CountedParts(Part part, PartState now, StepAction action, bool hostIsOff, bool? isNewOne) =>
        Counts<PartState>.After(part.Quantity, now, action, one => NextPart(one, action, hostIsOff, isNewOne));

    private static JointState NextJoint(Joint joint, JointState now, StepAction action)
    {
        switch (action.Verb)
        {
            case Verb.BreakLoose: return now.IsOut ? now : now with { Stage = JointStage.BrokenLoose, Pass = 0 };
            case Verb.Loosen or Verb.BackOff: return now.IsOut ? now : now with { Stage = JointStage.BackedOut, Pass = 0 };
            case Verb.TakeOut: return new JointState(JointStage.Out, 0, false, true, false, false) { Lock = joint.HasTabOrWire ? LockState.Off : now.Lock };
            case Verb.Start: return now with { Stage = JointStage.Started, Pass = 0, Renewed = now.Renewed || action.New };
            case Verb.Snug: return now with { Stage = JointStage.Snug, Pass = 0 };
            case Verb.TorquePass: return now with { Stage = JointStage.Pass, Pass = (byte)Math.Min(action.Pass ?? 1, 99) };
            case Verb.Torque: return now with { Stage = JointStage.Torqued, Pass = 0, Renewed = now.Renewed || action.New };
            case Verb.TurnOn: return now;
            case Verb.Unlock: return now with { PinIn = false, Lock = LockState.Off };
            case Verb.Align: return now.Stage == JointStage.Torqued ? now with { Stage = JointStage.Aligned } : now;
            case Verb.RemovePin: return now with { PinIn = false, Renewed = false };
            case Verb.InsertPin: return now with { PinIn = true, Renewed = now.Renewed || (action.New && joint.Locking == Locking.CotterPin), Stage = Fixed(now.Stage) ? JointStage.Locked : now.Stage };
            case Verb.Stake or Verb.Lock: return now with { Lock = LockState.On, Stage = Fixed(now.Stage) ? JointStage.Locked : now.Stage };
            case Verb.Mark: return Fixed(now.Stage) || now.Stage == JointStage.Locked ? now with { Stage = JointStage.Marked } : now;
            case Verb.Treat: return now with { Treated = true };
            // New washers make no new bolt.
            case Verb.Renew when action.Words is null: return now with { Renewed = true };
            default: return now;
        }
    }

    private static bool Fixed(JointStage stage) => stage is JointStage.Torqued or JointStage.Aligned;

    // What comes from elsewhere is new, unless the words say the old one; null where it is what it was.
    private static bool? IsNewOne(Thing thing, Step step, StepAction action) =>
        action.New ? true : IsOnVehicle(thing) ? null : !Claims.Says(step, action, ClaimKind.TheOld);

    private static PartState NextPart(PartState now, StepAction action, bool hostIsOff, bool? isNewOne)
    {
        // "Clean the new disc. Push it on": the one that lies there is the new one.
        if (action is { New: true, Some: null, Verb: Verb.Clean or Verb.Inspect or Verb.Measure or Verb.Treat or Verb.Adjust or Verb.Seat } && !now.IsMounted)
            now = now with { IsNew = true };
        return action.Verb switch
        {
            Verb.Remove => now with { Place = PartPlace.OnBench, WasOff = true, Cleaned = false, IsNew = false },
            Verb.HangAside => now with { Place = PartPlace.Hung, WasOff = true },
            // Put aside while it is on, it is swung out of the way and must come back.
            Verb.SetAside => now.Place == PartPlace.On ? now with { Place = PartPlace.Hung, WasOff = true } : now,
            Verb.Carry => now.Place == PartPlace.On && hostIsOff ? now with { Place = PartPlace.Carried } : now,
            Verb.Fit => now with { Place = hostIsOff ? PartPlace.Carried : PartPlace.On, IsNew = isNewOne ?? now.IsNew },
            Verb.Renew => now with { IsNew = true, Cleaned = false, Inspected = false },
            // What is thrown away has come off, whether that was said or not.
            Verb.Discard => now.IsMounted ? now with { Place = PartPlace.OnBench, WasOff = true, IsNew = false } : now,
            Verb.Clean => now with { Cleaned = true },
            Verb.Inspect or Verb.Measure => now with { Inspected = true },
            _ => now,
        };
    }
}
