using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;

namespace WornPath.Web.Access;

/// <summary>
/// Marks a browser in which somebody has signed in: a cookie that opens nothing, but lets this browser try again where others are held
/// off. It names the last few people.
/// </summary>
public sealed class KnownBrowsers(IDataProtectionProvider protection, AccessOptions options)
{
    private const string Cookie = "wornpath-browser";
    private const int MostPeople = 8;
    private static readonly TimeSpan Lasts = TimeSpan.FromDays(180);

    private readonly ITimeLimitedDataProtector _protector = protection.CreateProtector("browsers").ToTimeLimitedDataProtector();

    /// <summary>What marks this browser for a person; null where she has not signed in here.</summary>
    public string? Mark(HttpContext context, string? personId)
    {
        var (browser, people) = Read(context);
        return personId is not null && people.Contains(personId) ? $"browser {browser}" : null;
    }

    /// <summary>She has signed in here.</summary>
    public void Note(HttpContext context, string personId)
    {
        var (browser, people) = Read(context);
        var text = string.Join(' ', people.Where(p => p != personId).Prepend(personId).Take(MostPeople).Prepend(browser ?? Hashes.NewSecret()));
        context.Response.Cookies.Append(Cookie, _protector.Protect(text, Lasts),
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Strict,
                Path = "/api/session",
                MaxAge = Lasts,
                Secure = options.IsHttps || context.Request.IsHttps
            });
    }

    private (string? Browser, string[] People) Read(HttpContext context)
    {
        if (context.Request.Cookies[Cookie] is not { } cookie) return (null, []);
        try
        {
            var words = _protector.Unprotect(cookie).Split(' ');
            return (words[0], words[1..]);
        }
        catch (CryptographicException)
        {
            return (null, []);
        }
    }
}
