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
using WornPath.Formats.In;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The shelf: all procedures, a new one, one from a file.</summary>
public static class ShelfEndpoints
{
    /// <summary>A procedure on the shelf, with the revision that is worked on or, without one, the newest.</summary>
    /// <param name="Found">Where the words that were looked for stand on the sheet; empty where they stand in its head.</param>
    public sealed record ShelfRow(int ProcedureId, int RevisionId, string Number, string Title, string Platform, string Letter,
        RevisionState State, int Stops, int Warnings, int Steps, string Who, DateTime ChangedAt, IReadOnlyList<Piece> Found);

    /// <summary>A piece of an excerpt.</summary>
    /// <param name="IsFound">True for a word that was looked for.</param>
    public sealed record Piece(string Text, bool IsFound);

    /// <summary>A page of the shelf.</summary>
    /// <param name="Total">How many procedures there are in all that are asked for.</param>
    /// <param name="Page">This page, from 1; the last one where a later was asked for.</param>
    /// <param name="Pages">How many pages there are, one at least.</param>
    public sealed record ShelfPage(IReadOnlyList<ShelfRow> Rows, int Total, int Page, int Pages);

    /// <summary>What the shelf can be narrowed to: what there is.</summary>
    public sealed record ShelfFilters(IReadOnlyList<RevisionState> States, IReadOnlyList<string> Platforms, IReadOnlyList<Someone> Owners);

    /// <summary>What is asked of the shelf.</summary>
    /// <param name="Q">Words, all of them met somewhere in head or sheet; the beginning of one is enough.</param>
    /// <param name="State">State of the revision shown.</param>
    /// <param name="Platform">The vehicle, in full.</param>
    /// <param name="Owner">Id of the owner.</param>
    /// <param name="Mine">Only what the one who asks writes on.</param>
    /// <param name="Findings">"stop" for what has findings that stop a release, "any" for any, "none" for none.</param>
    /// <param name="Sort">"changed" (the last first), "number" or "title".</param>
    /// <param name="Page">From 1.</param>
    public sealed record ShelfQuery(
        [property: FromQuery(Name = "q"), MaxLength(200)] string? Q,
        [property: FromQuery(Name = "state"), RegularExpression("draft|in review|released|superseded|withdrawn")] string? State,
        [property: FromQuery(Name = "platform"), MaxLength(200)] string? Platform,
        [property: FromQuery(Name = "owner"), MaxLength(64)] string? Owner,
        [property: FromQuery(Name = "mine")] bool? Mine,
        [property: FromQuery(Name = "findings"), RegularExpression("stop|any|none")] string? Findings,
        [property: FromQuery(Name = "sort"), RegularExpression("changed|number|title")] string? Sort,
        [property: FromQuery(Name = "page"), Range(1, 1_000_000)] int? Page);

    /// <summary>Rows on a page.</summary>
    public const int PageSize = 40;

    /// <summary>A new procedure.</summary>
    public sealed record NewProcedure([property: Required, MaxLength(40)] string Number, [property: Required, MaxLength(200)] string Title, [property: MaxLength(200)] string? Platform);

    /// <summary>Where to go on.</summary>
    public sealed record Opened(int RevisionId);

    /// <summary>An existing procedure in words.</summary>
    /// <param name="File">The file's bytes, base64: plain text, Markdown or a document of a word processor (.docx).</param>
    public sealed record WrittenFile([property: Required, MaxLength(WordText.LargestFile)] byte[] File);

    /// <summary>An existing procedure in words, to become one on the shelf.</summary>
    /// <param name="File">The file's bytes, base64: plain text, Markdown or a document of a word processor (.docx).</param>
    public sealed record NewFromFile([property: Required, MaxLength(WordText.LargestFile)] byte[] File,
        [property: Required, MaxLength(40)] string Number, [property: Required, MaxLength(200)] string Title, [property: MaxLength(200)] string? Platform);

    /// <summary>What a text would become, before it is brought in.</summary>
    /// <param name="Number">As its title says; empty where it says none.</param>
    /// <param name="Questions">How many questions its sentences leave open.</param>
    /// <param name="Left">What has no place on a sheet, with the reason.</param>
    public sealed record WrittenView(string Number, string Title, string Platform, IReadOnlyList<WrittenPhaseView> Phases, int Joints, int Questions,
        IReadOnlyList<LeftOut> Left);

    /// <summary>A phase a text would become.</summary>
    public sealed record WrittenPhaseView(string Name, int Steps);

    // In base64 three bytes are four characters.
    private const int LargestWritten = (WordText.LargestFile / 3 * 4) + 4096;

