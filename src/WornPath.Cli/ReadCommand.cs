using WornPath.Formats;

namespace WornPath.Cli;

/// <summary>wornpath read: what a plain text of steps is read as, without a server; the same as typed into the page.</summary>
public static class ReadCommand
{
    /// <summary>Reads a file and writes what was read. Exit code: 0 nothing is asked, 1 something is, 3 the file cannot be read.</summary>
    public static async Task<int> RunAsync(FileInfo file, string format, TextWriter output, TextWriter trouble)
    {
        if (await Files.ReadAsync(() => File.ReadAllTextAsync(file.FullName), trouble) is not { } text) return CheckCommand.Unreadable;
        var read = StepsText.Read(text);
        if (!read.IsGood)
        {
            await trouble.WriteLineAsync($"{file}: {read.Problem}");
            return CheckCommand.Unreadable;
        }

        await output.WriteLineAsync(format == "json" ? StepsText.WriteJson(read.Value) : StepsText.Write(read.Value));
        return read.Value.Steps.Any(s => !s.Questions.IsEmpty || !s.Residue.IsEmpty) ? 1 : 0;
    }
}
