using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>A thing a sentence names that the sheet does not have yet. It is assumed, and shown as such.</summary>
/// <param name="Id">The id it would get.</param>
/// <param name="Holds">The part it holds, where it is a fastener named by it.</param>
/// <param name="At">Where it is named.</param>
public sealed record AssumedThing(ThingKind Kind, string Id, string Name, int Count, bool FromKit, string? Holds, Span At)
{
    /// <summary>What the words say the fastener is; null where they say nothing of it.</summary>
    public Fastener? Fastener { get; init; }

    /// <summary>What the words say lies under its head and on its end; null where they say nothing of it.</summary>
    public JointStack? Stack { get; init; }
}

/// <summary>Finds what noun phrases mean: within the sentence, then what was spoken of before, then by kind and by what holds what.</summary>
internal sealed class Referring(Sheet sheet, NameIndex names, Spoken spoken, Func<string, string?> settled)
{
    private readonly List<AssumedThing> _assumed = [];
    private readonly List<Thing> _fresh = [];

    // Joints named anew with what they hold, while that is not on the sheet.
    private readonly Dictionary<string, IReadOnlyList<string>> _holding = [];
    private readonly Dictionary<string, int> _issued = [];
    private readonly Dictionary<NounPhrase, (int Fresh, List<(Thing Thing, int Score)> Of)> _scored = new(ReferenceEqualityComparer.Instance);

    /// <summary>What the sentences name that the sheet does not have.</summary>
    public IReadOnlyList<AssumedThing> Assumed => _assumed;

    public Spoken Spoken => spoken;

    /// <summary>True where the sheet does something on both sides: "the right-hand wheel" is then its wheel, on that side.</summary>
    public Lazy<bool>? DoesBothSides { get; init; }

    /// <summary>The things whose name has a word, also those named anew here.</summary>
    public List<Thing> WithWord(string stem) => [.. names.WithWord(stem), .. _fresh.Where(t => NameIndex.NamesOf(t)[0].Contains(stem))];

    /// <summary>The thing whose name is just this; null where none is.</summary>
    public Thing? Called(IReadOnlyList<string> stems) => names.Spelled(stems) ?? _fresh.Find(t => NameIndex.NamesOf(t)[0].SequenceEqual(stems));

    /// <summary>The joints that have washers or a nut of their own.</summary>
    public IReadOnlyList<Joint> Stacked => names.Stacked;

    /// <summary>Things that may be meant, where more than one may.</summary>
    public IReadOnlyList<Thing> Doubtful { get; private set; } = [];

    /// <summary>The thing with an id, on the sheet or named anew here.</summary>
    public Thing? Find(string id) => names.Find(id) ?? _fresh.Find(t => t.Id == id);

