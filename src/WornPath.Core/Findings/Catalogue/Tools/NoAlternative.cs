using WornPath.Core.Workshops;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO004: a special tool, and no word on what else would do in a shop that has none.</summary>
public sealed class NoAlternative : Rule
{
    private static readonly string[] Special = ["puller", "extractor", "compressor", "driver", "special", "slide hammer", "press"];

    public override RuleInfo Info { get; } = new("TOO004", Severity.Hint, "Special tool with no alternative");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var tool in walk.Sheet.Tools)
        {
            if (tool.Alternative.Length > 0 || !Array.Exists(Special, s => tool.Name.Contains(s, StringComparison.OrdinalIgnoreCase))) continue;
            var at = walk.Steps.ToList().FindIndex(s => s.Text.Contains(tool.Name, StringComparison.OrdinalIgnoreCase));
            yield return At(at < 0 ? null : walk.Steps[at], at, tool, $"{tool.Label} is a special tool, and nothing says what else would do. Write it beside the tool, or “none” where nothing does.");
        }
    }
}
