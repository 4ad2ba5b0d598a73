using System.Collections.Immutable;
using System.Text.Json;
using WornPath.Core.Cautions;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Revisions;

/// <summary>
/// Finds what differs between two revisions. Things, steps and phases keep their ids from one revision to the next, so that each is held
/// against itself; what is compared is what people see of it: its fields as they are written, what is done, and how things stand.
/// </summary>
internal sealed class DifferenceFinder(Walk before, Walk after, string letter)
{
    // Of a joint: what keeps it from coming loose, and what does not belong to its value.
    private static readonly ImmutableHashSet<string> KeepsTight = ["reuse", "locking", "mark", "becomes"];
    private static readonly ImmutableHashSet<string> OfItself = ["name", "tell", "holds", "origin"];

    private readonly Sheet _old = before.Whole;
    private readonly Sheet _new = after.Whole;
    private readonly List<Difference> _lines = [];
    private readonly HashSet<string> _changed = [];

    public Differences Find()
    {
        Header();
        foreach (var kind in Slots.Kinds) Things(kind);
        Aids();
        Phases();
        var steps = Steps();
        Cautions();
        States();
        return new Differences([.. _lines.OrderBy(l => l.Group)], steps, [.. _changed]);
    }

    private void Tell(DifferenceGroup group, string says, string? step = null, string? thing = null, string? phase = null)
    {
        _lines.Add(new Difference(group, says, step, thing, phase));
        if (step is not null && _newSteps.ContainsKey(step)) _changed.Add(step);
    }

    private void Header()
    {
        foreach (var field in Fields.Header)
            if (field.Get(_old.Header) is var was && field.Get(_new.Header) is var now && was != now)
                Tell(field.Name is "purpose" or "entryCheck" ? DifferenceGroup.Wording : DifferenceGroup.Parts, $"{Sentences.Capital(field.Label)}: {Became(was, now)}");
    }

    private void Things(ThingKind kind)
    {
        var (was, now) = (Slots.List(_old, kind), Slots.List(_new, kind));
        var olds = was.ToDictionary(t => t.Id);
        foreach (var thing in now)
        {
            if (!olds.Remove(thing.Id, out var former))
                Tell(GroupOf(thing), $"New {kind.ToString().ToLowerInvariant()}: {thing.Label}{Says(thing)}", thing: thing.Id);
            else if (!ReferenceEquals(former, thing)) Changes(former, thing);
        }

        foreach (var gone in olds.Values) Tell(GroupOf(gone), $"{kind} gone: {gone.Label}", thing: gone.Id);
    }

    private static DifferenceGroup GroupOf(Thing thing) => thing is Joint or Fluid ? DifferenceGroup.Values : DifferenceGroup.Parts;

    private static DifferenceGroup GroupOf(Thing thing, string field) => thing is not Joint ? GroupOf(thing)
        : KeepsTight.Contains(field) ? DifferenceGroup.Safety
        : OfItself.Contains(field) ? DifferenceGroup.Parts : DifferenceGroup.Values;

    // What a new one is, as far as it is told.
    private string Says(Thing thing) => thing switch
    {
        Joint joint => Listed($"{joint.Count} × {joint.Fastener?.ToString() ?? "fastener not told"}", joint.TighteningText,
            joint.Treatment == Treatment.None ? "" : EnumWord.Of(joint.Treatment)),
        Part part => Listed(part.Quantity > 1 ? $"{part.Quantity} of them" : "",
            part.Origin switch { Origin.Kit => "from the kit", Origin.ToBuy => "to buy", _ => "" }),
        Aid => Listed(InPlace(after, thing.Id)),
        _ => "",
    };

    private static string Listed(params string[] said) => string.Concat(said.Where(s => s.Length > 0).Select(s => $", {s}"));

