using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Formats;

/// <summary>Reads and writes the project's own open format.</summary>
public static partial class ProcedureFileText
{
    internal static readonly JsonSerializerOptions Written = SheetJson.Configure(new JsonSerializerOptions { WriteIndented = true });

    private static readonly JsonDocumentOptions Lenient = new() { CommentHandling = JsonCommentHandling.Skip, AllowTrailingCommas = true, MaxDepth = 32 };

    private static readonly JsonSerializerOptions Taken = SheetJson.Configure(new JsonSerializerOptions
    {
        ReadCommentHandling = JsonCommentHandling.Skip,
        AllowTrailingCommas = true,
        UnmappedMemberHandling = System.Text.Json.Serialization.JsonUnmappedMemberHandling.Disallow,
        MaxDepth = 32,
    });

    /// <summary>The file's text. What is too large to be read again is not written.</summary>
    public static Outcome<byte[]> Write(ProcedureFile file)
    {
        byte[] bytes = [.. JsonSerializer.SerializeToUtf8Bytes(file with { Version = ProcedureFile.NewestVersion }, Written), (byte)'\n'];
        return (SheetSize.Check(file.Sheet) ?? FilePictures.Missing(file) ?? TooLarge(bytes.Length)) is { } problem ? problem : bytes;
    }

    private static Problem? TooLarge(long bytes) => bytes > SheetSize.LargestFile
        ? new Problem($"The file has {bytes / 1024:N0} kB.", $"A procedure file has at most {SheetSize.LargestFile / 1024 / 1024} MB: is this one?")
        : null;

    /// <summary>
    /// Reads a file. Steps that hold text alone are read into actions; steps that hold actions keep them, and are held against
    /// what their sentences say (<see cref="Editor.ReadAnew"/>). Every way a file can be bad has a problem that says where and what to do.
    /// </summary>
    public static Outcome<ProcedureFile> Read(ReadOnlyMemory<byte> bytes)
    {
        if (TooLarge(bytes.Length) is { } large) return large;
        if (bytes.Span.Trim(" \r\n\t"u8).IsEmpty) return new Problem("The file is empty.", "Get it again from where it came.");
        var version = CheckHead(bytes.Span);
        if (!version.IsGood) return version.Problem;
        ProcedureFile? file;
        try
        {
            file = version.Value < ProcedureFile.NewestVersion ? ReadFormer(bytes.Span, version.Value)
                : JsonSerializer.Deserialize<ProcedureFile>(bytes.Span, Taken);
        }
        catch (JsonException e)
        {
            return Explain(e);
        }

        if (file is null) return new Problem("The file holds nothing.", "Choose a procedure file.");
        if (SignedFile.Check(bytes.Span, file) is { } changed) return changed.At("The file");
        return Check(file).At("The file");
    }

    // What an earlier version means is brought up. Where it cannot be read even so, the line that is told is the file's own.
    private static ProcedureFile? ReadFormer(ReadOnlySpan<byte> bytes, int version)
    {
        var whole = JsonNode.Parse(bytes, documentOptions: Lenient);
        if (whole?["sheet"] is JsonObject sheet) SheetFormat.BringUp(sheet, version);
        try
        {
            return whole.Deserialize<ProcedureFile>(Taken) is { } file ? file with { Version = ProcedureFile.NewestVersion } : null;
        }
        catch (JsonException)
        {
            _ = JsonSerializer.Deserialize<ProcedureFile>(bytes, Taken);
            throw;
        }
    }

    // Format and version are looked at before anything else: a later version may hold what this one cannot read.
    private static Outcome<int> CheckHead(ReadOnlySpan<byte> bytes)
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
                : version.Value;
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
        if (SheetSize.Check(sheet) is { } large) return large;
        if (sheet.Header.Words.Length > HouseWord.Most) return new Problem($"{sheet.Header.Words.Length:N0} words are taught.",
            $"A sheet learns at most {HouseWord.Most}.");
        foreach (var word in sheet.Header.Words)
            if (HouseWord.Check(word) is { IsGood: false } taught) return taught.Problem;
        var ids = new HashSet<string>();
        var parts = sheet.Parts.Select(p => p.Id).ToHashSet();
        foreach (var thing in sheet.Things)
        {
            if (!ThingId().IsMatch(thing.Id) || !thing.Id.StartsWith(Thing.Letter(thing.Kind), StringComparison.Ordinal))
                return new Problem($"“{thing.Id}” is no id of a {thing.Kind.ToString().ToLowerInvariant()}.", $"Write {Thing.Letter(thing.Kind)} and a number.");
            if (!ids.Add(thing.Id)) return new Problem($"The id {thing.Id} stands twice.", "Give each thing its own.");
            if (Fields.CheckName(sheet, thing.Name, thing.Id) is { IsGood: false } name) return name.Problem.At(thing.Id);
        }

        foreach (var joint in sheet.Joints)
            if (joint.Pattern?.CheckCount(joint.Count) is { } pattern) return pattern.At(joint.Id);
        foreach (var id in sheet.Things.SelectMany(t => t.PartIds))
            if (!parts.Contains(id)) return new Problem($"{id} is held, covers something or bears it, and no part has this id.", "Add the part or take the id out.");
        foreach (var part in sheet.Parts)
            if (Part.Bears(sheet, part.Id, part.SitsOn)) return new Problem($"{part.Id} sits on itself.",
                "Say in sitsOn what bears it, and nothing that sits on it.");
        foreach (var joint in sheet.Joints)
            if (joint.SupersededBy is { } instead
                && (instead == joint.Id || sheet.Find(instead) is not Joint)) return new Problem($"{instead} takes the place of {joint.Id}, and no "
                + "other joint has this id.", "Add the joint or take the id out.");
        if (sheet.Phases.Select(p => p.Id).Distinct().Count() != sheet.Phases.Length) return new Problem("A phase id stands twice.", "Give each phase its own.");
        var number = 0;
        var steps = new HashSet<string>();
        foreach (var step in sheet.Steps)
        {
            number++;
            if (!steps.Add(step.Id)) return new Problem($"The step id {step.Id} stands twice.", "Give each step its own.");
            foreach (var id in step.Actions.Concat(step.Said.SelectMany(s => s.Actions)).SelectMany(a => a.Ids))
                if (!ids.Contains(id)) return new Problem($"Step {number} does something to {id}, which is not on the sheet.", "Add it or take the action out.");
        }

        var pictured = FilePictures.Check(file);
        return pictured.Map(p => p with { Sheet = Editor.ReadAnew(p.Sheet) });
    }

    [GeneratedRegex(@"^[A-Z]\d{1,6}$")]
    private static partial Regex ThingId();
}
