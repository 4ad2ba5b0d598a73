using System.Globalization;
using WornPath.Core;

namespace WornPath.Store;

/// <summary>
/// One program at a time works in a data folder. The lock is the operating system's, on a file: it goes with the process, however
/// that ends, and no file has to be cleared away by hand.
/// </summary>
public sealed class FolderLock : IDisposable
{
    private const string LockFile = "wornpath.lock";
    private const string HolderFile = "wornpath.holder";

    private readonly FileStream _lock;

    private FolderLock(FileStream held) => _lock = held;

    /// <summary>Takes a folder, or says who has it.</summary>
    /// <param name="folder">The data folder; it must be there.</param>
    /// <param name="what">What takes it, to be told to who comes second ("the server at http://…").</param>
    /// <param name="at">When.</param>
    public static Outcome<FolderLock> Take(string folder, string what, DateTime at)
    {
        FileStream held;
        try
        {
            held = new FileStream(Path.Combine(folder, LockFile), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None, 1);
        }
        catch (UnauthorizedAccessException)
        {
            return new Problem($"The data folder {folder} cannot be written to.", "Give the account that runs Worn Path the right to write there.");
        }
        catch (IOException) when (File.Exists(Path.Combine(folder, LockFile)) && IsWritable(folder))
        {
            return new Problem($"The data folder {folder} is in use by {HolderOf(folder)}.", "End that one first, or give this one a folder of its own.");
        }
        catch (IOException e)
        {
            return new Problem($"The data folder {folder} cannot be written to: {e.Message}", "Look at the disk, and at the rights of the folder.");
        }

        try
        {
            File.WriteAllText(Path.Combine(folder, HolderFile), string.Create(CultureInfo.InvariantCulture, $"{what} (process {Environment.ProcessId} on {Environment.MachineName}, since {at:yyyy-MM-dd HH:mm:ss} UTC)"));
        }
        catch (IOException)
        {
            // Who has it is a courtesy; a full disk does not keep the program from starting.
        }

        return new FolderLock(held);
    }

    public void Dispose() => _lock.Dispose();

    // A folder or disk that is read-only fails alike, and is not in use by anybody.
    private static bool IsWritable(string folder)
    {
        try
        {
            using var open = new FileStream(Path.Combine(folder, LockFile), FileMode.Open, FileAccess.Write, FileShare.ReadWrite | FileShare.Delete, 1);
            return true;
        }
        catch (UnauthorizedAccessException)
        {
            return false;
        }
        catch (IOException e)
        {
            // EROFS: a file system that is mounted read-only.
            return !e.Message.Contains("Read-only", StringComparison.OrdinalIgnoreCase);
        }
    }

    private static string HolderOf(string folder)
    {
        try
        {
            return File.ReadAllText(Path.Combine(folder, HolderFile)).Trim() is { Length: > 0 } holder ? holder : "another process";
        }
        catch (IOException)
        {
            return "another process";
        }
    }
}
