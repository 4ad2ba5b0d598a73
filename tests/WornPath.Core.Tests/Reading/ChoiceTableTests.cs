using System.Globalization;
using System.Text.RegularExpressions;
using CsCheck;

namespace WornPath.Core.Tests.Reading;

/// <summary>A choice table held against the plainest reading of it: every value tried in every row.</summary>
public class ChoiceTableTests
{
    private static readonly Gen<ChoiceTable> Any = Gen.Select(Gen.Int[0, 30], Gen.Int[0, 12]).Array[1, 6].Select(rows =>
        new ChoiceTable("gap", "shim", [.. rows.Select((r, i) => new ChoiceRow(new Limits(r.Item1, r.Item1 + r.Item2, "mm"), $"shim {i + 1}"))]));

    private static IEnumerable<ChoiceRow> Claim(ChoiceTable table, decimal value) => table.Rows.Where(r => value >= r.Within.Low && value <= r.Within.High);

    private static IEnumerable<decimal> Values(ChoiceTable table) =>
        Enumerable.Range((int)table.Rows.Min(r => r.Within.Low)!.Value, (int)(table.Rows.Max(r => r.Within.High) - table.Rows.Min(r => r.Within.Low))!.Value + 1).Select(v => (decimal)v);

    [Fact]
    public void It_is_without_fault_where_one_row_and_no_more_claims_each_value() => Any.Sample(table =>
        table.Faults().Any().ShouldBe(Values(table).Any(v => Claim(table, v).Count() != 1)));

    [Fact]
    public void What_is_said_to_be_in_no_row_is_in_none_and_what_is_said_twice_is_in_two() => Any.Sample(table =>
    {
        foreach (var fault in table.Faults())
        {
            if (Regex.Match(fault, @"between (\d+) and (\d+)") is { Success: true } gap)
            {
                var (from, to) = (Number(gap, 1), Number(gap, 2));
                for (var value = from + 1; value < to; value++) Claim(table, value).ShouldBeEmpty(fault);
                Claim(table, from).ShouldNotBeEmpty(fault);
                Claim(table, to).ShouldNotBeEmpty(fault);
            }
            else
            {
                var twice = Regex.Match(fault, @"^(.+) and (.+) both claim (\d+)");
                var claiming = Claim(table, Number(twice, 3)).Select(r => r.Choice).ToList();
                claiming.ShouldContain(twice.Groups[1].Value, fault);
                claiming.ShouldContain(twice.Groups[2].Value, fault);
            }
        }
    });

    [Fact]
    public void A_value_is_given_the_row_that_claims_it_and_a_table_reads_as_it_was_written() => Any.Sample(table =>
    {
        foreach (var value in Values(table)) table.For(value).ShouldBe(Claim(table, value).FirstOrDefault());
        var written = $"Measure the gap.\n| gap | shim |\n|---|---|\n{string.Join('\n', table.Rows.Select(r => $"| {r.Within} | {r.Choice} |"))}";
        ChoiceTable.Find(written)!.Rows.ToArray().ShouldBe(table.Rows.ToArray());
    });

    private static decimal Number(Match match, int group) => decimal.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);
}
