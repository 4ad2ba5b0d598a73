using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>PRT005: a part that is thrown away or kept as a spare is on when all is done.</summary>
public sealed class OnAndShouldBeOff : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("PRT005", Severity.Stop, "On at the end, and should be off");

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (part.Fate is not (Fate.Discard or Fate.Spare) || !Counts<PartState>.Any(walk.AtEnd(part.Id).Part, p => p.Place == PartPlace.On)) return;
        var fate = part.Fate == Fate.Discard ? "thrown away" : "kept as a spare";
        var fitted = walk.EventsOf(part.Id).LastOrDefault(e => e.Verb == Verb.Fit);
        if (fitted is null)
        {
            // "If it is worn, take it out and throw it away."
            if (walk.IsForABranch(part)) return;
            found.Add(At(null, -1, part, $"{part.Label} is to be {fate}, by what Joints says, and no step takes {part.Them} off. Write where {part.It} {part.Or("comes", "come")} off."));
            return;
        }

        var meant = fitted.Action.New ? Fate.Replace : Fate.Refit;
        found.Add(At(fitted, $"{part.Label} is to be {fate}, by what Joints says, and {part.Or("goes", "go")} on here.", new Fix($"{part.Id} is {(meant == Fate.Replace ? "replaced" : "refitted")}", new SetField(part.Id, "fate", EnumWord.Of(part.Fate), EnumWord.Of(meant)))));
    }
}
