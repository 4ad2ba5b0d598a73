using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Demo;

namespace WornPath.Web.Features;

/// <summary>Signing in and out, and who is signed in.</summary>
public static class SessionEndpoints
{
    /// <summary>Who is signed in; everything null or empty where nobody is.</summary>
    /// <param name="Id">The person.</param>
    /// <param name="Name">The name others see.</param>
    /// <param name="Roles">What the person may do.</param>
    /// <param name="FactorDue">True while a second factor has to be set up before anything else.</param>
    /// <param name="Ended">Why the session this browser had has ended, where somebody or something else ended it.</param>
    /// <param name="Token">Goes back in the X-CSRF-TOKEN header of every change.</param>
    /// <param name="IdleMinutes">After how many minutes in which nothing is done a session ends.</param>
    /// <param name="IsDemo">True where the database was made as a demo.</param>
    /// <param name="Demo">The demo's people, in a demo only.</param>
    public sealed record SessionView(string? Id, string? Name, IReadOnlyList<string> Roles, bool FactorDue, SessionEnd? Ended,
        string Token, int IdleMinutes, bool IsDemo, IReadOnlyList<DemoPersonView> Demo);

    /// <summary>Somebody of the sample workshop, whom a visitor of the demo can sign in as.</summary>
    public sealed record DemoPersonView(string UserName, string Name, IReadOnlyList<string> Roles, string Password);

    /// <summary>A sign-in.</summary>
    /// <param name="UserName">The account.</param>
    /// <param name="Password">The password.</param>
    /// <param name="Code">A code of the second factor, where one is asked for.</param>
    public sealed record SignIn([property: Required, MaxLength(100)] string UserName,
        [property: Required, MaxLength(200)] string Password, [property: MaxLength(40)] string? Code);

    /// <summary>The password or a code, given again.</summary>
    public sealed record Confirmation([property: MaxLength(200)] string? Password, [property: MaxLength(40)] string? Code);

    /// <summary>The token of a link.</summary>
    public sealed record LinkForm([property: Required, MaxLength(100)] string Token);

    /// <summary>Whom a link is for.</summary>
    public sealed record LinkView(string UserName, string Name, DateTime EndsAt);

    /// <summary>A password chosen with a link.</summary>
    public sealed record JoinForm([property: Required, MaxLength(100)] string Token, [property: Required, MaxLength(200)] string Password);

    public static void MapSession(this IEndpointRouteBuilder api)
    {
        var session = api.MapGroup("/session").WithTags("Session");
        session.MapGet("", async (HttpContext context, IAntiforgery antiforgery, DemoMode demo) =>
            TypedResults.Ok(ViewOf(context, context.User, antiforgery, demo, await AccessSetup.WhyEndedAsync(context)))).AllowAnonymous()
            .WithName("GetSession");
        session.MapPost("", EnterAsync).AllowAnonymous().WithName("SignIn");
        session.MapDelete("", LeaveAsync).RequireAuthorization(Policies.SignedIn).WithName("SignOut");
        session.MapPost("/confirm", ConfirmAsync).RequireAuthorization(Policies.SignedIn).WithName("Confirm");
        // For what the browser fetches by itself: a page asks here first.
        session.MapGet("/confirmed", () => TypedResults.NoContent()).RequireAuthorization(Policies.SignedIn).AskingAgain().WithName("GetConfirmed");
        var join = api.MapGroup("/join").WithTags("Session");
        join.MapPost("/look", LookAsync).AllowAnonymous().WithName("LookAtLink");
        join.MapPost("", JoinAsync).AllowAnonymous().WithName("Join");
    }

    private static SessionView ViewOf(HttpContext context, ClaimsPrincipal person, IAntiforgery antiforgery, DemoMode demo, SessionEnd? ended = null)
    {
        // The token is made for the person signed in, and is given anew with each session.
        context.User = person;
        var token = antiforgery.GetAndStoreTokens(context).RequestToken!;
        return new SessionView(
            person.FindFirstValue(ClaimTypes.NameIdentifier),
            person.FindFirstValue(PersonClaims.DisplayName),
            [.. person.FindAll(ClaimTypes.Role).Select(c => c.Value)],
            person.HasClaim(c => c.Type == PersonClaims.FactorDue),
            ended,
            token,
            (int)context.RequestServices.GetRequiredService<AccessOptions>().Idle.TotalMinutes,
            demo.IsOn,
            demo.IsOn ? [.. DemoPeople.All.Select(p => new DemoPersonView(p.UserName, p.Name, p.Roles, DemoPeople.Password))] : []);
    }

