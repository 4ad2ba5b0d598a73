using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD009: a step says how many fasteners a joint has, and the joint has another number.</summary>
public sealed class OtherCountSaid : StepRule
{
    private static readonly Memo<Step, bool> SaysACount = new(step => step.Actions.Any(a => CountSaid.Of(step.Text, a.At) is not null));

    public override RuleInfo Info { get; } = new("WRD009", Severity.Warn, "Another count said");

    protected internal override bool Concerns(Step step, HouseRules rules) => SaysACount.Of(step);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        var told = new HashSet<string>();
        foreach (var action in step.Actions)
            if (action.Target is { } id && walk.Things.GetValueOrDefault(id) is Joint joint && CountSaid.Of(step.Text, action.At) is { } count && count != joint.Count && told.Add(id))
                found.Add(At(step, stepIndex, joint, $"The step says {count}, and {joint.Label} {(joint.Count == 1 ? "is 1" : $"are {joint.Count}")} by what Joints says. One of the two is wrong; or name the ones that are meant as a joint of their own."));
    }
}
