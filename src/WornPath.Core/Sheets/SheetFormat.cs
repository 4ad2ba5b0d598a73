using System.Text.Json;
using System.Text.Json.Nodes;

namespace WornPath.Core.Sheets;

/// <summary>
/// The form sheets and deltas have as JSON, by version: every stored sheet, delta and file says its own, and is brought up
/// step by step when it is read. Version 1 is what had none; version 2 says which reader read the sheet; version 3 has controls, what
/// was assumed from sentences, and the verbs of the second reader; version 4 says when an action is done that is done after the job,
/// and comes with the third reader. What the names of a version are is held by docs/formats/names-VERSION.txt, whatever the program calls its properties.
/// </summary>
public static class SheetFormat
{
    /// <summary>The version that is written.</summary>
    public const int Newest = 4;

    // The step at n brings version n + 1 to the next: a sheet, and the values of a field in a delta.
    private static readonly Action<JsonObject>[] Sheets =
    [
        sheet => sheet["reader"] = 1,
        // What is new in versions 3 and 4 is empty where it is missing.
        _ => { },
        _ => { },
    ];

    /// <summary>A sheet from its JSON of a version. Throws <see cref="JsonException"/> where it is none, <see cref="NewerFormatException"/> where a later program wrote it.</summary>
    public static Sheet Read(ReadOnlySpan<byte> json, int version)
    {
        Check(version);
        if (version == Newest) return SheetJson.Read(json);
        var sheet = JsonNode.Parse(json)?.AsObject() ?? throw new JsonException("The sheet is null.");
        for (var v = version; v < Newest; v++) Sheets[v - 1](sheet);
        return sheet.Deserialize<Sheet>(SheetJson.Options)!;
    }

    /// <summary>A delta from its JSON of a version; no version so far has changed what a delta holds. Throws like <see cref="Read"/>.</summary>
    public static Editing.Delta ReadDelta(ReadOnlySpan<byte> json, int version)
    {
        Check(version);
        return JsonSerializer.Deserialize<Editing.Delta>(json, SheetJson.Options) ?? throw new JsonException("The edit is null.");
    }

    private static void Check(int version)
    {
        if (version > Newest) throw new NewerFormatException(version);
        if (version < 1) throw new JsonException($"{version} is no format version.");
    }
}

/// <summary>Something was written by a later program in a form this one cannot read.</summary>
public sealed class NewerFormatException(int version)
    : Exception($"This was written in format version {version}; this program reads up to version {SheetFormat.Newest}. Bring the program up to date.");
