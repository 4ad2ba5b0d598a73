using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>
/// What the sheets that are worked on or worked from use, indexed by what it is: sources, fasteners with their values, parts, tools. It
/// follows the sheets a few seconds behind, with the shelf's words (<see cref="ShelfWords"/>), so that a question never goes through them.
/// </summary>
public static class WhereUsed
{
    /// <summary>As many names are shown at most; who looks for another says more of it.</summary>
    public const int MostNames = 60;

    /// <summary>As many sheets are shown at most, by number.</summary>
    public const int MostSheets = 200;

    /// <summary>Who asks.</summary>
    /// <param name="SeesOpen">She sees what is worked on, too.</param>
    /// <param name="Blind">Her id where she may have values to read in their sources first; null where she never has.</param>
    public sealed record Reader(bool SeesOpen, string? Blind);

    /// <summary>Something that is used, and on how many revisions.</summary>
    public sealed record NameRow(int Id, UseKind Kind, string Name, int Sheets);

    /// <summary>A revision something is used on.</summary>
    public sealed record SheetRow(int RevisionId, int ProcedureId, string Number, string Title, string Letter, RevisionState State, string Owner,
        int NameId, string At, string Says);

    /// <summary>The words of the names (SQLite FTS5), as a migration makes the table; a row is a <see cref="UsedName"/>.</summary>
    public const string Create = "CREATE VIRTUAL TABLE UsedWords USING fts5(Name, tokenize = 'unicode61 remove_diacritics 2', prefix = '1 2 3')";

    /// <summary>The states of a revision that is worked on or worked from.</summary>
    public static bool Uses(RevisionState state) => state is RevisionState.Draft or RevisionState.InReview or RevisionState.Released;

    /// <summary>Writes what a revision uses in place of what it used, within the caller's transaction.</summary>
    internal static async Task WriteAsync(WornPathDb db, int revisionId, IReadOnlyList<SheetUse> used, RevisionState state, CancellationToken cancel)
    {
        var uses = JsonSerializer.Serialize(used.Select(u => new { Kind = u.Kind.ToString(), u.Name, u.At, u.Says }));
        var was = await db.ShelfEntries.AsNoTracking().Where(e => e.RevisionId == revisionId).Select(e => (RevisionState?)e.State).FirstOrDefaultAsync(cancel);
        var former = await db.UsedOn.AsNoTracking().Where(u => u.RevisionId == revisionId).Select(u => u.NameId).ToListAsync(cancel);
        var before = JsonSerializer.Serialize(former);
        await CountAsync(db, before, was, -1, cancel);
        await db.UsedOn.Where(u => u.RevisionId == revisionId).ExecuteDeleteAsync(cancel);
        await db.Database.ExecuteSqlAsync($"""
            INSERT OR IGNORE INTO UsedNames (Kind, Name, Current, Released) SELECT value ->> 'Kind', value ->> 'Name', 0, 0 FROM json_each({uses})
            """, cancel);
        await db.Database.ExecuteSqlAsync($"""
            INSERT INTO UsedOn (NameId, RevisionId, At, Says) SELECT n.Id, {revisionId}, j.value ->> 'At', j.value ->> 'Says'
            FROM json_each({uses}) j JOIN UsedNames n ON n.Kind = j.value ->> 'Kind' AND n.Name = j.value ->> 'Name'
            """, cancel);
        await db.Database.ExecuteSqlAsync($"""
            INSERT INTO UsedWords (rowid, Name) SELECT n.Id, n.Name FROM UsedOn u JOIN UsedNames n ON n.Id = u.NameId
            WHERE u.RevisionId = {revisionId} AND NOT EXISTS (SELECT 1 FROM UsedWords w WHERE w.rowid = n.Id)
            """, cancel);
        var now = JsonSerializer.Serialize(await db.UsedOn.AsNoTracking().Where(u => u.RevisionId == revisionId).Select(u => u.NameId).ToListAsync(cancel));
        await CountAsync(db, now, state, 1, cancel);
        // What nobody uses any more is gone.
        await db.Database.ExecuteSqlAsync($"""
            DELETE FROM UsedWords WHERE rowid IN (SELECT n.Id FROM UsedNames n WHERE n.Id IN (SELECT value FROM json_each({before}))
                AND NOT EXISTS (SELECT 1 FROM UsedOn u WHERE u.NameId = n.Id))
            """, cancel);
        await db.Database.ExecuteSqlAsync($"""
            DELETE FROM UsedNames WHERE Id IN (SELECT value FROM json_each({before})) AND NOT EXISTS (SELECT 1 FROM UsedOn u WHERE u.NameId = UsedNames.Id)
            """, cancel);
    }