    /// <summary>The thing a phrase means, of the sheet or named before in this text; null where none is.</summary>
    public Thing? Known(NounPhrase phrase, Predicate<ThingKind>? accepts = null)
    {
        Doubtful = [];
        if (phrase.IsPronoun || phrase.Stems.Count == 0) return null;
        if (settled(phrase.Text) is { Length: > 0 } meant && Find(meant) is { } said) return said;
        if (phrase.Stems.Count == 1 && names.Find(phrase.Stems[0]) is { } byId) return byId;
        List<string> full = [.. phrase.Owner.Where(o => !phrase.Stems.Contains(o)), .. phrase.Stems];
        if ((phrase.IsOld || phrase.IsNew) && OldOrNew(phrase, full) is { } told) return told;
        if (phrase.Distinct.Any(IsSide) && DoesBothSides?.Value == true && phrase.Stems.Count > 1 && names.Spelled(full) is null)
        {
            var plain = phrase with { Stems = [.. phrase.Stems.Where(s => !IsSide(s))], Distinct = [.. phrase.Distinct.Where(d => !IsSide(d))] };
            if (plain.Stems.Count > 0 && Known(plain, accepts) is { } onASide) return onASide;
        }

        // Who is spelled to the letter is meant; of ten thousand bolts the others are not looked at.
        if (phrase.Size.Length == 0 && names.Spelled(full) is { } spelled && !OnlyUsed(spelled, phrase)
            && !IsOfAnotherKind(spelled, phrase, accepts) && !IsOneOfOthers(spelled, phrase)
            && !_fresh.Exists(t => NameIndex.NamesOf(t)[0].SequenceEqual(full))) return spelled;
        var scored = new List<(Thing Thing, int Score, bool Whole)>();
        foreach (var (thing, score) in Scored(phrase, full))
        {
            var best = score;
            if (best == 0) continue;
            // Its name as a whole, not a shortened one.
            var whole = score >= 90 && !IsOneOfOthers(thing, phrase);
            if (accepts is not null && accepts(thing.Kind) && thing.Kind != ThingKind.Tool) best += 8;
            // What a later step is the first to name is not meant by a shorter name before it.
            if (!whole && spoken.IsYetToCome(thing)) continue;
            if (IsOfAnotherKind(thing, phrase, accepts) || !whole && IsAnother(thing, phrase)) continue;
            // A 17 mm spanner is no 19.
            if (thing.Kind == ThingKind.Tool && phrase.Size.Length > 0 && !thing.Name.Contains(phrase.Size, StringComparison.OrdinalIgnoreCase)) continue;
            // "The bar" is no long bar that was only used.
            if (thing.Kind is ThingKind.Tool && !whole && phrase.After is null && spoken.IsOff(thing) is null || OnlyUsed(thing, phrase)) continue;
            // "The new caps" are none that are worked with, nor "its caps" where others are there.
            if (!phrase.IsOld && thing is Aid && Natures.Is(thing, Trait.OldPart))
            {
                if (phrase.IsNew) continue;
                best -= 30;
            }

            // M8 bolts are no M10.
            if (thing is Joint sized && FastenerSizes.Same(phrase.Size, sized) is { } same)
            {
                if (!same) continue;
                best += 40;
            }

            if (thing is Joint joint && phrase.Count is { } count && joint.Count == count && count > 1) best += 4;
            // "The nuts" is not the castle nut, nor "the nut" the wheel nuts, where both are there.
            if (!whole && phrase.IsPlural != thing.IsMany)
            {
                // "The 15 mm bolt" is none of the six.
                if (phrase.Size.Length > 0 && thing is Joint && phrase.Some is null) continue;
                best -= 25;
            }

            if (!whole && IsMore(phrase, thing)) continue;
            if (!whole && phrase.IsPlural && phrase.Count is null or > 1 && thing is Joint { Count: 1 } && !thing.IsMany && phrase.Stems.Count == 1) continue;
            // What was spoken of comes before what comes later.
            if (!whole && spoken.Lately(thing) == 0) best -= 12;
            scored.Add((thing, best, whole));
        }

        // "The castle nut" is the one whose pin was pulled.
        if (phrase.Head == "nut" && phrase.Stems is ["castle" or "castellated" or "slotted", _] && spoken.Pinned is { } pinned
            && !scored.Exists(s => s.Whole)) return pinned;
        // "The opposite cap", of four that are on the sheet as one.
        if (scored.Count == 0 && phrase.Distinct.Count > 0 && phrase.Stems.Count == phrase.Distinct.Count + 1
            && Candidates(phrase.Head).Where(t => t is Part { Quantity: > 1 } && NameIndex.NamesOf(t)[0][^1] == phrase.Head).ToList() is [var several]) return several;
        // "The upper pump bolt", of the two that are on the sheet as one.
        if (scored.Count == 0 && phrase is { IsPlural: false, IsNew: false, Size: "" } && phrase.Distinct.Count > 0
            && full.FindAll(s => !phrase.Distinct.Contains(s)) is { Count: > 1 } undistinguished
            && Called(undistinguished) is Joint { Count: > 1 } set) return set;
        // "The castle nut", of a joint that has one and is called otherwise.
        if (scored.Count == 0 && phrase is { Stems.Count: > 1, Owner.Count: 0 } && phrase.Is(ThingKind.Joint)
            && accepts?.Invoke(ThingKind.Joint) != false && ByFastener(phrase) is { } bearing) return bearing;
        // "The starter", of a starter motor.
        if (scored.Count == 0 && phrase is { Stems: [var word], Owner.Count: 0 } && Trade.NounOf([word]) is { Kinds: [ThingKind.Part, ..] }
            && names.WithWord(word).Where(t => t is Part && NameIndex.NamesOf(t)[0] is [var first, var last]
                && first == word && Trade.Wholes.Contains(last)).ToList() is [var inFull]) return inFull;
        // "The cover-to-frame bolts" and "the cover bolts".
        if (scored.Count == 0 && Trade.Plain.Contains(phrase.Head) && !phrase.IsNew)
            return NameIndex.FirstOf(phrase.Name) is { } byOne
                ? Known(phrase with { Stems = NameIndex.StemsOf(byOne), Name = byOne, Text = byOne.ToLowerInvariant() }, accepts) : names.Between(full);
        // "Block the wheels … pull the chocks": the same.
        if (scored.Count == 0 && phrase is { IsNew: false, IsIndefinite: false } && Trade.Chocks.Contains(phrase.Head)
            && phrase.Stems is [_] or ["wheel", _])
            return WithWord("wheel").Find(t => t is Aid && NameIndex.NamesOf(t)[0] is ["wheel", var head] && Trade.Chocks.Contains(head));
        if (scored.Count == 0) return null;
        var top = scored.Max(s => s.Score);
        // A bare or shortened name means what was spoken of last; a whole name is what it says.
        var good = (scored.Exists(s => s.Whole) ? scored.Where(s => s.Whole
            && s.Score == scored.Where(w => w.Whole).Max(w => w.Score)) : scored.Where(s => s.Score >= Math.Max(20, top - 20))).Select(s => s.Thing).ToList();
        if (accepts is not null && good.Exists(t => accepts(t.Kind))) good = good.FindAll(t => accepts(t.Kind));
        // "Secure the pin with a new cotter pin": what is pinned, and not what pins it.
        if (phrase.Stems is ["pin"] && good.FindAll(t => !NameIndex.NamesOf(t)[0].Intersect(["split", "cotter"]).Any()) is { Count: > 0 } others) good = others;
        if (good.Count == 1) return good[0];
        // "The hose bracket bolt … the bracket": what the fastener in hand holds or is named by.
        if (good.FindAll(t => t is Part && spoken.Last.Any(j => j is Joint joint
            && (joint.Holds.Contains(t.Id) || NameIndex.NamesOf(joint)[0] is [.. var held, _]
            && held.SequenceEqual(NameIndex.NamesOf(t)[0])))) is [var inHand]) return inHand;
        // "Hang the wheel, spin the nuts on": those that hold what is in hand.
        if (phrase.Stems.Count == 1 && good.FindAll(t => t is Joint joint && spoken.Last.Any(p => p is Part && joint.Holds.Contains(p.Id))
            && (phrase.Count is null || phrase.Count <= joint.Count)) is [var holding])
            return holding;
        // "Catch all eight bolts": not the four.
        if (phrase.Count is > 1 and var many && good.FindAll(t => t is Joint joint && joint.Count == many) is { Count: > 0 } counted) good = counted;
        if (spoken.Nearest(good) is { } near) return near;
        // "The bolts": of two that nobody spoke of, not the one with the shorter name.
        var bare = phrase.Stems.Count == 1 && Trade.Plain.Contains(phrase.Head) ? 3 : 0;
        var first = scored.Where(s => s.Score >= top - bare).Select(s => s.Thing).ToList();
        if (first.Count == 1) return first[0];
        Doubtful = good;
        return null;
    }

