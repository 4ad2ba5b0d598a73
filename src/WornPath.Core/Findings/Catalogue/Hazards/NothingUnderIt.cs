using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ017: a heavy part loses its last fastener with nothing under it and nobody holding it.</summary>
public sealed class NothingUnderIt : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("HAZ017", Severity.Warn, "Nothing under what comes down");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (!Natures.IsHeavy(part) || Natures.Of(part) == PartNature.Wheel || walk.HoldersOf(part.Id).Count == 0) return;
        if (walk.EventsOf(part.Id).FirstOrDefault(e => e.Verb == Verb.Remove && e.ActedPart.Place == PartPlace.On) is not { } off) return;
        // What was put under it or round it between its first fastener and its last.
        if (walk.Sheet.Aids.Any(a => IsCarrier(a) && walk.BeforeEvent(a.Id, off.Order).InPlace)) return;
        for (var i = Math.Max(0, off.StepIndex - 3); i <= off.StepIndex; i++)
            if (Claims.Says(walk.Steps[i], ClaimKind.Lifted) || walk.Steps[i].Hands > 1) return;
        found.Add(At(off, $"{part.Label} comes down here, and no step puts a jack under {part.Them}, slings {part.Them} or has somebody hold {part.Them}: with {part.Its} last fastener "
            + $"{part.It} {part.Or("falls", "fall")}.",
            Fixes.InsertBefore(walk, off.StepIndex, "Hold it first", $"Have a helper hold {Fixes.The(part)}.")));
    }

    private static bool IsCarrier(Aid aid) => Natures.Is(aid, Trait.Carrier);
}
