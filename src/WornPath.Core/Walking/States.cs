using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>How far a joint is, from tight through out to marked.</summary>
public enum JointStage : byte
{
    Tight,
    BrokenLoose,
    BackedOut,
    Out,
    Started,
    Snug,
    Pass,
    Torqued,
    Aligned,
    Locked,
    Marked,
}

/// <summary>How what locks a joint stands, whatever it is, and apart from its pin and its mark.</summary>
public enum LockState : byte
{
    /// <summary>Nothing was done to it, and nobody has said that there is one.</summary>
    AsFound,

    /// <summary>Undone: bent flat, cut, or come off with the fastener.</summary>
    Off,

    /// <summary>It holds.</summary>
    On,
}

/// <summary>State of a joint: of its fasteners, where they are not all alike of those furthest from done.</summary>
/// <param name="Stage">How far it is.</param>
/// <param name="Pass">The pass last done, where <paramref name="Stage"/> is <see cref="JointStage.Pass"/>.</param>
/// <param name="Renewed">True once new fasteners are in since it was last taken out.</param>
/// <param name="WasOut">True once it has been taken out on this walk.</param>
/// <param name="Treated">True once something was put on its threads since it was last taken out.</param>
/// <param name="PinIn">True while its cotter pin is in.</param>
public readonly record struct JointState(JointStage Stage, byte Pass, bool Renewed, bool WasOut, bool Treated, bool PinIn) : ICounted<JointState>
{
    /// <summary>How its tab, wire or stake stands.</summary>
    public LockState Lock { get; init; }

    /// <summary>How many fasteners are in which state; null where all are alike.</summary>
    public Counts<JointState>? Counts { get; init; }

    /// <summary>True where the joint holds nothing: every fastener out, or not yet put in.</summary>
    public bool IsOut => Stage == JointStage.Out && (Counts is null || Counts.Groups[^1].State.Stage == JointStage.Out);

    /// <summary>True where a fastener of it is out.</summary>
    public bool AnyOut => Stage == JointStage.Out;

    /// <summary>True where it is in, or some of it, and not all of it at the final torque.</summary>
    public bool IsSlack => Stage is JointStage.BrokenLoose or JointStage.BackedOut or JointStage.Started or JointStage.Snug or JointStage.Pass
        || AnyOut && !IsOut;

    /// <summary>True where some of its fasteners are further on than others, and do not only differ in what was put on them.</summary>
    public bool IsMixed => Counts is { } counts
        && (counts.Groups[0].State.Stage, counts.Groups[0].State.Pass) != (counts.Groups[^1].State.Stage, counts.Groups[^1].State.Pass);

    /// <summary>From out to tight, as it never was touched.</summary>
    public int Rank => RankOf(Stage);

    static int? ICounted<JointState>.Aim(Verb verb) => verb switch
    {
        Verb.TakeOut => RankOf(JointStage.Out),
        Verb.Loosen or Verb.BackOff => RankOf(JointStage.BackedOut),
        Verb.BreakLoose => RankOf(JointStage.BrokenLoose),
        Verb.Start => RankOf(JointStage.Started),
        Verb.Snug => RankOf(JointStage.Snug),
        Verb.TorquePass or Verb.Torque => RankOf(JointStage.Torqued),
        _ => null,
    };

    static bool ICounted<JointState>.TakesApart(Verb verb) => verb is Verb.BreakLoose or Verb.Loosen or Verb.BackOff or Verb.TakeOut;

    static int ICounted<JointState>.Compare(JointState one, JointState other) =>
        (one.Rank, one.Pass, one.Renewed, one.Treated, one.PinIn, one.Lock, one.WasOut)
        .CompareTo((other.Rank, other.Pass, other.Renewed, other.Treated, other.PinIn, other.Lock, other.WasOut));

    private static int RankOf(JointStage stage) => stage switch
    {
        JointStage.Out => 0,
        JointStage.Started => 1,
        JointStage.BackedOut => 2,
        JointStage.BrokenLoose => 3,
        JointStage.Snug => 4,
        JointStage.Pass => 5,
        JointStage.Torqued => 6,
        JointStage.Aligned => 7,
        JointStage.Locked => 8,
        JointStage.Marked => 9,
        JointStage.Tight => 10,
        _ => throw new ArgumentOutOfRangeException(nameof(stage)),
    };
}