    private void Changes(Thing former, Thing thing)
    {
        var told = new SortedDictionary<DifferenceGroup, List<string>>();
        void Add(DifferenceGroup group, string says)
        {
            if (!told.TryGetValue(group, out var list)) told[group] = list = [];
            list.Add(says);
        }

        foreach (var field in Fields.Of(thing.Kind))
            if (field.Get(former) is var was && field.Get(thing) is var now && was != now)
                Add(GroupOf(thing, field.Name), field.Name == "name" ? $"was called {was}"
                    : field.Choices.Count > 0 ? $"{field.Label}: {now} (was {was})" : $"{field.Label} {Became(was, now)}");
        if (!former.AlsoCalled.SequenceEqual(thing.AlsoCalled))
            Add(DifferenceGroup.Parts, $"also called {Became(string.Join(", ", former.AlsoCalled), string.Join(", ", thing.AlsoCalled))}");
        foreach (var (group, list) in told) Tell(group, $"{thing.Label}: {string.Join("; ", list)}", thing: thing.Id);
        if (!told.ContainsKey(DifferenceGroup.Values) && !told.ContainsKey(DifferenceGroup.Safety)) return;
        // The steps where it is started, treated and brought to its value, on either side.
        foreach (var walked in after.EventsOf(thing.Id).Concat(after.EventsOf(thing.Id + Thing.SecondMark)))
            if (walked.Verb is Verb.Torque or Verb.TorquePass or Verb.Retorque or Verb.TurnOn or Verb.Start or Verb.Treat)
                _changed.Add(after.Steps[walked.StepIndex].Id);
    }

    // Whatever is put in place for the job, and for how long: by the steps, whatever numbers they have.
    private void Aids()
    {
        foreach (var aid in _new.Aids)
        {
            if (_old.Find(aid.Id) is null) continue;
            var (was, now) = (Stretches(before, aid.Id), Stretches(after, aid.Id));
            if (!was.Select(s => IdsOf(before, s)).SequenceEqual(now.Select(s => IdsOf(after, s))))
                Tell(DifferenceGroup.Parts, $"{aid.Label}: {InPlace(after, aid.Id)} (was {InPlace(before, aid.Id)})", thing: aid.Id);
        }
    }

    private static (string, string?) IdsOf(Walk walk, (int From, int? To) stretch) =>
        (walk.Steps[stretch.From - 1].Id, stretch.To is { } to ? walk.Steps[to - 1].Id : null);

