using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>
/// The words by which the shelf finds a revision (SQLite FTS5): number, title, vehicle, who began it, and what stands on its sheet. They
/// follow the sheet a few seconds behind. Torque values are left out of them, so that nobody who has a value still to read in its source
/// finds it by searching.
/// </summary>
public static class ShelfWords
{
    /// <summary>Raised when more or other words are written: all are written anew then.</summary>
    public const int Version = 2;

    /// <summary>Column of the words on the sheet, for excerpts.</summary>
    public const int SheetColumn = 4;

    /// <summary>The table, as a migration makes it.</summary>
    public const string Create = "CREATE VIRTUAL TABLE ShelfWords USING fts5(Number, Title, Platform, Who, Sheet, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')";

    /// <summary>Revisions whose words are not those of their sheet.</summary>
    public static Task<List<int>> StaleAsync(WornPathDb db, CancellationToken cancel = default) =>
        db.Revisions.Where(r => !db.ShelfEntries.Any(e => e.RevisionId == r.Id && e.Seq == r.Seq && e.State == r.State && e.Version == Version))
            .Select(r => r.Id).ToListAsync(cancel);

    /// <summary>Writes the words of a revision, and what it uses, in place of the former.</summary>
    public static async Task WriteAsync(WornPathDb db, int revisionId, Sheet sheet, int seq, CancellationToken cancel = default)
    {
        var head = await db.Revisions.Where(r => r.Id == revisionId)
            .Select(r => new { r.Procedure.Number, r.Procedure.Title, r.Procedure.Platform, Who = r.Author.DisplayName, r.State }).SingleAsync(cancel);
        var text = Blind.Hide(TextOf(sheet), Blind.Besides(sheet)).Replace(Blind.Hidden, "…");
        var uses = WhereUsed.Uses(head.State) ? SheetUse.Of(sheet) : [];
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync($"DELETE FROM ShelfWords WHERE rowid = {revisionId}", cancel);
        await db.Database.ExecuteSqlAsync($"INSERT INTO ShelfWords (rowid, Number, Title, Platform, Who, Sheet) VALUES ({revisionId}, {head.Number}, {head.Title}, {head.Platform}, {head.Who}, {text})", cancel);
        await WhereUsed.WriteAsync(db, revisionId, uses, head.State, cancel);
        await db.ShelfEntries.Where(e => e.RevisionId == revisionId).ExecuteDeleteAsync(cancel);
        await db.Database.ExecuteSqlAsync($"""
            INSERT INTO ShelfEntries (RevisionId, Seq, State, Version) VALUES ({revisionId}, {seq}, {head.State.ToString()}, {Version})
            """, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Has the words of what a person began written anew: she has another name.</summary>
    public static Task ForgetOfAsync(WornPathDb db, string personId) =>
        db.ShelfEntries.Where(e => db.Revisions.Any(r => r.Id == e.RevisionId && r.AuthorId == personId))
            .ExecuteUpdateAsync(set => set.SetProperty(e => e.Version, 0));

    /// <summary>What FTS5 is asked for: every word met somewhere, the beginning of one is enough. Null where there is no word to look for.</summary>
    public static string? Match(string words)
    {
        var asked = words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Where(w => w.Any(char.IsLetterOrDigit)).Take(8)
            .Select(w => $"\"{w.Replace("\"", "\"\"")}\"*").ToList();
        return asked.Count == 0 ? null : string.Join(" AND ", asked);
    }

    private static string TextOf(Sheet sheet) =>
        string.Join('\n', sheet.Phases.Select(p => p.Name).Concat(sheet.Things.Select(t => t.Name))
            .Concat(sheet.Steps.Select(s => s.Text)).Where(t => t.Length > 0));
}
