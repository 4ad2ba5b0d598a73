using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>RED001: a step asks something the author has not settled, so the walk does not know what it does.</summary>
public sealed class QuestionOpen : StepRule
{
    public override RuleInfo Info { get; } = new("RED001", Severity.Stop, "Question not settled");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Questions.Length > 0;

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        var asks = string.Join(" ", step.Questions.Take(3).Select(q => Asking.Of(q, walk.Sheet)));
        found.Add(At(step, stepIndex, null, $"{asks} Settle it with the chip under the step."));
    }
}