    public static void MapShelf(this IEndpointRouteBuilder api)
    {
        var shelf = api.MapGroup("/procedures").WithTags("Shelf").RequireAuthorization();
        shelf.MapGet("", ListAsync).WithName("ListProcedures");
        shelf.MapGet("/filters", FiltersAsync).WithName("ListShelfFilters");
        shelf.MapPost("", CreateAsync).RequireAuthorization(Policies.Author).WithName("NewProcedure");
        shelf.MapPost("/file", ImportAsync).RequireAuthorization(Policies.Author).WithName("ImportProcedure").Accepts<ProcedureFile>("application/json").WithMetadata(new RequestSizeLimitAttribute(SheetSize.LargestFile + 1024));
        shelf.MapPost("/written/preview", ReadWritten).RequireAuthorization(Policies.Author).WithName("ReadWrittenProcedure")
            .WithMetadata(new RequestSizeLimitAttribute(LargestWritten));
        shelf.MapPost("/written", FromWrittenAsync).RequireAuthorization(Policies.Author).WithName("ImportWrittenProcedure")
            .WithMetadata(new RequestSizeLimitAttribute(LargestWritten));
    }

    private static Results<Ok<WrittenView>, ProblemHttpResult> ReadWritten(WrittenFile form)
    {
        var read = WrittenProcedure.Read(form.File);
        if (!read.IsGood) return read.Problem.ToHttp();
        var (written, sheet) = (read.Value, read.Value.Sheet);
        return TypedResults.Ok(new WrittenView(written.Number, written.Title, written.Platform,
            [.. sheet.Phases.Select(p => new WrittenPhaseView(p.Name, p.Steps.Length))], sheet.Joints.Length,
            sheet.Steps.Sum(s => s.Questions.Length), written.Left));
    }

    private static async Task<Results<Ok<Opened>, ProblemHttpResult>> FromWrittenAsync(NewFromFile form, Procedures procedures, ClaimsPrincipal me)
    {
        var read = WrittenProcedure.Read(form.File);
        if (!read.IsGood) return read.Problem.ToHttp();
        var made = await procedures.AddAsync(form.Number, form.Title, form.Platform ?? "", read.Value.Sheet, me.Id());
        return made.IsGood ? TypedResults.Ok(new Opened(made.Value)) : made.Problem.ToHttp();
    }

    // The newest revision of each procedure that the one who asks may see: ids rise with time.
    private static IQueryable<Revision> Newest(WornPathDb db, bool seesDrafts) => db.Revisions.AsNoTracking()
        .Where(r => (seesDrafts || r.State == RevisionState.Released)
            && !db.Revisions.Any(o => o.ProcedureId == r.ProcedureId && o.Id > r.Id && (seesDrafts || o.State == RevisionState.Released)));

    private static async Task<Ok<ShelfPage>> ListAsync(WornPathDb db, ClaimsPrincipal me, [AsParameters] ShelfQuery query)
    {
        var rows = Newest(db, me.SeesDrafts());
        if (query.State is { } word)
        {
            var state = Enum.GetValues<RevisionState>().Single(s => EnumWord.Of(s).Equals(word, StringComparison.OrdinalIgnoreCase));
            rows = rows.Where(r => r.State == state);
        }

        if (!string.IsNullOrEmpty(query.Platform)) rows = rows.Where(r => r.Procedure.Platform == query.Platform);
        if (!string.IsNullOrEmpty(query.Owner)) rows = rows.Where(r => r.Procedure.Authors.Any(a => a.IsOwner && a.PersonId == query.Owner));
        if (query.Mine == true)
        {
            var mine = me.Id();
            rows = rows.Where(r => r.Procedure.Authors.Any(a => a.PersonId == mine));
        }

        rows = query.Findings switch
        {
            "stop" => rows.Where(r => r.Stops > 0),
            "any" => rows.Where(r => r.Stops + r.Warnings > 0),
            "none" => rows.Where(r => r.Stops + r.Warnings == 0),
            _ => rows,
        };
        var match = ShelfWords.Match(query.Q ?? "");
        if (!string.IsNullOrWhiteSpace(query.Q)) rows = Holding(db, rows, query.Q, match);
        var total = await rows.CountAsync();
        var pages = Math.Max(1, (total + PageSize - 1) / PageSize);
        var page = Math.Min(query.Page ?? 1, pages);
        rows = query.Sort switch
        {
            "number" => rows.OrderBy(r => r.Procedure.Number),
            "title" => rows.OrderBy(r => r.Procedure.Title).ThenBy(r => r.Id),
            _ => rows.OrderByDescending(r => r.ChangedAt).ThenByDescending(r => r.Id),
        };
        var shown = await rows.Skip((page - 1) * PageSize).Take(PageSize)
            .Select(r => new ShelfRow(r.ProcedureId, r.Id, r.Procedure.Number, r.Procedure.Title, r.Procedure.Platform, r.Letter,
                r.State, r.Stops, r.Warnings, r.StepCount, r.Author.DisplayName, r.ChangedAt, Array.Empty<Piece>()))
            .ToListAsync();
        if (match is not null) shown = await WithExcerptsAsync(db, shown, match);
        return TypedResults.Ok(new ShelfPage(shown, total, page, pages));
    }

