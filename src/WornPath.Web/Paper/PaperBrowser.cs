using System.ComponentModel;
using System.Diagnostics;
using System.Net;
using System.Text;
using PuppeteerSharp;
using WornPath.Core;

namespace WornPath.Web.Paper;

/// <summary>What a page asked for and got: an answer to hand to the browser, which fetches nothing itself.</summary>
public delegate Task<HttpResponseMessage> PageAnswer(string pathAndQuery, CancellationToken cancel);

/// <summary>
/// Prints the Print page by Debian's Chromium, where one is installed: a process of its own for each sheet, without rights (as nobody
/// where the server is root), without a network (its only proxy is a closed port; what the page asks for is answered by the server
/// itself), killed when its time is over.
/// </summary>
public sealed partial class PaperBrowser(IConfiguration configuration, ILogger<PaperBrowser> logger)
{
    /// <summary>The origin the page believes it comes from. RFC 6761: no such host can be.</summary>
    private const string Origin = "https://sheet.invalid";

    private const int Nobody = 65534;

    /// <summary>What is said where no browser was found.</summary>
    public static readonly Problem None = new("This server has no browser that prints.", "Use Print: your own browser makes a PDF, too.");

    /// <summary>What is said where it did not do it, and the log has the reason.</summary>
    public static readonly Problem Failed = new("The browser that prints did not do it.",
        "Use Print: your own browser makes a PDF, too. An administrator finds the reason in the log.");

    /// <summary>Longest a sheet may take.</summary>
    public static readonly TimeSpan Limit = TimeSpan.FromSeconds(90);

    private static readonly string[] Usual = ["/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/local/bin/chromium"];

    private bool _withoutSandbox = configuration.GetValue("WornPath:Pdf:Sandbox", true) is false;

    /// <summary>Where the browser is (<c>WornPath:Pdf:Browser</c>, “none” for none); null where none was found at start.</summary>
    public string? Program { get; } = configuration["WornPath:Pdf:Browser"] is { Length: > 0 } named
        ? File.Exists(named) ? named : null
        : OperatingSystem.IsLinux() ? Array.Find(Usual, File.Exists) : null;

    /// <summary>Prints a page; says in words why it could not.</summary>
    /// <param name="pathAndQuery">The address of the page on this server.</param>
    /// <param name="answer">Answers what the page asks for, as the person for whom it prints.</param>
    /// <param name="cancel">Where nobody waits any more.</param>
    public async Task<Outcome<byte[]>> PrintAsync(string pathAndQuery, PageAnswer answer, CancellationToken cancel)
    {
        if (Program is null) return None;
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        limit.CancelAfter(Limit);
        var folder = Directory.CreateTempSubdirectory("wornpath-paper-");
        // Who is nobody writes here, too; it holds nothing but the browser's own files, and its name cannot be guessed.
        if (OperatingSystem.IsLinux() && IsRoot) File.SetUnixFileMode(folder.FullName,
            UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute
            | UnixFileMode.OtherRead | UnixFileMode.OtherWrite | UnixFileMode.OtherExecute);
        Process? process = null;
        try
        {
            (process, var address) = await StartAsync(folder.FullName, limit.Token);
            return await PrintAsync(address, pathAndQuery, answer, limit.Token);
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            return new Problem($"The PDF was not ready after {Limit.TotalSeconds:0} seconds.",
                "Try again; if it stays, use Print and tell an administrator.");
        }
        catch (Exception e) when (e is PuppeteerException or Win32Exception or IOException or InvalidOperationException)
        {
            LogFailed(e);
            return Failed;
        }
        finally
        {
            await EndAsync(process);
            Remove(folder);
        }
    }

    private static bool IsRoot => OperatingSystem.IsLinux() && Environment.IsPrivilegedProcess;

    private async Task<(Process Process, string Address)> StartAsync(string folder, CancellationToken cancel)
    {
        var (process, said) = Start(folder);
        var (address, why) = await AddressAsync(process, said, cancel);
        if (address is null && !_withoutSandbox && why.Contains("sandbox", StringComparison.OrdinalIgnoreCase))
        {
            // Containers often forbid what the sandbox is made of. It has neither rights nor a network then either.
            await EndAsync(process);
            _withoutSandbox = true;
            LogWithoutSandbox();
            (process, said) = Start(folder);
            (address, why) = await AddressAsync(process, said, cancel);
        }

        if (address is not null) return (process, address);
        await EndAsync(process);
        throw new InvalidOperationException($"Chromium did not start: {why}");
    }

    private (Process Process, StreamReader Said) Start(string folder)
    {
        List<string> arguments =
        [
            "--headless", "--disable-gpu", "--no-first-run", "--no-default-browser-check", "--disable-extensions", "--disable-sync", "--disable-component-update",
            "--disable-background-networking", "--disable-domain-reliability", "--disable-breakpad", "--disable-dev-shm-usage", "--hide-scrollbars", "--mute-audio",
            // No network: every way out, this machine's own addresses among them, goes by a proxy that is not there.
            "--proxy-server=http://127.0.0.1:9", "--proxy-bypass-list=<-loopback>", "--host-resolver-rules=MAP * ~NOTFOUND",
            "--remote-debugging-port=0", $"--user-data-dir={folder}", "about:blank",
        ];
        if (_withoutSandbox) arguments.Insert(0, "--no-sandbox");
        var program = Program!;
        if (IsRoot)
        {
            arguments.InsertRange(0, [$"--reuid={Nobody}", $"--regid={Nobody}", "--clear-groups", "--no-new-privs", program]);
            program = "/usr/bin/setpriv";
        }

        var start = new ProcessStartInfo(program, arguments) { RedirectStandardError = true, RedirectStandardOutput = true, WorkingDirectory = folder };
        // Nothing the server was told reaches it.
        start.Environment.Clear();
        start.Environment["PATH"] = "/usr/bin:/bin";
        start.Environment["HOME"] = folder;
        start.Environment["LANG"] = "C.UTF-8";
        var process = Process.Start(start)!;
        process.StandardOutput.Close();
        return (process, process.StandardError);
    }

