using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>Where stands were put.</summary>
internal static class StandsAt
{
    /// <summary>
    /// The ends and sides stands are under just before an event: by their name, by the words that put them there, else what came onto
    /// stands in that step; none where nothing tells.
    /// </summary>
    /// <param name="events">All events of the walk so far, in order.</param>
    /// <param name="stands">The stands.</param>
    /// <param name="order">The event.</param>
    public static Ends Of(IReadOnlyList<WalkEvent> events, Aid stands, int order)
    {
        var at = Math.Min(order, events.Count) - 1;
        while (at >= 0 && !(events[at].Verb == Verb.Place && events[at].Thing?.Id == stands.Id)) at--;
        if (at < 0) return WhichEnd.Of(stands);
        var placed = events[at];
        if ((WhichEnd.Of(stands) | WhichEnd.Of(placed.Step, placed.Action)) is not Ends.None and var said) return said;
        for (at++; at < order && at < events.Count && events[at].StepIndex == placed.StepIndex; at++)
            if (events[at] is { Thing: null, Verb: Verb.SetOnStands } set)
                return CornersOf.Named(set.After.Vehicle.Standing.OnStands & ~set.Before.Vehicle.Standing.OnStands);
        return Ends.None;
    }
}
