using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>What was spoken of and done before a place of the procedure: what "it" and "the bolts" mean, and whether a thing is off.</summary>
internal sealed class Spoken
{
    private readonly Spoken? _before;
    private readonly Dictionary<string, int> _lately = [];
    private readonly Dictionary<string, bool> _off = [];
    private readonly Dictionary<string, Verb> _slack = [];
    private int _order;
    private Ends _up;

    public Spoken()
    {
    }

    /// <summary>What is spoken of on top of what was before, which stays as it is.</summary>
    public Spoken(Spoken before) => (_before, _order, Last, Earlier, Vehicle, Pin, Pinned, Raised, OnStands, _up, StandsAt, RaisedAt, Partly)
        = (before, before._order, before.Last, before.Earlier, before.Vehicle, before.Pin, before.Pinned, before.Raised, before.OnStands,
            before._up, before.StandsAt, before.RaisedAt, before.Partly);

    /// <summary>What was last in hand, in the order of the words.</summary>
    public IReadOnlyList<Thing> Last { get; private set; } = [];

    /// <summary>What was in hand before that.</summary>
    public IReadOnlyList<Thing> Earlier { get; private set; } = [];

    /// <summary>What was last done only in part.</summary>
    public Thing? Partly { get; set; }

    /// <summary>True where the last that was moved came off, false where it went on.</summary>
    public bool? ComesOff { get; private set; }

    /// <summary>The joint whose cotter pin was last pulled or put in.</summary>
    public Thing? Pinned { get; set; }

    /// <summary>True while the vehicle is up.</summary>
    public bool Raised { get; private set; }

    /// <summary>True while it is on stands.</summary>
    public bool OnStands { get; private set; }

    /// <summary>The ends that are on stands, as far as the words say.</summary>
    public Ends StandsAt { get; private set; }

    /// <summary>When the vehicle was last raised, in the order of <see cref="Lately"/>.</summary>
    public int RaisedAt { get; private set; }

    /// <summary>Notes what was done to the vehicle.</summary>
    /// <param name="verb">What.</param>
    /// <param name="at">The ends the words name.</param>
    public void Moved(Verb verb, Ends at)
    {
        if (verb is Verb.Raise or Verb.SetOnStands) (Raised, RaisedAt, OnStands) = (true, ++_order, OnStands || verb == Verb.SetOnStands);
        if (verb == Verb.Raise) _up = at;
        // "Raise the front axle and set it on stands."
        if (verb == Verb.SetOnStands) StandsAt |= at == Ends.None ? _up : at;
        // One end comes down while the other stays on its stands.
        if (verb == Verb.Lower && at != Ends.None && (StandsAt & ~at) != Ends.None) StandsAt &= ~at;
        else if (verb == Verb.Lower) (Raised, OnStands, StandsAt) = (false, false, Ends.None);
    }

    /// <summary>What hangs on which aid.</summary>
    public Dictionary<string, Thing> Hung { get; } = [];

    /// <summary>True where a cotter pin was last spoken of.</summary>
    public bool Pin { get; set; }

    /// <summary>The aid a thing hangs on; null for none that is known.</summary>
    public Thing? HangsOn(Thing thing) => Hung.GetValueOrDefault(thing.Id) ?? _before?.HangsOn(thing);

    /// <summary>True where the vehicle itself was last moved.</summary>
    public bool Vehicle { get; set; }

    /// <summary>What the steps before one speak of.</summary>
    public static Spoken Before(Sheet sheet, NameIndex names, Step step)
    {
        var spoken = new Spoken();
        List<Step> before = [];
        foreach (var phase in sheet.Phases)
        {
            foreach (var one in phase.Steps)
            {
                if (one.Id == step.Id) return spoken.With(before, names);
                before.Add(one);
            }
        }

        return spoken.With(before, names);
    }

    // Of all steps what was named when and what is off; of the last ones what was in hand.
    private Spoken With(List<Step> before, NameIndex names)
    {
        var near = Math.Max(0, before.Count - Near);
        for (var i = 0; i < near; i++)
        {
            foreach (var action in before[i].Actions)
            {
                if (action.Target is not { } id)
                {
                    Moved(action.Verb, WhichEnd.Of(before[i], action));
                    continue;
                }

                _lately[id] = ++_order;
                Went(id, action.Verb, action.Side);
                if (action.Verb == Verb.TakeAway) TookStands(names.Find(id), action.Verb);
                if (action.Verb is Verb.RemovePin or Verb.InsertPin || action.Some is not null || action is { Verb: Verb.HangAside, With: not null }) Remember(action, names);
            }
        }

        for (var i = near; i < before.Count; i++) Take(before[i], names);
        return this;
    }

    // So many steps back "it" and "them" reach.
    private const int Near = 8;

