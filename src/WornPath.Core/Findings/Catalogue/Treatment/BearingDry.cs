using WornPath.Core.Building;
using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR014: a bearing goes in dry, or packed with something that is no grease.</summary>
public sealed class BearingDry : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("THR014", Severity.Warn, "Bearing fitted dry");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (!Natures.Is(part, Trait.Bearing) || part.Note.Contains("sealed", StringComparison.OrdinalIgnoreCase)) return;
        var events = walk.EventsOf(part.Id);
        if (events.FirstOrDefault(e => e is { Verb: Verb.Treat } && Applied.What(walk, e) is var what
            && !what.Contains("grease", StringComparison.OrdinalIgnoreCase) && !what.Contains("retaining", StringComparison.OrdinalIgnoreCase)) is { } other)
        {
            found.Add(At(other, $"{part.Label} gets {Applied.What(walk, other)} here, and no grease: {part.It} {part.Or("runs", "run")} dry. Pack {part.Them} with the bearing grease its "
                + "maker names."));
            return;
        }

        // Only where the sheet has grease for bearings is a bearing known to be one that is packed.
        if (events.FirstOrDefault(e => e.Verb == Verb.Fit) is not { } fitted || events.Any(e => e.Verb == Verb.Treat)) return;
        if (BearingGrease.For(walk, part) is not { } grease) return;
        if (Enumerable.Range(0, fitted.StepIndex + 1).Any(i => SaysPacked(walk.Steps[i], part))) return;
        found.Add(At(fitted, $"{part.Label} goes in here, and no step packs {part.Them}, though the sheet has {grease.Label}: {part.It} {part.Or("runs", "run")} dry.",
            Fixes.InsertBefore(walk, fitted.StepIndex, "Pack it first", $"Pack {Fixes.The(part)} with {grease.Name}.")));
    }

    // "Pack the bearings", "grease both bearings": said of several in one.
    private static bool SaysPacked(Step step, Part part) => step.Actions.Any(a => a.Verb == Verb.Treat && a.Target is null
        && a.Words?.Contains("bearing", StringComparison.OrdinalIgnoreCase) == true && part.Name.Length > 0);
}
