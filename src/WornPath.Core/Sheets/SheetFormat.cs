using System.Text.Json;
using System.Text.Json.Nodes;

namespace WornPath.Core.Sheets;

/// <summary>
/// The form sheets and deltas have as JSON, by version: every stored sheet, delta and file says its own, and is brought up
/// step by step when it is read. Version 1 is what had none; version 2 says which reader read the sheet; version 3 has controls, what
/// was assumed from sentences, and the verbs of the second reader; version 4 says when an action is done that is done after the job,
/// and comes with the third reader; version 5 keeps the author's word with the clauses it is about; version 6
/// comes with the fifth reader and version 7 with the sixth, and neither has other names than the one before; version 8 says what becomes of
/// fasteners that come out,
/// and comes with the seventh reader; version 9 has the trade's words in the text of a fastener and comes with the eighth reader, version 10
/// with the ninth, and neither has other names than the one before; version 11 has the workshop's sets of hand tools, and version 12
/// the sources of limits and amounts and comes with the tenth reader; the eleventh and the twelfth have no other names; version 13 has
/// the figures of steps and comes with the thirteenth reader; the fourteenth to the seventeenth have no other names; version 14 has the number of
/// signatures a house asks for, and the signatures of a file; version 15 has the values a workshop keeps, and those joints have of them. What the
/// names of a version are is held by docs/formats/names-VERSION.txt, whatever the program calls its properties.
/// </summary>
public static class SheetFormat
{
    /// <summary>The version that is written.</summary>
    public const int Newest = 15;

    /// <summary>Version of the sentence reader of this program: one more whenever the same words may be read otherwise than before.</summary>
    public const int NewestReader = 30;

    // The step at n brings version n + 1 to the next: a sheet, and the values of a field in a delta.
    private static readonly Action<JsonObject>[] Sheets =
    [
        sheet => sheet["reader"] = 1,
        // What is new in versions 3 and 4 is empty where it is missing.
        _ => { },
        _ => { },
        sheet =>
        {
            foreach (var phase in sheet["phases"] as JsonArray ?? [])
                foreach (var step in phase?["steps"] as JsonArray ?? []) if (step is JsonObject own) SayInFull(own);
        },
        // Versions 6 and 7 are read by another reader; that is told by the sheet's own "reader". What is new in version 8 is left out where
        // it is as it always was.
        _ => { },
        _ => { },
        _ => { },
        _ => { },
        _ => { },
        _ => { },
        _ => { },
        _ => { },
        // Version 14 has a house's number of signatures, and those of a file; version 15 the values a workshop keeps.
        _ => { },
        _ => { },
    ];

    // What was said of a clause that was not understood stood among the settled phrases; it is the author's word on the clause now.
    private static void SayInFull(JsonObject step)
    {
        if (step["settled"] is not JsonArray settled || SaidIn(settled) is not { Count: > 0 } said) return;
        step["settled"] = Phrases(settled);
        step["said"] = said;
    }

    private static JsonArray Phrases(JsonArray settled) => [.. settled.Where(s => s?["verb"] is null).Select(s => s?.DeepClone())];

    private static JsonArray SaidIn(JsonArray settled) =>
    [
        .. settled.Where(s => s?["verb"] is not null).Select(s => new JsonObject
        {
            ["words"] = (string?)s!["phrase"],
            ["actions"] = new JsonArray(new JsonObject
            {
                ["verb"] = (string?)s["verb"],
                ["target"] = (string?)s["target"],
                ["at"] = new JsonObject { ["start"] = 0, ["length"] = ((string?)s["phrase"])?.Length ?? 0 },
            }),
        }),
    ];

    /// <summary>A sheet from its JSON of a version. Throws <see cref="JsonException"/> where it is none, <see cref="NewerFormatException"/> where a later program wrote it.</summary>
    public static Sheet Read(ReadOnlySpan<byte> json, int version)
    {
        Check(version);
        if (version == Newest) return SheetJson.Read(json);
        var sheet = JsonNode.Parse(json)?.AsObject() ?? throw new JsonException("The sheet is null.");
        BringUp(sheet, version);
        return sheet.Deserialize<Sheet>(SheetJson.Options)!;
    }

    /// <summary>Brings a sheet's JSON of a version up to the newest.</summary>
    public static void BringUp(JsonObject sheet, int version)
    {
        Check(version);
        for (var v = version; v < Newest; v++) Sheets[v - 1](sheet);
    }

    /// <summary>A delta from its JSON of a version. Throws like <see cref="Read"/>.</summary>
    public static TDelta ReadDelta<TDelta>(ReadOnlySpan<byte> json, int version)
        where TDelta : class
    {
        Check(version);
        const string Empty = "The edit is null.";
        if (version >= 5) return JsonSerializer.Deserialize<TDelta>(json, SheetJson.Options) ?? throw new JsonException(Empty);
        var delta = JsonNode.Parse(json) as JsonObject ?? throw new JsonException(Empty);
        if (delta["changes"] is JsonArray changes)
            foreach (var change in changes.OfType<JsonObject>().ToList()) BringUp(change, changes);
        return delta.Deserialize<TDelta>(SheetJson.Options)!;
    }

    // A step that came or went whole, or what was settled in one.
    private static void BringUp(JsonObject change, JsonArray changes)
    {
        foreach (var side in new[] { "before", "after" })
            if (change[side] is JsonObject step) SayInFull(step);
        if ((string?)change["field"] != "settled" || change["before"] is not JsonArray before || change["after"] is not JsonArray after) return;
        var (was, now) = (SaidIn(before), SaidIn(after));
        if (was.Count + now.Count == 0) return;
        (change["before"], change["after"]) = (Phrases(before), Phrases(after));
        changes.Add(new JsonObject
        {
            ["slot"] = (string?)change["slot"],
            ["id"] = (string?)change["id"],
            ["field"] = "said",
            ["before"] = was,
            ["after"] = now
        });
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
