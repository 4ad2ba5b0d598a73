using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>What is put on a thread before it is tightened.</summary>
public enum Treatment
{
    [JsonStringEnumMemberName("none")] None,
    [JsonStringEnumMemberName("oil")] Oil,
    [JsonStringEnumMemberName("grease")] Grease,
    [JsonStringEnumMemberName("anti-seize")] AntiSeize,
    [JsonStringEnumMemberName("threadlocker, low")] ThreadlockerLow,
    [JsonStringEnumMemberName("threadlocker, medium")] ThreadlockerMedium,
    [JsonStringEnumMemberName("threadlocker, high")] ThreadlockerHigh,
    [JsonStringEnumMemberName("retaining compound")] RetainingCompound,
    [JsonStringEnumMemberName("sealant")] Sealant,
}

/// <summary>Whether the fasteners of a joint may be used again.</summary>
public enum ReuseRule
{
    /// <summary>Used again while in good condition.</summary>
    [JsonStringEnumMemberName("reuse")] Reuse,

    /// <summary>New ones every time.</summary>
    [JsonStringEnumMemberName("renew")] Renew,
}

/// <summary>What becomes of the fasteners that come out.</summary>
public enum JointFate
{
    /// <summary>They go back, or new ones of the kind (<see cref="ReuseRule"/>).</summary>
    [JsonStringEnumMemberName("refit")] Refit,

    /// <summary>They are thrown away, and nothing goes in their place.</summary>
    [JsonStringEnumMemberName("discard")] Discard,

    /// <summary>They are kept and left off.</summary>
    [JsonStringEnumMemberName("left off")] LeftOff,

    /// <summary>Another joint takes their place: another count, size or nut.</summary>
    [JsonStringEnumMemberName("superseded")] Superseded,
}

/// <summary>What keeps a tightened joint from turning, beyond its preload.</summary>
public enum Locking
{
    [JsonStringEnumMemberName("none")] None,

    /// <summary>A cotter pin through a castle nut; always a new one.</summary>
    [JsonStringEnumMemberName("cotter pin")] CotterPin,

    /// <summary>Staked into a slot or flat.</summary>
    [JsonStringEnumMemberName("stake")] Stake,

    /// <summary>A tab washer or lock plate, bent up against a flat.</summary>
    [JsonStringEnumMemberName("lock plate")] LockPlate,

    /// <summary>Wire through the heads, drawn so that it tightens.</summary>
    [JsonStringEnumMemberName("locking wire")] Wire,
}

/// <summary>What a source says its value holds for.</summary>
public enum StatedFor
{
    /// <summary>The source does not say.</summary>
    [JsonStringEnumMemberName("not said")] NotSaid,

    /// <summary>Dry threads, as received.</summary>
    [JsonStringEnumMemberName("dry")] Dry,

    /// <summary>Threads treated as this joint's are.</summary>
    [JsonStringEnumMemberName("as treated")] AsTreated,
}

/// <summary>The condition a joint gets its final torque in.</summary>
public enum TighteningCondition
{
    [JsonStringEnumMemberName("none")] None,

    /// <summary>The tyre just touching the ground.</summary>
    [JsonStringEnumMemberName("tyre touching")] TyreTouching,

    /// <summary>The suspension loaded, at the height it rides.</summary>
    [JsonStringEnumMemberName("suspension loaded")] SuspensionLoaded,

    /// <summary>The bearing turning.</summary>
    [JsonStringEnumMemberName("turning")] Turning,
}

/// <summary>A set of like fasteners that are loosened and tightened as one: what they are, what they hold, and how they are tightened.</summary>
public sealed record Joint : Thing
{
    /// <summary>How many fasteners.</summary>
    public int Count { get; init; } = 1;

    public Fastener? Fastener { get; init; }

    /// <summary>The final torque; null while nobody has given one, or where the joint is <see cref="Untorqued"/>.</summary>
    public TorqueSpec? Torque { get; init; }

