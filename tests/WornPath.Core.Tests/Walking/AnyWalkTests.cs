using WornPath.Core.Revisions;
using CsCheck;
using WornPath.Core.Tests.Findings;
using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Printing;

namespace WornPath.Core.Tests.Walking;

/// <summary>What holds of every walk, however little sense the procedure makes.</summary>
public class AnyWalkTests
{
    private static readonly string[] Closure = ["CLO001", "CLO002", "CLO003", "CLO004", "CLO005", "CLO008", "CLO009", "CLO012"];

    /// <summary>The chart, the ledger and the rules of closure each look at the end on their own: they must say the same.</summary>
    [Fact]
    public void What_the_chart_leaves_open_is_what_the_rules_of_closure_find() => AnyProcedure.Any.Sample(sheet => ShouldEndAlike(sheet.Walks()), iter: 120);

    [Fact]
    public void What_the_chart_leaves_open_is_what_the_rules_find_of_small_sheets_and_whole_jobs()
    {
        foreach (var walks in OneChange.Sheets().Select(s => s.Written.Walks()).Concat(JobText.All.Select(j => WalkSet.Run(j.Sheet, Workshop.Default))))
            ShouldEndAlike(walks);
    }

    private static void ShouldEndAlike(WalkSet walks)
    {
        foreach (var walk in walks.All)
        {
            var found = WornPath.Core.Findings.Rules.Find(walk).Where(f => Closure.Contains(f.Rule)).Select(f => f.Thing!).ToHashSet();
            var open = Chart.Of(walk).Rows.Where(r => r.OpenAtEnd && r.Id.Length > 0).Select(r => r.Id).ToHashSet();
            open.ShouldBe(found, ignoreOrder: true, string.Join('\n', walk.Steps.Select(s => s.Text)));
            var slack = WornPath.Core.Findings.Rules.Find(walk).Where(f => f.Rule == "CLO002").Select(f => f.Thing!).ToHashSet();
            TorqueLedger.After(walk, walk.Steps.Count - 1).Select(o => o.Id).ShouldBe(slack, ignoreOrder: true);
        }
    }

    [Fact]
    public void The_bands_of_a_row_meet_and_each_is_the_state_the_bench_shows_there() => AnyProcedure.Any.Sample(sheet =>
    {
        var walk = sheet.Walks().First;
        var chart = Chart.Of(walk);
        foreach (var row in chart.Rows)
        {
            row.Bands[0].From.ShouldBe(0);
            row.Bands[^1].To.ShouldBe(chart.Steps);
            for (var i = 1; i < row.Bands.Length; i++) row.Bands[i].From.ShouldBe(row.Bands[i - 1].To + 1);
        }

        for (var step = 0; step <= chart.Steps; step++)
        {
            var bench = Bench.After(walk, step - 1);
            ChartBand At(string id) => chart.Rows.Single(r => r.Id == id).Bands.Single(b => b.From <= step && step <= b.To);
            foreach (var line in bench.Slack) At(line.Id).Glyph.ShouldBe(line.Glyph);
            foreach (var line in bench.Temporary) At(line.Id).Open.ShouldBeTrue();
            foreach (var line in bench.Open) At(line.Id).Open.ShouldBeTrue();
            foreach (var line in bench.Done) At(line.Id).Says.ShouldBe(line.Says);
        }
    }, iter: 60);

    [Fact]
    public void Findings_put_together_are_those_of_the_single_walks_and_no_others() => AnyProcedure.Any.Sample(sheet =>
    {
        var walks = sheet.Walks();
        var found = walks.All.SelectMany(w => WornPath.Core.Findings.Rules.Find(w)).ToList();
        // What is told of the sheet where no step comes to it is told at the step where one does.
        bool IsToldAtAStep(Finding finding) => finding is { Step: null, Thing: not null }
            && found.Exists(f => f.Step is not null && (f.Rule, f.Thing, f.Side, f.Message) == (finding.Rule, finding.Thing, finding.Side, finding.Message));
        var single = found.Where(f => !IsToldAtAStep(f)).Select(f => (f.Key, f.Message)).ToHashSet();
        walks.Findings.Select(f => (f.Key, f.Message)).ToHashSet().ShouldBe(single, ignoreOrder: true);
        // Who holds for all says nothing of whom; who does not, says for which.
        foreach (var finding in walks.Findings)
        {
            var holding = walks.All.Count(w => WornPath.Core.Findings.Rules.Find(w).Any(f => f.Message == finding.Message
                && (f.Key == finding.Key || IsToldAtAStep(f) && (f.Rule, f.Thing, f.Side) == (finding.Rule, finding.Thing, finding.Side))));
            (finding.For.Length == 0).ShouldBe(holding == walks.All.Length, $"{finding.Key}: {finding.For}");
        }
    }, iter: 30);

