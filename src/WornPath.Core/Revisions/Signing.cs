using WornPath.Core.Findings;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Revisions;

/// <summary>
/// How many sign a sheet before it is released, and who may. A signature is of the exact content: it falls with the first letter that changes.
/// </summary>
public static class Signing
{
    /// <summary>How many people sign it, the one who releases it among them; more where lives hang on a thing of the sheet.</summary>
    public static int Needed(Sheet sheet, HouseRules rules) =>
        OnWhichLivesHang(sheet) is null ? rules.Signatures : Math.Max(rules.Signatures, rules.SafetySignatures);

    /// <summary>Why so many sign it, in a sentence; empty where it is the usual number.</summary>
    public static string Why(Sheet sheet, HouseRules rules) => Needed(sheet, rules) > rules.Signatures
        ? $"{rules.SafetySignatures} sign it, since lives hang on {OnWhichLivesHang(sheet)!.Label}." : "";

    // Brakes, steering, suspension, roll-over and towing structures; and what holds a road wheel.
    private static Thing? OnWhichLivesHang(Sheet sheet)
    {
        if (Natures.LifeCritical(sheet).FirstOrDefault() is { } critical) return critical;
        var wheels = sheet.Parts.Where(p => Natures.Of(p) == PartNature.Wheel).Select(p => p.Id).ToHashSet();
        return sheet.Joints.FirstOrDefault(j => j.Holds.Any(wheels.Contains));
    }

    /// <summary>Whether a person may sign it: as for releasing it, and once.</summary>
    public static Problem? Sign(RevisionState state, string person, IReadOnlyCollection<string> wroteOnIt, IReadOnlyCollection<Finding> findings,
        int openComments, IReadOnlyCollection<string> signed) =>
        state != RevisionState.InReview ? new Problem($"This revision is {EnumWord.Of(state)}.", "A sheet is signed while it is in review.")
        : wroteOnIt.Contains(person) ? new Problem("You wrote on this revision.", "Somebody else has to sign it.")
        : signed.Contains(person) ? new Problem("You have signed it.", "It is signed once by each.")
        : LifeCycle.Release(state, person, wroteOnIt, findings, openComments);

    /// <summary>Whether so many have signed that this person's release, which is her signature, is enough.</summary>
    public static Problem? Release(string person, IReadOnlyCollection<string> signed, int needed)
    {
        var missing = needed - signed.Append(person).Distinct().Count();
        return missing <= 0 ? null
            : new Problem($"{missing} signature{(missing == 1 ? " is" : "s are")} missing.",
                $"{(missing == 1 ? "Another" : $"{missing} others")} who did not write on it and may review it sign{(missing == 1 ? "s" : "")} it first; "
                + "how many sign is a house rule, under Workshop.");
    }
}
