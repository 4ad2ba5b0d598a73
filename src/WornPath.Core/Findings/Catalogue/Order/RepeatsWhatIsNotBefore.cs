using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD019: a step repeats steps by their numbers, and one of them does not stand before it.</summary>
public sealed class RepeatsWhatIsNotBefore : Rule
{
    public override RuleInfo Info { get; } = new("ORD019", Severity.Stop, "Repeats a step that is not before it");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var at in walk.NotRepeated.Take(1))
            yield return At(walk.Steps[at], at, null, $"From here on nothing is repeated on the walk: the sheet repeats more than {Sides.MostRepeated:N0} actions. "
                + "Write the sides out, or repeat less.");
        foreach (var again in walk.Doing(Verb.Repeat))
            if (again.Action.Steps is { } steps && steps.Highest > again.StepIndex)
                yield return At(again, steps.Highest > walk.Steps.Count
                    ? $"Step {steps.Highest} is to be repeated here, and the sheet has {walk.Steps.Count}."
                    : $"Step {steps.Highest} is to be repeated here, and it has not been done yet: this is step {again.StepIndex + 1}. Write the numbers of "
                        + "steps before it.");
    }
}
