using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Building;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Revisions;

/// <summary>What a sheet can have in common with others.</summary>
public enum UseKind
{
    /// <summary>A document values are taken from, in whatever edition.</summary>
    [JsonStringEnumMemberName("document")] Document,

    /// <summary>Where in it: edition and page, as they are cited.</summary>
    [JsonStringEnumMemberName("source")] Source,

    /// <summary>A fastener with the value it gets.</summary>
    [JsonStringEnumMemberName("joint")] Joint,

    /// <summary>A value of the workshop's library, in the version it was taken in.</summary>
    [JsonStringEnumMemberName("value")] Value,

    [JsonStringEnumMemberName("part")] Part,

    [JsonStringEnumMemberName("connection")] Connection,

    [JsonStringEnumMemberName("fluid")] Fluid,

    [JsonStringEnumMemberName("consumable")] Consumable,

    /// <summary>A block of steps of the workshop's, in the version it was put in.</summary>
    [JsonStringEnumMemberName("block")] Block,

    /// <summary>A tool, by its kind and size, or a temporary aid.</summary>
    [JsonStringEnumMemberName("tool")] Tool,
}

/// <summary>Something a sheet uses that other sheets may use, too: what a change of it touches.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Name">What it is called, the same on every sheet: "M12×1.25 10.9, 95 N·m", "caliper", "17 mm socket".</param>
/// <param name="At">Id of the first step it comes up in; empty where none does.</param>
/// <param name="Says">Where on the sheet, in words: "J4 caliper bolts", "steps 3 and 9".</param>
public sealed record SheetUse(UseKind Kind, string Name, string At, string Says)
{
    /// <summary>A name is cut after so many characters.</summary>
    public const int LongestName = 200;

    // A tool of every other step says no more with all their numbers.
    private const int MostPlaces = 6;

    /// <summary>Everything a sheet uses, each once, in the order it is met.</summary>
    public static ImmutableArray<SheetUse> Of(Sheet sheet)
    {
        var steps = sheet.Steps.ToList();
        var first = new Dictionary<string, int>(StringComparer.Ordinal);
        var named = new Dictionary<string, List<int>>(StringComparer.Ordinal);
        for (var i = 0; i < steps.Count; i++)
            foreach (var id in steps[i].Named.Distinct())
            {
                first.TryAdd(id, i);
                if (!named.TryGetValue(id, out var numbers)) named[id] = numbers = [];
                numbers.Add(i + 1);
            }

        var found = new Dictionary<(UseKind, string), (string Name, string At, List<string> Says)>();
        void Put(UseKind kind, string name, int? step, string says)
        {
            name = Names.Clean(name);
            if (name.Length > LongestName) name = name[..LongestName];
            if (name.Length == 0) return;
            var key = (kind, name.ToUpperInvariant());
            if (!found.TryGetValue(key, out var use)) found[key] = use = (name, step is { } at ? steps[at].Id : "", []);
            if (!use.Says.Contains(says)) use.Says.Add(says);
        }

        void Cite(string source, int? step, string says)
        {
            Put(UseKind.Document, Citation.Of(source).Document, step, says);
            Put(UseKind.Source, source, step, says);
        }

        int? At(Thing thing) => first.TryGetValue(thing.SheetId, out var at) ? at : null;
        string On(Thing thing) => named.TryGetValue(thing.SheetId, out var numbers) ? $"{thing.SheetId}, {StepsOf(numbers)}"
            : $"{thing.SheetId}, in no step";
        foreach (var joint in sheet.Joints)
        {
            Cite(joint.Source, At(joint), joint.Label);
            Put(UseKind.Value, joint.Kept?.ToString() ?? "", At(joint), joint.Label);
            foreach (var torque in joint.Variants.Select(v => (TorqueSpec?)v.Torque).Prepend(joint.Torque).Distinct())
                Put(UseKind.Joint, string.Join(", ", ((string?[])[joint.Fastener?.ToString(), torque?.ToString()]).Where(t => !string.IsNullOrEmpty(t))),
                    At(joint), joint.Label);
        }

        foreach (var fluid in sheet.Fluids) Cite(fluid.Source ?? "", At(fluid), fluid.Label);
        foreach (var block in steps.Select((step, i) => (step.Block, Number: i + 1)).Where(s => s.Block is not null).GroupBy(s => s.Block!, s => s.Number))
            Put(UseKind.Block, block.Key.ToString(), block.First() - 1, StepsOf([.. block]));
        for (var i = 0; i < steps.Count; i++) Cite(steps[i].Source ?? "", i, $"step {i + 1}");
        foreach (var thing in sheet.Things)
            if (KindOf(thing.Kind) is { } kind) Put(kind, thing.Name, At(thing), On(thing));
        // A torque tool is another in every crib, and its line has the value in it.
        var things = sheet.Things.Select(t => t.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var line in ToolList.Of(Walker.Run(sheet, Workshop.Default), Workshop.Default).Where(l => !l.IsTorqueTool
            && !things.Contains(l.What)))
            Put(UseKind.Tool, line.What, line.Steps.Length > 0 ? line.Steps[0] - 1 : null, StepsOf(line.Steps));
        return [.. found.Select(f => new SheetUse(f.Key.Item1, f.Value.Name, f.Value.At, PlacesOf(f.Value.Says)))];
    }

    private static UseKind? KindOf(ThingKind kind) => kind switch
    {
        ThingKind.Part => UseKind.Part,
        ThingKind.Connection => UseKind.Connection,
        ThingKind.Fluid => UseKind.Fluid,
        ThingKind.Consumable => UseKind.Consumable,
        ThingKind.Tool or ThingKind.Aid => UseKind.Tool,
        _ => null,
    };

    private static string StepsOf(IReadOnlyList<int> numbers) => numbers.Count == 1 ? $"step {numbers[0]}"
        : numbers.Count <= MostPlaces ? $"steps {string.Join(", ", numbers.SkipLast(1))} and {numbers[^1]}"
        : $"{numbers.Count} steps from {numbers[0]} on";

    private static string PlacesOf(List<string> says) =>
        says.Count <= MostPlaces ? string.Join("; ", says) : $"{string.Join("; ", says.Take(MostPlaces))} and {says.Count - MostPlaces} more";
}
