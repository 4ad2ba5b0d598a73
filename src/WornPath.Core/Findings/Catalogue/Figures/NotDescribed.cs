using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FIG003: a picture that nobody described: who does not see it is told nothing (WCAG 2.2, 1.1.1 Non-text Content).</summary>
public sealed class NotDescribed : StepRule
{
    public override RuleInfo Info { get; } = new("FIG003", Severity.Hint, "A picture without words");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Figures.Any(IsBare);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        var bare = step.Figures.Count(IsBare);
        found.Add(At(step, stepIndex, null, bare == 1
            ? "A picture of this step is not described: who does not see it, or has a bad print of it, is told nothing. Say what is to be seen."
            : $"{bare} pictures of this step are not described: who does not see them, or has a bad print of them, is told nothing. Say what is to be seen."));
    }

    // A drawn pattern is put into words by the program.
    private static bool IsBare(Figure figure) => figure is { Pattern: null, Alt.Length: 0 };
}
