using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>The content of one revision of a procedure: an immutable document. Everything that changes it makes a new one.</summary>
public sealed record Sheet
{
    /// <summary>A sheet with nothing on it.</summary>
    public static readonly Sheet Empty = new();

    public SheetHeader Header { get; init; } = new();

    public ImmutableArray<Part> Parts { get; init; } = [];

    public ImmutableArray<Joint> Joints { get; init; } = [];

    public ImmutableArray<Connection> Connections { get; init; } = [];

    public ImmutableArray<Fluid> Fluids { get; init; } = [];

    public ImmutableArray<Aid> Aids { get; init; } = [];

    public ImmutableArray<Tool> Tools { get; init; } = [];

    public ImmutableArray<Consumable> Consumables { get; init; } = [];

    public ImmutableArray<Control> Controls { get; init; } = [];

    public ImmutableArray<Phase> Phases { get; init; } = [];

    /// <summary>Version of the sentence reader that read its steps (<see cref="SheetFormat.NewestReader"/>). A released sheet keeps its own reading.</summary>
    public int Reader { get; init; } = SheetFormat.NewestReader;

    /// <summary>The highest number given out for each letter (J, P …). A number is never given to a second thing, not even after the first is deleted.</summary>
    public ImmutableSortedDictionary<string, int> Issued { get; init; } = ImmutableSortedDictionary<string, int>.Empty;

    /// <summary>All steps in the order they are done.</summary>
    [JsonIgnore]
    public IEnumerable<Step> Steps => Phases.SelectMany(p => p.Steps);

    /// <summary>Everything a sentence can name, in the order of the sheet.</summary>
    [JsonIgnore]
    public IEnumerable<Thing> Things => Lists.SelectMany(l => l);

    /// <summary>Everything of one kind a sentence can name, in the order of the sheet.</summary>
    public IEnumerable<T> All<T>() where T : Thing => Lists.OfType<IEnumerable<T>>().SelectMany(l => l);

    private IEnumerable<IEnumerable<Thing>> Lists => [Parts, Joints, Connections, Fluids, Aids, Tools, Consumables, Controls];

    /// <summary>True where another sheet holds the very same things: none came, went or changed between the two.</summary>
    public bool SameThings(Sheet other) => Parts == other.Parts && Joints == other.Joints && Connections == other.Connections
        && Fluids == other.Fluids && Aids == other.Aids && Tools == other.Tools && Consumables == other.Consumables && Controls == other.Controls;

    /// <summary>The thing with an id, or null.</summary>
    public Thing? Find(string id)
    {
        // The letter says which list it can be in: a look-up of every thing by name would walk them all.
        if (id.Length == 0) return null;
        return id[0] switch
        {
            'P' => In(Parts, id),
            'J' => In(Joints, id),
            'C' => In(Connections, id),
            'F' => In(Fluids, id),
            'A' => In(Aids, id),
            'T' => In(Tools, id),
            'K' => In(Consumables, id),
            'L' => In(Controls, id),
            _ => null,
        };
    }

    /// <summary>The step with an id, or null.</summary>
    public Step? FindStep(string id)
    {
        foreach (var phase in Phases)
            foreach (var step in phase.Steps)
                if (step.Id == id) return step;
        return null;
    }

    private static T? In<T>(ImmutableArray<T> list, string id)
        where T : Thing
    {
        // Things mostly stand in the order of their numbers: the nth stands at n, or before it where some are gone.
        var likely = int.TryParse(id.AsSpan(1), out var number) ? Math.Clamp(number - 1, 0, Math.Max(0, list.Length - 1)) : 0;
        for (var i = likely; i >= 0 && i < list.Length; i--)
            if (list[i].Id == id) return list[i];
        for (var i = likely + 1; i < list.Length; i++)
            if (list[i].Id == id) return list[i];
        return null;
    }
}

/// <summary>What the job is and what it is for.</summary>
public sealed record SheetHeader
{
    /// <summary>What it achieves.</summary>
    public string Purpose { get; init; } = "";

    /// <summary>What it fits: platform, years, options.</summary>
    public string Fits { get; init; } = "";

    /// <summary>How to tell that it is the right job: a symptom, a quick test, what the answer means.</summary>
    public string EntryCheck { get; init; } = "";

    /// <summary>From 1 (anybody careful) to 5 (a specialist); 0 while nobody has said.</summary>
    public int Difficulty { get; init; }

    /// <summary>People needed at once.</summary>
    public int People { get; init; } = 1;

    /// <summary>The ways in which the vehicles it fits differ.</summary>
    public ImmutableArray<Factor> Variants { get; init; } = [];

    /// <summary>The unit the sheet states torque in; a bare number in a torque cell is taken in it.</summary>
    public TorqueUnit Unit { get; init; } = TorqueUnit.NewtonMetre;

    /// <summary>The words its sentences are read with besides those of the trade.</summary>
    public ImmutableArray<HouseWord> Words { get; init; } = [];
}
