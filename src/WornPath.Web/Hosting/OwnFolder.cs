using WornPath.Core;
using WornPath.Store;

namespace WornPath.Web.Hosting;

/// <summary>Where the data are.</summary>
public sealed record DataFolder(string Path);

/// <summary>The data folder is for the account that runs the server, and for nobody else of the machine; and it holds nothing else.</summary>
public static class OwnFolder
{
    private const UnixFileMode Own = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;

    // By any of these a folder is known as a workshop's. (lost+found is the file system's own.)
    private static readonly string[] Ours = [Backup.Database, "wornpath.lock", Backup.Beside, "keys", "secrets", "restore-pending.zip", "lost+found"];

    /// <summary>
    /// Makes the folder, or takes away what others may do in it. Null where that went well; else why the server cannot work there. A
    /// folder of other things is refused and left as it is: its rights are not ours to change.
    /// </summary>
    public static Problem? Make(string path)
    {
        try
        {
            Directory.CreateDirectory(path);
            var there = Directory.EnumerateFileSystemEntries(path).Select(Path.GetFileName).ToList();
            if (there.Count > 0 && !there.Intersect(Ours).Any())
                return new Problem($"The data folder {path} holds other things ({there[0]}).", "Name a folder of its own for the workshop.");
            if (!OperatingSystem.IsWindows() && File.GetUnixFileMode(path) != Own) File.SetUnixFileMode(path, Own);
            return null;
        }
        catch (Exception e) when (e is UnauthorizedAccessException or IOException)
        {
            // Whether it can be written to all the same is found when its lock is taken, which says so.
            return Directory.Exists(path) ? null : new Problem($"The data folder {path} cannot be made: {e.Message}", "Give the account that runs Worn Path the right to write there.");
        }
    }
}
