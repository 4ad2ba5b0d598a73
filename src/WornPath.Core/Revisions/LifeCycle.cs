using WornPath.Core.Findings;
using WornPath.Core.Sheets;

namespace WornPath.Core.Revisions;

/// <summary>What may happen to a revision, and when. Null means it may; a problem says why not.</summary>
public static class LifeCycle
{
    /// <summary>Whether the sheet may be changed.</summary>
    public static Problem? Edit(RevisionState state) => state switch
    {
        RevisionState.Draft => null,
        RevisionState.InReview => new Problem("This revision is in review and stands still.", "Ask the reviewer to return it, then change it."),
        _ => new Problem($"This revision is {Name(state)} and cannot be changed.", "Start a new revision from it."),
    };

    /// <summary>Whether it may be sent for review.</summary>
    public static Problem? Send(RevisionState state, Sheet sheet)
    {
        if (state != RevisionState.Draft) return new Problem($"This revision is {Name(state)}.", "Only a draft is sent for review.");
        return sheet.Steps.Any(s => !string.IsNullOrWhiteSpace(s.Text)) ? null : new Problem("There is nothing to review: no step has a text.", "Write the first step.");
    }

    /// <summary>Whether it may be returned to its author, with this reason.</summary>
    public static Problem? Return(RevisionState state, string reason)
    {
        if (state != RevisionState.InReview) return new Problem($"This revision is {Name(state)}.", "Only a revision in review is returned.");
        return string.IsNullOrWhiteSpace(reason) ? new Problem("A return needs a reason.", "Say what the author should change.")
            : reason.Length > 2000 ? new Problem($"A reason of {reason.Length:N0} characters is too long.", "Keep it to 2,000.") : null;
    }

    /// <summary>Whether a person may release it: not one who wrote on it, and not while a Stop finding stands.</summary>
    public static Problem? Release(RevisionState state, string person, IReadOnlyCollection<string> wroteOnIt, IReadOnlyCollection<Finding> findings)
    {
        if (state != RevisionState.InReview) return new Problem($"This revision is {Name(state)}.", "Only a revision in review is released.");
        if (wroteOnIt.Contains(person)) return new Problem("You wrote on this revision.", "Somebody else has to release it.");
        var stops = findings.Where(f => f.Severity == Severity.Stop).ToList();
        if (stops.Count == 0) return null;
        var named = string.Join("; ", stops.Take(5).Select(f => f.StepNumber is { } n ? $"step {n}: {f.Title} ({f.Rule})" : $"{f.Title} ({f.Rule})"));
        return new Problem($"{stops.Count} finding{(stops.Count == 1 ? "" : "s")} must be cleared before release: {named}{(stops.Count > 5 ? "; …" : "")}.", "Return it to its author.");
    }

    /// <summary>Whether a new revision may start from it.</summary>
    public static Problem? Revise(RevisionState state) => state is RevisionState.Released or RevisionState.Withdrawn
        ? null
        : new Problem($"This revision is {Name(state)}.", "A new revision starts from the released one.");

    /// <summary>Whether it may be withdrawn, with this reason.</summary>
    public static Problem? Withdraw(RevisionState state, string reason)
    {
        if (state != RevisionState.Released) return new Problem($"This revision is {Name(state)}.", "Only a released revision is withdrawn.");
        return string.IsNullOrWhiteSpace(reason) ? new Problem("A withdrawal needs a reason.", "Say why nobody should follow it any more.")
            : reason.Length > 2000 ? new Problem($"A reason of {reason.Length:N0} characters is too long.", "Keep it to 2,000.") : null;
    }

    private static string Name(RevisionState state) => Editing.Fields.WordOf(state);
}
