using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>What is turned: bolt, screw, nut or stud, and the shape of its head.</summary>
public enum FastenerForm
{
    Bolt,
    FlangeBolt,
    CapScrew,
    ButtonHeadScrew,
    CountersunkScrew,
    PanHeadScrew,
    Screw,
    Stud,
    Nut,
    FlangeNut,
    LockNut,
    CastleNut,
    BanjoBolt,
    Fitting,
    SetScrew,
    Plug,
    CarriageBolt,
    WheelNut,
    WheelBolt,

    /// <summary>A nut no hexagon turns: wing, weld, cage, ring …</summary>
    OddNut,
}

/// <summary>The kind of engagement between head and tool.</summary>
public enum DriveKind
{
    /// <summary>External hexagon, by width across flats.</summary>
    Hexagon,

    /// <summary>Hexagon socket, by width across flats (ISO 4762).</summary>
    HexSocket,

    /// <summary>Hexalobular internal, T size (ISO 10664).</summary>
    Hexalobular,

    /// <summary>Hexalobular external, E size.</summary>
    ExternalHexalobular,

    /// <summary>Twelve-point, by width across flats.</summary>
    TwelvePoint,

    /// <summary>Cross recess type H, PH size (ISO 4757).</summary>
    CrossRecess,

    /// <summary>Slot, by blade width.</summary>
    Slot,

    /// <summary>Triple square, by the size of the bit.</summary>
    TripleSquare,
}

/// <summary>The drive of a head and its size as the tool is called: "17 mm", "9/16 in", "T30", "E12", "PH2".</summary>
public sealed record Drive(DriveKind Kind, string Size)
{
    /// <summary>The tool that fits, as it stands on a tool list.</summary>
    public string Tool => Kind switch
    {
        DriveKind.Hexagon => $"{Size} socket",
        DriveKind.HexSocket => $"{Size} hexagon bit",
        DriveKind.Hexalobular => $"{Size} bit",
        DriveKind.ExternalHexalobular => $"{Size} socket",
        DriveKind.TwelvePoint => $"{Size} twelve-point socket",
        DriveKind.CrossRecess => $"{Size} screwdriver",
        DriveKind.Slot => $"{Size} blade screwdriver",
        DriveKind.TripleSquare => $"{Size} triple-square bit",
        _ => throw new InvalidOperationException(),
    };

    public override string ToString() => Kind switch
    {
        DriveKind.HexSocket => $"hex socket {Size}",
        DriveKind.TwelvePoint => $"12-point {Size}",
        DriveKind.Slot => $"slot {Size}",
        DriveKind.TripleSquare => $"triple square {Size}",
        _ => Size,
    };
}

/// <summary>Fasteners stand in JSON as their printed text.</summary>
public sealed class FastenerJsonConverter() : TextJsonConverter<Fastener>(FastenerText.Parse);

/// <summary>A fastener of a joint: thread, length, class or grade, form and drive. Each may be unknown until somebody looks.</summary>
[JsonConverter(typeof(FastenerJsonConverter))]
public sealed record Fastener
{
    public Thread? Thread { get; init; }

    /// <summary>Nominal length under the head.</summary>
    public Length? Length { get; init; }

    /// <summary>Property class or grade as printed by <see cref="PropertyClass"/>.</summary>
    public string? Class { get; init; }

    public FastenerForm? Form { get; init; }

    /// <summary>What the author calls it where that is more than the plain name of its form: "pinch bolt", "wing nut"; else empty.</summary>
    public string Called { get; init; } = "";

    /// <summary>As the author calls it, else the plain name of its form; null where neither is known.</summary>
    [JsonIgnore]
    public string? IsCalled => Called.Length > 0 ? Called : Form is { } form ? FastenerForms.PlainName(form) : null;

    /// <summary>What is said of it besides and works nothing out: finish, seat, standard, a captive washer; else empty.</summary>
    public string Besides { get; init; } = "";

    /// <summary>Class of the nut it goes into (ISO 898-2); null where it goes into none, or nobody has looked.</summary>
    public string? NutClass { get; init; }

    public Drive? Drive { get; init; }

    /// <summary>True where it is tightened counterclockwise.</summary>
    public bool LeftHand { get; init; }

    /// <summary>Proof load in kN, null until thread and class are known.</summary>
    public double? ProofLoadKn() => Thread is { } t && Class is { } c ? PropertyClass.ProofLoadKn(c, t) : null;

    public override string ToString() => FastenerText.Format(this);
}
