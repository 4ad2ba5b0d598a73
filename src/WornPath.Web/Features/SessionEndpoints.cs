using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Revisions;
using WornPath.Store.Entities;
using WornPath.Web.Demo;

namespace WornPath.Web.Features;

/// <summary>Signing in and out, and who is signed in.</summary>
public static class SessionEndpoints
{
    /// <summary>Who is signed in; everything null or empty where nobody is.</summary>
    /// <param name="Name">The name others see.</param>
    /// <param name="Roles">What the person may do.</param>
    /// <param name="Token">Goes back in the X-CSRF-TOKEN header of every change.</param>
    /// <param name="Demo">The demo people, in demo mode only.</param>
    public sealed record SessionView(string? Id, string? Name, IReadOnlyList<string> Roles, string Token, IReadOnlyList<DemoPersonView> Demo);

    /// <summary>Somebody of the sample workshop, whom a visitor of the demo can sign in as.</summary>
    public sealed record DemoPersonView(string UserName, string Name, IReadOnlyList<string> Roles, string Password);

    /// <summary>A sign-in.</summary>
    public sealed record SignIn([property: Required, MaxLength(100)] string UserName, [property: Required, MaxLength(200)] string Password);

    /// <summary>A new person.</summary>
    public sealed record NewPerson([property: Required, MaxLength(100)] string UserName, [property: Required, MaxLength(100)] string Name, [property: Required, MaxLength(200)] string Password, [property: Required, MaxLength(5)] IReadOnlyList<string> Roles);

    public static void MapSession(this IEndpointRouteBuilder api)
    {
        var session = api.MapGroup("/session").WithTags("Session");
        session.MapGet("", (HttpContext context, IAntiforgery antiforgery, DemoMode demo) => TypedResults.Ok(ViewOf(context, context.User, antiforgery, demo))).AllowAnonymous().WithName("GetSession");
        session.MapPost("", EnterAsync).AllowAnonymous().WithName("SignIn");
        session.MapDelete("", LeaveAsync).RequireAuthorization().WithName("SignOut");
        api.MapPost("/people", AddAsync).RequireAuthorization(Policies.Administrator).WithName("AddPerson").WithTags("Session");
    }

    private static SessionView ViewOf(HttpContext context, ClaimsPrincipal person, IAntiforgery antiforgery, DemoMode demo)
    {
        // The token is made for the person signed in, and is given anew with each session.
        context.User = person;
        var token = antiforgery.GetAndStoreTokens(context).RequestToken!;
        return new SessionView(
            person.FindFirstValue(ClaimTypes.NameIdentifier),
            person.FindFirstValue(PersonClaims.DisplayName),
            [.. person.FindAll(ClaimTypes.Role).Select(c => c.Value)],
            token,
            demo.IsOn ? [.. DemoPeople.All.Select(p => new DemoPersonView(p.UserName, p.Name, p.Roles, DemoPeople.Password))] : []);
    }

    private static async Task<Results<Ok<SessionView>, ProblemHttpResult>> EnterAsync(SignIn form, SignInManager<Person> signIn, HttpContext context, IAntiforgery antiforgery, DemoMode demo)
    {
        var person = await signIn.UserManager.FindByNameAsync(form.UserName);
        // The same answer for an unknown name and a wrong password.
        var refused = new Problem("Name and password do not go together.", "Check both. After five wrong tries the name is locked for ten minutes.");
        if (person is null) return refused.ToHttp(StatusCodes.Status401Unauthorized);
        var result = await signIn.CheckPasswordSignInAsync(person, form.Password, lockoutOnFailure: true);
        if (result.IsLockedOut)
            return new Problem("This name is locked after repeated wrong tries.", "Wait ten minutes, or ask an administrator.").ToHttp(StatusCodes.Status423Locked);
        if (!result.Succeeded) return refused.ToHttp(StatusCodes.Status401Unauthorized);
        await signIn.SignInAsync(person, isPersistent: true);
        return TypedResults.Ok(ViewOf(context, await signIn.CreateUserPrincipalAsync(person), antiforgery, demo));
    }

    private static async Task<NoContent> LeaveAsync(SignInManager<Person> signIn)
    {
        await signIn.SignOutAsync();
        return TypedResults.NoContent();
    }

    private static async Task<Results<Created, ProblemHttpResult>> AddAsync(NewPerson form, UserManager<Person> people)
    {
        if (form.Roles.Count == 0 || form.Roles.Except(Roles.All).Any())
            return new Problem("A person needs at least one role.", $"Choose among: {string.Join(", ", Roles.All)}.").ToHttp();
        var name = PersonName.Check(form.Name);
        if (!name.IsGood) return name.Problem.ToHttp();
        var key = PersonName.Key(name.Value);
        if (await people.Users.FirstOrDefaultAsync(p => p.NameKey == key) is { } other) return new Problem($"“{name.Value}” looks like {other.DisplayName}, who is here already.", "Give a name that tells the two apart.") { Clash = new Clash(other.DisplayName, name.Value) }.ToHttp();
        var person = new Person { UserName = form.UserName, DisplayName = name.Value, NameKey = key };
        var made = await people.CreateAsync(person, form.Password);
        if (!made.Succeeded) return new Problem(string.Join(" ", made.Errors.Select(e => e.Description)), "Change it and send it again.").ToHttp();
        await people.AddToRolesAsync(person, form.Roles);
        return TypedResults.Created((string?)null);
    }
}

/// <summary>Claims a signed-in person carries beside the usual ones.</summary>
public static class PersonClaims
{
    public const string DisplayName = "wornpath:name";
}

/// <summary>Adds the name others see to who is signed in.</summary>
public sealed class PersonPrincipals(UserManager<Person> people, RoleManager<IdentityRole> roles, Microsoft.Extensions.Options.IOptions<IdentityOptions> options)
    : UserClaimsPrincipalFactory<Person, IdentityRole>(people, roles, options)
{
    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Person user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        identity.AddClaim(new Claim(PersonClaims.DisplayName, user.DisplayName));
        return identity;
    }
}
