using System.Collections.Frozen;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>
/// The language of the trade as data: verbs, nouns and small words, read from the files in Reading/Trade. Everything that is
/// particular to a word stands there; the program knows only how words are put together.
/// </summary>
internal static class Trade
{
    private static readonly FrozenDictionary<string, FrozenSet<string>> Classes = LoadClasses();

    private static readonly string[] Order = [.. Classes.Keys.Order(StringComparer.Ordinal)];

    // Which classes a word is in, a bit each: one look-up tells all of them.
    private static readonly FrozenDictionary<string, UInt128> Bits = Order.SelectMany((c, i) => Classes[c].Select(w => (Word: w, Bit: BitOf(i))))
        .GroupBy(w => w.Word).ToFrozenDictionary(g => g.Key, g => g.Aggregate(UInt128.Zero, (bits, w) => bits | w.Bit));

    public static readonly WordSet Determiners = Set("determiner");
    public static readonly WordSet Prepositions = Set("preposition");
    public static readonly WordSet Paths = Set("path");
    public static readonly WordSet Conjunctions = Set("conjunction");
    public static readonly WordSet Pronouns = Set("pronoun");
    public static readonly WordSet Auxiliaries = Set("aux");
    public static readonly WordSet Contractions = Set("contraction");
    public static readonly WordSet Conditionals = Set("conditional");
    public static readonly WordSet Temporals = Set("temporal");
    public static readonly WordSet Relatives = Set("relative");
    public static readonly WordSet Adverbs = new(Bits, BitOf(Array.IndexOf(Order, "adverb")) | BitOf(Array.IndexOf(Order, "phrase")));
    private static readonly FrozenSet<string> PhraseStarts = Classes["phrase"].Select(p => p[..p.IndexOf('-', StringComparison.Ordinal)]).ToFrozenSet(StringComparer.Ordinal);

    /// <summary>The words that lead in what is told.</summary>
    public static readonly PhraseList LeadIns = new(Classes["leadIn"]);
    public static readonly IReadOnlyCollection<string> NamedWork = Classes["namedWork"];
    public static readonly PhraseList MakesSure = new(Classes["makesSure"]);

    /// <summary>The words that lead in a condition.</summary>
    public static readonly PhraseList Conditions = new(Classes["condition"]);

    /// <summary>The words before a doing that is one more: "followed by removing".</summary>
    public static readonly PhraseList AlsoDone = new(Classes["alsoDone"]);

    /// <summary>The words before what is told to be left alone.</summary>
    public static readonly PhraseList LeftAlone = new(Classes["leftAlone"]);

    /// <summary>The words before a number that bound it: "over 2 mm".</summary>
    public static readonly PhraseList Bounds = new(Classes["bound"]);
    public static readonly WordSet ToldWho = Set("toldWho");
    public static readonly WordSet ToldHow = Set("toldHow");
    public static readonly WordSet Worth = Set("worth");
    public static readonly WordSet Manners = Set("manner");
    public static readonly WordSet Versions = Set("version");
    public static readonly WordSet Begins = Set("begins");
    public static readonly WordSet Neutral = Set("neutral");

    public static readonly WordSet Labelled = Set("labelled");
    public static readonly WordSet Describing = Set("describing");
    public static readonly WordSet Old = Set("old");
    public static readonly WordSet Colours = Set("colour");
    public static readonly WordSet New = Set("new");
    public static readonly WordSet Quantities = Set("quantity");
    public static readonly WordSet Distinct = Set("distinct");

    public static readonly WordSet Procedures = Set("procedure");

    public static readonly WordSet ToolVerbs = Set("tool-verb");

    public static readonly WordSet LockWires = Set("lock-wire");

    public static readonly WordSet LockPlates = Set("lock-plate");
    public static readonly WordSet NounsInIng = Set("nounInIng");
    public static readonly WordSet Stances = Set("stance");
    public static readonly WordSet Openings = Set("openings");
    public static readonly WordSet Shuttings = Set("shuttings");
    public static readonly WordSet WorkRests = Set("workRest");
    public static readonly WordSet NounsFirst = Set("nounFirst");
    public static readonly WordSet Unswitched = Set("unswitched");
    public static readonly WordSet Shifts = Set("shifts");
    public static readonly WordSet Conveys = Set("conveys");

    /// <summary>Verbs that say nothing but which way a thing goes: "get the cover off and the pump out".</summary>
    public static readonly WordSet GoesWays = Set("goesWays");

