using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>What a sheet is judged against besides itself: the house rules and the wrench crib, on a day.</summary>
public sealed record Workshop
{
    /// <summary>A workshop with the default rules and an empty crib.</summary>
    public static readonly Workshop Default = new();

    public HouseRules Rules { get; init; } = new();

    /// <summary>The torque tools there are. Where it is empty nobody has filled it, and no value is held against it.</summary>
    public ImmutableArray<Wrench> Crib { get; init; } = [];

    /// <summary>Hand tools that are always at hand, in sets: nobody ticks them off one by one.</summary>
    public ImmutableArray<HandToolSet> HandTools { get; init; } = [];

    /// <summary>Blocks of steps the workshop keeps; one of the name of a usual one stands in its place.</summary>
    public ImmutableArray<Block> Blocks { get; init; } = [];

    /// <summary>The documents values are taken from, each with the edition in force.</summary>
    public ImmutableArray<SourceDocument> Documents { get; init; } = [];

    /// <summary>Pages of documents the workshop keeps as pictures.</summary>
    public ImmutableArray<SourcePage> Pages { get; init; } = [];

    /// <summary>The torque values the workshop keeps for all its sheets.</summary>
    public ImmutableArray<KeptValue> Values { get; init; } = [];

    /// <summary>The words the workshop taught; a new sheet begins with them.</summary>
    public ImmutableArray<HouseWord> Words { get; init; } = [];

    /// <summary>The values of the sheet as second persons have read them; null while nobody is asked to (a draft, a file).</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public ImmutableArray<ValueCheck>? Checks { get; init; }

    /// <summary>The blocks there are: the usual ones, the workshop's in their places or behind them.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public IEnumerable<Block> AllBlocks => Block.Usual.Select(u => Blocks.FirstOrDefault(b => b.Name.Equals(u.Name, StringComparison.OrdinalIgnoreCase)) ?? u)
        .Concat(Blocks.Where(b => !Block.Usual.Any(u => u.Name.Equals(b.Name, StringComparison.OrdinalIgnoreCase))));

    /// <summary>The block steps say they came with, as it is kept now; null where none is called so.</summary>
    public Block? BlockOf(KeptFrom from) => AllBlocks.FirstOrDefault(b => from.IsOf(b.Name));

    /// <summary>The day calibrations are held against.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public DateOnly Today { get; init; } = DateOnly.MinValue;
}
