using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ003: brakes, steering, a roll-over or towing structure was worked on, and nobody qualified checks it before it is used.</summary>
public sealed class NoQualifiedCheck : Rule
{
    private static readonly string[] Critical = ["roll-over", "rollover", "roll bar", "steering", "tie rod", "drag link", "tow hook", "drawbar", "hitch"];

    public override RuleInfo Info { get; } = new("HAZ003", Severity.Warn, "Safety-critical work without a qualified check");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // Names are looked at once a thing, not once an event.
        WalkEvent? last = null;
        foreach (var thing in walk.Things.Values)
            if (IsCritical(thing, walk) && walk.EventsOf(thing.Id).LastOrDefault(e => e.Action.Verb is Verb.Fit or Verb.Torque) is { } done && (last is null || done.Order > last.Order)) last = done;
        if (last is null) yield break;
        for (var i = last.StepIndex; i < walk.Steps.Count; i++)
            if (walk.Steps[i].Text.Contains("qualified", StringComparison.OrdinalIgnoreCase) || walk.Steps[i].Text.Contains("second person", StringComparison.OrdinalIgnoreCase)) yield break;
        yield return At(last, $"People’s lives hang on {last.Thing!.Label}, and no step behind has it checked by a qualified person before the vehicle is used.", Fixes.InsertAtEnd(walk, "Have it checked at the end", Sentence(last.Thing)));
    }

    /// <summary>The step that has a thing checked.</summary>
    internal static string Sentence(Thing thing) => $"Have a qualified person check the {thing.Name} before the vehicle is used.";

    /// <summary>True for what keeps people alive: brakes, steering, roll-over and towing structures, and what holds them.</summary>
    internal static bool IsCritical(Thing thing, Walk walk) => thing switch
    {
        Part part => Natures.Of(part) == PartNature.Brake || Named(part.Name),
        Joint joint => Named(joint.Name) || joint.Holds.Any(id => walk.Things.GetValueOrDefault(id) is Part part && IsCritical(part, walk)),
        _ => false,
    };

    private static bool Named(string name) => Array.Exists(Critical, c => name.Contains(c, StringComparison.OrdinalIgnoreCase));
}
