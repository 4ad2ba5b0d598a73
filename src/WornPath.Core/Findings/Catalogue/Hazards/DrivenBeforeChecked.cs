using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ019: the vehicle is driven before the check or the cure that the sheet itself asks for, or over its own chocks.</summary>
public sealed class DrivenBeforeChecked : Rule
{
    public override RuleInfo Info { get; } = new("HAZ019", Severity.Warn, "Driven before it was checked");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var use in Uses.Of(walk).Where(u => u.Drives))
        {
            // Before anything was taken apart it is driven as it came.
            if (!walk.Events.Any(e => e.Order < use.Order && e.Verb is Verb.Torque or Verb.Fit)) continue;
            foreach (var chock in walk.Sheet.Aids.Where(a => Natures.Is(a, Trait.Chock) && walk.BeforeEvent(a.Id, use.Order).InPlace))
                yield return At(use.Step, use.StepIndex, chock, $"The vehicle is driven here with {chock.Label} still in place. Take them away first.");
            for (var i = use.StepIndex; i < walk.Steps.Count; i++)
            {
                var step = walk.Steps[i];
                var waits = step.Actions.Any(a => a.Verb == Verb.Wait && a.Minutes >= 10) && Claims.Says(step, ClaimKind.Cures);
                if (!waits && !Claims.Says(step, ClaimKind.Qualified)) continue;
                if (i == use.StepIndex && Claims.First(step, waits ? ClaimKind.Cures : ClaimKind.Qualified)!.Value.At.Start < use.At) continue;
                yield return At(use.Step, use.StepIndex, null,
                    $"The vehicle is driven here, and {(waits ? "the compound cures" : "a qualified person looks at it")} only in step {i + 1}. Move "
                    + "the drive behind it.",
                    i == use.StepIndex ? null : Fixes.MoveAfter(walk, use.StepIndex, i));
                break;
            }
        }
    }
}
