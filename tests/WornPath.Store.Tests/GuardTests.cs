using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;

namespace WornPath.Store.Tests;

/// <summary>What docs/architecture.md promises of the database, tried in SQL by somebody who goes past the program.</summary>
public class GuardTests
{
    // A draft with two edits, an event, a waiver, a value check and a settings version; then released.
    private static async Task<StoreOnDisk> ReleasedAsync(bool release = true)
    {
        var store = await StoreOnDisk.NewAsync();
        var sheet = (await store.LoadAsync()).Sheet;
        sheet = store.Append(sheet, 1, new InsertStep("s1", "h1", null, "x"));
        store.Append(sheet, 2, new InsertStep("s2", "h1", null, "y"));
        await using var db = store.Open();
        string[] rows =
        [
            "INSERT INTO Events (RevisionId, Kind, PersonId, Who, At, Text) VALUES (1, 'Released', 'ines', 'Ines (ines)', '2026-11-26', '')",
            "INSERT INTO Waivers (RevisionId, \"Key\", Seal, PersonId, Who, At, Reason) VALUES (1, 'k', 's', 'ines', 'Ines (ines)', '2026-11-26', 'because')",
            "INSERT INTO ValueChecks (RevisionId, Joint, Seal, \"Read\", Agrees, PersonId, Who, At) VALUES (1, 'J1', 's', '45 N·m', 1, 'ines', 'Ines (ines)', '2026-11-26')",
            "INSERT INTO Workshops (Version, PersonId, At, Format, Json) VALUES (1, 'ines', '2026-11-26', 2, '{}')",
        ];
        foreach (var row in rows) await RunAsync(db, row);
        if (!release) return store;
        await RunAsync(db, "UPDATE Revisions SET State = 'InReview'");
        await RunAsync(db, "UPDATE Revisions SET State = 'Released', WorkshopVersion = 1");
        return store;
    }

    private static Task<int> RunAsync(WornPathDb db, string sql) => db.Database.ExecuteSqlRawAsync(sql.Replace("{", "{{").Replace("}", "}}"));

