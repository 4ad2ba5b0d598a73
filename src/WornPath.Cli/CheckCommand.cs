using System.Collections.Immutable;
using WornPath.Core;
using WornPath.Core.Findings;
using WornPath.Core.Workshops;
using WornPath.Formats;

namespace WornPath.Cli;

/// <summary>wornpath check: for who keeps procedures in version control.</summary>
public static class CheckCommand
{
    /// <summary>Exit code where the file cannot be read.</summary>
    public const int Unreadable = 3;

    /// <summary>Checks a file and writes what is found.</summary>
    public static async Task<int> RunAsync(FileInfo file, string format, FileInfo? cribFile, TextWriter output, TextWriter trouble)
    {
        ImmutableArray<Wrench> crib = [];
        Outcome<ProcedureFile> read;
        try
        {
            if (cribFile is not null)
            {
                var tools = CribCsv.Read(await File.ReadAllTextAsync(cribFile.FullName));
                if (!tools.IsGood) return await SayAsync(trouble, cribFile, tools.Problem);
                crib = tools.Value;
            }

            read = ProcedureFileText.Read(await File.ReadAllBytesAsync(file.FullName));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            await trouble.WriteLineAsync(e.Message);
            return Unreadable;
        }

        if (!read.IsGood) return await SayAsync(trouble, file, read.Problem);
        var findings = WalkSet.Run(read.Value.Sheet, new Workshop { Crib = crib }).Findings;
        await output.WriteLineAsync(FindingsReport.Write(read.Value, findings, format, file.ToString()));
        return findings.Any(f => f.Severity == Severity.Stop) ? 2 : findings.Any(f => f.Severity == Severity.Warn) ? 1 : 0;
    }

    private static async Task<int> SayAsync(TextWriter trouble, FileInfo file, Problem problem)
    {
        await trouble.WriteLineAsync($"{file}: {problem}");
        return Unreadable;
    }
}
