using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ016: a part of the exhaust comes off, and nothing lets it cool first.</summary>
public sealed class HotParts : Rule
{
    public override RuleInfo Info { get; } = new("HAZ016", Severity.Warn, "Hot parts taken off");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // "The cap", where all there is to run out is coolant.
        var onlyCoolant = walk.Sheet.Fluids.Length > 0 && walk.Sheet.Fluids.All(f => f.Name.Contains("coolant", StringComparison.OrdinalIgnoreCase));
        bool IsPressureCap(Thing? thing) => Natures.Is(thing, Trait.PressureCap) || onlyCoolant && thing is Part { Name: "cap" or "filler cap" };
        var off = walk.Doing(Verb.Remove).Where(e => e.ActedPart.Place == PartPlace.On && e.Thing is Part
            && (Natures.Is(e.Thing, Trait.Hot) || IsPressureCap(e.Thing))).MinBy(e => e.Order);
        if (off is null) yield break;
        for (var i = 0; i <= off.StepIndex; i++)
            if (Claims.Says(walk.Steps[i], ClaimKind.Cooled)) yield break;
        if (IsPressureCap(off.Thing))
        {
            yield return At(off, $"{off.Thing!.Label} comes off here, and no step before lets the engine cool: hot coolant is thrown out under pressure.",
                Fixes.InsertBefore(walk, 0, "Let it cool first", "Let the engine cool down."));
            yield break;
        }

        yield return At(off, $"{off.Thing!.Label} comes off here, and no step before lets the exhaust cool: it burns long after the engine stopped.",
            Fixes.InsertBefore(walk, 0, "Let it cool first", "Let the engine and the exhaust cool down."));
    }
}
