using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Formats;
using WornPath.Store;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The shelf: all procedures, a new one, one from a file.</summary>
public static class ShelfEndpoints
{
    /// <summary>A procedure on the shelf, with the revision that is worked on or, without one, the newest.</summary>
    public sealed record ShelfRow(int ProcedureId, int RevisionId, string Number, string Title, string Platform, string Letter, RevisionState State, int Stops, int Warnings, int Steps, string Who, DateTime ChangedAt);

    /// <summary>A new procedure.</summary>
    public sealed record NewProcedure([property: Required, MaxLength(40)] string Number, [property: Required, MaxLength(200)] string Title, [property: MaxLength(200)] string? Platform);

    /// <summary>Where to go on.</summary>
    public sealed record Opened(int RevisionId);

    public static void MapShelf(this IEndpointRouteBuilder api)
    {
        var shelf = api.MapGroup("/procedures").WithTags("Shelf").RequireAuthorization();
        shelf.MapGet("", ListAsync).WithName("ListProcedures");
        shelf.MapPost("", CreateAsync).RequireAuthorization(Policies.Author).WithName("NewProcedure");
        shelf.MapPost("/file", ImportAsync).RequireAuthorization(Policies.Author).WithName("ImportProcedure").Accepts<ProcedureFile>("application/json").WithMetadata(new RequestSizeLimitAttribute(SheetSize.LargestFile + 1024));
    }

    private static async Task<Ok<List<ShelfRow>>> ListAsync(WornPathDb db, ClaimsPrincipal me, [MaxLength(200)] string? q)
    {
        var seesDrafts = me.SeesDrafts();
        var rows = db.Revisions.AsNoTracking().Where(r => seesDrafts || r.State == RevisionState.Released);
        // Every word must be met somewhere: number, title, platform, author.
        foreach (var word in (q ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(8))
        {
            var pattern = "%" + word.Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_") + "%";
            rows = rows.Where(r => EF.Functions.Like(r.Procedure.Number, pattern, "\\") || EF.Functions.Like(r.Procedure.Title, pattern, "\\")
                || EF.Functions.Like(r.Procedure.Platform, pattern, "\\") || EF.Functions.Like(r.Author.DisplayName, pattern, "\\"));
        }

        // The newest revision of each procedure: ids rise with time.
        var newest = await rows.Where(r => !db.Revisions.Any(o => o.ProcedureId == r.ProcedureId && o.Id > r.Id && (seesDrafts || o.State == RevisionState.Released)))
            .OrderByDescending(r => r.ChangedAt).Take(500)
            .Select(r => new ShelfRow(r.ProcedureId, r.Id, r.Procedure.Number, r.Procedure.Title, r.Procedure.Platform, r.Letter, r.State, r.Stops, r.Warnings, r.StepCount, r.Author.DisplayName, r.ChangedAt))
            .ToListAsync();
        return TypedResults.Ok(newest);
    }

    private static async Task<Results<Ok<Opened>, ProblemHttpResult>> CreateAsync(NewProcedure form, Procedures procedures,
        WorkshopBook book, ClaimsPrincipal me)
    {
        // A blank page begins with the phases nearly every job has, and the words the workshop taught.
        var sheet = Sheet.Empty with { Header = new SheetHeader { Words = (await book.NowAsync()).Workshop.Words } };
        foreach (var name in (string[])["Make safe", "Removal", "Refit", "Close up and prove"])
            sheet = Editor.Apply(sheet, new InsertPhase(null, sheet.Phases.LastOrDefault()?.Id, name)).Value.Sheet;
        sheet = Editor.Apply(sheet, new InsertStep(null, sheet.Phases[0].Id, null, "")).Value.Sheet;
        var made = await procedures.AddAsync(form.Number, form.Title, form.Platform ?? "", sheet, me.Id());
        return made.IsGood ? TypedResults.Ok(new Opened(made.Value)) : made.Problem.ToHttp();
    }

    private static async Task<Results<Ok<Opened>, ProblemHttpResult>> ImportAsync(HttpRequest request, Procedures procedures, ClaimsPrincipal me, CancellationToken cancel)
    {
        if (request.ContentLength > SheetSize.LargestFile) return new Problem("The file is too large.", $"A procedure file has at most {SheetSize.LargestFile / 1024 / 1024} MB: is this one?").ToHttp();
        using var buffer = new MemoryStream();
        await request.Body.CopyToAsync(buffer, cancel);
        var read = ProcedureFileText.Read(buffer.ToArray());
        if (!read.IsGood) return read.Problem.ToHttp();
        var made = await procedures.AddAsync(read.Value.Number, read.Value.Title, read.Value.Platform, read.Value.Sheet, me.Id());
        return made.IsGood ? TypedResults.Ok(new Opened(made.Value)) : made.Problem.ToHttp();
    }
}
