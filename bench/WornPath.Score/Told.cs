using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Score;

/// <summary>A way of telling, on a sheet that has some things, and what the last of its steps is meant to do (tests/tellings).</summary>
/// <param name="Has">What the sheet has: "part cover; joint cover bolts, 4, cover".</param>
/// <param name="Steps">The steps one behind the other.</param>
/// <param name="Meant">What the last of them does: "TakeOut cover bolts; Remove cover".</param>
/// <param name="IsOpen">Known not to be read so yet.</param>
public sealed record Told(string Has, IReadOnlyList<string> Steps, string Meant, bool IsOpen)
{
    // What no telling is held against.
    private static readonly Verb[] Quiet = [Verb.Inspect, Verb.Treat, Verb.Clean, Verb.Wait, Verb.Seat, Verb.SetAside, Verb.Measure, Verb.FunctionCheck];

    /// <summary>
    /// The tellings of a file. "ON: part cover; …" says what the sheets of the lines behind it have; "Undo the bolts. | Lift it off. => Remove
    /// cover" is two steps and what the last of them does ("TakeOut 1 of pump bolts": so many of them); "! " before a line says that it is not read so yet.
    /// </summary>
    public static IEnumerable<Told> In(IEnumerable<string> lines)
    {
        var has = "";
        foreach (var line in lines.Select(l => l.Trim()).Where(l => l.Length > 0 && l[0] != '#'))
        {
            if (line.StartsWith("ON:", StringComparison.Ordinal))
            {
                has = line[3..];
                continue;
            }

            var isOpen = line.StartsWith("! ", StringComparison.Ordinal);
            var parts = line[(isOpen ? 2 : 0)..].Split("=>", StringSplitOptions.TrimEntries);
            yield return new Told(has, parts[0].Split('|', StringSplitOptions.TrimEntries), parts[^1], isOpen);
        }
    }

    /// <summary>What the last step is read to do, in the words of <see cref="Meant"/>, and how its clauses were taken.</summary>
    public (string Said, IReadOnlyList<string> Clauses) Read()
    {
        var sheet = Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, "Work")).Value.Sheet;
        foreach (var thing in Has.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)) sheet = CorpusScore.Having(sheet, thing);
        foreach (var sentence in Steps)
            sheet = Editor.Apply(sheet, new InsertStep(null, "h1", sheet.Steps.LastOrDefault()?.Id, sentence)).Value.Sheet;
        var last = sheet.Steps.Last();
        var said = last.Actions.Where(a => !Quiet.Contains(a.Verb))
            .Select(a => $"{a.Verb}{(a.New ? " new" : "")}{(a.Some is { } some ? $" {some} of" : "")} {sheet.Find(a.Target ?? "")?.Name ?? a.Words}"
                + $"{(a.Torque is { } t ? $" {t}" : "")}{(a.Branch > 0 ? " if" : "")}").Select(s => s.Trim());
        return (((last.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim(), SentenceReader.Explain(sheet, last, last.Text));
    }
}
