using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>The lists of things a sheet has, each reachable by its kind.</summary>
internal static class Slots
{
    public const string Header = "header";
    public const string Phase = "phase";
    public const string Step = "step";
    public const string Issued = "issued";

    public static readonly ThingKind[] Kinds = Enum.GetValues<ThingKind>();

    /// <summary>The name of a kind's list in a delta.</summary>
    public static string Of(ThingKind kind) => Names[(int)kind];

    /// <summary>The kind whose list has this name, or null.</summary>
    public static ThingKind? KindOf(string slot)
    {
        var at = Array.IndexOf(Names, slot);
        return at < 0 ? null : (ThingKind)at;
    }

    /// <summary>A thing of a kind as it is before anybody has said anything of it.</summary>
    public static Thing Plain(ThingKind kind) => kind switch
    {
        ThingKind.Part => new Part { Id = "", Name = "" },
        ThingKind.Joint => new Joint { Id = "", Name = "" },
        ThingKind.Connection => new Connection { Id = "", Name = "" },
        ThingKind.Fluid => new Fluid { Id = "", Name = "" },
        ThingKind.Aid => new Aid { Id = "", Name = "" },
        ThingKind.Tool => new Tool { Id = "", Name = "" },
        ThingKind.Consumable => new Consumable { Id = "", Name = "" },
        ThingKind.Control => new Control { Id = "", Name = "" },
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    /// <summary>The list of a kind.</summary>
    public static IReadOnlyList<Thing> List(Sheet sheet, ThingKind kind) => kind switch
    {
        ThingKind.Part => sheet.Parts,
        ThingKind.Joint => sheet.Joints,
        ThingKind.Connection => sheet.Connections,
        ThingKind.Fluid => sheet.Fluids,
        ThingKind.Aid => sheet.Aids,
        ThingKind.Tool => sheet.Tools,
        ThingKind.Consumable => sheet.Consumables,
        ThingKind.Control => sheet.Controls,
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    /// <summary>True where the two sheets share the very list.</summary>
    public static bool SameList(Sheet a, Sheet b, ThingKind kind) => kind switch
    {
        ThingKind.Part => a.Parts == b.Parts,
        ThingKind.Joint => a.Joints == b.Joints,
        ThingKind.Connection => a.Connections == b.Connections,
        ThingKind.Fluid => a.Fluids == b.Fluids,
        ThingKind.Aid => a.Aids == b.Aids,
        ThingKind.Tool => a.Tools == b.Tools,
        ThingKind.Consumable => a.Consumables == b.Consumables,
        ThingKind.Control => a.Controls == b.Controls,
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    /// <summary>The sheet with another list of a kind.</summary>
    public static Sheet With(Sheet sheet, ThingKind kind, IEnumerable<Thing> things) => kind switch
    {
        ThingKind.Part => sheet with { Parts = [.. things.Cast<Part>()] },
        ThingKind.Joint => sheet with { Joints = [.. things.Cast<Joint>()] },
        ThingKind.Connection => sheet with { Connections = [.. things.Cast<Connection>()] },
        ThingKind.Fluid => sheet with { Fluids = [.. things.Cast<Fluid>()] },
        ThingKind.Aid => sheet with { Aids = [.. things.Cast<Aid>()] },
        ThingKind.Tool => sheet with { Tools = [.. things.Cast<Tool>()] },
        ThingKind.Consumable => sheet with { Consumables = [.. things.Cast<Consumable>()] },
        ThingKind.Control => sheet with { Controls = [.. things.Cast<Control>()] },
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    /// <summary>The class of a kind.</summary>
    public static Type TypeOf(ThingKind kind) => kind switch
    {
        ThingKind.Part => typeof(Part),
        ThingKind.Joint => typeof(Joint),
        ThingKind.Connection => typeof(Connection),
        ThingKind.Fluid => typeof(Fluid),
        ThingKind.Aid => typeof(Aid),
        ThingKind.Tool => typeof(Tool),
        ThingKind.Consumable => typeof(Consumable),
        ThingKind.Control => typeof(Control),
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    /// <summary>The sheet with one thing put in the place of the one of its id.</summary>
    public static Sheet Put(Sheet sheet, Thing thing) => With(sheet, thing.Kind, List(sheet, thing.Kind).Select(t => t.Id == thing.Id ? thing : t));

    /// <summary>The sheet with other parts named by what has to do with parts: each id becomes another, or none.</summary>
    public static Sheet WithParts(Sheet sheet, Func<string, string?> now)
    {
        bool Stays(Thing thing) => thing.PartIds.All(id => now(id) == id);
        if (!sheet.Parts.All(Stays)) sheet = sheet with { Parts = [.. sheet.Parts.Select(p => (Part)p.WithParts(now))] };
        if (!sheet.Joints.All(Stays)) sheet = sheet with { Joints = [.. sheet.Joints.Select(j => (Joint)j.WithParts(now))] };
        return sheet;
    }

    private static readonly string[] Names = [.. Kinds.Select(k => k.ToString().ToLowerInvariant())];
}
