using WornPath.Core.Reading;
using System.Collections.Immutable;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Walking;

/// <summary>One action as it was walked: what it was done to and the state before and after.</summary>
/// <param name="Order">Its place among all events of the walk, from 0.</param>
/// <param name="StepIndex">The step's place on the sheet, from 0.</param>
/// <param name="Step">The step whose words say it: the one that is repeated, where a later step repeats it on the other side.</param>
/// <param name="Action">The action.</param>
/// <param name="Thing">What it was done to; null for the vehicle, or for words the sheet keeps no count of.</param>
/// <param name="Before">State of the thing (of the vehicle, where there is none) before.</param>
/// <param name="After">State after.</param>
public sealed record WalkEvent(int Order, int StepIndex, Step Step, StepAction Action, Thing? Thing, ThingState Before, ThingState After)
{
    /// <summary>The state before of those fasteners of a joint it was done to: "torque the other two".</summary>
    public JointState Acted => Before.Joint.Counts is null ? Before.Joint : Walker.ActedOn((Joint)Thing!, Before.Joint, Action);

    /// <summary>The state before of those of a part it was done to: "fit the other two".</summary>
    public PartState ActedPart => Before.Part.Counts is null ? Before.Part : Walker.ActedOn((Part)Thing!, Before.Part, Step, Action);

    /// <summary>True where it is done on both sides because its words say none, and no step repeats it.</summary>
    public bool OfNoSide { get; init; }

    /// <summary>The action's verb, kept here because most rules look at nothing else.</summary>
    public Verb Verb { get; } = Action.Verb;
}

/// <summary>A state a thing came into, and the event that brought it.</summary>
/// <param name="Order">Order of the event; −1 for the state at the beginning.</param>
/// <param name="StepIndex">Step of the event; −1 for the beginning.</param>
/// <param name="State">The state from then on.</param>
public readonly record struct Moment(int Order, int StepIndex, ThingState State);

/// <summary>
/// A procedure walked: every event in order, and for every thing its own. The state after any step is looked up, not
/// stored, so that a walk costs no more than its actions.
/// </summary>
public sealed class Walk
{
    /// <summary>The id the vehicle's own states stand under.</summary>
    public const string Vehicle = "";

    private readonly Tracks _tracks;
    private readonly IReadOnlyList<Moment> _vehicle;
    private readonly List<WalkEvent> _onVehicle = [];

    private readonly Sides? _sides;

    internal Walk(Sheet sheet, Sheet whole, Workshop workshop, Combination combination, IReadOnlyList<Step> steps, IReadOnlyList<WalkEvent> events,
        Tracks tracks, IReadOnlyList<Moment> vehicle, Sides? sides)
    {
        Written = sheet;
        Sheet = sides?.Sheet ?? sheet;
        _sides = sides;
        Whole = whole;
        Workshop = workshop;
        Combination = combination;
        Steps = steps;
        Events = events;
        _tracks = tracks;
        _vehicle = vehicle;
        foreach (var walked in events)
        {
            if (walked.Thing is null) _onVehicle.Add(walked);
            (_byVerb[(int)walked.Action.Verb] ??= []).Add(walked);
        }

        for (var i = events.Count - 1; i >= 0 && LastLowering < 0; i--)
            if (events[i].Action.Verb is Verb.Lower or Verb.LowerToTouch) LastLowering = events[i].StepIndex;
    }

    /// <summary>What it was walked as.</summary>
    public Combination Combination { get; }

    /// <summary>
    /// The sheet that was walked: of the whole one, what is there for this <see cref="Combination"/>, with a second of what is there on both
    /// sides.
    /// </summary>
    public Sheet Sheet { get; }

    /// <summary>The same as it is written, each thing once.</summary>
    public Sheet Written { get; }

    /// <summary>True where there is a second of a thing, on the other side.</summary>
    public bool HasSecond(Thing thing) => _sides is not null && _tracks.ContainsKey(thing.SheetId + Thing.SecondMark);

