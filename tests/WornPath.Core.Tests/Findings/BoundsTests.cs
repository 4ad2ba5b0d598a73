using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;

namespace WornPath.Core.Tests.Findings;

/// <summary>From which number on something is found.</summary>
public partial class BoundsTests
{
    /// <summary>
    /// From which number on something else is found: each number of a cell or a sentence goes from a tenth of what it is to ten times as much.
    /// Read and approved (<see cref="Approval"/>): + is found besides, − no more, = as it is; a number that changes nothing is not listed.
    /// </summary>
    [Fact]
    public void Where_a_number_begins_to_be_wrong_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        foreach (var (title, written) in OneChange.Sheets())
        {
            var numbers = OneChange.NumbersOf(written.Sheet);
            var asItIs = OneChange.Each(WalkSet.Run(written.Sheet, written.Workshop).Findings, numbers);
            string Found(Sheet? sheet) => sheet is null ? "no sheet"
                : OneChange.Beside(asItIs, OneChange.Each(WalkSet.Run(sheet, written.Workshop).Findings, numbers));
            var lines = NumbersIn(written.Sheet).Select(n => (n.What, Stretches: Stretches(n.Is, text => Found(n.With(text))).ToList()))
                .Where(n => n.Stretches.Exists(s => s.Found is not ("no sheet" or OneChange.Same))).ToList();
            if (lines.Count == 0) continue;
            now.AppendLine(title);
            foreach (var (what, stretches) in lines)
                now.Append("  ").Append(what).Append(": ").AppendJoin("; ", stretches.Select(s => $"{s.Where} {s.Found}")).AppendLine();
        }

        Approval.ShouldBeAsApproved(now.ToString(), "bounds.txt");
    }

    [GeneratedRegex(@"(?<![\w.])\d+(?:\.\d+)?|(?<=\bM|×)\d+(?:\.\d+)?", RegexOptions.CultureInvariant)]
    private static partial Regex ANumber();

    // Each number that stands in a cell or a sentence, and the sheet with another in its place (null where the editor refuses it).
    private static IEnumerable<(string What, string Is, Func<string, Sheet?> With)> NumbersIn(Sheet sheet)
    {
        foreach (var thing in sheet.Things)
            foreach (var field in Fields.Of(thing.Kind).Where(f => f.Name is not ("name" or "source")))
                foreach (Match number in ANumber().Matches(field.Get(thing)))
                    yield return ($"{thing.Id} {field.Label} “{field.Get(thing)}”, {number.Value}", number.Value,
                        text => OneChange.After(sheet, new SetField(thing.Id, field.Name, field.Get(thing), Put(field.Get(thing), number, text))));
        foreach (var (step, at) in sheet.Steps.Select((s, i) => (s, i + 1)))
            foreach (Match number in ANumber().Matches(step.Text))
                yield return ($"step {at} “{step.Text.ReplaceLineEndings(" / ")}”, {number.Value}", number.Value,
                    text => OneChange.After(sheet, new WriteStep(step.Id, step.Text, Put(step.Text, number, text))));
    }

    private static string Put(string text, Match number, string other) => text[..number.Index] + other + text[(number.Index + number.Length)..];

    // From a tenth of a number to ten times as much, where what is found changes: to the last of its own decimals.
    private static IEnumerable<(string Where, string Found)> Stretches(string number, Func<string, string> found)
    {
        var point = number.IndexOf('.', StringComparison.Ordinal);
        var format = point < 0 ? "0" : "0." + new string('0', number.Length - point - 1);
        var unit = point < 0 ? 1m : decimal.Parse("0." + new string('0', number.Length - point - 2) + "1", CultureInfo.InvariantCulture);
        var value = decimal.Parse(number, CultureInfo.InvariantCulture);
        string Of(decimal v) => found(v.ToString(format, CultureInfo.InvariantCulture));
        decimal[] times = [0.1m, 0.2m, 0.35m, 0.5m, 0.7m, 0.85m, 0.95m, 1m, 1.05m, 1.2m, 1.5m, 2m, 3m, 5m, 10m];
        List<decimal> ladder = [.. times.Select(t => Math.Round(value * t / unit) * unit).Where(v => v >= 0).Distinct()];
        var from = ladder[0];
        var now = Of(from);
        for (var i = 1; i < ladder.Count; i++)
        {
            var next = Of(ladder[i]);
            while (next != now)
            {
                var (low, high) = (ladder[i - 1] < from ? from : ladder[i - 1], ladder[i]);
                while (high - low > unit)
                {
                    var middle = low + Math.Floor((high - low) / unit / 2) * unit;
                    if (Of(middle) == now) low = middle;
                    else high = middle;
                }

                yield return ($"to {low.ToString(format, CultureInfo.InvariantCulture)}", now);
                (from, now) = (high, Of(high));
            }
        }

        yield return (from == ladder[0] ? "always" : $"from {from.ToString(format, CultureInfo.InvariantCulture)}", now);
    }
}