    /// <summary>What a wheel is held by, whichever word is said.</summary>
    public static readonly WordSet Chocks = Set("chocks");

    /// <summary>What sits under or on a fastener, and comes and goes with it.</summary>
    public static readonly WordSet Companions = Set("companions");

    /// <summary>Verbs that tell to keep what came off with something else.</summary>
    public static readonly WordSet Saves = Set("saves");

    /// <summary>What a fluid does where something was opened.</summary>
    public static readonly WordSet RunsOut = Set("runsOut");

    /// <summary>What a spring holds against a belt or a chain.</summary>
    public static readonly WordSet Sprung = Set("sprung");

    /// <summary>Verbs by which it is swung aside and let back.</summary>
    public static readonly WordSet Swings = Set("swings");

    /// <summary>What is put to something to hold it by.</summary>
    public static readonly WordSet Hands = Set("hands");

    /// <summary>What is cleaned off something.</summary>
    public static readonly WordSet Soil = Set("soil");

    /// <summary>What a lead, a hose or a pipe ends in, told for all of it.</summary>
    public static readonly WordSet Ends = Set("ends");

    /// <summary>What a rod or a joint ends in.</summary>
    public static readonly WordSet RodEnds = Set("rodEnds");

    /// <summary>Verbs that tell how something is held, and do nothing.</summary>
    public static readonly WordSet Tells = Set("tells");

    /// <summary>Verbs that are done to a fastener and never to what it holds.</summary>
    public static readonly WordSet Undoes = Set("undoes");
    public static readonly WordSet Relational = Set("relational");
    private static readonly WordSet OnlyPlaces = Set("onlyPlace");
    public static readonly WordSet Results = Set("result");
    public static readonly WordSet PlacesOn = Set("placeOn");
    public static readonly WordSet Trouble = Set("trouble");

    /// <summary>What makes a thing one to renew: "a cracked seal".</summary>
    public static readonly WordSet Spoilt = Set("spoilt");

    /// <summary>What holds a plug, and is pressed or lifted to let it go: no part that comes off or goes on.</summary>
    public static readonly WordSet Catches = Set("catch");
    public static readonly WordSet Negations = Set("negation");
    public static readonly WordSet Holds = Set("holds");
    public static readonly WordSet Holding = Set("holding");
    public static readonly WordSet Held = Set("held");
    public static readonly WordSet Keeps = Set("keeps");
    public static readonly WordSet Joins = Set("joins");
    public static readonly WordSet Seen = Set("seen");
    public static readonly WordSet Sits = Set("sits");
    public static readonly WordSet OnIt = Set("onIt");
    public static readonly WordSet Frees = Set("frees");
    public static readonly WordSet Leads = Set("leads");
    public static readonly WordSet Comes = Set("comesOff");
    public static readonly WordSet Performs = Set("performs");
    public static readonly WordSet Performed = Set("performed");
    public static readonly WordSet ItMoves = Set("itMoves");
    public static readonly WordSet SaidOnce = Set("saidOnce");
    public static readonly WordSet ToldOf = Set("toldOf");
    public static readonly WordSet Passages = Set("passages");
    public static readonly WordSet Formerly = Set("formerly");
    public static readonly WordSet LiftsOff = Set("liftsOff");
    public static readonly WordSet Fastening = Set("fastening");
    public static readonly WordSet WholeVehicles = Set("wholeVehicle");
    public static readonly WordSet Wired = Set("wired");
    public static readonly WordSet Told = Set("told");
    public static readonly WordSet Abbreviations = Set("abbreviation");
    public static readonly WordSet Installs = Set("installs");
    public static readonly WordSet Moves = Set("moves");
    public static readonly WordSet RunsIn = Set("runsIn");
    public static readonly WordSet Vessels = Set("vessel");
    public static readonly WordSet Rests = Set("rest");
    public static readonly WordSet Bears = Set("bears");
    public static readonly WordSet Beside = Set("beside");
    public static readonly WordSet Steadies = Set("steadies");
    public static readonly WordSet GoesOn = Set("goesOn");
    public static readonly WordSet LetsGo = Set("letsGo");

    /// <summary>What a control does that holds.</summary>
    public static readonly WordSet Engaged = Set("engaged");

    /// <summary>The strength classes of threadlockers.</summary>
    public static readonly WordSet Strengths = Set("strengths");

    /// <summary>Words by which an engine runs, whatever else is said to be off.</summary>
    public static readonly WordSet Runs = Set("runs");

    /// <summary>Words by which a key comes out.</summary>
    public static readonly WordSet Pulls = Set("pulls");