    private static string InPlace(Walk walk, string id)
    {
        var stretches = Stretches(walk, id);
        return stretches.Count == 0 ? "never in place" : $"in place {string.Join(", ", stretches.Select(s => s.To is not { } to ? $"from step {s.From} to the end"
            : s.From == to ? $"in step {to}" : $"from step {s.From} to {to}"))}";
    }

    // The steps an aid is put in place and taken away in; no end where it stays.
    private static List<(int From, int? To)> Stretches(Walk walk, string id)
    {
        var stretches = new List<(int, int?)>();
        int? from = null;
        foreach (var moment in walk.MomentsOf(id))
        {
            if (moment.State.InPlace) from ??= moment.StepIndex + 1;
            else if (from is { } began)
            {
                stretches.Add((began, moment.StepIndex + 1));
                from = null;
            }
        }

        if (from is { } open) stretches.Add((open, null));
        return stretches;
    }

    private void Phases()
    {
        var olds = _old.Phases.ToDictionary(p => p.Id);
        var stays = Kept([.. _old.Phases.Select(p => p.Id)], [.. _new.Phases.Select(p => p.Id)]);
        foreach (var phase in _new.Phases)
        {
            if (!olds.Remove(phase.Id, out var former)) Tell(DifferenceGroup.Doing, $"New phase: {phase.Name}", phase: phase.Id);
            else
            {
                if (former.Name != phase.Name) Tell(DifferenceGroup.Wording, $"Phase {former.Name} is called {phase.Name}", phase: phase.Id);
                if (!stays.Contains(phase.Id)) Tell(DifferenceGroup.Doing, $"Phase {phase.Name} stands at another place", phase: phase.Id);
            }
        }

        foreach (var gone in olds.Values) Tell(DifferenceGroup.Doing, $"Phase gone: {gone.Name}", phase: gone.Id);
    }

    private readonly Dictionary<string, (int Number, Step Step, Phase Phase)> _oldSteps = Numbered(before.Whole);
    private readonly Dictionary<string, (int Number, Step Step, Phase Phase)> _newSteps = Numbered(after.Whole);

    private static Dictionary<string, (int Number, Step Step, Phase Phase)> Numbered(Sheet sheet) =>
        sheet.Phases.SelectMany(p => p.Steps.Select(s => (p, s))).Select((at, i) => (i + 1, at.s, at.p)).ToDictionary(at => at.s.Id);

    private ImmutableArray<StepDifference> Steps()
    {
        var stays = Kept([.. _old.Steps.Select(s => s.Id)], [.. _new.Steps.Select(s => s.Id)]);
        // What is gone stands where it stood: behind the step it stood behind.
        var gone = new Dictionary<string, List<StepDifference>>();
        var behind = "";
        foreach (var step in _old.Steps)
        {
            if (_newSteps.ContainsKey(step.Id))
            {
                behind = step.Id;
                continue;
            }

            var number = _oldSteps[step.Id].Number;
            Tell(DifferenceGroup.Doing, $"Step {number} of {letter} is gone: “{Short(step.Text)}”", step.Id);
            if (!gone.TryGetValue(behind, out var list)) gone[behind] = list = [];
            list.Add(new StepDifference(step.Id, number, null, false, step.Text, ""));
        }

        var told = ImmutableArray.CreateBuilder<StepDifference>();
        if (gone.TryGetValue("", out var first)) told.AddRange(first);
        foreach (var step in _new.Steps)
        {
            var (number, _, phase) = _newSteps[step.Id];
            if (!_oldSteps.TryGetValue(step.Id, out var was))
            {
                Tell(DifferenceGroup.Doing, $"Step {number} is new: “{Short(step.Text)}”", step.Id);
                told.Add(new StepDifference(step.Id, null, number, false, "", step.Text));
            }
            else
            {
                var moved = !stays.Contains(step.Id);
                var lines = _lines.Count;
                if (moved) Tell(DifferenceGroup.Doing, $"Step {was.Number} of {letter} is step {number} now: “{Short(step.Text)}”", step.Id);
                else if (phase.Id != was.Phase.Id && _old.Phases.Any(p => p.Id == phase.Id))
                    Tell(DifferenceGroup.Doing, $"Step {number} belongs to {phase.Name} (was {was.Phase.Name})", step.Id);
                if (!ReferenceEquals(was.Step, step)) Changes(was.Step, step, number);
                if (_lines.Count > lines) told.Add(new StepDifference(step.Id, was.Number, number, moved, was.Step.Text, step.Text));
            }

            if (gone.TryGetValue(step.Id, out var after)) told.AddRange(after);
        }

        return told.ToImmutable();
    }

    private void Changes(Step was, Step step, int number)
    {
        var lines = _lines.Count;
        var isOwn = Actions(was, step, number);
        foreach (var field in Fields.Step)
            if (field.Get(was) is var a && field.Get(step) is var b && a != b)
                Tell(field.Name == "source" ? DifferenceGroup.Values : DifferenceGroup.Doing, $"Step {number}: {field.Label} {Became(a, b)}", step.Id);
        if (was.Figures != step.Figures && JsonSerializer.Serialize(was.Figures, SheetJson.Options) != JsonSerializer.Serialize(step.Figures, SheetJson.Options))
            Tell(DifferenceGroup.Wording, $"Step {number}: {(was.Figures.IsEmpty ? "shows a figure now" : step.Figures.IsEmpty ? "shows no figure any more" : "its figures differ")}", step.Id);
        if (was.Text != step.Text && _lines.Count == lines)
            Tell(DifferenceGroup.Wording, $"Step {number}: {(isOwn ? "its words say the new value" : "other words, and what is done is the same")}", step.Id);
    }

    // True where all that differs is the value of a joint, which is told of the joint.
    private bool Actions(Step former, Step step, int number)
    {
        if (former.Actions.SequenceEqual(step.Actions)) return false;
        List<(StepAction Action, string Says)> olds = [.. former.Actions.Select(a => (a, Says(former, a)))], news = [.. step.Actions.Select(a => (a, Says(step, a)))];
        if (olds.Select(o => o.Says).SequenceEqual(news.Select(n => n.Says))) return false;
        List<(StepAction Action, string Says)> gone = [.. olds], came = [];
        foreach (var action in news)
            if (gone.FindIndex(o => o.Says == action.Says) is >= 0 and var at) gone.RemoveAt(at);
            else came.Add(action);
        if (gone.Count == 0 && came.Count == 0)
        {
            Tell(DifferenceGroup.Doing, $"Step {number}: in another order: {string.Join("; ", news.Select(n => n.Says))}", step.Id);
            return false;
        }

        var (said, own) = (new List<string>(), false);
        foreach (var action in came)
        {
            if (gone.FindIndex(o => o.Action.Verb == action.Action.Verb && o.Action.Target == action.Action.Target) is >= 0 and var at)
            {
                var (was, now) = (gone[at].Action, action.Action);
                var value = was.Torque != now.Torque || was.Angle != now.Angle || was.Limits != now.Limits;
                // The joint's own value, which is told of the joint.
                if (IsOwn(_old, was) && IsOwn(_new, now) && was.Passes == now.Passes && was.Angle == now.Angle)
                {
                    _changed.Add(step.Id);
                    own = true;
                }
                else if (value) Tell(DifferenceGroup.Values, $"Step {number}: {action.Says} (was: {gone[at].Says})", step.Id);
                else said.Add($"{action.Says} (was: {gone[at].Says})");
                gone.RemoveAt(at);
            }
            else said.Add(action.Says);
        }

        if (said.Count > 0) Tell(DifferenceGroup.Doing, $"Step {number}: {string.Join("; ", said)}", step.Id);
        if (gone.Count > 0) Tell(DifferenceGroup.Doing, $"Step {number}: no longer {string.Join("; ", gone.Select(g => g.Says))}", step.Id);
        return own;
    }

    private static bool IsOwn(Sheet sheet, StepAction action) => action.Verb is Verb.Torque or Verb.Retorque
        && sheet.Find(action.Target ?? "") is Joint { Torque: { } own } && (action.Torque is null || action.Torque == own);

    // As the chips say it, by the names of today; under a condition where it has one.
    private string Says(Step step, StepAction action)
    {
        var sheet = action.Ids.All(id => _new.Find(id) is not null) ? _new : _old;
        return Asking.Of(action, sheet) + (action.Branch > 0 && action.Branch <= step.Branches.Length ? $" if {step.Branches[action.Branch - 1].Sign}" : "");
    }

    private void Cautions()
    {
        foreach (var id in _oldSteps.Keys.Union(_newSteps.Keys))
        {
            // A step that is new had none, and one that is gone took its own along.
            var was = _oldSteps.TryGetValue(id, out var old) ? old.Step : null;
            var now = _newSteps.TryGetValue(id, out var fresh) ? fresh.Step : null;
            var at = now is null ? $"Step {old.Number} of {letter}" : $"Step {fresh.Number}";
            foreach (var (caution, isNew) in Between(was?.Cautions ?? [], now?.Cautions ?? []))
                Tell(DifferenceGroup.Safety, $"{at}: caution {(isNew ? "added" : "taken away")}: {Text(caution)}", id);
            if (was is null || now is null) continue;
            foreach (var (dropped, isNew) in Between(was.Dropped, now.Dropped))
                Tell(DifferenceGroup.Safety, isNew ? $"{at}: without the usual caution of {Lower(dropped.Hazard)}: {dropped.Reason}"
                    : $"{at}: has the usual caution of {Lower(dropped.Hazard)} again", id);
        }

        // The usual ones stand before the first step that calls for them, wherever that is now: the sheet has them or not.
        Dictionary<Caution, Step> former = Usual(_old), called = Usual(_new);
        foreach (var (caution, step) in called)
            if (!former.ContainsKey(caution)) Tell(DifferenceGroup.Safety, $"Caution before step {_newSteps[step.Id].Number}: {Text(caution)}", step.Id);
        foreach (var (caution, step) in former)
            if (!called.ContainsKey(caution)) Tell(DifferenceGroup.Safety, $"Caution no longer called for: {Text(caution)}", step.Id);
    }

    private static IEnumerable<(T What, bool IsNew)> Between<T>(ImmutableArray<T> was, ImmutableArray<T> now) =>
        now.Except(was).Select(c => (c, true)).Concat(was.Except(now).Select(c => (c, false)));

    private static Dictionary<Caution, Step> Usual(Sheet sheet)
    {
        var given = new HashSet<Caution>();
        var all = new Dictionary<Caution, Step>();
        foreach (var step in sheet.Steps)
            foreach (var caution in UsualCautions.For(step, sheet, given))
                if (!step.Cautions.Contains(caution)) all.TryAdd(caution, step);
        return all;
    }

    private void States()
    {
        var olds = new Dictionary<string, int>();
        var number = 0;
        foreach (var phase in before.Sheet.Phases) olds[phase.Id] = number += phase.Steps.Length;
        number = 0;
        // What is left of a difference at the end of a phase is told once, where it begins.
        var known = new Dictionary<string, string>();
        foreach (var phase in after.Sheet.Phases)
        {
            number += phase.Steps.Length;
            if (!olds.TryGetValue(phase.Id, out var end) || end == 0 || number == 0) continue;
            Dictionary<string, string> was = Standing(before, end - 1), now = Standing(after, number - 1);
            var differs = new List<(string Id, string Says)>();
            foreach (var (id, name) in NamesOfBoth())
            {
                var plain = id.Length == 0 ? "" : Plain(after.Things[id]);
                var (a, b) = (was.GetValueOrDefault(id, plain), now.GetValueOrDefault(id, plain));
                var said = a == b ? "" : $"{name} {b} (was {a})";
                if (said.Length > 0 && known.GetValueOrDefault(id) != said) differs.Add((id, said));
                known[id] = said;
            }

            foreach (var (id, says) in differs) Tell(DifferenceGroup.States, $"At the end of {phase.Name}: {says}", thing: Thing.SheetIdOf(id));
        }
    }

    private IEnumerable<(string Id, string Name)> NamesOfBoth() => before.Things.Keys.Where(after.Things.ContainsKey)
        .Select(id => (id, after.NameOf(after.Things[id])))
        .Append(("", "the vehicle"));

    // How a thing stands that the bench does not show.
    private static string Plain(Thing thing) => thing switch
    {
        Part => "on",
        Joint => "tight",
        Connection => "connected",
        Aid => "not in place",
        Fluid => "full",
        _ => "as at the beginning",
    };

    private static Dictionary<string, string> Standing(Walk walk, int stepIndex)
    {
        var bench = Bench.After(walk, stepIndex);
        var says = new Dictionary<string, string>();
        foreach (var line in bench.Off.Concat(bench.Slack).Concat(bench.Temporary).Concat(bench.Open).Concat(bench.Done).Concat(bench.Vehicle))
        {
            // Which step torques it is told of the step.
            var state = line.Later.Length > 0 ? line.Later : line.Says;
            says[line.Id] = says.TryGetValue(line.Id, out var more) ? $"{more}, {state}" : state;
        }

        return says;
    }

    // What of both stands in the same order: the longest run that does. The others have moved.
    private static HashSet<string> Kept(ImmutableArray<string> before, ImmutableArray<string> after)
    {
        var places = before.Select((id, i) => (id, i)).ToDictionary(p => p.id, p => p.i);
        List<(string Id, int Place)> common = [.. after.Where(places.ContainsKey).Select(id => (id, places[id]))];
        var ends = new List<int>();
        var former = new int[common.Count];
        for (var i = 0; i < common.Count; i++)
        {
            var at = ends.BinarySearch(i, Comparer<int>.Create((a, b) => common[a].Place.CompareTo(common[b].Place)));
            if (at < 0) at = ~at;
            former[i] = at > 0 ? ends[at - 1] : -1;
            if (at == ends.Count) ends.Add(i);
            else ends[at] = i;
        }

        var kept = new HashSet<string>();
        for (var i = ends.Count > 0 ? ends[^1] : -1; i >= 0; i = former[i]) kept.Add(common[i].Id);
        return kept;
    }

    private static string Became(string was, string now) => $"{(was.Length > 0 ? was : "none")} → {(now.Length > 0 ? now : "none")}";

    private static string Text(Caution caution) => $"{EnumWord.Of(caution.Signal)}, {Lower(caution.Hazard)}";

    private static string Lower(string hazard) => hazard.Trim().TrimEnd('.') is { Length: > 0 } text ? char.ToLowerInvariant(text[0]) + text[1..] : "";

    private static string Short(string text) => NumberText.Excerpt(text.ReplaceLineEndings(" "), 90);
}
