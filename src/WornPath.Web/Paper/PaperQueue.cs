using System.Net;
using System.Threading.Channels;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using WornPath.Core;

namespace WornPath.Web.Paper;

/// <summary>How far a PDF is.</summary>
public enum PaperState
{
    Waiting,
    Printing,
    Ready,
    Failed,
}

/// <summary>A PDF somebody asked for.</summary>
/// <param name="Ticket">What to ask for it by.</param>
/// <param name="State">How far it is.</param>
/// <param name="Ahead">How many are made before it.</param>
/// <param name="Name">The name of the file.</param>
/// <param name="Problem">Why it failed and what to do; null where it did not.</param>
public sealed record PaperTicket(Guid Ticket, PaperState State, int Ahead, string Name, Problem? Problem);

/// <summary>
/// The sheets that are being printed: one at a time, in the order they were asked for, and the last that are ready, each for who asked.
/// What the page shows is asked for as that person at the time it prints, so that nothing is printed she may not see then.
/// </summary>
public sealed partial class PaperQueue(PaperBrowser browser, IServer server, TimeProvider time, ILogger<PaperQueue> logger) : BackgroundService
{
    /// <summary>Most that wait.</summary>
    public const int Longest = 40;

    /// <summary>Most one person has waiting.</summary>
    public const int LongestOfOne = 12;

    // Ready ones are fetched at once; what nobody fetches goes.
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);
    private const long MostKept = 96 * 1024 * 1024;

    private sealed class Job
    {
        public Guid Ticket { get; } = Guid.NewGuid();

        public required string Person { get; init; }

        public required string Page { get; init; }

        public required string Name { get; init; }

        /// <summary>Who asks: the cookies and the host of the request.</summary>
        public required (string Cookies, string Host) As { get; init; }

        public PaperState State { get; set; }

        public byte[]? Pdf { get; set; }

        public Problem? Problem { get; set; }

        public DateTimeOffset At { get; set; }
    }

    private readonly Lock _lock = new();
    private readonly List<Job> _jobs = [];
    private readonly Channel<Job> _waiting = Channel.CreateUnbounded<Job>();

    // It asks this server itself and nobody else, and follows nothing.
    private readonly HttpClient _self = new(new SocketsHttpHandler
    {
        UseCookies = false,
        UseProxy = false,
        AllowAutoRedirect = false,
        AutomaticDecompression = DecompressionMethods.None
    });

    /// <summary>True where PDFs can be made here.</summary>
    public bool Can => browser.Program is not null && Address is not null;

    // Where this server hears itself; null where it only speaks https or nothing the network knows.
    private Uri? Address
    {
        get
        {
            foreach (var address in server.Features.Get<IServerAddressesFeature>()?.Addresses ?? [])
                if (BindingAddress.Parse(address) is { Scheme: "http", IsUnixPipe: false, IsNamedPipe: false } bound)
                    return new Uri($"http://{(bound.Host is "+" or "*" or "0.0.0.0" ? "127.0.0.1" : bound.Host == "[::]" ? "[::1]" : bound.Host)}:{bound.Port}");
            return null;
        }
    }

    /// <summary>Takes a sheet into the queue.</summary>
    public Outcome<PaperTicket> Ask(string person, string page, string name, HttpRequest request)
    {
        if (!Can) return PaperBrowser.None;
        var job = new Job
        {
            Person = person,
            Page = page,
            Name = name,
            As = (request.Headers.Cookie.ToString(), request.Host.Value ?? ""),
            At = time.GetUtcNow()
        };
        lock (_lock)
        {
            Drop();
            var open = _jobs.Where(j => j.State is PaperState.Waiting or PaperState.Printing).ToList();
            var own = open.Count(j => j.Person == person);
            if (own >= LongestOfOne || open.Count >= Longest)
                return new Problem(own >= LongestOfOne ? $"{own} sheets of yours are waiting to be printed." : $"{open.Count} sheets are waiting to be printed.",
                    "Wait until some of them are ready, then ask again.");
            _jobs.Add(job);
            _waiting.Writer.TryWrite(job);
            return Says(job);
        }
    }

    /// <summary>How far a PDF is; null where this person asked for none by that ticket, or it is gone.</summary>
    public PaperTicket? Find(Guid ticket, string person)
    {
        lock (_lock) return _jobs.Find(j => j.Ticket == ticket && j.Person == person) is { } job ? Says(job) : null;
    }

    /// <summary>The PDF itself; null where it is not ready.</summary>
    public byte[]? Take(Guid ticket, string person)
    {
        lock (_lock) return _jobs.Find(j => j.Ticket == ticket && j.Person == person)?.Pdf;
    }

    public override void Dispose()
    {
        _self.Dispose();
        base.Dispose();
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await foreach (var job in _waiting.Reader.ReadAllAsync(stoppingToken))
        {
            lock (_lock) job.State = PaperState.Printing;
            Outcome<byte[]> printed;
            try
            {
                printed = await browser.PrintAsync(job.Page, (path, cancel) => AnswerAsync(job, path, cancel), stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // A fault of ours with one sheet is on record, and neither the others nor the server go down with it.
                LogFault(job.Page, e);
                printed = PaperBrowser.Failed;
            }

            lock (_lock)
            {
                job.State = printed.IsGood ? PaperState.Ready : PaperState.Failed;
                (job.Pdf, job.Problem) = printed.IsGood ? (printed.Value, null) : ((byte[]?)null, printed.Problem);
                job.At = time.GetUtcNow();
                Drop();
            }
        }
    }

    private async Task<HttpResponseMessage> AnswerAsync(Job job, string pathAndQuery, CancellationToken cancel)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, new Uri(Address!, pathAndQuery));
        request.Headers.TryAddWithoutValidation("Cookie", job.As.Cookies);
        request.Headers.Host = job.As.Host;
        return await _self.SendAsync(request, cancel);
    }

    private PaperTicket Says(Job job) =>
        new(job.Ticket, job.State, job.State == PaperState.Waiting ? _jobs.TakeWhile(j => j != job).Count(j =>
            j.State is PaperState.Waiting or PaperState.Printing) : 0, job.Name, job.Problem);

    [LoggerMessage(Level = LogLevel.Error, Message = "Printing {Page} failed.")]
    private partial void LogFault(string page, Exception e);

    // The oldest of those that are done, until the rest is neither old nor too much.
    private void Drop()
    {
        _jobs.RemoveAll(j => j.State is PaperState.Ready or PaperState.Failed && time.GetUtcNow() - j.At > Kept);
        while (_jobs.Sum(j => (long)(j.Pdf?.Length ?? 0)) > MostKept && _jobs.Find(j => j.Pdf is not null) is { } oldest
            && oldest != _jobs.FindLast(j => j.Pdf is not null))
            _jobs.Remove(oldest);
    }
}