    /// <summary>What a control does that lets go.</summary>
    public static readonly WordSet Released = Set("released");

    /// <summary>What an implement does that goes up.</summary>
    public static readonly WordSet Raises = Set("raises");

    /// <summary>What an implement does that comes down.</summary>
    public static readonly WordSet Lowers = Set("lowers");

    /// <summary>Where on a friction part a paste belongs.</summary>
    public static readonly WordSet BackOf = Set("backOf");
    public static readonly WordSet Later = Set("later");
    public static readonly WordSet Hardware = Set("hardware");
    public static readonly WordSet Plain = Set("plain");
    public static readonly WordSet Ordinals = Set("ordinal");
    public static readonly WordSet Taps = Set("tap");
    public static readonly WordSet Qualities = Set("quality");
    public static readonly WordSet Units = Set("unit");
    public static readonly WordSet Unfastened = Set("unfastened");
    public static readonly WordSet BehindValues = Set("behindValue");

    /// <summary>What is measured of a thing: its thickness, its runout.</summary>
    public static readonly WordSet Measures = Set("measures");

    /// <summary>What cleans and does not stay.</summary>
    public static readonly WordSet Cleaners = Set("cleaners");

    /// <summary>What is told of a thing that does not come.</summary>
    public static readonly WordSet Sticks = Set("sticks");

    /// <summary>With a negation before them: it does not come.</summary>
    public static readonly WordSet Budges = Set("budges");

    /// <summary>Tools that tell a value.</summary>
    public static readonly WordSet Gauges = Set("gauges");

    /// <summary>The last word of a part's name that may be left out: "starter" for a starter motor.</summary>
    public static readonly WordSet Wholes = Set("wholes");

    /// <summary>What a hose, a pipe or a line is screwed on by.</summary>
    public static readonly WordSet Unions = Set("unions");

    /// <summary>Tools that move what does not come by hand.</summary>
    public static readonly WordSet Forces = Set("forces");

    private static readonly FrozenDictionary<string, Noun> Nouns = LoadNouns();

    private static readonly FrozenDictionary<string, VerbForm[]> Forms = LoadVerbs();

    private static readonly FrozenDictionary<string, string> Controls = Lines("controls").Select(Cut)
        .SelectMany(l => l.Right.Split(',', StringSplitOptions.TrimEntries).Append(l.Left.ToLowerInvariant()).Distinct().Select(word => (word, name: l.Left))).ToFrozenDictionary(l => l.word, l => l.name);

    // How a word is shortened, and the word.
    private static readonly FrozenDictionary<string, string> Shorts = Lines("short").Select(Cut)
        .SelectMany(l => l.Right.Split(' ').Select(way => (way, word: l.Left))).ToFrozenDictionary(l => l.way, l => l.word);

    private static readonly FrozenDictionary<string, string[]> ShortenedTo = Shorts.GroupBy(s => s.Value, s => s.Key)
        .ToFrozenDictionary(g => g.Key, g => g.ToArray());

    private static readonly FrozenDictionary<Sense, SenseRow> Senses = LoadSenses();

    /// <summary>What is known of a noun phrase by its last words: kinds, the likeliest first. A name of two words wins over its last word.</summary>
    public static Noun? NounOf(IReadOnlyList<string> stems)
    {
        if (stems.Count == 0) return null;
        // "The two M10s": fasteners by their size.
        if (stems[^1] is ['m', >= '0' and <= '9', ..]) return Nouns["bolt"];
        for (var take = Math.Min(3, stems.Count); take >= 1; take--)
            if (Nouns.TryGetValue(take == 1 ? stems[^1] : string.Join(' ', stems.Skip(stems.Count - take)), out var noun))
                // "The valve block", "the battery tray": of a part, and none that is put there for a while.
                return take == 1 && stems.Count > 1 && noun.Kinds is [ThingKind.Aid, ..] && Nouns.TryGetValue(stems[^2], out var of)
                    && of.Kinds is [ThingKind.Part, ..] ? PartOrAid : noun;
        return null;
    }

    private static readonly Noun PartOrAid = new([ThingKind.Part, ThingKind.Aid], NounRole.Thing);

    /// <summary>The name a control has on every sheet, by any word for it; null where it has none but its own.</summary>
    public static string? ControlNamed(string words) => Controls.GetValueOrDefault(words);

    /// <summary>The word that one is short for ("brg": bearing), in lower case; null where it is none of the trade's.</summary>
    public static string? InFull(string word) => Shorts.GetValueOrDefault(word);

