using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Security.Claims;
using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Findings;
using WornPath.Core.Quantities;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Formats;
using WornPath.Store;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The workshop: its wrench crib, its house rules, its source documents and its blocks.</summary>
public static class WorkshopEndpoints
{
    /// <summary>A torque tool, its cells as texts by column.</summary>
    /// <param name="Cells">Its cells.</param>
    /// <param name="UsedFrom">From which value it is used.</param>
    /// <param name="Due">When it is due for calibration; empty while not known.</param>
    /// <param name="Overdue">Why it is overdue; empty where it is not.</param>
    public sealed record WrenchView(IReadOnlyDictionary<string, string> Cells, string UsedFrom, string Due, string Overdue);

    /// <summary>A rule of the catalogue: its own severity, and the one it has here.</summary>
    public sealed record RuleView(string Id, string Title, Severity Usual, Severity Here);

    /// <summary>A school and the way chosen.</summary>
    public sealed record SchoolView(string Key, string Question, string Chosen, ImmutableArray<Way> Ways);

    /// <summary>The workshop.</summary>
    public sealed record WorkshopView(int Version, HouseRules Rules, ImmutableArray<WrenchView> Crib, IReadOnlyList<string> Columns,
        ImmutableArray<SchoolView> Schools, ImmutableArray<RuleView> Catalogue, ImmutableArray<Block> Blocks,
        ImmutableArray<UsualBlockView> Usual, ImmutableArray<SourceDocument> Documents, ImmutableArray<WordView> Words, bool MayChange);

    /// <summary>A block every workshop has to begin with, and how it reads.</summary>
    public sealed record UsualBlockView(Block Block, string Reads);

    /// <summary>A draft that other house rules would touch.</summary>
    /// <param name="Comes">What would be found besides, in short.</param>
    /// <param name="Goes">What would no longer be found.</param>
    public sealed record TouchedView(int RevisionId, string Number, string Title, string Letter, ImmutableArray<string> Comes, ImmutableArray<string> Goes);

    /// <summary>The workshop's own blocks, written anew.</summary>
    public sealed record BlocksForm(int Version, [property: Required, MaxLength(100)] IReadOnlyList<Block> Blocks);

    /// <summary>The documents values are taken from, written anew.</summary>
    public sealed record DocumentsForm(int Version, [property: Required, MaxLength(SourceDocument.Most)] IReadOnlyList<SourceDocument> Documents);

