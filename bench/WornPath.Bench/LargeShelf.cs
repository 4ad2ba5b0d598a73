using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Entities;

namespace WornPath.Bench;

/// <summary>Ten thousand procedures on the shelf of the real server: searched, narrowed, looked at in the middle, and asked what they have in common.</summary>
internal static class LargeShelf
{
    private const int Procedures = 10_000;

    private static readonly string[] Parts = ["cover", "bracket", "hub", "strut", "lever", "damper", "flange", "caliper", "bearing",
        "bellows", "manifold", "winch", "hose", "spacer", "shaft", "pulley"];
    private static readonly string[] Sides = ["front", "rear", "upper", "lower", "left", "right", "inner", "outer", "main", "spare"];
    private static readonly string[] Verbs = ["Remove", "Clean", "Refit", "Torque", "Inspect", "Loosen", "Support", "Unclip"];

    public static async Task RunAsync()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-shelf-").FullName;
        try
        {
            // The demo first, for its people; then the shelf, written as the program writes it.
            await WithServerAsync(data, _ => Task.CompletedTask);
            var clock = Stopwatch.StartNew();
            await FillAsync(Path.Combine(data, Backup.Database));
            Console.WriteLine($"{Procedures:N0} procedures written with their words in {clock.Elapsed.TotalSeconds:0} s; the database has {new FileInfo(Path.Combine(data, Backup.Database)).Length / 1024 / 1024} MB");
            await WithServerAsync(data, LookAsync);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            Directory.Delete(data, recursive: true);
        }
    }

    private static async Task LookAsync(HttpClient http)
    {
        foreach (var query in (string[])["", "page=125", "sort=title&page=200", "q=bellows", "q=bellows winch lever", "q=b",
            "q=nothing-like-it", "q=HX-77", "state=draft&findings=stop", "mine=true&q=hub", "platform=Sample vehicle 7&q=strut"])
            await TimeAsync(http, query.Length == 0 ? "all of it" : query, $"/api/procedures?{query}", page => page.GetProperty("total").GetInt32());
        foreach (var query in (string[])["kind=document", "q=caliper", "q=M12", "q=M12 80", "kind=joint", "q=manual 7 p. 41", "q=jack&kind=tool", "q=b", "q=nothing-like-it"])
        {
            await TimeAsync(http, $"uses: {query}", $"/api/uses?{query}", page => page.GetProperty("rows").GetArrayLength());
            // The most used of them.
            if ((await http.GetFromJsonAsync<JsonElement>($"/api/uses?{query}")).GetProperty("rows") is var rows && rows.GetArrayLength() > 0)
                await TimeAsync(http, $"  {rows[0].GetProperty("name").GetString()}", $"/api/uses/{rows[0].GetProperty("id").GetInt32()}", _ => rows[0].GetProperty("sheets").GetInt32());
        }
    }

    private static async Task TimeAsync(HttpClient http, string name, string address, Func<JsonElement, int> count)
    {
        var times = new List<double>();
        var total = 0;
        for (var i = 0; i < 60; i++)
        {
            var clock = Stopwatch.StartNew();
            var page = await http.GetFromJsonAsync<JsonElement>(address);
            times.Add(clock.Elapsed.TotalMilliseconds);
            total = count(page);
        }

        times.Sort();
        Console.WriteLine($"  {name,-36} {total,6:N0} found   median {times[30],6:0.0} ms   95 % within {times[56],6:0.0} ms");
    }

    private static async Task WithServerAsync(string data, Func<HttpClient, Task> work)
    {
        var port = EditThroughApi.FreePort();
        using var server = EditThroughApi.Start(data, port);
        try
        {
            using var http = new HttpClient(new HttpClientHandler { CookieContainer = new CookieContainer() }) { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
            await EditThroughApi.EnterAsync(http);
            await work(http);
        }
        finally
        {
            server.Kill();
            await server.WaitForExitAsync();
        }
    }

    private static async Task FillAsync(string database)
    {
        var options = new DbContextOptionsBuilder<WornPathDb>();
        StoreSetup.Configure(options, database);
        var random = new Random(20261127);
        await using var first = new WornPathDb(options.Options);
        var people = await first.Users.Where(p => p.UserName == "ines" || p.UserName == "marta").OrderBy(p => p.UserName)
            .Select(p => p.Id).ToListAsync();
        for (var from = 0; from < Procedures; from += 500)
        {
            await using var db = new WornPathDb(options.Options);
            var sheets = new List<(Revision Revision, Sheet Sheet)>();
            for (var i = from; i < from + 500; i++)
            {
                var sheet = SheetOf(random);
                var author = people[i % 10 == 0 ? 1 : 0];
                var at = DateTime.UtcNow.AddMinutes(-i);
                var procedure = new Procedure
                {
                    Number = $"HX-{i}",
                    Title = $"{Parts[random.Next(Parts.Length)]} and {Parts[random.Next(Parts.Length)]}, job {i}",
                    Platform = $"Sample vehicle {i % 40}",
                    CreatedAt = at
                };
                procedure.Authors.Add(new ProcedureAuthor { PersonId = author, IsOwner = true, GivenById = author, At = at });
                var revision = new Revision
                {
                    Procedure = procedure,
                    Letter = "A",
                    State = RevisionState.Draft,
                    AuthorId = author,
                    Snapshot = new SheetSnapshot { Json = SheetJson.Write(sheet) },
                    Stops = i % 3,
                    Warnings = i % 5,
                    StepCount = 12,
                    ChangedAt = at
                };
                db.Revisions.Add(revision);
                sheets.Add((revision, sheet));
            }

            await db.SaveChangesAsync();
            foreach (var (revision, sheet) in sheets) await ShelfWords.WriteAsync(db, revision.Id, sheet, 0);
        }
    }

    private static Sheet SheetOf(Random random)
    {
        var steps = Enumerable.Range(1, 12).Select(i => new Step
        {
            Id = $"s{i}",
            Text = $"{Verbs[random.Next(Verbs.Length)]} the {Parts[random.Next(Parts.Length)]} from the {Parts[random.Next(Parts.Length)]} and lay it aside."
        }).ToList();
        string Any(string[] of) => of[random.Next(of.Length)];
        var parts = Enumerable.Range(1, 12).Select(i => new Part { Id = $"P{i}", Name = $"{Any(Sides)} {Any(Parts)}" });
        var joints = Enumerable.Range(1, 8).Select(i => new Joint
        {
            Id = $"J{i}",
            Name = $"{Any(Parts)} bolts",
            Fastener = FastenerText.Parse($"M{Any(["6", "8", "10", "12", "14", "16"])}×{random.Next(3, 16) * 5} {Any(["8.8", "10.9"])} bolt").Value,
            Torque = TorqueText.Parse($"{random.Next(2, 30) * 5} N·m").Value,
            Source = $"Sample manual {random.Next(1, 41)}, {Any(["1st", "2nd", "3rd"])} ed., p. {random.Next(1, 200)}",
        });
        return Sheet.Empty with { Parts = [.. parts], Joints = [.. joints], Tools = [new Tool { Id = "T1", Name = "jack" }], Phases = [new Phase { Id = "h1", Name = "Removal", Steps = [.. steps] }] };
    }
}
