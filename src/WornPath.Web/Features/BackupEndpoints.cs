using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Identity;
using WornPath.Core;
using WornPath.Formats.Out;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Hosting;

namespace WornPath.Web.Features;

/// <summary>Backups, for an administrator: taken while everybody works on; put back at the next start.</summary>
public static class BackupEndpoints
{
    /// <summary>A backup that waits to be put back.</summary>
    /// <param name="At">When it was taken.</param>
    public sealed record Waiting(DateTime At);

    // Larger than any other body: a whole workshop.
    private sealed class NoLimit : IRequestSizeLimitMetadata
    {
        public long? MaxRequestBodySize => null;
    }

    public static void MapBackup(this IEndpointRouteBuilder api)
    {
        var backup = api.MapGroup("/backup").WithTags("Backup").RequireAuthorization(Policies.Administrator);
        backup.MapGet("", GetAsync).AskingAgain().WithName("GetBackup").Produces<byte[]>(200, "application/zip");
        backup.MapGet("/open", OpenAsync).AskingAgain().WithName("TakeOutWorkshop").Produces<byte[]>(200, "application/zip");
        backup.MapPost("/restore", PutAsync).AskingAgain().WithName("StageRestore").WithMetadata(new NoLimit()).Accepts<byte[]>("application/zip");
        backup.MapDelete("/restore", async (HttpContext context, DataFolder data, AuditTrail audit, UserManager<Person> people) =>
        {
            File.Delete(PendingRestore.In(data.Path));
            await audit.WriteAsync(AuditKind.RestoreDropped, await people.FindByIdAsync(context.User.Id()));
            return TypedResults.NoContent();
        }).WithName("DropRestore");
    }

    private static async Task<Results<FileStreamHttpResult, ProblemHttpResult>> GetAsync(HttpContext context, DataFolder data,
        AuditTrail audit, UserManager<Person> people, TimeProvider time)
    {
        var at = time.GetUtcNow().UtcDateTime;
        await audit.WriteAsync(AuditKind.BackupTaken, await people.FindByIdAsync(context.User.Id()));
        var file = Path.GetTempFileName();
        var written = Backup.Write(data.Path, file, at);
        if (!written.IsGood)
        {
            File.Delete(file);
            return written.Problem.ToHttp(StatusCodes.Status500InternalServerError);
        }

        var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.Read, 1 << 16, FileOptions.DeleteOnClose | FileOptions.Asynchronous);
        return TypedResults.File(stream, "application/zip", Name("wornpath", at));
    }

    // The same workshop in forms other programs read (docs/formats).
    private static async Task<Results<FileStreamHttpResult, ProblemHttpResult>> OpenAsync(HttpContext context, DataFolder data,
        AuditTrail audit, UserManager<Person> people, TimeProvider time)
    {
        var at = time.GetUtcNow().UtcDateTime;
        await audit.WriteAsync(AuditKind.WorkshopTakenOut, await people.FindByIdAsync(context.User.Id()));
        // Gone with the answer, whatever becomes of it.
        var stream = new FileStream(Path.GetTempFileName(), FileMode.Create, FileAccess.ReadWrite, FileShare.None, 1 << 16,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous);
        Outcome<ArchiveManifest>? written = null;
        try
        {
            written = await Archive.WriteAsync(data.Path, stream, at, r => RevisionForms.Of(r.Number, r.Title, r.Platform, r.Letter, r.State, r.Sheet,
                r.Picture));
        }
        finally
        {
            if (written is not { IsGood: true }) await stream.DisposeAsync();
        }

        if (written is { IsGood: false, Problem: var problem }) return problem.ToHttp(StatusCodes.Status500InternalServerError);
        stream.Position = 0;
        return TypedResults.File(stream, "application/zip", Name("wornpath-open", at));
    }

    private static string Name(string name, DateTime at) => string.Create(CultureInfo.InvariantCulture, $"{name}-{at:yyyyMMdd-HHmmss}.zip");

    // Checked whole before it waits; what stands goes on until the server is started again.
    private static async Task<Results<Ok<Waiting>, ProblemHttpResult>> PutAsync(HttpRequest request, DataFolder data, AuditTrail audit,
        UserManager<Person> people, CancellationToken cancel)
    {
        var part = PendingRestore.In(data.Path) + ".part";
        var work = Directory.CreateTempSubdirectory("wornpath-restore-");
        try
        {
            await using (var file = new FileStream(part, FileMode.Create, FileAccess.Write)) await request.Body.CopyToAsync(file, cancel);
            var checkedWhole = Backup.Unpack(part, work.FullName);
            if (!checkedWhole.IsGood) return checkedWhole.Problem.ToHttp();
            File.Move(part, PendingRestore.In(data.Path), overwrite: true);
            await audit.WriteAsync(AuditKind.RestoreStaged, await people.FindByIdAsync(request.HttpContext.User.Id()),
                text: string.Create(CultureInfo.InvariantCulture, $"backup of {checkedWhole.Value.At:u}"));
            return TypedResults.Ok(new Waiting(checkedWhole.Value.At));
        }
        finally
        {
            File.Delete(part);
            work.Delete(recursive: true);
        }
    }
}

/// <summary>A backup an administrator has handed in: it is put in place before the database is opened.</summary>
public static class PendingRestore
{
    /// <summary>The file it waits in.</summary>
    public static string In(string folder) => Path.Combine(folder, "restore-pending.zip");

    /// <summary>Puts it in place, if there is one. Returns true where it was; the problem where it could not be.</summary>
    public static Outcome<bool> Apply(string folder, DateTime at)
    {
        var pending = In(folder);
        if (!File.Exists(pending)) return false;
        var restored = Backup.Restore(pending, folder, at);
        if (!restored.IsGood) return restored.Problem;
        File.Delete(pending);
        return true;
    }
}
