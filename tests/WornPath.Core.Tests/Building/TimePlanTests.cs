using System.Collections.Immutable;
using WornPath.Core.Building;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Building;

public class TimePlanTests
{
    private static TimePlan.Job Job(int number, double minutes, string touches, int people = 1, double waits = 0) =>
        new(number, $"job {number}", minutes, waits, people, touches == "all" ? null : touches.Split(' ').ToHashSet());

    /// <summary>The usual small network of the critical path method (Kelley and Walker, 1959): A before B and C, both before D.</summary>
    [Fact]
    public void The_longest_path_decides_and_is_the_critical_chain()
    {
        var plan = TimePlan.Schedule([Job(1, 2, "x y"), Job(2, 3, "x"), Job(3, 4, "y"), Job(4, 1, "x y")], crew: 2);
        plan.ElapsedMinutes.ShouldBe(7);
        plan.HandsOnMinutes.ShouldBe(10);
        plan.Steps.Where(s => s.Critical).Select(s => s.Number).ShouldBe([1, 3, 4]);
        plan.Steps[1].Start.ShouldBe(2);
        // One alone does them one after the other.
        TimePlan.Schedule([Job(1, 2, "x y"), Job(2, 3, "x"), Job(3, 4, "y"), Job(4, 1, "x y")], crew: 1).ElapsedMinutes.ShouldBe(10);
    }

    [Fact]
    public void A_cure_goes_on_while_others_work_and_a_wait_holds_what_touches_it()
    {
        var plan = TimePlan.Schedule([Job(1, 5, "bolts", waits: 60), Job(2, 10, "cover"), Job(3, 2, "bolts")], crew: 1);
        plan.Steps.Select(s => s.Start).ShouldBe([0, 5, 65]);
        plan.ElapsedMinutes.ShouldBe(67);
        plan.Steps.Where(s => s.Critical).Select(s => s.Number).ShouldBe([1, 3]);
    }

    // A cure runs from the tightening on: what waits in the meantime makes it no longer.
    [Fact]
    public void A_cure_begins_with_the_end_of_its_tightening_whatever_comes_behind()
    {
        var plan = TimePlan.Schedule([Job(1, 2, "bolts"), Job(2, 1, "all", waits: 120),
            Job(0, 0, "bolts", people: 0, waits: 600) with { Behind = 1 }], crew: 1);
        plan.Steps[2].Start.ShouldBe(2);
        plan.ElapsedMinutes.ShouldBe(602);
        plan.Steps.Where(s => s.Critical).Select(s => s.Number).ShouldBe([1, 0]);
    }

    /// <summary>Whatever the jobs: what needs another waits for it, nobody is in two places, and the chain without gaps leads to the end.</summary>
    [Fact]
    public void No_plan_needs_more_people_than_there_are_or_begins_before_what_it_needs()
    {
        var random = new Random(7);
        for (var round = 0; round < 300; round++)
        {
            var crew = random.Next(1, 4);
            var jobs = Enumerable.Range(1, random.Next(1, 14)).Select(n => Job(n, random.Next(1, 9), random.Next(8) == 0 ? "all" : string.Join(' ', Enumerable.Range(0, random.Next(1, 3)).Select(_ => $"t{random.Next(5)}")), random.Next(1, crew + 1), random.Next(6) == 0 ? 20 : 0)).ToList();
            var plan = TimePlan.Schedule(jobs, crew);
            for (var j = 0; j < jobs.Count; j++)
                for (var i = 0; i < j; i++)
                    if (jobs[i].Touches is null || jobs[j].Touches is null || jobs[i].Touches!.Overlaps(jobs[j].Touches!)) plan.Steps[j].Start.ShouldBeGreaterThanOrEqualTo(plan.Steps[i].Finish);
            foreach (var moment in plan.Steps.Select(s => s.Start))
                plan.Steps.Where(s => s.Start <= moment && s.Start + s.HandsOn > moment).Sum(s => s.People).ShouldBeLessThanOrEqualTo(crew);
            plan.ElapsedMinutes.ShouldBe(plan.Steps.Max(s => s.Finish));
            var chain = plan.Steps.Where(s => s.Critical).OrderBy(s => s.Start).ToList();
            chain[0].Start.ShouldBe(0);
            chain[^1].Finish.ShouldBe(plan.ElapsedMinutes);
            if (crew == 1 && jobs.All(j => j.Waits == 0)) plan.ElapsedMinutes.ShouldBe(jobs.Sum(j => j.HandsOn));
        }
    }

    [Fact]
    public void An_author_s_minutes_go_before_reckoned_ones_and_a_retorque_after_use_is_no_part_of_the_job()
    {
        var sheet = new Written().Joint("wheel nuts", "130 N·m").Set("wheel nuts", "count", "5").Steps("Torque the wheel nuts to 130 N·m.", "After the first use, retorque the wheel nuts.");
        var reckoned = TimePlan.Of(sheet.Walk());
        reckoned.Steps.ShouldHaveSingleItem().HandsOn.ShouldBe(0.5 + 0.7 + (5 * 0.3), 1e-9);
        sheet.Do(new SetField(sheet.Step(1).Id, "minutes", "", "12.5"));
        TimePlan.Of(sheet.Walk()).HandsOnMinutes.ShouldBe(12.5);
        Editor.Apply(sheet.Sheet, new SetField(sheet.Step(1).Id, "minutes", "12.5", "soon")).IsGood.ShouldBeFalse();
    }

    [Fact]
    public void Readiness_counts_back_from_the_wanted_day()
    {
        var sheet = new Written().Part("bracket", kit: true).Set("bracket", "leadDays", "4").Set("bracket", "spares", "1").Joint("bracket bolts", "95 N·m", fastener: "M12 10.9 bolt, 18 mm", kit: true, holds: "bracket").Set("bracket bolts", "treatment", "threadlocker, medium")
            .Steps("Fit the bracket.", "Apply medium threadlocker to the bracket bolts.", "Start the bracket bolts by hand.", "Torque the bracket bolts to 95 N·m.", "Let it cure 32 hours.")
            .In(new Workshop { Today = new DateOnly(2026, 6, 1) });
        var ready = Readiness.Of(sheet.Walk(), ImmutableHashSet<string>.Empty, new DateOnly(2026, 6, 10));
        // A day of work and a cure of 32 hours: two days, the wanted one among them.
        ready.Begin.ShouldBe(new DateOnly(2026, 6, 9));
        ready.Items.Single(i => i.Key == "part:P1").OrderBy.ShouldBe(new DateOnly(2026, 6, 5));
        ready.Items.Single(i => i.Key == "spare:P1").Optional.ShouldBeTrue();
        ready.Items.Single(i => i.Group == ReadyGroup.Consumables).Amount.ShouldEndWith("mL");
        ready.Late.ShouldBeEmpty();
        Readiness.Of(sheet.Walk(), ImmutableHashSet<string>.Empty, new DateOnly(2026, 6, 3)).Late.ShouldHaveSingleItem().ShouldContain("29 May 2026");
        var all = ready.Items.Select(i => i.Key).ToImmutableHashSet();
        Readiness.Of(sheet.Walk(), all).Go.ShouldBeTrue();
        Readiness.Of(sheet.Walk(), all.Remove("spare:P1")).Go.ShouldBeTrue("a spare is advised, no more");
        Readiness.Of(sheet.Walk(), all.Remove("joint:J1")).Go.ShouldBeFalse();
    }
}