    // "All six union nuts", of a joint whose fastener is one: called by what it is; null where none or several are.
    private Joint? ByFastener(NounPhrase phrase)
    {
        var called = names.WithFastener(phrase.Stems).Where(j => phrase.Count is null || phrase.Count == j.Count).ToList();
        return called.Count == 1 ? called[0] : spoken.Nearest(called) as Joint;
    }

    // "The old cover bolts": the one that is named so; else the one that another takes the place of, and "the new ones" that other.
    private Thing? OldOrNew(NounPhrase phrase, List<string> full)
    {
        if (names.Spelled([phrase.IsNew ? "new" : "old", .. full]) is { } named) return named;
        // "The new bolts" may be any that are renewed.
        if (phrase.IsNew && full.Count == 1) return null;
        return names.Superseded.Select(s => phrase.IsNew ? s.By : s.Old).Distinct()
            .Where(joint => NameIndex.NamesOf(joint).Any(n => Score(n, phrase, full) > 0)).ToList() is [var only] ? only : null;
    }

    // "The nut" is none of those that were called "nuts", where a single one has been spoken of.
    private bool IsOneOfOthers(Thing thing, NounPhrase phrase) => phrase is { Stems.Count: 1, IsPlural: false, Count: null or 1, IsAll: false, Some: null }
        && Trade.Plain.Contains(phrase.Head) && thing is Joint many && IsSeveral(many)
        && Candidates(phrase.Head).Any(t => t is Joint one && one != many && !IsSeveral(one) && NameIndex.NamesOf(one)[0][^1] == phrase.Head
            && spoken.Lately(one) > 0);