    [Fact]
    public void A_state_that_is_looked_up_is_the_one_its_events_led_to() => AnyProcedure.Any.Sample(sheet =>
    {
        foreach (var walk in sheet.Walks().All)
        {
            foreach (var thing in walk.Sheet.Things)
            {
                var now = walk.AtBeginning(thing.Id);
                foreach (var walked in walk.EventsOf(thing.Id))
                {
                    walked.Before.ShouldBe(now);
                    walk.BeforeEvent(thing.Id, walked.Order).ShouldBe(now);
                    now = walked.After;
                }

                walk.AtEnd(thing.Id).ShouldBe(now);
                var moments = walk.MomentsOf(thing.Id);
                moments.Zip(moments.Skip(1)).ShouldAllBe(m => m.First.State != m.Second.State && m.First.Order < m.Second.Order);
                moments[^1].State.ShouldBe(now);
            }

            walk.Events.Select(e => e.Order).ShouldBe(Enumerable.Range(0, walk.Events.Count));
            walk.Sheet.Things.Sum(t => walk.EventsOf(t.Id).Count).ShouldBe(walk.Events.Count - walk.EventsOf(Walk.Vehicle).Count);
        }
    }, iter: 60);

    /// <summary>Steps and things keep what was worked out of them; read anew from a file they have kept nothing.</summary>
    [Fact]
    public void What_is_kept_from_sheet_to_sheet_never_shows() => AnyProcedure.Any.Sample(sheet =>
    {
        sheet.Walks();
        foreach (var joint in sheet.Sheet.Joints)
        {
            sheet.Do(new SetField(joint.Id, "torque", joint.TighteningText, "311 N·m"));
            sheet.Do(new SetField(joint.Id, "name", joint.Name, joint.Name + " of the drawbar"));
        }

        foreach (var step in sheet.Sheet.Steps.Take(2).ToList()) sheet.Do(new WriteStep(step.Id, step.Text, step.Text + " Make it good and tight."));
        var anew = SheetJson.Read(SheetJson.Write(sheet.Sheet));
        sheet.Walks().Findings.Select(f => (f.Key, f.Said, f.Severity)).ShouldBe(WalkSet.Run(anew, sheet.Workshop).Findings.Select(f => (f.Key, f.Said, f.Severity)));
    }, iter: 60);

    [Fact]
    public void A_combination_of_a_combination_is_itself_and_names_nothing_that_is_not_there() => AnyProcedure.Any.Sample(sheet =>
    {
        foreach (var one in Combinations.Of(sheet.Sheet))
        {
            var made = one.Of(sheet.Sheet);
            one.Of(made).Steps.SelectMany(s => s.Actions).ShouldBe(made.Steps.SelectMany(s => s.Actions));
            made.Steps.Select(s => s.Id).ShouldBe(sheet.Sheet.Steps.Select(s => s.Id));
            foreach (var joint in made.Joints) joint.Holds.ShouldAllBe(id => made.Find(id) != null);
            Combination.Parse(sheet.Sheet, one.Key).Key.ShouldBe(one.Key);
        }
    }, iter: 60);

    [Fact]
    public void Every_walk_is_planned_made_ready_and_printed_without_a_fault() => AnyProcedure.Any.Sample(sheet =>
    {
        var walk = sheet.Walks().First;
        var ready = Readiness.Of(walk, new HashSet<string>(), new DateOnly(2026, 6, 1));
        ready.Items.Select(i => i.Key).ShouldBeUnique();
        ready.Plan.ElapsedMinutes.ShouldBeGreaterThanOrEqualTo(ready.Plan.Steps.Select(s => s.Finish).DefaultIfEmpty(0).Max());
        var print = PrintedSheet.Of(walk);
        print.Parts.Select(p => p.What).ShouldBe(Needs.Parts(walk).Select(n => n.What));
        // The numbers on paper are those of the sheet, also where a step is left out.
        print.Phases.SelectMany(p => p.Steps).ShouldAllBe(s => sheet.Step(s.Number).Text.Contains(s.Text.Split('\n')[0], StringComparison.OrdinalIgnoreCase));
    }, iter: 60);

    [Fact]
    public void A_seal_breaks_when_its_step_or_thing_changes_and_by_nothing_else() => Gen.Select(AnyProcedure.Any, Gen.Int[0, 100]).Sample((sheet, n) =>
    {
        var findings = sheet.Findings().Where(f => f.Step is not null && f.Thing is not null).ToList();
        if (findings.Count == 0) return;
        var finding = findings[n % findings.Count];
        var seal = Waivers.SealOf(finding, sheet.Sheet);
        sheet.Do(new InsertStep(null, "h1", null, "Clean the frame."));
        sheet.Do(new AddThing(ThingKind.Tool, "lamp", false));
        Waivers.SealOf(finding, sheet.Sheet).ShouldBe(seal);
        var step = sheet.Sheet.FindStep(finding.Step!)!;
        // Another figure is another step to who judged it; taken away, it is as it was.
        var figure = new Figure { Id = "f1", Picture = new FigurePicture(new string('a', 64) + ".png", 400, 300) };
        sheet.Do(new PutFigure(step.Id, null, figure));
        Waivers.SealOf(finding, sheet.Sheet).ShouldNotBe(seal);
        sheet.Do(new PutFigure(step.Id, figure, null));
        Waivers.SealOf(finding, sheet.Sheet).ShouldBe(seal);
        sheet.Do(new WriteStep(step.Id, step.Text, step.Text + " Clean it."));
        Waivers.SealOf(finding, sheet.Sheet).ShouldNotBe(seal);
    }, iter: 60);
}
