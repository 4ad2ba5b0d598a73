using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD020: what was undone on a part that was off is done up only when that part is on again; or what was undone on the vehicle, off it.</summary>
public sealed class PutTogetherElsewhere : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("ORD020", Severity.Warn, "Put together where it did not come apart");

    protected internal override void Find(Walk walk, Part host, Found found)
    {
        var own = walk.EventsOf(host.Id);
        foreach (var on in own.Where(e => e.Verb == Verb.Fit && e.ActedPart.Place is not PartPlace.On))
        {
            // Since it came off until it goes on again.
            var off = own.LastOrDefault(e => e.Order < on.Order && e.Verb is Verb.Remove or Verb.HangAside or Verb.SetAside);
            if (off is null) continue;
            foreach (var (thing, later) in UndoneBetween(walk, host, off.Order, on.Order))
                found.Add(At(on, $"{host.Label} goes on here, and {thing.Label}, undone on the bench, "
                    + $"{(thing is Part ? "goes back" : thing.IsMany ? "are done up" : "is done up")} only in step {later.StepIndex + 1}.",
                    later.StepIndex == on.StepIndex ? null : Fixes.MoveBefore(walk, later.StepIndex, on.StepIndex)));
            foreach (var made in ConnectedTo(walk)[host.Id])
                if (made.Order > off.Order && made.Order < on.Order && made.Thing is Connection connection
                    && walk.EventsOf(connection.Id).Any(e => e.Verb == Verb.Disconnect && e.Order < off.Order))
                    found.Add(At(made, $"{connection.Label} is connected here to {host.Label}, which goes on only in step {on.StepIndex + 1}.",
                        made.StepIndex == on.StepIndex ? null : Fixes.MoveAfter(walk, made.StepIndex, on.StepIndex)));
        }
    }

    // What sits on it, and what holds that: undone while it was off, and done up behind it.
    private static IEnumerable<(Thing Thing, WalkEvent Later)> UndoneBetween(Walk walk, Part host, int off, int on)
    {
        foreach (var id in SeatedOn(walk)[host.Id])
        {
            if (walk.Things.GetValueOrDefault(id) is not Part seated || seated == host) continue;
            var events = walk.EventsOf(seated.Id);
            if (events.LastOrDefault(e => e.Order > off && e.Order < on && e.Verb == Verb.Remove && e.ActedPart.IsMounted) is { } taken
                && walk.HostAt(seated.Id, taken.Order + 1) == host.Id && !seated.Behind.Contains(host.Id)
                && !walk.BeforeEvent(seated.Id, on).Part.IsMounted
                && events.FirstOrDefault(e => e.Order > on && e.Verb == Verb.Fit) is { } fitted) yield return (seated, fitted);
            if (walk.HostAt(seated.Id, on) != host.Id) continue;
            foreach (var joint in walk.HoldersOf(seated.Id))
                if (walk.EventsOf(joint.Id) is var turned && turned.Any(e => e.Order > off && e.Order < on && e.Verb == Verb.TakeOut && !e.Acted.IsOut)
                    && walk.BeforeEvent(joint.Id, on).Joint is { IsOut: true } or { IsSlack: true }
                    && turned.FirstOrDefault(e => e.Order > on && e.Verb is Verb.Torque or Verb.Snug or Verb.Start) is { } done) yield return (joint, done);
        }
    }

    // What ever sat on a part, by its id.
    private static ILookup<string, string> SeatedOn(Walk walk) => walk.Kept(typeof(PutTogetherElsewhere), static w =>
        w.Sheet.Parts.Where(p => p.SitsOn is not null).Select(p => (Host: p.SitsOn!, p.Id))
            .Concat(w.Events.Where(e => e is { Thing: Part, Action.Host: not null }).Select(e => (Host: e.Action.Host!, e.Thing!.Id)))
            .Distinct().ToLookup(p => p.Host, p => p.Id));

    // What is connected to a part, by its id.
    private static ILookup<string, WalkEvent> ConnectedTo(Walk walk) => walk.Kept(typeof(Connection), static w =>
        w.Doing(Verb.Connect).Where(e => e.Thing is Connection).Select(e => (Event: e, Part: GoesTo(w, (Connection)e.Thing!)))
            .Where(c => c.Part is not null).ToLookup(c => c.Part!.Id, c => c.Event));

    private static Part? GoesTo(Walk walk, Connection connection) => connection.GoesTo.Length == 0 ? null
        : NameIndex.Of(walk.Sheet).Resolve(NameIndex.StemsOf(connection.GoesTo)).One as Part;
}
