namespace WornPath.Web.Access;

/// <summary>
/// Holds off who guesses passwords, without shutting anybody out who does not: tries are counted by name and place, where a browser
/// that has signed in as this person before is a place of its own, whatever else comes from its address. A name that is tried from many
/// places lets only such browsers through for a while. A try counts when it begins, so that many at once count as many. Names nobody
/// has are counted alike. (After “device cookies” as OWASP describes them.)
/// </summary>
public sealed class SignInGuard(TimeProvider time)
{
    /// <summary>Wrong tries of one name from one place.</summary>
    public const int MostAtPlace = 5;

    /// <summary>Wrong tries from one address, of all names, browsers known here aside.</summary>
    public const int MostFromAddress = 60;

    /// <summary>Wrong tries of one name from all places: beyond it only browsers known here are let through.</summary>
    public const int MostOfName = 30;

    /// <summary>How long a wrong try counts.</summary>
    public static readonly TimeSpan Window = TimeSpan.FromMinutes(15);

    private const int MostKept = 20_000;

    private readonly Lock _lock = new();
    private readonly Dictionary<string, List<DateTimeOffset>> _tries = [];
    private readonly Dictionary<string, DateTimeOffset> _told = [];

    /// <summary>A try that may be made. It counts as wrong until it is said to be right.</summary>
    public sealed record Try(string Place, string Address, string Name);

    /// <summary>
    /// Begins a try, or says how long to wait, and whether this is news: of many tries held off for the same reason in one window only
    /// the first is, so that a flood does not fill the trail.
    /// </summary>
    /// <param name="name">The account, as typed.</param>
    /// <param name="address">Where from.</param>
    /// <param name="browser">What marks a browser that has signed in as this person before; null for any other.</param>
    public (Try? Begun, TimeSpan Wait, bool IsNews) Begin(string name, string address, string? browser)
    {
        name = name.Trim().ToUpperInvariant();
        var attempt = new Try($"place {name} {browser ?? address}", $"address {address}", $"name {name}");
        lock (_lock)
        {
            Forget();
            var held = Measures(attempt, browser is not null)
                .Select(m => (m.Key, Wait: WaitFor(m.Key, m.Most)))
                .MaxBy(m => m.Wait);
            var now = time.GetUtcNow();
            if (held.Wait > TimeSpan.Zero) return (null, held.Wait, IsNews(held.Key, now));
            foreach (var key in Keys(attempt)) (_tries.TryGetValue(key, out var tries) ? tries : _tries[key] = []).Add(now);
            return (attempt, TimeSpan.Zero, true);
        }
    }

    /// <summary>The try was right: it does not count, and what was mistyped before it at this place is forgotten.</summary>
    public void Right(Try attempt)
    {
        lock (_lock)
        {
            TakeBack(attempt);
            _tries.Remove(attempt.Place);
        }
    }

    /// <summary>The try was neither right nor wrong: it does not count, and what went before it does.</summary>
    public void TakeBack(Try attempt)
    {
        lock (_lock)
            foreach (var key in Keys(attempt))
                if (_tries.TryGetValue(key, out var tries) && tries.Count > 0) tries.RemoveAt(tries.Count - 1);
    }

    /// <summary>How many wrong tries of a name count now.</summary>
    public int TriesOf(string name)
    {
        lock (_lock) return Count($"name {name.Trim().ToUpperInvariant()}");
    }

    /// <summary>Forgets all wrong tries of a name.</summary>
    public void Unlock(string name)
    {
        name = name.Trim().ToUpperInvariant();
        lock (_lock)
        {
            _tries.Remove($"name {name}");
            foreach (var key in _tries.Keys.Where(k => k.StartsWith($"place {name} ", StringComparison.Ordinal)).ToList()) _tries.Remove(key);
        }
    }

    private bool IsNews(string key, DateTimeOffset now)
    {
        if (_told.TryGetValue(key, out var told) && now < told + Window) return false;
        if (_told.Count >= MostKept) _told.Clear();
        _told[key] = now;
        return true;
    }

    private static string[] Keys(Try attempt) => [attempt.Place, attempt.Address, attempt.Name];

    // What a try is held against: a browser known here only by what came from itself.
    private static IEnumerable<(string Key, int Most)> Measures(Try attempt, bool isKnownBrowser)
    {
        yield return (attempt.Place, MostAtPlace);
        if (isKnownBrowser) yield break;
        yield return (attempt.Address, MostFromAddress);
        yield return (attempt.Name, MostOfName);
    }

    // Until the oldest of those that fill the measure no longer counts.
    private TimeSpan WaitFor(string key, int most) => Count(key) < most ? TimeSpan.Zero : _tries[key][^most] + Window - time.GetUtcNow();

    private int Count(string key)
    {
        if (!_tries.TryGetValue(key, out var tries)) return 0;
        tries.RemoveAll(t => t <= time.GetUtcNow() - Window);
        return tries.Count;
    }

    // Names that nobody has cannot fill the memory: the places that were quiet longest go first.
    private void Forget()
    {
        if (_tries.Count < MostKept) return;
        foreach (var key in _tries.Keys.Where(k => Count(k) == 0).ToList()) _tries.Remove(key);
        foreach (var key in _tries.OrderBy(t => t.Value[^1]).Take(_tries.Count - MostKept / 2).Select(t => t.Key).ToList()) _tries.Remove(key);
    }
}
