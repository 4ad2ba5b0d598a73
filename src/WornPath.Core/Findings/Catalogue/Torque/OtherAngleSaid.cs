using System.Globalization;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ018: a nut is backed off by another angle than its specification states.</summary>
public sealed class OtherAngleSaid : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ018", Severity.Warn, "Another angle said");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Torque?.Back is not { } back) return;
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            if (walked.Verb != Verb.BackOff || walked.Action.Angle is not { } said || said == back) continue;
            var (from, to) = (Degrees(said), Degrees(back));
            var text = walked.Step.Text.Replace(from, to, StringComparison.Ordinal);
            found.Add(At(walked, $"{joint.Label} is backed off by {from} here; its value, with its source, says {to}.",
                text == walked.Step.Text ? null : new Fix($"Say {to}", new WriteStep(walked.Step.Id, walked.Step.Text, text))));
        }
    }

    private static string Degrees(decimal angle) => angle.ToString("0.##", CultureInfo.InvariantCulture) + "°";
}
