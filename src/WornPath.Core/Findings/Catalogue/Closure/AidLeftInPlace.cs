using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO004: a plug, hanger, wedge or stand is still in place when all is done.</summary>
public sealed class AidLeftInPlace : Rule
{
    public override RuleInfo Info { get; } = new("CLO004", Severity.Stop, "Temporary aid left in place");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var aid in walk.Sheet.Aids)
        {
            if (!walk.AtEnd(aid.Id).InPlace || Natures.Is(aid, Trait.OldPart)) continue;
            var placed = walk.EventsOf(aid.Id).Last(e => e.Verb == Verb.Place);
            yield return At(placed, $"Put in place here and never taken away: {aid.Label}.",
                Bears(walk, aid) ? null : Fixes.PutRight(walk, aid, placed.StepIndex, $"Take {aid.Id} away", $"Take away {Fixes.The(aid)}."));
        }
    }

    // What the vehicle stands on, or what holds a part that is not fast yet, goes away with what puts that right.
    private static bool Bears(Walk walk, Aid aid) => Natures.Is(aid, Trait.Stand) && walk.AtEnd(Walk.Vehicle).Vehicle.InTheAir
        || (Natures.Is(aid, Trait.Carrier) || Natures.Is(aid, Trait.Compressor)) && !Natures.Is(aid, Trait.Chock)
            && walk.Sheet.Joints.Any(j => walk.AtEnd(j.Id).Joint is { WasOut: true } left && (left.IsOut || left.IsSlack));
}
