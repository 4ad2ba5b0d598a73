using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD011: parts are behind one another in a circle: none of them could come off first.</summary>
public sealed class CircleOfCovers : Rule
{
    public override RuleInfo Info { get; } = new("ORD011", Severity.Stop, "Parts behind one another in a circle");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        if (walk.Written.Parts.All(p => p.Behind.IsEmpty)) yield break;
        if (RemovalOrder.Of(walk.Written).Whole().Problem is { } circle) yield return At(null, -1, null, circle.ToString());
    }
}
