using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>What a token of a sentence is.</summary>
internal enum TokenKind
{
    Word,
    Number,
    Mark,

    /// <summary>A torque with its unit.</summary>
    Torque,

    /// <summary>An angle: degrees, flats or turns.</summary>
    Angle,

    /// <summary>A time: minutes, hours, seconds.</summary>
    Time,

    /// <summary>What a fastener is by its numbers: "M8 x 25 mm", "3/8-16 x 1 1/4 in.", "M12 10.9".</summary>
    Size,

    /// <summary>The end of a sentence.</summary>
    Stop,
}

/// <summary>A word, number, mark or value in a step's text.</summary>
/// <param name="Text">Lower case, with plain apostrophes.</param>
/// <param name="At">Where it stands.</param>
internal readonly record struct Token(TokenKind Kind, string Text, Span At)
{
    /// <summary>The torque of a <see cref="TokenKind.Torque"/> token.</summary>
    public Outcome<TorqueSpec> Torque { get; init; }

    /// <summary>Degrees of an angle, minutes of a time.</summary>
    public decimal Number { get; init; }
}
