using System.Net;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;
using WornPath.Core.Editing;
using WornPath.Store;
using WornPath.Store.Drafts;

namespace WornPath.Web.Tests;

/// <summary>What the user sees when the disk, the lock, the clock or the file under the database fails, and that nothing acknowledged is lost by it.</summary>
public sealed class FaultTests
{
    private sealed class Clock : TimeProvider
    {
        public TimeSpan Off { get; set; }

        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + Off;
    }

    private static async Task<(Somebody Ines, int Id, string Phase)> DraftAsync(Workshop workshop, string number)
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync(number);
        return (ines, id, (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id);
    }

    private static async Task<string> TroubleAsync(HttpResponseMessage answer)
    {
        var problem = await Somebody.ProblemOf(answer, HttpStatusCode.ServiceUnavailable);
        answer.Headers.RetryAfter.ShouldNotBeNull();
        problem.GetProperty("detail").GetString()!.ShouldContain("stays in this browser");
        return problem.GetProperty("title").GetString()!;
    }

    [Fact]
    public async Task A_database_that_another_process_holds_is_busy_and_the_same_edit_goes_through_afterwards()
    {
        await using var workshop = new Workshop();
        var (ines, id, phase) = await DraftAsync(workshop, "L-1");
        await ines.EditAsync(id, new InsertStep("before", phase, null, "Clean the face."));
        using var other = new SqliteConnection($"Data Source={workshop.Database};Pooling=False");
        other.Open();
        using (var transaction = other.BeginTransaction())
        {
            var watch = System.Diagnostics.Stopwatch.StartNew();
            // Held for thirty seconds and more: each try waits its time and is told, one after the other; reading goes on.
            while (watch.Elapsed < TimeSpan.FromSeconds(30))
            {
                (await TroubleAsync(await ines.TryEditAsync(id, new InsertStep("held", phase, null, "Clean the bore."), "client-held-1"))).ShouldBe("The database is busy.");
                (await ines.TextsAsync(id)).ShouldBe(["Clean the face.", ""], ignoreOrder: true);
            }

            transaction.Rollback();
        }

        await ines.EditAsync(id, new InsertStep("held", phase, null, "Clean the bore."), "client-held-1");
        await ines.EditAsync(id, new InsertStep("held", phase, null, "Clean the bore."), "client-held-1");
        (await ines.TextsAsync(id)).Count(t => t == "Clean the bore.").ShouldBe(1);
    }

    [Fact]
    public async Task A_database_that_can_only_be_read_is_told_plainly_and_reading_goes_on()
    {
        var workshop = new Workshop();
        var (_, id, _) = await DraftAsync(workshop, "L-2");
        await using var replaced = Workshop.With(workshop, services => services.Replace(ServiceDescriptor.Singleton(p =>
            new EditWriter(() => ReadOnly(workshop.Database), p.GetRequiredService<TimeProvider>()))));
        var again = await replaced.As("ines");
        (await TroubleAsync(await again.TryEditAsync(id, new AddThing(Core.Sheets.ThingKind.Part, "cover", false)))).ShouldBe("The server’s database can only be read.");
        (await again.RevisionAsync(id)).Sheet.Things!.Value.ShouldBeEmpty();
    }