    [Theory]
    [InlineData("UPDATE Snapshots SET Json = x'01'")]
    [InlineData("DELETE FROM Snapshots")]
    [InlineData("INSERT OR REPLACE INTO Snapshots (RevisionId, Json, Seq, Format) VALUES (1, x'01', 9, 2)")]
    [InlineData("REPLACE INTO Snapshots SELECT RevisionId, x'01', Seq, Format FROM Snapshots")]
    [InlineData("INSERT INTO Snapshots (RevisionId, Json, Seq, Format) VALUES (1, x'01', 9, 2) ON CONFLICT DO UPDATE SET Json = x'01'")]
    [InlineData("UPDATE Revisions SET State = 'Draft'")]
    [InlineData("UPDATE Revisions SET State = 'InReview'")]
    [InlineData("UPDATE Revisions SET State = 'Nonsense'")]
    [InlineData("UPDATE Revisions SET Letter = 'Z'")]
    [InlineData("UPDATE Revisions SET Id = 7")]
    [InlineData("UPDATE Revisions SET Seq = 9")]
    [InlineData("UPDATE Revisions SET AuthorId = 'odo'")]
    [InlineData("UPDATE Revisions SET WorkshopVersion = NULL")]
    [InlineData("DELETE FROM Revisions")]
    [InlineData("INSERT OR REPLACE INTO Revisions (Id, ProcedureId, Letter, State, AuthorId, Seq, Stops, Warnings, StepCount, ChangedAt, Stamp) VALUES (1, 1, 'A', 'Draft', 'ines', 0, 0, 0, 0, '2026-11-26', 0)")]
    [InlineData("INSERT OR REPLACE INTO Revisions (Id, ProcedureId, Letter, State, AuthorId, Seq, Stops, Warnings, StepCount, ChangedAt, Stamp) VALUES (9, 1, 'A', 'Draft', 'ines', 0, 0, 0, 0, '2026-11-26', 0)")]
    [InlineData("INSERT INTO Revisions (ProcedureId, Letter, State, AuthorId, Seq, Stops, Warnings, StepCount, ChangedAt, Stamp) VALUES (1, 'B', 'Released', 'ines', 0, 0, 0, 0, '2026-11-26', 0)")]
    [InlineData("UPDATE Procedures SET Title = 'Another'")]
    [InlineData("UPDATE Procedures SET Number = '2'")]
    [InlineData("DELETE FROM Procedures")]
    [InlineData("INSERT OR REPLACE INTO Procedures (Id, Number, Title, Platform, CreatedAt) VALUES (1, '1', 'Another', '', '2026-11-26')")]
    [InlineData("INSERT OR REPLACE INTO Procedures (Id, Number, Title, Platform, CreatedAt) VALUES (8, '1', 'Another', '', '2026-11-26')")]
    [InlineData("INSERT INTO Edits (RevisionId, Seq, PersonId, At, Kind, ClientId, Label, Format, Delta) VALUES (1, 3, 'ines', '2026-11-26', 'Edit', 'c3', 'late', 2, x'01')")]
    [InlineData("UPDATE Edits SET Label = 'z'")]
    [InlineData("DELETE FROM Edits WHERE Seq = 2")]
    [InlineData("UPDATE Events SET Who = 'Odo (odo)'")]
    [InlineData("DELETE FROM Events")]
    [InlineData("INSERT OR REPLACE INTO Events (Id, RevisionId, Kind, PersonId, Who, At, Text) SELECT Id, RevisionId, Kind, PersonId, 'Odo (odo)', At, Text FROM Events")]
    [InlineData("UPDATE Waivers SET Reason = 'other'")]
    [InlineData("DELETE FROM Waivers")]
    [InlineData("INSERT OR REPLACE INTO Waivers (Id, RevisionId, \"Key\", Seal, PersonId, Who, At, Reason) SELECT Id, RevisionId, \"Key\", Seal, PersonId, Who, At, 'other' FROM Waivers")]
    [InlineData("UPDATE ValueChecks SET \"Read\" = '54 N·m'")]
    [InlineData("DELETE FROM ValueChecks")]
    [InlineData("INSERT OR REPLACE INTO ValueChecks (Id, RevisionId, Joint, Seal, \"Read\", Agrees, PersonId, Who, At) SELECT Id, RevisionId, Joint, Seal, '54 N·m', Agrees, PersonId, Who, At FROM ValueChecks")]
    [InlineData("UPDATE Workshops SET Json = '[]'")]
    [InlineData("DELETE FROM Workshops")]
    [InlineData("INSERT OR REPLACE INTO Workshops (Version, PersonId, At, Format, Json) VALUES (1, 'ines', '2026-11-26', 2, '[]')")]
    [InlineData("DELETE FROM Contributions")]
    [InlineData("UPDATE OR REPLACE Contributions SET PersonId = 'odo'")]
    public async Task What_was_released_and_what_is_on_record_cannot_be_changed_by_anybody(string sql)
    {
        await using var store = await ReleasedAsync();
        await using var db = store.Open();
        await RunAsync(db, "INSERT INTO AspNetUsers (Id, UserName, NormalizedUserName, DisplayName, NameKey, EmailConfirmed, PhoneNumberConfirmed, TwoFactorEnabled, LockoutEnabled, AccessFailedCount) VALUES ('odo', 'odo', 'ODO', 'Odo', 'ODO', 0, 0, 0, 0, 0)");
        var before = await WholeAsync(db);
        (await Should.ThrowAsync<SqliteException>(() => RunAsync(db, sql))).SqliteErrorCode.ShouldBe(19);
        (await WholeAsync(db)).ShouldBe(before);
    }

    // The trail is only added to; what a database is, that a session ended, a link or a code was used, stays.
    [Theory]
    [InlineData("UPDATE Audit SET Who = 'somebody else'")]
    [InlineData("DELETE FROM Audit")]
    [InlineData("INSERT OR REPLACE INTO Audit (Id, At, Kind, Who, Whom, Address, Text) SELECT Id, At, Kind, 'somebody else', Whom, Address, Text FROM Audit")]
    [InlineData("UPDATE Facts SET Value = 'demo'")]
    [InlineData("DELETE FROM Facts WHERE Name = 'kind'")]
    [InlineData("INSERT OR REPLACE INTO Facts (Name, Value) VALUES ('kind', 'demo')")]
    [InlineData("UPDATE Sessions SET EndedAt = NULL")]
    [InlineData("UPDATE Invitations SET UsedAt = NULL")]
    [InlineData("UPDATE RecoveryCodes SET UsedAt = NULL")]
    public async Task What_is_written_down_of_access_cannot_be_changed_by_anybody(string sql)
    {
        await using var store = await ReleasedAsync();
        await using var db = store.Open();
        string[] rows =
        [
            "INSERT INTO Audit (At, Kind, Who, Whom, Address, Text) VALUES ('2026-11-27', 'SignedIn', 'Ines (ines)', '', '127.0.0.1', '')",
            "INSERT INTO Facts (Name, Value) VALUES ('kind', 'real')",
            "INSERT INTO Sessions (KeyHash, PersonId, BegunAt, SeenAt, EndsAt, EndedAt, Why, Address, Browser, WithFactor) VALUES ('a', 'ines', '2026-11-27', '2026-11-27', '2026-11-28', '2026-11-27', 'SignedOut', '', '', 0)",
            "INSERT INTO Invitations (TokenHash, PersonId, At, EndsAt, UsedAt) VALUES ('a', 'ines', '2026-11-27', '2026-11-28', '2026-11-27')",
            "INSERT INTO RecoveryCodes (PersonId, CodeHash, UsedAt) VALUES ('ines', 'a', '2026-11-27')",
        ];
        foreach (var row in rows) await RunAsync(db, row);
        (await Should.ThrowAsync<SqliteException>(() => RunAsync(db, sql))).SqliteErrorCode.ShouldBe(19);
    }

