using WornPath.Store.Drafts;

namespace WornPath.Web.Drafting;

/// <summary>
/// Holds open revisions in memory, each once: whoever works on one has a lease on the same <see cref="Draft"/>, with the same gate,
/// as long as anybody has. What nobody works on is kept for a while, the idle longest dropped first.
/// </summary>
public sealed class DraftKeeper(IServiceScopeFactory scopes, WorkshopBook book)
{
    /// <summary>How many revisions nobody works on are kept at most; more are read from the log again when they are asked for.</summary>
    public const int MostIdle = 200;

    private sealed class Held
    {
        public Task<Draft?>? Opening;
        public Draft? Draft;
        public int Leases;
        public long LastUsed;
    }

    private readonly Lock _lock = new();
    private readonly Dictionary<int, Held> _held = [];
    private long _turn;

    /// <summary>How many are held, worked on or idle.</summary>
    public int Count
    {
        get
        {
            lock (_lock) return _held.Count;
        }
    }

    /// <summary>A hold on an open revision until it is disposed of.</summary>
    public sealed class Lease : IDisposable
    {
        private Action? _giveBack;

        internal Lease(Draft draft, Action giveBack) => (Draft, _giveBack) = (draft, giveBack);

        public Draft Draft { get; }

        public void Dispose() => Interlocked.Exchange(ref _giveBack, null)?.Invoke();
    }

    /// <summary>A lease on a revision, read if it is not held; null where there is none. Judged in the workshop as it is now.</summary>
    public async Task<Lease?> LeaseAsync(int revisionId)
    {
        Held? held;
        Task<Draft?> opening;
        lock (_lock)
        {
            if (!_held.TryGetValue(revisionId, out held)) _held[revisionId] = held = new Held();
            held.Leases++;
            // All who come while it is read wait for the one reading.
            opening = held.Opening ??= Task.Run(() => OpenAsync(revisionId));
        }

        try
        {
            var draft = await opening;
            held.Draft = draft;
            if (draft is null)
            {
                GiveBack(revisionId, held);
                return null;
            }

            await FreshenAsync(draft);
            draft.JudgeIn(await book.ForAsync(draft.WorkshopVersion));
            return new Lease(draft, () => GiveBack(revisionId, held));
        }
        catch
        {
            // A failure is not kept: the next who asks tries again.
            lock (_lock)
                if (held.Draft is null && ReferenceEquals(held.Opening, opening)) held.Opening = null;
            GiveBack(revisionId, held);
            throw;
        }
    }

    /// <summary>What is held of a revision is not what the database has any more: it is read anew before anybody works on with it.</summary>
    public void Outdate(int revisionId)
    {
        lock (_lock)
            if (_held.GetValueOrDefault(revisionId)?.Draft is { } draft) draft.IsOutdated = true;
    }

    /// <summary>Reads what is held of a revision anew. The caller has entered its gate.</summary>
    public async Task ReloadAsync(Draft draft)
    {
        draft.Load(await ReadAsync(draft.RevisionId) ?? throw new InvalidOperationException($"Revision {draft.RevisionId} is gone."));
    }

    private async Task<Draft?> OpenAsync(int revisionId) => await ReadAsync(revisionId) is { } read ? new Draft(revisionId, read) : null;

    private async Task FreshenAsync(Draft draft)
    {
        if (!draft.IsOutdated) return;
        await draft.Gate.WaitAsync();
        try
        {
            if (draft.IsOutdated) await ReloadAsync(draft);
        }
        finally
        {
            draft.Gate.Release();
        }
    }

    private void GiveBack(int revisionId, Held held)
    {
        lock (_lock)
        {
            held.Leases--;
            held.LastUsed = ++_turn;
            if (held is { Leases: 0, Draft: null }) _held.Remove(revisionId);
            if (_held.Count <= MostIdle) return;
            var idle = _held.Where(h => h.Value.Leases == 0).ToList();
            foreach (var (id, _) in idle.OrderBy(h => h.Value.LastUsed).Take(idle.Count - MostIdle)) _held.Remove(id);
        }
    }

    private async Task<Draft.Content?> ReadAsync(int revisionId)
    {
        await using var scope = scopes.CreateAsyncScope();
        var log = scope.ServiceProvider.GetRequiredService<DraftLog>();
        if (await log.LoadAsync(revisionId) is not { } stored) return null;
        var reviewed = new Draft.Reviewed(stored.State, await log.WaiversAsync(revisionId), await log.ChecksAsync(revisionId));
        return new Draft.Content(stored, await log.LinesAsync(revisionId), reviewed, await log.AuthorshipAsync(revisionId), await log.WritersAsync(revisionId), await book.ForAsync(stored.WorkshopVersion));
    }
}
