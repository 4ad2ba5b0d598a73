using System.Text.Json;
using System.Text.RegularExpressions;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Formats;

/// <summary>Reads and writes the project's own open format.</summary>
public static partial class ProcedureFileText
{
    /// <summary>The largest file taken, in bytes.</summary>
    public const int Largest = 8 * 1024 * 1024;

    private static readonly JsonSerializerOptions Written = SheetJson.Configure(new JsonSerializerOptions { WriteIndented = true });

    private static readonly JsonSerializerOptions Taken = SheetJson.Configure(new JsonSerializerOptions
    {
        ReadCommentHandling = JsonCommentHandling.Skip,
        AllowTrailingCommas = true,
        UnmappedMemberHandling = System.Text.Json.Serialization.JsonUnmappedMemberHandling.Disallow,
        MaxDepth = 32,
    });

    /// <summary>The file's text.</summary>
    public static byte[] Write(ProcedureFile file) => [.. JsonSerializer.SerializeToUtf8Bytes(file, Written), (byte)'\n'];

    /// <summary>
    /// Reads a file. Steps that hold text alone are read into actions; steps that hold actions keep them. Every way a file
    /// can be bad has a problem that says where and what to do.
    /// </summary>
    public static Outcome<ProcedureFile> Read(ReadOnlyMemory<byte> bytes)
    {
        if (bytes.Length > Largest) return new Problem($"The file has {bytes.Length / 1024:N0} kB.", $"A procedure file has at most {Largest / 1024 / 1024} MB: is this one?");
        if (bytes.Span.Trim(" \r\n\t"u8).IsEmpty) return new Problem("The file is empty.", "Get it again from where it came.");
        if (CheckHead(bytes.Span) is { } bad) return bad;
        ProcedureFile? file;
        try
        {
            file = JsonSerializer.Deserialize<ProcedureFile>(bytes.Span, Taken);
        }
        catch (JsonException e)
        {
            return Explain(e);
        }

        if (file is null) return new Problem("The file holds nothing.", "Choose a procedure file.");
        return Check(file).At("The file");
    }

    // Format and version are looked at before anything else: a later version may hold what this one cannot read.
    private static Problem? CheckHead(ReadOnlySpan<byte> bytes)
    {
        try
        {
            var reader = new Utf8JsonReader(bytes, new JsonReaderOptions { CommentHandling = JsonCommentHandling.Skip, AllowTrailingCommas = true });
            if (!reader.Read() || reader.TokenType != JsonTokenType.StartObject) return new Problem("The file is not a procedure file.", "Choose one that Worn Path wrote.");
            string? format = null;
            int? version = null;
            while (reader.Read() && reader.TokenType == JsonTokenType.PropertyName && (format is null || version is null))
            {
                var name = reader.GetString();
                reader.Read();
                if (name == "format" && reader.TokenType == JsonTokenType.String) format = reader.GetString();
                else if (name == "version" && reader.TokenType == JsonTokenType.Number && reader.TryGetInt32(out var v)) version = v;
                else reader.Skip();
            }

            if (format != ProcedureFile.FormatName) return new Problem("The file is JSON, but not a procedure file.", $"Its “format” must be “{ProcedureFile.FormatName}”.");
            if (version is null or < 1) return new Problem("The file does not say its format version.", "Its “version” must be a whole number from 1.");
            return version > ProcedureFile.NewestVersion
                ? new Problem($"The file has format version {version}; this program reads up to version {ProcedureFile.NewestVersion}.", "Bring the program up to date, or have the file saved in an older version.")
                : null;
        }
        catch (JsonException e)
        {
            return Explain(e);
        }
    }

    private static Problem Explain(JsonException e)
    {
        var line = e.LineNumber is { } n ? $"line {n + 1}" : null;
        var path = string.IsNullOrEmpty(e.Path) || e.Path == "$" ? null : e.Path;
        var where = string.Join(", ", new[] { line, path }.OfType<string>());
        var cut = e.Message.Contains("incomplete", StringComparison.OrdinalIgnoreCase) || e.Message.Contains("end of data", StringComparison.OrdinalIgnoreCase) || e.Message.Contains("no more data", StringComparison.OrdinalIgnoreCase)
            || e.Message.Contains("Expected depth to be zero", StringComparison.OrdinalIgnoreCase);
        return cut
            ? new Problem("The file is cut off.", "Get it again from where it came.", where.Length > 0 ? where : null)
            : new Problem($"The file cannot be read: {(FirstSentence().Match(e.Message.Trim()).Value is { Length: > 0 } said ? said.TrimEnd('.') : "it is no JSON")}.", "Mend it there, or get it again from where it came.", where.Length > 0 ? where : null);
    }

    [GeneratedRegex(@"^[^\n]*?(?:\.(?=\s)|$)")]
    private static partial Regex FirstSentence();

    private static Outcome<ProcedureFile> Check(ProcedureFile file)
    {
        if (string.IsNullOrWhiteSpace(file.Title) || file.Title.Length > 200) return new Problem("The title is empty or longer than 200 characters.", "Give it one.");
        if (string.IsNullOrWhiteSpace(file.Number) || file.Number.Length > 40) return new Problem("The number is empty or longer than 40 characters.", "Give it one.");
        var sheet = file.Sheet;
        var ids = new HashSet<string>();
        foreach (var thing in sheet.Things)
        {
            if (!ThingId().IsMatch(thing.Id) || !thing.Id.StartsWith(Thing.Letter(thing.Kind), StringComparison.Ordinal))
                return new Problem($"“{thing.Id}” is no id of a {thing.Kind.ToString().ToLowerInvariant()}.", $"Write {Thing.Letter(thing.Kind)} and a number.");
            if (!ids.Add(thing.Id)) return new Problem($"The id {thing.Id} stands twice.", "Give each thing its own.");
            if (Fields.CheckName(sheet, thing.Name, thing.Id) is { IsGood: false } name) return name.Problem.At(thing.Id);
        }

        foreach (var joint in sheet.Joints)
            if (joint.Pattern?.CheckCount(joint.Count) is { } pattern) return pattern.At(joint.Id);
        foreach (var id in sheet.Joints.SelectMany(j => j.Holds).Concat(sheet.Parts.SelectMany(p => p.Behind)))
            if (sheet.Find(id) is not Part) return new Problem($"{id} is held or covered, and no part has this id.", "Add the part or take the id out.");
        if (sheet.Phases.Select(p => p.Id).Distinct().Count() != sheet.Phases.Length) return new Problem("A phase id stands twice.", "Give each phase its own.");
        var number = 0;
        var steps = new HashSet<string>();
        foreach (var step in sheet.Steps)
        {
            number++;
            if (!steps.Add(step.Id)) return new Problem($"The step id {step.Id} stands twice.", "Give each step its own.");
            if (step.Text.Length > Editor.LongestStep) return new Problem($"Step {number} has {step.Text.Length:N0} characters; at most {Editor.LongestStep:N0} are taken.", "Split it.");
            foreach (var id in step.Actions.SelectMany(a => new[] { a.Target, a.With }).OfType<string>())
                if (sheet.Find(id) is null) return new Problem($"Step {number} does something to {id}, which is not on the sheet.", "Add it or take the action out.");
        }

        if (steps.Count > Editor.MostSteps) return new Problem($"The sheet has {steps.Count:N0} steps; at most {Editor.MostSteps:N0} are taken.", "Split it in two.");
        return file with { Sheet = Editor.ReadUnread(sheet) };
    }

    [GeneratedRegex(@"^[A-Z]\d{1,6}$")]
    private static partial Regex ThingId();
}