/// <summary>Where a part is.</summary>
public enum PartPlace : byte
{
    On,
    OnBench,
    Hung,

    /// <summary>New, not yet fitted.</summary>
    InBox,

    /// <summary>On what it sits on, and off the vehicle with it.</summary>
    Carried,
}

/// <summary>State of a part: where there are several and they are not all alike, of those furthest from done.</summary>
/// <param name="Place">Where it is.</param>
/// <param name="WasOff">True once it has been taken off on this walk.</param>
/// <param name="IsNew">True where the one that is on is a new one.</param>
/// <param name="Cleaned">True once cleaned while off.</param>
/// <param name="Inspected">True once inspected.</param>
public readonly record struct PartState(PartPlace Place, bool WasOff, bool IsNew, bool Cleaned, bool Inspected) : ICounted<PartState>
{
    /// <summary>True where it is on what it belongs on, be that on the vehicle or not.</summary>
    public bool IsMounted => Place is PartPlace.On or PartPlace.Carried;

    /// <summary>How many are in which state; null where all are alike.</summary>
    public Counts<PartState>? Counts { get; init; }

    /// <summary>From off to on.</summary>
    public int Rank => RankOf(Place);

    static int? ICounted<PartState>.Aim(Verb verb) => verb switch
    {
        Verb.Remove or Verb.Discard => RankOf(PartPlace.OnBench),
        Verb.HangAside or Verb.SetAside => RankOf(PartPlace.Hung),
        Verb.Fit => RankOf(PartPlace.On),
        _ => null,
    };

    static bool ICounted<PartState>.TakesApart(Verb verb) => verb is Verb.Remove or Verb.Discard or Verb.HangAside or Verb.SetAside;

    static int ICounted<PartState>.Compare(PartState one, PartState other) => (one.Rank, one.IsNew, one.WasOff, one.Cleaned, one.Inspected)
        .CompareTo((other.Rank, other.IsNew, other.WasOff, other.Cleaned, other.Inspected));

    private static int RankOf(PartPlace place) => place switch
    {
        PartPlace.InBox => 0,
        PartPlace.OnBench => 1,
        PartPlace.Hung => 2,
        PartPlace.Carried => 3,
        PartPlace.On => 4,
        _ => throw new ArgumentOutOfRangeException(nameof(place)),
    };
}

/// <summary>State of a fluid.</summary>
public enum FluidState : byte
{
    AtLevel,
    Drained,
    Filled,
}

/// <summary>State of the vehicle as a whole.</summary>
/// <param name="Standing">What each of its corners stands on.</param>
/// <param name="PedalSoft">True from the moment a brake part moved until the brakes were pumped.</param>
/// <param name="Loaded">True while a jack under the suspension loads it, in the air.</param>
public readonly record struct VehicleState(Standing Standing, bool PedalSoft, bool Loaded = false)
{
    /// <summary>What it stands on where it stands least safely.</summary>
    public Height Height => Standing.Height;

    /// <summary>The ends that are up, as far as the words say; none where they do not say, or it is on the ground.</summary>
    public Ends Up => Standing.Up;

    /// <summary>True while no tyre of what is up bears on the ground.</summary>
    public bool InTheAir => Standing.InTheAir != Corners.None;
}

/// <summary>How a control stands.</summary>
public enum ControlState : byte
{
    /// <summary>As the job found it: nobody has said.</summary>
    AsFound,

    /// <summary>On, in, applied, in gear.</summary>
    Engaged,

    /// <summary>Off, out, let go, in neutral.</summary>
    Released,
}

/// <summary>The state of anything on the walk, one field of it used by each kind of thing.</summary>
/// <remarks>One struct for all kinds keeps the record of a walk a single flat list; it is small, because every event holds two of it.</remarks>
public readonly record struct ThingState(ThingKind? Kind)
{
    public JointState Joint { get; init; }

    public PartState Part { get; init; }

    /// <summary>A connection: true while connected.</summary>
    public bool Connected { get; init; }

    public FluidState Fluid { get; init; }

    /// <summary>A fluid: true once its level was checked after it was last opened.</summary>
    public bool LevelChecked { get; init; }

    /// <summary>An aid: true while in place.</summary>
    public bool InPlace { get; init; }

    /// <summary>A control: how it stands.</summary>
    public ControlState Control { get; init; }

    /// <summary>The vehicle, where <see cref="Kind"/> is null.</summary>
    public VehicleState Vehicle { get; init; }
}