    private static bool IsSeveral(Joint joint) => joint.IsMany || joint.Name.EndsWith('s');

    private static bool IsSide(string stem) => stem is "left" or "right" or "opposite" or "lefthand" or "righthand" or "lh" or "rh";

    // "Key out" at the beginning is not the key that is picked out of its slot later.
    private bool IsOfAnotherKind(Thing thing, NounPhrase phrase, Predicate<ThingKind>? accepts) => spoken.IsYetToCome(thing)
        && Trade.NounOf(phrase.Stems) is { Kinds: [var usual, _, ..] } && usual != thing.Kind && accepts?.Invoke(usual) != false;

    // "The wheel" is no jockey wheel, a name of its own for something else, unless that is in hand.
    private bool IsAnother(Thing thing, NounPhrase phrase) => thing is Control && !spoken.Last.Contains(thing) && !spoken.Earlier.Contains(thing)
        && NameIndex.NamesOf(thing)[0] is [.., var first, var second] && Trade.IsCompound(first, second) && phrase.Stems.Count == 1
        && Trade.NounOf(phrase.Stems) is { Role: NounRole.Thing } noun && !noun.Kinds.Contains(thing.Kind);

    // "Lift the bar away", where a bar was only used for prying: another bar.
    private bool OnlyUsed(Thing thing, NounPhrase phrase) => thing is Tool && phrase.After is null && spoken.IsOff(thing) is null
        && Trade.NounOf(phrase.Stems) is { } noun && noun.Kinds.Contains(ThingKind.Part);

    // How well each thing meets a phrase does not change while nothing new is named.
    private List<(Thing Thing, int Score)> Scored(NounPhrase phrase, List<string> full)
    {
        if (_scored.TryGetValue(phrase, out var known) && known.Fresh == _fresh.Count) return known.Of;
        var scored = new List<(Thing, int)>();
        foreach (var thing in Candidates(phrase.Head))
        {
            var best = 0;
            foreach (var name in NameIndex.NamesOf(thing)) best = Math.Max(best, Score(name, phrase, full));
            if (best > 0) scored.Add((thing, best));
        }

        _scored[phrase] = (_fresh.Count, scored);
        return scored;
    }

    private IEnumerable<Thing> Candidates(string head)
    {
        // A word of the trade is meant as it stands: "shock" is no slip for "chock".
        var exact = Trade.NounOf([head]) is not null || Trade.VerbsOf(head).Length > 0;
        var called = names.WithHead(head, exact).Concat(_fresh.Where(t => NameIndex.NamesOf(t).Any(n => n[^1] == head)));
        // "The cover bolts" that were called its fasteners before.
        return (Trade.Plain.Contains(head) ? called.Concat(names.Hardware)
            .Concat(_fresh.Where(t => Trade.Hardware.Contains(NameIndex.NamesOf(t)[0][^1]))) : called).Distinct();
    }

