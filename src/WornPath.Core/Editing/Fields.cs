using System.Collections.Immutable;
using System.Globalization;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Every field that can be edited, by kind of thing. The text of a cell is read here and nowhere else.</summary>
public static class Fields
{
    /// <summary>Fields of the header.</summary>
    public static readonly IReadOnlyList<Field<SheetHeader>> Header =
    [
        Text<SheetHeader>("purpose", "what it achieves", h => h.Purpose, (h, v) => h with { Purpose = v }, 2000),
        Text<SheetHeader>("fits", "what it fits", h => h.Fits, (h, v) => h with { Fits = v }, 2000),
        Text<SheetHeader>("entryCheck", "entry check", h => h.EntryCheck, (h, v) => h with { EntryCheck = v }, 2000),
        Whole<SheetHeader>("difficulty", "difficulty", h => h.Difficulty, (h, v) => h with { Difficulty = v }, 1, 5),
        Whole<SheetHeader>("people", "people", h => h.People, (h, v) => h with { People = v }, 1, 12),
        new Field<SheetHeader>("variants", "variants and sides", h => Factor.Text(h.Variants), (_, h, text) => Factor.Parse(text).Map(f => h with { Variants = f }), []),
        Choice<SheetHeader, TorqueUnit>("unit", "unit of torque", h => h.Unit, (h, v) => h with { Unit = v }),
    ];

    /// <summary>Fields of a step, besides its text.</summary>
    public static readonly IReadOnlyList<Field<Step>> Step =
    [
        Amount<Step>("minutes", "number of minutes", s => s.Minutes, (s, v) => s with { Minutes = v }, 0.1m, 10_000, AmountText.MinuteCount),
        new Field<Step>("people", "people", s => s.People?.ToString(CultureInfo.InvariantCulture) ?? "", (sheet, s, text) => string.IsNullOrWhiteSpace(text) ? s with { People = null } : Whole<Step>("people", "number of people", x => x.People ?? 1, (x, v) => x with { People = v }, 1, 12).Set(sheet, s, text), []),
        new Field<Step>("block", "block", s => s.Block?.ToString() ?? "",
            (_, s, text) => string.IsNullOrWhiteSpace(text) ? s with { Block = null } : KeptFrom.Parse(text).Map(b => s with { Block = b }), []),
        Text<Step>("source", "source of its limits", s => s.Source ?? "", (s, v) => s with { Source = v.Length > 0 ? v : null }, 300),
    ];

    private static readonly Field<Thing> Name = new("name", "name", t => t.Name, SetName, []);

    private static readonly Field<Thing> Only = new("only", "only on", t => t.Only?.ToString() ?? "", SetOnly, []);

