using System.Globalization;
using System.Text.RegularExpressions;
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
        if (from >= to || TorqueText.FindAll(step.Text[from..to]).Any(f => f.Spec.IsGood)) return null;
        var number = new Regex($@"(?<![\w.,]){Regex.Escape(torque.Low.ToString("0.###", CultureInfo.InvariantCulture))}(?![\w%]|[.,]\d)");
        return number.Match(step.Text, from, to - from) is { Success: true } said ? new Span(said.Index, said.Length) : null;
    }
}
