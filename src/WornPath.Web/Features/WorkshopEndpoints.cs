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
using WornPath.Web.Access;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The workshop: its wrench crib, its house rules, its source documents, its values and its blocks.</summary>
public static class WorkshopEndpoints
{
    /// <summary>A torque tool, its cells as texts by column.</summary>
    /// <param name="Cells">Its cells.</param>
    /// <param name="UsedFrom">From which value it is used.</param>
    /// <param name="Due">When it is due for calibration; empty while not known.</param>
    /// <param name="Overdue">Why it is overdue; empty where it is not.</param>
    /// <param name="From">The value it is used from, in N·m.</param>
    /// <param name="To">The highest value on its scale, in N·m.</param>
    public sealed record WrenchView(IReadOnlyDictionary<string, string> Cells, string UsedFrom, string Due, string Overdue, double From, double To);

    /// <summary>A rule of the catalogue: its own severity, and the one it has here.</summary>
    public sealed record RuleView(string Id, string Title, Severity Usual, Severity Here);

    /// <summary>A school and the way chosen.</summary>
    public sealed record SchoolView(string Key, string Question, string Chosen, ImmutableArray<Way> Ways);

    /// <summary>The workshop.</summary>
    public sealed record WorkshopView(int Version, HouseRules Rules, ImmutableArray<WrenchView> Crib, IReadOnlyList<string> Columns,
        ImmutableArray<SchoolView> Schools, ImmutableArray<RuleView> Catalogue, ImmutableArray<Block> Blocks,
        ImmutableArray<UsualBlockView> Usual, ImmutableArray<SourceDocument> Documents, ImmutableArray<KeptValueView> Values,
        IReadOnlyDictionary<string, IReadOnlyList<string>> ValueChoices, ImmutableArray<HandToolSet> HandTools, HandToolSet UsualHandTools, ImmutableArray<WordView> Words, bool MayChange);

    /// <summary>A value of the library.</summary>
    /// <param name="Cells">Its cells, by column.</param>
    /// <param name="Version">Its version.</param>
    /// <param name="Says">The value and where it was taken from, in one line.</param>
    /// <param name="Fields">What a joint that takes it has in its fields.</param>
    public sealed record KeptValueView(IReadOnlyDictionary<string, string> Cells, int Version, string Says, IReadOnlyDictionary<string, string> Fields);

    /// <summary>The public half of the key the workshop signs with.</summary>
    /// <param name="Thumbprint">Its SHA-256 thumbprint (RFC 7638): the "kid" of each signature.</param>
    /// <param name="X">Its point on P-256, as a JSON Web Key has it (RFC 7517), base64url.</param>
    /// <param name="Y">The other coordinate.</param>
    public sealed record KeyView(string Thumbprint, string X, string Y);

    /// <summary>A block every workshop has to begin with, and how it reads.</summary>
    public sealed record UsualBlockView(Block Block, string Reads);

    /// <summary>A draft that other house rules would touch.</summary>
    /// <param name="Comes">What would be found besides, in short.</param>
    /// <param name="Goes">What would no longer be found.</param>
    public sealed record TouchedView(int RevisionId, string Number, string Title, string Letter, ImmutableArray<string> Comes, ImmutableArray<string> Goes);

    /// <summary>A house rule at work, and what other rules would touch.</summary>
    public sealed record PreviewView(ImmutableArray<TouchedView> Touched, ImmutableArray<HouseExample> Examples);