    /// <summary>A word and the ways it is shortened.</summary>
    public static IEnumerable<string> WaysToWrite(string word) => [word, .. ShortenedTo.GetValueOrDefault(word) ?? []];

    /// <summary>True where a verb is never done to what a phrase names: a turn, a person, the floor.</summary>
    public static bool IsNoObject(NounPhrase phrase) => NounOf(phrase.Stems) switch
    {
        { Role: NounRole.Words or NounRole.Person } => true,
        { Role: NounRole.Place } => phrase.After is not null || OnlyPlaces.Contains(phrase.Head),
        _ => false,
    };

    /// <summary>True where these stems are a noun of more than one word ("lock nut"): its first word is then no verb.</summary>
    public static bool IsCompound(string first, string second) => Nouns.ContainsKey($"{first} {second}");

    /// <summary>The ways a word can be a form of a verb; empty where it is none.</summary>
    public static VerbForm[] VerbsOf(string? word) => word is null ? [] : Forms.GetValueOrDefault(word) ?? [];

    /// <summary>True for words that are one adverb together, joined by hyphens.</summary>
    public static bool IsPhrase(string joined) => Classes["phrase"].Contains(joined);

    /// <summary>True for a word that such an adverb may begin with.</summary>
    public static bool OpensPhrase(string word) => PhraseStarts.Contains(word);

    /// <summary>True for a verb that is as often a noun: by its own list, or because a thing is called so.</summary>
    public static bool IsAlsoNoun(string word) => AlsoNouns.Contains(word) || Nouns.TryGetValue(Stem.Of(word), out var noun)
        && noun.Role is NounRole.Thing && VerbsOf(word).Length > 0;

    private static readonly WordSet AlsoNouns = Set("alsoNoun");

    /// <summary>True where the trade knows the word as a thing that is worked on.</summary>
    public static bool IsThing(string word) => NounOf([Stem.Of(word)]) is { Role: NounRole.Thing };

    /// <summary>True where the word, as it stands, can be told to somebody ("remove").</summary>
    public static bool IsBase(string word) => VerbsOf(word).Any(f => f.Form == Form.Base);

    /// <summary>True for a verb one of whose senses changes the state: "holding", "turning" beside what is done tell how.</summary>
    public static bool Changes(TradeVerb verb) => verb.Frames[^1].Sense is var sense && sense is not (Sense.Say or Sense.Support or Sense.Seat)
        && (!Of(sense).IsSoft || sense is Sense.Fill);

    /// <summary>True where a verb changes the state of something in one of its senses.</summary>
    public static bool MayChange(TradeVerb verb) => verb.Frames.Any(f => f.Sense is not (Sense.Say or Sense.Support or Sense.Seat) && !Of(f.Sense).IsSoft);

    /// <summary>What a sense comes to.</summary>
    public static SenseRow Of(Sense sense) => Senses[sense];

    private static WordSet Set(string name) => new(Bits, BitOf(Array.IndexOf(Order, name)));

    private static UInt128 BitOf(int place) => place is >= 0 and < 128 ? UInt128.One << place
        : throw new InvalidOperationException(place < 0 ? "A class of words is missing in words.txt."
            : "There are more than 128 classes of words: there are no more bits.");

    /// <summary>True for the small words that no noun phrase holds.</summary>
    public static bool IsSmall(string word) => (Bits.GetValueOrDefault(word) & Small) != 0;

    private static readonly UInt128 Small = Determiners.Bit | Prepositions.Bit | Paths.Bit | Conjunctions.Bit | Pronouns.Bit
        | Auxiliaries.Bit | Conditionals.Bit | Temporals.Bit | Relatives.Bit | Negations.Bit | Contractions.Bit;

    private static readonly FrozenDictionary<string, (Trait Trait, string[] Stems, bool Anywhere)[]> Traits = Lines("traits").Select(Cut)
        .SelectMany(l => l.Right.Split(',', StringSplitOptions.TrimEntries).Select(name =>
            (Trait: Enum.Parse<Trait>(l.Left), Stems: NameIndex.StemsOf(name.TrimStart('*')), Anywhere: name[0] == '*')))
        .GroupBy(t => t.Stems[^1]).ToFrozenDictionary(g => g.Key, g => g.ToArray());