    // A file system of its own, as only the superuser makes one: rights alone do not keep him out.
    [Fact]
    public async Task A_folder_that_can_only_be_read_keeps_the_server_from_starting_and_it_says_why()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-read-only-").FullName;
        await RunAsync("mount", "-t", "tmpfs", "-o", "size=16m", "tmpfs", data);
        try
        {
            var port = RealServer.FreePort();
            using (var first = RealServer.Start(data, port))
            {
                using var http = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
                await RealServer.UpAsync(http);
                first.Kill();
                await first.WaitForExitAsync();
            }

            await RunAsync("mount", "-o", "remount,ro", data);
            using var second = RealServer.Start(data, RealServer.FreePort());
            var said = await second.StandardError.ReadToEndAsync();
            await second.WaitForExitAsync();
            second.ExitCode.ShouldBe(3);
            said.ShouldStartWith($"Worn Path does not start. The data folder {data} cannot be written to");
            said.ShouldNotContain("in use by");
        }
        finally
        {
            await RunAsync("umount", data);
            Directory.Delete(data);
        }
    }

    private static async Task RunAsync(string program, params string[] arguments)
    {
        using var process = System.Diagnostics.Process.Start(program, arguments);
        await process.WaitForExitAsync();
        process.ExitCode.ShouldBe(0, $"{program} {string.Join(' ', arguments)}");
    }

    private static SqliteConnection ReadOnly(string file)
    {
        var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA query_only = ON";
        command.ExecuteNonQuery();
        return connection;
    }

    [Fact]
    public async Task A_clock_set_back_while_people_write_changes_no_order_and_loses_nothing()
    {
        var clock = new Clock();
        await using var workshop = Workshop.With(null, services => services.Replace(ServiceDescriptor.Singleton<TimeProvider>(clock)));
        var (ines, id, _) = await DraftAsync(workshop, "L-3");
        var first = (await ines.RevisionAsync(id)).Sheet.Steps.Single().Id;
        var texts = new List<string>();
        for (var i = 0; i < 80; i++)
        {
            clock.Off = TimeSpan.FromHours(i % 3 == 0 ? -30 * i : i);
            var text = $"Clean face {i}.";
            await ines.EditAsync(id, new WriteStep(first, texts.LastOrDefault() ?? "", text));
            texts.Add(text);
        }

        clock.Off = TimeSpan.FromDays(-400);
        await ines.BackAsync(id, "undo");
        workshop.Services.GetRequiredService<Drafting.DraftKeeper>().Outdate(id);
        (await ines.TextsAsync(id)).ShouldBe([texts[^2]]);
        (await ines.PostAsync($"/api/revisions/{id}/send")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await ines.RevisionAsync(id)).Events.Select(e => e.Kind.ToString()).ShouldBe(["Begun", "Sent"]);
    }

    [Fact]
    public async Task A_torn_page_is_told_as_damage_and_no_backup_is_made_of_it()
    {
        var first = new Workshop();
        var (ines, id, phase) = await DraftAsync(first, "L-4");
        for (var i = 0; i < 40; i++) await ines.EditAsync(id, new InsertStep(null, phase, null, $"Clean face {i}. {new string('x', 900)}"));
        var root = RootPage(first.Database, "Edits");
        await using var second = Workshop.With(first, _ => { }, between: () => Tear(first.Database, root));
        var again = await second.As("ines");
        (await TroubleAsync(await again.Http.GetAsync($"/api/revisions/{id}"))).ShouldBe("The server’s database is damaged.");
        var admin = await second.As("admin");
        (await Somebody.ProblemOf(await admin.Http.GetAsync("/api/backup"), HttpStatusCode.InternalServerError)).GetProperty("title").GetString()!.ShouldContain("damaged");
    }

    private static long RootPage(string file, string table)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = $"PRAGMA wal_checkpoint(TRUNCATE); SELECT rootpage FROM sqlite_master WHERE name = '{table}'";
        using var reader = command.ExecuteReader();
        reader.NextResult();
        reader.Read();
        return reader.GetInt64(0);
    }

    // Half of a page is from another write: what a power cut in the middle of one leaves without a journal.
    private static void Tear(string file, long page)
    {
        using var stream = File.Open(file, FileMode.Open);
        stream.Position = (page - 1) * 4096;
        stream.Write(Enumerable.Repeat((byte)0xA5, 2048).ToArray());
    }

    [Fact]
    public async Task The_second_server_on_a_folder_does_not_start_and_names_the_first_and_a_crash_frees_the_folder()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-two-").FullName;
        var port = RealServer.FreePort();
        using var first = RealServer.Start(data, port);
        using var http = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        await RealServer.UpAsync(http);
        using var second = RealServer.Start(data, RealServer.FreePort());
        var said = await second.StandardError.ReadToEndAsync();
        await second.WaitForExitAsync();
        second.ExitCode.ShouldBe(3);
        said.ShouldContain($"in use by the server at http://127.0.0.1:{port} (process {first.Id}");
        (await http.GetAsync("/api/session")).StatusCode.ShouldBe(HttpStatusCode.OK);

        first.Kill();
        await first.WaitForExitAsync();
        var next = RealServer.FreePort();
        using var third = RealServer.Start(data, next);
        using var again = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{next}") };
        await RealServer.UpAsync(again);
        third.Kill();
        await third.WaitForExitAsync();

        // Of a later program: refused before anything is done to it.
        using (var connection = new SqliteConnection($"Data Source={Path.Combine(data, Backup.Database)};Pooling=False"))
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "INSERT INTO __EFMigrationsHistory VALUES ('20991231000000_Later', '99.0')";
            command.ExecuteNonQuery();
        }

        using var older = RealServer.Start(data, RealServer.FreePort());
        (await older.StandardError.ReadToEndAsync()).ShouldContain("Worn Path does not start. The database was written by a later version");
        await older.WaitForExitAsync();
        older.ExitCode.ShouldBe(3);
        Directory.Delete(data, recursive: true);
    }

    [Fact]
    public async Task An_administrator_saves_a_backup_and_what_she_hands_in_is_put_back_at_the_next_start()
    {
        var first = new Workshop();
        var (ines, id, phase) = await DraftAsync(first, "L-5");
        await ines.EditAsync(id, new InsertStep(null, phase, null, "Clean the face."));
        var admin = await first.As("admin");
        var backup = await admin.Http.GetByteArrayAsync("/api/backup");
        await ines.EditAsync(id, new InsertStep(null, phase, null, "Clean the bore."));
        static ByteArrayContent Zip(byte[] bytes) => new(bytes) { Headers = { ContentType = new("application/zip") } };
        await Somebody.ProblemOf(await admin.Http.PostAsync("/api/backup/restore", Zip(backup[..^200])), HttpStatusCode.BadRequest);
        (await admin.Http.PostAsync("/api/backup/restore", Zip(backup))).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await ines.TextsAsync(id)).ShouldContain("Clean the bore.", "what stands goes on until the next start");
        await using var second = Workshop.With(first, _ => { });
        var texts = await (await second.As("ines")).TextsAsync(id);
        texts.ShouldContain("Clean the face.");
        texts.ShouldNotContain("Clean the bore.");
        Directory.GetDirectories(second.Data, "before-restore-*").ShouldHaveSingleItem("what stood is put aside");
    }
}
