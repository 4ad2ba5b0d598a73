using WornPath.Core;
using WornPath.Core.Findings;
using WornPath.Core.Printing;
using WornPath.Core.Workshops;
using WornPath.Formats;
using WornPath.Formats.Out;

namespace WornPath.Cli;

/// <summary>wornpath export: a procedure file in another format, without a server.</summary>
public static class ExportCommand
{
    /// <summary>Exit code where the file cannot be written.</summary>
    public const int Unwritable = 4;

    /// <summary>Writes a file in a format. Exit code: 0 written, 3 the file cannot be read, 4 it cannot be written.</summary>
    /// <param name="to">Where to; null for the output.</param>
    public static async Task<int> RunAsync(FileInfo file, ExportFormat format, FileInfo? to, Stream output, TextWriter trouble)
    {
        if (await Files.ReadAsync(() => File.ReadAllBytesAsync(file.FullName), trouble) is not { } bytes) return CheckCommand.Unreadable;
        var read = ProcedureFileText.Read(bytes);
        if (!read.IsGood)
        {
            await trouble.WriteLineAsync($"{file}: {read.Problem}");
            return CheckCommand.Unreadable;
        }

        var procedure = read.Value;
        var label = new SheetLabel(procedure.Number, procedure.Title, procedure.Platform, procedure.Revision ?? "", SheetStanding.Unknown, false, "");
        var walked = WalkSet.Run(procedure.Sheet, new Workshop());
        var written = format.Write(SheetDocument.Of(label, PrintedSheet.Of(walked.As(null)), FilePictures.Of(procedure)) with { Findings = walked.Findings });
        Task Write() => to is null ? output.WriteAsync(written).AsTask() : File.WriteAllBytesAsync(to.FullName, written);
        return await Files.WriteAsync(Write, trouble) ? 0 : Unwritable;
    }
}
