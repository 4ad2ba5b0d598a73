using WornPath.Core.Workshops;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>PRT002: a new part that is easily spoilt in fitting (a seal, an O-ring, a retaining ring), and no spare is taken along.</summary>
public sealed partial class NoSpare : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("PRT002", Severity.Hint, "No spare for what is easily spoilt");

    [GeneratedRegex(@"\b(?:seals?|O-rings?|snap rings?|retaining rings?|clips?|gaskets?|crush washers?|sealing washers?)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex EasilySpoilt();

    protected internal override void Find(Walk walk, Part part, Found found)
    {
        if (part.Spares > 0 || (part.Origin == Origin.Vehicle && part.Fate != Fate.Replace) || !EasilySpoilt().IsMatch(part.Name)) return;
        var fitted = walk.EventsOf(part.Id).FirstOrDefault(e => e.Verb == Verb.Fit);
        found.Add(At(fitted?.Step, fitted?.StepIndex ?? -1, part, $"{part.Label} is easily spoilt in fitting, and no spare is taken along. If {part.Or("it", "one")} is spoilt, the job stops until the next delivery.", new Fix("Take one spare along", new SetField(part.Id, "spares", "0", "1"))));
    }
}
