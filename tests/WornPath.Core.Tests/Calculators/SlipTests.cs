using WornPath.Core.Calculators;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Calculators;

public class SlipTests
{
    public static TheoryData<string> Ids => [.. CalculatorList.All.Select(c => c.Id)];

    private static Outcome<Slip> Work(string id, params (string Cell, string Text)[] cells)
    {
        var calculator = CalculatorList.Find(id)!;
        var texts = calculator.Cells.ToDictionary(c => c.Name, c => c.Example);
        foreach (var (cell, text) in cells) texts[cell] = text;
        return calculator.Work(texts, Workshop.Default);
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void What_stands_in_the_cells_to_begin_with_works_out_and_every_number_has_its_source(string id)
    {
        var slip = Work(id).Value;
        slip.Numbers.ShouldAllBe(n => n.Source.Length > 0 && n.Value.Length > 0);
        slip.FormulaSource.ShouldNotBeEmpty();
        slip.Lines.ShouldNotBeEmpty();
        slip.Result.ShouldEndWith(".");
        slip.Summary.Length.ShouldBeLessThan(500, "it is kept in a field of 500 characters");
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void Every_cell_that_is_emptied_or_filled_with_nonsense_is_named(string id)
    {
        foreach (var cell in CalculatorList.Find(id)!.Cells)
            foreach (var text in (string[])["", "bananas", "-7", new string('9', 300)])
                Work(id, (cell.Name, text)).Problem.ShouldNotBeNull($"{cell.Name}: {text}").Where.ShouldNotBeNull().ShouldStartWith(cell.Label);
    }

    [Theory]
    [InlineData("preload", "torque", "49 N·m", "F = 49 N·m / (0.2 · 10 mm) = 24.5 kN")]
    [InlineData("adapter", "adapter", "100 mm at 180°", "= 80 N·m")]
    [InlineData("slot", "holes", "2", "every 30°")]
    [InlineData("stripping", "into", "cast aluminium, 10 mm", "F_strip")]
    [InlineData("pattern", "count", "5", "order 1-3-5-2-4")]
    public void The_formula_stands_there_with_its_numbers(string id, string cell, string text, string line) => Work(id, (cell, text)).Value.Lines.ShouldContain(l => l.Contains(line));

    // Each width of a hexagon with whose it is: a flange nut's is not a flange bolt's.
    [Theory]
    [InlineData("M12", "18 mm ISO 4014, ISO 4032; 19 mm DIN 931, DIN 934; 16 mm DIN 6921; 17 mm JIS B 1180; 15 mm ISO 15071; 18 mm DIN 6923, ISO 4161")]
    [InlineData("7/16-14", "5/8 in ASME B18.2.1, B18.2.2; 11/16 in ASME B18.2.1, B18.2.2")]
    public void Every_width_across_flats_stands_with_whose_it_is(string thread, string widths) => string.Join("; ", Work("sizes", ("thread", thread)).Value.Numbers
        .Where(n => n.Name.Contains("hexagon")).Select(n => $"{n.Value} {n.Source}")).ShouldBe(widths);

    [Fact]
    public void A_joint_fills_the_cells_of_every_calculator_it_has_numbers_for()
    {
        var sheet = new Written().Joint("hub nut", "60 N·m + next slot", fastener: "M14x1.5 10.9 castle nut, 19 mm").Joint("arm bolts", "95 N·m", fastener: "M12 10.9 bolt")
            .Set("arm bolts", "count", "4").Set("arm bolts", "pattern", "rectangle 2×2").Set("arm bolts", "adapter", "60 mm").Set("arm bolts", "into", "cast iron, 20 mm").Joint("bare bolts").Sheet;
        IEnumerable<string> For(int i) => CalculatorList.All.Where(c => c.For(sheet.Joints[i], Workshop.Default) is not null).Select(c => c.Id);
        For(0).ShouldBe(["preload", "units", "slot", "sizes"]);
        For(1).ShouldBe(["preload", "units", "adapter", "stripping", "pattern", "sizes"]);
        For(2).ShouldBeEmpty();
        foreach (var joint in sheet.Joints)
            foreach (var calculator in CalculatorList.All)
                if (calculator.For(joint, Workshop.Default) is { } texts) calculator.Work(texts, Workshop.Default).IsGood.ShouldBeTrue($"{calculator.Id} of {joint.Name}");
    }

    [Fact]
    public void A_long_slip_is_kept_with_its_result_and_no_more_than_its_field_takes()
    {
        var slip = Work("pattern", ("count", "150")).Value;
        slip.Summary.Length.ShouldBe(Slip.LongestSummary);
        var joint = new Written().Joint("cover bolts");
        joint.Set("cover bolts", "justification", Work("preload").Value.Summary);
        joint.Sheet.Joints[0].Justification.ShouldBe(Work("preload").Value.Summary);
    }
}