    private static async Task CountAsync(WornPathDb db, string names, RevisionState? state, int by, CancellationToken cancel)
    {
        if (state is not { } counted || !Uses(counted)) return;
        var released = counted == RevisionState.Released ? by : 0;
        await db.Database.ExecuteSqlAsync($"""
            UPDATE UsedNames SET Current = Current + {by}, Released = Released + {released} WHERE Id IN (SELECT value FROM json_each({names}))
            """, cancel);
    }

    /// <summary>What is used under some words, or of a kind, the most used first.</summary>
    /// <param name="db">The database.</param>
    /// <param name="match">What the words of a name are asked for (<see cref="ShelfWords.Match"/>); null for all names of the kind.</param>
    /// <param name="kind">The kind; null for all.</param>
    /// <param name="reader">Who asks.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task<List<NameRow>> FindAsync(WornPathDb db, string? match, UseKind? kind, Reader reader, CancellationToken cancel = default)
    {
        var names = db.UsedNames.AsNoTracking();
        if (match is not null) names = Having(db, names, match);

        if (kind is { } only) names = names.Where(n => n.Kind == only);
        // The value of a sheet she has to read it on is not found here either.
        if (reader.Blind is { } me)
            names = names.Where(n => n.Kind != UseKind.Joint || db.UsedOn.Any(u => u.NameId == n.Id && db.Revisions.Any(r => r.Id == u.RevisionId
                && (r.State != RevisionState.InReview || db.Contributions.Any(c => c.RevisionId == r.Id && c.PersonId == me)))));
        var counted = reader.SeesOpen ? names.Where(n => n.Current > 0).OrderByDescending(n => n.Current)
            : names.Where(n => n.Released > 0).OrderByDescending(n => n.Released);
        return await counted.ThenBy(n => n.Name).Take(MostNames + 1)
            .Select(n => new NameRow(n.Id, n.Kind, n.Name, reader.SeesOpen ? n.Current : n.Released)).ToListAsync(cancel);
    }

    /// <summary>All sources that have some words in them.</summary>
    public static Task<List<UsedName>> SourcesAsync(WornPathDb db, string match, CancellationToken cancel = default) =>
        Having(db, db.UsedNames.AsNoTracking().Where(n => n.Kind == UseKind.Source), match).ToListAsync(cancel);

    private static IQueryable<UsedName> Having(WornPathDb db, IQueryable<UsedName> names, string match)
    {
        var hits = db.Database.SqlQuery<int>($"SELECT rowid AS Value FROM UsedWords WHERE UsedWords MATCH {match}");
        return names.Where(n => hits.Contains(n.Id));
    }

    /// <summary>The revisions some names are used on, by number; with how many there are of them that the reader may not see yet.</summary>
    public static async Task<(List<SheetRow> Rows, int Withheld)> OnAsync(WornPathDb db, IReadOnlyList<int> nameIds, bool areValues, Reader reader,
        int most = MostSheets + 1, CancellationToken cancel = default)
    {
        var uses = from use in db.UsedOn.AsNoTracking()
                   join revision in db.Revisions on use.RevisionId equals revision.Id
                   where EF.Parameter(nameIds).Contains(use.NameId) && (revision.State == RevisionState.Released || reader.SeesOpen
                       && (revision.State == RevisionState.Draft || revision.State == RevisionState.InReview))
                   select new { use, revision };
        var withheld = 0;
        if (areValues && reader.Blind is { } me)
        {
            var all = await uses.Select(u => u.revision.Id).Distinct().CountAsync(cancel);
            uses = uses.Where(u => u.revision.State != RevisionState.InReview
                || db.Contributions.Any(c => c.RevisionId == u.revision.Id && c.PersonId == me));
            withheld = all - await uses.Select(u => u.revision.Id).Distinct().CountAsync(cancel);
        }

        // What stands beside a row is looked up for those that are shown alone.
        var shown = await uses.OrderBy(u => u.revision.Procedure.Number).ThenBy(u => u.revision.Id).Take(most).Select(u => u.revision.Id)
            .ToListAsync(cancel);
        var rows = await uses.Where(u => EF.Parameter(shown).Contains(u.revision.Id))
            .OrderBy(u => u.revision.Procedure.Number).ThenBy(u => u.revision.Id)
            .Select(u => new SheetRow(u.revision.Id, u.revision.ProcedureId, u.revision.Procedure.Number, u.revision.Procedure.Title,
                u.revision.Letter, u.revision.State,
                u.revision.Procedure.Authors.Where(a => a.IsOwner).Select(a => a.Person.DisplayName).FirstOrDefault() ?? "",
                u.use.NameId, u.use.At, u.use.Says)).ToListAsync(cancel);
        return (rows, withheld);
    }
}