    /// <summary>What a thing is to the work by its name, a bit for each <see cref="Trait"/>.</summary>
    public static ulong TraitsOf(string name)
    {
        var stems = NameIndex.StemsOf(name);
        var traits = 0UL;
        for (var last = 0; last < stems.Length; last++)
            if (Traits.TryGetValue(stems[last], out var found))
                foreach (var (trait, words, anywhere) in found)
                    if ((anywhere || last == stems.Length - 1) && words.Length <= last + 1
                        && stems.AsSpan(last + 1 - words.Length, words.Length).SequenceEqual(words)) traits |= 1UL << (int)trait;
        return traits;
    }

    /// <summary>True where a text has a word of a set.</summary>
    public static bool Says(string text, WordSet words) => WordsOf(text).Any(words.Contains);

    /// <summary>The words of a text, in small letters.</summary>
    public static IEnumerable<string> WordsOf(string text) =>
        text.Split([' ', '\n', ',', '.', ':', ';'], StringSplitOptions.RemoveEmptyEntries).Select(w => w.ToLowerInvariant());

    /// <summary>What words can say beside what is done: kinds and their patterns.</summary>
    public static IEnumerable<(string Kind, string Pattern)> ClaimLines() => Lines("claims").Select(Cut);

    /// <summary>The nouns as their file has them, those of several words too.</summary>
    public static IEnumerable<string> NounsAsWritten => Lines("nouns").Select(l => Cut(l).Right).SelectMany(right => right.Split(',') is var parts
        ? parts[0].Split(' ').Concat(parts.Skip(1).Select(p => p.Trim())) : []);

    /// <summary>The verbs as they stand after please.</summary>
    public static IEnumerable<string> VerbsAsWritten => Forms.Values.SelectMany(f => f).Select(f => f.Verb.Lemma);

    /// <summary>Prepositions, ways, adverbs and conjunctions.</summary>
    public static IEnumerable<string> SmallWords => Classes["preposition"].Concat(Classes["path"]).Concat(Classes["adverb"]).Concat(Classes["conjunction"]);

    private static IEnumerable<string> Lines(string file) => DataFile.Lines($"Trade.{file}");

    private static (string Left, string Right) Cut(string line) => DataFile.Cut(line);

    private static FrozenDictionary<string, FrozenSet<string>> LoadClasses() =>
        Lines("words").Select(Cut).ToFrozenDictionary(l => l.Left, l => l.Right.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToFrozenSet(StringComparer.Ordinal));

    private static FrozenDictionary<string, Noun> LoadNouns()
    {
        var nouns = new Dictionary<string, Noun>();
        foreach (var line in Lines("nouns"))
        {
            var (left, right) = Cut(line);
            var noun = left == "words" ? new Noun([], NounRole.Words)
                : left == "vehicle" ? new Noun([], NounRole.Vehicle)
                : left == "place" ? new Noun([], NounRole.Place)
                : left == "person" ? new Noun([], NounRole.Person)
                : new Noun([.. left.Split(' ').Select(k => Enum.Parse<ThingKind>(k, ignoreCase: true))], NounRole.Thing);
            // Behind the first comma stand the names of several words; before it single ones, parted by blanks.
            var comma = right.IndexOf(',');
            foreach (var word in (comma < 0 ? right : right[..comma]).Split(' ', StringSplitOptions.RemoveEmptyEntries)) nouns.TryAdd(Stem.Of(word), noun);
            if (comma >= 0)
                foreach (var name in right[(comma + 1)..].Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)) nouns.TryAdd(string.Join(' ', name.Split(' ').Select(Stem.Of)), noun);
        }

