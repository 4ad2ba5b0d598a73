using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using WornPath.Core;

namespace WornPath.Web;

/// <summary>Problems of the core as RFC 9457 problem details: what happened in the title, what to do in the detail.</summary>
public static class Problems
{
    /// <summary>The person is asked to say again that it is she.</summary>
    public const string AsksConfirm = "confirm";

    /// <summary>The person is asked for a code of the second factor.</summary>
    public const string AsksCode = "code";

    /// <summary>The person is asked to set up a second factor first.</summary>
    public const string AsksFactor = "factor";

    /// <summary>400: the input cannot be taken; 409 where somebody else's value stands in the way.</summary>
    /// <param name="problem">What happened and what to do.</param>
    /// <param name="status">The HTTP status.</param>
    /// <param name="asks">What the page is to ask the person for, if anything: one of the words above.</param>
    public static ProblemHttpResult ToHttp(this Problem problem, int status = StatusCodes.Status400BadRequest, string? asks = null)
    {
        var details = new ProblemDetails
        {
            Status = problem.Clash is null ? status : StatusCodes.Status409Conflict,
            Title = problem.Where is null ? problem.What : $"{problem.Where}: {problem.What}",
            Detail = problem.WhatToDo,
        };
        if (problem.Clash is { } clash)
        {
            details.Extensions["theirs"] = clash.Theirs;
            details.Extensions["yours"] = clash.Yours;
        }

        // The page sends it again by itself.
        if (problem.Again) details.Extensions["again"] = true;
        if (asks is not null) details.Extensions["asks"] = asks;
        return TypedResults.Problem(details);
    }

    /// <summary>409: it cannot be done in the state things are in.</summary>
    public static ProblemHttpResult Refused(Problem problem) => problem.ToHttp(StatusCodes.Status409Conflict);

    /// <summary>404.</summary>
    public static ProblemHttpResult NotThere(string what) => new Problem($"{what} is not there.", "Look for it on the shelf.").ToHttp(StatusCodes.Status404NotFound);
}
