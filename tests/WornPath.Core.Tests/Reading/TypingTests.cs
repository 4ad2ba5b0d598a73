using System.Text.Json;
using System.Text.RegularExpressions;

namespace WornPath.Core.Tests.Reading;

/// <summary>A page sends what stands in the field whenever the typist pauses. What a sheet comes to does not hang on where that was.</summary>
public partial class TypingTests
{
    [GeneratedRegex(@"\b[A-Z]\d+ ")]
    private static partial Regex Ids { get; }

    private static string[] Texts(string file) =>
        [.. File.ReadLines(file).Skip(1).Where(l => l.Length > 0).Select(l => JsonDocument.Parse(l).RootElement.GetProperty("text").GetString()!)];

    // Things by name: their numbers are in the order they came.
    private static string Says(Sheet sheet, Step step) => Ids.Replace(string.Join("; ", step.Actions.Select(a => Asking.Of(a, sheet))
        .Concat(step.Questions.Where(q => q.Kind != QuestionKind.OtherValue).Select(q => $"asks {q.Phrase}"))), "");

    // But for some few: one of a thing or many, where its name was first met half written.
    [Theory]
    [InlineData("corpus", 5)]
    [InlineData("second-corpus", 0)]
    [InlineData("third-corpus", 1)]
    [InlineData("seventh-corpus", 5)]
    public void A_sheet_typed_with_pauses_says_what_the_sheet_typed_at_once_says(string folder, int butFor)
    {
        var random = new Random(194);
        var other = new List<string>();
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Repository.Root, "tests", folder), "*.jsonl").Order(StringComparer.Ordinal))
        {
            var (whole, halting) = (new Written(), new Written());
            foreach (var text in Texts(file))
            {
                whole.Steps(text);
                halting.Steps("");
                var id = halting.Sheet.Steps.Last().Id;
                var before = "";
                foreach (var pause in Enumerable.Range(0, 3).Select(_ => random.Next(text.Length)).Order().Append(text.Length))
                {
                    halting.Do(new WriteStep(id, before, text[..pause]));
                    before = text[..pause];
                }
            }

            foreach (var (one, two) in whole.Sheet.Steps.Zip(halting.Sheet.Steps))
                if (Says(whole.Sheet, one) != Says(halting.Sheet, two))
                    other.Add($"{Path.GetFileNameWithoutExtension(file)} “{one.Text}”\n   at once  {Says(whole.Sheet, one)}"
                        + $"\n   halting  {Says(halting.Sheet, two)}");
        }

        other.Count.ShouldBeLessThanOrEqualTo(butFor, string.Join("\n", other));
    }
}
