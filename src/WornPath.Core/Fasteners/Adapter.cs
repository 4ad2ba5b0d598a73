using System.Globalization;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>Adapters stand in JSON as their printed text.</summary>
public sealed class AdapterJsonConverter() : TextJsonConverter<Adapter>(Adapter.Parse);

/// <summary>A crow-foot or extension that puts the fastener beside the wrench's square.</summary>
/// <param name="LengthMm">E, from the middle of the square to the middle of the fastener, in mm.</param>
/// <param name="Degrees">θ, between the wrench's axis, drawn on beyond the square, and the adapter: 0 straight on, 90 square to it, 180 back along the wrench.</param>
[JsonConverter(typeof(AdapterJsonConverter))]
public sealed partial record Adapter(double LengthMm, double Degrees)
{
    [GeneratedRegex(@"^(?:crow[\s-]?foot\s+|extension\s+|adapter\s+)?(?<e>.+?)(?:\s*,?\s*(?:at|@)\s*(?<a>-?[\d.,]+)\s*(?:°|deg(?:rees?)?))?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    /// <summary>T_set = T · L / (L + E·cos θ) (the lever law; ISO 6789-1 has it in its notes, from memory). At 90° nothing changes.</summary>
    /// <param name="torque">Torque wanted at the fastener.</param>
    /// <param name="wrenchLengthMm">L, from the middle of the grip to the middle of the square, in mm.</param>
    public Outcome<Torque> Setting(Torque torque, double wrenchLengthMm)
    {
        if (LengthMm >= wrenchLengthMm)
            return new Problem($"The adapter, {LengthMm:0} mm, is as long as the wrench, {wrenchLengthMm:0} mm.", "Use a longer wrench or a shorter adapter; the setting would be more guess than torque.");
        var factor = wrenchLengthMm / (wrenchLengthMm + (LengthMm * Math.Cos(Degrees * Math.PI / 180)));
        return new Torque((decimal)((double)torque.Amount * factor), torque.Unit);
    }

    /// <summary>Reads "60 mm", "60 mm at 45°".</summary>
    public static Outcome<Adapter> Parse(string text)
    {
        var match = Pattern().Match(text.Trim());
        if (!match.Success) return new Problem($"“{NumberText.Excerpt(text.Trim())}” is no adapter.", "Write its length and angle, such as 60 mm at 45°.");
        var length = Length.Parse(match.Groups["e"].Value);
        if (!length.IsGood) return length.Problem;
        var angle = 0m;
        if (match.Groups["a"].Success)
        {
            var read = NumberText.Parse(match.Groups["a"].Value);
            if (!read.IsGood) return read.Problem;
            angle = read.Value;
        }

        if (length.Value.Millimetres > 1500) return new Problem($"An adapter of {length.Value} cannot be meant.", "Write the distance from the square to the fastener, such as 60 mm.");
        return angle is >= 0 and <= 180 ? new Adapter(length.Value.Millimetres, (double)angle) : new Problem($"An angle of {angle:0.##}° cannot be meant.", "Write 0° for straight on, 90° for square to the wrench, up to 180°.");
    }

    public override string ToString() => FormattableString.Invariant($"{LengthMm:0.##} mm") + (Degrees == 0 ? "" : " at " + Degrees.ToString("0.##", CultureInfo.InvariantCulture) + "°");
}
