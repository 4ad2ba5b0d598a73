using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>What an author may say of a clause, where its chip is pressed.</summary>
public static class MendingEndpoints
{
    /// <summary>A verb, and how the trade says it.</summary>
    public sealed record VerbView(Verb Verb, string Label);

    /// <summary>What can be done to a kind of thing; to the vehicle where the kind is null.</summary>
    public sealed record DoingView(ThingKind? Kind, ImmutableArray<VerbView> Verbs);

    /// <summary>What is said of a clause now, and what may be said instead.</summary>
    /// <param name="Words">The clause.</param>
    /// <param name="Place">Which of its actions it is about.</param>
    /// <param name="Before">What that says now; empty for one more.</param>
    /// <param name="IsSaid">True where it is the author's word.</param>
    /// <param name="Answers">The likeliest things to say.</param>
    /// <param name="Now">What is said now, to be changed.</param>
    /// <param name="Clauses">The clauses of the step, where one more is to be said.</param>
    /// <param name="Doing">What can be done to each kind of thing.</param>
    public sealed record MendingView(string Words, int Place, string Before, bool IsSaid, ImmutableArray<AnswerView> Answers, Saying? Now,
        ImmutableArray<string> Clauses, ImmutableArray<DoingView> Doing);

    /// <summary>Words of a step that tell to do something, and of which nothing came.</summary>
    /// <param name="Words">The clause as it stands.</param>
    /// <param name="JustWords">The edit that says so: they are not shown again.</param>
    public sealed record PlainView(string Words, Edit JustWords);

    private static readonly ImmutableArray<DoingView> Doing =
    [
        .. Enum.GetValues<ThingKind>().Select(k => (ThingKind?)k).Append(null)
            .Select(k => new DoingView(k, [.. Mending.VerbsFor(k).Select(v => new VerbView(v, Asking.Of(v)))])),
    ];

    public static void MapMending(this IEndpointRouteBuilder api)
    {
        // It holds values to be changed: who is to read them in their sources first is not shown them here.
        var step = api.MapGroup("/revisions/{id:int}/steps/{step}").WithTags("Revision").RequireAuthorization(Policies.Author)
            .WithMetadata(new BlindWay(BlindWay.Kind.Refused));
        step.MapGet("/mending", GetAsync).WithName("GetMending");
        step.MapGet("/plain-words", PlainAsync).WithName("GetPlainWords");
    }

    private static async Task<Results<Ok<ImmutableArray<PlainView>>, ProblemHttpResult>> PlainAsync(int id, string step,
        RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (draft.Now.Sheet.FindStep(step) is not { } own) return Problems.NotThere("This step");
        return TypedResults.Ok<ImmutableArray<PlainView>>([.. PlainWords.Of(draft.Now.Sheet, own)
            .Select(words => new PlainView(words, PlainWords.Settle(own, words)))]);
    }

    private static async Task<Results<Ok<MendingView>, ProblemHttpResult>> GetAsync(int id, string step, int? chip, string? words,
        RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var sheet = draft.Now.Sheet;
        if (sheet.FindStep(step) is not { } own) return Problems.NotThere("This step");
        var mending = chip is { } index ? Mending.Of(sheet, own, index) : Mending.More(sheet, own, words);
        if (mending is null) return Problems.NotThere("This chip");
        return TypedResults.Ok(new MendingView(mending.Words, mending.Place, mending.Before, mending.IsSaid,
            [.. mending.Answers.Select(a => new AnswerView(a.Label, a.Edit))], mending.Now,
            chip is null ? Mending.ClausesOf(sheet, own) : [], Doing));
    }
}
