using System.Globalization;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD011: a torque stands in the words without its unit. It is read in the unit of every other value of the sheet; who follows it on paper has to guess.</summary>
public sealed class ValueWithoutUnit : StepRule
{
    public override RuleInfo Info { get; } = new("WRD011", Severity.Warn, "Value without its unit");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Actions.Any(a => BareAt(step, a) is not null);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        foreach (var action in step.Actions)
        {
            if (BareAt(step, action) is not { } bare || walk.Things.GetValueOrDefault(action.Target ?? "") is not { } thing) continue;
            var value = $"{bare.Of(step.Text)} {action.Torque!.Target.Unit.Symbol()}";
            var message = $"“{bare.Of(step.Text)}” on {thing.Label} has no unit. Read as {value}, like every other value here; who has the sheet on paper has to guess.";
            found.Add(At(step, stepIndex, thing, message, Fix.Write($"Write {value}", step, bare, value)));
        }
    }

    // Where the number of an action's torque stands that no unit belongs to; null where its unit is said, in its own sentence or with it.
    private static Span? BareAt(Step step, StepAction action)
    {
        if (action is not { Torque: { IsRange: false } torque, IsSaid: false, Target: not null } || action.In.Length == 0
            || action.In.Start >= step.Text.Length) return null;
        var from = Sentences.StartAt(step.Text, action.In.Start);
        var to = Math.Min(step.Text.Length, action.In.End);
        if (from >= to || Alone(step.Text, torque.Low.ToString("0.###", CultureInfo.InvariantCulture), from, to) is not { } number) return null;
        // Nearly always the unit stands right behind it, which is soon seen.
        return HasValue(step.Text[number.Start..to]) || HasValue(step.Text[from..to]) ? null : number;
    }

    private static bool HasValue(string text) => TorqueText.FindAll(text).Any(f => f.Spec.IsGood);

    // Where a number stands that is no part of a longer one or of a word.
    private static Span? Alone(string text, string number, int from, int to)
    {
        int Next(int start) => text.IndexOf(number, start, to - start, StringComparison.Ordinal);
        for (var at = Next(from); at >= 0; at = Next(at + 1))
        {
            var end = at + number.Length;
            if (at > from && (IsOfAWord(text[at - 1]) || text[at - 1] is '.' or ',')) continue;
            if (end == to || !IsOfAWord(text[end]) && text[end] != '%' && !(text[end] is '.' or ',' && end + 1 < to && char.IsDigit(text[end + 1])))
                return new Span(at, number.Length);
        }

        return null;
    }

    private static bool IsOfAWord(char c) => char.IsLetterOrDigit(c) || c == '_';
}
