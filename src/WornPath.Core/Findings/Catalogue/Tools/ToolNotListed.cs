using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO002: a step uses a special tool that the sheet does not list: it is missed in the middle of the job.</summary>
public sealed partial class ToolNotListed : StepRule
{
    public override RuleInfo Info { get; } = new("TOO002", Severity.Warn, "Tool not on the list");

    [GeneratedRegex(@"\b(?:(?:bearing|gear|hub|ball[ -]joint|two-jaw|three-jaw|seal|slide[ -]hammer) )?(?:puller|extractor|spring compressor|slide hammer|heat gun|hydraulic press|seal driver|bearing driver|dial (?:gauge|indicator)|feeler gauge|spline gauge|thread chaser|hoist)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Special();

    private static readonly Memo<Step, string[]> Named = new(step => [.. Special().Matches(step.Text).Select(m => m.Value.ToLowerInvariant())]);

    protected internal override bool Concerns(Step step, HouseRules rules) => Named.Of(step).Length > 0;

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        foreach (var named in Named.Of(walk.Steps[stepIndex]))
        {
            // Looked for on the list where it is first named, and said there.
            if (!found.IsFirst(this, named) || walk.Whole.Things.Any(t => t is Tool or Aid && (t.Name.Contains(named, StringComparison.OrdinalIgnoreCase) || named.Contains(t.Name, StringComparison.OrdinalIgnoreCase)))) continue;
            found.Add(At(walk.Steps[stepIndex], stepIndex, null, $"The {named} is used here and is not on the list of tools: it would be missed in the middle of the job.", new Fix($"List the {named}", new AddThing(ThingKind.Tool, named, false))));
        }
    }
}
