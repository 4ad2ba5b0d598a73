using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings;

/// <summary>A rule that looks at one step at a time. Which rules have anything to say of a step is found once, as long as neither the step nor the house rules change.</summary>
public abstract class StepRule : Rule
{
    public sealed override IEnumerable<Finding> Find(Walk walk)
    {
        var found = new Found();
        for (var i = 0; i < walk.Steps.Count; i++)
            if (Concerns(walk.Steps[i], walk.Workshop.Rules)) Find(walk, i, found);
        return found;
    }

    /// <summary>False where the rule finds nothing on a step, wherever on a sheet it stands.</summary>
    protected internal abstract bool Concerns(Step step, HouseRules rules);

    /// <summary>Adds what the rule finds on a step that it concerns, by its place from 0.</summary>
    protected internal abstract void Find(Walk walk, int stepIndex, Found found);
}
