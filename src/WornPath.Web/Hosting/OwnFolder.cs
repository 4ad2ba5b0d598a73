namespace WornPath.Web.Hosting;

/// <summary>Where the data are.</summary>
public sealed record DataFolder(string Path);

/// <summary>The data folder is for the account that runs the server, and for nobody else of the machine.</summary>
public static class OwnFolder
{
    private const UnixFileMode Own = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;

    /// <summary>Makes the folder, or takes away what others may do in it. Null where that went well; else what did not.</summary>
    public static string? Make(string path)
    {
        try
        {
            Directory.CreateDirectory(path);
            if (!OperatingSystem.IsWindows() && File.GetUnixFileMode(path) != Own) File.SetUnixFileMode(path, Own);
            return null;
        }
        catch (Exception e) when (e is UnauthorizedAccessException or IOException)
        {
            return e.Message;
        }
    }
}