    private static readonly Dictionary<ThingKind, IReadOnlyList<Field<Thing>>> ByKind = new()
    {
        [ThingKind.Part] =
        [
            Name,
            Of<Part>(Whole<Part>("quantity", "quantity", p => p.Quantity, (p, v) => p with { Quantity = v }, 1, 999)),
            Of<Part>(Choice<Part, Origin>("origin", "comes from", p => p.Origin, (p, v) => p with { Origin = v })),
            Of<Part>(Choice<Part, Fate>("fate", "what becomes of it", p => p.Fate, (p, v) => p with { Fate = v })),
            Of<Part>(Parts<Part>("behind", "is behind", p => p.Behind, (p, v) => p with { Behind = v })),
            Of<Part>(new Field<Part>("sitsOn", "sits on or in", p => p.SitsOn ?? "", SetSitsOn, [])),
            Of<Part>(Text<Part>("note", "note", p => p.Note, (p, v) => p with { Note = v }, 500)),
            Of<Part>(Whole<Part>("spares", "number of spares", p => p.Spares, (p, v) => p with { Spares = v }, 0, 999)),
            Of<Part>(Whole<Part>("leadDays", "number of days to get it", p => p.LeadDays, (p, v) => p with { LeadDays = v }, 0, 999, AmountText.DayCount)),
            Of<Part>(Amount<Part>("mass", "mass in kg", p => p.MassKg, (p, v) => p with { MassKg = v }, 0.001m, 50_000, AmountText.Mass)),
            Only,
        ],
        [ThingKind.Joint] =
        [
            Name,
            // A pattern laid for another number of fasteners is laid no more.
            Of<Joint>(Whole<Joint>("count", "how many", j => j.Count, (j, v) => j with { Count = v, Pattern = j.Pattern?.CheckCount(v) is null ? j.Pattern : null }, 1, 200)),
            Of<Joint>(new Field<Joint>("fastener", "fastener", j => j.Fastener?.ToString() ?? "", SetFastener, [])),
            Of<Joint>(new Field<Joint>("torque", "torque", j => j.TighteningText, SetTorque, [])),
            Of<Joint>(Text<Joint>("source", "source of the value", j => j.Source, (j, v) => j with { Source = v }, 300)),
            Of<Joint>(Read<Joint, KeptFrom>("kept", "kept value", j => j.Kept, (j, v) => j with { Kept = v }, KeptFrom.Parse)),
            Of<Joint>(Choice<Joint, Treatment>("treatment", "treatment", j => j.Treatment, (j, v) => j with { Treatment = v })),
            Of<Joint>(Choice<Joint, ReuseRule>("reuse", "reuse or renew", j => j.Reuse, (j, v) => j with { Reuse = v })),
            Of<Joint>(new Field<Joint>("becomes", "what becomes of it", BecomesText, SetBecomes,
                [EnumWord.Of(JointFate.Refit), EnumWord.Of(JointFate.Discard), EnumWord.Of(JointFate.LeftOff)])),
            Of<Joint>(Choice<Joint, Locking>("locking", "locked by", j => j.Locking, (j, v) => j with { Locking = v })),
            Of<Joint>(new Field<Joint>("mark", "witness mark", j => j.Mark ? "yes" : "no", SetMark, ["no", "yes"])),
            Of<Joint>(Text<Joint>("justification", "justification", j => j.Justification, (j, v) => j with { Justification = v }, SheetSize.LongestJustification)),
            Of<Joint>(Choice<Joint, StatedFor>("stated", "value stated for", j => j.Stated, (j, v) => j with { Stated = v })),
            Of<Joint>(Choice<Joint, TighteningCondition>("condition", "torqued with", j => j.Condition, (j, v) => j with { Condition = v })),
            Of<Joint>(Text<Joint>("heldBy", "held from turning by", j => j.HeldBy, (j, v) => j with { HeldBy = v }, 120)),
            Of<Joint>(Read<Joint, JointStack>("stack", "washers and nut", j => j.Stack, (j, v) => j with { Stack = v }, JointStack.Parse)),
            Of<Joint>(Read<Joint, TappedHole>("into", "tapped into", j => j.Into, (j, v) => j with { Into = v }, TappedHole.Parse)),
            Of<Joint>(new Field<Joint>("pattern", "pattern", j => j.Pattern?.ToString() ?? "", SetPattern, [])),
            Of<Joint>(Read<Joint, Adapter>("adapter", "adapter", j => j.Adapter, (j, v) => j with { Adapter = v }, Adapter.Parse)),
            Of<Joint>(Text<Joint>("tell", "told apart by", j => j.Tell, (j, v) => j with { Tell = v }, 120)),
            Of<Joint>(new Field<Joint>("variants", "values by variant", j => string.Join("; ", j.Variants.Select(v => $"{v.When}: {v.Torque}")), SetVariants, [])),
            Of<Joint>(Choice<Joint, Origin>("origin", "comes from", j => j.Origin, (j, v) => j with { Origin = v })),
            Of<Joint>(Parts<Joint>("holds", "holds", j => j.Holds, (j, v) => j with { Holds = v })),
            Only,
        ],
        [ThingKind.Connection] =
        [
            Name,
            Of<Connection>(Text<Connection>("goesTo", "goes to", c => c.GoesTo, (c, v) => c with { GoesTo = v }, 200)),
            Of<Connection>(Choice<Connection, Origin>("origin", "comes from", c => c.Origin, (c, v) => c with { Origin = v })),
            Only,
        ],
        [ThingKind.Fluid] =
        [
            Name,
            Of<Fluid>(Text<Fluid>("capacity", "capacity", f => f.Capacity, (f, v) => f with { Capacity = v }, 60)),
            Of<Fluid>(Text<Fluid>("fillTo", "fill to", f => f.FillTo, (f, v) => f with { FillTo = v }, 200)),
            Of<Fluid>(Text<Fluid>("source", "source of the amount", f => f.Source ?? "", (f, v) => f with { Source = v.Length > 0 ? v : null }, 300)),
            Only,
        ],
        [ThingKind.Aid] = [Name, Only],
        [ThingKind.Tool] = [Name, Of<Tool>(Text<Tool>("alternative", "what else does", t => t.Alternative, (t, v) => t with { Alternative = v }, 200))],
        [ThingKind.Consumable] = [Name, Of<Consumable>(Text<Consumable>("amount", "amount", c => c.Amount, (c, v) => c with { Amount = v }, 60))],
        [ThingKind.Control] = [Name, Only],
    };

