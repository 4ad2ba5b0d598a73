using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD004: a part is fitted that is on already: a step is missing, or stands twice.</summary>
public sealed class FittedWhileOn : Rule
{
    public override RuleInfo Info { get; } = new("ORD004", Severity.Warn, "Fitted while it is on");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Fit))
            if (walked is { Thing: Part part, Action.Verb: Verb.Fit } && walked.ActedPart.Place == PartPlace.On && !walk.CountsWhatWasAll(walked)
                && !IsPushedHome(walk, walked))
                yield return At(walked, walked.ActedPart.WasOff
                    ? $"{part.Label} is on already and {part.Are} fitted again here. Take one of the two steps out."
                    : $"{part.Label} is fitted here and {part.Or("was", "were")} never taken off. Write where {part.It} {part.Or("comes", "come")} off; or {part.It} {part.Or("comes", "come")} with the kit: say so in Joints.");
    }

    private static readonly string[] Pushes = ["push", "press", "slide", "slip", "tap", "drive", "seat", "work", "ease", "guide", "lower", "drop", "screw"];

    // On, and held by nothing yet: it is pushed further in.
    private static bool IsPushedHome(Walk walk, WalkEvent fitted) => fitted.ActedPart.WasOff
        && fitted.Action.In.Of(fitted.Step.Text) is var clause && Array.Exists(Pushes, p => clause.StartsWith(p, StringComparison.OrdinalIgnoreCase))
            && walk.HoldersOf(fitted.Thing!.Id) is { Count: > 0 } holders
        && holders.All(h => walk.BeforeEvent(h.Id, fitted.Order).Joint is { AnyOut: true } or { Stage: JointStage.Started });
}
