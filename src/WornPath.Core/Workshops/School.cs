using System.Collections.Immutable;

namespace WornPath.Core.Workshops;

/// <summary>One way of doing what practice does in more than one way.</summary>
/// <param name="Word">What it is called in the settings.</param>
/// <param name="Practice">How it is done, as the sheet prints it.</param>
/// <param name="Why">Why a workshop holds to it.</param>
public sealed record Way(string Word, string Practice, string Why);

/// <summary>A question of practice with more than one school. The first way is the default. Common practice, no source.</summary>
/// <param name="Key">How the settings address it.</param>
/// <param name="Question">What is asked.</param>
/// <param name="Ways">The ways; the first holds where the workshop has not chosen.</param>
/// <param name="Touches">Words of a step that the printed practice is for; empty where it is for rules and builders alone.</param>
public sealed record School(string Key, string Question, ImmutableArray<Way> Ways, ImmutableArray<string> Touches)
{
    public static readonly School OneTimeNut = new("oneTimeNut", "Nut with a plastic insert, taken off once",
    [
        new("replace", "Nuts with a plastic insert are replaced.", "Its prevailing torque is spent."),
        new("reuse once", "A nut with a plastic insert is used again once, with medium-strength threadlocker.", "The compound takes over what the insert has lost."),
    ], []);

    public static readonly School AxleNut = new("axleNut", "Axle or spindle nut",
    [
        new("replace", "Axle and spindle nuts are replaced each time.", "They are yielded or deformed to lock; nobody sees how often they were on."),
        new("reuse in good condition", "An axle or spindle nut in good condition is used again, with threadlocker and the full torque.", "A plain nut that is neither staked nor yielded loses nothing."),
    ], []);

    public static readonly School LockingCompound = new("lockingCompound", "Locking compound for a joint that is serviced",
    [
        new("medium strength", "Threadlocker of medium strength.", "It holds against vibration and comes undone with hand tools."),
        new("high strength with heat", "Threadlocker of high strength where heat may be used to undo it.", "It holds more; whoever undoes it must know."),
        new("none", "No compound: torque and witness mark only.", "Nothing to clean off; the mark shows what has moved."),
    ], []);

    public static readonly School WhenToTorque = new("whenToTorque", "When to torque",
    [
        new("at the end", "All are started by hand and snugged in pattern; the torque comes in pattern at the end of the sub-assembly.", "Parts find their place before anything holds them."),
        new("as fitted", "Each is torqued as it is fitted.", "Nothing is forgotten."),
    ], []);

    public static readonly School PowerTools = new("powerTools", "Power tools",
    [
        new("to snug", "By hand for the first turns, power only to snug, torque wrench to the value.", "A crossed thread is felt by hand alone."),
        new("none", "By hand throughout.", "Soft threads and blind holes do not forgive."),
    ], ["impact", "ratchet", "by hand"]);

    public static readonly School WheelFasteners = new("wheelFasteners", "Wheel fasteners",
    [
        new("tyre touching", "Snug in the air, final torque with the tyre just touching the ground.", "The wheel is centred and does not turn."),
        new("on the ground", "Snug in the air, final torque on the ground.", "Nothing has to be raised by hand's breadths."),
    ], ["wheel nut", "wheel bolt"]);

    public static readonly School CleaningThreads = new("cleaningThreads", "Cleaning internal threads",
    [
        new("chaser", "Internal threads are cleaned with a thread chaser.", "It cuts nothing."),
        new("tap by hand", "Internal threads are cleaned with a tap, turned by hand.", "A tap is at hand; it takes metal off a worn thread."),
    ], ["thread"]);

    public static readonly School PressFit = new("pressFit", "Bores for a press fit",
    [
        new("wire brush", "Bores for a press fit are cleaned with wire brush and solvent.", "It takes no metal."),
        new("fine abrasive", "Bores for a press fit are cleaned with fine abrasive.", "It takes rust off that a brush leaves."),
    ], ["bore", "press the"]);

    public static readonly School AntiSeize = new("antiSeize", "Anti-seize on splines and pilot faces",
    [
        new("thin film", "Splines and pilot faces get a thin film of anti-seize.", "They come apart again."),
        new("none", "Splines and pilot faces stay dry.", "Nothing creeps to where it must not be."),
    ], ["spline", "pilot"]);

    public static readonly School AxleEnds = new("axleEnds", "Both ends of an axle",
    [
        new("one side at a time", "One side at a time: the other side is the reference.", "How it was can be looked up on the other side."),
        new("both at once", "Both sides at once.", "One set-up."),
    ], ["both sides", "other side", "each side"]);

    public static readonly School Retorque = new("retorque", "Retorque",
    [
        new("first use", "Retorque after the first use or 100 km (60 mi), whichever the maker names first.", "Joints settle in the first use."),
        new("as the maker says", "Retorque as the maker says only.", "A joint that is turned again without need loses its film or its lock."),
    ], ["retorque", "torque again"]);

    /// <summary>Every school.</summary>
    public static readonly ImmutableArray<School> All = [OneTimeNut, AxleNut, LockingCompound, WhenToTorque, PowerTools, WheelFasteners, CleaningThreads, PressFit, AntiSeize, AxleEnds, Retorque];
}
