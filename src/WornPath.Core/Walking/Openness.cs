using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>Whether a thing may be left as it is when all is done. What is open at the end is a finding; the Chart shows it and the ledger carries it.</summary>
public static class Openness
{
    /// <summary>True where the thing is not as the end of the job must find it.</summary>
    public static bool IsOpen(Walk walk, Thing thing, ThingState state) => !walk.IsForABranch(thing) && thing switch
    {
        Joint joint => IsOpen(walk, joint, state.Joint),
        Part part => Counts<PartState>.Any(state.Part, one =>
            one.Place is not PartPlace.On && !(part.Fate is Fate.Discard or Fate.Spare && one.Place is PartPlace.OnBench or PartPlace.Carried)),
        Connection => !state.Connected,
        Fluid => state.Fluid == FluidState.Drained || !state.LevelChecked,
        Aid => state.InPlace,
        _ => false,
    };

    /// <summary>True where the vehicle may not be left so.</summary>
    public static bool IsOpen(VehicleState vehicle) => vehicle.Height != Height.OnGround || vehicle.PedalSoft;

    private static bool IsOpen(Walk walk, Joint joint, JointState state)
    {
        if (state.Counts is not null) return Counts<JointState>.Any(state, one => IsOpen(walk, joint, one));
        if (state.IsOut) return joint.Becomes == JointFate.Refit;
        if (state.IsSlack) return !DoneAt.IsReached(walk, joint, state);
        return Owes(joint, state) is not null;
    }

    /// <summary>What is still to be done to a joint that is tight, in words; null where nothing is.</summary>
    internal static string? Owes(Joint joint, JointState state) => joint.Locking switch
    {
        Locking.CotterPin when !state.PinIn => "not locked",
        Locking.Stake when state.Stage is not (JointStage.Tight or JointStage.Locked or JointStage.Marked) => "not locked",
        Locking.CotterPin => null,
        // Whatever locks it: undone, it is done again.
        _ when state.Lock == LockState.Off => "not locked",
        _ => joint.Mark && state.Stage is not (JointStage.Tight or JointStage.Marked) ? "not marked" : null,
    };
}
