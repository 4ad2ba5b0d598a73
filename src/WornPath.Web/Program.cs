using System.Reflection;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Data.Sqlite;
using WornPath.Core;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web;
using WornPath.Web.Demo;
using WornPath.Web.Drafting;
using WornPath.Web.Features;

// The build runs this program to write the OpenAPI document; it must not touch a database then.
var isBuild = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

var builder = WebApplication.CreateBuilder(args);
// Enough for the largest body but a procedure file and a backup, which say their own.
const int largestBody = 9 * 1024 * 1024;
var data = Path.GetFullPath(builder.Configuration["WornPath:Data"] ?? Path.Combine(builder.Environment.ContentRootPath, "var"));
if (!isBuild) Directory.CreateDirectory(data);

builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton(new DataFolder(data));
builder.Services.AddSingleton(new DemoMode(builder.Configuration.GetValue<bool>("WornPath:Demo"), Path.Combine(AppContext.BaseDirectory, "demo")));
builder.Services.AddWornPathStore(Path.Combine(data, Backup.Database));
builder.Services.AddSingleton<WorkshopBook>();
builder.Services.AddSingleton<DraftKeeper>();
builder.Services.AddSingleton<Live>();
builder.Services.AddScoped<Drafts>();
builder.Services.AddScoped<Authors>();
builder.Services.AddSingleton<MarkdownHtml>();
builder.Services.AddScoped<Procedures>();
builder.Services.AddScoped<DemoWorkshop>();
builder.Services.AddScoped<RevisionEndpoints.Shelf>();
builder.Services.AddDataProtection().SetApplicationName("wornpath").PersistKeysToFileSystem(new DirectoryInfo(Path.Combine(data, "keys")));
builder.Services.AddIdentity<Person, IdentityRole>(options =>
{
    options.Password.RequiredLength = 10;
    options.Password.RequireUppercase = false;
    options.Password.RequireNonAlphanumeric = false;
    options.Password.RequireDigit = false;
    options.Lockout.MaxFailedAccessAttempts = 5;
    options.Lockout.DefaultLockoutTimeSpan = TimeSpan.FromMinutes(10);
}).AddEntityFrameworkStores<WornPathDb>().AddClaimsPrincipalFactory<PersonPrincipals>();
builder.Services.ConfigureApplicationCookie(options =>
{
    options.Cookie.Name = "wornpath";
    options.Cookie.HttpOnly = true;
    options.Cookie.SameSite = SameSiteMode.Strict;
    options.ExpireTimeSpan = TimeSpan.FromDays(14);
    // An API answers with a status; it never sends the caller to a page.
    options.Events.OnRedirectToLogin = context => Answer(context.HttpContext, StatusCodes.Status401Unauthorized, "You are not signed in.", "Sign in and try again. What you have typed stays here.");
    options.Events.OnRedirectToAccessDenied = context => Answer(context.HttpContext, StatusCodes.Status403Forbidden, "Your role does not allow this.", "Ask somebody who has the role, or an administrator.");
});
builder.Services.AddAuthorization(Policies.Add);
builder.Services.AddAntiforgery(options =>
{
    options.HeaderName = "X-CSRF-TOKEN";
    options.Cookie.Name = "wornpath-csrf";
    options.Cookie.SameSite = SameSiteMode.Strict;
});
builder.Services.Configure<JsonOptions>(options => SheetJson.Configure(options.SerializerOptions));
builder.Services.AddValidation();
builder.Services.AddProblemDetails();
builder.Services.AddExceptionHandler<Faults>();
builder.Services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
builder.Services.AddSignalR().AddJsonProtocol(options => SheetJson.Configure(options.PayloadSerializerOptions));
builder.Services.AddOpenApi(options => options
    .AddSchemaTransformer((schema, context, _) =>
    {
        // Every edit says what it does; without the word it is none.
        if (schema.Properties?.ContainsKey("do") == true) schema.Required = new HashSet<string>(schema.Required ?? new HashSet<string>()) { "do" };
        return Task.CompletedTask;
    })
    .AddDocumentTransformer((document, context, _) =>
    {
        // Where a word may be missing its place says so; the words themselves are none of them null.
        foreach (var schema in document.Components?.Schemas?.Values ?? [])
            if (schema.Enum is { } words)
                foreach (var none in words.Where(w => w is null || w.GetValueKind() == System.Text.Json.JsonValueKind.Null).ToList()) words.Remove(none);
        return Task.CompletedTask;
    }));
