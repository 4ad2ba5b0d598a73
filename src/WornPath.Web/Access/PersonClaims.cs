using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using WornPath.Core.Revisions;
using WornPath.Store.Entities;

namespace WornPath.Web.Access;

/// <summary>What is known of who is signed in. The cookie holds the key of a session and nothing else; this is made from the database.</summary>
public static class PersonClaims
{
    public const string DisplayName = "wornpath:name";

    /// <summary>Number of the session.</summary>
    public const string Session = "wornpath:session";

    /// <summary>The key of the session, in the cookie alone.</summary>
    public const string Key = "wornpath:key";

    /// <summary>There while a second factor has still to be set up: nothing but that may be done.</summary>
    public const string FactorDue = "wornpath:factor-due";

    /// <summary>Who is signed in with a session.</summary>
    public static ClaimsPrincipal Of(Person person, IEnumerable<string> roles, int session, bool isFactorDue)
    {
        var identity = new ClaimsIdentity(IdentityConstants.ApplicationScheme);
        identity.AddClaims([new(ClaimTypes.NameIdentifier, person.Id), new(ClaimTypes.Name, person.UserName!),
            new(DisplayName, person.DisplayName), new(Session, $"{session}")]);
        if (isFactorDue) identity.AddClaim(new Claim(FactorDue, "true"));
        identity.AddClaims(roles.OrderBy(r => Array.IndexOf([.. Roles.All], r)).Select(r => new Claim(ClaimTypes.Role, r)));
        return new ClaimsPrincipal(identity);
    }

    /// <summary>What the cookie holds.</summary>
    public static ClaimsPrincipal OfKey(string key) => new(new ClaimsIdentity([new Claim(Key, key)], IdentityConstants.ApplicationScheme));

    /// <summary>Number of the session this request belongs to. Only behind an endpoint that asks for a signed-in person.</summary>
    public static int SessionId(this ClaimsPrincipal person) =>
        int.Parse(person.FindFirstValue(Session) ?? throw new InvalidOperationException("Nobody is signed in."));
}
