using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>A place in a block that a thing of the sheet takes: "{part: front wheel}".</summary>
/// <param name="Kind">The kind of thing.</param>
/// <param name="Name">Its name in the block.</param>
public sealed record BlockSlot(ThingKind Kind, string Name);

/// <summary>A stretch of a block's step.</summary>
/// <param name="Text">The words, or the name of the slot.</param>
/// <param name="IsSlot">True where it is a slot.</param>
public sealed record BlockWords(string Text, bool IsSlot);

/// <summary>Steps that come up again and again, kept once and put into sheets with their joints and aids mapped to those of the sheet.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Steps">Its sentences; what differs from sheet to sheet stands in braces with its kind: {joint: wheel nuts}.</param>
public sealed partial record Block(string Name, ImmutableArray<string> Steps)
{
    /// <summary>From 1; one more whenever its steps are others.</summary>
    public int Version { get; init; } = 1;

    /// <summary>What steps that come with it say of it.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public KeptFrom From => new(Name, Version);

    /// <summary>How it reads, with the names of its slots.</summary>
    [System.Text.Json.Serialization.JsonIgnore]
    public string Reads => string.Join(' ', Cut().Select(s => string.Concat(s.Select(w => w.Text))));

    /// <summary>What is written in place of the former ones: each with its version, which is one more where its steps are others.</summary>
    /// <param name="former">All there were, the usual ones among them: one of a usual one's name is its next version.</param>
    /// <param name="written">Those that are written.</param>
    public static ImmutableArray<Block> Numbered(IReadOnlyCollection<Block> former, IEnumerable<Block> written) =>
        Versions.Next(former, written, b => b.From, (was, now) => was.Steps.SequenceEqual(now.Steps), (b, version) => b with { Version = version });

    /// <summary>The most steps of a block.</summary>
    public const int MostSteps = 40;

