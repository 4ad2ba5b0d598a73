using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD002: a part goes on while another that belongs under it is still off.</summary>
public sealed class FittedBeforeWhatGoesUnder : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("ORD002", Severity.Stop, "Part fitted before what goes under it");

    protected internal override void Find(Walk walk, Part under, Found found)
    {
        if (under.Behind.IsEmpty) return;
        var fitted = walk.EventsOf(under.Id).LastOrDefault(e => e.Verb == Verb.Fit);
        if (fitted is null) return;
        foreach (var id in under.Behind)
        {
            if (walk.Things.GetValueOrDefault(id) is not Part cover) continue;
            // The last time the cover goes on before the part under it does, while that part is off and the cover stays on.
            var early = walk.EventsOf(id).LastOrDefault(e => e.Verb == Verb.Fit && e.Order < fitted.Order);
            if (walk.BeforeEvent(id, fitted.Order).Part.Place != PartPlace.On || walk.BeforeEvent(under.Id, early?.Order ?? fitted.Order).Part.Place == PartPlace.On) continue;
            if (early is null)
            {
                found.Add(At(fitted, $"{under.Label} is fitted here, and {cover.Label}, which goes over it, has never come off. Write where it does."));
                continue;
            }

            // "Push the spring over the new damper": the one is there when the other goes on.
            if (early.Step.Id == fitted.Step.Id && early.Action.In.Length > 0 && early.Action.In == fitted.Action.In) continue;
            var fix = fitted.StepIndex == early.StepIndex ? null : Fixes.MoveBefore(walk, fitted.Step, early.Step);
            found.Add(At(early, $"{cover.Label} is fitted here, but what goes under it is fitted only in step {fitted.StepIndex + 1}: {under.Label}.", fix));
        }
    }
}