    /// <summary>The fields of a kind of thing.</summary>
    public static IReadOnlyList<Field<Thing>> Of(ThingKind kind) => ByKind[kind];

    /// <summary>A name that can be given: not empty, not too long, borne by nothing else on the sheet.</summary>
    public static Outcome<string> CheckName(Sheet sheet, string name, string? exceptId = null)
    {
        var clean = Names.Clean(name);
        if (clean.Length == 0) return new Problem("A name cannot be empty.", "Write what the trade calls it, such as caliper bolts.");
        if (clean.Length > Names.Longest) return new Problem($"A name of {clean.Length} characters is too long.", $"Keep it to {Names.Longest}.");
        var stems = Reading.NameIndex.StemsOf(clean);
        if (stems.Length == 0) return new Problem($"“{clean}” has no word a step could use.", "Write what the trade calls it, such as caliper bolts.");
        return Reading.NameIndex.Of(sheet).Bearing(stems, exceptId) is { } other
            ? new Problem($"“{clean}” is already the name of {other.Id}.", "Give this one a name that tells them apart, such as upper, left or short.")
            : clean;
    }

    private static Outcome<Thing> SetName(Sheet sheet, Thing thing, string text)
    {
        var name = CheckName(sheet, text, thing.Id);
        if (!name.IsGood) return name.Problem;
        if (name.Value == thing.Name) return thing;
        // Sentences that use the former name still find it.
        var also = thing.AlsoCalled.Where(n => n != name.Value).Append(thing.Name).Distinct().TakeLast(6);
        return thing with { Name = name.Value, AlsoCalled = [.. also] };
    }

    private static Outcome<Thing> SetOnly(Sheet sheet, Thing thing, string text)
    {
        if (string.IsNullOrWhiteSpace(text)) return thing with { Only = null };
        var limit = Limit.Parse(text);
        if (!limit.IsGood) return limit.Problem;
        if (limit.Value.Unknown(sheet.Header.Variants).FirstOrDefault() is { } unknown)
            return new Problem($"“{NumberText.Excerpt(unknown)}” is no variant or side of this sheet.", sheet.Header.Variants.IsEmpty ? "Write the variants and sides into the header first." : $"Choose from {string.Join(", ", sheet.Header.Variants.SelectMany(f => f.Options))}.");
        return thing with { Only = limit.Value };
    }

    private static Outcome<Joint> SetFastener(Sheet sheet, Joint joint, string text)
    {
        if (string.IsNullOrWhiteSpace(text)) return joint with { Fastener = null };
        return FastenerText.Parse(text).Map(f => joint with { Fastener = f });
    }

    private static Outcome<Joint> SetTorque(Sheet sheet, Joint joint, string text)
    {
        if (string.IsNullOrWhiteSpace(text)) return joint with { Torque = null, Untorqued = null };
        if (Untorqued.IsMeant(text)) return Untorqued.Parse(text).Map(u => joint with { Torque = null, Untorqued = u });
        return TorqueText.Parse(text, sheet.Header.Unit).Map(t => joint with { Torque = t, Untorqued = null });
    }

