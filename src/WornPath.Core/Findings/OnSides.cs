using WornPath.Core.Reading;
using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>
/// Says what was found on things that are there on both sides: what is so on both is said once; what is so on one names it. All of it
/// points at what stands on the sheet.
/// </summary>
internal static partial class OnSides
{
    [GeneratedRegex(@"\bsteps? \d+", RegexOptions.CultureInvariant)]
    private static partial Regex AStep();

    /// <summary>The findings of a walk, each as a reader of the sheet is told it.</summary>
    public static IEnumerable<Finding> Of(Walk walk, IReadOnlyCollection<Finding> found)
    {
        ImmutableArray<Thing> seconds = [.. walk.Sheet.Things.Where(t => t.IsSecond)];
        if (seconds.IsEmpty) return found;
        // A finding on a second, in the words of its first, whichever steps it names.
        string AsOfFirst(string message) => AStep().Replace(seconds.Aggregate(message, (m, s) =>
            m.Replace(s.Name, walk.Things[s.SheetId].Name, StringComparison.Ordinal)), "step");
        static bool IsSecond(Finding f) => f.Thing?.EndsWith(Thing.SecondMark) == true;
        var ofFirsts = found.Where(f => f.Thing is not null && !IsSecond(f)).Select(f => (f.Rule, f.Thing!, AsOfFirst(f.Message))).ToHashSet();
        var ofSeconds = found.Where(IsSecond).Select(f => (f.Rule, Thing.SheetIdOf(f.Thing!), AsOfFirst(f.Message))).ToHashSet();
        return found.Where(f => !IsSecond(f) || !ofFirsts.Contains((f.Rule, Thing.SheetIdOf(f.Thing!), AsOfFirst(f.Message))))
            .Select(f => Said(walk, f, f.Thing is not null && ofSeconds.Contains((f.Rule, f.Thing, AsOfFirst(f.Message)))));
    }

    private static Finding Said(Walk walk, Finding finding, bool isOnBoth)
    {
        // Where a step does over again what another says, it is found where it is done.
        var at = finding.StepNumber is { } n && walk.Steps[n - 1].Id is var id && id != finding.Step ? finding with { Step = id } : finding;
        if (at.Thing is not { } on || walk.Things.GetValueOrDefault(on) is not { } thing) return at;
        if (thing.IsSecond) return at with
        {
            Thing = thing.SheetId,
            Side = Side.Other,
            Fixes = [.. at.Fixes.Select(f => new Fix($"{f.Title.Replace(thing.Id, thing.SheetId, StringComparison.Ordinal)}, other side",
                OnSheet(f.Edit, thing)))],
        };
        if (isOnBoth || !walk.HasSecond(thing) || !at.Rule.StartsWith("CLO", StringComparison.Ordinal)) return at;
        // What is left so on the one side only is said of that one; its name does not say it.
        var first = SideWords.Opposite(walk.SecondSide);
        return at with
        {
            For = first is { } side ? $"the {SideWords.Of(side)} side" : "the side that is done first",
            Fixes = first is null ? at.Fixes : [.. at.Fixes.Select(f => f with { Edit = OnOne(f.Edit, thing, first.Value) })],
        };
    }

    // A fix to a second changes the thing of the sheet; its sentences name it by its side.
    private static Edit OnSheet(Edit edit, Thing second) => edit switch
    {
        Several several => several with { Edits = [.. several.Edits.Select(e => OnSheet(e, second))] },
        SetField set when set.Id == second.Id => set with { Id = second.SheetId },
        _ => edit,
    };

    // A sentence about a first says its side, where only that one is meant.
    private static Edit OnOne(Edit edit, Thing first, Side side) => edit switch
    {
        Several several => several with { Edits = [.. several.Edits.Select(e => OnOne(e, first, side))] },
        InsertSteps insert => insert with
        {
            Steps = [.. insert.Steps.Select(s => s with { Text = s.Text.Replace(first.Name, $"{SideWords.Of(side)} {first.Name}", StringComparison.Ordinal) })],
        },
        _ => edit,
    };
}
