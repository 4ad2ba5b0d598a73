using WornPath.Formats;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Sheets;

namespace WornPath.Web.Features;

/// <summary>The pages that explain findings, and what the fields of each kind of thing take.</summary>
public static class HelpEndpoints
{
    /// <summary>A finding's page.</summary>
    public sealed record PageView(string Id, string Title, string Html);

    /// <summary>A field of a kind of thing and the texts it can have.</summary>
    public sealed record FieldView(string Name, string Label, IReadOnlyList<string> Choices);

    /// <summary>The fields of a kind of thing.</summary>
    public sealed record KindView(ThingKind Kind, IReadOnlyList<FieldView> Fields);

    public static void MapHelp(this IEndpointRouteBuilder api)
    {
        api.MapGet("/findings/{rule}", PageAsync).RequireAuthorization().WithTags("Help").WithName("GetFindingPage");
        api.MapGet("/fields", () => TypedResults.Ok(Enum.GetValues<ThingKind>()
            .Select(k => new KindView(k, [.. Fields.Of(k).Select(f => new FieldView(f.Name, f.Label, f.Choices))])).ToList())).RequireAuthorization().WithTags("Help").WithName("GetFields");
    }

    private static async Task<Results<Ok<PageView>, ProblemHttpResult>> PageAsync(string rule, MarkdownHtml html, CancellationToken cancel)
    {
        // Only ids of rules name files.
        if (Rules.All.FirstOrDefault(r => r.Info.Id == rule) is not { } known) return Problems.NotThere($"A page on {Core.Quantities.NumberText.Excerpt(rule)}");
        var text = await File.ReadAllTextAsync(Path.Combine(AppContext.BaseDirectory, "findings", known.Info.Id + ".md"), cancel);
        return TypedResults.Ok(new PageView(known.Info.Id, known.Info.Title, html.Of(text)));
    }
}
