using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>What the figures of a step name that the step has nothing to do with.</summary>
public abstract class ShownBeside : StepRule
{
    protected internal sealed override bool Concerns(Step step, HouseRules rules) => step.Shows is not null;

    protected internal sealed override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        var sheet = walk.Written;
        var touched = step.Actions.SelectMany(a => a.Ids).Concat(step.Uses).Select(Thing.SheetIdOf).ToHashSet();
        // A step that only explains touches nothing, and may show anything.
        if (touched.Count == 0) return;
        var beside = touched.Select(sheet.Find).OfType<Thing>().SelectMany(t => t.PartIds).ToHashSet();
        bool IsMet(Thing thing) => touched.Contains(thing.Id) || beside.Contains(thing.Id) || thing.PartIds.Any(touched.Contains)
            || step.Text.Contains(thing.Name, StringComparison.OrdinalIgnoreCase);
        foreach (var figure in step.Figures)
        {
            var named = figure.Ids.Distinct().Select(sheet.Find).OfType<Thing>().ToList();
            var others = named.FindAll(t => !IsMet(t));
            if (others.Count > 0 && (others.Count == named.Count) == IsWholeFigure) Find(step, stepIndex, figure, others, found);
        }
    }

    /// <summary>True where it is about figures of which nothing has to do with the step, false where it is about a part of one.</summary>
    protected abstract bool IsWholeFigure { get; }

    private protected abstract void Find(Step step, int stepIndex, Figure figure, List<Thing> others, Found found);
}

/// <summary>FIG002: a figure that shows nothing of what its step does: one of another step, mostly.</summary>
public sealed class ShownElsewhere : ShownBeside
{
    public override RuleInfo Info { get; } = new("FIG002", Severity.Warn, "A figure of something else");

    protected override bool IsWholeFigure => true;

    private protected override void Find(Step step, int stepIndex, Figure figure, List<Thing> others, Found found) => found.Add(At(step, stepIndex, others[0],
        $"The figure shows {string.Join(", ", others.Select(t => t.Label))}, and this step has to do with nothing of that. Does the figure belong to another step, or does this one leave something out?",
        new Fix("Take the figure away", new PutFigure(step.Id, figure, null))));
}

/// <summary>FIG004: a balloon names what its step has nothing to do with, beside others that it has.</summary>
public sealed class BalloonElsewhere : ShownBeside
{
    public override RuleInfo Info { get; } = new("FIG004", Severity.Hint, "A balloon of something else");

    protected override bool IsWholeFigure => false;

    private protected override void Find(Step step, int stepIndex, Figure figure, List<Thing> others, Found found)
    {
        foreach (var thing in others)
            found.Add(At(step, stepIndex, thing, $"A balloon names {thing.Label}, and the step has nothing to do with {thing.Them}. Does the step leave something out?",
                new Fix($"Take the balloon of {thing.Id} away", new PutFigure(step.Id, figure,
                    figure with { Balloons = figure.Balloons.RemoveAll(b => b.Thing == thing.Id) }))));
    }
}
