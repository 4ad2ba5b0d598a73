using System.Collections.Immutable;
using System.Text;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Findings;

/// <summary>Whole jobs of several trades are clean as they are written, and what is done wrong in one place of them is found there.</summary>
public class JudgementTests(ITestOutputHelper output)
{
    private static ImmutableArray<Finding> Grave(Sheet sheet) => [.. WalkSet.Run(sheet, Workshop.Default).Findings.Where(f => f.Severity > Severity.Hint)];

    private static string Said(Finding f) => $"{f.Rule} {f.Severity} at {f.StepNumber} {f.Said}";

    public static IEnumerable<TheoryDataRow<string>> Jobs() => JobText.All.Select(j => new TheoryDataRow<string>(j.Name));

    [Theory]
    [MemberData(nameof(Jobs))]
    public void A_whole_job_is_clean(string name) =>
        Grave(JobText.All.Single(j => j.Name == name).Sheet).Select(Said).ShouldBeEmpty();

    [Fact]
    public void A_single_fault_is_found_at_its_place()
    {
        var counted = new List<(JobText Job, JobText.Fault Fault, bool Found, ImmutableArray<Finding> New)>();
        foreach (var job in JobText.All)
        {
            var before = Grave(job.Sheet).Select(f => (f.Rule, f.Thing, f.Message)).ToHashSet();
            foreach (var fault in job.Faults())
            {
                var damaged = job.With(fault);
                ImmutableArray<Finding> grave = [.. Grave(damaged.Sheet).Where(f => !before.Contains((f.Rule, f.Thing, f.Message)))];
                counted.Add((job, fault, grave.Any(f => (f.Thing is { } thing && damaged.Things.Contains(thing))
                    || (f.StepNumber is { } n && damaged.Steps.Contains(n)) || f.Step is null), grave));
            }
        }

        var table = new StringBuilder();
        foreach (var group in counted.Where(c => !c.Fault.IsFine).GroupBy(c => (c.Job.Name, c.Fault.IsAway)).OrderBy(g => g.Key))
            table.AppendLine($"{group.Key.Name,-20}{(group.Key.IsAway ? "put away" : "at hand"),-10}{group.Count(),5} "
                + $"faults{group.Count(c => c.Found),5} at the place");
        foreach (var group in counted.Where(c => !c.Fault.IsFine).GroupBy(c => c.Fault.IsAway))
            table.AppendLine($"{(group.Key ? "put away" : "at hand")}: {group.Count()} faults, {group.Count(c => c.Found)} found at the place "
                + $"({100.0 * group.Count(c => c.Found) / group.Count():0.0} %)");
        table.AppendLine($"{counted.Count(c => c.Fault.IsFine)} harmless changes, {counted.Count(c => c.Fault.IsFine && c.New.Length > 0)} with a finding");
        foreach (var (job, fault, found, grave) in counted.Where(c => c.Fault.IsFine ? c.New.Length > 0 : !c.Found))
        {
            table.AppendLine($"  {(fault.IsFine ? "false" : "missed")}: {job.Name}:{fault.Line} {fault.Kind}");
            foreach (var step in job.With(fault).Sheet.Steps.Where(s => job.Sheet.Steps.All(was => was.Id != s.Id || was.Text != s.Text)))
                table.AppendLine($"      “{step.Text.ReplaceLineEndings(" / ")}”: "
                    + $"{string.Join("; ", step.Actions.Select(a => Asking.Of(a, job.Sheet)))}");
            foreach (var f in grave.Take(3)) table.AppendLine($"      {Said(f)}");
        }

        output.WriteLine(table.ToString());
        counted.Where(c => c.Fault.IsFine && c.New.Length > 0).Select(c => c.Fault.Kind).ShouldBeEmpty();
        counted.Where(c => !c.Fault.IsFine).Average(c => c.Found ? 1.0 : 0).ShouldBeGreaterThan(0.95, table.ToString());
        static string Of(ImmutableArray<Finding> found) => found.Length == 0 ? "nothing"
            : string.Join(", ", found.Select(f => $"{f.Rule}{(f.StepNumber is { } n ? $" {n}" : "")}").Distinct());
        counted.Where(c => !c.Fault.IsFine && Of(c.New) != c.Fault.Judged).Select(c =>
            $"{c.Job.Name}:{c.Fault.Line} {c.Fault.Kind}: judged {c.Fault.Judged}; found {Of(c.New)}").ShouldBeEmpty();
    }

    // Where a step is moved among others that are out of order, too, or the slack and what lets go stand in one step.
    private static readonly string[] LeftToTheAuthor = ["gearbox-oil:53 “Move step", "tie-rod-end:105 “Move step", "mower-spindle:59 “Tighten",
        "brake-shoes:46 “Remove"];

    // A fix mends what it is for and breaks nothing else: on all that is damaged, each fix that is offered.
    [Fact]
    public void No_fix_makes_a_stop_of_its_own()
    {
        var tried = 0;
        var bad = new List<string>();
        foreach (var job in JobText.All)
            foreach (var fault in job.Faults().Where(f => !f.IsFine))
            {
                var sheet = job.With(fault).Sheet;
                var before = Grave(sheet);
                foreach (var finding in before)
                    foreach (var fix in finding.Fixes)
                    {
                        tried++;
                        var applied = Editor.Apply(sheet, fix.Edit);
                        if (!applied.IsGood)
                        {
                            bad.Add($"{job.Name}:{fault.Line} “{fix.Title}” for {finding.Rule}: {applied.Problem}");
                            continue;
                        }

                        // Beside it only what was there, wherever the step stands now; what a value is, where it is from and what the step says of it is left to be written.
                        var known = before.Select(f => (f.Rule, f.Thing)).ToHashSet();
                        bad.AddRange(Grave(applied.Value.Sheet).Where(f => f.Severity == Severity.Stop && f.Rule is not ("SRC001" or "TRQ001" or "AGR001") && !known.Contains((f.Rule, f.Thing)))
                            .Select(f => $"{job.Name}:{fault.Line} “{fix.Title}” for {finding.Rule} makes {Said(f)}"));
                    }
            }

        tried.ShouldBeGreaterThan(200);
        bad.Where(b => !LeftToTheAuthor.Any(k => b.StartsWith(k, StringComparison.Ordinal))).ShouldBeEmpty();
    }
}
