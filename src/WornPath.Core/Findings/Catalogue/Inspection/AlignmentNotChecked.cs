using WornPath.Core.Building;
using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS006: steering or suspension came apart, and the alignment of the wheels is not looked at afterwards.</summary>
public sealed class AlignmentNotChecked : Rule
{
    public override RuleInfo Info { get; } = new("INS006", Severity.Warn, "Alignment not checked");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var fitted = walk.Doing(Verb.Fit).LastOrDefault(e => e.Thing is Part && e.Before.Part is { WasOff: true } && Natures.Is(e.Thing, Trait.Aligns));
        if (fitted is null) yield break;
        for (var i = fitted.StepIndex; i < walk.Steps.Count; i++)
            if (Claims.Says(walk.Steps[i], ClaimKind.Alignment)) yield break;
        yield return At(fitted, $"{fitted.Thing!.Label} came off and {fitted.Thing.Or("goes", "go")} on again here, and no step behind looks at the alignment: the vehicle pulls "
            + "to one side and wears its tyres.",
            Fixes.InsertAtEnd(walk, "Have it checked at the end", TighteningSentence.CheckAlignment));
    }
}
