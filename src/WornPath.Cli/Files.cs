namespace WornPath.Cli;

/// <summary>Files of whoever runs the command: what cannot be read or written is said in the system's words.</summary>
internal static class Files
{
    /// <summary>What is read; null where it cannot be, which is said.</summary>
    public static async Task<T?> ReadAsync<T>(Func<Task<T>> read, TextWriter trouble)
        where T : class
    {
        try
        {
            return await read();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            await trouble.WriteLineAsync(e.Message);
            return null;
        }
    }

    /// <summary>Whether it could be written; why not is said.</summary>
    public static async Task<bool> WriteAsync(Func<Task> write, TextWriter trouble)
    {
        try
        {
            await write();
            return true;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            await trouble.WriteLineAsync(e.Message);
            return false;
        }
    }
}
