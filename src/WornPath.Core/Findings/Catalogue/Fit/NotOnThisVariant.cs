using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FIT001: a step does something to what is there on other variants or sides only.</summary>
public sealed class NotOnThisVariant : Rule
{
    public override RuleInfo Info { get; } = new("FIT001", Severity.Stop, "Not there on this variant");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.EventsOf(Walk.Vehicle))
        {
            if (walked.Thing is not null || walked.Action.Target is not { } id || walk.Whole.Find(id) is not { Only: { } only } thing) continue;
            yield return At(walked.Step, walked.StepIndex, thing, $"{thing.Label} is there on {only} only, and this step does not say so. Begin the sentence with “{Sentences.Capital(only.ToString())}:”.", Say(walked, only));
        }
    }

    private static Fix Say(WalkEvent walked, Limit only)
    {
        var text = walked.Step.Text;
        var at = Sentences.StartAt(text, walked.Action.At.Start);
        return Fix.Write($"Say that it is for {only}", walked.Step, new Span(at, text.Length - at),
            $"{Sentences.Capital(only.ToString())}: {Sentences.Small(text[at..])}");
    }
}
