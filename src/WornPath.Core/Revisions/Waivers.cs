using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

using WornPath.Core.Findings;

namespace WornPath.Core.Revisions;

/// <summary>Holds findings against the waivers that were given.</summary>
public static class Waivers
{
    /// <summary>
    /// What the finding rests on, as it stands: the step's words and what is done there, and the thing's fields by their names. A waiver
    /// falls away as soon as this is another. Steps that come and go elsewhere do not touch it, nor does a field that a later
    /// program knows and that says nothing here.
    /// </summary>
    public static string SealOf(Finding finding, Sheet sheet)
    {
        var text = new StringBuilder(finding.Rule);
        if (finding.Step is { } id && sheet.FindStep(id) is { } step)
        {
            text.Append("\ntext=").Append(step.Text);
            foreach (var field in Fields.Step.Where(f => f.Get(step).Length > 0)) text.Append('\n').Append(field.Name).Append('=').Append(field.Get(step));
            foreach (var action in step.Actions) text.Append("\ndone=").Append(action.Target).Append(' ').Append(Asking.Of(action,
                sheet)).Append(' ').Append(action.Branch);
            if (step.Shows is { } figures) text.Append("\nshows=").Append(JsonSerializer.Serialize(figures, SheetJson.Options));
        }

        if (finding.Thing is { } thing && sheet.Find(thing) is { } found)
        {
            var plain = Slots.Plain(found.Kind);
            text.Append("\nthing=").Append(found.Id);
            foreach (var field in Fields.Of(found.Kind).Where(f =>
                f.Get(found) != f.Get(plain))) text.Append('\n').Append(field.Name).Append('=').Append(field.Get(found));
        }

        return Hash(text);
    }

    // As waivers were sealed up to form 7: over the whole of the step and the thing. Those that were given still hold.
    private static string FormerSealOf(Finding finding, Sheet sheet)
    {
        var text = new StringBuilder(finding.Rule);
        if (finding.Step is { } id && sheet.FindStep(id) is { } step) text.Append('\n').Append(JsonSerializer.Serialize(step, SheetJson.Options));
        if (finding.Thing is { } thing && sheet.Find(thing) is { } found) text.Append('\n').Append(JsonSerializer.Serialize(found, found.GetType(), SheetJson.Options));
        return Hash(text);
    }

    private static string Hash(StringBuilder text) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(text.ToString())))[..32];

    /// <summary>The findings, those that are waived with their waiver. Only a Warn is waived: a Stop stands, a Hint needs no reason.</summary>
    public static ImmutableArray<Finding> Apply(ImmutableArray<Finding> findings, Sheet sheet, IReadOnlyCollection<Waiver> given)
    {
        if (given.Count == 0) return findings;
        var byKey = given.ToLookup(w => w.Key);
        return [.. findings.Select(f => f.Severity == Severity.Warn && byKey[f.WaiverKey].LastOrDefault(w => w.Seal == SealOf(f, sheet)
            || w.Seal == FormerSealOf(f, sheet)) is { } waiver ? f with { Waiver = waiver } : f)];
    }

    /// <summary>The waivers that hold nothing any more: what they waived has changed, or is no longer found.</summary>
    public static IEnumerable<Waiver> FallenAway(ImmutableArray<Finding> applied, IReadOnlyCollection<Waiver> given) => given.Where(w => applied.All(f => f.Waiver != w));
}