    /// <summary>How the joint is tightened where no torque is asked (a clip, a hose clamp); null where one is.</summary>
    public Untorqued? Untorqued { get; init; }

    /// <summary>A calculation kept as the value's justification, in one line.</summary>
    public string Justification { get; init; } = "";

    /// <summary>What the source says the value holds for.</summary>
    public StatedFor Stated { get; init; }

    /// <summary>The condition of the vehicle at the final torque.</summary>
    public TighteningCondition Condition { get; init; }

    /// <summary>How the part or the other end is held from turning, as written ("counterhold 17 mm", "pedal held down").</summary>
    public string HeldBy { get; init; } = "";

    /// <summary>The tapped hole the fasteners go into; null where there is a nut, or nobody has looked.</summary>
    public TappedHole? Into { get; init; }

    /// <summary>What lies under the head, and the nut at the far end; null while nobody has said.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public JointStack? Stack { get; init; }

    /// <summary>How the fasteners lie; null while nobody has said.</summary>
    public Pattern? Pattern { get; init; }

    /// <summary>A crow-foot or extension without which no wrench gets there.</summary>
    public Adapter? Adapter { get; init; }

    /// <summary>How these fasteners are told from others that look like them ("the longer, upper ones").</summary>
    public string Tell { get; init; } = "";

    /// <summary>Other values for some variants or sides of the vehicle.</summary>
    public ImmutableArray<VariantValue> Variants { get; init; } = [];

    /// <summary>The document, edition and page the value was taken from.</summary>
    public string Source { get; init; } = "";

    /// <summary>The value of the workshop's library it has, and in which version; null where the value is the sheet's own.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public KeptFrom? Kept { get; init; }

    public Treatment Treatment { get; init; }

    public ReuseRule Reuse { get; init; }

    public Locking Locking { get; init; }

    /// <summary>True where a witness mark is put across the tightened joint.</summary>
    public bool Mark { get; init; }

    /// <summary>Where the fasteners are when the job begins: on the vehicle and tight, or still in the kit.</summary>
    public Origin Origin { get; init; }

    /// <summary>What becomes of the fasteners once they are out.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public JointFate Becomes { get; init; }

    /// <summary>Id of the joint that takes its place, where it is <see cref="JointFate.Superseded"/>; null elsewhere.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public string? SupersededBy { get; init; }

    /// <summary>Ids of the parts this joint holds: none of them comes off while it is in.</summary>
    public ImmutableArray<string> Holds { get; init; } = [];

    public override ThingKind Kind => ThingKind.Joint;

    [JsonIgnore]
    public override IEnumerable<string> PartIds => Holds;

    public override Thing WithParts(Func<string, string?> now) => Holds.All(id => now(id) == id) ? this
        : this with { Holds = [.. Holds.Select(now).OfType<string>()] };

    /// <summary>True where a tab or a wire keeps it, that is undone before it comes out and done again when it is tight.</summary>
    [JsonIgnore]
    public bool HasTabOrWire => Locking is Locking.LockPlate or Locking.Wire;

    /// <summary>The specification as a cell shows it: the torque, "snug", or nothing.</summary>
    [JsonIgnore]
    public string TighteningText => Untorqued?.ToString() ?? Torque?.ToString() ?? "";
}

/// <summary>A value that holds for one variant or side only.</summary>
/// <param name="When">The variant or side ("with steel wheels", "left").</param>
/// <param name="Torque">The value there.</param>
public sealed record VariantValue(string When, TorqueSpec Torque)
{
    /// <summary>The variants and sides it holds for; null where the words name none.</summary>
    [JsonIgnore]
    public Limit? Limit => Sheets.Limit.Parse(When) is { IsGood: true } limit ? limit.Value : null;

    /// <summary>True where the header has what it is for: then it is walked as a variant, and is no note beside the value.</summary>
    public bool IsOf(ImmutableArray<Factor> factors) => Limit is { } limit && !limit.Unknown(factors).Any();
}