    private static Outcome<Part> SetSitsOn(Sheet sheet, Part part, string text)
    {
        if (string.IsNullOrWhiteSpace(text)) return part with { SitsOn = null };
        if (Reading.NameIndex.Of(sheet).Resolve(Reading.NameIndex.StemsOf(text)).One is not Part host)
            return new Problem($"No part is called “{NumberText.Excerpt(text)}”.", "Write the id or name of the one part it sits on or in, such as P4.");
        return Part.Bears(sheet, part.Id, host.Id)
            ? new Problem($"{part.Label} cannot sit on {(host.Id == part.Id ? "itself" : $"{host.Label}, which sits on it")}.", "Name what bears it.")
            : part with { SitsOn = host.Id };
    }

    private const string SupersededLead = "superseded by ";

    internal static string BecomesText(Joint joint) => joint.Becomes == JointFate.Superseded ? SupersededLead + joint.SupersededBy : EnumWord.Of(joint.Becomes);

    private static Outcome<Joint> SetBecomes(Sheet sheet, Joint joint, string text)
    {
        var said = Names.Clean(text);
        if (said.Length == 0) return joint with { Becomes = JointFate.Refit, SupersededBy = null };
        if (said.StartsWith(SupersededLead, StringComparison.OrdinalIgnoreCase))
        {
            var other = said[SupersededLead.Length..];
            if (Reading.NameIndex.Of(sheet).Resolve(Reading.NameIndex.StemsOf(other)).One is not Joint instead)
                return new Problem($"No joint is called “{NumberText.Excerpt(other)}”.",
                    "Write the id or name of the joint that takes its place, such as superseded by J7.");
            return instead.Id == joint.Id ? new Problem($"{joint.Label} cannot take its own place.", "Name the other joint.")
                : joint with { Becomes = JointFate.Superseded, SupersededBy = instead.Id };
        }

        return EnumWords<JointFate>.Find(said) is { } fate and not JointFate.Superseded ? joint with { Becomes = fate, SupersededBy = null }
            : new Problem($"“{NumberText.Excerpt(said)}” is nothing that becomes of a fastener.",
                "Write refit, discard, left off, or superseded by and the joint that takes its place.");
    }

    private static Outcome<Joint> SetPattern(Sheet sheet, Joint joint, string text)
    {
        if (string.IsNullOrWhiteSpace(text)) return joint with { Pattern = null };
        var pattern = Pattern.Parse(text);
        if (!pattern.IsGood) return pattern.Problem;
        return pattern.Value.CheckCount(joint.Count) is { } problem ? problem : joint with { Pattern = pattern.Value };
    }

    private static Outcome<Joint> SetVariants(Sheet sheet, Joint joint, string text)
    {
        var values = ImmutableArray.CreateBuilder<VariantValue>();
        foreach (var part in text.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var colon = part.IndexOf(':');
            if (colon <= 0) return new Problem($"“{NumberText.Excerpt(part)}” names no variant.", "Write the variant, a colon and the value, parted by semicolons, such as left: 40 N·m; right: 45 N·m.");
            var torque = TorqueText.Parse(part[(colon + 1)..], sheet.Header.Unit);
            if (!torque.IsGood) return torque.Problem;
            var when = Names.Clean(part[..colon]);
            if (values.Any(v => v.When.Equals(when, StringComparison.OrdinalIgnoreCase))) return new Problem($"“{NumberText.Excerpt(when)}” stands twice.", "Give each variant one value.");
            values.Add(new VariantValue(when, torque.Value));
        }

        return joint with { Variants = values.ToImmutable() };
    }

    private static Outcome<Joint> SetMark(Sheet sheet, Joint joint, string text) => text.Trim().ToLowerInvariant() switch
    {
        "yes" or "y" or "x" => joint with { Mark = true },
        "no" or "n" or "" => joint with { Mark = false },
        _ => new Problem($"“{NumberText.Excerpt(text)}” is neither yes nor no.", "Write yes or no."),
    };

