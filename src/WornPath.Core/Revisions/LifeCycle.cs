using WornPath.Core.Quantities;
using WornPath.Core.Workshops;
using WornPath.Core.Findings;
using WornPath.Core.Findings.Catalogue;
using WornPath.Core.Sheets;

namespace WornPath.Core.Revisions;

/// <summary>What may happen to a revision, and when. Null means it may; a problem says why not.</summary>
public static class LifeCycle
{
    /// <summary>The states of a revision that people worked from, or do.</summary>
    public static readonly IReadOnlyList<RevisionState> WorkedFrom = [RevisionState.Released, RevisionState.Superseded, RevisionState.Withdrawn];

    /// <summary>Whether the sheet may be changed.</summary>
    public static Problem? Edit(RevisionState state) => state switch
    {
        RevisionState.Draft => null,
        RevisionState.InReview => new Problem("This revision is in review and stands still.", "Call it back under Review, or have it returned, then change it."),
        _ => new Problem($"This revision is {Name(state)} and cannot be changed.", "Start a new revision from it."),
    };

    /// <summary>Whether it may be sent for review.</summary>
    public static Problem? Send(RevisionState state, Sheet sheet)
    {
        if (state != RevisionState.Draft) return new Problem($"This revision is {Name(state)}.", "Only a draft is sent for review.");
        return sheet.Steps.Any(s => !string.IsNullOrWhiteSpace(s.Text)) ? null : new Problem("There is nothing to review: no step has a text.", "Write the first step.");
    }

    /// <summary>Whether it is said why it changes what people work from, where it follows a revision that was released.</summary>
    public static Problem? SayWhy(bool follows, string why) =>
        why.Trim().Length > 2000 ? new Problem($"A reason of {why.Trim().Length:N0} characters is too long.", "Keep it to 2,000.")
        : !follows || why.Trim().Length >= 5 ? null
        : new Problem("It changes what people work from, and does not say why.", "Say it in a sentence: it stands on the sheet beside what has changed.");

    /// <summary>Whether it may be returned to its author, with this reason.</summary>
    public static Problem? Return(RevisionState state, string reason)
    {
        if (state != RevisionState.InReview) return new Problem($"This revision is {Name(state)}.", "Only a revision in review is returned.");
        return string.IsNullOrWhiteSpace(reason) ? new Problem("A return needs a reason.", "Say what the author should change.")
            : reason.Length > 2000 ? new Problem($"A reason of {reason.Length:N0} characters is too long.", "Keep it to 2,000.") : null;
    }

    /// <summary>Whether its author may call it back from review.</summary>
    public static Problem? CallBack(RevisionState state) => state == RevisionState.InReview ? null
        : new Problem($"This revision is {Name(state)}.", "Only a revision in review is called back.");

    /// <summary>
    /// Whether a person may read a value again: where it was she who read another one last, with a reason only, since trying until it
    /// fits is no reading.
    /// </summary>
    public static Problem? ReadAgain(bool sheReadAnother, string? reason) => !sheReadAnother || reason is { } said && said.Trim().Length >= 5 ? null
        : new Problem("You have read another value there before.", "Let somebody else read it, or say why you read it again: the wrong line, a slip of the finger.");

    /// <summary>Whether a person may release it: not one who wrote on it, not while a Stop finding stands, and not while a comment is open.</summary>
    public static Problem? Release(RevisionState state, string person, IReadOnlyCollection<string> wroteOnIt, IReadOnlyCollection<Finding> findings,
        int openComments)
    {
        if (state != RevisionState.InReview) return new Problem($"This revision is {Name(state)}.", "Only a revision in review is released.");
        if (wroteOnIt.Contains(person)) return new Problem("You wrote on this revision.", "Somebody else has to release it.");
        var stops = findings.Where(f => f.Severity == Severity.Stop).ToList();
        if (stops.Count == 0)
        {
            var open = findings.Where(f => f is { Severity: Severity.Warn, Waiver: null }).ToList();
            return open.Count == 0 ? Commenting.Release(openComments)
                : new Problem($"{open.Count} warning{(open.Count == 1 ? " has" : "s have")} no reason to stand: {Named(open)}.",
                "A reviewer gives each a reason under Review, or returns the revision to its author.");
        }

        return new Problem($"{stops.Count} finding{(stops.Count == 1 ? "" : "s")} must be cleared before release: {Named(stops)}.",
            stops.TrueForAll(f => f.Rule == ValueUnverified.Id) ? "A second person reads the values from their sources under Review." : "Return it to its author.");
    }

    private static string Named(List<Finding> findings) =>
        string.Join("; ", findings.Take(5).Select(f => f.StepNumber is { } n ? $"step {n}: {f.Title} ({f.Rule})" : $"{f.Title} ({f.Rule})")) + (findings.Count > 5 ? "; …" : "");

