using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;

namespace WornPath.Web.Features;

/// <summary>
/// The audit trail, for an administrator: who was let in or not, what administrators did, and what happened to revisions. No text of a
/// step is in it, and no value that is read from a source.
/// </summary>
public static class AuditEndpoints
{
    private const int MostShown = 200;

    /// <summary>One line of the trail.</summary>
    /// <param name="At">When, in UTC.</param>
    /// <param name="Kind">What happened.</param>
    /// <param name="Who">Who did it, by name and account as they were then.</param>
    /// <param name="Whom">To whom.</param>
    /// <param name="Address">Where from.</param>
    /// <param name="Text">What else is to be said: roles given, the reason of a return or waiver.</param>
    /// <param name="Procedure">Number of the procedure it happened to.</param>
    /// <param name="Revision">Its revision.</param>
    public sealed record AuditLine(DateTime At, string Kind, string Who, string Whom, string Address, string Text, string Procedure, string Revision);

    private const string Revisions = "JOIN Revisions r ON r.Id = x.RevisionId JOIN Procedures p ON p.Id = r.ProcedureId";

    private const string Trail = $"""
        SELECT At, Kind, Who, Whom, Address, Text, '' AS Procedure, '' AS Revision FROM Audit
        UNION ALL SELECT x.At, x.Kind, x.Who, '', '', x.Text, p.Number, r.Letter FROM Events x {Revisions}
        UNION ALL SELECT x.At, 'Waived', x.Who, '', '', x."Key" || ': ' || x.Reason, p.Number, r.Letter FROM Waivers x {Revisions}
        UNION ALL SELECT x.At, 'ValueRead', x.Who, '', '', x.Joint, p.Number, r.Letter FROM ValueChecks x {Revisions}
        UNION ALL SELECT x.At, 'WorkshopChanged', u.DisplayName || ' (' || u.UserName || ')', '', '', 'version ' || x.Version, '',
            '' FROM Workshops x JOIN AspNetUsers u ON u.Id = x.PersonId
        """;

    public static void MapAudit(this IEndpointRouteBuilder api)
    {
        var audit = api.MapGroup("/audit").WithTags("People").RequireAuthorization(Policies.Administrator);
        audit.MapGet("", LastAsync).WithName("GetAudit");
        audit.MapGet("/lines", AllAsync).AskingAgain().WithName("GetAuditLines").Produces<string>(200, "application/jsonl");
    }

    private static async Task<Ok<List<AuditLine>>> LastAsync(WornPathDb db) =>
        TypedResults.Ok((await db.Database.SqlQueryRaw<AuditLine>(Trail + " ORDER BY At DESC LIMIT {0}", MostShown).ToListAsync()).ConvertAll(InUtc));

    // JSON Lines (jsonlines.org): one object a line, the oldest first, written as it is read.
    private static async Task AllAsync(HttpContext context, WornPathDb db, AuditTrail audit, UserManager<Person> people, TimeProvider time)
    {
        await audit.WriteAsync(AuditKind.AuditTaken, await people.FindByIdAsync(context.User.Id()));
        context.Response.ContentType = "application/jsonl";
        context.Response.Headers.ContentDisposition = $"attachment; filename=\"wornpath-audit-{time.GetUtcNow():yyyyMMdd-HHmmss}.jsonl\"";
        await foreach (var line in db.Database.SqlQueryRaw<AuditLine>(Trail + " ORDER BY At").AsAsyncEnumerable())
        {
            await JsonSerializer.SerializeAsync(context.Response.Body, InUtc(line), SheetJson.Options, context.RequestAborted);
            await context.Response.Body.WriteAsync("\n"u8.ToArray(), context.RequestAborted);
        }
    }

    private static AuditLine InUtc(AuditLine line) => line with { At = DateTime.SpecifyKind(line.At, DateTimeKind.Utc) };
}
