using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Security.Claims;
using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core;
using WornPath.Core.Quantities;
using WornPath.Core.Revisions;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;
using WornPath.Formats;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The workshop: its wrench crib and its house rules.</summary>
public static class WorkshopEndpoints
{
    /// <summary>A torque tool, its cells as texts by column.</summary>
    /// <param name="Cells">Its cells.</param>
    /// <param name="UsedFrom">From which value it is used.</param>
    /// <param name="Due">When it is due for calibration; empty while not known.</param>
    /// <param name="Overdue">Why it is overdue; empty where it is not.</param>
    public sealed record WrenchView(IReadOnlyDictionary<string, string> Cells, string UsedFrom, string Due, string Overdue);

    /// <summary>The workshop.</summary>
    public sealed record WorkshopView(int Version, HouseRules Rules, ImmutableArray<WrenchView> Crib, IReadOnlyList<string> Columns, bool MayChange);

    /// <summary>A crib written anew, its tools as cells.</summary>
    public sealed record CribForm(int Version, [property: Required, MaxLength(CribCsv.MostTools)] IReadOnlyList<IReadOnlyDictionary<string, string>> Wrenches);

    /// <summary>A crib as CSV.</summary>
    public sealed record CribText(int Version, [property: Required, MaxLength(500_000)] string Csv);

    /// <summary>House rules written anew.</summary>
    public sealed record RulesForm(int Version, [property: Required] HouseRules Rules);

    public static void MapWorkshop(this IEndpointRouteBuilder api)
    {
        var workshop = api.MapGroup("/workshop").WithTags("Workshop").RequireAuthorization();
        workshop.MapGet("", async (WorkshopBook book, ClaimsPrincipal me) => TypedResults.Ok(View(await book.NowAsync(), me))).WithName("GetWorkshop");
        workshop.MapGet("/crib.csv", async (WorkshopBook book) => TypedResults.File(Encoding.UTF8.GetBytes(CribCsv.Write((await book.NowAsync()).Workshop.Crib)), "text/csv", "crib.csv")).WithName("GetCribCsv");
        workshop.MapPut("/crib", (CribForm form, WorkshopBook book, ClaimsPrincipal me) => PutAsync(book, me, form.Version, CribOf(form), (w, crib) => w with { Crib = crib })).RequireAuthorization(Policies.WorkshopKeeper).WithName("PutCrib");
        workshop.MapPut("/crib.csv", (CribText form, WorkshopBook book, ClaimsPrincipal me) => PutAsync(book, me, form.Version, CribCsv.Read(form.Csv), (w, crib) => w with { Crib = crib })).RequireAuthorization(Policies.WorkshopKeeper).WithName("PutCribCsv");
        workshop.MapPut("/rules", (RulesForm form, WorkshopBook book, ClaimsPrincipal me) => PutAsync(book, me, form.Version, HouseRules.Check(form.Rules), (w, rules) => w with { Rules = rules })).RequireAuthorization(Policies.WorkshopKeeper).WithName("PutRules");
    }

    private static Outcome<ImmutableArray<Wrench>> CribOf(CribForm form)
    {
        var crib = ImmutableArray.CreateBuilder<Wrench>();
        foreach (var cells in form.Wrenches)
        {
            var wrench = CribCsv.Of(c => cells.GetValueOrDefault(c, "").Trim());
            if (!wrench.IsGood) return wrench.Problem.At(cells.GetValueOrDefault("name") is { Length: > 0 } name ? NumberText.Excerpt(name) : $"tool {crib.Count + 1}");
            if (crib.Any(w => w.Name.Equals(wrench.Value.Name, StringComparison.OrdinalIgnoreCase))) return new Problem($"“{NumberText.Excerpt(wrench.Value.Name)}” stands twice.", "Give each tool its own name.", "name");
            crib.Add(wrench.Value);
        }

        return crib.ToImmutable();
    }

    private static async Task<Results<Ok<WorkshopView>, ProblemHttpResult>> PutAsync<T>(WorkshopBook book, ClaimsPrincipal me, int version, Outcome<T> read, Func<Workshop, T, Workshop> change)
    {
        if (!read.IsGood) return read.Problem.ToHttp();
        return await book.WriteAsync(w => change(w, read.Value), version, me.Id()) is { } problem ? Problems.Refused(problem) : TypedResults.Ok(View(await book.NowAsync(), me));
    }

    private static WorkshopView View(WorkshopBook.Page page, ClaimsPrincipal me) => new(
        page.Version,
        page.Workshop.Rules,
        [.. page.Workshop.Crib.Select(w => new WrenchView(
            CribCsv.Cells(w),
            $"{w.UsableFrom.ToString("0.##", CultureInfo.InvariantCulture)} {w.Unit.Symbol()}",
            w.DueOn(page.Workshop.Rules)?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "",
            w.OverdueOn(page.Workshop.Today, page.Workshop.Rules) ?? ""))],
        CribCsv.Columns,
        me.IsInRole(Roles.Administrator) || me.IsInRole(Roles.Approver));
}
