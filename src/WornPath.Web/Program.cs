using WornPath.Formats;
using System.Reflection;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Diagnostics.HealthChecks;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Data.Sqlite;
using WornPath.Core;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Web;
using WornPath.Web.Access;
using WornPath.Web.Demo;
using WornPath.Web.Drafting;
using WornPath.Web.Features;
using WornPath.Web.Hosting;
using WornPath.Web.Paper;

// The build runs this program to write the OpenAPI document; it must not touch a database then.
var isBuild = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

var builder = WebApplication.CreateBuilder(args);
// Enough for the largest body but a procedure file and a backup, which say their own.
const int largestBody = 9 * 1024 * 1024;
var data = Path.GetFullPath(builder.Configuration["WornPath:Data"] ?? Path.Combine(builder.Environment.ContentRootPath, "var"));
if (!isBuild && OwnFolder.Make(data) is { } notOurs) return await RefuseAsync(notOurs.ToString());
var read = AccessOptions.Read(builder.Configuration);
if (!read.IsGood) return await RefuseAsync(read.Problem.ToString());
var access = read.Value;

builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton(new DataFolder(data));
builder.Services.AddSingleton(access);
builder.Services.AddSingleton(new DemoMode(builder.Configuration.GetValue<bool>("WornPath:Demo"), Path.Combine(AppContext.BaseDirectory, "demo")));
builder.Services.AddWornPathStore(Path.Combine(data, Backup.Database));
builder.Services.AddSingleton(new PictureFiles(data));
builder.Services.AddSingleton<WorkshopBook>();
builder.Services.AddSingleton<DraftKeeper>();
builder.Services.AddSingleton<Live>();
builder.Services.AddSingleton<ShelfIndexer>().AddHostedService(p => p.GetRequiredService<ShelfIndexer>());
builder.Services.AddSingleton<PaperBrowser>().AddSingleton<PaperQueue>().AddHostedService(p => p.GetRequiredService<PaperQueue>());
builder.Services.AddScoped<Drafts>();
builder.Services.AddScoped<Authors>();
builder.Services.AddScoped<Comments>().AddScoped<CommentEndpoints.Call>()
    .AddScoped<FormerEditions>().AddScoped<Desk>().AddScoped<Holders>().AddScoped<CalendarFeed>();
builder.Services.AddSingleton<MarkdownHtml>();
builder.Services.AddScoped<Signatures>().AddScoped<Procedures>();
builder.Services.AddHostedService<RecordKeeper>();
builder.Services.AddScoped<DemoWorkshop>();
builder.Services.AddScoped<RevisionEndpoints.Shelf>();
builder.Services.AddScoped<Former>();
builder.AddAccess(access, data);
builder.AddTelemetry();
builder.Logging.AddConsoleOf(builder.Configuration);
builder.Services.AddSingleton<Readiness>();
builder.Services.AddHealthChecks().AddCheck<Readiness>("ready", tags: ["ready"]);
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
builder.WebHost.ConfigureKestrel(options =>
{
    options.AddServerHeader = false;
    options.Limits.MaxRequestBodySize = largestBody;
});

var app = builder.Build();

app.UseProxies();
app.UseResponseCompression();
app.UsePageHeaders(access);
app.UseExceptionHandler();
app.UseStatusCodePages(ClientPages.InWordsAsync);
app.UseClientPages();
app.UseNothingElse();
app.UseAuthentication();
app.UseAuthorization();
app.UseWhen(context => context.Request.Path.StartsWithSegments("/api"), branch => branch.Use(CheckToken));

var api = app.MapGroup("/api").AddEndpointFilter<BlindReading>();
api.MapSession();
api.MapMe();
api.MapPeople();
api.MapAudit();
api.MapShelf();
api.MapRevisions();
api.MapValues();
api.MapTables();
api.MapMending();
api.MapBuilding();
api.MapWalk();
api.MapPrint();
api.MapDifferences();
api.MapComments();
api.MapDesk();
api.MapUses();
api.MapCalendar();
api.MapPaper();
api.MapPictures();
api.MapWorkshop();
api.MapPages();
api.MapCalculators();
api.MapHelp();
api.MapAuthors();
api.MapBackup();
api.MapHub<LiveHub>("/live");
app.MapOpenApi().RequireAuthorization(Policies.Administrator);
app.MapTelemetry();
app.MapHealthChecks("/health/live", new HealthCheckOptions { Predicate = _ => false }).AllowAnonymous();
app.MapHealthChecks("/health/ready", new HealthCheckOptions { Predicate = check => check.Tags.Contains("ready") }).AllowAnonymous();

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

    if (restored.Value) await db.EndSessionsAsync(DateTime.UtcNow);
    var demo = app.Services.GetRequiredService<DemoMode>();
    var (isDemo, isNew) = await DatabaseKind.OfAsync(db, demo.IsWanted, [.. DemoPeople.All.Select(p => p.UserName)]);
    if (demo.IsWanted && !isDemo)
        return await RefuseAsync($"The database in {data} is a real one and cannot be turned into a demo. Start without WornPath__Demo, or with a folder of its own for the demo.");
    demo.Settle(isDemo);
    var said = await FirstPeople.MakeAsync(scope.ServiceProvider, app.Configuration, isDemo);
    if (isDemo) await scope.ServiceProvider.GetRequiredService<DemoWorkshop>().FillAsync();
    else if (isNew && await FirstPeople.DisableDemoPeopleAsync(scope.ServiceProvider) is { Count: > 0 } known)
    {
        await Console.Out.WriteLineAsync($"People of the demo were in this database, with a password everybody can read: {string.Join(", ", known)}. They are disabled now.");
        said ??= await FirstPeople.MakeAsync(scope.ServiceProvider, app.Configuration, isDemo);
    }

    if (said is not null) await Console.Out.WriteLineAsync(said);
}

await app.RunAsync();
return 0;

// Said plainly, without a trace of the program: it is for whoever starts it.
static async Task<int> RefuseAsync(string why)
{
    await Console.Error.WriteLineAsync($"Worn Path does not start. {why}");
    return 3;
}

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