    // While it is a draft its log is a log all the same.
    [Theory]
    [InlineData("INSERT OR REPLACE INTO Edits (Id, RevisionId, Seq, PersonId, At, Kind, ClientId, Label, Format, Delta) SELECT Id, RevisionId, Seq, PersonId, At, Kind, ClientId, 'z', Format, Delta FROM Edits WHERE Seq = 1")]
    [InlineData("INSERT OR REPLACE INTO Edits (RevisionId, Seq, PersonId, At, Kind, ClientId, Label, Format, Delta) VALUES (1, 1, 'ines', '2026-11-26', 'Edit', 'other', 'z', 2, x'01')")]
    [InlineData("UPDATE OR REPLACE Edits SET Seq = 1 WHERE Seq = 2")]
    [InlineData("DELETE FROM Edits")]
    [InlineData("UPDATE Revisions SET State = 'Released'")]
    [InlineData("UPDATE Revisions SET State = 'Withdrawn'")]
    [InlineData("UPDATE Snapshots SET RevisionId = 5")]
    [InlineData("DELETE FROM Revisions")]
    public async Task The_log_of_a_draft_only_grows_and_a_draft_is_not_released_past_its_review(string sql)
    {
        await using var store = await ReleasedAsync(release: false);
        await using var db = store.Open();
        var before = await WholeAsync(db);
        await Should.ThrowAsync<SqliteException>(() => RunAsync(db, sql));
        (await WholeAsync(db)).ShouldBe(before);
    }

    [Fact]
    public async Task A_waiver_is_taken_back_once_and_the_ways_that_are_allowed_are_open()
    {
        await using var store = await ReleasedAsync();
        await using var db = store.Open();
        await RunAsync(db, "UPDATE Waivers SET TakenBackBy = 'ines'");
        await Should.ThrowAsync<SqliteException>(() => RunAsync(db, "UPDATE Waivers SET TakenBackBy = NULL"));
        await RunAsync(db, "UPDATE Revisions SET State = 'Superseded'");
        await Should.ThrowAsync<SqliteException>(() => RunAsync(db, "UPDATE Revisions SET State = 'Released'"));
    }

    [Fact]
    public async Task Guards_taken_out_are_put_back_at_the_next_start()
    {
        await using var store = await ReleasedAsync();
        await using var db = store.Open();
        await RunAsync(db, "DROP TRIGGER Edits_Stand");
        await StoreSetup.MigrateAsync(db);
        await Should.ThrowAsync<SqliteException>(() => RunAsync(db, "UPDATE Edits SET Label = 'z'"));
    }

    private static async Task<string> WholeAsync(WornPathDb db)
    {
        var all = new List<string>();
        foreach (var table in (string[])["Snapshots", "Revisions", "Procedures", "Edits", "Events", "Waivers", "ValueChecks", "Workshops", "Contributions"])
        {
            var columns = await db.Database.SqlQueryRaw<string>($"SELECT name AS Value FROM pragma_table_info('{table}')").ToListAsync();
            all.AddRange(await db.Database.SqlQueryRaw<string>($"SELECT {string.Join(" || '|' || ", columns.Select(c => $"quote(\"{c}\")"))} AS Value FROM {table} ORDER BY 1").ToListAsync());
        }

        return string.Join('\n', all);
    }
}
