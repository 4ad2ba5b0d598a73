using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ004: a hydraulic or fuel line is opened, and no step before lets the pressure off.</summary>
public sealed class PressureNotRelieved : Rule
{
    public override RuleInfo Info { get; } = new("HAZ004", Severity.Warn, "Line opened under pressure");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // On a sheet of hydraulics or fuel every hose and fitting may be under it.
        var system = walk.Sheet.Fluids.Any(f => Natures.Is(f, Trait.UnderPressure));
        var opened = walk.Doing(Verb.Disconnect, Verb.TakeOut, Verb.Loosen, Verb.BreakLoose)
            .Where(e => e.Thing is Connection or Joint && (Natures.Is(e.Thing, Trait.Pressed) || system && Flow.Contains(e.Thing, walk.Things)
                && !Natures.Is(e.Thing, Trait.DrainPlug))).MinBy(e => e.Order);
        if (opened is null) yield break;
        for (var i = 0; i <= opened.StepIndex; i++)
            if (Claims.First(walk.Steps[i], ClaimKind.Relieved) is { Denied: false } said
                && (i < opened.StepIndex || said.At.Start < opened.Action.At.Start)) yield break;
        yield return At(opened, $"{opened.Thing!.Label} is opened here, and no step before lets the pressure off. A jet of oil goes through skin.", Fixes.InsertBefore(walk, opened.StepIndex, "Relieve the pressure first", "Stop the engine.", "Move every lever both ways to relieve the pressure."));
    }
}
