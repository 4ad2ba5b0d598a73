using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>What the words of a position come to: whether the control holds or lets go.</summary>
internal static class ControlPosition
{
    /// <summary>How a control stands after it was set as an action says; as found where the words do not tell.</summary>
    public static ControlState Of(Thing control, StepAction action)
    {
        if (action.Position is not { } position) return ControlState.AsFound;
        // "Run the engine with the cap off", "switch off once it runs even": what is said first. A key that is pulled is out.
        if (Trade.ControlNamed(control.Name.ToLowerInvariant()) == "ignition")
            foreach (var word in Trade.WordsOf(position))
            {
                if (Trade.Runs.Contains(word)) return ControlState.Engaged;
                if (Trade.Pulls.Contains(word) || Trade.Released.Contains(word)) return ControlState.Released;
            }

        return Trade.Says(position, Trade.Released) ? ControlState.Released : Trade.Says(position, Trade.Engaged) ? ControlState.Engaged : ControlState.AsFound;
    }

    /// <summary>True for what keeps the vehicle from rolling: the parking brake, a gear.</summary>
    public static bool Holds(Thing thing) => thing is Control && Trade.ControlNamed(thing.Name.ToLowerInvariant()) is "parking brake" or "gear";

    /// <summary>
    /// Where a bonnet, a door or a drain cock is opened for the last time and not shut behind, or a tap shut and not opened; null where it is as
    /// it should be.
    /// </summary>
    public static WalkEvent? LeftOpen(Walk walk, Control control)
    {
        var tap = IsTap(control);
        if (!tap && !Natures.Is(control, Trait.Opens) && !Natures.Is(control, Trait.DrainPlug)) return null;
        var last = walk.EventsOf(control.Id).LastOrDefault(e => Opens(e) || Shuts(e));
        return last is null || (tap ? Opens(last) : Shuts(last)) ? null : last;
    }

    /// <summary>True for what lets something through while the vehicle is used; a drain cock does not.</summary>
    public static bool IsTap(Thing control) => Natures.Is(control, Trait.LetsThrough) && !Natures.Is(control, Trait.DrainPlug);

    /// <summary>True for a step's setting of a control that opens it.</summary>
    public static bool Opens(WalkEvent set) => set is { Verb: Verb.Set, Action.Position: { } position } && Trade.Says(position, Trade.Openings);

    /// <summary>True for a step's setting of a control that shuts it.</summary>
    public static bool Shuts(WalkEvent set) => set is { Verb: Verb.Set, Action.Position: { } position } && Trade.Says(position, Trade.Shuttings);

    /// <summary>Where what keeps the vehicle from rolling is let go for the last time; null where something is set that holds it.</summary>
    public static WalkEvent? LetGo(Walk walk, Control control)
    {
        if (!Holds(control) || walk.AtEnd(control.Id).Control != ControlState.Released) return null;
        return walk.Sheet.Controls.Any(other => other.Id != control.Id && Holds(other) && walk.AtEnd(other.Id).Control == ControlState.Engaged) ? null
            : walk.EventsOf(control.Id).Last(e => e.Verb == Verb.Set);
    }

    /// <summary>What puts a control back that was left open, shut or let go, as a sentence.</summary>
    public static string PutBack(Control control) => IsTap(control) ? $"Open the {control.Name}."
        : IsParkingBrake(control) ? $"Set the {control.Name}."
        : Holds(control) ? $"Put the {control.Name} in first gear."
        : $"Shut the {control.Name}.";

    /// <summary>True for the parking brake, whatever it is called.</summary>
    public static bool IsParkingBrake(Thing thing) => thing is Control && Trade.ControlNamed(thing.Name.ToLowerInvariant()) == "parking brake";
}
