using System.Collections.Immutable;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>A step in the plan. Times in minutes from the first bolt.</summary>
/// <param name="Number">The step's number, from 1; 0 for a cure that runs on behind the last step.</param>
/// <param name="What">Its words, cut short, or what cures.</param>
/// <param name="HandsOn">Minutes somebody works on it.</param>
/// <param name="Waits">Minutes nothing is done but time passes.</param>
/// <param name="People">People it takes.</param>
/// <param name="Start">When it begins.</param>
/// <param name="Finish">When what comes after it may begin.</param>
/// <param name="Critical">True where a minute more here is a minute more for the job.</param>
public sealed record PlannedStep(int Number, string What, double HandsOn, double Waits, int People, double Start, double Finish, bool Critical);

/// <summary>How long the job takes: hands-on, and from the first bolt to the vehicle in use, with cures; and the chain that decides it.</summary>
/// <param name="Steps">The steps that take time, in order.</param>
/// <param name="HandsOnMinutes">Sum of the work, times the people it takes.</param>
/// <param name="ElapsedMinutes">From the first step to the end of the last, cures included.</param>
/// <param name="Crew">People the plan is made for.</param>
public sealed record TimePlan(ImmutableArray<PlannedStep> Steps, double HandsOnMinutes, double ElapsedMinutes, int Crew)
{
    // Minutes by verb: to begin with, and for each fastener of a joint (common practice, no source; the author's own times go before them).
    private static (double Once, double Each) Minutes(Verb verb) => verb switch
    {
        Verb.BreakLoose or Verb.Loosen => (0.5, 0.2),
        Verb.TakeOut => (0.5, 0.5),
        Verb.Start => (0.5, 0.4),
        Verb.Snug => (0.3, 0.2),
        Verb.TorquePass or Verb.Torque or Verb.Retorque => (0.7, 0.3),
        Verb.Align or Verb.BackOff or Verb.Mark or Verb.RemovePin or Verb.TurnOn or Verb.Unlock => (0.5, 0.1),
        Verb.InsertPin or Verb.Stake or Verb.Lock => (1, 0.2),
        Verb.Remove or Verb.Fit => (2, 0),
        Verb.HangAside or Verb.SetAside or Verb.Seat or Verb.Adjust or Verb.Set or Verb.Place or Verb.TakeAway => (1, 0),
        Verb.Disconnect or Verb.Connect => (0.7, 0),
        Verb.Drain => (8, 0),
        Verb.Fill => (4, 0),
        Verb.Raise or Verb.SetOnStands => (3, 0),
        Verb.Lower or Verb.LowerToTouch => (2, 0),
        Verb.Clean or Verb.Inspect or Verb.Measure => (2, 0.1),
        Verb.Treat => (0.5, 0.2),
        Verb.FunctionCheck => (3, 0),
        Verb.CheckLevel or Verb.PumpBrakes => (1, 0),
        _ => (0, 0),
    };

    /// <summary>Minutes to read a step and find the tool, where no action says more (common practice, no source).</summary>
    private const double Reading = 0.5;

    /// <summary>
    /// Hands-on minutes of a step of a walk, by its place: as its author timed it, else reckoned from what is done, on each side it is done
    /// on; one that repeats others takes as long as they do.
    /// </summary>
    public static double HandsOnOf(Walk walk, int stepIndex)
    {
        if (walk.Steps[stepIndex].Minutes is { } own) return (double)own;
        // What repeats is not repeated itself; what stands in the same step is counted there, on both sides.
        return OnceOf(walk, stepIndex) + walk.RepeatedBy(stepIndex).Where(i => i != stepIndex).Sum(i => OnceOf(walk, i));
    }

    // Minutes of what a step says itself.
    private static double OnceOf(Walk walk, int stepIndex)
    {
        var step = walk.Steps[stepIndex];
        if (step.Minutes is { } own) return (double)own;
        if (string.IsNullOrWhiteSpace(step.Text)) return 0;
        var sum = Reading;
        foreach (var action in step.Actions)
        {
            var (once, each) = Minutes(action.Verb);
            var thing = action.Target is { } id ? walk.Things.GetValueOrDefault(id) : null;
            var minutes = once + (thing is Joint joint ? each * joint.Count : 0);
            sum += thing is not null && walk.HasSecond(thing) && IsOnBoth(walk, thing, stepIndex) ? 2 * minutes : minutes;
        }

        return sum;
    }

    private static bool IsOnBoth(Walk walk, Thing thing, int stepIndex) => walk.EventsOf(thing.Id).Any(e => e.StepIndex == stepIndex)
        && walk.EventsOf(thing.Id + Thing.SecondMark).Any(e => e.StepIndex == stepIndex);

