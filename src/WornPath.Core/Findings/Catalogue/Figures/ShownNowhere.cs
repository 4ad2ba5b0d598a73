using System.Globalization;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FIG001: "as shown", and nothing is shown; or a figure is named by a number that none has.</summary>
public sealed class ShownNowhere : StepRule
{
    public override RuleInfo Info { get; } = new("FIG001", Severity.Warn, "Shown nowhere");

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.Says(step, ClaimKind.AsShown);

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        var there = walk.Whole.Steps.Sum(s => s.Figures.Length);
        foreach (var claim in Claims.All(step, ClaimKind.AsShown))
        {
            var words = claim.At.Of(step.Text);
            if (NumberIn(words) is { } number && !words.StartsWith("balloon", StringComparison.OrdinalIgnoreCase))
            {
                if (number >= 1 && number <= there) continue;
                found.Add(At(step, stepIndex, null, $"“{words}”: {Has(there)}. Put the figure in, or say which is meant."));
            }
            else if (step.Figures.IsEmpty)
            {
                found.Add(At(step, stepIndex, null,
                    $"“{words}” points at a figure, and this step shows none. Put the figure in, or say in words where it is."));
            }
            else
            {
                continue;
            }

            return;
        }
    }

    private static string Has(int figures) => figures switch
    {
        0 => "the sheet has no figure",
        1 => "the sheet has one figure",
        _ => $"the sheet has {figures} figures",
    };

    private static int? NumberIn(string words)
    {
        var digits = words.AsSpan().IndexOfAnyInRange('0', '9');
        return digits >= 0 && int.TryParse(words.AsSpan(digits), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;
    }
}
