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

/// <summary>What keeps a tightened joint from turning, beyond its preload.</summary>
public enum Locking
{
    [JsonStringEnumMemberName("none")] None,

    /// <summary>A cotter pin through a castle nut; always a new one.</summary>
    [JsonStringEnumMemberName("cotter pin")] CotterPin,

    /// <summary>Staked into a slot or flat.</summary>
    [JsonStringEnumMemberName("stake")] Stake,
}

/// <summary>A set of like fasteners that are loosened and tightened as one: what they are, what they hold, and how they are tightened.</summary>
public sealed record Joint : Thing
{
    /// <summary>How many fasteners.</summary>
    public int Count { get; init; } = 1;

    public Fastener? Fastener { get; init; }

    /// <summary>The final torque; null while nobody has given one, or where <see cref="SnugIsEnough"/>.</summary>
    public TorqueSpec? Torque { get; init; }

    /// <summary>True where the joint is only brought to snug (a clip, a hose clamp), and no torque is asked.</summary>
    public bool SnugIsEnough { get; init; }

    /// <summary>The document, edition and page the value was taken from.</summary>
    public string Source { get; init; } = "";

    public Treatment Treatment { get; init; }

    public ReuseRule Reuse { get; init; }

    public Locking Locking { get; init; }

    /// <summary>True where a witness mark is put across the tightened joint.</summary>
    public bool Mark { get; init; }

    /// <summary>Where the fasteners are when the job begins: on the vehicle and tight, or still in the kit.</summary>
    public Origin Origin { get; init; }

    /// <summary>Ids of the parts this joint holds: none of them comes off while it is in.</summary>
    public ImmutableArray<string> Holds { get; init; } = [];

    public override ThingKind Kind => ThingKind.Joint;

    /// <summary>The specification as a cell shows it: the torque, "snug", or nothing.</summary>
    [JsonIgnore]
    public string TighteningText => SnugIsEnough ? "snug" : Torque?.ToString() ?? "";
}
