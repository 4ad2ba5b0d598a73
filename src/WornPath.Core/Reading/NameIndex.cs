using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Finds the thing of a sheet that a noun phrase names.</summary>
public sealed class NameIndex
{
    private static readonly Memo<Thing, string[][]> StemsOfNames = new(t => [.. Ways(t.Name).Concat(t.AlsoCalled).Select(StemsOf)]);

    // "Threadlocker, medium", as a list has it, is the medium threadlocker of a sentence; its strength may be called so.
    private static IEnumerable<string> Ways(string name)
    {
        if (name.Split(", ") is not [var head, var kind] || head.Length == 0 || kind.Length == 0) return [name];
        return Trade.Strengths.Contains(kind) ? [$"{kind} {head}", $"{kind}-strength {head}", $"{kind} strength {head}", name] : [$"{kind} {head}", name];
    }

    private readonly record struct Entry(Thing Thing, string[] Stems);

    private readonly Dictionary<string, List<Entry>> _byHead = [];
    private readonly Dictionary<string, List<Entry>> _byStem = [];
    // The first two of a name: one of them is another than the one that asks.
    private readonly Dictionary<string, (Thing First, Thing? Second)> _byName = [];
    // Every name and other name to the letter; null where two things are called so.
    private readonly Dictionary<string, Thing?> _bySpelling = [];
    private readonly Lazy<Spellings> _heads;
    private readonly Lazy<Spellings> _stems;
    private readonly Lazy<List<Joint>> _stacked;
    private readonly Lazy<List<(Joint Old, Joint By)>> _superseded;
    private readonly Lazy<Dictionary<string, List<Joint>>> _byFastener;
    private readonly Lazy<List<Thing>> _hardware;
    private readonly Lazy<Dictionary<string, List<Joint>>> _between;
    private readonly Lazy<(ILookup<string, int> ById, ILookup<string, int> ByName)> _holding;
    private readonly HashSet<(string Word, string Number)> _numbered = [];
    private readonly HashSet<(string First, string Second)> _pairs = [];
    private readonly Dictionary<string, Thing> _byId = new(StringComparer.OrdinalIgnoreCase);

    // The index is kept with the first of its things.
    private static readonly Memo<Thing, Sheet, NameIndex> Index = new((_, sheet) => new NameIndex(sheet), (one, other) => one.SameThings(other));

    private readonly Sheet _sheet;

    /// <summary>An index of the sheet: the one made before where no thing came, went or changed since, as after most edits.</summary>
    public static NameIndex Of(Sheet sheet) => sheet.Things.FirstOrDefault() is { } first ? Index.Of(first, sheet) : new NameIndex(sheet);

    /// <summary>An index of the sheet as it stands.</summary>
    private NameIndex(Sheet sheet)
    {
        _sheet = sheet;
        foreach (var thing in sheet.Things)
        {
            _byId[thing.Id] = thing;
            var names = StemsOfNames.Of(thing);
            var whole = string.Join(' ', names[0]);
            if (!_byName.TryGetValue(whole, out var bearing)) _byName[whole] = (thing, null);
            else if (bearing.Second is null) _byName[whole] = (bearing.First, thing);
            foreach (var stems in names) Add(thing, stems);
        }

        _heads = new Lazy<Spellings>(() => new Spellings(_byHead.Keys));
        _stems = new Lazy<Spellings>(() => new Spellings(_byStem.Keys));
        _stacked = new(() => [.. sheet.Joints.Where(j => j.Stack is not null)]);
        _superseded = new(() => [.. sheet.Joints.Where(j => j.SupersededBy is not null && Find(j.SupersededBy) is Joint)
            .Select(j => (j, (Joint)Find(j.SupersededBy!)!))]);
        _hardware = new(() => [.. _byHead.Where(h => Trade.Hardware.Contains(h.Key)).SelectMany(h => h.Value).Select(e => e.Thing)]);
        _between = new(() => sheet.Joints.Where(j => FirstOf(j.Name) is not null)
            .GroupBy(j => string.Join(' ', StemsOf(FirstOf(j.Name)!))).ToDictionary(g => g.Key, g => g.ToList()));
        _holding = new(() => (
            sheet.Joints.SelectMany((j, at) => j.Holds.Select(id => (id, at))).ToLookup(h => h.id, h => h.at),
            sheet.Joints.Select((j, at) => (Held: HeldByName(j), at)).Where(h => h.Held is not null).ToLookup(h => h.Held!, h => h.at)));
        _byFastener = new(() => sheet.Joints.SelectMany(j => CalledAs(j).Select(stems => (Called: string.Join(' ', stems), Joint: j)))
            .GroupBy(c => c.Called).ToDictionary(g => g.Key, g => g.Select(c => c.Joint).ToList()));
    }

