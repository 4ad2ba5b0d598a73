using System.Collections.Frozen;
using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>
/// A torque value the workshop keeps once for all its sheets, with where it was taken from and what it holds for. A joint that has it says so,
/// and in which version (<see cref="Joint.Kept"/>): who writes the library anew finds every sheet that has a former one.
/// </summary>
/// <param name="Name">What it is called ("T28 wheel nuts"); no two of a workshop are called alike.</param>
/// <param name="Version">From 1; one more whenever anything of it is another.</param>
/// <param name="Torque">The value, with its unit.</param>
/// <param name="Source">The document, edition and page it was taken from.</param>
public sealed record KeptValue(string Name, int Version, TorqueSpec Torque, string Source)
{
    /// <summary>How many a workshop keeps at most.</summary>
    public const int Most = 1000;

    /// <summary>What the source says it holds for.</summary>
    public StatedFor Stated { get; init; }

    /// <summary>The condition of the vehicle at the final torque.</summary>
    public TighteningCondition Condition { get; init; }

    /// <summary>Other values for some variants or sides.</summary>
    public ImmutableArray<VariantValue> Variants { get; init; } = [];

    // A kept value is these columns of a joint, read and written by the same fields.
    private static readonly ImmutableArray<Field<Thing>> OfAJoint =
        [.. ((string[])["torque", "source", "stated", "condition", "variants"]).Select(name => Fields.Of(ThingKind.Joint).Single(f => f.Name == name))];

    /// <summary>The words to choose from in a cell; none where it is written freely.</summary>
    public static FrozenDictionary<string, IReadOnlyList<string>> Choices { get; } =
        OfAJoint.Where(f => f.Choices.Count > 0).ToFrozenDictionary(f => f.Name, f => f.Choices);

    /// <summary>The value its cells tell, in its first version, or what is wrong with them.</summary>
    public static Outcome<KeptValue> Read(IReadOnlyDictionary<string, string> cells)
    {
        string Cell(string name) => cells.GetValueOrDefault(name, "").Trim();
        var name = Names.Clean(Cell("name"));
        if (name.Length is < 3 or > Names.Longest || NameIndex.StemsOf(name).Length == 0)
            return new Problem($"A value has a name of 3 to {Names.Longest} characters.", "Write what it is the value of, such as T28 wheel nuts.", "name");
        var torque = TorqueText.Parse(Cell("torque"));
        if (!torque.IsGood) return torque.Problem.At($"torque of {NumberText.Excerpt(name)}");
        // A number beside it without a unit is in its unit.
        var sheet = Sheet.Empty with { Header = Sheet.Empty.Header with { Unit = torque.Value.Target.Unit } };
        Outcome<Thing> joint = new Joint { Id = "J1", Name = name };
        foreach (var field in OfAJoint)
        {
            if (field.Choices.Count > 0 && Cell(field.Name).Length == 0) continue;
            joint = field.Set(sheet, joint.Value, Cell(field.Name));
            if (!joint.IsGood) return joint.Problem.At($"{field.Label} of {NumberText.Excerpt(name)}");
        }

        var read = (Joint)joint.Value;
        if (read.Source.Length == 0)
            return new Problem($"“{NumberText.Excerpt(name)}” has no source.", "Write the document, edition and page it was taken from.", "source");
        return new KeptValue(name, 1, torque.Value, read.Source) { Stated = read.Stated, Condition = read.Condition, Variants = read.Variants };
    }

    /// <summary>Its cells, as they are read again.</summary>
    public IReadOnlyDictionary<string, string> Cells() => new Dictionary<string, string>(OfAJoint.Select(f => KeyValuePair.Create(f.Name, f.Get(Alone)))) { ["name"] = Name };

    /// <summary>What a joint that takes it has in its fields, by their names.</summary>
    public IReadOnlyDictionary<string, string> Given() => OfAJoint.Append(Kept).ToDictionary(f => f.Name, f => f.Get(Alone));

    // A joint with it and nothing else.
    private Joint Alone => On(new Joint { Id = "J1", Name = Name });

    /// <summary>The joint with this value.</summary>
    private Joint On(Joint joint) => joint with
    {
        Torque = Torque,
        Untorqued = null,
        Source = Source,
        Stated = Stated,
        Condition = Condition,
        Variants = Variants,
        Kept = From,
    };

    /// <summary>What a joint that has it says of it.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public KeptFrom From => new(Name, Version);

    /// <summary>The value and where it was taken from, in one line.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public string Says => $"{Torque}{string.Concat(Variants.Select(v => $", {v.When}: {v.Torque}"))}, {Source}";

    /// <summary>True where a joint's value is this one in all that belongs to it, whatever it says of where it has it from.</summary>
    public bool IsOn(Joint joint) => OfAJoint.All(f => f.Get(joint) == f.Get(On(joint)));

    /// <summary>What of a joint's value is another than here, in words: "torque 95 N·m".</summary>
    public string Unlike(Joint joint) => string.Join(", ", OfAJoint.Where(f => f.Get(joint) != f.Get(On(joint)))
        .Select(f => $"{f.Label} {(f.Get(joint) is { Length: > 0 } has ? has : "left empty")}"));

    /// <summary>The edit that gives a joint this value and says where it has it from.</summary>
    public Edit Take(Joint joint)
    {
        var with = On(joint);
        return new Several($"Take {From} for {joint.Label}", [.. OfAJoint.Append(Kept).Where(f => f.Get(joint) != f.Get(with))
            .Select(f => new SetField(joint.Id, f.Name, f.Get(joint), f.Get(with)))]);
    }

    private static readonly Field<Thing> Kept = Fields.Of(ThingKind.Joint).Single(f => f.Name == "kept");

    /// <summary>The edit by which a joint's value is its sheet's own.</summary>
    public static Edit LetGo(Joint joint) => new SetField(joint.Id, Kept.Name, Kept.Get(joint), "");

    /// <summary>The kept value of a name; null where none is called so.</summary>
    public static KeptValue? Called(IEnumerable<KeptValue> values, KeptFrom from) => values.FirstOrDefault(v => from.IsOf(v.Name));

    /// <summary>
    /// Those that may be meant for a joint, the likeliest first: all words of its name stand in theirs, and most of what else is in theirs
    /// stands on the sheet's header.
    /// </summary>
    public static IEnumerable<KeptValue> For(IEnumerable<KeptValue> values, Joint joint, SheetHeader header)
    {
        var words = NameIndex.StemsOf(joint.Name);
        var about = NameIndex.StemsOf($"{header.Fits} {header.Purpose}").ToHashSet();
        return from value in values
               let named = NameIndex.StemsOf(value.Name)
               where words.Length > 0 && words.All(named.Contains)
               let other = named.Except(words).ToList()
               orderby other.Count(w => !about.Contains(w)), other.Count descending
               select value;
    }

    /// <summary>What is written in place of the former ones: each with its version, which is one more where anything of it is another.</summary>
    public static ImmutableArray<KeptValue> Numbered(IReadOnlyCollection<KeptValue> former, IEnumerable<KeptValue> written) =>
        Versions.Next(former, written, v => v.From, (was, now) => was.IsOn(now.Alone), (v, version) => v with { Version = version });
}
