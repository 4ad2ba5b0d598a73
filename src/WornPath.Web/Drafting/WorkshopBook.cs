using System.Collections.Concurrent;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Store;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>The workshop every sheet is judged in: house rules and crib as last written, on today's day.</summary>
public sealed class WorkshopBook(IServiceScopeFactory scopes, TimeProvider time)
{
    /// <summary>The settings and the number of their version; 0 while nobody has written any.</summary>
    public sealed record Page(Workshop Workshop, int Version);

    private volatile Page? _page;

    private DateOnly Today => DateOnly.FromDateTime(time.GetLocalNow().DateTime);

    /// <summary>The workshop as it is now.</summary>
    public async Task<Page> NowAsync()
    {
        if (_page is { } page && page.Workshop.Today == Today) return page;
        await using var scope = scopes.CreateAsyncScope();
        return _page = await InAsync(scope.ServiceProvider.GetRequiredService<WornPathDb>());
    }

    /// <summary>The workshop as the database has it within a transaction, whatever is held here.</summary>
    public async Task<Page> InAsync(WornPathDb db)
    {
        var last = await db.Workshops.AsNoTracking().OrderByDescending(w => w.Version).FirstOrDefaultAsync();
        return PageOf(last);
    }

    private Page PageOf(WorkshopVersion? last)
    {
        if (last?.Format > SheetFormat.Newest) throw new NewerFormatException(last.Format);
        var workshop = last is null ? new Workshop() : JsonSerializer.Deserialize<Workshop>(last.Json, SheetJson.Options) ?? throw new InvalidDataException("The workshop's settings are empty.");
        return new Page(workshop with { Today = Today }, last?.Version ?? 0);
    }

    private readonly ConcurrentDictionary<int, HouseRules> _former = new();
    private volatile KeyedWorkshops? _kept;

    // Today's workshop with former house rules: the same object as long as today's stays, so that nothing is judged anew for nothing.
    private sealed record KeyedWorkshops(Workshop Now, ConcurrentDictionary<int, Workshop> ByVersion);

    /// <summary>The workshop as it is now, under the house rules of a version (null for today's): what was released keeps the rules it was released under.</summary>
    public async Task<Workshop> ForAsync(int? version)
    {
        var now = await NowAsync();
        if (version is not { } kept || kept == now.Version) return now.Workshop;
        if (_kept is not { } held || !ReferenceEquals(held.Now, now.Workshop)) _kept = held = new KeyedWorkshops(now.Workshop, new ConcurrentDictionary<int, Workshop>());
        if (!_former.TryGetValue(kept, out var rules))
        {
            await using var scope = scopes.CreateAsyncScope();
            var row = await scope.ServiceProvider.GetRequiredService<WornPathDb>().Workshops.AsNoTracking().FirstOrDefaultAsync(w => w.Version == kept);
            // Version 0 is from before anybody had written any: the defaults.
            rules = row is null ? new HouseRules() : JsonSerializer.Deserialize<Workshop>(row.Json, SheetJson.Options)!.Rules;
            _former[kept] = rules;
        }

        return held.ByVersion.GetOrAdd(kept, _ => now.Workshop with { Rules = rules });
    }

    /// <summary>A part of the settings that is written anew.</summary>
    /// <param name="What">What it is called: "crib".</param>
    /// <param name="In">The part as a workshop has it.</param>
    /// <param name="Put">The workshop with the new one.</param>
    public sealed record Change(string What, Func<Workshop, object> In, Func<Workshop, Workshop> Put);

    /// <summary>
    /// Writes parts of the workshop anew, where they still are as their writer saw them: what others changed in the other parts
    /// meanwhile stays.
    /// </summary>
    public async Task<Problem?> WriteAsync(IReadOnlyList<Change> changes, int seen, string personId)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        Problem? problem = null;
        for (var tries = 0; tries < 5; tries++)
        {
            var page = await InAsync(db);
            if (page.Version != seen)
            {
                var then = PageOf(await db.Workshops.AsNoTracking().FirstOrDefaultAsync(w => w.Version == seen)).Workshop;
                if (changes.FirstOrDefault(c => JsonOf(c.In(then)) != JsonOf(c.In(page.Workshop))) is { } other)
                    return new Problem($"Somebody else has changed the {other.What} since.",
                        "What you wrote still stands here, not kept. Look at theirs, then keep yours over it or put yours back.");
            }

            problem = await WriteAsync(db, w => changes.Aggregate(w, (all, c) => c.Put(all)), page.Version, personId);
            if (problem is null) return null;
            db.ChangeTracker.Clear();
        }

        return problem;
    }

    private static string JsonOf(object part) => JsonSerializer.Serialize(part, SheetJson.Options);

    /// <summary>Adds to the workshop or takes from it what does not hang on what its writer saw: two who do so at once both do.</summary>
    public async Task<Problem?> AddAsync(Func<Workshop, Workshop> change, string personId)
    {
        Problem? problem = null;
        for (var tries = 0; tries < 5; tries++)
        {
            problem = await WriteAsync(change, (await NowAsync()).Version, personId);
            if (problem is null) return null;
        }

        return problem;
    }

    /// <summary>Writes the workshop anew, where it still is the version its writer saw.</summary>
    public async Task<Problem?> WriteAsync(Func<Workshop, Workshop> change, int seen, string personId)
    {
        await using var scope = scopes.CreateAsyncScope();
        return await WriteAsync(scope.ServiceProvider.GetRequiredService<WornPathDb>(), change, seen, personId);
    }

    /// <summary>The same in a transaction of the caller's.</summary>
    public async Task<Problem?> WriteAsync(WornPathDb db, Func<Workshop, Workshop> change, int seen, string personId)
    {
        var page = await InAsync(db);
        var stale = new Problem("Somebody else has changed the workshop’s settings since.", "Look at them as they are now, and make your change again.");
        if (page.Version != seen) return stale;
        db.Workshops.Add(new WorkshopVersion { Version = seen + 1, PersonId = personId, At = time.GetUtcNow().UtcDateTime, Json = JsonSerializer.SerializeToUtf8Bytes(change(page.Workshop), SheetJson.Options) });
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException e) when (e.InnerException is SqliteException { SqliteErrorCode: 19 })
        {
            return stale;
        }
        finally
        {
            _page = null;
        }

        return null;
    }
}