    /// <summary>Parts of the workshop written anew; what is left out stays as it is.</summary>
    /// <param name="Version">The version they were written from.</param>
    /// <param name="Crib">The torque tools, as cells.</param>
    /// <param name="HandTools">The sets of hand tools.</param>
    /// <param name="Rules">The house rules.</param>
    /// <param name="Blocks">The workshop's own blocks.</param>
    /// <param name="Documents">The documents values are taken from.</param>
    /// <param name="Values">The values of the library, as cells.</param>
    public sealed record SettingsForm(int Version,
        [property: MaxLength(CribCsv.MostTools)] IReadOnlyList<IReadOnlyDictionary<string, string>>? Crib = null,
        [property: MaxLength(HandToolSet.Most)] IReadOnlyList<HandToolSet>? HandTools = null,
        HouseRules? Rules = null,
        [property: MaxLength(100)] IReadOnlyList<Block>? Blocks = null,
        [property: MaxLength(SourceDocument.Most)] IReadOnlyList<SourceDocument>? Documents = null,
        [property: MaxLength(KeptValue.Most)] IReadOnlyList<IReadOnlyDictionary<string, string>>? Values = null);

    /// <summary>Words to be kept for all sheets.</summary>
    public sealed record WordsForm([property: Required, MaxLength(50)] IReadOnlyList<HouseWord> Words);

    /// <summary>A crib as CSV.</summary>
    public sealed record CribText([property: Required, MaxLength(500_000)] string Csv);

    public static void MapWorkshop(this IEndpointRouteBuilder api)
    {
        var workshop = api.MapGroup("/workshop").WithTags("Workshop").RequireAuthorization();
        workshop.MapGet("", async (WorkshopBook book, ClaimsPrincipal me) => TypedResults.Ok(View(await book.NowAsync(), me))).WithName("GetWorkshop");
        workshop.MapGet("/crib.csv", async (WorkshopBook book) => TypedResults.File(Encoding.UTF8.GetBytes(CribCsv.Write((await book.NowAsync()).Workshop.Crib)), "text/csv", "crib.csv")).WithName("GetCribCsv");
        workshop.MapGet("/key", (WorkshopKey key) => TypedResults.Ok(new KeyView(key.Thumbprint, (string?)key.PublicKey["x"] ?? "",
            (string?)key.PublicKey["y"] ?? ""))).WithName("GetSigningKey");
        workshop.MapPut("", PutAsync).RequireAuthorization(Policies.WorkshopKeeper).WithName("PutWorkshop");
        // Nothing is changed by these two.
        workshop.MapPost("/crib.csv", ReadCrib).RequireAuthorization(Policies.WorkshopKeeper).WithName("ReadCribCsv");
        workshop.MapPost("/preview", PreviewAsync).RequireAuthorization(Policies.WorkshopKeeper).WithName("PreviewWorkshop");
        // Whoever writes teaches; whoever writes or keeps the workshop takes back.
        workshop.MapPost("/words", TeachAsync).RequireAuthorization(Policies.Author).WithName("TeachWords");
        workshop.MapDelete("/words/{word}", ForgetAsync).RequireAuthorization(Policies.Teacher).WithName("TakeWordBack");
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
        if (change((await book.NowAsync()).Workshop.Words).Length > HouseWord.Most)
            return new Problem($"{HouseWord.Most} words are as many as a workshop teaches.", "Take some back that are not needed.").ToHttp();
        return await book.AddAsync(w => w with { Words = change(w.Words) }, me.Id()) is { } problem ? Problems.Refused(problem)
            : TypedResults.Ok(View(await book.NowAsync(), me));
    }

    // Each as it is once checked; no name twice.
    private static Outcome<ImmutableArray<T>> Each<TWritten, T>(IReadOnlyList<TWritten> written, Func<TWritten, Outcome<T>> check, Func<T, string> name, string whatToDo)
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

    /// <summary>How many sheets are searched for an example of a house rule.</summary>
    private const int MostSearched = 40;

