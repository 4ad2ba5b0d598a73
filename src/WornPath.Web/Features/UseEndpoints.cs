using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>Where something is used: a source, a fastener with its value, a part, a tool. And which values are from a former edition or version.</summary>
public static class UseEndpoints
{
    /// <summary>What was found, the most used first.</summary>
    /// <param name="More">True where there are more than are shown.</param>
    public sealed record UsesPage(IReadOnlyList<WhereUsed.NameRow> Rows, bool More);

    /// <summary>Where one is used.</summary>
    /// <param name="More">True where there are more sheets than are shown.</param>
    /// <param name="Withheld">How many sheets in review are not shown, since who asks has values to read on them in their sources first.</param>
    public sealed record UseView(int Id, UseKind Kind, string Name, IReadOnlyList<WhereUsed.SheetRow> Sheets, bool More, int Withheld);

    /// <summary>What is asked.</summary>
    /// <param name="Q">Words of its name; the beginning of each is enough.</param>
    /// <param name="Kind">What it is; all where it is left out.</param>
    public sealed record UsesQuery([property: FromQuery(Name = "q"), MaxLength(200)] string? Q,
        [property: FromQuery(Name = "kind"), RegularExpression("document|source|value|block|joint|part|connection|fluid|consumable|tool")] string? Kind);

    public static void MapUses(this IEndpointRouteBuilder api)
    {
        var uses = api.MapGroup("/uses").WithTags("Shelf").RequireAuthorization();
        uses.MapGet("", FindAsync).WithName("FindUses");
        uses.MapGet("/{name:int}", GetAsync).WithName("GetUse");
        uses.MapGet("/former-editions", async (FormerEditions editions, ClaimsPrincipal me) =>
                TypedResults.Ok(await editions.AllAsync(me.IsInRole(Roles.Author) ? me.Id() : null)))
            .RequireAuthorization(Policies.Workshop).WithName("ListFormerEditions");
    }

    private static async Task<Ok<UsesPage>> FindAsync(WornPathDb db, ClaimsPrincipal me, [AsParameters] UsesQuery query, CancellationToken cancel)
    {
        UseKind? kind = query.Kind is { } word ? Enum.GetValues<UseKind>().Single(k => EnumWord.Of(k) == word) : null;
        var match = ShelfWords.Match(query.Q ?? "");
        // Signs alone are no words to look for.
        if (match is null && !string.IsNullOrWhiteSpace(query.Q)) return TypedResults.Ok(new UsesPage([], false));
        var found = await WhereUsed.FindAsync(db, match, kind, ReaderOf(me), cancel);
        return TypedResults.Ok(new UsesPage([.. found.Take(WhereUsed.MostNames)], found.Count > WhereUsed.MostNames));
    }

    private static async Task<Results<Ok<UseView>, ProblemHttpResult>> GetAsync(int name, WornPathDb db, ClaimsPrincipal me, CancellationToken cancel)
    {
        var reader = ReaderOf(me);
        if (await db.UsedNames.FindAsync([name], cancel) is not { } used) return Problems.NotThere("What you look for");
        var (rows, withheld) = await WhereUsed.OnAsync(db, [name], used.Kind == UseKind.Joint, reader, cancel: cancel);
        // What only others may see is not there for this person: not even that it is.
        if (rows.Count == 0) return Problems.NotThere("What you look for");
        return TypedResults.Ok(new UseView(name, used.Kind, used.Name, [.. rows.Take(WhereUsed.MostSheets)], rows.Count > WhereUsed.MostSheets, withheld));
    }

    private static WhereUsed.Reader ReaderOf(ClaimsPrincipal me) =>
        new(me.SeesDrafts(), me.IsInRole(Roles.Reviewer) || me.IsInRole(Roles.Approver) ? me.Id() : null);
}
