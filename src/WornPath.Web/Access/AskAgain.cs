using WornPath.Core;

namespace WornPath.Web.Access;

/// <summary>
/// Before what counts, the person says again that it is she: with the password or a code of the second factor, at
/// <c>POST /api/session/confirm</c>. A page that a colleague has walked up to releases nothing.
/// </summary>
public static class AskAgain
{
    /// <summary>Marks an endpoint; for the table of who may call what.</summary>
    public sealed record Asked(bool EachTime);

    /// <summary>Asks again before this endpoint: each time, or where it was not done in the last ten minutes.</summary>
    public static RouteHandlerBuilder AskingAgain(this RouteHandlerBuilder endpoint, bool eachTime = false) =>
        endpoint.WithMetadata(new Asked(eachTime)).AddEndpointFilter(async (context, next) =>
    {
        var services = context.HttpContext.RequestServices;
        var now = services.GetRequiredService<TimeProvider>().GetUtcNow().UtcDateTime;
        if (services.GetRequiredService<SessionBook>().Of(context.HttpContext.User) is not { } session) return Asks();
        lock (session)
        {
            if (session.ConfirmedAt is not { } at || now - at > SessionBook.Confirmed) return Asks();
            if (eachTime) session.ConfirmedAt = null;
        }

        return await next(context);
    });

    private static IResult Asks() => new Problem("Say again that it is you.", "Give your password, or a code of your second factor.")
        .ToHttp(StatusCodes.Status403Forbidden, asks: Problems.AsksConfirm);
}
