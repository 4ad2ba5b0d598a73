using WornPath.Core.Reading;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>RED001: a step asks something the author has not settled, so the walk does not know what it does.</summary>
public sealed class QuestionOpen : Rule
{
    public override RuleInfo Info { get; } = new("RED001", Severity.Stop, "Question not settled");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            if (step.Questions.IsEmpty) continue;
            var asks = string.Join(" ", step.Questions.Take(3).Select(q => Asking.Of(q, walk.Sheet)));
            yield return At(step, i, null, $"{asks} Settle it with the chip under the step.");
        }
    }
}