        return nouns.ToFrozenDictionary();
    }

    private static FrozenDictionary<Sense, SenseRow> LoadSenses()
    {
        var rows = new Dictionary<Sense, SenseRow>();
        foreach (var line in Lines("senses"))
        {
            var (left, right) = Cut(line);
            var soft = left.StartsWith("soft ", StringComparison.Ordinal);
            var verbs = right.Split(',', StringSplitOptions.TrimEntries).Select(p => p.Split(' ')).ToDictionary(p => Enum.Parse<ThingKind>(p[0], ignoreCase: true), p => p[1] is "both" ? (Verb?)null : Enum.Parse<Verb>(p[1], ignoreCase: true));
            rows[Enum.Parse<Sense>(soft ? left[5..] : left, ignoreCase: true)] = new SenseRow(verbs, soft);
        }

        foreach (var sense in Enum.GetValues<Sense>()) rows.TryAdd(sense, new SenseRow([], true));
        return rows.ToFrozenDictionary();
    }

    private static FrozenDictionary<string, VerbForm[]> LoadVerbs()
    {
        var groups = new Dictionary<string, List<Frame>>();
        var forms = new Dictionary<string, List<VerbForm>>();
        var verbs = new Dictionary<string, TradeVerb>();
        foreach (var line in Lines("verbs"))
        {
            var (left, right) = Cut(line);
            var frames = right.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).SelectMany(a => a[0] == '@' ? groups[a] : [Frame.Parse(a)]).ToList();
            if (left[0] == '@')
            {
                groups[left] = frames;
                continue;
            }

            foreach (var word in left.Split(' ', StringSplitOptions.RemoveEmptyEntries))
            {
                var given = word.Split('/');
                var verb = new TradeVerb(given[0], [.. frames]);
                if (!verbs.TryAdd(given[0], verb)) throw new InvalidOperationException($"The verb “{given[0]}” stands in verbs.txt twice: put its alternatives into one line.");
                Add(verb, given[0], given[1..]);
            }
        }

        // "Reinsert", "restart", "re-seat": what goes on goes on again; what may also only be moved or hung ("rehang"), too. The words of
        // "notAgain" only look so: a relay, the return line.
        static bool PutsOn(Frame frame) => frame.Sense is Sense.On or Sense.Start or Sense.Connect or Sense.Secure;
        foreach (var (lemma, verb) in verbs)
        {
            if (lemma.StartsWith("re", StringComparison.Ordinal) || lemma.Contains('-') || !verb.Frames.Any(PutsOn)) continue;
            var own = PutsOn(verb.Frames[^1]) || verb.Frames[^1].Sense == Sense.Say ? verb.Frames : verbs["refit"].Frames;
            foreach (var again in (string[])[$"re{lemma}", $"re-{lemma}"])
                if (!forms.ContainsKey(again) && !Nouns.ContainsKey(again) && !Classes["notAgain"].Contains(again)) Add(new TradeVerb(again, own), again, []);
        }

        return forms.ToFrozenDictionary(f => f.Key, f => f.Value.ToArray());

        void Add(TradeVerb verb, string lemma, string[] given)
        {
            foreach (var (form, kind) in English.FormsOf(lemma, given))
            {
                if (!forms.TryGetValue(form, out var list)) forms[form] = list = [];
                if (!list.Exists(f => f.Verb.Lemma == verb.Lemma && f.Form == kind)) list.Add(new VerbForm(verb, kind));
            }
        }
    }
}

/// <summary>A class of small words, as a bit of what is known of each.</summary>
internal sealed class WordSet(FrozenDictionary<string, UInt128> bits, UInt128 bit)
{
    public UInt128 Bit { get; } = bit;

    public bool Contains(string? word) => word is not null && (bits.GetValueOrDefault(word) & Bit) != 0;
}

/// <summary>Words that stand together, parted by hyphens in their file.</summary>
internal sealed class PhraseList(IEnumerable<string> phrases)
{
    private readonly FrozenDictionary<string, string[][]> _byFirst = phrases.Select(p => p.Split('-')).GroupBy(p => p[0])
        .ToFrozenDictionary(g => g.Key, g => g.OrderByDescending(p => p.Length).ToArray());

    /// <summary>Those that begin with a word, the longest first.</summary>
    public string[][] From(string word) => _byFirst.GetValueOrDefault(word) ?? [];
}

/// <summary>What a noun names, beside the things a sheet keeps.</summary>
internal enum NounRole
{
    Thing,

    /// <summary>The vehicle, an end or axle of it.</summary>
    Vehicle,

    /// <summary>Where something lies, or a side of something.</summary>
    Place,
    Person,

    /// <summary>Nothing that is ever a thing of its own: a turn, a gap, a mark.</summary>
    Words,
}

/// <summary>A noun of the trade.</summary>
internal sealed record Noun(ThingKind[] Kinds, NounRole Role);

/// <summary>A verb with its frames.</summary>
internal sealed record TradeVerb(string Lemma, Frame[] Frames);

/// <summary>How a verb stands: remove, removes, removing, removed.</summary>
internal enum Form
{
    Base,
    S,
    Ing,
    Ed,
}

/// <summary>A word as a form of a verb.</summary>
internal readonly record struct VerbForm(TradeVerb Verb, Form Form);

/// <summary>
/// What a sense comes to by kind (null where it comes to two actions, or to one of two by what was done before); soft where an
/// object the sheet does not know stays words.
/// </summary>
internal sealed record SenseRow(Dictionary<ThingKind, Verb?> ByKind, bool IsSoft);
