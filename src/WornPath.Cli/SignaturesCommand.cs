using WornPath.Core;
using WornPath.Formats;

namespace WornPath.Cli;

/// <summary>wornpath signatures: who signed a procedure file, and that it is what they signed.</summary>
public static class SignaturesCommand
{
    /// <summary>Exit code where nobody has signed it, or not all with the key that is asked for.</summary>
    public const int Unsigned = 1;

    /// <summary>Says who signed a file. One that was changed since is refused as it is on the page.</summary>
    /// <param name="key">Thumbprint of the key all signatures have to be of; null for any.</param>
    public static async Task<int> RunAsync(FileInfo file, string? key, TextWriter output, TextWriter trouble)
    {
        Outcome<ProcedureFile> read;
        try
        {
            read = ProcedureFileText.Read(await File.ReadAllBytesAsync(file.FullName));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            await trouble.WriteLineAsync(e.Message);
            return CheckCommand.Unreadable;
        }

        if (!read.IsGood)
        {
            await trouble.WriteLineAsync($"{file}: {read.Problem}");
            return CheckCommand.Unreadable;
        }

        // Each was held against the file when it was read.
        var signed = (read.Value.Signatures ?? []).Select(s => SignedFile.Read(s).Value).ToList();
        foreach (var says in signed) await output.WriteLineAsync($"{says.Number} {says.Revision}: signed by {says.Who}, {says.At}, with the key {says.Key}");
        if (signed.Count == 0) await trouble.WriteLineAsync($"{file}: nobody has signed it.");
        var others = key is null ? [] : signed.FindAll(s => s.Key != key);
        if (others.Count > 0) await trouble.WriteLineAsync($"{file}: not signed with the key {key}: {string.Join(", ", others.Select(o => o.Who))}");
        return signed.Count == 0 || others.Count > 0 ? Unsigned : 0;
    }
}