    private static async Task<Results<Ok<SessionView>, ProblemHttpResult>> EnterAsync(SignIn form, SignIns signIns, HttpContext context,
        IAntiforgery antiforgery, DemoMode demo)
    {
        var outcome = await signIns.EnterAsync(context, form.UserName, form.Password, form.Code);
        return outcome is { Answer: SignIns.Answer.In, Principal: { } person }
            ? TypedResults.Ok(ViewOf(context, person, antiforgery, demo)) : Refused(outcome, context);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> ConfirmAsync(Confirmation form, SignIns signIns, HttpContext context)
    {
        var outcome = await signIns.ConfirmAsync(context, form.Password, form.Code);
        if (outcome.Answer == SignIns.Answer.In) return TypedResults.NoContent();
        return outcome.Answer == SignIns.Answer.Wait ? Refused(outcome, context)
            : new Problem("That was not right.", "Check it, and give it once more.").ToHttp();
    }

    private static ProblemHttpResult Refused(SignIns.Outcome outcome, HttpContext context)
    {
        switch (outcome.Answer)
        {
            case SignIns.Answer.CodeAsked:
                return new Problem("The password is right; now the second factor.",
                    "Give the six figures your app shows, or a recovery code.").ToHttp(StatusCodes.Status401Unauthorized, Problems.AsksCode);
            case SignIns.Answer.CodeWrong:
                return new Problem("This code does not open.",
                    "Wait for the next one and give that, or a recovery code. Each opens once.")
                    .ToHttp(StatusCodes.Status401Unauthorized, Problems.AsksCode);
            case SignIns.Answer.Disabled:
                return new Problem("This account is disabled.", "Ask an administrator.").ToHttp(StatusCodes.Status401Unauthorized);
            case SignIns.Answer.Wait:
                context.Response.Headers.RetryAfter = $"{Math.Ceiling(outcome.Wait.TotalSeconds)}";
                return new Problem("Too many wrong tries.",
                    $"Wait {Minutes(outcome.Wait)}, try from a browser you have signed in with before, or ask an administrator to unlock the name.").ToHttp(StatusCodes.Status429TooManyRequests);
            default:
                // The same answer for an unknown name and a wrong password.
                return new Problem("Name and password do not go together.",
                    "Check both. After five wrong tries this place has to wait for a quarter of an hour.").ToHttp(StatusCodes.Status401Unauthorized);
        }
    }

    private static string Minutes(TimeSpan wait) => Math.Ceiling(wait.TotalMinutes) is var n && n <= 1 ? "a minute" : $"{n} minutes";

    private static async Task<NoContent> LeaveAsync(HttpContext context, SessionBook sessions, UserManager<Person> people, AuditTrail audit)
    {
        await sessions.EndAsync(context.User.SessionId(), SessionEnd.SignedOut);
        await context.SignOutAsync(IdentityConstants.ApplicationScheme);
        await audit.WriteAsync(AuditKind.SignedOut, await people.FindByIdAsync(context.User.Id()));
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<LinkView>, ProblemHttpResult>> LookAsync(LinkForm form, People people) =>
        await people.LookAsync(form.Token) is { } link ? TypedResults.Ok(new LinkView(link.Person.UserName!, link.Person.DisplayName,
            link.EndsAt)) : People.NoLink().ToHttp();

    private static async Task<Results<Ok<LinkView>, ProblemHttpResult>> JoinAsync(JoinForm form, People people, TimeProvider time)
    {
        var joined = await people.JoinAsync(form.Token, form.Password);
        return joined.IsGood ? TypedResults.Ok(new LinkView(joined.Value.UserName!, joined.Value.DisplayName, time.GetUtcNow()
            .UtcDateTime)) : joined.Problem.ToHttp();
    }
}
