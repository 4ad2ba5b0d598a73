using System.Collections;
using System.Diagnostics.CodeAnalysis;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>
/// The way of every thing through a walk: its state now, and in the end all that was done to it. States lie side by side in
/// one array, and the events are sorted out by thing at the end: a long walk then goes through memory in order.
/// </summary>
internal sealed class Tracks : IReadOnlyDictionary<string, Thing>
{
    private static readonly WalkEvent[] Nothing = [];

    private readonly Dictionary<string, int> _index;
    private readonly Thing[] _things;
    private readonly ThingState[] _now;
    private readonly int[] _hosts;
    private readonly WalkEvent[][] _events;
    private readonly List<Joint>?[] _holders;
    private readonly HashSet<string> _replaced;

    /// <summary>All things of a sheet as they stand when the job begins.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="replaced">What comes from elsewhere and replaces an old one on the vehicle.</param>
    public Tracks(Sheet sheet, HashSet<string> replaced)
    {
        _replaced = replaced;
        _things = [.. sheet.Things];
        _index = new Dictionary<string, int>(_things.Length);
        _now = new ThingState[_things.Length];
        _hosts = new int[_things.Length];
        _events = new WalkEvent[_things.Length][];
        _holders = new List<Joint>?[_things.Length];
        Array.Fill(_events, Nothing);
        for (var i = 0; i < _things.Length; i++)
        {
            _index[_things[i].Id] = i;
            _now[i] = AtBeginning(_things[i]);
        }

        Array.Fill(_hosts, -1);
        for (var i = 0; i < _things.Length; i++)
            if (_things[i] is Part { SitsOn: { } host }) Sit(i, IndexOf(host));
        foreach (var joint in sheet.Joints)
            foreach (var part in joint.Holds)
                if (IndexOf(part) is >= 0 and var i) (_holders[i] ??= []).Add(joint);
    }

    /// <summary>The thing's place here; −1 where the sheet has none with this id.</summary>
    public int IndexOf(string? id) => id is not null && _index.TryGetValue(id, out var i) ? i : -1;

    /// <summary>The thing at a place.</summary>
    public Thing ThingAt(int index) => _things[index];

    /// <summary>Its state after all that was done so far; settable while the walk is on.</summary>
    public ref ThingState Now(int index) => ref _now[index];

    /// <summary>The place of the part it sits on, by what was said so far; −1 for none.</summary>
    public int HostOf(int index) => _hosts[index];

    /// <summary>True where a part sits on another.</summary>
    public bool AnySits { get; private set; }

    /// <summary>From now on it sits on another part.</summary>
    public void Sit(int index, int host)
    {
        if (index == host || host < 0) return;
        AnySits = true;
        // What sat on it until now does not bear it.
        for (var on = host; on >= 0; on = _hosts[on])
            if (_hosts[on] == index) _hosts[on] = -1;
        _hosts[index] = host;
    }

    /// <summary>The places of the parts that sit on one.</summary>
    public IEnumerable<int> On(int host)
    {
        for (var i = 0; i < _hosts.Length; i++)
            if (_hosts[i] == host) yield return i;
    }

    /// <summary>Sorts the events of the walk out by what they were done to.</summary>
    /// <param name="events">All events, in order.</param>
    /// <param name="indices">For each the place of its thing; −1 for the vehicle's.</param>
    public void SortOut(List<WalkEvent> events, List<int> indices)
    {
        var counts = new int[_things.Length];
        foreach (var i in indices)
            if (i >= 0) counts[i]++;
        for (var i = 0; i < counts.Length; i++)
            if (counts[i] > 0) _events[i] = new WalkEvent[counts[i]];
        Array.Clear(counts);
        for (var e = 0; e < indices.Count; e++)
            if (indices[e] is >= 0 and var i) _events[i][counts[i]++] = events[e];
    }

    /// <summary>What was done to a thing, in order; nothing where there is no such thing.</summary>
    public WalkEvent[] EventsOf(string id) => IndexOf(id) is >= 0 and var i ? _events[i] : Nothing;

    /// <summary>The joints that hold a part, in their order on the sheet.</summary>
    public IReadOnlyList<Joint> HoldersOf(string id) => IndexOf(id) is >= 0 and var i && _holders[i] is { } holders ? holders : [];

    /// <summary>A thing's state when the job begins.</summary>
    public ThingState AtBeginning(string id) => AtBeginning(_things[_index[id]]);

    private ThingState AtBeginning(Thing thing) => Walker.AtBeginning(thing, _replaced.Count > 0 && _replaced.Contains(thing.SheetId));

    /// <summary>A thing's state when all is done.</summary>
    public ThingState AtEnd(string id) => _now[_index[id]];

    public IEnumerable<string> Keys => _things.Select(t => t.Id);

    public IEnumerable<Thing> Values => _things;

    public int Count => _things.Length;

    public Thing this[string key] => _things[_index[key]];

    public bool ContainsKey(string key) => _index.ContainsKey(key);

    public bool TryGetValue(string key, [MaybeNullWhen(false)] out Thing value) => (value = IndexOf(key) is >= 0 and var i ? _things[i] : null) is not null;

    public IEnumerator<KeyValuePair<string, Thing>> GetEnumerator() => _things.Select(t => KeyValuePair.Create(t.Id, t)).GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}
