using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>How a joint's state is drawn. The client has one glyph for each.</summary>
/// <param name="Stage">How far the joint is.</param>
/// <param name="Pass">The pass last done; 0 outside the passes.</param>
/// <param name="Of">How many passes there are.</param>
/// <param name="Some">True where only some of its fasteners are so, and the others are further.</param>
public sealed record Glyph(JointStage Stage, int Pass = 0, int Of = 0, bool Some = false);

/// <summary>One line of the bench.</summary>
/// <param name="Id">The thing's id; of a second one, on the other side, with its mark.</param>
/// <param name="Name">Its name.</param>
/// <param name="Says">Its state in words.</param>
/// <param name="Glyph">A joint's glyph; null for other things.</param>
/// <param name="Since">Number of the step that brought it there, from 1; null for the beginning.</param>
/// <param name="Changed">True where the step under the cursor brought it there.</param>
/// <param name="Due">Number of the step that torques it, for a joint that is still to torque; null elsewhere.</param>
public sealed record BenchLine(string Id, string Name, string Says, Glyph? Glyph, int? Since, bool Changed, int? Due = null)
{
    /// <summary>The id the thing has on the sheet, as it is shown.</summary>
    public string SheetId => Thing.SheetIdOf(Id);

    /// <summary>Its state in words where a later step brings it on, whichever that is ("hand-tight, still to torque"); empty where none does.</summary>
    [JsonIgnore]
    public string Later { get; init; } = "";
}

