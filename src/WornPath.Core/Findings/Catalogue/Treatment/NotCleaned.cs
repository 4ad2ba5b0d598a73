using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR006: threadlocker goes on used threads that nobody has cleaned.</summary>
public sealed class NotCleaned : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR006", Severity.Warn, "Threadlocker on uncleaned threads");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!TreatmentAdvice.IsLocker(joint.Treatment) || joint.Origin != Origin.Vehicle || joint.Reuse == ReuseRule.Renew) return;
        var events = walk.EventsOf(joint.Id);
        if (events.FirstOrDefault(e => e.Verb == Verb.Treat) is not { } treated || events.Any(e => e.Verb == Verb.Clean && e.Order < treated.Order)) return;
        // "Clean the threads": of which joint, the sheet does not know; it is taken at its word.
        if (walk.Events.Any(e => e.Order < treated.Order && e.Action is { Verb: Verb.Clean, Words: { } words } && words.Contains("thread", StringComparison.OrdinalIgnoreCase))) return;
        found.Add(At(treated, $"{joint.Label} are used and get threadlocker here, and no step before cleans them: on oil and old compound it does not hold.", Fixes.InsertBefore(walk, treated.StepIndex, $"Clean {joint.Id} first", $"Clean {Fixes.The(joint)}.")));
    }
}