    // How well a name meets a phrase: 100 the same, less the more is left out; 0 where another thing is meant.
    private static int Score(string[] name, NounPhrase phrase, List<string> full)
    {
        if (name.SequenceEqual(full) || name.SequenceEqual(phrase.Stems)) return 120;
        if (Same(name, full) || Same(name, phrase.Stems)) return 100;
        // "The cover mounting bolts", "the hex bolts of the cover": the cover bolts, where nothing else is called so.
        if (Trade.Plain.Contains(phrase.Head) && Bare(full) is { Count: > 1 } bare && (bare.Count < full.Count || name.Any(IsIdle)
            || Trade.Hardware.Contains(name[^1]))
            && Same([.. Bare(name).SkipLast(1), phrase.Head], bare)) return 95;
        // What tells like things apart must not be another than the name's.
        foreach (var word in phrase.Distinct)
            if (!name.Any(n => Stem.Alike(n, word)) && (name.Any(n => Trade.Distinct.Contains(n)) || phrase.Count is null && phrase.Some is null)) return 0;
        if (NameIndex.Covers(name, full)) return 90 - (name.Length - full.Count);
        if (phrase.Owner.Count == 0 && NameIndex.Covers(name, phrase.Stems)) return 70 - (name.Length - phrase.Stems.Count);
        // "The old steel linchpin" for a linchpin: what describes it is more than its name says.
        var more = phrase.Stems.Where(s => !name.Any(n => Stem.Alike(n, s))).ToList();
        if (more.Count > 0 && phrase.Owner.Count == 0 && name.All(n => phrase.Stems.Any(s => Stem.Alike(s, n)))
            && more.TrueForAll(m => phrase.Distinct.Contains(m) || Trade.NounOf([m]) is null && IsDescribing(m))) return 45;
        if (phrase.Owner.Count > 0 && NameIndex.Covers(name, phrase.Stems) && name.Length == phrase.Stems.Count) return 42;
        return 0;
    }

    /// <summary>The words of a fastener's name that tell it from others.</summary>
    public static List<string> Bare(IReadOnlyList<string> stems) => [.. stems.Where((s, i) => i == stems.Count - 1 || !IsIdle(s))];

    private static bool IsIdle(string word) => Trade.Fastening.Contains(word) || word == "hex";

    private static bool IsDescribing(string word) => word.EndsWith("ed", StringComparison.Ordinal) || word.EndsWith('y') || word.EndsWith("less", StringComparison.Ordinal) || word is "steel" or "plastic" or "rubber" or "brass" or "hex" or "big" or "thick" or "thin" or "round" or "flat" or "square" or "black" or "red" or "white" or "blue";

    private static bool Same(string[] name, IReadOnlyList<string> stems)
    {
        if (name.Length != stems.Count) return false;
        for (var i = 0; i < name.Length; i++)
            if (!(name[i] == stems[i] || Stem.Alike(name[i], stems[i]) && Trade.NounOf([stems[i]]) is null)) return false;
        return true;
    }

    /// <summary>What a pronoun means: what was last in hand of a kind the verb is done to.</summary>
    public IReadOnlyList<Thing> Meant(NounPhrase phrase, Predicate<ThingKind> accepts)
    {
        if (phrase.IsRest && spoken.Partly is { } partly && accepts(partly.Kind)) return [partly];
        if (phrase is { IsRest: false, Some: null, Count: > 2 and var all } && accepts(ThingKind.Joint)
            && Together(all) is { Count: > 0 } together) return together;
        // "Pop the ring out, press the seal out and bin both": one after the other, so many were in hand.
        if (phrase is { IsRest: false, Some: null, Count: > 1 and var each } && spoken.Last.Count < each
            && spoken.Earlier.Concat(spoken.Last).Where(t => accepts(t.Kind)).Distinct().ToList() is var singles
            && singles.Count == each && singles.TrueForAll(t => !t.IsMany)) return singles;
        // "It" is one: the bolts before last are passed over for what they held.
        var one = phrase.Text == "it" && accepts(ThingKind.Part) && spoken.Last.Concat(spoken.Earlier).Any(t => accepts(t.Kind) && !t.IsMany);
        foreach (var hand in (IReadOnlyList<Thing>[])[spoken.Last, spoken.Earlier])
        {
            if (one && hand.All(t => t.IsMany)) continue;
            var fitting = hand.Where(t => accepts(t.Kind) && !IsMore(phrase, t)).ToList();
            // "Undo all nine" is not said of one wheel.
            if (phrase.Count is > 1 and var said && fitting.Count < said && fitting.TrueForAll(t => !t.IsMany)) continue;
            if (fitting.Count == 0 || phrase.Text == "it" && accepts(ThingKind.Part) && fitting.TrueForAll(t => t is Joint { Count: > 1 })) continue;
            if (phrase.Distinct.Count > 0 && fitting.Find(t => NameIndex.NamesOf(t).Any(n => phrase.Distinct.All(n.Contains))) is { } told) return [told];
            // "Undo them" is not said of one flange.
            if (phrase.Text is "them" or "they" && fitting is [var lone] && lone is Part or Connection && !lone.IsMany && phrase.Count is null
                && !phrase.IsRest) continue;
            if (phrase.IsPlural || fitting.Count == 1) return fitting;
            // "It" of several: the one that is one.
            var single = fitting.FindAll(t => t is not Joint { Count: > 1 } && !t.Name.EndsWith('s'));
            return single.Count > 0 ? [single[^1]] : [fitting[^1]];
        }

        if (phrase.Distinct.Count > 0) return [];
        if (phrase.Text is "them" or "they" && spoken.Nearest(sheet.Things.Concat(_fresh).Where(t => accepts(t.Kind) && t.IsMany
            && !IsMore(phrase, t))) is { } many) return [many];
        // Far away only where nothing else could be meant.
        return sheet.Things.Concat(_fresh).Where(t => accepts(t.Kind) && spoken.Lately(t) > 0
            && !IsMore(phrase, t) && !(phrase.Count > 1 && !t.IsMany)).Take(2).ToList() is [var only] ? [only] : [];
    }

