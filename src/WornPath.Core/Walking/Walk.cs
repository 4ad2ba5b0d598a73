using WornPath.Core.Findings;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Walking;

/// <summary>One action as it was walked: what it was done to and the state before and after.</summary>
/// <param name="Order">Its place among all events of the walk, from 0.</param>
/// <param name="StepIndex">The step's place on the sheet, from 0.</param>
/// <param name="Step">The step.</param>
/// <param name="Action">The action.</param>
/// <param name="Thing">What it was done to; null for the vehicle, or for words the sheet keeps no count of.</param>
/// <param name="Before">State of the thing (of the vehicle, where there is none) before.</param>
/// <param name="After">State after.</param>
public sealed record WalkEvent(int Order, int StepIndex, Step Step, StepAction Action, Thing? Thing, ThingState Before, ThingState After);

/// <summary>A state a thing came into, and the event that brought it.</summary>
/// <param name="Order">Order of the event; −1 for the state at the beginning.</param>
/// <param name="StepIndex">Step of the event; −1 for the beginning.</param>
/// <param name="State">The state from then on.</param>
public readonly record struct Moment(int Order, int StepIndex, ThingState State);

/// <summary>
/// A procedure walked: every event in order, and for every thing the moments its state changed. The state after any step
/// is looked up, not stored, so that a walk costs no more than its actions.
/// </summary>
public sealed class Walk
{
    /// <summary>The id the vehicle's own states stand under.</summary>
    public const string Vehicle = "";

    private readonly Dictionary<string, List<Moment>> _moments;

    internal Walk(Sheet sheet, Sheet whole, Workshop workshop, Combination combination, IReadOnlyList<Step> steps, IReadOnlyList<WalkEvent> events, Dictionary<string, List<Moment>> moments, Dictionary<string, Thing> things)
    {
        Sheet = sheet;
        Whole = whole;
        Workshop = workshop;
        Combination = combination;
        Steps = steps;
        Events = events;
        Things = things;
        _moments = moments;
        var byThing = new Dictionary<string, List<WalkEvent>>(things.Count);
        foreach (var walked in events)
        {
            var id = walked.Thing?.Id ?? Vehicle;
            if (!byThing.TryGetValue(id, out var list)) byThing[id] = list = [];
            list.Add(walked);
            (_byVerb[(int)walked.Action.Verb] ??= []).Add(walked);
        }

        EventsByThing = byThing;
        for (var i = events.Count - 1; i >= 0 && LastLowering < 0; i--)
            if (events[i].Action.Verb is Verb.Lower or Verb.LowerToTouch) LastLowering = events[i].StepIndex;
        var holders = new Dictionary<string, List<Joint>>();
        foreach (var joint in sheet.Joints)
            foreach (var part in joint.Holds)
            {
                if (!holders.TryGetValue(part, out var list)) holders[part] = list = [];
                list.Add(joint);
            }

        Holders = holders;
    }

    /// <summary>What it was walked as.</summary>
    public Combination Combination { get; }

    /// <summary>The sheet that was walked: of the whole one, what is there for this <see cref="Combination"/>.</summary>
    public Sheet Sheet { get; }

    /// <summary>The sheet with everything on it, whatever it is limited to.</summary>
    public Sheet Whole { get; }

    /// <summary>The workshop its values are judged in.</summary>
    public Workshop Workshop { get; }

    /// <summary>Its steps, in order.</summary>
    public IReadOnlyList<Step> Steps { get; }

    /// <summary>Every action, in order.</summary>
    public IReadOnlyList<WalkEvent> Events { get; }

    /// <summary>Events by the id of what they were done to; the vehicle's (and those on words alone) under <see cref="Vehicle"/>.</summary>
    public IReadOnlyDictionary<string, List<WalkEvent>> EventsByThing { get; }

    /// <summary>Where the vehicle is lowered for the last time, as a step's place from 0; −1 where it is not.</summary>
    public int LastLowering { get; } = -1;

    private readonly List<WalkEvent>?[] _byVerb = new List<WalkEvent>?[Enum.GetValues<Verb>().Length];

    /// <summary>The events of a verb, in order; a rule that asks for few need not go through all.</summary>
    public IReadOnlyList<WalkEvent> Doing(Verb verb) => _byVerb[(int)verb] ?? (IReadOnlyList<WalkEvent>)[];

    /// <summary>The events of any of these verbs, those of one verb in order.</summary>
    public IEnumerable<WalkEvent> Doing(Verb first, params Verb[] others) => others.Aggregate((IEnumerable<WalkEvent>)Doing(first), (all, verb) => all.Concat(Doing(verb)));

    private StepNotes[]? _notes;

    /// <summary>What rules have noted of a step, by its place.</summary>
    internal StepNotes NotesOf(int stepIndex) => (_notes ??= [.. Steps.Select(StepNotes.Of)])[stepIndex];

    /// <summary>The phase a step is in, and its place there, by its place on the sheet.</summary>
    public (Phase Phase, int Index) PlaceAt(int stepIndex)
    {
        var left = stepIndex;
        foreach (var phase in Sheet.Phases)
        {
            if (left < phase.Steps.Length) return (phase, left);
            left -= phase.Steps.Length;
        }

        throw new ArgumentOutOfRangeException(nameof(stepIndex));
    }

    /// <summary>A step's place on the sheet, from 0; −1 where it is not on it. Looks through the steps: for fixes, not for every step.</summary>
    public int IndexOf(Step step)
    {
        for (var i = 0; i < Steps.Count; i++)
            if (ReferenceEquals(Steps[i], step) || Steps[i].Id == step.Id) return i;
        return -1;
    }

    /// <summary>The joints that hold a part, by the part's id.</summary>
    public IReadOnlyDictionary<string, List<Joint>> Holders { get; }

    /// <summary>Things of the sheet by id.</summary>
    public IReadOnlyDictionary<string, Thing> Things { get; }

    /// <summary>The events of one thing, in order; empty where nothing is done to it.</summary>
    public IReadOnlyList<WalkEvent> EventsOf(string id) => EventsByThing.TryGetValue(id, out var list) ? list : [];

    /// <summary>The moments a thing's state changed, the beginning first.</summary>
    public IReadOnlyList<Moment> MomentsOf(string id) => _moments[id];

    /// <summary>State when all is done.</summary>
    public ThingState AtEnd(string id) => _moments[id][^1].State;

    /// <summary>State after a step (−1 for the beginning).</summary>
    public ThingState AfterStep(string id, int stepIndex) => Last(_moments[id], m => m.StepIndex <= stepIndex);

    /// <summary>State just before an event.</summary>
    public ThingState BeforeEvent(string id, int order) => Last(_moments[id], m => m.Order < order);

    private static ThingState Last(List<Moment> moments, Func<Moment, bool> isThen)
    {
        int low = 0, high = moments.Count - 1;
        while (low < high)
        {
            var middle = (low + high + 1) / 2;
            if (isThen(moments[middle])) low = middle;
            else high = middle - 1;
        }

        return moments[low].State;
    }
}
