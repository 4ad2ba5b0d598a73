using System.Collections.Concurrent;
using System.Globalization;
using System.Net;
using WornPath.Core.Editing;

namespace WornPath.Web.Tests;

/// <summary>The real server as a process of its own, killed again and again without warning while eight authors write.</summary>
public sealed class KilledServerTests(ITestOutputHelper output)
{
    private const int Authors = 8;

    // WORNPATH_KILLS=300 for the long run whose figures stand in docs/benchmarks.md.
    private static readonly int Kills = int.TryParse(Environment.GetEnvironmentVariable("WORNPATH_KILLS"), NumberStyles.None, CultureInfo.InvariantCulture, out var kills) ? kills : 40;

    [Fact]
    public async Task Kills_under_eight_authors_lose_no_acknowledged_edit()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-kill-").FullName;
        var acknowledged = new ConcurrentQueue<string>();
        var random = new Random(20261124);
        // Signed in once: cookies and tokens outlive the server, its keys being kept beside the database.
        var sessions = Enumerable.Range(0, Authors).Select(_ => new HttpClientHandler { CookieContainer = new CookieContainer() }).ToList();
        var tokens = new string[Authors];
        int shared = 0, number = 0, underWay = 0;
        for (var kill = 0; kill <= Kills; kill++)
        {
            var port = RealServer.FreePort();
            using var server = RealServer.Start(data, port);
            try
            {
                var authors = sessions.Select(s => AuthorAt(port, s)).ToList();
                await RealServer.UpAsync(authors[0].Http);
                if (kill == 0) shared = await BeginAsync(authors, tokens);
                else
                    for (var i = 0; i < Authors; i++) authors[i].Http.DefaultRequestHeaders.Add("X-CSRF-TOKEN", tokens[i]);
                var revision = await authors[0].RevisionAsync(shared);
                var texts = revision.Sheet.Steps.Select(s => s.Text).ToHashSet();
                acknowledged.Where(t => !texts.Contains(t)).ShouldBeEmpty($"after kill {kill}");
                if (kill > 0 && kill % 50 == 0) output.WriteLine($"{kill} kills: {acknowledged.Count:N0} acknowledged, none lost");
                if (kill == Kills) break;

                var phase = revision.Sheet.Phases!.Value[0].Id;
                // Some moment after the first is acknowledged the server dies under the others.
                var moment = random.Next(1, 120);
                var dying = 0;
                await Task.WhenAll(authors.Select(author => Task.Run(async () =>
                {
                    while (true)
                    {
                        var text = $"Clean face {Interlocked.Increment(ref number)}.";
                        try
                        {
                            Interlocked.Increment(ref underWay);
                            using var answer = await author.TryEditAsync(shared, new InsertStep(null, phase, null, text));
                            if (answer.StatusCode != HttpStatusCode.OK) throw new InvalidOperationException($"{answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
                            acknowledged.Enqueue(text);
                            if (Interlocked.Exchange(ref dying, 1) == 0) _ = Task.Delay(moment).ContinueWith(_ => server.Kill(), TaskScheduler.Default);
                        }
                        catch (HttpRequestException)
                        {
                            return;
                        }
                    }
                })));
            }
            finally
            {
                if (!server.HasExited) server.Kill();
                await server.WaitForExitAsync();
            }
        }

        output.WriteLine($"{Kills} kills under {Authors} authors: {underWay:N0} edits sent, {acknowledged.Count:N0} acknowledged, none of these lost");
        acknowledged.Count.ShouldBeGreaterThanOrEqualTo(Kills);
        Store.Backup.Damage(Path.Combine(data, Store.Backup.Database)).ShouldBeNull();
        Directory.Delete(data, recursive: true);
    }

    private static Somebody AuthorAt(int port, HttpClientHandler browser)
    {
        var again = new SayingAgain { InnerHandler = browser };
        return new Somebody(new HttpClient(again, disposeHandler: false)
        {
            BaseAddress = new Uri($"http://127.0.0.1:{port}"),
            Timeout = TimeSpan.FromSeconds(30)
        }, browser.CookieContainer, again);
    }

    // Eight people of their own, on one procedure.
    private static async Task<int> BeginAsync(List<Somebody> authors, string[] tokens)
    {
        await authors[0].EnterAsync("admin");
        for (var i = 0; i < Authors; i++)
            await authors[0].InviteAsync(authors[1 + i % (Authors - 1)], $"author{i}", $"Author {(char)('A' + i)}", "author");
        for (var i = 0; i < Authors; i++) await authors[i].EnterAsync($"author{i}", "long-enough-1");
        for (var i = 0; i < Authors; i++) tokens[i] = authors[i].Http.DefaultRequestHeaders.GetValues("X-CSRF-TOKEN").Single();
        var id = await authors[0].NewAsync("K-1");
        for (var i = 1; i < Authors; i++) await authors[0].ShareAsync(id, $"Author {(char)('A' + i)}");
        return id;
    }
}
