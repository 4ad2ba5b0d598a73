using System.Collections.Concurrent;
using System.Security.Claims;
using Microsoft.EntityFrameworkCore;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Demo;

namespace WornPath.Web.Access;

/// <summary>
/// The sessions, as the server knows them: a cookie opens nothing that is not in this book. What is held in memory was read from the
/// database, and one program works on a database, so that an end holds from the next request on. While it is held, a session's time is
/// measured without the clock of the wall: one that jumps signs nobody out.
/// </summary>
public sealed class SessionBook(IServiceScopeFactory scopes, AccessOptions options, DemoMode demo, TimeProvider time)
{
    /// <summary>How long a person who has given the password again is not asked once more.</summary>
    public static readonly TimeSpan Confirmed = TimeSpan.FromMinutes(10);

    private static readonly TimeSpan KeptAfterEnd = TimeSpan.FromDays(90);

    private readonly ConcurrentDictionary<string, Held> _held = [];
    private int _generation;

    /// <summary>A session that goes on.</summary>
    public sealed class Held
    {
        public required int Id { get; init; }

        public required string PersonId { get; init; }

        public required ClaimsPrincipal Principal { get; init; }

        /// <summary>When it was read, by the clock that only goes forward.</summary>
        public required long ReadAt { get; init; }

        /// <summary>How long it still lived then.</summary>
        public required TimeSpan Life { get; init; }

        /// <summary>When something was last done in it, by the clock that only goes forward.</summary>
        public long SeenTick { get; set; }

        /// <summary>The same by the clock on the wall.</summary>
        public DateTime SeenAt { get; set; }

        /// <summary>When the password or a code was last given again; null after it was used up.</summary>
        public DateTime? ConfirmedAt { get; set; }

        /// <summary>The secret of a second factor that is being set up.</summary>
        public byte[]? NewFactor { get; set; }
    }

    /// <summary>A session has ended.</summary>
    public event Action<int>? Ended;

    /// <summary>Begins a session. Returns its key, which the browser keeps, and who is signed in with it.</summary>
    public async Task<(string Key, ClaimsPrincipal Principal)> BeginAsync(Person person, bool withFactor, string address, string browser)
    {
        var key = Hashes.NewSecret();
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        var now = Now;
        db.Sessions.Add(new PersonSession
        {
            KeyHash = Hashes.Of(key),
            PersonId = person.Id,
            BegunAt = now,
            SeenAt = now,
            EndsAt = now + options.Session,
            Address = Cut(address, 64),
            Browser = Cut(browser, 200),
            WithFactor = withFactor
        });
        await db.SaveChangesAsync();
        var held = await FindAsync(key) ?? throw new InvalidOperationException("A session ended as it began.");
        return (key, held.Principal);
    }

    /// <summary>The session a key opens; null where there is none, or it has ended.</summary>
    public async ValueTask<Held?> FindAsync(string key)
    {
        var hash = Hashes.Of(key);
        if (!_held.TryGetValue(hash, out var held))
        {
            while (true)
            {
                var generation = Volatile.Read(ref _generation);
                if (await ReadAsync(hash) is not { } read) return null;
                held = _held.GetOrAdd(hash, read);
                // Somebody was disabled or given other roles in between: read again.
                if (generation == Volatile.Read(ref _generation)) break;
                _held.TryRemove(hash, out _);
            }
        }

        if (IsOver(held))
        {
            await EndAsync(held.Id, SessionEnd.Expired);
            return null;
        }

        (held.SeenTick, held.SeenAt) = (time.GetTimestamp(), Now);
        return held;
    }

    private bool IsOver(Held held) => time.GetElapsedTime(held.ReadAt) >= held.Life || time.GetElapsedTime(held.SeenTick) >= options.Idle;

    /// <summary>Why the session of a key has ended; null where it has not, or there was none.</summary>
    public async Task<SessionEnd?> WhyAsync(string key)
    {
        var hash = Hashes.Of(key);
        await using var scope = scopes.CreateAsyncScope();
        return await scope.ServiceProvider.GetRequiredService<WornPathDb>().Sessions.Where(s => s.KeyHash == hash).Select(s => s.Why)
            .FirstOrDefaultAsync();
    }

    /// <summary>A session by its number, while it is held.</summary>
    public Held? Of(ClaimsPrincipal person) => person.FindFirstValue(PersonClaims.Session) is { } id && int.TryParse(id, out var number)
        ? _held.Values.FirstOrDefault(h => h.Id == number) : null;

    /// <summary>Ends one session.</summary>
    public Task EndAsync(int id, SessionEnd why) => EndAsync(s => s.Id == id, h => h.Id == id, why);

