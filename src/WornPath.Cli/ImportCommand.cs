using WornPath.Formats;
using WornPath.Formats.In;

namespace WornPath.Cli;

/// <summary>wornpath import: an existing procedure in plain text, Markdown or .docx as a procedure file, without a server.</summary>
public static class ImportCommand
{
    /// <summary>
    /// Writes the file, and to the trouble what had no place. Exit code: 0 all of it has its place, 1 something has none, 3 the text cannot be read, 4 the
    /// file cannot be written.
    /// </summary>
    /// <param name="number">The procedure's number; null for the one its title begins with.</param>
    public static async Task<int> RunAsync(FileInfo file, FileInfo to, string? number, TextWriter output, TextWriter trouble)
    {
        if (await Files.ReadAsync(() => File.ReadAllBytesAsync(file.FullName), trouble) is not { } bytes) return CheckCommand.Unreadable;
        var read = WrittenProcedure.Read(bytes);
        var name = Path.GetFileNameWithoutExtension(file.Name);
        var written = read.IsGood ? ProcedureFileText.Write(new ProcedureFile
        {
            Number = number ?? (read.Value.Number.Length > 0 ? read.Value.Number : name),
            Title = read.Value.Title.Length > 0 ? read.Value.Title : name,
            Platform = read.Value.Platform,
            Sheet = read.Value.Sheet,
        }) : read.Problem;
        if (!written.IsGood)
        {
            await trouble.WriteLineAsync($"{file}: {written.Problem}");
            return CheckCommand.Unreadable;
        }

        if (!await Files.WriteAsync(() => File.WriteAllBytesAsync(to.FullName, written.Value), trouble)) return ExportCommand.Unwritable;
        var sheet = read.Value.Sheet;
        await output.WriteLineAsync(
            $"{to}: phases {sheet.Phases.Length}, steps {sheet.Steps.Count()}, joints {sheet.Joints.Length}, questions {sheet.Steps.Sum(s => s.Questions.Length)}");
        foreach (var left in read.Value.Left) await trouble.WriteLineAsync($"{file}: line {left.Line}: left out: {left.What}: {left.Why}");
        return read.Value.Left.IsEmpty ? 0 : 1;
    }
}
