using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>
/// A rule that holds what a step says of a joint against what Joints has, whichever of the two was written last. What differs
/// is said once a step and joint, with both ways to mend it: Joints takes the step's, or the step is written with what Joints has.
/// </summary>
public abstract class AgreementRule : StepRule
{
    /// <summary>What a step says of a joint.</summary>
    /// <param name="At">Where the words stand in the step's text.</param>
    /// <param name="Words">The words as a person reads them.</param>
    /// <param name="Stands">What Joints has, as a person reads it.</param>
    /// <param name="Field">The joint's field; empty where Joints cannot take it over.</param>
    /// <param name="Takes">The text the field would get.</param>
    /// <param name="Writes">The words that would stand in the step; null where the step cannot be written by itself.</param>
    protected sealed record Said(Span At, string Words, string Stands, string Field, string Takes, string? Writes);

    protected internal sealed override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        HashSet<string>? told = null;
        foreach (var action in step.Actions)
        {
            if (action.Target is not { } id || walk.Things.GetValueOrDefault(id) is not Joint joint || told?.Contains(id) == true || Differs(walk, step, action, joint) is not { } said) continue;
            (told ??= []).Add(id);
            found.Add(At(step, stepIndex, joint, $"The step says {said.Words}; {joint.Label} {(said.Stands.Length > 0 ? $"has {said.Stands}" : "has none")} in Joints. One of the two is wrong.", Take(walk, joint, said), Write(step, said)));
        }
    }

    /// <summary>What a step says of a joint and Joints has otherwise; null where both agree, or one of them is silent.</summary>
    protected abstract Said? Differs(Walk walk, Step step, StepAction action, Joint joint);

    /// <summary>Whether a step works on more joints than one, so that nobody can tell whose the words are.</summary>
    protected static bool NamesSeveralJoints(Walk walk, Step step) =>
        step.Actions.Select(a => a.Target).OfType<string>().Where(t => walk.Things.GetValueOrDefault(t) is Joint).Distinct().Skip(1).Any();

    /// <summary>What goes with taking the step's words over into Joints, besides the field itself.</summary>
    protected virtual IEnumerable<Edit> Besides(Joint joint) => [];

    // A field that holds for some variants alone is no field of the whole joint.
    private Fix? Take(Walk walk, Joint joint, Said said)
    {
        if (said.Field.Length == 0 || walk.Whole.Find(joint.Id) is not Joint whole) return null;
        var field = Fields.Of(ThingKind.Joint).First(f => f.Name == said.Field);
        Edit set = new SetField(joint.Id, said.Field, field.Get(whole), said.Takes);
        Edit[] besides = [.. Besides(whole)];
        var title = $"Joints takes {said.Takes}";
        return new Fix(title, besides.Length == 0 ? set : new Several(title, [set, .. besides]));
    }

    private static Fix? Write(Step step, Said said) => said.Writes is not { Length: > 0 } writes || said.At.Length == 0 ? null
        : Fix.Write($"The step says {writes}", step, said.At, writes);
}
