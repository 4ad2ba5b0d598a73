using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace WornPath.Core.Sheets;

/// <summary>Where something is when the job begins.</summary>
public enum Origin
{
    /// <summary>On the vehicle.</summary>
    [JsonStringEnumMemberName("vehicle")] Vehicle,

    /// <summary>In the kit.</summary>
    [JsonStringEnumMemberName("kit")] Kit,

    /// <summary>To be bought besides the kit.</summary>
    [JsonStringEnumMemberName("to buy")] ToBuy,
}

/// <summary>What becomes of a part that comes off.</summary>
public enum Fate
{
    /// <summary>The same part goes on again.</summary>
    [JsonStringEnumMemberName("refit")] Refit,

    /// <summary>A new one goes on in its place.</summary>
    [JsonStringEnumMemberName("replace")] Replace,

    /// <summary>It does not go on again.</summary>
    [JsonStringEnumMemberName("discard")] Discard,

    /// <summary>It is kept as a spare.</summary>
    [JsonStringEnumMemberName("spare")] Spare,
}

/// <summary>What a part is to the vehicle, where that changes how it must be worked on.</summary>
public enum PartNature
{
    [JsonStringEnumMemberName("plain")] Plain,

    /// <summary>A road wheel.</summary>
    [JsonStringEnumMemberName("wheel")] Wheel,

    /// <summary>A caliper, brake cylinder or other part that lets the pedal go soft when it is moved.</summary>
    [JsonStringEnumMemberName("brake")] Brake,
}

/// <summary>A part that comes off, goes on, or both.</summary>
public sealed record Part : Thing
{
    public int Quantity { get; init; } = 1;

    public Origin Origin { get; init; }

    public Fate Fate { get; init; }

    /// <summary>Ids of the parts that cover this one: they come off before it and go on after it.</summary>
    public ImmutableArray<string> Behind { get; init; } = [];

    /// <summary>Id of the part it sits on or in: it comes and goes with it unless it is taken off for itself. Null where that does not matter.</summary>
    public string? SitsOn { get; init; }

    /// <summary>Null where the name tells (see <c>Natures</c>).</summary>
    public PartNature? Nature { get; init; }

    public string Note { get; init; } = "";

    /// <summary>How many more than needed are taken along, because it is easily spoilt.</summary>
    public int Spares { get; init; }

    /// <summary>Days from ordering it to having it; 0 for what is at hand.</summary>
    public int LeadDays { get; init; }

    /// <summary>Mass in kg of one; null while nobody has weighed it.</summary>
    public decimal? MassKg { get; init; }

    public override ThingKind Kind => ThingKind.Part;

    [JsonIgnore]
    public override IEnumerable<string> PartIds => SitsOn is null ? Behind : Behind.Append(SitsOn);

    /// <summary>True where one part sits, over whatever is between, on another of a sheet; whatever circles a file may hold.</summary>
    public static bool Bears(Sheet sheet, string bearer, string? id)
    {
        for (var left = sheet.Parts.Length; id is not null && left >= 0; left--, id = (sheet.Find(id) as Part)?.SitsOn)
            if (id == bearer) return true;
        return false;
    }

    public override Thing WithParts(Func<string, string?> now) => PartIds.All(id => now(id) == id) ? this
        : this with { Behind = [.. Behind.Select(now).OfType<string>()], SitsOn = SitsOn is null ? null : now(SitsOn) };
}
