using WornPath.Core.Cautions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Edits of the cautions of a step: the author's own, and what becomes of the usual ones.</summary>
internal static class Cautioning
{
    private const int Longest = 300, MostOfAStep = 12;

    /// <summary>Writes a caution; a usual one that is written anew gives way to the author's.</summary>
    public static Outcome<Step> Write(Step step, WriteCaution edit)
    {
        var caution = edit.Caution with { Hazard = Names.Clean(edit.Caution.Hazard), Consequence = Names.Clean(edit.Caution.Consequence), Avoid = Names.Clean(edit.Caution.Avoid) };
        foreach (var (what, text) in ((string, string)[])[("the hazard", caution.Hazard), ("what it does", caution.Consequence), ("how to avoid it", caution.Avoid)])
        {
            if (text.Length == 0) return new Problem($"The caution does not say {what}.", "Write the hazard, what it does, and how to avoid it (ANSI Z535.6).", what);
            if (text.Length > Longest) return new Problem($"{text.Length} characters are too many for {what}.", $"Keep it to {Longest}.", what);
        }

        var own = step.Cautions.ToList();
        var at = own.FindIndex(c => c.Hazard == edit.Hazard);
        if (at >= 0) own[at] = caution;
        else if (own.Count >= MostOfAStep) return new Problem($"The step has {MostOfAStep} cautions.", "A reader takes in few: put them together, or split the step.");
        else own.Add(caution);
        var dropped = step.Dropped;
        // The usual one that this replaces goes; what is said in its place is the reason.
        if (at < 0 && edit.Hazard.Length > 0) dropped = dropped.RemoveAll(d => d.Hazard == edit.Hazard).Add(new DroppedCaution(edit.Hazard, "written anew by the author"));
        return step with { Cautions = [.. own], Dropped = dropped };
    }

    /// <summary>Takes a caution off.</summary>
    public static Outcome<Step> Drop(Sheet sheet, Step step, DropCaution edit)
    {
        if (step.Cautions.Any(c => c.Hazard == edit.Hazard)) return step with { Cautions = step.Cautions.RemoveAll(c => c.Hazard == edit.Hazard) };
        if (UsualCautions.Proposed(step, sheet).FirstOrDefault(c => c.Hazard == edit.Hazard) is not { } usual) return new Problem($"The step has no caution “{NumberText.Excerpt(edit.Hazard)}”.", "Reload to see the sheet as it is.");
        var reason = Names.Clean(edit.Reason);
        if (reason.Length > Longest) return new Problem($"A reason of {reason.Length} characters is too long.", $"Keep it to {Longest}.");
        if (reason.Length < 5 && usual.Signal is SignalWord.Danger or SignalWord.Warning)
            return new Problem($"A {EnumWord.Of(usual.Signal)} is not taken off without a reason.", "Say why this hazard is not there in this step; the reviewer reads it.");
        return step with { Dropped = step.Dropped.RemoveAll(d => d.Hazard == edit.Hazard).Add(new DroppedCaution(edit.Hazard, reason)) };
    }
}
