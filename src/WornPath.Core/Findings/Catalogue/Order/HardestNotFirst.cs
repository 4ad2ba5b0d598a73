using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD009: the joint that is hardest to break loose is tried after other things came off: if it will not move, all that was for nothing.</summary>
public sealed class HardestNotFirst : Rule
{
    /// <summary>From this torque in N·m on a joint is hard to break loose (common practice, no source).</summary>
    public const double HardNm = 180;

    public override RuleInfo Info { get; } = new("ORD009", Severity.Hint, "Hardest joint not tried first");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        Joint? hardest = null;
        foreach (var joint in walk.Written.Joints)
            if (joint.Origin == Origin.Vehicle && Hardness(joint) >= HardNm && (hardest is null || Hardness(joint) > Hardness(hardest)) && FirstLoosened(walk, joint) is not null) hardest = joint;
        if (hardest is null || FirstLoosened(walk, hardest) is not { } loosened) yield break;
        // What lies over it has to come off before anybody gets at it.
        var order = RemovalOrder.Of(walk.Written);
        var over = hardest.Holds.SelectMany(id => order.ToReach(id) is { IsGood: true } way ? way.Value : []).ToHashSet();
        var before = walk.Events.FirstOrDefault(e => e.Order < loosened.Order && e.Thing is Part part && e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside && (!over.Contains(e.Thing.Id) || hardest.Holds.Contains(e.Thing.Id)));
        if (before is null) yield break;
        yield return At(loosened, $"{hardest.Label} ({hardest.TighteningText}{(hardest.Treatment is Treatment.ThreadlockerHigh or Treatment.RetainingCompound ? ", " + EnumWord.Of(hardest.Treatment) : "")}) {hardest.Are} the hardest to break loose and {hardest.Are} tried after {before.Thing!.Label} came off in step {before.StepIndex + 1}. Try {hardest.Them} first: if {hardest.It} will not move there is no sense in going on.",
            Fixes.InsertBefore(walk, before.StepIndex, $"Break {hardest.Id} loose first", $"Break the {hardest.Name} loose."));
    }

    private static double Hardness(Joint joint) => (joint.Torque?.Target.NewtonMetres ?? 0) * (joint.Treatment is Treatment.ThreadlockerHigh or Treatment.RetainingCompound ? 2 : 1);

    private static WalkEvent? FirstLoosened(Walk walk, Joint joint) => walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb is Verb.BreakLoose or Verb.Loosen or Verb.TakeOut);
}
