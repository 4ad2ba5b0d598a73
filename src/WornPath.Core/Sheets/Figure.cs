using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace WornPath.Core.Sheets;

/// <summary>
/// What a step shows: a picture kept beside the database, or the drawn pattern of a joint; with balloons that name what is on the sheet,
/// arrows and an enlarged part.
/// </summary>
public sealed record Figure
{
    /// <summary>Its id, which never changes; no two figures of a sheet have the same.</summary>
    public required string Id { get; init; }

    /// <summary>The picture; null where the pattern of a joint is drawn.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public FigurePicture? Picture { get; init; }

    /// <summary>Id of the joint whose pattern is drawn; null where a picture is shown.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Pattern { get; init; }

    /// <summary>What is to be seen, for who does not see it.</summary>
    public string Alt { get; init; } = "";

    /// <summary>A line under it; empty for none.</summary>
    public string Caption { get; init; } = "";

    /// <summary>The part of the picture that is shown; null for all of it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public FigureArea? Crop { get; init; }

    /// <summary>The balloons, numbered as they stand here.</summary>
    public ImmutableArray<FigureBalloon> Balloons { get; init; } = [];

    public ImmutableArray<FigureArrow> Arrows { get; init; } = [];

    /// <summary>A part shown larger; null for none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public FigureInset? Inset { get; init; }

    /// <summary>Ids of the things it names.</summary>
    [JsonIgnore]
    public IEnumerable<string> Ids => Balloons.Select(b => b.Thing).Append(Pattern).OfType<string>();

    /// <summary>The same of other things: each id it names becomes another.</summary>
    public Figure Renamed(Func<string, string> now) => this with
    {
        Pattern = Pattern is null ? null : now(Pattern),
        Balloons = [.. Balloons.Select(b => b.Thing is null ? b : b with { Thing = now(b.Thing) })],
    };
}

/// <summary>A picture of a figure.</summary>
/// <param name="Key">Its name among the pictures kept: the SHA-256 of its bytes, and what kind it is ("….png").</param>
/// <param name="Width">In its own dots.</param>
/// <param name="Height">In its own dots.</param>
public sealed record FigurePicture(string Key, int Width, int Height)
{
    /// <summary>Hexadecimal digits of a key before its ending.</summary>
    private const int Digits = 64;

    /// <summary>Endings of the kinds that are kept.</summary>
    public static readonly ImmutableArray<string> Endings = [".png", ".jpg", ".svg"];

    /// <summary>The most dots of a side. What comes in larger is made smaller; four times that is a sheet of A4 at the fineness of print.</summary>
    public const int LargestSide = 2400;

    /// <summary>True where a text has the form of a key: it is a name of a file, and never a way to another.</summary>
    public static bool IsKey(string text) => text.Length == Digits + 4 && Endings.Contains(text[Digits..])
        && text[..Digits].All(char.IsAsciiHexDigitLower);
}

/// <summary>A place on a picture, in ten-thousandths of its width from the left and of its height from the top.</summary>
public readonly record struct FigurePoint([property: JsonRequired] int X, [property: JsonRequired] int Y)
{
    /// <summary>What a whole side is divided into.</summary>
    public const int Whole = 10_000;
}

/// <summary>A part of a picture, in ten-thousandths of its width and height.</summary>
/// <param name="X">Its left edge.</param>
/// <param name="Y">Its upper edge.</param>
public sealed record FigureArea(int X, int Y, int Width, int Height);

/// <summary>A numbered balloon with a line to what it names.</summary>
/// <param name="At">Its middle.</param>
/// <param name="Tip">What its line points at.</param>
/// <param name="Thing">Id of what it names; null where its own words do.</param>
/// <param name="Says">Its own words; with a thing, what is added to the name.</param>
/// <param name="Value">True where it says the joint's torque, too.</param>
public sealed record FigureBalloon(FigurePoint At, FigurePoint Tip, string? Thing, string Says, bool Value);

/// <summary>An arrow: which way something is turned, pushed or looked at.</summary>
public sealed record FigureArrow(FigurePoint From, FigurePoint To);

/// <summary>A part of the picture shown larger over it.</summary>
/// <param name="Of">The part.</param>
/// <param name="At">The upper left corner of the enlarged one.</param>
/// <param name="Times">How much larger, in tenths: 20 is twice as large.</param>
public sealed record FigureInset(FigureArea Of, FigurePoint At, int Times);
