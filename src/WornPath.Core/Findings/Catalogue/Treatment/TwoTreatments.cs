using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR008: grease, oil or anti-seize and threadlocker on one thread: the one keeps the other from setting.</summary>
public sealed class TwoTreatments : ThingRule<Joint>
{
    private static readonly string[] Slippery = ["grease", "oil", "anti-seize", "antiseize", "copper paste"];

    public override RuleInfo Info { get; } = new("THR008", Severity.Stop, "Threadlocker on a greased thread");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        WalkEvent? slippery = null, locker = null;
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            if (walked.Verb is Verb.Clean or Verb.TakeOut) (slippery, locker) = (null, null);
            if (walked.Verb != Verb.Treat) continue;
            var what = $"{walked.Action.Words} {(walked.Action.With is { } id ? walk.Things.GetValueOrDefault(id)?.Name : "")}";
            if (what.Contains("locker", StringComparison.OrdinalIgnoreCase) || what.Contains("retaining compound", StringComparison.OrdinalIgnoreCase)) locker = walked;
            else if (Array.Exists(Slippery, s => what.Contains(s, StringComparison.OrdinalIgnoreCase))) slippery = walked;
            if (slippery is null || !(locker is not null || TreatmentAdvice.IsLocker(joint.Treatment))) continue;
            found.Add(At(walked, $"{joint.Label} {joint.Or("gets", "get")} both something slippery and threadlocker: on a greased thread it does not set. "
                + $"Clean the thread and use one of the two.",
                locker is null ? null : Fixes.InsertBefore(walk, locker.StepIndex, $"Clean {joint.Id} first", $"Clean the {joint.Name}.")));
            break;
        }
    }
}
