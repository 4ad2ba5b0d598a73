using System.Text.RegularExpressions;
using WornPath.Score;

namespace WornPath.Core.Tests.Reading;

/// <summary>Whole jobs typed from the first sentence to the last on a blank sheet (tests/sentences): what was judged right stays right.</summary>
public partial class WholeJobTests
{
    private static readonly string _folder = Path.Combine(Repository.Root, "tests", "sentences");

    public static TheoryData<string> Jobs => [.. Directory.EnumerateFiles(_folder, "*.txt").Select(f => Path.GetFileNameWithoutExtension(f)).Order()];

    [GeneratedRegex(@"\b[PJCFAKL]\d+ ")]
    private static partial Regex Id();

    private sealed record Line(string Sentence, bool IsJudgedRight, string Said, bool IsAsked);

    private static List<Line> Read(string job)
    {
        var lines = new List<Line>();
        foreach (var line in File.ReadLines(Path.Combine(_folder, job + ".txt")).Skip(1))
            if (line.StartsWith("! ", StringComparison.Ordinal)) lines.Add(new Line(line[2..], false, "", false));
            else if (!line.StartsWith(' ')) lines.Add(new Line(line, true, "", false));
            else if (line.Trim() == "?") lines[^1] = lines[^1] with { IsAsked = true };
            else lines[^1] = lines[^1] with { Said = line.Trim() };
        return lines;
    }

    [Theory]
    [MemberData(nameof(Jobs))]
    public void A_job_typed_from_its_first_sentence_to_its_last_is_read_as_judged(string job)
    {
        var lines = Read(job);
        var typed = new Written().Steps([.. lines.Select(l => l.Sentence)]);
        var other = new List<string>();
        for (var number = 1; number <= lines.Count; number++)
        {
            var line = lines[number - 1];
            var step = typed.Step(number);
            var said = Id().Replace(CorpusScore.Says(step, typed.Sheet), "");
            if (line.IsJudgedRight && (said != line.Said || step.Questions.Length > 0 != line.IsAsked))
                other.Add($"{number} {line.Sentence}\n   is to say {line.Said}{(line.IsAsked ? " ?" : "")}\n   says      {said}{(step.Questions.Length > 0 ? " ?" : "")}");
        }
        other.ShouldBeEmpty(string.Join("\n", other));
    }
}
