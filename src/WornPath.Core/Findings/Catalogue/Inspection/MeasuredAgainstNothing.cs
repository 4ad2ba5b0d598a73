using System.Buffers;
using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS001: something is measured, and neither limits nor a table say what the value means.</summary>
public sealed class MeasuredAgainstNothing : Rule
{
    public override RuleInfo Info { get; } = new("INS001", Severity.Warn, "Measured against nothing");

    // What is a number, also where it is only "checked".
    private static readonly string[] Measured = ["flatness", "runout", "run-out", "thickness", "clearance", "backlash", "ovality", "end float", "endplay"];

    private static readonly SearchValues<string> AnyMeasured = SearchValues.Create(Measured, StringComparison.OrdinalIgnoreCase);

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var looked in walk.Doing(Verb.Inspect))
            if (looked is { Action.Limits: null, Step.Table: null } && looked.Step.Text.AsSpan().ContainsAny(AnyMeasured)
                && looked.Action.In.Of(looked.Step.Text) is var clause
                && Array.Find(Measured, m => clause.Contains(m, StringComparison.OrdinalIgnoreCase)) is { } what
                && !looked.Step.Actions.Any(a => a.Limits is not null))
                yield return At(looked, $"The {what} is checked here, and nothing says which values are good. Write the limits behind a colon, such "
                    + "as: at most 0.1 mm.");
        foreach (var walked in walk.Doing(Verb.Measure))
            if (walked.Action is { Verb: Verb.Measure, Limits: null } && walked.Step.Table is null)
                yield return At(walked, $"{Reading.Sentences.Capital(walked.Thing?.Label ?? walked.Action.Words ?? "something")} is measured here, and nothing says which values are good. Write the limits behind a colon, such as: at least 9.0 mm; or a table of values and choices.");
    }
}
