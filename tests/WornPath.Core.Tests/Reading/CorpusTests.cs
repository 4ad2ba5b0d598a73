using WornPath.Score;

namespace WornPath.Core.Tests.Reading;

/// <summary>The sentences of the corpus are read no worse than docs/reading.md says; nothing in them vanishes.</summary>
public class CorpusTests
{
    private static string Folder(string name) => Path.Combine(Repository.Root, "tests", name);

    // The figures of its row in docs/reading.md are the guard: one place.
    [Theory]
    [InlineData("corpus", "all 521", 521)]
    [InlineData("second-corpus", "second, 155", 155)]
    [InlineData("third-corpus", "third, 160", 160)]
    [InlineData("fourth-corpus", "fourth, 162", 162)]
    [InlineData("fifth-corpus", "fifth, 170", 170)]
    [InlineData("sixth-corpus", "sixth, 154", 154)]
    [InlineData("seventh-corpus", "seventh, 180", 180)]
    [InlineData("eighth-corpus", "eighth, 65", 65)]
    [InlineData("ninth-corpus", "ninth, 311", 311)]
    [InlineData("tenth-corpus", "tenth, 130", 130)]
    [InlineData("eleventh-corpus", "eleventh, 143", 143)]
    [InlineData("twelfth-corpus", "twelfth, 351", 351)]
    public void The_score_of_the_corpus_does_not_fall(string folder, string row, int count)
    {
        double Least(string column) => Figure(row, column) - 0.05;
        double Most(string column) => Figure(row, column) + 0.05;
        var all = CorpusScore.Of(Folder(folder)).ToList();
        all.Count.ShouldBe(count);
        double Share(Verdict verdict) => 100.0 * all.Count(s => s.Verdict == verdict) / all.Count;
        var wrong = string.Join("\n", all.Where(s => s.Verdict is Verdict.Wrong or Verdict.Unread).Take(10).Select(s => $"{s.Job}:{s.Number} {s.Text} {string.Join(", ", s.Bad)}"));
        Share(Verdict.Right).ShouldBeGreaterThanOrEqualTo(Least("right"), wrong);
        Share(Verdict.Wrong).ShouldBeLessThanOrEqualTo(Most("silently wrong"), wrong);
        Share(Verdict.Unread).ShouldBeLessThanOrEqualTo(Most("silently unread"), wrong);
        var (named, known, missing) = CorpusScore.Tools(Folder(folder));
        // In the ninth to twelfth no step is marked with tools.
        if (named > 0) (100.0 * known / named).ShouldBeGreaterThanOrEqualTo(Least("tools"), string.Join("; ", missing));
    }

    private static double Figure(string row, string column)
    {
        var rows = File.ReadAllLines(Path.Combine(Repository.Root, "docs", "reading.md")).Where(l => l.StartsWith('|')).Select(l => l.Trim('|').Split('|', StringSplitOptions.TrimEntries)).ToList();
        var head = rows.First(r => r.Contains("silently wrong"));
        var all = rows.First(r => r[0] == row);
        return double.Parse(all[Array.IndexOf(head, column)].Replace("%", "").Trim(), System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public void No_clause_of_the_corpus_ends_without_actions_known_words_a_question_or_residue()
    {
        foreach (var line in new[] { "corpus", "second-corpus", "third-corpus", "fourth-corpus", "fifth-corpus", "sixth-corpus", "seventh-corpus", "eighth-corpus", "ninth-corpus", "tenth-corpus",
            "eleventh-corpus", "twelfth-corpus" }
            .SelectMany(folder => Directory.EnumerateFiles(Folder(folder), "*.jsonl")).SelectMany(f => File.ReadLines(f).Skip(1)))
        {
            var text = System.Text.Json.JsonDocument.Parse(line).RootElement.GetProperty("text").GetString()!;
            var sheet = new Written().Steps(text);
            var step = sheet.Step(1);
            // A torque that stands in the words stands in an action, a question or the residue.
            foreach (var found in TorqueText.FindAll(text).Where(f => f.Spec.IsGood))
            {
                var spec = found.Spec.Value;
                bool Holds(TorqueSpec? said) => said is not null && (said.Low == spec.Low && said.High == spec.High || Math.Abs(said.Target.NewtonMetres - spec.Target.NewtonMetres) <= 0.05 * spec.Target.NewtonMetres);
                (step.Actions.Any(a => Holds(a.Torque) || a.Passes?.Torques.Any(Holds) == true) || step.Questions.Length > 0 || step.Residue.Length > 0).ShouldBeTrue($"{spec} of “{text}” has vanished: {sheet.Chips(1)}");
            }
        }
    }

    // Typed one after the other, with names that come and go, or read all at once from what stands there: the same, but for some few
    // steps in which a name is taken up by the very sentence that goes on to speak of it.
    [Theory]
    [InlineData("corpus", 8)]
    [InlineData("second-corpus", 2)]
    [InlineData("third-corpus", 6)]
    public void A_sheet_read_anew_says_what_it_said(string folder, int butFor)
    {
        var other = CorpusScore.Sheets(Folder(folder))
            .SelectMany(s => Editor.ReadAnew(s.Sheet).Steps.Where(step => step.SentenceSays is not null)
                .Select(step => $"{s.Job} “{step.Text}”\n   carries {Rereading.Carried(step, s.Sheet)}\n   says    {step.SentenceSays}")).ToList();
        other.Count.ShouldBeLessThanOrEqualTo(butFor, string.Join("\n", other));
    }
}