    /// <summary>A thing's name, with its side where there is one on each: what stands beside its second in a list.</summary>
    public string NameOf(Thing thing) => !thing.IsSecond && HasSecond(thing) && SideWords.In(thing.Name) is null && SideWords.Opposite(SecondSide) is { } side
        ? $"{SideWords.Of(side)} {thing.Name}" : thing.Name;

    /// <summary>Numbers of the steps that do something to a thing, on whichever side.</summary>
    public ImmutableArray<int> StepsOf(Thing thing) =>
        [.. EventsOf(thing.SheetId).Concat(EventsOf(thing.SheetId + Thing.SecondMark)).Select(e => e.StepIndex + 1).Distinct().Order()];

    /// <summary>The steps a step does over again on the other side, by their places on the sheet; none for most.</summary>
    public IEnumerable<int> RepeatedBy(int stepIndex) => _sides?.RepeatedBy(stepIndex) ?? [];

    /// <summary>Steps whose repeat was not walked, by their places: together they would be more than any job is.</summary>
    public IReadOnlyList<int> NotRepeated => _sides?.TooMuch ?? [];

    /// <summary>The side the second ones are on; <see cref="Side.Other"/> where the words do not say which.</summary>
    public Side SecondSide => _sides?.SecondSide ?? Side.Other;

    /// <summary>The sheet with everything on it, whatever it is limited to.</summary>
    public Sheet Whole { get; }

    /// <summary>The workshop its values are judged in.</summary>
    public Workshop Workshop { get; }

    /// <summary>Its steps, in order.</summary>
    public IReadOnlyList<Step> Steps { get; }

    /// <summary>Every action, in order.</summary>
    public IReadOnlyList<WalkEvent> Events { get; }

    /// <summary>Where the vehicle is lowered for the last time, as a step's place from 0; −1 where it is not.</summary>
    public int LastLowering { get; } = -1;

    private readonly List<WalkEvent>?[] _byVerb = new List<WalkEvent>?[Enum.GetValues<Verb>().Length];

    /// <summary>The events of a verb, in order; a rule that asks for few need not go through all.</summary>
    public IReadOnlyList<WalkEvent> Doing(Verb verb) => _byVerb[(int)verb] ?? (IReadOnlyList<WalkEvent>)[];

    /// <summary>The events of any of these verbs, those of one verb in order.</summary>
    public IEnumerable<WalkEvent> Doing(Verb first, params Verb[] others) => others.Aggregate((IEnumerable<WalkEvent>)Doing(first), (all, verb) => all.Concat(Doing(verb)));

    /// <summary>
    /// True for what no step of this walk touches and a branch of the sheet does: "if a stud comes out, fit a new one" asks for it where it does.
    /// </summary>
    public bool IsForABranch(Thing thing) => EventsOf(thing.Id).Count == 0 && Kept(typeof(Branch), static w => w.Whole.Steps.SelectMany(s => s.Actions)
        .Where(a => a is { Target: not null, Branch: > 0 }).Select(a => a.Target!).ToHashSet()).Contains(thing.SheetId);

    private Dictionary<Type, object>? _kept;

    /// <summary>What is worked out of the whole walk once and asked for often, by whoever asks.</summary>
    internal T Kept<T>(Type by, Func<Walk, T> make)
        where T : class
    {
        _kept ??= [];
        if (_kept.TryGetValue(by, out var kept)) return (T)kept;
        var made = make(this);
        _kept[by] = made;
        return made;
    }

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

    /// <summary>The joints that hold a part, in their order on the sheet.</summary>
    public IReadOnlyList<Joint> HoldersOf(string part) => _tracks.HoldersOf(part);

    /// <summary>Things of the sheet by id.</summary>
    public IReadOnlyDictionary<string, Thing> Things => _tracks;

    /// <summary>The events of one thing, in order; empty where nothing is done to it. The vehicle's, and those on words alone, stand under <see cref="Vehicle"/>.</summary>
    public IReadOnlyList<WalkEvent> EventsOf(string id) => id == Vehicle ? _onVehicle : _tracks.EventsOf(id);

