using WornPath.Core.Reading;
using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>
/// What a sheet does on both sides of the vehicle. What a step repeats on the other side, or two sentences do on one side each, is there
/// twice: the walk gives each of it a second one with a state of its own. What is said of no side is done on both, unless a step behind
/// repeats it: then it is of the side in hand.
/// </summary>
internal sealed class Sides
{
    // What one that repeats does over again (the places of actions, in order), on which side, and whether the vehicle goes up and down with it.
    private sealed record Again(ImmutableArray<(int Step, int Action)> What, bool OnSecond, bool Moves);

    private readonly Dictionary<string, string> _second = [];
    private readonly Dictionary<(int Step, int Action), Again> _again = [];
    private readonly Dictionary<(int, int), bool> _inHand = [];
    private readonly Dictionary<(int, int), bool> _leftOut = [];
    private readonly IReadOnlyList<Step> _steps;
    private int _repeated;

    /// <summary>So many actions are repeated on one walk, far more than any job does: a sheet of repeats of repeats must not fill the memory.</summary>
    public const int MostRepeated = 20_000;

    /// <summary>Steps whose repeat is not walked, because it would be more than <see cref="MostRepeated"/>.</summary>
    public List<int> TooMuch { get; } = [];

    private Sides(Sheet sheet, IReadOnlyList<Step> steps)
    {
        _steps = steps;
        Sheet = sheet;
    }

    /// <summary>The sheet with the second ones on it.</summary>
    public Sheet Sheet { get; private set; }

    /// <summary>The side the second ones are on.</summary>
    public Side SecondSide { get; private set; } = Side.Other;

    /// <summary>
    /// The sides of a sheet; null where it does nothing on a side of its own, as most do not. As one side, nothing is there twice: each action
    /// is done once, and what repeats others does nothing.
    /// </summary>
    public static Sides? Of(Sheet sheet, IReadOnlyList<Step> steps, bool asOneSide = false)
    {
        var any = false;
        foreach (var step in steps)
            foreach (var action in step.Actions) any |= action.Side is not null;
        if (!any) return null;
        var sides = new Sides(sheet, steps);
        sides.FindRepeats();
        if (asOneSide) return sides;
        sides.AddSeconds();
        return sides._second.Count == 0 && sides.TooMuch.Count == 0 ? null : sides;
    }

    /// <summary>
    /// What an action comes to: as it is done to the one and to the other, with the step that says it, and whether that says nothing of a
    /// side. One that repeats comes to all it does over again.
    /// </summary>
    public IEnumerable<(Step Said, StepAction Action, bool OfNoSide)> Done(int stepIndex, int actionIndex)
    {
        var (step, action) = (_steps[stepIndex], _steps[stepIndex].Actions[actionIndex]);
        if (_again.TryGetValue((stepIndex, actionIndex), out var again))
        {
            yield return (step, action, false);
            if (_second.Count == 0) yield break;
            foreach (var (ofStep, ofAction) in again.What)
            {
                var repeated = _steps[ofStep].Actions[ofAction];
                if (!again.Moves && MovesVehicle(repeated.Verb)) continue;
                var there = OnOne(repeated, again.OnSecond);
                yield return (_steps[ofStep], again.OnSecond && MovesVehicle(repeated.Verb) ? there with { Side = Side.Other } : there, false);
            }

            yield break;
        }

        if (action.Target is not { } id || !_second.ContainsKey(id))
        {
            yield return (step, action, false);
        }
        else if (action.Side is { } side)
        {
            yield return (step, OnOne(action, IsSecond(side)), false);
        }
        else if (_inHand.TryGetValue((stepIndex, actionIndex), out var second))
        {
            yield return (step, OnOne(action, second), false);
        }
        else if (_leftOut.TryGetValue((stepIndex, actionIndex), out var alone))
        {
            yield return (step, OnOne(action, alone), true);
        }
        else
        {
            yield return (step, action, true);
            yield return (step, OnOne(action, true), true);
        }
    }

    /// <summary>The steps a step repeats, by their places; empty where it repeats none on another side.</summary>
    public IEnumerable<int> RepeatedBy(int stepIndex) =>
        _again.Where(a => a.Key.Step == stepIndex).SelectMany(a => a.Value.What.Select(w => w.Step)).Distinct();

    private StepAction OnOne(StepAction action, bool second) => second
        ? action.Renamed(SecondOf)
        : action;

    private string? SecondOf(string? id) => id is not null && _second.TryGetValue(id, out var second) ? second : id;

    private bool IsSecond(Side side) => side == SecondSide || side == Side.Other;

    private static bool MovesVehicle(Verb verb) => verb is Verb.Raise or Verb.SetOnStands or Verb.LowerToTouch or Verb.Lower;

