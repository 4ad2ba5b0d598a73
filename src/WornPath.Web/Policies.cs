using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using WornPath.Core.Revisions;

namespace WornPath.Web;

/// <summary>Who may call what.</summary>
public static class Policies
{
    public const string Author = "author";
    public const string Reviewer = "reviewer";
    public const string Approver = "approver";
    public const string Administrator = "administrator";

    /// <summary>Whoever sees sheets that are not released yet.</summary>
    public const string Workshop = "workshop";

    /// <summary>Whoever keeps the crib and answers for the house rules.</summary>
    public const string WorkshopKeeper = "workshop-keeper";

    /// <summary>Whoever may take back a word the workshop taught.</summary>
    public const string Teacher = "teacher";

    public static void Add(AuthorizationOptions options)
    {
        options.AddPolicy(Author, p => p.RequireRole(Roles.Author));
        options.AddPolicy(Reviewer, p => p.RequireRole(Roles.Reviewer, Roles.Approver));
        options.AddPolicy(Approver, p => p.RequireRole(Roles.Approver));
        options.AddPolicy(Administrator, p => p.RequireRole(Roles.Administrator));
        options.AddPolicy(Workshop, p => p.RequireRole(Roles.Author, Roles.Reviewer, Roles.Approver, Roles.Administrator));
        options.AddPolicy(WorkshopKeeper, p => p.RequireRole(Roles.Approver, Roles.Administrator));
        options.AddPolicy(Teacher, p => p.RequireRole(Roles.Author, Roles.Approver, Roles.Administrator));
        // An endpoint that says nothing is for nobody who is not signed in.
        options.FallbackPolicy = new AuthorizationPolicyBuilder().RequireAuthenticatedUser().Build();
    }

    /// <summary>The id of who is signed in. Only behind an endpoint that asks for a signed-in person.</summary>
    public static string Id(this ClaimsPrincipal person) => person.FindFirstValue(ClaimTypes.NameIdentifier) ?? throw new InvalidOperationException("Nobody is signed in.");

    /// <summary>True where the person sees drafts and not only what is released.</summary>
    public static bool SeesDrafts(this ClaimsPrincipal person) =>
        person.IsInRole(Roles.Author) || person.IsInRole(Roles.Reviewer) || person.IsInRole(Roles.Approver) || person.IsInRole(Roles.Administrator);
}