    // What was made a moment ago and has no words yet is found by its head.
    private static IQueryable<Revision> Holding(WornPathDb db, IQueryable<Revision> rows, string words, string? match)
    {
        var hits = db.Database.SqlQuery<int>($"SELECT rowid AS Value FROM ShelfWords WHERE ShelfWords MATCH {match ?? "\"\""}");
        var fresh = db.Revisions.Where(r => !db.ShelfEntries.Any(e => e.RevisionId == r.Id && e.Version == ShelfWords.Version));
        foreach (var word in words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Take(8))
        {
            var pattern = "%" + word.Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_") + "%";
            fresh = fresh.Where(r => EF.Functions.Like(r.Procedure.Number, pattern, "\\")
                || EF.Functions.Like(r.Procedure.Title, pattern, "\\") || EF.Functions.Like(r.Procedure.Platform, pattern, "\\")
                || EF.Functions.Like(r.Author.DisplayName, pattern, "\\"));
        }

        return rows.Where(r => hits.Contains(r.Id) || fresh.Any(f => f.Id == r.Id));
    }

    private sealed record Excerpt(int RevisionId, string Text);

    private static async Task<List<ShelfRow>> WithExcerptsAsync(WornPathDb db, List<ShelfRow> shown, string match)
    {
        var ids = System.Text.Json.JsonSerializer.Serialize(shown.Select(r => r.RevisionId));
        var excerpts = await db.Database.SqlQuery<Excerpt>($"SELECT rowid AS RevisionId, snippet(ShelfWords, {ShelfWords.SheetColumn}, char(2), char(3), '…', 14) AS Text FROM ShelfWords WHERE ShelfWords MATCH {match} AND rowid IN (SELECT value FROM json_each({ids}))")
            .ToDictionaryAsync(e => e.RevisionId, e => e.Text);
        return shown.ConvertAll(r => excerpts.TryGetValue(r.RevisionId, out var text) && text.Contains('\u0002')
            ? r with { Found = PiecesOf(text) } : r);
    }

    // Between the marks stands what was looked for.
    private static List<Piece> PiecesOf(string marked)
    {
        var pieces = new List<Piece>();
        foreach (var part in marked.ReplaceLineEndings(" ").Split('\u0002'))
        {
            var (found, rest) = part.Split('\u0003') is [var inside, var after] ? (inside, after) : ("", part);
            if (found.Length > 0) pieces.Add(new Piece(found, true));
            if (rest.Length > 0) pieces.Add(new Piece(rest, false));
        }

        return pieces;
    }

    private static async Task<Ok<ShelfFilters>> FiltersAsync(WornPathDb db, ClaimsPrincipal me)
    {
        var rows = Newest(db, me.SeesDrafts());
        var states = await rows.Select(r => r.State).Distinct().ToListAsync();
        var platforms = await rows.Select(r => r.Procedure.Platform).Where(p => p != "").Distinct().OrderBy(p => p).Take(200).ToListAsync();
        var owners = await rows.SelectMany(r => r.Procedure.Authors).Where(a => a.IsOwner)
            .Select(a => new { a.PersonId, a.Person.DisplayName }).Distinct().OrderBy(a => a.DisplayName).Take(200).ToListAsync();
        return TypedResults.Ok(new ShelfFilters([.. states.Order()], platforms, owners.ConvertAll(o => new Someone(o.PersonId, o.DisplayName))));
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

    private static async Task<Results<Ok<Opened>, ProblemHttpResult>> ImportAsync(HttpRequest request, Procedures procedures,
        PictureFiles pictures, ClaimsPrincipal me, CancellationToken cancel)
    {
        if (request.ContentLength > SheetSize.LargestFile) return new Problem("The file is too large.", $"A procedure file has at most {SheetSize.LargestFile / 1024 / 1024} MB: is this one?").ToHttp();
        using var buffer = new MemoryStream();
        await request.Body.CopyToAsync(buffer, cancel);
        var read = ProcedureFileText.Read(buffer.ToArray());
        if (!read.IsGood) return read.Problem.ToHttp();
        foreach (var picture in read.Value.Pictures ?? []) pictures.Keep(picture.Key, picture.Data);
        var made = await procedures.AddAsync(read.Value.Number, read.Value.Title, read.Value.Platform, read.Value.Sheet, me.Id());
        return made.IsGood ? TypedResults.Ok(new Opened(made.Value)) : made.Problem.ToHttp();
    }
}