    [GeneratedRegex(@"\{\s*(?<kind>part|joint|connection|fluid|aid|tool|consumable)\s*:\s*(?<name>[^{}]{1,80}?)\s*\}", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Slot();

    /// <summary>Its slots, each once, in the order they are met.</summary>
    public ImmutableArray<BlockSlot> SlotsOf() =>
        [.. Steps.SelectMany(s => Slot().Matches(s)).Select(m => new BlockSlot(Enum.Parse<ThingKind>(m.Groups["kind"].Value, ignoreCase: true), m.Groups["name"].Value)).Distinct()];

    /// <summary>Its steps cut into words and slots, to be shown with whatever the slots are.</summary>
    public ImmutableArray<ImmutableArray<BlockWords>> Cut() => [.. Steps.Select(CutStep)];

    private static ImmutableArray<BlockWords> CutStep(string step)
    {
        var words = ImmutableArray.CreateBuilder<BlockWords>();
        var at = 0;
        foreach (Match match in Slot().Matches(step))
        {
            if (match.Index > at) words.Add(new BlockWords(step[at..match.Index], false));
            words.Add(new BlockWords(match.Groups["name"].Value, true));
            at = match.Index + match.Length;
        }

        if (at < step.Length) words.Add(new BlockWords(step[at..], false));
        return words.ToImmutable();
    }

    /// <summary>A block, or why it is none.</summary>
    public static Outcome<Block> Check(Block block)
    {
        var name = Names.Clean(block.Name);
        if (name.Length is 0 or > Names.Longest) return new Problem("A block needs a name of at most 80 characters.", "Write what it does, such as wheel off.");
        var steps = block.Steps.Select(s => s.Trim()).Where(s => s.Length > 0).ToImmutableArray();
        if (steps.Length is 0 or > MostSteps) return new Problem($"“{NumberText.Excerpt(name)}” has {steps.Length} steps.", $"Give it from 1 to {MostSteps}, one a line.");
        if (steps.FirstOrDefault(s => s.Length > 1000) is { } wide) return new Problem($"“{NumberText.Excerpt(wide)}” is too long for a step of a block.", "Split it.");
        foreach (var step in steps)
            if (Slot().Replace(step, "").AsSpan().IndexOfAny('{', '}') >= 0) return new Problem($"The braces of “{NumberText.Excerpt(step)}” cannot be read.", "Write a kind and a name in them, such as {joint: wheel nuts}.");
        return new Block(name, steps);
    }

    /// <summary>The thing of a sheet a slot is likely to be: of its name, of its nature, or the one its neighbours hold; null where it would be a new one.</summary>
    public Thing? Likely(BlockSlot slot, Sheet sheet)
    {
        var things = sheet.Things.Where(t => t.Kind == slot.Kind).ToList();
        var stems = NameIndex.StemsOf(slot.Name);
        if (stems.Length == 0) return null;
        if (things.Find(t => NameIndex.StemsOf(t.Name).SequenceEqual(stems)) is { } same) return same;
        if (slot.Kind == ThingKind.Part && things.OfType<Part>().FirstOrDefault(p => Natures.Of(p) is var nature && ((nature == PartNature.Wheel && stems.Contains("wheel")) || (nature == PartNature.Brake && stems.Contains("caliper")))) is { } part) return part;
        // The wheel nuts are what holds the wheel.
        if (slot.Kind == ThingKind.Joint)
        {
            foreach (var held in SlotsOf().Where(s => s.Kind == ThingKind.Part && stems.Intersect(NameIndex.StemsOf(s.Name)).Any()))
                if (Likely(held, sheet) is Part on && things.OfType<Joint>().FirstOrDefault(j => j.Holds.Contains(on.Id)) is { } holder) return holder;
            if (stems.Contains("castle") && things.OfType<Joint>().FirstOrDefault(j => j.Locking == Locking.CotterPin) is { } castle) return castle;
        }

        return things.Find(t => NameIndex.StemsOf(t.Name) is [.., var head] && head == stems[^1] && NameIndex.StemsOf(t.Name).Intersect(stems).Count() > 1);
    }

    /// <summary>The edit that puts the block into a sheet behind a step.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="phase">The phase it goes into.</param>
    /// <param name="after">The step it goes behind; null for the head of the phase.</param>
    /// <param name="choices">For each slot's name the id of a thing of the sheet, or a name: of a thing that is there, or a new one.</param>
    public Outcome<Edit> InsertInto(Sheet sheet, string phase, string? after, IReadOnlyDictionary<string, string> choices)
    {
        var edits = ImmutableArray.CreateBuilder<Edit>();
        var names = new Dictionary<BlockSlot, string>();
        foreach (var slot in SlotsOf())
        {
            var chosen = Names.Clean(choices.GetValueOrDefault(slot.Name, ""));
            var thing = sheet.Find(chosen) ?? sheet.Things.FirstOrDefault(t => t.Name.Equals(chosen, StringComparison.OrdinalIgnoreCase));
            if (thing is not null && thing.Kind != slot.Kind) return new Problem($"{thing.Label} is a {thing.Kind.ToString().ToLowerInvariant()}, and the block asks for a {slot.Kind.ToString().ToLowerInvariant()}.", "Choose another, or let it be a new one.", slot.Name);
            if (thing is null)
            {
                var name = Fields.CheckName(sheet, chosen.Length > 0 ? chosen : slot.Name);
                if (!name.IsGood) return name.Problem.At(slot.Name);
                edits.Add(new AddThing(slot.Kind, name.Value, false));
                names[slot] = name.Value;
            }
            else
            {
                names[slot] = thing.Name;
            }
        }

        string Named(Match slot) => names[new BlockSlot(Enum.Parse<ThingKind>(slot.Groups["kind"].Value, ignoreCase: true), slot.Groups["name"].Value)];
        edits.Add(new InsertSteps(phase, after, [.. Steps.Select(s => new NewStep(null, Slot().Replace(s, Named)) { Block = From })]));
        return new Several($"block “{Name}”", edits.ToImmutable());
    }

    /// <summary>The blocks every workshop has to begin with. Common practice, no source.</summary>
    public static readonly ImmutableArray<Block> Usual =
    [
        new("raise and support", ["Park the vehicle on level, firm ground. Set the parking brake.", "Put the {aid: chocks} at the wheels that stay down.", "Raise the vehicle.", "Support the vehicle on the {aid: axle stands}."]),
        new("lower and clear away", ["Take away the {aid: axle stands}. Lower the vehicle to the ground.", "Remove the {aid: chocks}."]),
        new("wheel off", ["Remove the {joint: wheel nuts}.", "Remove the {part: wheel}."]),
        new("wheel on", ["Fit the {part: wheel}.", "Start the {joint: wheel nuts} by hand. Snug the {joint: wheel nuts} crosswise.", "Lower the vehicle until the tyres just touch.", "Torque the {joint: wheel nuts}.", "After the first use or 100 km, retorque the {joint: wheel nuts}."]),
        new("caliper aside", ["Remove the {joint: caliper bolts}.", "Hang the {part: caliper} aside with the {aid: wire hook}.\nShould the hose be taut: hang it higher; nothing may hang from the hose."]),
        new("bleed the brake", ["Fill the {fluid: brake fluid}.", "Pump the brake pedal until it is firm.", "Check the level of the {fluid: brake fluid}.", "Have a qualified person check the brakes before the vehicle is used."]),
        new("battery off", ["Disconnect the {connection: battery negative lead}."]),
        new("battery on", ["Connect the {connection: battery negative lead}."]),
        new("castle nut on", ["Start the {joint: castle nut} by hand. Torque the {joint: castle nut}.", "Turn the {joint: castle nut} on to the next slot, never back.", "Insert a new cotter pin in the {joint: castle nut}."]),
        new("bearing adjust", ["Start the {joint: hub nut} by hand.", "Torque the {joint: hub nut} in the first pass while you turn the {part: hub} ten times.", "Back off the {joint: hub nut} 90°.", "Torque the {joint: hub nut}. Turn the {joint: hub nut} on to the next slot, never back.\nShould it bind or rock: back off and begin again.", "Insert a new cotter pin in the {joint: hub nut}."]),
        new("stuck fastener", ["Break the {joint: stuck bolts} loose.\nOr, if they will not move: clean the threads. Apply penetrating oil to the {joint: stuck bolts}. Wait 20 minutes. Break the {joint: stuck bolts} loose.\nShould one snap: drill it in its middle and draw it with an extractor; renew it."]),
    ];
}