    /// <summary>Words to be kept for all sheets.</summary>
    public sealed record WordsForm([property: Required, MaxLength(50)] IReadOnlyList<HouseWord> Words);

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
        workshop.MapPut("/rules", (RulesForm form, WorkshopBook book, ClaimsPrincipal me) => PutAsync(book, me, form.Version, HouseRules.Check(form.Rules, Rules.Severities), (w, rules) => w with { Rules = rules })).RequireAuthorization(Policies.WorkshopKeeper).WithName("PutRules");
        workshop.MapPut("/blocks", (BlocksForm form, WorkshopBook book, ClaimsPrincipal me) => PutAsync(book, me, form.Version, BlocksOf(form), (w, blocks) => w with { Blocks = blocks })).RequireAuthorization(Policies.WorkshopKeeper).WithName("PutBlocks");
        workshop.MapPut("/documents", (DocumentsForm form, WorkshopBook book, ClaimsPrincipal me) => PutAsync(book, me, form.Version, DocumentsOf(form), (w, documents) => w with { Documents = documents })).RequireAuthorization(Policies.WorkshopKeeper).WithName("PutDocuments");
        // Whoever writes teaches; whoever writes or keeps the workshop takes back.
        workshop.MapPost("/words", TeachAsync).RequireAuthorization(Policies.Author).WithName("TeachWords");
        workshop.MapDelete("/words/{word}", ForgetAsync).RequireAuthorization(Policies.Teacher).WithName("TakeWordBack");
        // Nothing is changed by it.
        workshop.MapPost("/rules/touched", TouchedAsync).RequireAuthorization(Policies.WorkshopKeeper).WithName("GetTouched");
    }

    private static async Task<Results<Ok<WorkshopView>, ProblemHttpResult>> TeachAsync(WordsForm form, WorkshopBook book, ClaimsPrincipal me)
    {
        var words = Each(form.Words, HouseWord.Check, w => w.Word, "Teach each word once.");
        if (!words.IsGood) return words.Problem.ToHttp();
        return await WithWordsAsync(book, me, was => HouseWord.Together(was, words.Value));
    }

    private static Task<Results<Ok<WorkshopView>, ProblemHttpResult>> ForgetAsync(string word, WorkshopBook book, ClaimsPrincipal me) =>
        WithWordsAsync(book, me, was => was.RemoveAll(w => w.Word == word));

    // Two who teach at once both teach: what one adds does not hang on what the other saw.
    private static async Task<Results<Ok<WorkshopView>, ProblemHttpResult>> WithWordsAsync(WorkshopBook book, ClaimsPrincipal me,
        Func<ImmutableArray<HouseWord>, ImmutableArray<HouseWord>> change)
    {
        Problem? problem = null;
        for (var tries = 0; tries < 5; tries++)
        {
            var page = await book.NowAsync();
            var words = change(page.Workshop.Words);
            if (words.Length > HouseWord.Most) return new Problem($"{HouseWord.Most} words are as many as a workshop teaches.",
                "Take some back that are not needed.").ToHttp();
            problem = await book.WriteAsync(w => w with { Words = words }, page.Version, me.Id());
            if (problem is null) return TypedResults.Ok(View(await book.NowAsync(), me));
        }

        return Problems.Refused(problem!);
    }

    private static Outcome<ImmutableArray<Block>> BlocksOf(BlocksForm form) => Each(form.Blocks, Block.Check, b => b.Name, "Give each block its own name.");

    private static Outcome<ImmutableArray<SourceDocument>> DocumentsOf(DocumentsForm form) => Each(form.Documents, SourceDocument.Check, d => d.Name, "Write each document once, with the edition in force.");

    // Each as it is once checked; no name twice.
    private static Outcome<ImmutableArray<T>> Each<T>(IReadOnlyList<T> written, Func<T, Outcome<T>> check, Func<T, string> name, string whatToDo)
    {
        var good = ImmutableArray.CreateBuilder<T>();
        foreach (var one in written)
        {
            var read = check(one);
            if (!read.IsGood) return read.Problem;
            if (good.Any(g => name(g).Equals(name(read.Value), StringComparison.OrdinalIgnoreCase))) return new Problem($"“{NumberText.Excerpt(name(read.Value))}” stands twice.", whatToDo);
            good.Add(read.Value);
        }

        return good.ToImmutable();
    }

    // Every draft and every sheet in review, walked under the rules as they would be.
    private static async Task<Results<Ok<List<TouchedView>>, ProblemHttpResult>> TouchedAsync(RulesForm form, WorkshopBook book, DraftKeeper keeper, WornPathDb db, CancellationToken cancel)
    {
        var rules = HouseRules.Check(form.Rules, Rules.Severities);
        if (!rules.IsGood) return rules.Problem.ToHttp();
        var workshop = (await book.NowAsync()).Workshop with { Rules = rules.Value };
        var touched = new List<TouchedView>();
        foreach (var open in await db.Revisions.AsNoTracking().Where(r => r.State == RevisionState.Draft || r.State == RevisionState.InReview).OrderBy(r => r.Procedure.Number).Select(r => new { r.Id, r.Procedure.Number, r.Procedure.Title, r.Letter }).ToListAsync(cancel))
        {
            using var lease = await keeper.LeaseAsync(open.Id);
            if (lease?.Draft is not { } draft) continue;
            static string Short(Finding f) => $"{f.Rule}{(f.StepNumber is { } n ? $" step {n}" : "")}{(f.Thing is { } t ? $" {t}" : "")}, {EnumWord.Of(f.Severity)}";
            List<string> now = [.. draft.Now.Walks.Findings.Select(Short)], then = [.. Draft.Walked.Of(draft.Now.Sheet, draft.Now.Seq, workshop, draft.Now.Reviewed).Walks.Findings.Select(Short)];
            ImmutableArray<string> comes = [.. then.Except(now)], goes = [.. now.Except(then)];
            if (comes.Length + goes.Length > 0) touched.Add(new TouchedView(open.Id, open.Number, open.Title, open.Letter, comes, goes));
        }

        return TypedResults.Ok(touched);
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
        [.. School.All.Select(s => new SchoolView(s.Key, s.Question, page.Workshop.Rules.Chosen(s).Word, s.Ways))],
        [.. Rules.All.Select(r => r.Info).OrderBy(r => r.Id, StringComparer.Ordinal).Select(r => new RuleView(r.Id, r.Title, r.Severity, page.Workshop.Rules.SeverityOf(r.Id, r.Severity)))],
        page.Workshop.Blocks,
        [.. Block.Usual.Select(b => new UsualBlockView(b, string.Join(' ', b.Cut().Select(s => string.Concat(s.Select(w => w.Text))))))],
        page.Workshop.Documents,
        [.. page.Workshop.Words.Select(WordView.Of)],
        me.IsInRole(Roles.Administrator) || me.IsInRole(Roles.Approver));
}
