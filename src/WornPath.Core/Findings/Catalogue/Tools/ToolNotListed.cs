using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO002: a step uses a special tool that the sheet does not list: it is missed in the middle of the job.</summary>
public sealed class ToolNotListed : StepRule
{
    public override RuleInfo Info { get; } = new("TOO002", Severity.Warn, "Tool not on the list");

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.Says(step, ClaimKind.SpecialTool);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        foreach (var named in Claims.All(walk.Steps[stepIndex], ClaimKind.SpecialTool).Select(c => c.At.Of(walk.Steps[stepIndex].Text).ToLowerInvariant()))
        {
            // Looked for on the list where it is first named, and said there.
            if (!found.IsFirst(this, named) || walk.Whole.Things.Any(t => t is Tool or Aid && (t.Name.Contains(named, StringComparison.OrdinalIgnoreCase) || named.Contains(t.Name, StringComparison.OrdinalIgnoreCase)))) continue;
            found.Add(At(walk.Steps[stepIndex], stepIndex, null, $"The {named} is used here and is not on the list of tools: it would be missed in the middle of the job.", new Fix($"List the {named}", new AddThing(ThingKind.Tool, named, false))));
        }
    }
}
