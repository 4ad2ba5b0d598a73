using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD010: an instruction or a value that leaves it to whoever reads it: "about 95 N·m", "by feel", "if there is time".</summary>
public sealed class Hedged : StepRule
{
    public override RuleInfo Info { get; } = new("WRD010", Severity.Warn, "Left to whoever reads it");

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.Says(step, ClaimKind.Hedged);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        // Only where something is done that the next reader must do alike.
        if (step.Actions.All(a => a.Verb is Verb.Clean or Verb.Inspect or Verb.Wait)) return;
        foreach (var claim in Claims.All(step, ClaimKind.Hedged).Take(1))
            found.Add(At(step, stepIndex, null,
                $"“{claim.At.Of(step.Text)}” leaves it to whoever reads it: the next one does it otherwise. Say the value, all of it, and when."));
    }
}
