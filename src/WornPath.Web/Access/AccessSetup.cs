using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.Identity;
using WornPath.Core;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Hosting;

namespace WornPath.Web.Access;

/// <summary>Puts together how people are let in.</summary>
public static partial class AccessSetup
{
    public static void AddAccess(this WebApplicationBuilder builder, AccessOptions access, string data)
    {
        var services = builder.Services;
        services.AddHttpContextAccessor();
        services.AddDataProtection().SetApplicationName("wornpath").PersistKeysToFileSystem(new DirectoryInfo(Path.Combine(data, "keys")));
        services.AddSingleton<SessionBook>().AddHostedService<SessionSweep>().AddSingleton<SignInGuard>().AddSingleton<KnownBrowsers>()
            .AddSingleton<FactorKeys>().AddSingleton<WorkshopKey>().AddSingleton<Mailbox>();
        services.AddScoped<SignIns>().AddScoped<People>().AddScoped<SecondFactor>().AddScoped<AuditTrail>();
        services.AddIdentityCore<Person>(options =>
        {
            // What a password must be stands in PasswordRules; what holds guessers off, in SignInGuard.
            options.Password = new PasswordOptions
            {
                RequiredLength = 1,
                RequiredUniqueChars = 1,
                RequireDigit = false,
                RequireLowercase = false,
                RequireUppercase = false,
                RequireNonAlphanumeric = false
            };
            options.Lockout.AllowedForNewUsers = false;
        }).AddRoles<IdentityRole>().AddEntityFrameworkStores<WornPathDb>().AddPasswordValidator<PasswordRules>();
        services.AddAuthentication(IdentityConstants.ApplicationScheme)
            .AddCookie(IdentityConstants.ApplicationScheme, options => ConfigureCookie(options, access));
        services.AddAuthorization(options =>
        {
            Policies.Add(options);
            Telemetry.AddPolicy(options, builder.Configuration);
        });
        services.AddAntiforgery(options =>
        {
            options.HeaderName = "X-CSRF-TOKEN";
            options.Cookie.Name = NameOf("wornpath-csrf", access);
            options.Cookie.SameSite = SameSiteMode.Strict;
            options.Cookie.SecurePolicy = SecureOf(access);
        });
        // Who names another host than ours is answered by nobody: links are made from it.
        if (builder.Configuration["AllowedHosts"] is not { Length: > 0 })
            services.PostConfigure<HostFilteringOptions>(options =>
                options.AllowedHosts = [.. (string[])["localhost", "127.0.0.1", "[::1]"], .. access.PublicUrl is { } url
                ? (string[])[url.Host] : []]);
    }

    private const string EndedKey = "wornpath-ended-key";

    /// <summary>Why the session this browser had has ended; null where it had none, or ended it itself.</summary>
    public static async Task<SessionEnd?> WhyEndedAsync(HttpContext context) =>
        context.Items[EndedKey] is string key && await context.RequestServices.GetRequiredService<SessionBook>().WhyAsync(key) is { } why
            && why != SessionEnd.SignedOut ? why : null;

    private static void ConfigureCookie(CookieAuthenticationOptions options, AccessOptions access)
    {
        options.Cookie.Name = NameOf("wornpath", access);
        options.Cookie.HttpOnly = true;
        options.Cookie.SameSite = SameSiteMode.Strict;
        options.Cookie.SecurePolicy = SecureOf(access);
        // The book of sessions says when one ends; the browser forgets the cookie then, and it is not written again.
        options.Cookie.MaxAge = access.Session;
        options.ExpireTimeSpan = TimeSpan.FromDays(3650);
        options.SlidingExpiration = false;
        options.Events.OnValidatePrincipal = async context =>
        {
            var key = context.Principal?.FindFirst(PersonClaims.Key)?.Value;
            var held = key is null ? null : await context.HttpContext.RequestServices.GetRequiredService<SessionBook>().FindAsync(key);
            if (held is not null)
            {
                context.ReplacePrincipal(held.Principal);
                return;
            }

            context.RejectPrincipal();
            context.HttpContext.Items[EndedKey] = key;
        };
        // An API answers with a status; it never sends the caller to a page.
        options.Events.OnRedirectToLogin = context => AnswerAsync(context.HttpContext,
            new Problem("You are not signed in.", "Sign in and try again. What you have typed stays here."), StatusCodes.Status401Unauthorized);
        options.Events.OnRedirectToAccessDenied = context => RefuseAsync(context.HttpContext);
    }

    // Every refusal is in the log (OWASP ASVS 4.0.3, 7.2.2).
    private static Task RefuseAsync(HttpContext context)
    {
        Refused(context.RequestServices.GetRequiredService<ILogger<AuditTrail>>(), context.Request.Method, context.Request.Path,
            context.User.Identity?.Name, AuditTrail.AddressOf(context));
        return context.User.HasClaim(c => c.Type == PersonClaims.FactorDue)
            ? AnswerAsync(context, new Problem("Your role needs a second factor.", "Set it up under your name; then go on."),
                StatusCodes.Status403Forbidden, Problems.AsksFactor)
            : AnswerAsync(context, new Problem("Your role does not allow this.", "Ask somebody who has the role, or an administrator."),
                StatusCodes.Status403Forbidden);
    }

    [LoggerMessage(Level = LogLevel.Information, Message = "Refused: {Method} {Path} to {Who} from {Address}")]
    private static partial void Refused(ILogger logger, string method, string path, string? who, string address);

    // A name that browsers take over https from this host alone (RFC 6265bis, 4.1.3.2).
    private static string NameOf(string name, AccessOptions access) => access.IsHttps ? $"__Host-{name}" : name;

    private static CookieSecurePolicy SecureOf(AccessOptions access) => access.IsHttps ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest;

    private static Task AnswerAsync(HttpContext context, Problem problem, int status, string? asks = null) => problem.ToHttp(status, asks)
        .ExecuteAsync(context);
}
