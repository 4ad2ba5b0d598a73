using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using WornPath.Core.Revisions;
using WornPath.Web.Access;

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

    /// <summary>Whoever is signed in, a second factor set up or not: for a person's own access alone.</summary>
    public const string SignedIn = "signed-in";

    public static void Add(AuthorizationOptions options)
    {
        AddRoles(Author, Roles.Author);
        AddRoles(Reviewer, Roles.Reviewer, Roles.Approver);
        AddRoles(Approver, Roles.Approver);
        AddRoles(Administrator, Roles.Administrator);
        AddRoles(Workshop, [.. Roles.SeeDrafts]);
        AddRoles(WorkshopKeeper, [.. Roles.KeepWorkshop]);
        AddRoles(Teacher, Roles.Author, Roles.Approver, Roles.Administrator);
        options.AddPolicy(SignedIn, p => p.RequireAuthenticatedUser());
        // An endpoint that says nothing is for nobody who is not signed in.
        options.DefaultPolicy = options.FallbackPolicy = Whole(new AuthorizationPolicyBuilder().RequireAuthenticatedUser()).Build();

        void AddRoles(string name, params string[] roles) => options.AddPolicy(name, p => Whole(p.RequireRole(roles)));
    }

    // Whoever still has to set up a second factor does nothing else.
    private static AuthorizationPolicyBuilder Whole(AuthorizationPolicyBuilder policy) =>
        policy.RequireAssertion(c => !c.User.HasClaim(x => x.Type == PersonClaims.FactorDue));

    /// <summary>The id of who is signed in. Only behind an endpoint that asks for a signed-in person.</summary>
    public static string Id(this ClaimsPrincipal person) => person.FindFirstValue(ClaimTypes.NameIdentifier) ?? throw new InvalidOperationException("Nobody is signed in.");

    /// <summary>True where the person sees drafts and not only what is released.</summary>
    public static bool SeesDrafts(this ClaimsPrincipal person) => Roles.SeeDrafts.Any(person.IsInRole);
}
