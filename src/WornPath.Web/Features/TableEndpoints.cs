using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Building;
using WornPath.Formats;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>A pasted fastener table, looked at before it is taken; and the compiled tool list.</summary>
public static class TableEndpoints
{
    /// <summary>What was pasted.</summary>
    public sealed record PastedTable([property: Required, MaxLength(JointTable.Largest)] string Text);

    public static void MapTables(this IEndpointRouteBuilder api)
    {
        var revision = api.MapGroup("/revisions/{id:int}").WithTags("Revision").RequireAuthorization();
        // Nothing is changed by it: the page sends the edit it answers with, if the author takes it.
        revision.MapPost("/joint-table", ReadAsync).RequireAuthorization(Policies.Author).WithName("ReadJointTable");
        revision.MapGet("/tools", ToolsAsync).WithName("GetTools");
    }

    private static async Task<Results<Ok<JointTable>, ProblemHttpResult>> ReadAsync(int id, PastedTable form, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var table = JointTable.Read(form.Text, draft.Now.Sheet);
        return table.IsGood ? TypedResults.Ok(table.Value) : table.Problem.ToHttp();
    }

    private static async Task<Results<Ok<ImmutableArray<ToolLine>>, ProblemHttpResult>> ToolsAsync(int id, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        return TypedResults.Ok(ToolList.Of(draft.Now.Walks.All, draft.Now.Walks.Workshop));
    }
}
