using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS002: a value is held against limits, and no word says what to do where it is beyond them.</summary>
public sealed class NoWordOnAFail : Rule
{
    public override RuleInfo Info { get; } = new("INS002", Severity.Warn, "No word on a fail");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Measure, Verb.Inspect))
        {
            if (walked.Action.Limits is not { } limits || walked.Action.Branch > 0 || walked.Step.Branches.Length > 0 || walked.Step.Table is not null
                || Claims.Says(walked.Step, ClaimKind.OnAFail)) continue;
            yield return At(walked, $"{walked.Thing?.Label ?? Reading.Sentences.Capital(walked.Action.Words ?? "what is measured")} must be {limits}, and nothing says what to do where {(walked.Thing?.IsMany == true ? "they are" : "it is")} not. Put it on a line of its own: “If it is not: …”.",
                new Fix("Stop the job where it fails", new WriteStep(walked.Step.Id, walked.Step.Text, walked.Step.Text.TrimEnd() + "\nIf it is not: stop the job and ask the lead.")));
        }
    }
}