/// <summary>The state of the world after a step: what is off, slack, temporary and open, and what the vehicle stands on.</summary>
public sealed record Bench(
    int Step,
    ImmutableArray<BenchLine> Off,
    ImmutableArray<BenchLine> Slack,
    ImmutableArray<BenchLine> Temporary,
    ImmutableArray<BenchLine> Open,
    ImmutableArray<BenchLine> Vehicle,
    ImmutableArray<BenchLine> Done)
{
    /// <summary>The bench after a step (its place on the sheet from 0; −1 for the beginning).</summary>
    public static Bench After(Walk walk, int stepIndex)
    {
        List<BenchLine> off = [], slack = [], temporary = [], open = [], done = [];
        foreach (var thing in walk.Things.Values)
        {
            var state = walk.AfterStep(thing.Id, stepIndex);
            var touched = state != walk.AtBeginning(thing.Id);
            switch (thing)
            {
                case Part when state.Part.Place == PartPlace.Carried && walk.HostAfterStep(thing.Id, stepIndex) is { } host:
                    off.Add(Line(walk, thing, stepIndex, $"on {walk.NameOf(host)}"));
                    break;
                case Part when state.Part.Place != PartPlace.On && (state.Part.Place != PartPlace.InBox || walk.EventsOf(thing.Id).Count > 0):
                    off.Add(Line(walk, thing, stepIndex, Says(state.Part)));
                    break;
                case Joint joint when state.Joint.IsOut && (joint.Origin == Origin.Vehicle || walk.EventsOf(joint.Id).Count > 0):
                    off.Add(Line(walk, thing, stepIndex, touched ? "out" : "in the kit", GlyphOf(walk, joint, state.Joint)));
                    break;
                case Joint joint when state.Joint.IsSlack && !DoneAt.IsReached(walk, joint, state.Joint):
                    var owed = TorqueLedger.Of(walk, joint, stepIndex);
                    var (now, isTorqued) = (Says(joint, state.Joint), DoneAt.Of(walk, joint) is null);
                    slack.Add(Line(walk, thing, stepIndex, owed is null ? now : now + Owed(isTorqued, owed.Due), GlyphOf(walk, joint, state.Joint)) with
                    {
                        Due = owed?.Due,
                        Later = owed?.Due is null ? "" : $"{now}, still to {(isTorqued ? "torque" : "do up")}",
                    });
                    break;
                case Joint joint when touched:
                    done.Add(Line(walk, thing, stepIndex, Says(joint, state.Joint), GlyphOf(walk, joint, state.Joint)));
                    break;
                case Aid when state.InPlace:
                    temporary.Add(Line(walk, thing, stepIndex, "in place"));
                    break;
                case Connection when !state.Connected && (touched || walk.EventsOf(thing.Id).Count > 0):
                    open.Add(Line(walk, thing, stepIndex, touched ? "disconnected" : "in the kit"));
                    break;
                case Fluid when state.Fluid == FluidState.Drained:
                    open.Add(Line(walk, thing, stepIndex, "drained"));
                    break;
                case Fluid when !state.LevelChecked:
                    open.Add(Line(walk, thing, stepIndex, "filled, level not checked"));
                    break;
            }
        }

        var vehicle = walk.AfterStep(Walk.Vehicle, stepIndex).Vehicle;
        var lines = new List<BenchLine>
        {
            VehicleLine(walk, stepIndex, Says(vehicle)),
        };
        if (vehicle.PedalSoft) lines.Add(VehicleLine(walk, stepIndex, "brake pedal soft: pump before moving"));
        foreach (var control in walk.Sheet.Controls)
            if (walk.EventsOf(control.Id).LastOrDefault(e => e.Verb == Verb.Set && e.StepIndex <= stepIndex) is { Action.Position: { } position })
                lines.Add(Line(walk, control, stepIndex, position));
        return new Bench(stepIndex + 1, [.. off], [.. slack], [.. temporary], [.. open], [.. lines], [.. done]);
    }

    // A clamp, a clip or a stud is done up and takes no torque.
    private static string Owed(bool isTorqued, int? due) => due is { } step ? $", {(isTorqued ? "torque" : "done up")} in step {step}"
        : $", never {(isTorqued ? "torqued" : "done up")}";

    /// <summary>The glyph of a joint in a state.</summary>
    public static Glyph GlyphOf(Walk walk, Joint joint, JointState state)
    {
        if (state.Stage != JointStage.Pass) return new Glyph(state.Stage, Some: state.IsMixed);
        var last = walk.EventsOf(joint.Id).Where(e => e.Action.Verb == Verb.TorquePass).Max(e => e.Action.Pass ?? 1);
        return new Glyph(JointStage.Pass, state.Pass, last + 1, state.IsMixed);
    }

    /// <summary>A joint's state in words.</summary>
    internal static string Says(Joint joint, JointState state) => Counts<JointState>.Says(state, one => SaysOfOne(joint, one));

    /// <summary>A part's state in words.</summary>
    internal static string Says(PartState state) => Counts<PartState>.Says(state, one => one.Place switch
    {
        PartPlace.OnBench => one.Cleaned ? "off, cleaned" : "off",
        PartPlace.Hung => "hung aside",
        PartPlace.InBox => "in the kit",
        PartPlace.Carried => "off, on what it sits on",
        PartPlace.On => "on",
        _ => throw new ArgumentOutOfRangeException(nameof(state)),
    });

    private static string SaysOfOne(Joint joint, JointState state) => state.Stage switch
    {
        JointStage.Tight => Openness.Owes(joint, state) is { } owed ? $"tight, {owed}" : "tight",
        JointStage.BrokenLoose => "broken loose",
        JointStage.BackedOut => "backed out",
        JointStage.Out => "out",
        JointStage.Started => "hand-tight",
        JointStage.Snug => joint.Untorqued is null ? "snug" : "as specified",
        JointStage.Pass => $"pass {state.Pass}",
        JointStage.Torqued => Openness.Owes(joint, state) is { } owed ? $"torqued, {owed}" : "torqued",
        JointStage.Aligned => state.Lock == LockState.Off ? "slot aligned, not locked" : "torqued, slot aligned",
        JointStage.Locked => "locked",
        _ => "marked",
    };

    /// <summary>What the vehicle stands on, in words.</summary>
    internal static string Says(VehicleState vehicle)
    {
        List<Lifted> lifts = [.. vehicle.Standing.Lifts.OrderByDescending(l => l.Height)];
        var how = lifts.Count == 0 ? Says(Height.OnGround) : string.Join("; ", lifts.Select(lift =>
            CornersOf.Named(lift.Corners) is not Ends.None and var end && vehicle.InTheAir ? $"{WhichEnd.Text(end)} {Says(lift.Height)}" : Says(lift.Height)));
        return vehicle.Loaded ? how + ", suspension loaded by a jack" : how;
    }

    private static string Says(Height height) => height switch
    {
        Height.OnGround => "on the ground",
        Height.Raised => "raised, not on stands",
        Height.OnStands => "on stands",
        Height.TyresTouching => "tyres just touching",
        Height.OnLift => "on a lift",
        _ => throw new ArgumentOutOfRangeException(nameof(height)),
    };

    private static BenchLine Line(Walk walk, Thing thing, int stepIndex, string says, Glyph? glyph = null)
    {
        var since = SinceStep(walk, thing.Id, stepIndex);
        return new BenchLine(thing.Id, walk.NameOf(thing), says, glyph, since < 0 ? null : since + 1, since == stepIndex && since >= 0);
    }

    private static BenchLine VehicleLine(Walk walk, int stepIndex, string says)
    {
        var since = SinceStep(walk, Walk.Vehicle, stepIndex);
        return new BenchLine("", "Vehicle", says, null, since < 0 ? null : since + 1, since == stepIndex && since >= 0);
    }

    private static int SinceStep(Walk walk, string id, int stepIndex)
    {
        var since = -1;
        foreach (var moment in walk.MomentsOf(id))
        {
            if (moment.StepIndex > stepIndex) break;
            since = moment.StepIndex;
        }

        return since;
    }
}