    /// <summary>Whether a person may waive a finding with this reason: a warning, in review, by somebody who did not write on it.</summary>
    public static Problem? Waive(RevisionState state, string person, IReadOnlyCollection<string> wroteOnIt, Finding finding, string reason)
    {
        if (Judge(state, person, wroteOnIt) is { } problem) return problem;
        if (finding.Severity == Severity.Stop) return new Problem($"{finding.Rule} stops a release; nobody waives it.", "Return the revision to its author.");
        if (finding.Severity == Severity.Hint) return new Problem($"{finding.Rule} is a hint.", "It needs no reason to stand.");
        if (finding.Waiver is not null) return new Problem($"{finding.Rule} is waived already.", "Take the waiver back first, to give another reason.");
        return string.IsNullOrWhiteSpace(reason) || reason.Trim().Length < 5 ? new Problem("A waiver needs a reason.", "Say why the warning may stand: who follows the sheet will not ask you.")
            : reason.Length > 2000 ? new Problem($"A reason of {reason.Length:N0} characters is too long.", "Keep it to 2,000.") : null;
    }

    /// <summary>Whether a person may judge it, by a reason for a warning to stand or a second reading of a value: in review, and not one who wrote on it.</summary>
    public static Problem? Judge(RevisionState state, string person, IReadOnlyCollection<string> wroteOnIt) =>
        state != RevisionState.InReview ? new Problem($"This revision is {Name(state)}.", "Warnings are waived and values read again while it is in review.")
        : wroteOnIt.Contains(person) ? new Problem("You wrote on this revision.", "Another reviewer has to judge it.") : null;

    /// <summary>Whether a person may take a waiver back: as for giving one.</summary>
    public static Problem? TakeBack(RevisionState state, string person, IReadOnlyCollection<string> wroteOnIt) => Judge(state, person, wroteOnIt);

    /// <summary>
    /// Whether a person reads the sheet without its values: one who may judge it, while a value is to be read from its source.
    /// What she reads there shall not be what she saw here.
    /// </summary>
    public static bool ReadsBlind(RevisionState state, string person, bool reviews, IReadOnlyCollection<string> wroteOnIt, bool anyToRead) =>
        reviews && anyToRead && Judge(state, person, wroteOnIt) is null;

    /// <summary>Whether a new revision may start from it.</summary>
    public static Problem? Revise(RevisionState state) => state is RevisionState.Released or RevisionState.Withdrawn
        ? null
        : new Problem($"This revision is {Name(state)}.", "A new revision starts from the released one.");

    /// <summary>Whether it may be withdrawn, with this reason. It makes the floor safer, so every approver may, whoever wrote it.</summary>
    public static Problem? Withdraw(RevisionState state, string reason)
    {
        if (state != RevisionState.Released) return new Problem($"This revision is {Name(state)}.", "Only a released revision is withdrawn.");
        return string.IsNullOrWhiteSpace(reason) ? new Problem("A withdrawal needs a reason.", "Say why nobody should follow it any more.")
            : reason.Length > 2000 ? new Problem($"A reason of {reason.Length:N0} characters is too long.", "Keep it to 2,000.") : null;
    }

    /// <summary>Whether a bulletin may be given out against it, with this text: against what people work from.</summary>
    public static Problem? Warn(RevisionState state, string text)
    {
        if (state != RevisionState.Released) return new Problem($"This revision is {Name(state)}.",
            "A bulletin is given out against the one people work from.");
        return string.IsNullOrWhiteSpace(text) || text.Trim().Length < 5
            ? new Problem("The bulletin says nothing.", "Say what is wrong on the sheet, and what to do instead.")
            : text.Length > 2000 ? new Problem($"A bulletin of {text.Length:N0} characters is too long.", "Keep it to 2,000.") : null;
    }

    /// <summary>Whether a revision may be put down to be looked at again by a day; null takes the day away.</summary>
    public static Problem? LookAgain(RevisionState state, DateOnly? by, DateOnly today)
    {
        if (state != RevisionState.Released) return new Problem($"This revision is {Name(state)}.", "A day is set for the one people work from.");
        if (by is not { } day) return null;
        return day <= today ? new Problem($"{Days.Written(day)} is not ahead.", "Choose a day after today.")
            : day > today.AddYears(10) ? new Problem($"{Days.Written(day)} is more than ten years off.", "Choose an earlier day.") : null;
    }

    /// <summary>Whether a bulletin may be taken back, with this reason.</summary>
    public static Problem? TakeWarningBack(bool isTakenBack, string why) => isTakenBack
        ? new Problem("This bulletin is taken back already.", "Reload to see those that hold.")
        : string.IsNullOrWhiteSpace(why) || why.Trim().Length < 5 ? new Problem("To take a bulletin back needs a reason.",
            "Say why the sheet can be followed as it stands.")
        : why.Length > 2000 ? new Problem($"A reason of {why.Length:N0} characters is too long.", "Keep it to 2,000.") : null;

    private static string Name(RevisionState state) => EnumWord.Of(state);
}
