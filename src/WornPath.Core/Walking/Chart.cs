using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>A stretch of steps a thing stays in one state for.</summary>
/// <param name="From">Number of the step that brought it there; 0 for the beginning.</param>
/// <param name="To">Number of the last step it stays so.</param>
/// <param name="Mark">How it is drawn: a joint's stage, or the word of the state.</param>
/// <param name="Says">The state in words.</param>
/// <param name="Open">True where the job must not end so.</param>
/// <param name="Glyph">A joint's glyph; null for other things.</param>
public sealed record ChartBand(int From, int To, string Mark, string Says, bool Open, Glyph? Glyph);

/// <summary>A row of the chart.</summary>
/// <param name="Id">The thing, a second one with its mark; empty for the vehicle.</param>
/// <param name="Kind">Its kind; null for the vehicle.</param>
/// <param name="Name">Its name.</param>
/// <param name="Bands">Its states, from the beginning to the last step.</param>
/// <param name="Touched">Numbers of the steps that do something to it.</param>
/// <param name="OpenAtEnd">True where it is left open.</param>
public sealed record ChartRow(string Id, ThingKind? Kind, string Name, ImmutableArray<ChartBand> Bands, ImmutableArray<int> Touched, bool OpenAtEnd)
{
    /// <summary>The id the thing has on the sheet, as it is shown.</summary>
    public string SheetId => Thing.SheetIdOf(Id);
}

/// <summary>A stretch of columns.</summary>
public sealed record ChartPhase(string Name, int From, int To);

/// <summary>The whole walk at a glance: every thing a row, every step a column.</summary>
public sealed record Chart(int Steps, ImmutableArray<ChartPhase> Phases, ImmutableArray<ChartRow> Rows)
{
    /// <summary>The chart of a walk.</summary>
    public static Chart Of(Walk walk)
    {
        var rows = ImmutableArray.CreateBuilder<ChartRow>();
        rows.Add(Row(walk, Walk.Vehicle, null, "vehicle", s => Of(s.Vehicle), s => Openness.IsOpen(s.Vehicle)));
        foreach (var thing in walk.Sheet.Things)
            if (thing is not (Tool or Consumable)) rows.Add(Row(walk, thing.Id, thing, walk.NameOf(thing), s => Of(walk, thing, s), s => Openness.IsOpen(walk, thing, s)));
        var phases = ImmutableArray.CreateBuilder<ChartPhase>();
        var number = 0;
        foreach (var phase in walk.Sheet.Phases.Where(p => p.Steps.Length > 0)) phases.Add(new ChartPhase(phase.Name, number + 1, number += phase.Steps.Length));
        return new Chart(walk.Steps.Count, phases.ToImmutable(), rows.ToImmutable());
    }

    private static ChartRow Row(Walk walk, string id, Thing? thing, string name, Func<ThingState, (string Mark, string Says, Glyph? Glyph)> show, Func<ThingState, bool> isOpen)
    {
        var moments = walk.MomentsOf(id);
        var bands = ImmutableArray.CreateBuilder<ChartBand>();
        for (var i = 0; i < moments.Count; i++)
        {
            // Of several states within one step the last one stays.
            if (i + 1 < moments.Count && moments[i + 1].StepIndex == moments[i].StepIndex) continue;
            var (mark, says, glyph) = show(moments[i].State);
            var to = i + 1 < moments.Count ? moments[i + 1].StepIndex : walk.Steps.Count;
            bands.Add(new ChartBand(moments[i].StepIndex + 1, to, mark, says, isOpen(moments[i].State), glyph));
        }

        ImmutableArray<int> touched = [.. (id.Length > 0 ? walk.EventsOf(id) : walk.EventsOf(id).Where(e => e.Before != e.After)).Select(e => e.StepIndex + 1).Distinct()];
        // What is still in its box and no step ever names is left out of the count of open ends by nobody: it is one.
        return new ChartRow(id, thing?.Kind, name, bands.ToImmutable(), touched, bands[^1].Open);
    }

    private static (string, string, Glyph?) Of(VehicleState vehicle)
    {
        var says = Bench.Says(vehicle);
        var mark = vehicle.Height switch
        {
            Height.OnGround => "ground",
            Height.Raised => "raised",
            Height.OnStands => "stands",
            Height.TyresTouching => "touching",
            Height.OnLift => "lift",
            _ => throw new ArgumentOutOfRangeException(nameof(vehicle)),
        };
        return vehicle.PedalSoft ? (mark == "ground" ? "soft" : mark, says + ", brake pedal soft", null) : (mark, says, null);
    }

    private static (string, string, Glyph?) Of(Walk walk, Thing thing, ThingState state)
    {
        switch (thing)
        {
            case Joint joint:
                return (state.Joint.Stage.ToString(), Bench.Says(joint, state.Joint), Bench.GlyphOf(walk, joint, state.Joint));
            case Part:
                var says = Bench.Says(state.Part);
                return state.Part.Place switch
                {
                    PartPlace.On => ("on", state.Part.WasOff ? state.Part.IsNew ? "on, new" : "on again" : says, null),
                    PartPlace.Hung => ("hung", says, null),
                    PartPlace.InBox => ("box", says, null),
                    PartPlace.Carried => ("carried", says, null),
                    PartPlace.OnBench => ("off", says, null),
                    _ => throw new ArgumentOutOfRangeException(nameof(state)),
                };
            case Connection:
                return state.Connected ? ("connected", "connected", null) : ("disconnected", "disconnected", null);
            case Fluid:
                return state.Fluid == FluidState.Drained ? ("drained", "drained", null) : state.LevelChecked ? ("level", "at level", null) : ("filled", "filled, level not checked", null);
            case Control:
                return state.Control switch
                {
                    ControlState.Engaged => ("engaged", "engaged", null),
                    ControlState.Released => ("released", "let go", null),
                    _ => ("found", "as found", null),
                };
            default:
                return state.InPlace ? ("placed", "in place", null) : ("away", "away", null);
        }
    }
}
