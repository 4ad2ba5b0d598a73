using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>Passes stand in JSON as their text.</summary>
public sealed class TorquePassesJsonConverter() : TextJsonConverter<TorquePasses>(TorquePasses.Parse);

/// <summary>The torques of the passes before a final torque, in order: "60 N·m, then 120 N·m". Equal where the torques are.</summary>
[JsonConverter(typeof(TorquePassesJsonConverter))]
public sealed class TorquePasses : IEquatable<TorquePasses>
{
    private const string Between = ", then ";

    private TorquePasses(ImmutableArray<TorqueSpec> torques) => Torques = torques;

    public ImmutableArray<TorqueSpec> Torques { get; }

    /// <summary>Passes of these torques; null where there are none.</summary>
    public static TorquePasses? Of(IEnumerable<TorqueSpec> torques)
    {
        ImmutableArray<TorqueSpec> all = [.. torques];
        return all.IsEmpty ? null : new TorquePasses(all);
    }

    /// <summary>Reads "60 N·m, then 120 N·m".</summary>
    public static Outcome<TorquePasses> Parse(string text)
    {
        var torques = ImmutableArray.CreateBuilder<TorqueSpec>();
        foreach (var piece in text.Split(Between))
        {
            var read = TorqueText.Parse(piece);
            if (!read.IsGood) return read.Problem;
            torques.Add(read.Value);
        }

        return new TorquePasses(torques.ToImmutable());
    }

    public bool Equals(TorquePasses? other) => other is not null && Torques.SequenceEqual(other.Torques);

    public override bool Equals(object? obj) => Equals(obj as TorquePasses);

    public override int GetHashCode() => Torques.Aggregate(0, (hash, t) => HashCode.Combine(hash, t));

    public override string ToString() => string.Join(Between, Torques);
}
