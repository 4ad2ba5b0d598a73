using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>What may become of something that came off.</summary>
/// <param name="Label">In words: "stays off, thrown away".</param>
/// <param name="Edit">What says so on the sheet; null for what stands there.</param>
public sealed record RefitWay(string Label, Edit? Edit);

/// <summary>Something that is off when the refit begins, and what may become of it: the author says it before the refit is written.</summary>
/// <param name="Id">The thing.</param>
/// <param name="Label">Its id and name.</param>
/// <param name="Ways">The ways there are; one has no edit.</param>
public sealed record RefitChoice(string Id, string Label, ImmutableArray<RefitWay> Ways)
{
    private const int MostTakers = 6;

    private static readonly (Fate Fate, string OfOne, string OfMany)[] OfParts =
    [
        (Fate.Refit, "goes back", "go back"), (Fate.Replace, "a new one goes on", "new ones go on"),
        (Fate.Discard, "stays off, thrown away", "stay off, thrown away"), (Fate.Spare, "stays off, kept", "stay off, kept"),
    ];

    /// <summary>The choices of all that came off the vehicle and is off after a step (its place from 0), in the order of the sheet.</summary>
    public static ImmutableArray<RefitChoice> Of(Walk walk, int last)
    {
        var takers = walk.Sheet.Joints.Where(j => j.Origin != Origin.Vehicle).ToList();
        return
        [
            .. walk.Sheet.Parts.Where(p => walk.AfterStep(p.Id, last).Part is { IsMounted: false, Place: not PartPlace.InBox }).Select(Of),
            .. walk.Sheet.Joints.Where(j => j.Origin == Origin.Vehicle && walk.AfterStep(j.Id, last).Joint.AnyOut).Select(j => Of(j, takers)),
        ];
    }

    /// <summary>
    /// What else may be meant where a part is never fitted again: that it stays off, thrown away or kept; a sentence and its edit each.
    /// None of what is on each side, since it would be said of both, nor of what brings others back with it, nor of what goes on somewhere.
    /// </summary>
    internal static IEnumerable<(string Says, Edit Edit)> StaysOff(Walk walk, Part part) =>
        walk.HasSecond(part) || Does(walk, part, Verb.Fit) || walk.Sheet.Parts.Any(p => walk.HostAt(p.Id, int.MaxValue) == part.Id) ? []
            : Of(part).Ways.Where((w, i) => w.Edit is not null && OfParts[i].Fate is Fate.Discard or Fate.Spare)
                .Select(w => ($"{part.Label} {w.Label}", w.Edit!));

    /// <summary>What else may be meant where a joint is never put in again: that others are in, in its place; that it is thrown away, or stays out.</summary>
    internal static IEnumerable<(string Says, Edit Edit)> StaysOut(Walk walk, Joint joint)
    {
        if (walk.HasSecond(joint) || Does(walk, joint, Verb.Start, Verb.Snug, Verb.Torque)) return [];
        var takers = walk.Sheet.Joints.Where(j => j.Origin != Origin.Vehicle && j.Holds.Intersect(joint.Holds).Any() && !walk.AtEnd(j.Id).Joint.IsOut);
        var ways = Of(joint, [.. takers]).Ways;
        return ways.Skip(OwnWays).Select(w => (w.Label, w.Edit)).Concat(ways.Take(OwnWays).Select(w => ($"{joint.Label} {w.Label}", w.Edit)))
            .Where(w => w.Edit is not null).Select(w => (w.Item1, w.Edit!));
    }

    // In whichever variant or branch.
    private static bool Does(Walk walk, Thing thing, params Verb[] verbs) =>
        walk.Whole.Steps.Any(s => s.Actions.Any(a => a.Target == thing.SheetId && verbs.Contains(a.Verb)));

    // Goes back, thrown away, stays out; behind them those that take its place.
    private const int OwnWays = 3;

    private static RefitChoice Of(Part part) => new(part.Id, part.Label, [.. OfParts.Select(w => new RefitWay(part.IsMany ? w.OfMany : w.OfOne,
        w.Fate == part.Fate ? null : new SetField(part.Id, "fate", EnumWord.Of(part.Fate), EnumWord.Of(w.Fate))))]);

    private static RefitChoice Of(Joint joint, List<Joint> takers)
    {
        var now = Fields.BecomesText(joint);
        var (go, stay, place) = joint.IsMany ? ("go", "stay", "their place") : ("goes", "stays", "its place");
        List<(string Label, string Says)> ways = [($"{go} back", EnumWord.Of(JointFate.Refit)), ($"{stay} out, thrown away", EnumWord.Of(JointFate.Discard)),
            ($"{stay} out", EnumWord.Of(JointFate.LeftOff))];
        // Fasteners of the kit that hold the same take their place first.
        ways.AddRange(takers.OrderByDescending(t => t.Holds.Intersect(joint.Holds).Any()).Take(MostTakers)
            .Select(t => ($"{t.Label} {(t.IsMany ? "take" : "takes")} {place}", Fields.BecomesText(joint with { Becomes = JointFate.Superseded, SupersededBy = t.Id }))));
        return new RefitChoice(joint.Id, joint.Label, [.. ways.Select(w => new RefitWay(w.Label, w.Says == now ? null : new SetField(joint.Id, "becomes", now, w.Says)))]);
    }
}
