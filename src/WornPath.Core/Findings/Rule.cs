using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>What a rule is: its stable id (family and number), title and usual severity. Its page is docs/findings/ID.md.</summary>
public sealed record RuleInfo(string Id, Severity Severity, string Title);

/// <summary>A change that puts a finding right, which the author applies with one key.</summary>
public sealed record Fix
{
    private readonly Edit? _edit;
    private readonly Func<Edit>? _make;

    /// <summary>A fix by an edit that is at hand.</summary>
    public Fix(string title, Edit edit) => (Title, _edit) = (title, edit);

    private Fix(string title, Func<Edit> make) => (Title, _make) = (title, make);

    /// <summary>What it does, as a button says it.</summary>
    public string Title { get; init; }

    /// <summary>The edit; one that writes a step anew is made when it is asked for, for its text is as long as the step's.</summary>
    public Edit Edit
    {
        get => _edit ?? _make!();
        init => _edit = value;
    }

    /// <summary>A fix that writes other words in the place of some of a step's.</summary>
    /// <param name="title">What it does.</param>
    /// <param name="step">The step.</param>
    /// <param name="at">The words that go.</param>
    /// <param name="words">What comes in their place.</param>
    public static Fix Write(string title, Step step, Span at, string words) =>
        new(title, () => new WriteStep(step.Id, step.Text, string.Concat(step.Text.AsSpan(0, at.Start), words, step.Text.AsSpan(at.End))));

    /// <summary>Two fixes are the same where they say and do the same.</summary>
    public bool Equals(Fix? other) => other is not null && Title == other.Title && Edit.Equals(other.Edit);

    public override int GetHashCode() => Title.GetHashCode(StringComparison.Ordinal);
}

/// <summary>Something the walk found.</summary>
public sealed record Finding
{
    public required string Rule { get; init; }

    public required Severity Severity { get; init; }

    public required string Title { get; init; }

    /// <summary>What is wrong, with names and numbers, and what to do.</summary>
    public required string Message { get; init; }

    /// <summary>The step it points at; null where it is about the whole sheet.</summary>
    public string? Step { get; init; }

    /// <summary>That step's number, from 1.</summary>
    public int? StepNumber { get; init; }

    /// <summary>Id of the thing it is about; null where it is about none.</summary>
    public string? Thing { get; init; }

    /// <summary>Where the thing is there on both sides, and it is found on the one that is done second: that one. Null else.</summary>
    public Side? Side { get; init; }

    public ImmutableArray<Fix> Fixes { get; init; } = [];

    /// <summary>The variants, sides and branches it holds for; empty for all.</summary>
    public string For { get; init; } = "";

    /// <summary>The reason it was let stand for; null where nobody gave one.</summary>
    public Waiver? Waiver { get; init; }

    /// <summary>How a waiver names it.</summary>
    public string WaiverKey => For.Length == 0 ? Key : $"{Key} ({For})";

    /// <summary>The message, and for which variants, sides and branches it holds.</summary>
    [JsonIgnore]
    public string Said => For.Length == 0 ? Message : $"{Message} (For {For}.)";

    /// <summary>The same finding on a later walk has the same key.</summary>
    public string Key => $"{Rule}:{Thing}{(Side is null ? "" : Sheets.Thing.SecondMark)}:{Step}";
}

/// <summary>One rule: reads a walk, never walks itself, and says what it found. To add one, derive, add it to <see cref="Rules.All"/>, write its page.</summary>
public abstract class Rule
{
    /// <summary>What the rule is.</summary>
    public abstract RuleInfo Info { get; }

    /// <summary>Everything the rule finds on a walk.</summary>
    public abstract IEnumerable<Finding> Find(Walk walk);

    /// <summary>A finding at a step, about a thing.</summary>
    protected Finding At(WalkEvent walked, string message, params ReadOnlySpan<Fix?> fixes) => At(walked.Step, walked.StepIndex, walked.Thing, message, fixes);

    /// <summary>A finding about a joint's value or hardware: at the step that torques it, else where it is first met, else about the whole sheet.</summary>
    protected Finding AtTorque(Walk walk, Joint joint, string message, params ReadOnlySpan<Fix?> fixes)
    {
        var events = walk.EventsOf(joint.Id);
        var place = events.FirstOrDefault(e => e.Verb == Verb.Torque) ?? (events.Count > 0 ? events[0] : null);
        return At(place?.Step, place?.StepIndex ?? -1, joint, message, fixes);
    }

    /// <summary>A finding at a step (none: about the whole sheet), about a thing (or none).</summary>
    protected Finding At(Step? step, int stepIndex, Thing? thing, string message, params ReadOnlySpan<Fix?> fixes)
    {
        var list = ImmutableArray.CreateBuilder<Fix>();
        foreach (var fix in fixes)
            if (fix is not null) list.Add(fix);
        return new Finding
        {
            Rule = Info.Id,
            Severity = Info.Severity,
            Title = Info.Title,
            Message = message,
            Step = step?.Id,
            StepNumber = step is null ? null : stepIndex + 1,
            Thing = thing?.Id,
            Fixes = list.ToImmutable(),
        };
    }
}
