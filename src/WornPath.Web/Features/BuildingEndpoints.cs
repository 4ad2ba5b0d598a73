using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Building;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>What the program proposes from what holds what: the refit in reverse, and the way to a part.</summary>
public static class BuildingEndpoints
{
    /// <summary>A refit proposed from a phase.</summary>
    /// <param name="Steps">Its sentences, a step each; empty where nothing is off, slack or open when the phase ends.</param>
    /// <param name="Into">The phase they would be written into.</param>
    /// <param name="Edit">The edit that writes them; null where there is nothing to write.</param>
    /// <param name="Choices">What is off, and what may become of it.</param>
    /// <param name="Unsure">What the sheet does not tell about the order.</param>
    public sealed record RefitView(ImmutableArray<string> Steps, string Into, Edit? Edit, ImmutableArray<RefitChoice> Choices, ImmutableArray<string> Unsure);

    /// <summary>The way to a part.</summary>
    /// <param name="Order">Labels of what must come off, in order; the part itself is last.</param>
    /// <param name="Why">Why it is not the first; empty where it can be.</param>
    /// <param name="Circle">What stands in the way, where nothing can come off first; empty elsewhere.</param>
    public sealed record ReachView(ImmutableArray<string> Order, string Why, string Circle);

    /// <summary>A slot of a block.</summary>
    /// <param name="Kind">The kind of thing it takes.</param>
    /// <param name="Name">Its name in the block.</param>
    /// <param name="Likely">Id of the thing of this sheet it is likely to be; empty where it would be a new one.</param>
    /// <param name="Choices">Things of the sheet it can be: id and label.</param>
    public sealed record SlotView(ThingKind Kind, string Name, string Likely, ImmutableArray<SlotChoice> Choices);

    /// <summary>A thing a slot can be.</summary>
    public sealed record SlotChoice(string Id, string Label);

    /// <summary>A block that can be put in.</summary>
    public sealed record BlockView(string Name, ImmutableArray<ImmutableArray<BlockWords>> Steps, ImmutableArray<SlotView> Slots);

    /// <summary>A block to put in, and what its slots are.</summary>
    public sealed record BlockForm([property: Required, MaxLength(Names.Longest)] string Name, [property: Required, MaxLength(24)] string Phase, [property: MaxLength(24)] string? After, [property: Required, MaxLength(60)] IReadOnlyDictionary<string, string> Choices);

    /// <summary>An edit the core has made; the page sends it, if the author takes it.</summary>
    public sealed record EditView(Edit Edit);

    public static void MapBuilding(this IEndpointRouteBuilder api)
    {
        var revision = api.MapGroup("/revisions/{id:int}").WithTags("Building").RequireAuthorization();
        revision.MapGet("/refit", RefitAsync).WithName("GetRefit");
        revision.MapGet("/reach/{part}", ReachAsync).WithName("GetReach");
        revision.MapGet("/sort", SortAsync).WithName("GetSort");
        revision.MapGet("/mirror", MirrorAsync).WithName("GetMirror");
        revision.MapGet("/blocks", BlocksAsync).WithName("GetBlocks");
        revision.MapGet("/ahead", AheadAsync).RequireAuthorization(Policies.Author).WithName("GetAhead");
        api.MapGet("/words", () => TypedResults.Ok(UsualWords.All)).WithTags("Building").RequireAuthorization().WithName("GetUsualWords");
        // Nothing is changed by it: the page sends the edit it answers with.
        revision.MapPost("/blocks", BlockAsync).RequireAuthorization(Policies.Author).WithName("FillBlock");
    }

    private static async Task<Results<Ok<RefitView>, ProblemHttpResult>> RefitAsync(int id, string phase, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var walk = draft.Now.Walks.Whole;
        if (walk.Sheet.Phases.All(p => p.Id != phase)) return Problems.NotThere($"The phase {NumberText.Excerpt(phase)}");
        return TypedResults.Ok(new RefitView(ReverseBuilder.Propose(walk, phase),
            ReverseBuilder.TargetOf(walk, phase)?.Name ?? ReverseBuilder.NewPhase, ReverseBuilder.EditFor(walk, phase),
            ReverseBuilder.Choices(walk, phase), ReverseBuilder.Unsure(walk, phase)));
    }

    private static async Task<Results<Ok<ReachView>, ProblemHttpResult>> ReachAsync(int id, string part, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var sheet = draft.Now.Sheet;
        if (sheet.Find(part) is not Part) return Problems.NotThere($"The part {NumberText.Excerpt(part)}");
        var order = RemovalOrder.Of(sheet);
        var way = order.ToReach(part);
        return TypedResults.Ok(new ReachView(way.IsGood ? [.. way.Value.Select(i => sheet.Find(i)!.Label)] : [], order.Why(part), way.Problem?.ToString() ?? ""));
    }

    private static async Task<Results<Ok<RemovalSort>, ProblemHttpResult>> SortAsync(int id, string phase, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var sorted = RemovalSort.Of(draft.Now.Walks.Whole, phase);
        return sorted.IsGood ? TypedResults.Ok(sorted.Value) : Problems.Refused(sorted.Problem);
    }

    private static async Task<Results<Ok<Mirror>, ProblemHttpResult>> MirrorAsync(int id, string phase, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var mirror = Mirror.Of(draft.Now.Sheet, phase);
        return mirror.IsGood ? TypedResults.Ok(mirror.Value) : Problems.Refused(mirror.Problem);
    }

    private static async Task<Results<Ok<ImmutableArray<BlockView>>, ProblemHttpResult>> BlocksAsync(int id, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var sheet = draft.Now.Sheet;
        return TypedResults.Ok(draft.Now.Walks.Workshop.AllBlocks.Select(b => new BlockView(b.Name, b.Cut(),
            [.. b.SlotsOf().Select(s => new SlotView(s.Kind, s.Name, b.Likely(s, sheet)?.Id ?? "", [.. sheet.Things.Where(t => t.Kind == s.Kind).Select(t => new SlotChoice(t.Id, t.Label))]))])).ToImmutableArray());
    }

    private static async Task<Results<Ok<Ahead>, ProblemHttpResult>> AheadAsync(int id, string step, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        return TypedResults.Ok(Ahead.Of(draft.Now.Walks.Whole, step));
    }

    private static async Task<Results<Ok<EditView>, ProblemHttpResult>> BlockAsync(int id, BlockForm form, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (draft.Now.Walks.Workshop.AllBlocks.FirstOrDefault(b => b.Name == form.Name) is not { } block) return Problems.NotThere($"The block {NumberText.Excerpt(form.Name)}");
        var edit = block.InsertInto(draft.Now.Sheet, form.Phase, form.After, form.Choices);
        return edit.IsGood ? TypedResults.Ok(new EditView(edit.Value)) : edit.Problem.ToHttp();
    }
}
