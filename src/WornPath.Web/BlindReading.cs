using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.Text.Json;
using System.Security.Claims;
using WornPath.Core;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Web.Drafting;

namespace WornPath.Web;

/// <summary>Says of an endpoint how it goes with somebody who is to read values in their sources first.</summary>
/// <param name="Way">What becomes of its answer.</param>
public sealed record BlindWay(BlindWay.Kind Way)
{
    public enum Kind
    {
        /// <summary>It has no values, or hides them by itself.</summary>
        AsItIs,

        /// <summary>It is nothing but values (a file, a calculation): not given out before they are read.</summary>
        Refused,
    }
}

/// <summary>
/// While a reviewer has values of a revision to read, no answer about it shows them to her: every text of every endpoint under it
/// goes through here, also of one that is added later, unless it says otherwise.
/// </summary>
public sealed class BlindReading : IEndpointFilter
{
    private static readonly ImmutableHashSet<string> LeftOut = ["preload", "counterpart", "justification", "kept", "notes", "undo", "redo", "limits", "table"];

    /// <summary>Whether a person reads a revision blind.</summary>
    public static bool Is(Draft draft, ClaimsPrincipal me) =>
        LifeCycle.ReadsBlind(draft.State, me.Id(), me.IsInRole(Roles.Reviewer) || me.IsInRole(Roles.Approver), [.. draft.Writers], ValueChecks.AnyToRead(draft.Now.Sheet, draft.Now.Reviewed.Checks));

    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var http = context.HttpContext;
        var way = http.GetEndpoint()?.Metadata.GetMetadata<BlindWay>()?.Way;
        if (way == BlindWay.Kind.AsItIs || http.GetRouteValue("id") is not string text || !int.TryParse(text, out var id) || http.User.Identity?.IsAuthenticated != true) return await next(context);
        var drafts = http.RequestServices.GetRequiredService<Drafts>();
        // What cannot be seen anyway is answered for by the endpoint.
        if (!http.User.SeesDrafts() || await drafts.OpenAsync(id) is not { } draft || !Is(draft, http.User)) return await next(context);
        if (way == BlindWay.Kind.Refused) return Problems.Refused(new Problem("You have values of this sheet to read from their sources first.", "Read them under Review; after that you see them here."));
        var result = await next(context);
        var inner = result is INestedHttpResult nested ? nested.Result : result;
        // Who has read the last value meanwhile sees the answer whole.
        if (inner is not IValueHttpResult { Value: { } value } || inner is IStatusCodeHttpResult { StatusCode: >= 400 } || await drafts.OpenAsync(id) is not { } still || !Is(still, http.User)) return result;
        return TypedResults.Json(Blind.Hide(JsonSerializer.SerializeToNode(value, value.GetType(), SheetJson.Options), LeftOut, Blind.Besides(still.Now.Sheet)), SheetJson.Options);
    }
}