    private void FindRepeats()
    {
        // The first that repeats tells which side was begun with.
        var first = _steps.SelectMany(s => s.Actions).FirstOrDefault(a => a is { Verb: Verb.Repeat, Side: Side.Left or Side.Right });
        SecondSide = first?.Side ?? (_steps.SelectMany(s => s.Actions).Any(a => a.Side is Side.Left or Side.Right) ? Side.Right : Side.Other);
        var phaseOf = Sheet.Phases.SelectMany((p, i) => p.Steps.Select(_ => i)).ToArray();
        var up = false;
        // Where the vehicle was last raised or set down, where the last repeat ended.
        (int Step, int Action) moved = (-1, -1), ended = (-1, -1);
        for (var i = 0; i < _steps.Count; i++)
            for (var k = 0; k < _steps[i].Actions.Length; k++)
            {
                var action = _steps[i].Actions[k];
                if (action.Target is null && MovesVehicle(action.Verb))
                {
                    up = action.Verb is Verb.Raise or Verb.SetOnStands;
                    moved = (i, k);
                }

                if (action is not { Verb: Verb.Repeat, Side: { } side }) continue;
                var (step, place) = (i, k);
                List<(int Step, int Action)> what = [];
                for (var at = 0; at <= i; at++)
                    for (var a = 0; a < _steps[at].Actions.Length; a++)
                    {
                        if (at == step && a >= place) break;
                        var within = action.Steps is { } named
                            ? named.Has(at + 1) && at < step
                            : phaseOf[at] == phaseOf[step] && (at, a).CompareTo(ended) > 0 && (!up || (at, a).CompareTo(moved) > 0);
                        if (within && _steps[at].Actions[a].Verb != Verb.Repeat) what.Add((at, a));
                    }

                _repeated += what.Count;
                if (_repeated > MostRepeated)
                {
                    TooMuch.Add(i);
                    continue;
                }

                var onSecond = side == Side.Other || side == SecondSide;
                _again[(i, k)] = new Again([.. what], onSecond, HeightsMeet(what));
                foreach (var one in what) _inHand.TryAdd(one, !onSecond);
                // What stands among them and is left out of the repeat is of the side in hand, too.
                if (what.Count > 0 && action.Steps is not null && phaseOf[what[^1].Step] == phaseOf[i])
                    for (var at = what[0].Step; at < i; at++)
                        for (var a = 0; a < _steps[at].Actions.Length; a++)
                            if (phaseOf[at] == phaseOf[i] && !_inHand.ContainsKey((at, a))) _leftOut[(at, a)] = !onSecond;
                ended = (i, k);
            }
    }

    // What raises and lowers again is done once more with the rest; where the vehicle stays as it came to stand, it is not.
    private bool HeightsMeet(List<(int Step, int Action)> what)
    {
        var moves = what.Select(w => _steps[w.Step].Actions[w.Action]).Where(a => a.Target is null && MovesVehicle(a.Verb)).ToList();
        return moves.Count > 0 && moves[0].Verb is Verb.Raise or Verb.SetOnStands && moves[^1].Verb is Verb.Lower or Verb.LowerToTouch;
    }

    private void AddSeconds()
    {
        var twice = new HashSet<string>();
        foreach (var again in _again.Values)
            foreach (var (step, action) in again.What)
                if (_steps[step].Actions[action].Target is { } id) twice.Add(id);
        foreach (var done in _steps.SelectMany(s => s.Actions).Where(a => a is { Target: not null, Side: not null }).GroupBy(a => a.Target!))
            if (done.Any(a => a.Side == Side.Left) && done.Any(a => a.Side == Side.Right)) twice.Add(done.Key);
        var things = Sheet.Things.Where(t => twice.Contains(t.Id) && t is Part or Joint or Connection or Aid && !Natures.Is(t, Trait.OneOnly)).ToList();
        foreach (var thing in things) _second[thing.Id] = thing.Id + Thing.SecondMark;
        if (_second.Count == 0) return;
        Sheet = Sheet with
        {
            Parts = With(Sheet.Parts, p => (Part)p.WithParts(SecondOf)),
            Joints = With(Sheet.Joints, j => (Joint)j.WithParts(SecondOf) with { SupersededBy = SecondOf(j.SupersededBy) }),
            Connections = With(Sheet.Connections, c => c),
            Aids = With(Sheet.Aids, a => a),
        };
    }

    private ImmutableArray<string> Seconds(ImmutableArray<string> ids) => [.. ids.Select(id => SecondOf(id)!)];

    // Each second stands behind its first. What is there once and has to do with a first has to do with its second as well.
    private ImmutableArray<T> With<T>(ImmutableArray<T> things, Func<T, T> second)
        where T : Thing
    {
        var all = ImmutableArray.CreateBuilder<T>();
        foreach (var thing in things)
        {
            all.Add(_second.ContainsKey(thing.Id) ? thing : OnBoth(thing));
            if (_second.TryGetValue(thing.Id, out var id)) all.Add(second(thing) with { Id = id, Name = NameOf(thing.Name), AlsoCalled = [] });
        }

        return all.ToImmutable();
    }

    private T OnBoth<T>(T thing)
        where T : Thing => thing switch
        {
            Part { Behind: var behind } part when behind.Any(_second.ContainsKey) => (T)(Thing)(part with { Behind = [.. behind.Union(Seconds(behind))] }),
            Joint { Holds: var holds } joint when holds.Any(_second.ContainsKey) => (T)(Thing)(joint with { Holds = [.. holds.Union(Seconds(holds))] }),
            _ => thing,
        };

    private string NameOf(string name) => SideWords.Swap(name) is var swapped && swapped != name ? swapped : $"{SideWords.Of(SecondSide)} {name}";
}
