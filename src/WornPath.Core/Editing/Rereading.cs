using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Holds what a step carries against what its sentence says.</summary>
public static class Rereading
{
    /// <summary>
    /// What the sentence of a step says, in words, where the step carries something else; null where both agree. Where the words
    /// stand, and a value that differs from the table's, do not count: the first is no meaning, the second is found for itself.
    /// </summary>
    internal static string? Of(Sheet sheet, NameIndex names, Step step, Spoken before)
    {
        var reading = SentenceReader.Read(sheet, names, step, step.Text, before);
        if (reading.Actions.Select(Bare).SequenceEqual(step.Actions.Select(Bare))
            && Asked(reading.Questions).SetEquals(Asked(step.Questions))
            && reading.Branches.Select(Bare).SequenceEqual(step.Branches.Select(Bare))
            && Same(reading.Table, step.Table)) return null;
        // With what the sentence would put on the sheet, so that it is said by name.
        var told = StepReading.With(sheet, reading.Assumed);
        var says = string.Join(", ", reading.Actions.Select(a => Asking.Of(a, told)).Concat(reading.Questions.Select(q => $"asks: {Asking.Of(q, told)}")));
        return says.Length > 0 ? says : "nothing that is done";
    }

    /// <summary>What a step carries, in words.</summary>
    public static string Carried(Step step, Sheet sheet) =>
        string.Join(", ", step.Actions.Select(a => Asking.Of(a, sheet)).Concat(step.Questions.Select(q => $"asks: {Asking.Of(q, sheet)}"))) is { Length: > 0 } carried ? carried : "nothing that is done";

    private static StepAction Bare(StepAction action) => action with { At = default, In = default, IsSaid = false };

    private static Branch Bare(Branch branch) => branch with { At = default };

    private static bool Same(ChoiceTable? one, ChoiceTable? other) =>
        one is null || other is null ? ReferenceEquals(one, other) : one.Quantity == other.Quantity && one.Chosen == other.Chosen && one.Rows.SequenceEqual(other.Rows);

    private static HashSet<(QuestionKind, string)> Asked(IEnumerable<Question> questions) => [.. questions.Where(q => q.Kind != QuestionKind.OtherValue).Select(q => (q.Kind, q.Phrase))];
}
