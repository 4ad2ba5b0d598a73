using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>The limits a step measures against, or a row of its choice table, with the source they were taken from.</summary>
/// <param name="Step">The step.</param>
/// <param name="Number">Its number, from 1.</param>
/// <param name="What">What is measured.</param>
/// <param name="Choice">What is taken within them, where they are a row of a table; else empty.</param>
/// <param name="Limits">The limits.</param>
public sealed record StatedLimits(Step Step, int Number, string What, string Choice, Limits Limits) : StatedValue(Step.Id, $"step {Number}", What, Step.Source ?? "")
{
    public override string Label => $"step {Number}, {What}{(Choice.Length > 0 ? $" for {Choice}" : "")}";

    public override string About => Choice.Length > 0 ? $"limits for {Choice}" : "limits";

    public override string Stands => Limits.ToString();

    // Not the step's number: it moves with the steps before it.
    public override string Seal => SealOf(Step.Id, What, Choice, Limits, Step.Source);

    public override IEnumerable<string> Spellings =>
    [
        Limits.ToString(), .. Limits.Written(Step.Text),
        .. ((decimal?[])[Limits.Low, Limits.High]).OfType<decimal>().Select(end => FormattableString.Invariant($"{end} {Limits.Unit}").Trim()).Where(_ => Limits.Unit.Length > 0),
    ];

    public override Outcome<(string Read, bool Agrees)> Hold(string read) => Limits.Find(read) is { } limits
        ? (limits.ToString(), Limits.IsRead(limits))
        : new Problem($"“{NumberText.Excerpt(read)}” has no limits.", "Write them as they stand there, with their unit, such as at least 8.5 mm, or 0.05 to 0.10 mm.");

    /// <summary>The limits of a step that has a source for them; like ones are one.</summary>
    /// <param name="step">The step.</param>
    /// <param name="number">Its number, from 1.</param>
    /// <param name="find">The thing of an id.</param>
    public static IEnumerable<StatedLimits> Of(Step step, int number, Func<string, Thing?> find)
    {
        if (string.IsNullOrWhiteSpace(step.Source)) return [];
        string What(StepAction action) => (action.Target is { } id ? find(id)?.Name : null) ?? action.Words ?? "what is measured";
        return step.Actions.Where(a => a.Limits is not null).Select(a => new StatedLimits(step, number, What(a), "", a.Limits!))
            .Concat(step.Table?.Rows.Select(r => new StatedLimits(step, number, step.Table.Quantity, r.Choice, r.Within)) ?? []).Distinct();
    }
}
