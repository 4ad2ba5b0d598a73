using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ004: a hydraulic or fuel line is opened, and no step before lets the pressure off.</summary>
public sealed partial class PressureNotRelieved : Rule
{
    public override RuleInfo Info { get; } = new("HAZ004", Severity.Warn, "Line opened under pressure");

    [GeneratedRegex(@"\b(?:hydraulic|pressure line|pressure hose|fuel line|fuel hose|accumulator)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pressed();

    private static readonly Memo<Thing, bool> IsPressed = new(thing => Pressed().IsMatch(thing.Name));

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var opened = walk.Doing(Verb.Disconnect, Verb.TakeOut).Where(e => e.Thing is Connection or Joint && IsPressed.Of(e.Thing)).MinBy(e => e.Order);
        if (opened is null) yield break;
        for (var i = 0; i <= opened.StepIndex; i++)
            if (Claims.Says(walk.Steps[i], ClaimKind.Relieved)) yield break;
        yield return At(opened, $"{opened.Thing!.Label} is opened here, and no step before lets the pressure off. A jet of oil goes through skin.", Fixes.InsertBefore(walk, opened.StepIndex, "Relieve the pressure first", "Stop the engine.", "Move every lever both ways to relieve the pressure."));
    }
}