builder.Services.AddResponseCompression(options => options.EnableForHttps = true);
builder.WebHost.ConfigureKestrel(options => options.Limits.MaxRequestBodySize = largestBody);

var app = builder.Build();

app.UseResponseCompression();
app.UseExceptionHandler();
app.UseStatusCodePages();
app.Use((context, next) =>
{
    var headers = context.Response.Headers;
    headers.XContentTypeOptions = "nosniff";
    headers.XFrameOptions = "DENY";
    headers["Referrer-Policy"] = "same-origin";
    // Ant Design Vue writes its styles into the page; scripts come from here alone.
    headers.ContentSecurityPolicy = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'";
    return next();
});
var files = new StaticFileOptions
{
    ContentTypeProvider = new FileExtensionContentTypeProvider(),
    OnPrepareResponse = context => context.Context.Response.Headers.CacheControl =
        context.Context.Request.Path.StartsWithSegments("/assets") ? "public, max-age=31536000, immutable" : "no-cache",
};
app.UseStaticFiles(files);
app.UseAuthentication();
app.UseAuthorization();
app.UseWhen(context => context.Request.Path.StartsWithSegments("/api"), branch => branch.Use(CheckToken));

var api = app.MapGroup("/api").AddEndpointFilter<BlindReading>();
api.MapSession();
api.MapShelf();
api.MapRevisions();
api.MapValues();
api.MapTables();
api.MapMending();
api.MapBuilding();
api.MapWalk();
api.MapPrint();
api.MapWorkshop();
api.MapCalculators();
api.MapHelp();
api.MapAuthors();
api.MapBackup();
api.MapHub<LiveHub>("/live");
api.Map("/{**rest}", () => Problems.NotThere("This address")).AllowAnonymous().ExcludeFromDescription();
app.MapOpenApi().RequireAuthorization(Policies.Administrator);
app.MapFallbackToFile("index.html", files).AllowAnonymous();

if (!isBuild)
{
    // One program a folder; a backup that was handed in is put in place before anything is opened.
    var address = builder.Configuration["urls"] ?? builder.Configuration["ASPNETCORE_URLS"] ?? "its usual address";
    var taken = FolderLock.Take(data, $"the server at {address}", DateTime.UtcNow);
    if (!taken.IsGood) return await RefuseAsync(taken.Problem.ToString());
    app.Lifetime.ApplicationStopped.Register(taken.Value.Dispose);
    var restored = PendingRestore.Apply(data, DateTime.UtcNow);
    if (!restored.IsGood) return await RefuseAsync($"The backup that waits to be restored is not put back. {restored.Problem}");
    await using var scope = app.Services.CreateAsyncScope();
    var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
    try
    {
        await StoreSetup.MigrateAsync(db);
        if (restored.Value) await RestoredSheets.ReadAnewAsync(db, DateTime.UtcNow);
        else await RestoredSheets.ReadByNewReaderAsync(db, DateTime.UtcNow);
    }
    catch (Exception e) when (e is NewerDatabaseException or SqliteException)
    {
        return await RefuseAsync(e is NewerDatabaseException ? e.Message : $"The database in {data} cannot be opened: {e.Message} Look at the disk and the rights of the folder, or restore the last backup.");
    }

    await FirstPeople.MakeAsync(scope.ServiceProvider, app.Configuration, app.Logger);
    if (app.Services.GetRequiredService<DemoMode>().IsOn) await scope.ServiceProvider.GetRequiredService<DemoWorkshop>().FillAsync();
}

await app.RunAsync();
return 0;

// Said plainly, without a trace of the program: it is for whoever starts it.
static async Task<int> RefuseAsync(string why)
{
    await Console.Error.WriteLineAsync($"Worn Path does not start. {why}");
    return 3;
}

static Task Answer(HttpContext context, int status, string what, string todo) => new Problem(what, todo).ToHttp(status).ExecuteAsync(context);

// Every change carries the token that the session gave out; a page of another site has none.
static async Task CheckToken(HttpContext context, RequestDelegate next)
{
    if (!HttpMethods.IsGet(context.Request.Method) && !HttpMethods.IsHead(context.Request.Method))
    {
        if (!await context.RequestServices.GetRequiredService<IAntiforgery>().IsRequestValidAsync(context))
        {
            await new Problem("This page is out of date.", "Reload it and try again. What you have typed stays here.") { Again = true }.ToHttp().ExecuteAsync(context);
            return;
        }
    }

    await next(context);
}

/// <summary>Named for the tests, which start it.</summary>
public sealed partial class Program;
