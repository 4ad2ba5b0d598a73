using WornPath.Core.Building;
using WornPath.Core.Tests.Findings;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Building;

/// <summary>The refit that is proposed for the removal of each whole job of tests/judgement, held against the rules and against the refit its author wrote.</summary>
public class RefitOfJobsTests(ITestOutputHelper output)
{
    // A job up to the phase in which something is put on for the first time, with the refit that is proposed for it.
    private static (Sheet Proposed, int Removal)? Propose(Sheet job)
    {
        var walk = WalkSet.Run(job, Workshop.Default).Whole;
        var firstOn = walk.Events.First(e => e.Verb is Verb.Fit or Verb.Start or Verb.Connect).StepIndex;
        var (steps, phases) = (0, 0);
        foreach (var phase in job.Phases.TakeWhile(p => steps + p.Steps.Length <= firstOn))
        {
            steps += phase.Steps.Length;
            phases++;
        }

        if (phases == 0) return null;
        var removal = job with { Phases = [.. job.Phases.Take(phases)] };
        return ReverseBuilder.EditFor(WalkSet.Run(removal, Workshop.Default).Whole, removal.Phases[^1].Id) is { } edit
            ? (Editor.Apply(removal, edit).Value.Sheet, steps) : null;
    }

    [Fact]
    public void What_is_proposed_walks_without_a_stop_or_a_warning()
    {
        var proposed = JobText.All.Select(j => (j.Name, Refit: Propose(j.Sheet))).Where(j => j.Refit is not null).ToList();
        proposed.Count.ShouldBeGreaterThan(20);
        proposed.SelectMany(j => WalkSet.Run(j.Refit!.Value.Proposed, Workshop.Default).Findings
            .Where(f => f.Severity > Severity.Hint && ((f.StepNumber ?? 0) > j.Refit.Value.Removal || f.Rule.StartsWith("CLO", StringComparison.Ordinal)))
            .Select(f => $"{j.Name} {f.Rule} {f.StepNumber} {f.Message}")).ShouldBeEmpty();
    }

    // Of every two things that both put on, which goes first.
    [Fact]
    public void Its_order_is_mostly_its_authors()
    {
        var (same, all) = (0, 0);
        foreach (var job in JobText.All)
        {
            if (Propose(job.Sheet) is not { } refit) continue;
            var (author, own) = (OrderOf(job.Sheet, refit.Removal), OrderOf(refit.Proposed, refit.Removal));
            var both = author.Keys.Intersect(own.Keys).ToList();
            var pairs = both.SelectMany((a, i) => both.Skip(i + 1).Select(b => (a, b))).Where(p => author[p.a] != author[p.b] && own[p.a] != own[p.b]).ToList();
            var agree = pairs.Count(p => author[p.a] < author[p.b] == own[p.a] < own[p.b]);
            output.WriteLine($"{job.Name,-16} {agree,4} of {pairs.Count,4} pairs; otherwise: "
                + string.Join(", ", pairs.Where(p => author[p.a] < author[p.b] != own[p.a] < own[p.b]).Take(4)
                    .Select(p => $"{job.Sheet.Find(p.a)?.Name}/{job.Sheet.Find(p.b)?.Name}")));
            (same, all) = (same + agree, all + pairs.Count);
        }

        output.WriteLine($"in all {same} of {all} pairs, {100.0 * same / all:0.0} %");
        (100.0 * same / all).ShouldBeGreaterThan(90);
    }

    // The step in which each thing goes on for the last time.
    private static Dictionary<string, int> OrderOf(Sheet sheet, int removal) => WalkSet.Run(sheet, Workshop.Default).Whole.Events
        .Where(e => e.StepIndex >= removal && e.Thing is Part or Joint or Connection && e.Verb is Verb.Fit or Verb.Start or Verb.Connect)
        .GroupBy(e => e.Thing!.Id).ToDictionary(g => g.Key, g => g.Last().StepIndex);
}
