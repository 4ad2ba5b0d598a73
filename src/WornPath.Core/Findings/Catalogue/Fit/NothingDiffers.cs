using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FIT002: the header names variants or sides, and nothing on the sheet is different for any of them: none is ever reached.</summary>
public sealed class NothingDiffers : Rule
{
    public override RuleInfo Info { get; } = new("FIT002", Severity.Hint, "Variant never reached");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        if (walk.Whole.Header.Variants.IsEmpty) yield break;
        var named = walk.Whole.Things.Select(t => t.Only).Concat(walk.Whole.Steps.SelectMany(s => s.Actions.Select(a => a.Only))).OfType<Limit>().SelectMany(l => l.Options)
            .Concat(walk.Whole.Joints.SelectMany(j => j.Variants).SelectMany(v => v.Limit?.Options ?? [])).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var factor in walk.Whole.Header.Variants)
            if (!factor.Options.Any(named.Contains))
                yield return At(null, -1, null, $"The header says that the {factor.Name} can be {string.Join(" or ", factor.Options)}, and nothing on the sheet is different for any of them. Mark what differs, or take them out of the header.");
    }
}
