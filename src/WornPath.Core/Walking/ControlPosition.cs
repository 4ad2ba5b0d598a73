using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>What the words of a position come to: whether the control holds or lets go.</summary>
internal static class ControlPosition
{
    /// <summary>How a control stands after it was set as an action says; as found where the words do not tell.</summary>
    public static ControlState Of(StepAction action)
    {
        if (action.Position is not { } position) return ControlState.AsFound;
        return Trade.Says(position, Trade.Released) ? ControlState.Released : Trade.Says(position, Trade.Engaged) ? ControlState.Engaged : ControlState.AsFound;
    }

    /// <summary>True for what keeps the vehicle from rolling: the parking brake, a gear.</summary>
    public static bool Holds(Thing thing) => thing is Control && Trade.ControlNamed(thing.Name.ToLowerInvariant()) is "parking brake" or "gear";

    /// <summary>True for the parking brake, whatever it is called.</summary>
    public static bool IsParkingBrake(Thing thing) => thing is Control && Trade.ControlNamed(thing.Name.ToLowerInvariant()) == "parking brake";
}