    private void Remember(StepAction action, NameIndex names)
    {
        if (names.Find(action.Target!) is not { } thing) return;
        if (action is { Verb: Verb.HangAside, With: { } hook } && names.Find(hook) is { } aid) Hung[thing.Id] = aid;
        if (action.Verb is Verb.RemovePin or Verb.InsertPin) Pinned = thing;
        if (action.Some is not null) Partly = thing;
    }

    /// <summary>Notes what a step speaks of.</summary>
    public void Take(Step step, NameIndex names)
    {
        foreach (var use in step.Uses)
            if (names.Find(use) is Tool tool) Name(tool);
        if (step.Actions.IsEmpty) return;
        List<Thing> hand = [];
        Verb? verb = null;
        foreach (var action in step.Actions)
        {
            if (action.Target is not { } id || names.Find(id) is not { } thing)
            {
                Moved(action.Verb, WhichEnd.Of(step, action));
                Vehicle |= action.Verb is Verb.Raise or Verb.SetOnStands or Verb.Lower or Verb.LowerToTouch;
                continue;
            }

            // What comes along is named, and not what is worked on.
            if (action.Verb == Verb.Carry)
            {
                Name(thing);
                continue;
            }

            Vehicle = false;
            if (action.Verb != verb && hand.Count > 0)
            {
                Hand(hand);
                hand = [];
            }

            verb = action.Verb;
            hand.Add(thing);
            Did(thing, action.Verb, action.Side);
            Remember(action, names);
        }

        if (hand.Count > 0) Hand(hand);
        Pin = step.Actions[^1].Verb == Verb.RemovePin;
    }

    /// <summary>Notes that a thing was named.</summary>
    public void Name(Thing thing) => _lately[thing.Id] = ++_order;

    /// <summary>Notes what is in hand now.</summary>
    public void Hand(IReadOnlyList<Thing> things)
    {
        if (things.Count == 0) return;
        Pin = false;
        foreach (var thing in things) Name(thing);
        if (!things.SequenceEqual(Last)) Earlier = Last;
        Last = things;
    }

    /// <summary>Notes what was done to a thing.</summary>
    public void Did(Thing thing, Verb verb, Side? side = null)
    {
        Name(thing);
        TookStands(thing, verb);
        Went(thing.Id, verb, side);
    }

    private void TookStands(Thing? thing, Verb verb) => OnStands &= verb != Verb.TakeAway || thing is not Aid || !Natures.Is(thing, Trait.Stand);

    private void Went(string id, Verb verb, Side? side)
    {
        if (verb is Verb.BreakLoose or Verb.Loosen or Verb.TakeOut or Verb.Start or Verb.Snug or Verb.Torque or Verb.TorquePass) _slack[id] = verb;
        if (verb is Verb.TakeOut or Verb.Remove or Verb.Disconnect) ComesOff = true;
        else if (verb is Verb.Start or Verb.Fit or Verb.Connect) ComesOff = false;
        if (verb is Verb.TakeOut or Verb.Remove or Verb.Disconnect or Verb.TakeAway or Verb.HangAside or Verb.SetAside) _off[id] = true;
        // What went on at one side may be off at the other.
        else if (side is null && (verb is Verb.Start or Verb.Fit or Verb.Connect or Verb.Place or Verb.Torque or Verb.Snug)) _off[id] = false;
        else if (verb is Verb.Loosen && _off.ContainsKey(id)) _off[id] = false;
    }

    /// <summary>When it was last spoken of: the higher the later, 0 for never.</summary>
    public int Lately(Thing thing) => _lately.TryGetValue(thing.Id, out var at) ? at : _before?.Lately(thing) ?? 0;

    /// <summary>True where a later step is the first to name it: what an earlier one says does not mean it.</summary>
    public bool IsYetToCome(Thing thing) => thing.Assumed && Lately(thing) == 0;

    /// <summary>True where it is off, false where it is on, null where nothing was done to it. What comes from elsewhere is off until it was fitted.</summary>
    public bool? IsOff(Thing thing) => WasOff(thing) ?? (thing is Part { Origin: not Origin.Vehicle } ? true : null);

    /// <summary>The same by what was done alone.</summary>
    public bool? WasOff(Thing thing) => _off.TryGetValue(thing.Id, out var off) ? off : _before?.WasOff(thing);

    /// <summary>How a fastener was made slack, where it is that and no more; else null.</summary>
    public Verb? Slack(Thing thing) => _slack.TryGetValue(thing.Id, out var verb)
        ? verb is Verb.BreakLoose or Verb.Loosen ? verb : null : _before?.Slack(thing);

    /// <summary>The thing of some that was spoken of last; null where two or none were.</summary>
    public Thing? Nearest(IEnumerable<Thing> things)
    {
        var ordered = things.Where(t => Lately(t) > 0).OrderByDescending(Lately).ToList();
        return ordered.Count > 0 ? ordered[0] : null;
    }
}