    // "All ten" are not the five wheel nuts, though they may be those of both sides.
    private static bool IsMore(NounPhrase phrase, Thing thing) =>
        thing is Joint { Count: > 1 and var there } && phrase.Count is { } said && said > there && said != 2 * there;

    // "All six": the four and the two that were spoken of last.
    private List<Thing> Together(int count)
    {
        var recent = All<Joint>().Where(j => spoken.Lately(j) > 0).OrderByDescending(spoken.Lately).Take(4).ToList();
        if (recent.Exists(j => j.Count == count)) return [];
        for (var take = 1; take <= recent.Count; take++)
            if (recent.Take(take).Sum(j => j.Count) is var sum && sum >= count) return sum == count && take > 1 ? [.. recent.Take(take).Reverse()] : [];
        return [];
    }

    /// <summary>Assumes a thing that the sheet does not have, of the likeliest kind.</summary>
    public Thing Assume(NounPhrase phrase, ThingKind kind, bool fromKit, string? owner, string? ownerId)
    {
        var name = phrase.Name.Length > 0 ? phrase.Name : phrase.Text;
        var bare = phrase.Stems.Count == 1;
        // "A small chisel": of tools it matters.
        if (kind == ThingKind.Tool && phrase.Text.EndsWith(' ' + name, StringComparison.OrdinalIgnoreCase)) name = phrase.Text;
        if (kind == ThingKind.Tool && phrase.Size.Length > 0) name = $"{phrase.Size} {name}";
        else if (kind is ThingKind.Joint && bare && owner is { Length: > 0 }) name = $"{One(owner)} {name}";
        // "Two M8 x 25 bolts": told from others by their thread, as long as nothing else tells whose they are.
        else if (kind is ThingKind.Joint && bare && phrase.Size.Length > 0) name = $"{FastenerSizes.Short(phrase.Size)} {name}";
        // "The two M10s" are bolts.
        if (kind == ThingKind.Joint && phrase.Head is ['m', >= '0' and <= '9', ..]) name = owner is { Length: > 0 } ? $"{owner} bolts" : $"{phrase.Head.ToUpperInvariant()} bolts";
        name = Clean(name);
        // One name, one thing.
        var stems = NameIndex.StemsOf(name);
        if (Things.FirstOrDefault(t => t.Kind == kind && NameIndex.NamesOf(t).Any(n => n.SequenceEqual(stems))) is { } there) return there;
        var letter = Thing.Letter(kind);
        var number = _issued.GetValueOrDefault(letter, sheet.Issued.GetValueOrDefault(letter));
        string id;
        do id = letter + ++number;
        while (names.Find(id) is not null || sheet.FindStep(id) is not null || sheet.Phases.Any(p => p.Id == id));
        _issued[letter] = number;
        var count = phrase.Count is { } said and > 0 ? said : phrase.Some is > 0 and var some ? some : 1;
        var origin = fromKit ? Origin.Kit : Origin.Vehicle;
        Thing thing = kind switch
        {
            ThingKind.Part => new Part { Id = id, Name = name, Quantity = count, Origin = origin },
            ThingKind.Joint => new Joint { Id = id, Name = name, Count = count, Origin = origin },
            ThingKind.Connection => new Connection { Id = id, Name = name, Origin = origin },
            ThingKind.Fluid => new Fluid { Id = id, Name = name },
            ThingKind.Aid => new Aid { Id = id, Name = name },
            ThingKind.Tool => new Tool { Id = id, Name = name },
            ThingKind.Consumable => new Consumable { Id = id, Name = name },
            ThingKind.Control => new Control { Id = id, Name = name },
            _ => throw new ArgumentOutOfRangeException(nameof(kind)),
        };
        _fresh.Add(thing);
        var joint = kind == ThingKind.Joint;
        _assumed.Add(new AssumedThing(kind, id, name, count, fromKit, joint ? ownerId : null, phrase.At) { Fastener = joint ? FastenerSizes.Read(phrase) : null });
        if (joint && ownerId is null && phrase.Owner.Count > 0) _holding[id] = phrase.Owner;
        if (kind == ThingKind.Part) HeldBy(id, stems);
        return thing;
    }