    /// <summary>True where some are named of what the same was done to before without a number: "press the new caps in", and then "its two caps".</summary>
    public bool CountsWhatWasAll(WalkEvent walked) => walked.Action is { Target: { } id } and ({ Some: not null } or { Rest: true })
        && EventsOf(id).LastOrDefault(e => e.Order < walked.Order && e.Verb == walked.Verb) is { Action: { Some: null, Rest: false } };

    /// <summary>True where a joint is taken out between two events.</summary>
    public bool IsOutBetween(Joint joint, WalkEvent from, WalkEvent to) =>
        EventsOf(joint.Id).Any(e => e.Verb == Verb.TakeOut && e.Order > from.Order && e.Order < to.Order);

    /// <summary>The moments a thing's state changed, the beginning first.</summary>
    public IReadOnlyList<Moment> MomentsOf(string id) => id == Vehicle
        ? _vehicle
        : [new Moment(-1, -1, AtBeginning(id)), .. _tracks.EventsOf(id).Where(e => e.After != e.Before).Select(e => new Moment(e.Order, e.StepIndex, e.After))];

    /// <summary>State when the job begins.</summary>
    public ThingState AtBeginning(string id) => id == Vehicle ? _vehicle[0].State : _tracks.AtBeginning(id);

    /// <summary>State when all is done.</summary>
    public ThingState AtEnd(string id) => id == Vehicle ? _vehicle[^1].State : _tracks.AtEnd(id);

    /// <summary>State after a step (−1 for the beginning).</summary>
    public ThingState AfterStep(string id, int stepIndex)
    {
        if (id == Vehicle) return _vehicle[CountUpTo(_vehicle, stepIndex, (m, last) => m.StepIndex <= last) - 1].State;
        var events = _tracks.EventsOf(id);
        return After(id, events, CountUpTo(events, stepIndex, (e, last) => e.StepIndex <= last));
    }

    /// <summary>State just before an event.</summary>
    public ThingState BeforeEvent(string id, int order)
    {
        if (id == Vehicle) return _vehicle[CountUpTo(_vehicle, order, (m, next) => m.Order < next) - 1].State;
        var events = _tracks.EventsOf(id);
        return After(id, events, CountUpTo(events, order, (e, next) => e.Order < next));
    }

    /// <summary>Id of the part one sits on just before an event, by what was said until then; null for none.</summary>
    public string? HostAt(string id, int order) => HostAfter(id, _tracks.EventsOf(id), order, (e, next) => e.Order < next);

    /// <summary>The part one sits on after a step; null for none.</summary>
    public Thing? HostAfterStep(string id, int stepIndex) =>
        HostAfter(id, _tracks.EventsOf(id), stepIndex, (e, last) => e.StepIndex <= last) is { } host ? Things.GetValueOrDefault(host) : null;

    private string? HostAfter(string id, WalkEvent[] events, int limit, Func<WalkEvent, int, bool> isBefore)
    {
        for (var i = CountUpTo(events, limit, isBefore) - 1; i >= 0; i--)
            if (events[i].Action.Host is { } host) return host;
        return Things.GetValueOrDefault(id) is Part part ? part.SitsOn : null;
    }

    /// <summary>How the vehicle stands just before an event, and since when.</summary>
    public Moment VehicleBefore(int order) => _vehicle[CountUpTo(_vehicle, order, (m, next) => m.Order < next) - 1];

    private ThingState After(string id, WalkEvent[] events, int count) => count == 0 ? AtBeginning(id) : events[count - 1].After;

    // How many of a list in order lie before a limit.
    private static int CountUpTo<T>(IReadOnlyList<T> list, int limit, Func<T, int, bool> isBefore)
    {
        int low = 0, high = list.Count;
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (isBefore(list[middle], limit)) low = middle + 1;
            else high = middle;
        }

        return low;
    }
}