    private static Field<Thing> Of<T>(Field<T> field)
        where T : Thing =>
        new(field.Name, field.Label, t => field.Get((T)t), (s, t, v) => field.Set(s, (T)t, v).Map(Thing (x) => x), field.Choices);

    private static Field<T> Text<T>(string name, string label, Func<T, string> get, Func<T, string, T> set, int longest) => new(name, label, get,
        (_, t, text) =>
        {
            var clean = Names.Clean(text);
            return clean.Length <= longest ? set(t, clean) : new Problem($"{clean.Length} characters are too many for {label}.", $"Keep it to {longest}.");
        },
        []);

    // A value with a text of its own; an empty cell is none.
    private static Field<T> Read<T, TValue>(string name, string label, Func<T, TValue?> get, Func<T, TValue?, T> set, Func<string, Outcome<TValue>> parse)
        where TValue : class => new(name, label, t => get(t)?.ToString() ?? "",
        (_, t, text) => string.IsNullOrWhiteSpace(text) ? set(t, null) : parse(text).Map(v => set(t, v)),
        []);

    private static Field<T> Whole<T>(string name, string label, Func<T, int> get, Func<T, int, T> set, int low, int high,
        Func<string, decimal?>? read = null) => new(name, label,
        t => get(t).ToString(CultureInfo.InvariantCulture),
        (_, t, text) => (read ?? AmountText.Count)(text) is { } n && n == decimal.Truncate(n) && n >= low && n <= high
            ? set(t, (int)n)
            : new Problem($"“{NumberText.Excerpt(text)}” is no such number.", $"Write a whole number from {low} to {high}."),
        []);

    // A number with decimals; an empty cell is none.
    private static Field<T> Amount<T>(string name, string label, Func<T, decimal?> get, Func<T, decimal?, T> set, decimal low, decimal high,
        Func<string, decimal?> parse) => new(name, label,
        t => get(t)?.ToString("0.###", CultureInfo.InvariantCulture) ?? "",
        (_, t, text) =>
        {
            if (string.IsNullOrWhiteSpace(text)) return set(t, null);
            return parse(text) is { } read && read >= low && read <= high ? set(t, read)
                : new Problem($"“{NumberText.Excerpt(text)}” is no such number.", string.Create(CultureInfo.InvariantCulture, $"Write a number from {low} to {high}, or leave it empty."));
        },
        []);

    private static Field<T> Choice<T, TEnum>(string name, string label, Func<T, TEnum> get, Func<T, TEnum, T> set)
        where TEnum : struct, Enum => new(name, label, t => EnumWords<TEnum>.Of(get(t)),
        (_, t, text) => EnumWords<TEnum>.Find(text.Trim()) is { } value
            ? set(t, value)
            : new Problem($"“{NumberText.Excerpt(text)}” is none of its choices.", $"Choose one of: {string.Join(", ", EnumWords<TEnum>.All)}."),
        EnumWords<TEnum>.All);

    // Parts by id or name, parted by commas.
    private static Field<T> Parts<T>(string name, string label, Func<T, ImmutableArray<string>> get, Func<T, ImmutableArray<string>, T> set)
        where T : Thing => new(name, label, t => string.Join(", ", get(t)),
        (sheet, t, text) =>
        {
            var names = Reading.NameIndex.Of(sheet);
            var ids = ImmutableArray.CreateBuilder<string>();
            foreach (var word in text.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
            {
                if (names.Resolve(Reading.NameIndex.StemsOf(word)).One is not Part part)
                    return new Problem($"No part is called “{NumberText.Excerpt(word)}”.", "Write part ids or names parted by commas, such as P1, P4.");
                if (part.Id == t.Id) return new Problem($"{part.Label} cannot be behind itself.", "Name the parts that cover it.");
                if (!ids.Contains(part.Id)) ids.Add(part.Id);
            }

            return set(t, ids.ToImmutable());
        },
        []);
}
