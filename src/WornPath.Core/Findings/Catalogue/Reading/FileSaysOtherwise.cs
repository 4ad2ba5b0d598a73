using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>RED002: a step that came from a file carries something else than its sentence says.</summary>
public sealed class FileSaysOtherwise : StepRule
{
    public override RuleInfo Info { get; } = new("RED002", Severity.Stop, "File and sentence differ");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.SentenceSays is not null;

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        // What the step carries is said whole, whatever is walked.
        var step = walk.Whole.FindStep(walk.Steps[stepIndex].Id) ?? walk.Steps[stepIndex];
        found.Add(At(step, stepIndex, null, $"The file says {Rereading.Carried(step, walk.Whole)}; the sentence says {step.SentenceSays}. The walk goes by the file. Take what the sentence says, or write the sentence anew.",
            new Fix("Take what the sentence says", new ReadSentence(step.Id))));
    }
}
