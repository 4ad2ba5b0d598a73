using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO002: a step uses a special tool that the sheet does not list: it is missed in the middle of the job.</summary>
public sealed partial class ToolNotListed : Rule
{
    public override RuleInfo Info { get; } = new("TOO002", Severity.Warn, "Tool not on the list");

    [GeneratedRegex(@"\b(?:(?:bearing|gear|hub|ball[ -]joint|two-jaw|three-jaw|seal|slide[ -]hammer) )?(?:puller|extractor|spring compressor|slide hammer|heat gun|hydraulic press|seal driver|bearing driver|dial (?:gauge|indicator)|feeler gauge|spline gauge|thread chaser|hoist)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Special();

    private static readonly StepMemo<int, string[]> Named = new((step, _) => [.. Special().Matches(step.Text).Select(m => m.Value)]);

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        for (var i = 0; i < walk.Steps.Count; i++)
            foreach (var named in Named.Of(walk, i, 0))
            {
                if (walk.Whole.Things.Any(t => t is Tool or Aid && (t.Name.Contains(named, StringComparison.OrdinalIgnoreCase) || named.Contains(t.Name, StringComparison.OrdinalIgnoreCase))) || !seen.Add(named)) continue;
                yield return At(walk.Steps[i], i, null, $"The {named.ToLowerInvariant()} is used here and is not on the list of tools: it would be missed in the middle of the job.", new Fix($"List the {named.ToLowerInvariant()}", new AddThing(ThingKind.Tool, named.ToLowerInvariant(), false)));
            }
    }
}
