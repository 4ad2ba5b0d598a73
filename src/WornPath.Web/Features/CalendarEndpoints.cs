using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>
/// A person's calendar, at an address of her own that a calendar program fetches without signing in. Whoever has the address reads what waits for
/// her: it is shown once, kept as a hash, and taken away or made anew at any time.
/// </summary>
public static class CalendarEndpoints
{
    /// <summary>The address, shown once.</summary>
    public sealed record CalendarAddress(string Address);

    /// <summary>A path as it may stand in a log: without the key of a calendar.</summary>
    public static string Shown(PathString path) => path.StartsWithSegments(Feed) ? $"{Feed}/…" : path.Value ?? "";

    private const string Feed = "/api/calendar";

    public static void MapCalendar(this IEndpointRouteBuilder api)
    {
        api.MapPost("/me/calendar", MakeAsync).RequireAuthorization(Policies.SignedIn).AskingAgain().WithTags("Me").WithName("MakeCalendar");
        api.MapDelete("/me/calendar", DropAsync).RequireAuthorization(Policies.SignedIn).WithTags("Me").WithName("DropCalendar");
        api.MapGet("/calendar/{key}", FeedAsync).AllowAnonymous().WithTags("Me").WithName("GetCalendar").Produces<string>(200, "text/calendar");
    }

    private static async Task<Ok<CalendarAddress>> MakeAsync(HttpContext context, WornPathDb db, AccessOptions access)
    {
        var (key, me) = (Hashes.NewSecret(), context.User.Id());
        var hash = Hashes.Of(key);
        await db.Users.Where(p => p.Id == me).ExecuteUpdateAsync(p => p.SetProperty(x => x.CalendarKeyHash, hash));
        return TypedResults.Ok(new CalendarAddress(new Uri(access.Address(context.Request), $"/api/calendar/{key}").AbsoluteUri));
    }

    private static async Task<NoContent> DropAsync(HttpContext context, WornPathDb db)
    {
        var me = context.User.Id();
        await db.Users.Where(p => p.Id == me).ExecuteUpdateAsync(p => p.SetProperty(x => x.CalendarKeyHash, (string?)null));
        return TypedResults.NoContent();
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> FeedAsync(string key, HttpContext context, WornPathDb db,
        UserManager<Person> people, CalendarFeed feed, AccessOptions access)
    {
        var hash = Hashes.Of(key.Length > 100 ? "" : key);
        if (await db.Users.AsNoTracking().FirstOrDefaultAsync(p => p.CalendarKeyHash == hash && p.DisabledAt == null) is not { } person)
            return Problems.NotThere("This calendar");
        context.Response.Headers.CacheControl = "private, no-store";
        var text = await feed.OfAsync(person.Id, [.. await people.GetRolesAsync(person)], access.Address(context.Request));
        return TypedResults.File(Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8", "worn-path.ics");
    }
}
