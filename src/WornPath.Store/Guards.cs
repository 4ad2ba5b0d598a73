using Microsoft.EntityFrameworkCore;

namespace WornPath.Store;

/// <summary>
/// What the database itself refuses, whoever asks: the triggers, all in one place. They are put in anew after migrations, because
/// SQLite loses those of a table that a migration builds again. REPLACE deletes without asking delete triggers, so what must stay
/// is guarded against being inserted over, too.
/// </summary>
public static class Guards
{
    private static string NotDraft(string row) => $"(SELECT State FROM Revisions WHERE Id = {row}.RevisionId) <> 'Draft'";

    /// <summary>Every trigger, by name.</summary>
    public static readonly IReadOnlyDictionary<string, string> All = Make().ToDictionary(t => t.Name, t => t.Sql);

    /// <summary>Puts the triggers into the database where they are not there, or not as they are here.</summary>
    public static async Task InstallAsync(WornPathDb db, CancellationToken cancel = default)
    {
        var there = (await db.Database.SqlQueryRaw<string>("SELECT name || '=' || sql AS Value FROM sqlite_master WHERE type = 'trigger'").ToListAsync(cancel)).Select(t => t.Split('=', 2)).ToDictionary(t => t[0], t => t[1]);
        if (there.Count == All.Count && All.All(g => there.GetValueOrDefault(g.Key) == g.Value)) return;
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        foreach (var name in there.Keys) await RunAsync(db, $"DROP TRIGGER \"{name}\"", cancel);
        foreach (var sql in All.Values) await RunAsync(db, sql, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Takes all triggers out, before a migration that changes what they guard.</summary>
    public static async Task LiftAsync(WornPathDb db, CancellationToken cancel = default)
    {
        foreach (var name in await db.Database.SqlQueryRaw<string>("SELECT name AS Value FROM sqlite_master WHERE type = 'trigger'").ToListAsync(cancel)) await RunAsync(db, $"DROP TRIGGER \"{name}\"", cancel);
    }

    // The text is this file's own; braces in it are no placeholders.
    private static Task RunAsync(WornPathDb db, string sql, CancellationToken cancel) => db.Database.ExecuteSqlRawAsync(sql.Replace("{", "{{").Replace("}", "}}"), cancel);

    private static IEnumerable<(string Name, string Sql)> Make()
    {
        static (string, string) Refuse(string name, string on, string? when, string why) =>
            (name, $"CREATE TRIGGER {name} BEFORE {on}{(when is null ? "" : $" WHEN {when}")} BEGIN SELECT RAISE(ABORT, '{why}'); END");

        // The sheet.
        yield return Refuse("Snapshots_Stand", "UPDATE ON Snapshots", NotDraft("OLD"), "The sheet of a revision that is no draft cannot change.");
        yield return Refuse("Snapshots_Keep_Their_Revision", "UPDATE OF RevisionId ON Snapshots", null, "A sheet stays with its revision.");
        yield return Refuse("Snapshots_Stay", "DELETE ON Snapshots", null, "A sheet cannot be deleted.");
        yield return Refuse("Snapshots_Once", "INSERT ON Snapshots", "EXISTS (SELECT 1 FROM Snapshots WHERE RevisionId = NEW.RevisionId)", "A revision has one sheet, and it cannot be replaced.");

        // The revision.
        yield return Refuse("Revisions_Begin_As_Drafts", "INSERT ON Revisions", "NEW.State <> 'Draft'", "A revision begins as a draft.");
        yield return Refuse("Revisions_Once", "INSERT ON Revisions", "EXISTS (SELECT 1 FROM Revisions WHERE Id = NEW.Id OR (ProcedureId = NEW.ProcedureId AND Letter = NEW.Letter))", "A revision cannot be replaced.");
        yield return Refuse("Revisions_Keep_Their_Place", "UPDATE OF Id, ProcedureId, Letter, AuthorId ON Revisions", "OLD.Id <> NEW.Id OR OLD.ProcedureId <> NEW.ProcedureId OR OLD.Letter <> NEW.Letter OR OLD.AuthorId <> NEW.AuthorId", "A revision keeps its procedure, its letter and who began it.");
        yield return Refuse("Revisions_Stand", "UPDATE OF Seq, StepCount ON Revisions", "OLD.State <> 'Draft' AND (OLD.Seq <> NEW.Seq OR OLD.StepCount <> NEW.StepCount)", "A revision that is no draft cannot change.");
        yield return Refuse("Revisions_Keep_Their_Rules", "UPDATE OF WorkshopVersion ON Revisions", "OLD.State IN ('Released', 'Superseded', 'Withdrawn') AND OLD.WorkshopVersion IS NOT NEW.WorkshopVersion", "A released revision keeps the house rules it was released under.");
        yield return Refuse("Revisions_Stay", "DELETE ON Revisions", null, "A revision cannot be deleted.");
        yield return Refuse("Revisions_Go_Their_Way", "UPDATE OF State ON Revisions",
            "OLD.State <> NEW.State AND (OLD.State || '>' || NEW.State) NOT IN ('Draft>InReview', 'InReview>Draft', 'InReview>Released', 'Released>Superseded', 'Released>Withdrawn')", "A revision does not go this way.");

        // The procedure: once something of it was released, what stood on it stays.
        const string released = "EXISTS (SELECT 1 FROM Revisions WHERE ProcedureId = OLD.Id AND State IN ('Released', 'Superseded', 'Withdrawn'))";
        yield return Refuse("Procedures_Stand", "UPDATE OF Id, Number, Title, Platform ON Procedures", $"OLD.Id <> NEW.Id OR {released}", "A procedure of which something was released keeps its number, title and platform.");
        yield return Refuse("Procedures_Stay", "DELETE ON Procedures", null, "A procedure cannot be deleted.");
        yield return Refuse("Procedures_Once", "INSERT ON Procedures", "EXISTS (SELECT 1 FROM Procedures WHERE Id = NEW.Id OR Number = NEW.Number COLLATE NOCASE)", "This number is taken.");

        // The log, and what else is only ever added to.
        yield return Refuse("Edits_Draft_Only", "INSERT ON Edits", NotDraft("NEW"), "Only a draft can be edited.");
        yield return Refuse("Edits_Once", "INSERT ON Edits", "EXISTS (SELECT 1 FROM Edits WHERE Id = NEW.Id OR (RevisionId = NEW.RevisionId AND (Seq = NEW.Seq OR ClientId = NEW.ClientId)))", "This edit is in the log already.");
        foreach (var (table, key) in ((string, string)[])[("Edits", ""), ("Events", "Id = NEW.Id"), ("ValueChecks", "Id = NEW.Id"),
            ("Workshops", "Version = NEW.Version"), ("Contributions", ""), ("Audit", "Id = NEW.Id"), ("Comments", "Id = NEW.Id"),
            ("CommentEntries", "Id = NEW.Id OR ClientId = NEW.ClientId"), ("CommentMentions", ""), ("ReviewAsks", ""),
            ("RecordLinks", "ProcedureId = NEW.ProcedureId AND Number = NEW.Number"), ("Signatures", "Id = NEW.Id"),
            ("SignedContents", "Hash = NEW.Hash")])
        {
            yield return Refuse($"{table}_Stand", $"UPDATE ON {table}", null, "What is on record cannot change.");
            yield return Refuse($"{table}_Stay", $"DELETE ON {table}", null, "What is on record cannot be deleted.");
            if (key.Length > 0) yield return Refuse($"{table}_Once", $"INSERT ON {table}", $"EXISTS (SELECT 1 FROM {table} WHERE {key})", "What is on record cannot be replaced.");
        }

        // What a database is it stays; a session that ended and a link that was used stay so.
        yield return Refuse("Facts_Stand", "UPDATE ON Facts", "OLD.Name = 'kind'", "A database stays what it was made as.");
        yield return Refuse("Facts_Stay", "DELETE ON Facts", "OLD.Name = 'kind'", "A database stays what it was made as.");
        yield return Refuse("Facts_Once", "INSERT ON Facts", "EXISTS (SELECT 1 FROM Facts WHERE Name = NEW.Name AND Name = 'kind')",
            "A database stays what it was made as.");
        yield return Refuse("Sessions_Ended_Stay_So", "UPDATE ON Sessions", "OLD.EndedAt IS NOT NULL", "A session that ended stays so.");
        yield return Refuse("Invitations_Used_Stay_So", "UPDATE ON Invitations", "OLD.UsedAt IS NOT NULL", "A link that was used stays so.");
        yield return Refuse("RecoveryCodes_Used_Stay_So", "UPDATE ON RecoveryCodes", "OLD.UsedAt IS NOT NULL", "A code that was used stays so.");

        yield return Refuse("Waivers_Stand", "UPDATE ON Waivers",
            "OLD.TakenBackBy IS NOT NULL OR NEW.TakenBackBy IS NULL OR OLD.Id <> NEW.Id OR OLD.RevisionId <> NEW.RevisionId OR OLD.\"Key\" <> NEW.\"Key\" OR OLD.Seal <> NEW.Seal OR OLD.PersonId <> NEW.PersonId OR OLD.Who <> NEW.Who OR OLD.At <> NEW.At OR OLD.Reason <> NEW.Reason",
            "A waiver cannot change; it is taken back once, and stays on record.");
        yield return Refuse("Bulletins_Stand", "UPDATE ON Bulletins",
            "OLD.TakenBackBy IS NOT NULL OR NEW.TakenBackBy IS NULL OR OLD.Id <> NEW.Id OR OLD.RevisionId <> NEW.RevisionId OR OLD.Kind <> NEW.Kind "
            + "OR OLD.Target <> NEW.Target OR OLD.Text <> NEW.Text OR OLD.PersonId <> NEW.PersonId OR OLD.Who <> NEW.Who OR OLD.At <> NEW.At",
            "A bulletin cannot change; it is taken back once, and stays on record.");
        yield return Refuse("Bulletins_Stay", "DELETE ON Bulletins", null, "A bulletin cannot be deleted.");
        yield return Refuse("Bulletins_Once", "INSERT ON Bulletins", "EXISTS (SELECT 1 FROM Bulletins WHERE Id = NEW.Id)", "A bulletin cannot be replaced.");
        yield return Refuse("Waivers_Stay", "DELETE ON Waivers", null, "A waiver cannot be deleted.");
        yield return Refuse("Waivers_Once", "INSERT ON Waivers", "EXISTS (SELECT 1 FROM Waivers WHERE Id = NEW.Id)", "A waiver cannot be replaced.");
    }
}
