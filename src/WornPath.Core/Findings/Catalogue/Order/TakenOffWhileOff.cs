using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD013: a part is taken off that is off, or still in the box; a connection is taken apart that is apart.</summary>
public sealed class TakenOffWhileOff : Rule
{
    public override RuleInfo Info { get; } = new("ORD013", Severity.Warn, "Taken off while it is off");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Remove, Verb.HangAside, Verb.Disconnect))
        {
            switch (walked.Thing)
            {
                case Part part when walked.ActedPart.Place == PartPlace.InBox:
                    yield return At(walked, $"{part.Label} comes off here and {part.Are} not on the vehicle yet: {part.It} {part.Are} in the kit, by what Joints says. Is another part meant, or {part.Are} {part.It} on the vehicle?");
                    break;
                // What lies on the bench may still be hung up, and what hangs be taken from its hook.
                case Part part when walked.Verb == Verb.Remove && walked.ActedPart.Place == PartPlace.OnBench && !walk.CountsWhatWasAll(walked)
                    && !IsCarriedAway(walk, walked):
                    yield return At(walked, $"{part.Label} is off already and {part.Or("comes", "come")} off here again. Take one of the two steps out, or name the part that is meant.");
                    break;
                case Connection connection when walked.Verb == Verb.Disconnect && !walked.Before.Connected:
                    yield return At(walked, $"{connection.Label} is {(connection.Origin == Origin.Vehicle ? "disconnected already" : "not connected yet")} and {connection.Are} disconnected here. Take one of the two steps out, or name the one that is meant.");
                    break;
            }
        }
    }

    // "Lower it on the jack and lift it away": off in this very step, and not by one that it repeats.
    private static bool IsCarriedAway(Walk walk, WalkEvent walked) =>
        walk.EventsOf(walked.Thing!.Id).Any(e => e.Order < walked.Order && e.StepIndex == walked.StepIndex && e.Verb == Verb.Remove
            && e.ActedPart.Place == PartPlace.On);
}
