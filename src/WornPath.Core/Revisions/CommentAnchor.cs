using WornPath.Core.Findings;
using WornPath.Core.Sheets;

namespace WornPath.Core.Revisions;

/// <summary>What a comment is about.</summary>
public enum AnchorKind
{
    /// <summary>The sheet as a whole.</summary>
    Sheet,

    /// <summary>A step.</summary>
    Step,

    /// <summary>Some words of a step.</summary>
    Words,

    /// <summary>A joint, a part or another thing.</summary>
    Thing,

    /// <summary>The torque of a joint.</summary>
    Value,

    /// <summary>A figure of a step.</summary>
    Figure,

    /// <summary>A finding.</summary>
    Finding,
}

/// <summary>
/// What a comment is about, by ids that stay the same through edits and from revision to revision, and what stood there when it was written:
/// so it follows what it is about, and what is gone is shown as it was.
/// </summary>
public sealed record CommentAnchor
{
    /// <summary>The longest text of a step that is kept with a comment, in characters; more of it is cut.</summary>
    private const int LongestThen = 4000;

    public AnchorKind Kind { get; init; }

    /// <summary>Id of the step, the thing or the figure; the key of the finding; empty for the sheet.</summary>
    public string Id { get; init; } = "";

    /// <summary>The words, where it is about some of a step's.</summary>
    public Span At { get; init; }

    /// <summary>What stood there then: the text of the step, the name of the thing, its value, what was found.</summary>
    public string Then { get; init; } = "";

    /// <summary>An anchor in a sheet as it stands, or why there is nothing to write on.</summary>
    public static Outcome<CommentAnchor> In(Sheet sheet, IReadOnlyCollection<Finding> findings, AnchorKind kind, string id, Span at = default)
    {
        var then = kind switch
        {
            AnchorKind.Sheet => "",
            AnchorKind.Step or AnchorKind.Words => sheet.FindStep(id)?.Text,
            AnchorKind.Thing => sheet.Find(id)?.Label,
            AnchorKind.Value => sheet.Find(id) is Joint joint ? ValueOf(joint) : null,
            AnchorKind.Figure => FigureIn(sheet, id) is { } figure ? figure.Figure.Alt : null,
            _ => findings.FirstOrDefault(f => f.WaiverKey == id)?.Message,
        };
        if (then is null) return new Problem("What the comment is about is not on the sheet any more.", "Reload, and write it where it belongs now.");
        if (kind == AnchorKind.Words && (at.Start < 0 || at.Length <= 0 || at.End > then.Length || string.IsNullOrWhiteSpace(at.Of(then))))
            return new Problem("No words are chosen.", "Choose some words of the step, or comment on the step.");
        if (then.Length > LongestThen && at.End <= LongestThen) then = then[..LongestThen];
        return new CommentAnchor { Kind = kind, Id = kind == AnchorKind.Sheet ? "" : id, At = kind == AnchorKind.Words ? at : default, Then = then };
    }

    /// <summary>Where it stands on a sheet now.</summary>
    public CommentPlace On(Sheet sheet, IReadOnlyCollection<Finding> findings)
    {
        switch (Kind)
        {
            case AnchorKind.Sheet:
                return new CommentPlace("The sheet", null, null, null, PlaceIs.There, "");
            case AnchorKind.Step or AnchorKind.Words:
                if (Numbered(sheet, s => s.Id == Id) is not var (step, number)) return Gone(Kind == AnchorKind.Step ? "A step" : "Words of a step");
                var at = Kind == AnchorKind.Words ? Following.Of(Then, At, step.Text) : null;
                var changed = Kind == AnchorKind.Words ? at is null || at.Value.Of(step.Text) != At.Of(Then) : step.Text != Then;
                return new CommentPlace($"Step {number}", step.Id, number, at, changed ? PlaceIs.Changed : PlaceIs.There,
                    !changed ? "" : Kind == AnchorKind.Words ? At.Of(Then) : Then);
            case AnchorKind.Thing or AnchorKind.Value:
                if (sheet.Find(Id) is not { } thing) return Gone(Then);
                var now = Kind == AnchorKind.Value && thing is Joint joint ? ValueOf(joint) : thing.Label;
                return new CommentPlace(Kind == AnchorKind.Value ? $"{thing.Label}, torque" : thing.Label, null, null, null,
                    now == Then ? PlaceIs.There : PlaceIs.Changed, now == Then ? "" : Then);
            case AnchorKind.Figure:
                return FigureIn(sheet, Id) is { } found
                    ? new CommentPlace($"Step {found.Number}, figure", found.Step.Id, found.Number, null,
                        found.Figure.Alt == Then ? PlaceIs.There : PlaceIs.Changed, "")
                    : Gone("A figure");
            default:
                return findings.FirstOrDefault(f => f.WaiverKey == Id) is { } finding
                    ? new CommentPlace($"{finding.Rule}{(finding.StepNumber is { } n ? $" at step {n}" : "")}", finding.Step, finding.StepNumber,
                        null, PlaceIs.There, "")
                    : new CommentPlace($"{Id.Split(':')[0]}, no longer found", null, null, null, PlaceIs.Gone, Then);
        }
    }

    // Shown with what it was about.
    private CommentPlace Gone(string label) =>
        new($"{label}, no longer on the sheet", null, null, null, PlaceIs.Gone, Kind == AnchorKind.Words ? At.Of(Then) : Then);

    private static string ValueOf(Joint joint) => joint.Torque?.ToString() ?? "";

    private static (Step Step, int Number)? Numbered(Sheet sheet, Predicate<Step> which)
    {
        var number = 0;
        foreach (var step in sheet.Steps)
        {
            number++;
            if (which(step)) return (step, number);
        }

        return null;
    }

    private static (Figure Figure, Step Step, int Number)? FigureIn(Sheet sheet, string id) =>
        Numbered(sheet, s => s.Figures.Any(f => f.Id == id)) is var (step, number) ? (step.Figures.First(f => f.Id == id), step, number) : null;
}

/// <summary>How it stands with what a comment is about.</summary>
public enum PlaceIs
{
    /// <summary>As it was.</summary>
    There,

    /// <summary>There, and not as it was.</summary>
    Changed,

    /// <summary>No longer on the sheet.</summary>
    Gone,
}

/// <summary>Where a comment stands on a sheet now.</summary>
/// <param name="Label">What it is about, in words.</param>
/// <param name="StepId">The step it is shown at; null for none.</param>
/// <param name="StepNumber">Its number.</param>
/// <param name="At">The words in the step's text; null for all of it, or where they are gone.</param>
/// <param name="Is">Whether it is as it was.</param>
/// <param name="Then">What stood there when the comment was written, where it does not any more.</param>
public sealed record CommentPlace(string Label, string? StepId, int? StepNumber, Span? At, PlaceIs Is, string Then);
