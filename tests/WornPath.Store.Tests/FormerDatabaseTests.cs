using System.Text.Json;
using WornPath.Core.Findings;
using WornPath.Core.Workshops;
using System.IO.Compression;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Store.Tests;

/// <summary>A workshop's database of the version before is brought along with everything in it.</summary>
public sealed class FormerDatabaseTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("wornpath-former-").FullName;

    private string Former(string before = "trust")
    {
        var to = Path.Combine(_folder, Backup.Database);
        using var zipped = new GZipStream(File.OpenRead(Path.Combine(Root, "tests", "fixtures", $"database-before-{before}.db.gz")), CompressionMode.Decompress);
        using var file = File.Create(to);
        zipped.CopyTo(file);
        return to;
    }

    private static string Root
    {
        get
        {
            var at = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(at, "WornPath.slnx"))) at = Path.GetDirectoryName(at)!;
            return at;
        }
    }

    private static WornPathDb Open(string file)
    {
        var options = new DbContextOptionsBuilder<WornPathDb>();
        StoreSetup.Configure(options, file);
        return new WornPathDb(options.Options);
    }

    [Fact]
    public async Task Sheets_logs_checks_and_people_are_all_there_and_what_is_new_is_filled_in()
    {
        await using var db = Open(Former());
        await StoreSetup.MigrateAsync(db);
        var log = new DraftLog(db);
        var ids = await db.Revisions.OrderBy(r => r.Id).Select(r => r.Id).ToListAsync();
        ids.ShouldBe([1, 2, 3, 4, 5, 6]);
        foreach (var id in ids)
        {
            var sheet = (await log.LoadAsync(id))!.Sheet;
            sheet.Reader.ShouldBe(1);
            sheet.Steps.ShouldNotBeEmpty();
        }

        // A draft of nine edits, written by two: its log is read, the one who began the procedure owns it, the other writes along.
        (await log.LoadAsync(5))!.Sheet.Steps.Select(s => s.Text).ShouldContain("Torque the strut bolts to 45 N·m.");
        async Task<string> AccountAsync(string id) => (await db.Users.SingleAsync(p => p.Id == id)).UserName!;
        var authorship = await log.AuthorshipAsync(5);
        (await AccountAsync(authorship.Owner)).ShouldBe("ines");
        (await AccountAsync(authorship.CoAuthors.Single())).ShouldBe("marta");

        // Revision B of the spacers, revised by Marta: Ines wrote what was carried over.
        var writers = await Task.WhenAll((await log.WritersAsync(6)).Select(AccountAsync));
        writers.Order().ShouldBe(["ines", "marta"]);
        (await log.WritersAsync(4)).Count.ShouldBe(1, "what Marta wrote later is not in A");

        // Values read before seals covered the fastener hold for what was released, and are read again in what is open.
        (await log.ChecksAsync(4)).ShouldNotBeEmpty();
        (await log.ChecksAsync(2)).ShouldBeEmpty();
        ValueChecks.VerifiedBy((await log.LoadAsync(4))!.Sheet, await log.ChecksAsync(4)).ShouldBe("Odo Brandt (odo)");

        // The workshop as it was written then, without what it has got since.
        var settings = await db.Workshops.OrderBy(w => w.Version).LastAsync();
        var workshop = JsonSerializer.Deserialize<Core.Workshops.Workshop>(settings.Json, Core.Sheets.SheetJson.Options)!;
        (workshop.Crib.IsEmpty, workshop.HandTools.IsDefault, workshop.HandTools.Length).ShouldBe((false, false, 0));

        // Two people of one name are told apart.
        var names = await db.Users.OrderBy(p => p.UserName).Select(p => p.DisplayName).ToListAsync();
        names.ShouldContain("Marta Holm");
        names.Single(n => n != "Marta Holm" && n.StartsWith("Marta Holm", StringComparison.Ordinal)).ShouldMatch(@"^Marta Holm \(marta2?\)$");
        (await db.Events.Select(e => e.Who).Distinct().ToListAsync()).ShouldBe(["Ines Aldaro (ines)", "Odo Brandt (odo)", "Marta Holm (marta)"], ignoreOrder: true);
        (await db.Database.SqlQueryRaw<string>("SELECT name AS Value FROM sqlite_master WHERE type = 'trigger'").ToListAsync()).ShouldBe(Guards.All.Keys, ignoreOrder: true);
    }

    // The draft of a former database, read by the new reader once and not again; what was released is left.
    private async Task<Core.Sheets.Sheet> ReadOnceAsync(string name)
    {
        var file = Former(name);
        await using (var db = Open(file))
        {
            await StoreSetup.MigrateAsync(db);
            var released = await db.Revisions.CountAsync(r => r.State == RevisionState.Released);
            var at = new DateTime(2026, 11, 26, 12, 0, 0, DateTimeKind.Utc);
            (await RestoredSheets.ReadByNewReaderAsync(db, at)).ShouldBeGreaterThan(0);
            (await RestoredSheets.ReadByNewReaderAsync(db, at.AddMinutes(1))).ShouldBe(0);
            (await db.Revisions.CountAsync(r => r.State == RevisionState.Released)).ShouldBe(released);
        }

        await using var again = Open(file);
        (await again.Snapshots.AsNoTracking().SingleAsync(s => s.RevisionId == 5)).Format.ShouldBe(SheetFormat.Newest);
        var sheet = (await new DraftLog(again).LoadAsync(5))!.Sheet;
        sheet.Reader.ShouldBe(Core.Reading.SentenceReader.Version);
        return sheet;
    }

    [Fact]
    public async Task Drafts_of_the_first_reader_are_read_by_the_second_once_and_their_authors_are_shown_what_differs()
    {
        var sheet = await ReadOnceAsync("reading");
        // What was asked is known now; what was read stays, and where the words say more it is told.
        sheet.Steps.ShouldAllBe(s => s.Questions.IsEmpty);
        sheet.Joints.Select(j => j.Name).ShouldBe(["strut bolts", "bracket screws"]);
        var passes = sheet.Steps.Single(s => s.Text.StartsWith("Torque the strut bolts", StringComparison.Ordinal));
        passes.Actions.Select(a => a.Verb).ShouldBe([Verb.TorquePass, Verb.Torque]);
        passes.SentenceSays.ShouldBe("torque J1 strut bolts to 50 N·m, then 95 N·m");
    }

    [Fact]
    public async Task Drafts_of_the_second_reader_are_read_by_the_third_once_and_their_authors_are_shown_what_differs()
    {
        var sheet = await ReadOnceAsync("shop-talk");
        Core.Sheets.Step Of(string text) => sheet.Steps.Single(s => s.Text == text);
        // What it carries stays; what the sentence says now stands beside it.
        Of("Undo the two guard bolts and lift the guard off.").SentenceSays.ShouldBeNull();
        Of("Remove and discard the gasket.").Actions.Select(a => a.Verb).ShouldBe([Verb.Remove]);
        Of("Remove and discard the gasket.").SentenceSays.ShouldBe("remove P2 gasket, discard P2 gasket");
        Of("After fifty miles, retorque the guard bolts to 22 N·m.").SentenceSays.ShouldBe("retorque J1 guard bolts to 22 N·m, After fifty miles");
        sheet.Joints.Select(j => j.Name).ShouldBe(["guard bolts"]);
    }

    [Fact]
    public async Task Drafts_of_the_third_reader_are_read_by_the_fourth_and_keep_what_their_authors_said()
    {
        var file = Former("authors-word");
        await using (var db = Open(file))
        {
            await StoreSetup.MigrateAsync(db);
            // The log as it was, with the edit that said what a clause means, and the snapshot it leads to.
            var logged = (await new DraftLog(db).LoadAsync(5))!.Sheet;
            logged.Steps.Single(s => s.Text == "Frob the plate gently.").Said.ShouldHaveSingleItem();
            (await RestoredSheets.ReadByNewReaderAsync(db, new DateTime(2026, 11, 26, 12, 0, 0, DateTimeKind.Utc))).ShouldBeGreaterThan(0);
        }

        await using var again = Open(file);
        (await again.Snapshots.AsNoTracking().SingleAsync(s => s.RevisionId == 5)).Format.ShouldBe(SheetFormat.Newest);
        var sheet = (await new DraftLog(again).LoadAsync(5))!.Sheet;
        sheet.Reader.ShouldBe(Core.Reading.SentenceReader.Version);
        var said = sheet.Steps.Single(s => s.Text == "Frob the plate gently.");
        said.Actions.ShouldHaveSingleItem().Target.ShouldBe("P1");
        said.SentenceSays.ShouldBeNull();
        said.Said.ShouldHaveSingleItem().Words.ShouldBe("frob the plate gently");
    }

    [Fact]
    public async Task Drafts_of_the_fourth_reader_are_read_by_the_fifth_once_and_their_authors_are_shown_what_differs()
    {
        var sheet = await ReadOnceAsync("sizes");
        Core.Sheets.Step Of(string text) => sheet.Steps.Single(s => s.Text == text);
        Of("Disconnect the battery.").Actions.Select(a => a.Verb).ShouldBe([Verb.Remove]);
        Of("Disconnect the battery.").SentenceSays.ShouldBe("disconnect C1 battery leads");
        Of("Install the winch using the supplied bolts.").SentenceSays.ShouldNotBeNull().ShouldContain("winch");
        Of("Undo the two rail bolts and lift the rail off.").SentenceSays.ShouldBeNull();
        sheet.Parts.Select(p => p.Name).ShouldContain("x");
    }

    [Fact]
    public async Task Drafts_of_the_fifth_reader_are_read_by_the_sixth_once_and_their_authors_are_shown_what_differs()
    {
        var sheet = await ReadOnceAsync("shop-notes");
        Core.Sheets.Step Of(string text) => sheet.Steps.Single(s => s.Text == text);
        Of("Spin the bowl on and give it an eighth more.").SentenceSays.ShouldBe("fit P6 bowl");
        Of("Inner brg in drum, seal on top.").Actions.Select(a => (a.Verb, a.Target)).ShouldContain((Verb.Fit, "P5"));
        Of("Undo the two cover bolts and lift the cover off.").SentenceSays.ShouldBeNull();
        Of("All four bolts in.").SentenceSays.ShouldBeNull();
        sheet.Parts.Select(p => p.Name).ShouldContain("outer brg");
    }

    [Fact]
    public async Task Drafts_of_the_sixth_reader_are_read_by_the_seventh_once_and_a_waiver_of_form_7_still_holds()
    {
        var sheet = await ReadOnceAsync("judgement");
        Core.Sheets.Step Of(string text) => sheet.Steps.Single(s => s.Text == text);
        Of("Draw 20 mL of brake fluid out of the reservoir.").SentenceSays.ShouldBe("drain F1 brake fluid");
        Of("Unscrew both guide pin bolts.").SentenceSays.ShouldBeNull();
        await using var db = Open(Path.Combine(_folder, Backup.Database));
        var waiver = await db.Waivers.AsNoTracking().SingleAsync();
        var log = new DraftLog(db);
        var reviewed = (await log.LoadAsync(waiver.RevisionId))!.Sheet;
        var findings = WalkSet.Run(reviewed, Core.Workshops.Workshop.Default).Findings;
        var given = new Core.Findings.Waiver(waiver.Id, waiver.Key, waiver.Seal, waiver.Who, waiver.At, waiver.Reason);
        Core.Revisions.Waivers.Apply(findings, reviewed, [given]).Single(f => f.Rule == "THR003").Waiver.ShouldBe(given);
        // And falls away as soon as what it was given for is another.
        var joint = reviewed.Joints[0];
        var changed = Core.Editing.Editor.Apply(reviewed, new Core.Editing.SetField(joint.Id, "torque", "5 N·m", "6 N·m")).Value.Sheet;
        Core.Revisions.Waivers.Apply(WalkSet.Run(changed, Core.Workshops.Workshop.Default).Findings, changed, [given]).ShouldAllBe(f =>
            f.Waiver == null);
    }

    [Fact]
    public async Task Drafts_of_the_seventh_reader_are_read_by_the_eighth_once_and_their_authors_are_shown_what_differs()
    {
        var sheet = await ReadOnceAsync("nearby");
        Core.Sheets.Step Of(string text) => sheet.Steps.Single(s => s.Text.StartsWith(text, StringComparison.Ordinal));
        Of("Hold the frame").Actions.Select(a => (a.Verb, a.Target)).ShouldBe([(Verb.TakeOut, "J3")]);
        Of("Unbolt both covers").SentenceSays.ShouldNotBeNull().ShouldContain("set aside P3 covers");
        Of("Torque the pump bolts").SentenceSays.ShouldBeNull();
        sheet.Joints[0].Fastener!.ToString().ShouldBe("M8×35 8.8 bolt, 13 mm");
    }

    [Fact]
    public async Task Drafts_of_the_eighth_reader_are_read_by_the_ninth_once_and_their_authors_are_shown_what_differs()
    {
        var sheet = await ReadOnceAsync("old-names");
        Core.Sheets.Step Of(string text) => sheet.Steps.Single(s => s.Text.StartsWith(text, StringComparison.Ordinal));
        Of("Take out the old").SentenceSays.ShouldBe("take out J2 old cover bolts");
        Of("Raise the rear axle").Actions.Select(a => a.Verb).ShouldBe([Verb.Raise]);
        Of("Raise the left side").Questions.ShouldBeEmpty();
        Of("Remove the cover").SentenceSays.ShouldBeNull();
    }

    [Fact]
    public async Task Drafts_of_the_ninth_reader_are_read_by_the_tenth_once_and_their_authors_are_shown_what_differs()
    {
        var sheet = await ReadOnceAsync("sources");
        Core.Sheets.Step Of(string text) => sheet.Steps.Single(s => s.Text.StartsWith(text, StringComparison.Ordinal));
        Of("You will need to").Actions.Select(a => a.Verb).ShouldBe([Verb.Remove]);
        Of("Lock the guard bolts").SentenceSays.ShouldNotBeNull().ShouldStartWith("lock J3 guard bolts");
        Of("Remove the two cover bolts").SentenceSays.ShouldBeNull();
    }

    [Fact]
    public async Task A_database_from_before_figures_opens_and_takes_one()
    {
        var file = Former("figures");
        await using var db = Open(file);
        await StoreSetup.MigrateAsync(db);
        var log = new DraftLog(db);
        foreach (var id in await db.Revisions.Select(r => r.Id).ToListAsync())
            (await log.LoadAsync(id))!.Sheet.Steps.ShouldAllBe(s => s.Shows == null);
        var stored = (await log.LoadAsync(1))!;
        var first = stored.Sheet.Steps.First();
        var figure = new Core.Sheets.Figure
        {
            Id = "f1",
            Picture = new(new string('a', 64) + ".png", 400, 300),
            Balloons = [new(new(1, 2), new(3,
            4), "J1", "", true)]
        };
        var applied = Core.Editing.Editor.Apply(stored.Sheet, new Core.Editing.PutFigure(first.Id, null, figure)).Value;
        using var writer = new EditWriter(() => StoreSetup.OpenForWriting(file), TimeProvider.System);
        var person = (await db.Revisions.AsNoTracking().SingleAsync(r => r.Id == 1)).AuthorId;
        writer.Append(1, new LogLine(stored.Seq + 1, person, EntryKind.Edit, null, "new figure", "client-new"), applied.Delta, applied.Sheet, [],
            snapshot: false);
        (await log.LoadAsync(1))!.Sheet.FindStep(first.Id)!.Figures.Single().Balloons.ShouldBe(figure.Balloons);
    }

    [Fact]
    public async Task What_is_open_is_read_anew_once_by_a_new_reader_though_the_form_is_the_same()
    {
        await using var db = Open(Former("held-parts"));
        await StoreSetup.MigrateAsync(db);
        var log = new DraftLog(db);
        var drafts = await db.Revisions.Where(r => r.State == RevisionState.Draft).Select(r => r.Id).ToListAsync();
        drafts.ShouldNotBeEmpty();
        foreach (var id in drafts) (await log.LoadAsync(id))!.Sheet.Reader.ShouldBe(13);
        var at = new DateTime(2026, 11, 29, 12, 0, 0, DateTimeKind.Utc);
        await RestoredSheets.ReadByNewReaderAsync(db, at);
        foreach (var id in drafts) (await log.LoadAsync(id))!.Sheet.Reader.ShouldBe(Core.Reading.SentenceReader.Version);
        (await db.Facts.SingleAsync(f => f.Name == "reader")).Value.ShouldBe($"{Core.Reading.SentenceReader.Version}");
        (await RestoredSheets.ReadByNewReaderAsync(db, at)).ShouldBe(0);
    }

    [Fact]
    public async Task A_former_database_that_is_brought_up_twice_is_the_same_and_takes_edits()
    {
        var file = Former();
        await using (var db = Open(file)) await StoreSetup.MigrateAsync(db);
        await using var again = Open(file);
        await StoreSetup.MigrateAsync(again);
        var log = new DraftLog(again);
        var stored = (await log.LoadAsync(5))!;
        using var writer = new EditWriter(() => StoreSetup.OpenForWriting(file), TimeProvider.System);
        var person = (await log.LinesAsync(5))[0].PersonId;
        var applied = Core.Editing.Editor.Apply(stored.Sheet, new Core.Editing.InsertStep("n1", stored.Sheet.Phases[0].Id, null, "Clean the strut.")).Value;
        writer.Append(5, new LogLine(stored.Seq + 1, person, EntryKind.Edit, null, "new step", "client-new"), applied.Delta, applied.Sheet, [], snapshot: true);
        (await log.LoadAsync(5))!.Sheet.Steps.First().Text.ShouldBe("Clean the strut.");
        (await again.Snapshots.AsNoTracking().SingleAsync(s => s.RevisionId == 5)).Format.ShouldBe(SheetFormat.Newest);
    }

    [Fact]
    public async Task A_database_of_a_later_program_is_refused_plainly_and_left_as_it_is()
    {
        var file = Former();
        await using var db = Open(file);
        await StoreSetup.MigrateAsync(db);
        await db.Database.ExecuteSqlRawAsync("INSERT INTO __EFMigrationsHistory VALUES ('20991231000000_Later', '99.0')");
        await using var older = Open(file);
        (await Should.ThrowAsync<NewerDatabaseException>(() => StoreSetup.MigrateAsync(older))).Message.ShouldContain("20991231000000_Later");
    }

    [Fact]
    public async Task A_database_from_before_comments_takes_them_and_keeps_what_it_has()
    {
        await using var db = Open(Former("comments"));
        await StoreSetup.MigrateAsync(db);
        (await db.Revisions.CountAsync()).ShouldBe(7);
        (await db.Events.CountAsync(e => e.Kind == ReviewEventKind.Sent)).ShouldBeGreaterThan(4);
        (await new DraftLog(db).LoadAsync(7))!.Sheet.Steps.ShouldNotBeEmpty();
        var ines = await db.Users.SingleAsync(p => p.UserName == "ines");
        var comment = new Comment { ProcedureId = (await db.Revisions.SingleAsync(r => r.Id == 7)).ProcedureId, RevisionId = 7, Kind = AnchorKind.Sheet };
        comment.Entries.Add(new CommentEntry
        {
            RevisionId = 7,
            PersonId = ines.Id,
            Who = "Ines",
            At = DateTime.UtcNow,
            Text = "A word.",
            ClientId = "first-of-them"
        });
        db.Comments.Add(comment);
        await db.SaveChangesAsync();
        await Should.ThrowAsync<Exception>(() => db.CommentEntries.ExecuteUpdateAsync(set => set.SetProperty(e => e.Text, "another word")),
            "what is said stays");
    }

    [Theory]
    [InlineData("record")]
    // Nine edits of two authors, of years before.
    [InlineData("trust")]
    public async Task What_was_done_before_there_was_a_record_is_linked_in_its_order_and_stays(string before)
    {
        await using var db = Open(Former(before));
        await StoreSetup.MigrateAsync(db);
        var procedures = await RecordBook.StaleAsync(db, 0, 0);
        procedures.Order().ShouldBe(await db.Procedures.Select(p => p.Id).Order().ToListAsync());
        var count = 0;
        foreach (var procedure in procedures)
        {
            var head = await RecordBook.LinkAsync(db, procedure);
            (await RecordBook.LinkAsync(db, procedure)).ShouldBe(head, "nothing is linked twice");
            var record = await RecordBook.ReadAsync(db, procedure);
            record.Broken.ShouldBeNull();
            record.Lines[^1].Hash.ShouldBe(head);
            record.Lines.Select(l => l.At).ShouldBeInOrder();
            count += record.Lines.Count;
        }

        count.ShouldBe(await db.Events.CountAsync() + await db.Edits.CountAsync());
        (await RecordBook.StaleAsync(db, 0, 0)).ShouldBeEmpty();
        await Should.ThrowAsync<Exception>(() => db.RecordLinks.ExecuteUpdateAsync(set => set.SetProperty(l => l.Hash, "x")), "a link stays");
        await Should.ThrowAsync<Exception>(() => db.RecordLinks.ExecuteDeleteAsync(), "and is not taken out");
        (await db.Signatures.CountAsync()).ShouldBe(0, "what was released before was signed by nobody");
    }

    [Fact]
    public async Task Of_what_was_released_before_it_is_known_from_now_on_who_has_it()
    {
        await using var db = Open(Former("holders"));
        await StoreSetup.MigrateAsync(db);
        (await db.Holdings.CountAsync()).ShouldBe(0);
        (await db.Revisions.CountAsync(r => r.LookAgainBy != null)).ShouldBe(0);
        (await db.Users.CountAsync(p => p.CalendarKeyHash != null)).ShouldBe(0);
        // The guards are in place, and what is new may be written on a released revision.
        var released = await db.Revisions.FirstAsync(r => r.State == RevisionState.Released);
        released.LookAgainBy = new DateOnly(2030, 1, 31);
        db.Holdings.Add(new Holding
        {
            RevisionId = released.Id,
            PersonId = released.AuthorId,
            Kind = HoldingKind.Printed,
            Who = "x",
            First = DateTime.UtcNow,
            Last = DateTime.UtcNow
        });
        await db.SaveChangesAsync();
        await Should.ThrowAsync<Exception>(() => db.Revisions.Where(r => r.Id == released.Id).ExecuteUpdateAsync(s => s.SetProperty(r =>
            r.Letter, "Z")));
    }

    [Fact]
    public async Task What_sheets_of_before_use_is_indexed_once_the_program_is_started_on_them()
    {
        await using var db = Open(Former("uses"));
        (await db.Database.SqlQuery<int>($"SELECT COUNT(*) AS Value FROM ShelfEntries").SingleAsync()).ShouldBe(7, "their words were written by the version before");
        await StoreSetup.MigrateAsync(db);
        var stale = await ShelfWords.StaleAsync(db);
        stale.Order().ShouldBe([1, 2, 3, 4, 5, 6, 7]);
        var log = new DraftLog(db);
        foreach (var id in stale)
        {
            var stored = (await log.LoadAsync(id))!;
            await ShelfWords.WriteAsync(db, id, stored.Sheet, stored.Seq);
        }

        (await ShelfWords.StaleAsync(db)).ShouldBeEmpty();
        var reader = new WhereUsed.Reader(true, null);
        var manual = (await WhereUsed.FindAsync(db, ShelfWords.Match("workshop manual"), UseKind.Document, reader)).Single();
        var (sheets, _) = await WhereUsed.OnAsync(db, [manual.Id], false, reader);
        sheets.Select(s => s.Number).ShouldBe(["OT-104", "OT-126", "OT-311"]);
        // Of three revisions the released one counts.
        sheets.Single(s => s.Number == "OT-126").Letter.ShouldBe("C");
        manual.Sheets.ShouldBe(3);
    }

    [Fact]
    public async Task A_database_from_before_kept_values_keeps_its_workshop_and_its_drafts_take_one()
    {
        await using var db = Open(Former("kept-values"));
        await StoreSetup.MigrateAsync(db);
        var settings = await db.Workshops.SingleAsync();
        var workshop = JsonSerializer.Deserialize<Workshop>(settings.Json, SheetJson.Options)!;
        (settings.Format, workshop.Values.IsDefault, workshop.Values.Length, workshop.Documents.Length).ShouldBe((14, false, 0, 2));
        var log = new DraftLog(db);
        foreach (var id in await db.Revisions.Select(r => r.Id).ToListAsync()) (await log.LoadAsync(id))!.Sheet.Joints.ShouldAllBe(j => j.Kept == null);
        var draft = await db.Revisions.SingleAsync(r => r.Procedure.Number == "OT-150");
        var stored = (await log.LoadAsync(draft.Id))!;
        var value = new KeptValue("Tray cover bolts", 2, stored.Sheet.Joints[0].Torque!, "Sample workshop manual T28, 3rd ed., p. 61");
        var edited = Core.Editing.Editor.Apply(stored.Sheet, value.Take(stored.Sheet.Joints[0])).Value;
        edited.Sheet.Joints[0].Kept.ShouldBe(value.From);
        await ShelfWords.WriteAsync(db, draft.Id, edited.Sheet, stored.Seq);
        (await WhereUsed.FindAsync(db, ShelfWords.Match("tray cover"), UseKind.Value, new WhereUsed.Reader(true, null))).Select(n => n.Name)
            .ShouldBe(["Tray cover bolts, v2"]);
    }

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }
}