    /// <summary>What a phrase was found to be: one thing, or several that it may be, or none with those that come near.</summary>
    internal readonly record struct Found(Thing? One, IReadOnlyList<Thing> Others);

    /// <summary>True where some name has this number right behind this word ("cover 2"): there the number belongs to the name and is no count.</summary>
    internal bool IsNumbered(string wordStem, string number) => _numbered.Contains((wordStem, number));

    /// <summary>The stems of a thing's name, and of its other names.</summary>
    internal static string[][] NamesOf(Thing thing) => StemsOfNames.Of(thing);

    /// <summary>The things whose name has a word; none where that are more than anybody tells apart by it.</summary>
    internal IReadOnlyList<Thing> WithWord(string stem) =>
        _byStem.GetValueOrDefault(stem) is { Count: <= ToldApart } having ? [.. having.Select(e => e.Thing).Distinct()] : [];

    // So many things of one word somebody may have in mind.
    private const int ToldApart = 40;

    /// <summary>The joints that have washers or a nut of their own.</summary>
    internal IReadOnlyList<Joint> Stacked => _stacked.Value;

    /// <summary>The joints that another takes the place of, each with that other.</summary>
    internal IReadOnlyList<(Joint Old, Joint By)> Superseded => _superseded.Value;

    /// <summary>The joint between two parts that a name says first of ("cover-to-frame bolts" by "cover bolts"); null where none is, or more are.</summary>
    internal Thing? Between(IReadOnlyList<string> stems) => _between.Value.GetValueOrDefault(string.Join(' ', stems)) is [var one] ? one : null;

    /// <summary>A name that says two parts ("cover-to-frame bolts") by the first of them; null for any other.</summary>
    internal static string? FirstOf(string name)
    {
        var to = name.IndexOf("-to-", StringComparison.Ordinal);
        var past = to < 0 ? -1 : name.IndexOf(' ', to);
        return past < 0 ? null : name[..to] + name[past..];
    }

    /// <summary>
    /// The joints that hold a part, in the order of the sheet: by what they say they hold, or by their name (the cover bolts hold the cover).
    /// </summary>
    internal IEnumerable<Joint> Holding(Part part) => _holding.Value.ById[part.Id]
        .Union(_holding.Value.ByName[string.Join(' ', NamesOf(part)[0])]).Order().Select(at => _sheet.Joints[at]);

    /// <summary>Whether a joint holds a part, by the same two ways.</summary>
    internal static bool Holds(Joint joint, Part part) =>
        joint.Holds.Contains(part.Id) || HeldByName(joint) == string.Join(' ', NamesOf(part)[0]);

    // "Front cover bolts": the front cover.
    private static string? HeldByName(Joint joint) => Referring.Bare(NamesOf(joint)[0]) is [.. { Count: > 0 } held, _] ? string.Join(' ', held) : null;

    /// <summary>The joints that are called fasteners and no more.</summary>
    internal IEnumerable<Thing> Hardware => _hardware.Value;

    /// <summary>The joints whose fastener is called so ("union nut", "castle nut" also where its cell says slotted), by the stems of that.</summary>
    internal IReadOnlyList<Joint> WithFastener(IReadOnlyList<string> stems)
    {
        var said = string.Join(' ', stems);
        return _byFastener.Value.GetValueOrDefault(said)
            ?? (FastenerForms.Find(said) is { } form && form.At.Length == said.Length
                ? _byFastener.Value.GetValueOrDefault(string.Join(' ', StemsOf(FastenerForms.PlainName(form.Form)))) : null) ?? [];
    }

    /// <summary>What a joint's fastener may be called: as its cell says, and by the plain name of its form; the stems of each.</summary>
    internal static IEnumerable<string[]> CalledAs(Joint joint) => joint.Fastener is not { } fastener ? []
        : new[] { fastener.IsCalled, fastener.Form is { } form ? FastenerForms.PlainName(form) : null }.OfType<string>().Select(StemsOf)
            .DistinctBy(stems => string.Join(' ', stems));

    /// <summary>True where some name has this word.</summary>
    internal bool Says(string stem) => _byStem.ContainsKey(stem);

    /// <summary>True where some name has these two words one behind the other, the first leading.</summary>
    internal bool Begins(string first, string second) => _pairs.Contains((first, second));

    /// <summary>The thing that is called so to the letter; null where none is, or two are.</summary>
    internal Thing? Spelled(IReadOnlyList<string> stems) => _bySpelling.GetValueOrDefault(string.Join(' ', stems));

    /// <summary>True where some name ends with this word.</summary>
    internal bool IsHead(string stem) => _byHead.ContainsKey(stem);

    /// <summary>The things whose name ends with a word: to the letter, or a slip of the finger apart.</summary>
    internal IEnumerable<Thing> WithHead(string head, bool exact) => (exact ? _byHead.GetValueOrDefault(head) ?? [] : WithHead(head)).Select(e => e.Thing);

