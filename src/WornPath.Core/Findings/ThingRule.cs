using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>
/// A rule that looks at one thing of a kind at a time. All of them look at a thing before the next is looked at, so that it
/// and its events are fetched from memory once and not once a rule: on long sheets that is what the time goes to.
/// </summary>
public abstract class ThingRule<T> : Rule
    where T : Thing
{
    public sealed override IEnumerable<Finding> Find(Walk walk)
    {
        var found = new Found();
        foreach (var thing in walk.Sheet.Things)
            if (thing is T one) Find(walk, one, found);
        return found;
    }

    /// <summary>Adds what the rule finds on one thing of a walk.</summary>
    protected internal abstract void Find(Walk walk, T thing, Found found);
}
