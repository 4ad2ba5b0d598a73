using System.Collections.Concurrent;
using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.SignalR;
using WornPath.Web.Access;
using WornPath.Web.Features;

namespace WornPath.Web.Drafting;

/// <summary>What the server tells open pages by itself: numbers and names, never what stands on a sheet. The page asks for that, as its reader may see it.</summary>
public interface ILivePage
{
    /// <summary>A sheet has had an edit of this number.</summary>
    Task Changed(int revisionId, int seq);

    /// <summary>A revision was sent, returned, released, waived, read from or given to somebody.</summary>
    Task Moved(int revisionId);

    /// <summary>Something was said under a comment of the procedure.</summary>
    Task Commented(int revisionId);

    /// <summary>Somebody has opened, printed or saved the released revision for the first time in a while.</summary>
    Task Held(int revisionId);

    /// <summary>Who has the revision open, each once.</summary>
    Task Here(int revisionId, IReadOnlyList<Someone> people);

    /// <summary>The page's session has ended; asked, the server says why.</summary>
    Task SignedOut();
}

/// <summary>Somebody who has a page open.</summary>
public sealed record Someone(string Id, string Name);

/// <summary>Tells open pages what has changed.</summary>
public sealed class Live
{
    private readonly IHubContext<LiveHub, ILivePage> _hub;
    private readonly Lock _lock = new();
    private readonly ConcurrentDictionary<string, (int Session, HubCallerContext Page)> _open = [];
    private readonly Dictionary<string, (int Revision, Someone Who)> _here = [];

    public Live(IHubContext<LiveHub, ILivePage> hub, SessionBook sessions, Measures measures)
    {
        _hub = hub;
        sessions.Ended += session => _ = CloseAsync(session);
        measures.Gauge("wornpath.pages", "Pages that are open and told of changes.", () => _open.Count);
    }

    /// <summary>A page has connected, with a session.</summary>
    public void Opened(HubCallerContext page) => _open[page.ConnectionId] = (page.User!.SessionId(), page);

    /// <summary>A page has gone.</summary>
    public void Closed(string connection) => _open.TryRemove(connection, out _);

    // Told first, then cut off: nothing more is heard with a session that has ended.
    private async Task CloseAsync(int session)
    {
        foreach (var (connection, (of, page)) in _open)
        {
            if (of != session) continue;
            await _hub.Clients.Client(connection).SignedOut();
            page.Abort();
        }
    }

    /// <summary>How a revision's pages are addressed.</summary>
    public static string Group(int revisionId) => $"revision {revisionId}";

    public void Changed(int revisionId, int seq) => _ = _hub.Clients.Group(Group(revisionId)).Changed(revisionId, seq);

    public void Commented(int revisionId) => _ = _hub.Clients.Group(Group(revisionId)).Commented(revisionId);

    // Begins anew with the server: a page that was open before asks once too often, never too seldom.
    private readonly long _started = DateTimeOffset.UtcNow.ToUnixTimeMilliseconds();
    private readonly ConcurrentDictionary<int, int> _moves = [];

    /// <summary>Another number each time a revision has moved: a page that could not be told sees by it that it is behind.</summary>
    public long Moves(int revisionId) => _started + _moves.GetValueOrDefault(revisionId);

    public void Held(int revisionId) => _ = _hub.Clients.Group(Group(revisionId)).Held(revisionId);

    public void Moved(int revisionId)
    {
        _moves.AddOrUpdate(revisionId, 1, (_, n) => n + 1);
        _ = _hub.Clients.Group(Group(revisionId)).Moved(revisionId);
    }

    /// <summary>A page has a revision open, or (null) none any more.</summary>
    public async Task WatchAsync(string connection, int? revisionId, Someone who)
    {
        var touched = new HashSet<int>();
        lock (_lock)
        {
            if (_here.Remove(connection, out var was)) touched.Add(was.Revision);
            if (revisionId is { } id)
            {
                _here[connection] = (id, who);
                touched.Add(id);
            }
        }

        foreach (var id in touched) await _hub.Clients.Group(Group(id)).Here(id, PeopleAt(id));
    }

    private List<Someone> PeopleAt(int revisionId)
    {
        lock (_lock) return [.. _here.Values.Where(h => h.Revision == revisionId).Select(h => h.Who).DistinctBy(w => w.Id).OrderBy(w => w.Name, StringComparer.CurrentCulture)];
    }
}

/// <summary>The connection of an open page. Whoever is signed in may have one; a revision is watched by who may see it.</summary>
[Authorize]
public sealed class LiveHub(Live live, RevisionEndpoints.Shelf shelf) : Hub<ILivePage>
{
    private const string Watched = "revision";

    /// <summary>Begins to watch a revision, in place of the one watched before. False where it is not there for this person.</summary>
    public async Task<bool> Watch(int revisionId)
    {
        await LeaveAsync();
        if (await shelf.FindAsync(revisionId, Context.User!) is null) return false;
        Context.Items[Watched] = revisionId;
        await Groups.AddToGroupAsync(Context.ConnectionId, Live.Group(revisionId));
        await live.WatchAsync(Context.ConnectionId, revisionId, new Someone(Context.User!.Id(), Context.User!.FindFirstValue(PersonClaims.DisplayName) ?? ""));
        return true;
    }

    /// <summary>Watches nothing any more.</summary>
    public Task Leave() => LeaveAsync();

    public override Task OnConnectedAsync()
    {
        live.Opened(Context);
        return base.OnConnectedAsync();
    }

    public override async Task OnDisconnectedAsync(Exception? exception)
    {
        live.Closed(Context.ConnectionId);
        await LeaveAsync();
        await base.OnDisconnectedAsync(exception);
    }

    private async Task LeaveAsync()
    {
        if (!Context.Items.Remove(Watched, out var former) || former is not int id) return;
        await Groups.RemoveFromGroupAsync(Context.ConnectionId, Live.Group(id));
        await live.WatchAsync(Context.ConnectionId, null, new Someone("", ""));
    }
}
