using WornPath.Core.Workshops;
using WornPath.Core.Quantities;

namespace WornPath.Formats.Tests;

public class TableTests
{
    private const string Head = "name,min,max,unit,step,drive,accuracy %,length mm,calibrated,cycles\n";

    [Fact]
    public void A_crib_is_the_same_after_writing_and_reading()
    {
        Wrench[] crib =
        [
            new() { Name = "TW-1", Min = 2, Max = 12, Unit = TorqueUnit.NewtonMetre, Step = 0.1m, Drive = "1/4 in", AccuracyPercent = 6, LengthMm = 180, Calibrated = new DateOnly(2026, 3, 31), Cycles = 12 },
            new() { Name = "old, with a comma", Min = 20, Max = 100, Unit = TorqueUnit.PoundForceFoot, Step = 1, Drive = "1/2 in" },
        ];
        CribCsv.Read(CribCsv.Write(crib)).Value.ShouldBe(crib);
    }

    [Fact]
    public void A_name_that_a_spreadsheet_would_calculate_is_written_as_text() =>
        CribCsv.Write([new() { Name = "=1+2", Min = 2, Max = 12, Unit = TorqueUnit.NewtonMetre, Step = 1, Drive = "1/4 in" }]).ShouldContain("'=1+2");

    [Theory]
    [InlineData("", "is empty")]
    [InlineData("name,min,max\nTW,1,2", "no column “unit”")]
    [InlineData(Head + "TW,60,10,N·m,1,3/8 in,,,,", "row 2, range: The range runs from 60 down to 10")]
    [InlineData(Head + "TW,10,60,bananas,1,3/8 in,,,,", "row 2, unit: “bananas” is not a unit")]
    [InlineData(Head + "TW,10,\"1,000\",N·m,1,1 in,,,,", "row 2, max: “1,000” can be read two ways")]
    [InlineData(Head + "TW,10,60,N·m,0,3/8 in,,,,", "step")]
    [InlineData(Head + "TW,10,60,N·m,1,5/8 in,,,,", "no square drive")]
    [InlineData(Head + "TW,10,60,N·m,1,3/8 in,,,31.3.2026,", "row 2, calibrated: “31.3.2026” is no day")]
    [InlineData(Head + "TW,10,60,N·m,1,3/8 in,,,,\ntw,10,60,N·m,1,3/8 in,,,,", "row 3, name: “tw” stands twice")]
    [InlineData("name,min,max,unit,step,drive,colour\nTW,1,2,N·m,1,1/4 in,red", "column “colour” is not known")]
    public void A_bad_crib_names_row_and_column(string csv, string says) => CribCsv.Read(csv).Problem!.ToString().ShouldContain(says);

    [Fact]
    public void A_crib_with_decimal_commas_is_read_where_semicolons_part_its_cells() =>
        CribCsv.Read("name;min;max;unit;step;drive\nTW;2,5;12,5;N·m;0,5;1/4\"").Value.Single().ShouldSatisfyAllConditions(w => w.Min.ShouldBe(2.5m), w => w.Max.ShouldBe(12.5m), w => w.Drive.ShouldBe("1/4 in"));

    [Fact]
    public void Columns_may_stand_in_any_order_under_their_heads_and_a_unit_in_a_head_holds_below_it()
    {
        var table = JointTable.Read("Torque (lbf·ft)\tQty\tRemarks\tJoint\tFastener\n70\t4\tx\tbracket bolts\tM12x1.25x40 10.9 bolt, 17 mm\n", Sheet.Empty).Value;
        table.Columns.Select(c => c.Field).ShouldBe(["torque", "count", "", "name", "fastener"]);
        var sheet = Editor.Apply(Sheet.Empty, table.Edit!).Value.Sheet;
        var joint = sheet.Joints.Single();
        (joint.Name, joint.Count, joint.Torque!.ToString(), joint.Fastener!.Thread!.ToString()).ShouldBe(("bracket bolts", 4, "70 lbf·ft", "M12×1.25"));
    }

    [Fact]
    public void Without_heads_columns_are_known_by_what_stands_in_them()
    {
        var table = JointTable.Read("M8x25 8.8 bolt,cover bolts,4,24 N·m\nM10x30 8.8 bolt,pad bolts,2,48 N·m\n", Sheet.Empty).Value;
        table.Columns.Select(c => c.Field).ShouldBe(["fastener", "name", "count", "torque"]);
        table.Rows.ShouldAllBe(r => r.IsTaken);
    }

    [Fact]
    public void What_is_not_understood_is_shown_and_the_rest_is_taken()
    {
        var sheet = Editor.Apply(Sheet.Empty, new AddThing(ThingKind.Joint, "pad bolts", false)).Value.Sheet;
        var table = JointTable.Read("joint,qty,fastener,torque\ncover bolts,a few,M8 8.8 bolt,24 bananas\npad bolts,2,M9x1,48 N·m\n,3,M8,9 N·m\n", sheet).Value;
        table.Rows[0].Cells.Select(c => c.Problem.Length > 0).ShouldBe([false, true, false, true]);
        table.Rows[0].Does.ShouldBe("new joint");
        table.Rows[1].Does.ShouldBe("changes J1");
        table.Rows[2].IsTaken.ShouldBeFalse();
        var after = Editor.Apply(sheet, table.Edit!).Value.Sheet;
        after.Joints.Select(j => (j.Name, j.Count, j.TighteningText)).ShouldBe([("pad bolts", 2, "48 N·m"), ("cover bolts", 1, "")]);
    }

    [Theory]
    [InlineData("", "nothing to paste")]
    [InlineData("torque,qty\n24 N·m,2", "No column holds the names")]
    public void A_table_that_cannot_be_taken_says_why(string text, string says) => JointTable.Read(text, Sheet.Empty).Problem!.ToString().ShouldContain(says);
}