    // Where it listens, as it says itself; else what it said instead.
    private static async Task<(string? Address, string Why)> AddressAsync(Process process, StreamReader said, CancellationToken cancel)
    {
        const string lead = "DevTools listening on ";
        var why = new List<string>();
        while (await said.ReadLineAsync(cancel) is { } line)
        {
            if (line.StartsWith(lead, StringComparison.Ordinal))
            {
                // What it says later is read and dropped: a full pipe would stop it.
                _ = DrainAsync(said);
                return (line[lead.Length..].Trim(), "");
            }

            if (why.Count < 20) why.Add(line);
        }

        return (null, string.Join(' ', why));
    }

    private static async Task DrainAsync(StreamReader said)
    {
        try
        {
            while (await said.ReadLineAsync() is not null) { }
        }
        catch (Exception e) when (e is IOException or ObjectDisposedException)
        {
            // It has ended.
        }
    }

    private static async Task<Outcome<byte[]>> PrintAsync(string address, string pathAndQuery, PageAnswer answer, CancellationToken cancel)
    {
        await using var browser = await Puppeteer.ConnectAsync(new ConnectOptions { BrowserWSEndpoint = address }).WaitAsync(cancel);
        var page = await browser.NewPageAsync().WaitAsync(cancel);
        await page.SetRequestInterceptionAsync(true).WaitAsync(cancel);
        page.AddRequestInterceptor(request => AnswerAsync(request, answer, cancel));
        await page.GoToAsync(Origin + pathAndQuery, WaitUntilNavigation.DOMContentLoaded).WaitAsync(cancel);
        await using var settled = await page.WaitForSelectorAsync("main[data-settled], main.failure, main.page",
            new WaitForSelectorOptions { Timeout = 0 }).WaitAsync(cancel);
        if (await settled.EvaluateFunctionAsync<string>("e => e.dataset.settled").WaitAsync(cancel) is not "printed")
            return new Problem("The sheet could not be shown to the browser that prints.",
                "Look whether you are still signed in and may see it, then try again.");
        var pdf = await page.PdfDataAsync(new PdfOptions
        {
            PreferCSSPageSize = true,
            PrintBackground = true,
            Tagged = true,
            Outline = true,
            Timeout = 0
        }).WaitAsync(cancel);
        // Ended by itself it takes its own processes along.
        await browser.CloseAsync().WaitAsync(cancel);
        return pdf;
    }

    private static async Task AnswerAsync(IRequest request, PageAnswer answer, CancellationToken cancel)
    {
        try
        {
            if (await AnsweredAsync(request, answer, cancel) is { } response) await request.RespondAsync(response);
            else await request.AbortAsync();
        }
        catch (PuppeteerException)
        {
            // The page is gone, and its time with it: who waits for it is told there.
        }
    }

    // Reads alone, and of this server alone; all else is not there.
    private static async Task<ResponseData?> AnsweredAsync(IRequest request, PageAnswer answer, CancellationToken cancel)
    {
        if (request.Method != HttpMethod.Get || !request.Url.StartsWith(Origin + "/", StringComparison.Ordinal)) return null;
        try
        {
            using var response = await answer(request.Url[Origin.Length..], cancel);
            var body = await response.Content.ReadAsByteArrayAsync(cancel);
            // On the screen a font that comes late is done without; on paper it is waited for.
            if (response.Content.Headers.ContentType?.MediaType == "text/css")
                body = Encoding.UTF8.GetBytes(Encoding.UTF8.GetString(body).Replace("font-display:optional", "font-display:block", StringComparison.Ordinal));
            return new ResponseData
            {
                Status = response.StatusCode,
                ContentType = response.Content.Headers.ContentType?.ToString() ?? "application/octet-stream",
                Headers = response.Headers.Where(h => h.Key is "Content-Security-Policy" or "X-Content-Type-Options").ToDictionary(h => h.Key, h =>
                    (object)string.Join(", ", h.Value)),
                BodyData = body,
            };
        }
        catch (Exception e) when (e is HttpRequestException or OperationCanceledException)
        {
            return new ResponseData { Status = HttpStatusCode.ServiceUnavailable };
        }
    }

    private static async Task EndAsync(Process? process)
    {
        if (process is null) return;
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(3));
        try
        {
            await process.WaitForExitAsync(patience.Token);
        }
        catch (OperationCanceledException)
        {
            process.Kill(entireProcessTree: true);
            await process.WaitForExitAsync();
        }

        process.Dispose();
    }

    // The last of its processes may still be closing a file.
    private void Remove(DirectoryInfo folder)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                folder.Delete(recursive: true);
                return;
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                if (tries < 20)
                {
                    Thread.Sleep(50);
                    continue;
                }

                LogLeft(folder.FullName, e);
                return;
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A PDF could not be printed.")]
    private partial void LogFailed(Exception e);

    [LoggerMessage(Level = LogLevel.Warning,
        Message = "Chromium has no sandbox here and prints without one: as an account without rights, and without a network. docs/operating.md says what to allow.")]
    private partial void LogWithoutSandbox();

    [LoggerMessage(Level = LogLevel.Warning, Message = "{Folder} of the browser that prints is left behind.")]
    private partial void LogLeft(string folder, Exception e);
}
