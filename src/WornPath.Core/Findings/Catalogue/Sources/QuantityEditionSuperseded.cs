using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC007: the amount of a fluid, or limits a step measures against, from an edition before the one the workshop works by.</summary>
public sealed class QuantityEditionSuperseded : Rule
{
    public override RuleInfo Info { get; } = new("SRC007", Severity.Warn, "Limits or amount from a superseded edition");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        if (walk.Workshop.Documents.IsEmpty) yield break;
        foreach (var fluid in walk.Sheet.Fluids)
            if (!fluid.IsSecond && Says(walk, fluid.Source, $"The amount of {fluid.Label} is") is { } message)
                yield return walk.EventsOf(fluid.Id).FirstOrDefault(e => e.Verb == Verb.Fill) is { } filled ? At(filled, message)
                    : At(null, -1, fluid, message);
        for (var i = 0; i < walk.Steps.Count; i++)
            if (Says(walk, walk.Steps[i].Source, "The limits here are") is { } message) yield return At(walk.Steps[i], i, null, message);
    }

    private static string? Says(Walk walk, string? source, string what) =>
        source is not null && SourceDocument.Cited(walk.Workshop.Documents, source) is { } document ? FormerEdition.Says(document, source, what) : null;
}