    /// <summary>True for a thing named anew here.</summary>
    public bool IsFresh(Thing thing) => _fresh.Contains(thing);

    /// <summary>Notes a washer or nut that goes on with a joint named anew: "M10 bolts, flat washers and lock nuts"; false where it cannot be noted.</summary>
    public bool Stack(Joint joint, NounPhrase piece)
    {
        if (_assumed.FindIndex(a => a.Id == joint.Id) is not (>= 0 and var at)) return false;
        var each = piece.Count is { } many && many % joint.Count == 0 ? many / joint.Count : 1;
        var told = $"{(each > 1 ? $"{each} " : "")}{string.Join(' ', piece.Stems)}";
        if (JointStack.Parse(_assumed[at].Stack is { } before ? $"{before}, {told}" : told) is not { IsGood: true } stack) return false;
        _assumed[at] = _assumed[at] with { Stack = stack.Value };
        return true;
    }

    // "The four flange bolts securing the guard", which came before the guard itself: they hold it.
    private void HeldBy(string part, string[] stems)
    {
        foreach (var (joint, _) in _holding.Where(h => h.Value.SequenceEqual(stems)).ToList())
        {
            _holding.Remove(joint);
            _assumed[_assumed.FindIndex(a => a.Id == joint)] = _assumed.Find(a => a.Id == joint)! with { Holds = part };
            if (_fresh.FindIndex(t => t.Id == joint) is >= 0 and var at) _fresh[at] = (Joint)_fresh[at] with { Holds = [part] };
        }
    }

    // "Wheels on, nuts on": the wheel nuts.
    private static string One(string owner)
    {
        var last = owner.LastIndexOf(' ') + 1;
        return owner.EndsWith('s') && !owner.EndsWith("ss", StringComparison.Ordinal)
            && Trade.NounOf([Stem.Of(owner[last..].ToLowerInvariant())]) is not null ? owner[..last] + Stem.Of(owner[last..]) : owner;
    }

    private static string Clean(string name)
    {
        var clean = Names.Clean(name);
        return clean.Length <= Names.Longest ? clean : clean[..Names.Longest];
    }

    /// <summary>The joints that hold a part: of the sheet, and named anew here.</summary>
    public List<Joint> Holding(Part part) => [.. names.Holding(part), .. _fresh.OfType<Joint>().Where(j => NameIndex.Holds(j, part))];

    /// <summary>Everything of one kind a sentence can mean, without looking through the other kinds.</summary>
    public IEnumerable<T> All<T>() where T : Thing => sheet.All<T>().Concat(_fresh.OfType<T>());

    /// <summary>Everything a sentence can mean: of the sheet, and named anew here.</summary>
    public IEnumerable<Thing> Things => sheet.Things.Concat(_fresh);
}