    /// <summary>The thing with an id, or null.</summary>
    public Thing? Find(string id) => _byId.GetValueOrDefault(id);

    /// <summary>The first thing of the sheet whose name has just these stems, other than one; null where there is none.</summary>
    internal Thing? Bearing(string[] stems, string? exceptId)
    {
        if (!_byName.TryGetValue(string.Join(' ', stems), out var bearing)) return null;
        return bearing.First.Id != exceptId ? bearing.First : bearing.Second;
    }

    /// <summary>The stems of a name, its articles and marks left out.</summary>
    internal static string[] StemsOf(string name)
    {
        var tokens = Tokenizer.TokenizeName(name);
        string[] words = [.. tokens.Where(t => t.Kind is TokenKind.Word or TokenKind.Number && !Trade.Determiners.Contains(t.Text)).Select(t => Stem.Of(t.Text))];
        // "2second" is a value and no more: it stands for itself.
        return words.Length == 0 && tokens.Exists(t => t.Kind is TokenKind.Torque or TokenKind.Angle or TokenKind.Time or TokenKind.Size)
            ? [name.ToLowerInvariant()] : words;
    }

    /// <summary>
    /// The thing a phrase names. The last word must be the name's last; every word of the phrase must be in the name,
    /// in order; words of the name may be left out where only one thing remains.
    /// </summary>
    internal Found Resolve(IReadOnlyList<string> stems)
    {
        if (stems.Count == 0) return new Found(null, []);
        if (stems.Count == 1 && _byId.TryGetValue(stems[0], out var byId)) return new Found(byId, []);
        // Who is spelled to the letter is meant, however near another name comes.
        if (_bySpelling.GetValueOrDefault(string.Join(' ', stems)) is { } spelled) return new Found(spelled, []);
        List<Thing> full = [], partial = [];
        foreach (var entry in WithHead(stems[^1]))
        {
            if (!Covers(entry.Stems, stems)) continue;
            var list = entry.Stems.Length == stems.Count ? full : partial;
            if (!list.Contains(entry.Thing)) list.Add(entry.Thing);
        }

        if (full.Count == 1) return new Found(full[0], []);
        if (full.Count > 1) return new Found(null, full);
        if (partial.Count == 1) return new Found(partial[0], []);
        return new Found(null, partial);
    }

    /// <summary>Things whose names share words with a phrase that names none, the nearest first.</summary>
    internal IReadOnlyList<Thing> Near(IReadOnlyList<string> stems)
    {
        var scored = new Dictionary<Thing, int>(ReferenceEqualityComparer.Instance);
        foreach (var entry in stems.SelectMany(_stems.Value.Alike).Distinct().SelectMany(s => _byStem[s]))
        {
            if (scored.ContainsKey(entry.Thing)) continue;
            var shared = entry.Stems.Count(s => stems.Any(t => Stem.Alike(s, t)));
            scored[entry.Thing] = (shared * 2) + (Stem.Alike(entry.Stems[^1], stems[^1]) ? 1 : 0);
        }

        // Of like ones the first on the sheet is the first named.
        return [.. scored.OrderByDescending(s => s.Value).ThenBy(s => s.Key.Kind).ThenBy(s => s.Key.Id.Length).ThenBy(s => s.Key.Id, StringComparer.Ordinal).Take(4).Select(s => s.Key)];
    }

    private IEnumerable<Entry> WithHead(string head) =>
        _byHead.TryGetValue(head, out var exact) ? exact : _heads.Value.Alike(head).SelectMany(h => _byHead[h]);

    internal static bool Covers(string[] name, IReadOnlyList<string> phrase)
    {
        var at = name.Length - 1;
        for (var i = phrase.Count - 1; i >= 0; i--)
        {
            while (at >= 0 && !Stem.Alike(name[at], phrase[i])) at--;
            if (at-- < 0) return false;
        }

        return true;
    }

    private void Add(Thing thing, string[] stems)
    {
        if (stems.Length == 0) return;
        if (stems.Length > 1) _pairs.Add((stems[0], stems[1]));
        var spelling = string.Join(' ', stems);
        _bySpelling[spelling] = !_bySpelling.TryGetValue(spelling, out var called) || ReferenceEquals(called, thing) ? thing : null;
        if (!_byHead.TryGetValue(stems[^1], out var list)) _byHead[stems[^1]] = list = [];
        var entry = new Entry(thing, stems);
        list.Add(entry);
        foreach (var stem in stems)
        {
            if (!_byStem.TryGetValue(stem, out var having)) _byStem[stem] = having = [];
            having.Add(entry);
        }

        for (var i = 1; i < stems.Length; i++)
            if (char.IsAsciiDigit(stems[i][0])) _numbered.Add((stems[i - 1], stems[i]));
    }
}
