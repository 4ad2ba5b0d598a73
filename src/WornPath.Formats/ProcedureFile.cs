using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Sheets;

namespace WornPath.Formats;

/// <summary>A procedure as a file: what docs/formats/wornpath-procedure.schema.json describes.</summary>
public sealed record ProcedureFile
{
    /// <summary>The word every file begins with.</summary>
    public const string FormatName = "wornpath-procedure";

    /// <summary>The newest version of the format this program writes and reads: that of the sheet in it.</summary>
    public const int NewestVersion = SheetFormat.Newest;

    public string Format { get; init; } = FormatName;

    public int Version { get; init; } = NewestVersion;

    /// <summary>The procedure's number, as the workshop files it.</summary>
    public required string Number { get; init; }

    public required string Title { get; init; }

    /// <summary>What it is for: the vehicle's name.</summary>
    public string Platform { get; init; } = "";

    /// <summary>The letter of the revision in the file; a note for people, a new number is given on import.</summary>
    public string? Revision { get; init; }

    public Sheet Sheet { get; init; } = Sheet.Empty;

    /// <summary>The pictures its figures show, each once; null where they show none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public ImmutableArray<FilePicture>? Pictures { get; init; }

    /// <summary>The signatures under the rest of it, each a JSON Web Signature; null where nobody has signed it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public ImmutableArray<string>? Signatures { get; init; }
}

/// <summary>A picture in a procedure file.</summary>
/// <param name="Key">As the figures name it: the SHA-256 of its bytes, and its ending.</param>
/// <param name="Data">Its bytes, base64.</param>
public sealed record FilePicture(string Key, byte[] Data);