    /// <summary>Ends all sessions of a person, but for one.</summary>
    public Task EndAllAsync(string personId, SessionEnd why, int? but = null) =>
        EndAsync(s => s.PersonId == personId && s.Id != but, h => h.PersonId == personId && h.Id != but, why);

    /// <summary>A person has other roles, another name or factor: what is held of her is read anew.</summary>
    public void Changed(string personId)
    {
        Interlocked.Increment(ref _generation);
        foreach (var (hash, held) in _held)
            if (held.PersonId == personId) _held.TryRemove(hash, out _);
    }

    /// <summary>Writes down when sessions were last seen, ends those whose time is over, and forgets those that ended long ago.</summary>
    public async Task SweepAsync()
    {
        var now = Now;
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        foreach (var held in _held.Values)
        {
            if (IsOver(held)) await EndAsync(held.Id, SessionEnd.Expired);
            else await db.Sessions.Where(s => s.Id == held.Id && s.EndedAt == null && s.SeenAt < held.SeenAt)
                .ExecuteUpdateAsync(s => s.SetProperty(x => x.SeenAt, held.SeenAt));
        }

        var (idle, old) = (now - options.Idle, now - KeptAfterEnd);
        var open = _held.Values.Select(h => h.Id).ToList();
        await EndAsync(s => (s.EndsAt <= now || s.SeenAt <= idle) && !open.Contains(s.Id), _ => false, SessionEnd.Expired);
        await db.Sessions.Where(s => s.EndedAt < old).ExecuteDeleteAsync();
    }

    private async Task EndAsync(System.Linq.Expressions.Expression<Func<PersonSession, bool>> which, Func<Held, bool> held, SessionEnd why)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        var open = db.Sessions.Where(s => s.EndedAt == null).Where(which);
        var ids = await open.Select(s => s.Id).ToListAsync();
        var now = Now;
        // Kept out of memory after it is written: a request in between reads that it has ended.
        await open.ExecuteUpdateAsync(s => s.SetProperty(x => x.EndedAt, now).SetProperty(x => x.Why, why));
        Interlocked.Increment(ref _generation);
        foreach (var (hash, one) in _held)
            if (held(one) || ids.Contains(one.Id)) _held.TryRemove(hash, out _);
        foreach (var id in ids) Ended?.Invoke(id);
    }

    private async Task<Held?> ReadAsync(string hash)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        if (await db.Sessions.AsNoTracking().Include(s => s.Person)
            .FirstOrDefaultAsync(s => s.KeyHash == hash && s.EndedAt == null) is not { } session
            || session.Person.State != PersonState.Active) return null;
        var roles = await db.UserRoles.Where(r => r.UserId == session.PersonId)
            .Join(db.Roles, u => u.RoleId, r => r.Id, (_, r) => r.Name!).ToListAsync();
        var isDue = !demo.IsOn && !session.Person.HasFactor && roles.Intersect(options.FactorFor).Any();
        // Not longer than a session lives, and not idle for less than nothing, whatever the clock did while nobody looked.
        var (life, idle) = (Min(session.EndsAt - Now, options.Session), Max(Now - session.SeenAt, TimeSpan.Zero));
        var tick = time.GetTimestamp();
        return new Held
        {
            Id = session.Id,
            PersonId = session.PersonId,
            Principal = PersonClaims.Of(session.Person, roles, session.Id, isDue),
            ReadAt = tick,
            Life = life,
            SeenTick = tick - (long)(idle.TotalSeconds * time.TimestampFrequency),
            SeenAt = session.SeenAt,
        };
    }

    private static TimeSpan Min(TimeSpan a, TimeSpan b) => a < b ? a : b;

    private static TimeSpan Max(TimeSpan a, TimeSpan b) => a > b ? a : b;

    private DateTime Now => time.GetUtcNow().UtcDateTime;

    private static string Cut(string text, int most) => text.Length > most ? text[..most] : text;
}

/// <summary>Looks through the sessions once a minute.</summary>
public sealed partial class SessionSweep(SessionBook sessions, TimeProvider time, ILogger<SessionSweep> logger) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(TimeSpan.FromMinutes(1), time);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await sessions.SweepAsync();
            }
            catch (Exception e) when (e is Microsoft.Data.Sqlite.SqliteException or DbUpdateException)
            {
                // The database is busy or in trouble, which whoever asks is told; the next minute tries again.
                NotSwept(logger, e.Message);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The sessions were not looked through: {Why}")]
    private static partial void NotSwept(ILogger logger, string why);
}