    // Every draft and every sheet in review, walked in the workshop as it would be; and each house rule at work on a sheet.
    private static async Task<Results<Ok<PreviewView>, ProblemHttpResult>> PreviewAsync(SettingsForm form, bool? examples,
        WorkshopBook book, DraftKeeper keeper, WornPathDb db, CancellationToken cancel)
    {
        var changes = ChangesOf(form);
        if (!changes.IsGood) return changes.Problem.ToHttp();
        var workshop = changes.Value.Aggregate((await book.NowAsync()).Workshop, (w, c) => c.Put(w));
        var touched = ImmutableArray.CreateBuilder<TouchedView>();
        var shown = new List<(string, WalkSet)>();
        RevisionState[] judged = [RevisionState.Draft, RevisionState.InReview, RevisionState.Released];
        foreach (var open in await db.Revisions.AsNoTracking().Where(r => judged.Contains(r.State))
            .OrderBy(r => r.Procedure.Number).Select(r => new { r.Id, r.State, r.Procedure.Number, r.Procedure.Title, r.Letter }).ToListAsync(cancel))
        {
            var isExample = examples is true && shown.Count < MostSearched;
            // What is released keeps the rules it was released under.
            if (open.State == RevisionState.Released && !isExample) continue;
            using var lease = await keeper.LeaseAsync(open.Id);
            if (lease?.Draft is not { } draft) continue;
            if (isExample) shown.Add((open.Number, draft.Now.Walks));
            if (open.State == RevisionState.Released) continue;
            static string Short(Finding f) => $"{f.Rule}{(f.StepNumber is { } n ? $" step {n}" : "")}{(f.Thing is { } t ? $" {t}" : "")}, {EnumWord.Of(f.Severity)}";
            List<string> now = [.. draft.Now.Walks.Findings.Select(Short)], then = [.. Draft.Walked.Of(draft.Now.Sheet, draft.Now.Seq, workshop, draft.Now.Reviewed).Walks.Findings.Select(Short)];
            ImmutableArray<string> comes = [.. then.Except(now)], goes = [.. now.Except(then)];
            if (comes.Length + goes.Length > 0) touched.Add(new TouchedView(open.Id, open.Number, open.Title, open.Letter, comes, goes));
        }

        return TypedResults.Ok(new PreviewView(touched.ToImmutable(), examples is true ? HouseExamples.Of(workshop, shown) : []));
    }

    private static Results<Ok<IEnumerable<IReadOnlyDictionary<string, string>>>, ProblemHttpResult> ReadCrib(CribText form)
    {
        var crib = CribCsv.Read(form.Csv);
        return crib.IsGood ? TypedResults.Ok(crib.Value.Select(CribCsv.Cells)) : crib.Problem.ToHttp();
    }

    // What of the workshop is written anew, or which part cannot be meant.
    private static Outcome<ImmutableArray<WorkshopBook.Change>> ChangesOf(SettingsForm form)
    {
        var changes = ImmutableArray.CreateBuilder<WorkshopBook.Change>();
        Problem? Take<T>(object? written, Func<Outcome<T>> read, string what, Func<Workshop, object> now, Func<Workshop, T, Workshop> put)
        {
            if (written is null) return null;
            var outcome = read();
            if (outcome.IsGood) changes.Add(new WorkshopBook.Change(what, now, w => put(w, outcome.Value)));
            return outcome.IsGood ? null : outcome.Problem;
        }

        var problem = Take(form.Crib, () => CribOf(form.Crib!), "crib", w => w.Crib, (w, crib) => w with { Crib = crib })
            ?? Take(form.HandTools, () => Each(form.HandTools!, HandToolSet.Check, s => s.Name, "Give each set its own name."),
                "hand tools", w => w.HandTools, (w, sets) => w with { HandTools = sets })
            ?? Take(form.Rules, () => HouseRules.Check(form.Rules!, Rules.Severities), "house rules", w => w.Rules, (w, rules) => w with { Rules = rules })
            ?? Take(form.Blocks, () => Each(form.Blocks!, Block.Check, b => b.Name, "Give each block its own name."),
                "blocks", w => w.Blocks, (w, blocks) => w with { Blocks = Block.Numbered([.. w.AllBlocks], blocks) })
            ?? Take(form.Documents, () => Each(form.Documents!, SourceDocument.Check, d => d.Name, "Write each document once, with the edition in force."),
                "source documents", w => w.Documents, (w, documents) => w with { Documents = documents })
            ?? Take(form.Values, () => Each(form.Values!, KeptValue.Read, v => v.Name, "Give each value its own name."),
                "values", w => w.Values, (w, values) => w with { Values = KeptValue.Numbered(w.Values, values) });
        if (problem is not null) return problem;
        return changes.ToImmutable();
    }

