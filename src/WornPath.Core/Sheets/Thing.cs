using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace WornPath.Core.Sheets;

/// <summary>The kinds of things a sheet holds and a sentence can name.</summary>
public enum ThingKind : byte
{
    [JsonStringEnumMemberName("part")] Part,
    [JsonStringEnumMemberName("joint")] Joint,
    [JsonStringEnumMemberName("connection")] Connection,
    [JsonStringEnumMemberName("fluid")] Fluid,
    [JsonStringEnumMemberName("aid")] Aid,
    [JsonStringEnumMemberName("tool")] Tool,
    [JsonStringEnumMemberName("consumable")] Consumable,
    [JsonStringEnumMemberName("control")] Control,
}

/// <summary>Something a sheet holds: an id that never changes (a letter and a number, "J3"), and the names people use for it.</summary>
public abstract record Thing : IRemembers
{
    private Memory _memory;

    public required string Id { get; init; }

    public required string Name { get; init; }

    /// <summary>Other names for the same thing; a former name is kept here, so that older sentences still find it.</summary>
    public ImmutableArray<string> AlsoCalled { get; init; } = [];

    /// <summary>The variants and sides it is there on; null for all.</summary>
    public Limit? Only { get; init; }

    /// <summary>True while it stands only because a sentence named it, and nobody has looked at it: it goes when no sentence names it any more.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Assumed { get; init; }

    [JsonIgnore]
    public abstract ThingKind Kind { get; }

    /// <summary>
    /// True for the second one a walk adds of what is there on both sides: a mark behind its id, its side before its name. All that stands
    /// on a sheet is a first.
    /// </summary>
    [JsonIgnore]
    public bool IsSecond => Id.EndsWith(SecondMark);

    /// <summary>What stands behind the id of a second one.</summary>
    public const char SecondMark = '~';

    /// <summary>The id it has on the sheet.</summary>
    [JsonIgnore]
    public string SheetId => SheetIdOf(Id);

    /// <summary>The id on the sheet of what a walk knows under an id.</summary>
    public static string SheetIdOf(string id) => id.TrimEnd(SecondMark);

    /// <summary>"J3 caliper bolts": how a person is told which one is meant.</summary>
    [JsonIgnore]
    public string Label => $"{SheetId} {Name}";

    /// <summary>True for more than one, by its count or by its name: "wheel nuts", of which nobody has said how many there are.</summary>
    [JsonIgnore]
    public bool IsMany => this is Joint { Count: > 1 } or Part { Quantity: > 1 } || Name.EndsWith('s') && !Name.EndsWith("ss", StringComparison.Ordinal);

    /// <summary>"Are" or "is", as its label takes it.</summary>
    [JsonIgnore]
    public string Are => Or("is", "are");

    /// <summary>"They" or "it", as a sentence goes on with it.</summary>
    [JsonIgnore]
    public string It => Or("it", "they");

    /// <summary>"Them" or "it".</summary>
    [JsonIgnore]
    public string Them => Or("it", "them");

    /// <summary>"Their" or "its".</summary>
    [JsonIgnore]
    public string Its => Or("its", "their");

    /// <summary>The word for one of it, or the one for several.</summary>
    public string Or(string one, string many) => IsMany ? many : one;

    /// <summary>Ids of the parts it has to do with: what covers it, what it sits on, what it holds.</summary>
    [JsonIgnore]
    public virtual IEnumerable<string> PartIds => [];

    /// <summary>The same with other parts: each id of <see cref="PartIds"/> becomes another, or none.</summary>
    public virtual Thing WithParts(Func<string, string?> now) => this;

    ref Memory IRemembers.Memory => ref _memory;

    /// <summary>The letter ids of a kind begin with.</summary>
    public static string Letter(ThingKind kind) => kind switch
    {
        ThingKind.Part => "P",
        ThingKind.Joint => "J",
        ThingKind.Connection => "C",
        ThingKind.Fluid => "F",
        ThingKind.Aid => "A",
        ThingKind.Tool => "T",
        ThingKind.Consumable => "K",
        ThingKind.Control => "L",
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };
}
