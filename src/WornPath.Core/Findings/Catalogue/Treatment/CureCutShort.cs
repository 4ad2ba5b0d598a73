using WornPath.Core.Building;
using WornPath.Core.Workshops;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR010: the sheet says how long a compound cures, and that is less than it takes in this shop.</summary>
public sealed partial class CureCutShort : Rule
{
    public override RuleInfo Info { get; } = new("THR010", Severity.Warn, "Cure cut short");

    [GeneratedRegex(@"(?<=\bcure\b[^.]*?)\d+(?:\.\d+)?\s*(?:hours?|h|minutes?|min)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Time();

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // The longest cure that is said; where none is, THR009 says so.
        var longest = walk.Doing(Verb.Wait).Where(e => e.Action.Minutes is not null && Claims.Says(e.Step, ClaimKind.Cures)).MaxBy(e => e.Action.Minutes);
        if (longest is null) yield break;
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Treatment == Sheets.Treatment.None || !walk.EventsOf(joint.Id).Any(e => e.Verb == Verb.Torque) || TreatmentAdvice.For(joint, walk.Things, walk.Workshop.Rules).FullHours is not { } hours || longest.Action.Minutes >= hours * 60) continue;
            var text = Time().Replace(longest.Step.Text, $"{hours} hours", 1);
            yield return At(longest.Step, longest.StepIndex, joint, $"The {TighteningSentence.TreatmentWords(joint)} on {joint.Label} bears its load after {hours} h in this shop; "
                + $"the step waits {longest.Action.Minutes / 60:0.#} h. The data sheet of the compound counts where it says otherwise.",
                text == longest.Step.Text ? null : new Fix($"Wait {hours} h", new WriteStep(longest.Step.Id, longest.Step.Text, text)));
            yield break;
        }
    }
}
