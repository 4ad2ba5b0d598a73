using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using System.Text.Json;
using WornPath.Core;
using WornPath.Core.Sheets;
using WornPath.Web.Features;

namespace WornPath.Web;

/// <summary>
/// Says of a failure what a person can do about it: input that cannot be read is told with its place (400), two who met are told so
/// (409), and a database that cannot be written is the server's trouble, to be tried again (503): the page keeps what was typed.
/// </summary>
public sealed partial class Faults(ILogger<Faults> logger) : IExceptionHandler
{
    private const string Kept = "What you have typed stays in this browser and is sent again.";

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (exception is OperationCanceledException && httpContext.RequestAborted.IsCancellationRequested) return true;
        var (status, problem) = Of(exception);
        if (status >= 500) Failed(logger, httpContext.Request.Method, CalendarEndpoints.Shown(httpContext.Request.Path), exception);
        if (status == StatusCodes.Status503ServiceUnavailable) httpContext.Response.Headers.RetryAfter = "3";
        await problem.ToHttp(status).ExecuteAsync(httpContext);
        return true;
    }

    private static (int Status, Problem Problem) Of(Exception exception) => exception switch
    {
        BadHttpRequestException { StatusCode: var status } bad => (status, Unreadable(bad)),
        DbUpdateConcurrencyException => (StatusCodes.Status409Conflict, new Problem("Somebody else has changed this at the same moment.", "Reload, and do it again.") { Again = true }),
        DbUpdateException { InnerException: SqliteException inner } => Of(inner),
        SqliteException sqlite => OfDatabase(sqlite),
        NewerFormatException newer => (StatusCodes.Status500InternalServerError, new Problem(newer.Message, "Tell an administrator.")),
        IOException => (StatusCodes.Status503ServiceUnavailable, new Problem("The server’s disk cannot be written.", $"{Kept} Tell an administrator.")),
        _ => (StatusCodes.Status500InternalServerError, new Problem("The server has made a mistake.", $"{Kept} Tell an administrator.")),
    };

    // SQLite's primary result codes, https://www.sqlite.org/rescode.html.
    private static (int Status, Problem Problem) OfDatabase(SqliteException exception) => exception.SqliteErrorCode switch
    {
        5 or 6 => (StatusCodes.Status503ServiceUnavailable, new Problem("The database is busy.", Kept)),
        8 => (StatusCodes.Status503ServiceUnavailable, new Problem("The server’s database can only be read.", $"{Kept} Tell an administrator: the data folder or its disk is read-only.")),
        10 => (StatusCodes.Status503ServiceUnavailable, new Problem("The server’s disk gives errors.", $"{Kept} Tell an administrator.")),
        13 => (StatusCodes.Status503ServiceUnavailable, new Problem("The server’s disk is full.", $"{Kept} Tell an administrator.")),
        14 => (StatusCodes.Status503ServiceUnavailable, new Problem("The server’s database cannot be opened.", $"{Kept} Tell an administrator.")),
        11 or 26 => (StatusCodes.Status503ServiceUnavailable, new Problem("The server’s database is damaged.", $"{Kept} Tell an administrator: the last good backup has to be put back.")),
        19 => (StatusCodes.Status409Conflict, new Problem("Somebody else has changed this at the same moment.", "Reload, and do it again.") { Again = true }),
        _ => (StatusCodes.Status500InternalServerError, new Problem("The database refuses.", $"{Kept} Tell an administrator.")),
    };

    private static Problem Unreadable(BadHttpRequestException bad)
    {
        if (bad.StatusCode == StatusCodes.Status413PayloadTooLarge) return new Problem("This is too large to be sent at once.", "Send less at a time.");
        for (Exception? inner = bad; inner is not null; inner = inner.InnerException)
            if (inner is JsonException json)
            {
                var said = json.Message.Split(" Path:", 2)[0].Split(". ", 2)[0].TrimEnd('.');
                return new Problem($"What was sent cannot be read: {said}.", "Mend it there and send it again.", string.IsNullOrEmpty(json.Path) ? null : json.Path);
            }

        return new Problem($"What was sent cannot be read: {bad.Message.TrimEnd('.')}.", "Mend it and send it again.");
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "{Method} {Path} failed")]
    private static partial void Failed(ILogger logger, string method, string path, Exception exception);
}
