using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO012: an old part that was used to press a new one in is not said to come out again.</summary>
public sealed class OldPartLeftIn : ThingRule<Aid>
{
    public override RuleInfo Info { get; } = new("CLO012", Severity.Hint, "Old part used as a tool, and not taken out");

    protected internal override void Find(Walk walk, Aid aid, Found found)
    {
        if (!Natures.Is(aid, Trait.OldPart) || !walk.AtEnd(aid.Id).InPlace) return;
        var used = walk.EventsOf(aid.Id).Last(e => e.Verb == Verb.Place);
        found.Add(At(used, $"{aid.Label} is worked with here, and no step takes {aid.Them} out again: an old race left in its bore is "
            + "not seen any more.", Fixes.PutRight(walk, aid, used.StepIndex, $"Take {aid.Id} away", $"Take away {Fixes.The(aid)}.")));
    }
}
