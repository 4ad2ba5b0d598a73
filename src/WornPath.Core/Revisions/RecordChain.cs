using System.Globalization;
using System.Security.Cryptography;
using System.Text.Json.Nodes;

namespace WornPath.Core.Revisions;

/// <summary>Something that was done to a procedure, as its record keeps it.</summary>
/// <param name="Number">Its place in the record, from 1.</param>
/// <param name="Revision">Letter of the revision it was done to.</param>
/// <param name="What">"edit", "undo", "redo", or what happened to the revision: "sent", "released".</param>
/// <param name="By">Id of who did it.</param>
/// <param name="At">When, in UTC.</param>
/// <param name="Text">What it was, in words; empty where the deed says all.</param>
/// <param name="Delta">SHA-256 of what an edit changed, as the database keeps it; empty for what is no edit.</param>
/// <param name="Hash">The link: <see cref="RecordChain.HashOf"/> of it and the link before.</param>
public sealed record RecordLine(int Number, string Revision, string What, string By, DateTime At, string Text, string Delta, string Hash);

/// <summary>
/// What was done to a procedure, each line with a hash (SHA-256, FIPS 180-4) over itself and the hash before it: whoever takes a line out, puts
/// one in or changes one breaks every link behind it. What the last link is stands in each signature that is given.
/// </summary>
public static class RecordChain
{
    /// <summary>The link before the first.</summary>
    public const string Start = "";

    /// <summary>The link of a line: SHA-256 over its canonical JSON (RFC 8785) with the link before it, in hexadecimal digits.</summary>
    public static string HashOf(string before, RecordLine line) => Hash(CanonicalJson.Of(new JsonObject
    {
        ["before"] = before,
        ["number"] = line.Number,
        ["revision"] = line.Revision,
        ["what"] = line.What,
        ["by"] = line.By,
        ["at"] = Time(line.At),
        ["text"] = line.Text,
        ["delta"] = line.Delta,
    }));

    /// <summary>SHA-256 in hexadecimal digits.</summary>
    public static string Hash(ReadOnlySpan<byte> bytes) => Convert.ToHexStringLower(SHA256.HashData(bytes));

    /// <summary>A time as it stands in what is hashed and signed: UTC, to the ten-millionth of a second.</summary>
    public static string Time(DateTime at) => at.ToString("yyyy-MM-dd'T'HH:mm:ss.fffffff'Z'", CultureInfo.InvariantCulture);

    /// <summary>Null where every link holds; else the first that does not.</summary>
    public static Problem? Check(IEnumerable<RecordLine> lines)
    {
        var (before, number) = (Start, 0);
        foreach (var line in lines)
        {
            if (line.Number != ++number)
                return new Problem($"Line {number} of the record is missing.", "Compare it with a backup: something was taken out of the database.");
            if (line.Hash != HashOf(before, line))
                return new Problem($"Line {number} of the record ({line.What}, revision {line.Revision}) is not what was written.",
                    "Compare it with a backup: it was changed past the program.");
            before = line.Hash;
        }

        return null;
    }
}