    private static Outcome<ImmutableArray<Wrench>> CribOf(IReadOnlyList<IReadOnlyDictionary<string, string>> written)
    {
        var crib = ImmutableArray.CreateBuilder<Wrench>();
        foreach (var cells in written)
        {
            var wrench = CribCsv.Of(c => cells.GetValueOrDefault(c, "").Trim());
            if (!wrench.IsGood) return wrench.Problem.At(cells.GetValueOrDefault("name") is { Length: > 0 } name ? NumberText.Excerpt(name) : $"tool {crib.Count + 1}");
            if (crib.Any(w => w.Name.Equals(wrench.Value.Name, StringComparison.OrdinalIgnoreCase))) return new Problem($"“{NumberText.Excerpt(wrench.Value.Name)}” stands twice.", "Give each tool its own name.", "name");
            crib.Add(wrench.Value);
        }

        return crib.ToImmutable();
    }

    private static async Task<Results<Ok<WorkshopView>, ProblemHttpResult>> PutAsync(SettingsForm form, WorkshopBook book, FormerEditions editions,
        AccessOptions access, HttpRequest request, ClaimsPrincipal me)
    {
        var changes = ChangesOf(form);
        if (!changes.IsGood) return changes.Problem.ToHttp();
        var before = (await book.NowAsync()).Workshop;
        if (await book.WriteAsync(changes.Value, form.Version, me.Id()) is { } problem) return Problems.Refused(problem);
        if (form.Documents is not null || form.Values is not null || form.Blocks is not null)
            await editions.TellAsync(before, me.Id(), kind => new Uri(access.Address(request),
                $"/workshop/{(kind == UseKind.Source ? "documents" : EnumWord.Of(kind) + "s")}"));
        return TypedResults.Ok(View(await book.NowAsync(), me));
    }

    private static WorkshopView View(WorkshopBook.Page page, ClaimsPrincipal me) => new(
        page.Version,
        page.Workshop.Rules,
        [.. page.Workshop.Crib.Select(w => new WrenchView(
            CribCsv.Cells(w),
            $"{w.UsableFrom.ToString("0.##", CultureInfo.InvariantCulture)} {w.Unit.Symbol()}",
            w.DueOn(page.Workshop.Rules)?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "",
            w.OverdueOn(page.Workshop.Today, page.Workshop.Rules) ?? "",
            new Torque(w.UsableFrom, w.Unit).NewtonMetres,
            w.MaxNewtonMetres))],
        CribCsv.Columns,
        [.. School.All.Select(s => new SchoolView(s.Key, s.Question, page.Workshop.Rules.Chosen(s).Word, s.Ways))],
        [.. Rules.All.Select(r => r.Info).OrderBy(r => r.Id, StringComparer.Ordinal).Select(r => new RuleView(r.Id, r.Title, r.Severity, page.Workshop.Rules.SeverityOf(r.Id, r.Severity)))],
        page.Workshop.Blocks,
        [.. Block.Usual.Select(b => new UsualBlockView(b, b.Reads))],
        page.Workshop.Documents,
        [.. page.Workshop.Values.Select(v => new KeptValueView(v.Cells(), v.Version, v.Says, v.Given()))],
        KeptValue.Choices,
        page.Workshop.HandTools,
        HandToolSet.Usual,
        [.. page.Workshop.Words.Select(WordView.Of)],
        me.IsInRole(Roles.Administrator) || me.IsInRole(Roles.Approver));
}