    /// <summary>
    /// Plans a walk for a crew: steps that touch none of the same things may go side by side where there are people for it;
    /// a step that moves the vehicle, names nothing or waits stands between all before and all behind it. Each step begins as early as
    /// what it needs is done and people are free (serial schedule, in the order of the sheet).
    /// </summary>
    public static TimePlan Of(Walk walk, int? crew = null)
    {
        var people = walk.Steps.Select(s => s.Takes(walk.Sheet.Header.People)).DefaultIfEmpty(1).Max();
        var hands = Math.Max(crew ?? people, people);
        List<Job> jobs = [];
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            var worked = HandsOnOf(walk, i);
            // What is done after the first use is no part of the job.
            if (worked <= 0 || (step.Actions.Length > 0 && step.Actions.All(a => a.Verb == Verb.Retorque))) continue;
            var waits = step.Actions.Where(a => a.Verb == Verb.Wait).Sum(a => (double)(a.Minutes ?? 0));
            jobs.Add(new Job(i + 1, Quantities.NumberText.Excerpt(step.Text), worked, waits, step.Takes(walk.Sheet.Header.People), TouchedBy(walk, step)));
        }

        // A compound that no step waits for cures on behind the last one.
        var waited = jobs.Select(j => j.Waits).DefaultIfEmpty(0).Max() / 60;
        foreach (var joint in walk.Sheet.Joints)
        {
            if (walk.EventsOf(joint.Id).LastOrDefault(e => e.Action.Verb == Verb.Torque) is not { } torqued || TreatmentAdvice.For(joint, walk.Things, walk.Workshop.Rules).FullHours is not { } hours || hours <= waited) continue;
            jobs.Add(new Job(0, $"cure of {joint.Label} (step {torqued.StepIndex + 1})", 0, hours * 60, 0, new HashSet<string> { joint.Id })
            {
                Behind = torqued.StepIndex + 1,
            });
        }

        return Schedule(jobs, hands);
    }

    /// <summary>Something to plan: how long, how many people, what it touches (null: everything).</summary>
    public sealed record Job(int Number, string What, double HandsOn, double Waits, int People, IReadOnlySet<string>? Touches)
    {
        /// <summary>The number of the last step it waits for, as a cure does for the tightening; null where it waits for all it has to do with.</summary>
        public int? Behind { get; init; }
    }

    /// <summary>Puts jobs in time for a crew, in their order.</summary>
    public static TimePlan Schedule(IReadOnlyList<Job> jobs, int crew)
    {
        var start = new double[jobs.Count];
        var finish = new double[jobs.Count];
        var because = new int[jobs.Count];
        for (var j = 0; j < jobs.Count; j++)
        {
            because[j] = -1;
            for (var i = 0; i < j; i++)
                if (Needs(jobs[i], jobs[j]) && finish[i] > start[j]) (start[j], because[j]) = (finish[i], i);
            // The earliest time from then on with people free for as long as they work.
            while (jobs[j].People > 0 && Busy(jobs, start, j, crew) is { } blocker) (start[j], because[j]) = (start[blocker] + jobs[blocker].HandsOn, blocker);
            finish[j] = start[j] + jobs[j].HandsOn + jobs[j].Waits;
        }

        var critical = new bool[jobs.Count];
        for (var at = Array.IndexOf(finish, finish.DefaultIfEmpty(0).Max()); at >= 0; at = because[at]) critical[at] = true;
        return new TimePlan(
            [.. jobs.Select((job, i) => new PlannedStep(job.Number, job.What, job.HandsOn, job.Waits, job.People, start[i], finish[i], critical[i]))],
            jobs.Sum(j => j.HandsOn * j.People), finish.DefaultIfEmpty(0).Max(), crew);
    }

    private static bool Needs(Job first, Job second) => !(second.Behind < first.Number)
        && (first.Touches is null || second.Touches is null || first.Touches.Overlaps(second.Touches));

    // A job before that keeps people this one needs, ending first of those; null where there are enough.
    private static int? Busy(IReadOnlyList<Job> jobs, double[] start, int j, int crew)
    {
        var from = start[j];
        var to = from + Math.Max(jobs[j].HandsOn, 1e-9);
        List<int> beside = [];
        for (var i = 0; i < j; i++)
            if (jobs[i].People > 0 && start[i] < to - 1e-9 && start[i] + jobs[i].HandsOn > from + 1e-9) beside.Add(i);
        if (beside.Count == 0) return null;
        // At any time within, the people at work together must leave enough.
        foreach (var moment in beside.Select(i => Math.Max(start[i], from)).Append(from))
        {
            var atWork = beside.Where(i => start[i] <= moment + 1e-9 && start[i] + jobs[i].HandsOn > moment + 1e-9).ToList();
            if (atWork.Sum(i => jobs[i].People) + jobs[j].People > crew) return atWork.MinBy(i => start[i] + jobs[i].HandsOn);
        }

        return null;
    }

    private static HashSet<string>? TouchedBy(Walk walk, Step step)
    {
        var touched = new HashSet<string>();
        foreach (var action in step.Actions)
        {
            if (action.Target is not { } id || action.Verb is Verb.Wait or Verb.FunctionCheck || !walk.Things.TryGetValue(id, out var thing)) return null;
            // A joint goes with what it holds, a part with what covers it and what it sits on.
            touched.UnionWith(action.Ids);
            touched.UnionWith(thing.PartIds);
        }

        return touched.Count == 0 ? null : touched;
    }
}
