using System.Security.Cryptography;
using WornPath.Web.Access;

namespace WornPath.Web.Hosting;

/// <summary>
/// What every answer tells the browser it may do (OWASP ASVS 4.0.3, 14.4; the OWASP secure headers project). Styles written into the page
/// by the component library carry the nonce of the page; style attributes set by scripts need none, and hold no address.
/// </summary>
public static class PageHeaders
{
    private const string NonceItem = "wornpath-nonce";

    /// <summary>The nonce of the page that is being answered.</summary>
    public static string NonceOf(HttpContext context) =>
        (string)(context.Items[NonceItem] ??= Convert.ToBase64String(RandomNumberGenerator.GetBytes(18)));

    public static IApplicationBuilder UsePageHeaders(this IApplicationBuilder app, AccessOptions options) => app.Use((context, next) =>
    {
        var headers = context.Response.Headers;
        headers.XContentTypeOptions = "nosniff";
        headers.XFrameOptions = "DENY";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers["Permissions-Policy"] = "accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), microphone=(), midi=(), payment=(), usb=()";
        headers.ContentSecurityPolicy = $"default-src 'self'; script-src 'self'; style-src 'self' 'nonce-{NonceOf(context)}'; style-src-attr 'unsafe-inline'; img-src 'self' data:; object-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'self'";
        // Browsers heed it on https alone (RFC 6797, 8.1).
        if (options.IsHttps || context.Request.IsHttps) headers.StrictTransportSecurity = "max-age=31536000; includeSubDomains";
        // Whatever is no file of the page is for who asked; those say themselves how long they may be kept.
        context.Response.OnStarting(() =>
        {
            if (headers.CacheControl.Count == 0) headers.CacheControl = "no-store";
            // An answer of the API that somebody opens as a page is saved, not shown (OWASP ASVS 4.0.3, 14.4.2).
            if (context.Request.Path.StartsWithSegments("/api")
                && headers.ContentDisposition.Count == 0) headers.ContentDisposition = "attachment; filename=\"api.json\"";
            return Task.CompletedTask;
        });
        return next(context);
    });
}
