using CsCheck;
using WornPath.Core.Fasteners;
using WornPath.Core.Tightening;

namespace WornPath.Core.Tests.Fasteners;

public class ThreadTests
{
    [Fact]
    public void Grade_5_changes_its_proof_strength_above_one_inch()
    {
        // SAE J429 table 1, from memory: 85 ksi to 1 in, 74 ksi above.
        (PropertyClass.ProofStrength("grade 5", ThreadText.Parse("1-8").Value)!.Value / 6.894757).ShouldBe(85, 0.01);
        (PropertyClass.ProofStrength("grade 5", ThreadText.Parse("1 1/8-7").Value)!.Value / 6.894757).ShouldBe(74, 0.01);
    }

    [Theory]
    [InlineData("M14x1.5", "M14×1.5")]
    [InlineData("M14 × 1.5", "M14×1.5")]
    [InlineData("m8", "M8")]
    [InlineData("M8x1.25", "M8")]
    [InlineData("3/8-16", "3/8-16 UNC")]
    [InlineData("3/8-16unc", "3/8-16 UNC")]
    [InlineData("#10-32", "#10-32 UNF")]
    [InlineData("1 1/8-12", "1 1/8-12 UNF")]
    public void A_designation_is_read_and_printed(string written, string printed) => ThreadText.Parse(written).Value.Designation.ShouldBe(printed);

    [Theory]
    [InlineData("M8x5", "does not go with M8")]
    [InlineData("M0", "no thread M0")]
    [InlineData("M13", "no usual coarse pitch")]
    [InlineData("3/8-99", "do not go with")]
    [InlineData("3/8-24 UNC", "16 threads to the inch")]
    [InlineData("3/7-16", "no thread of size")]
    [InlineData("bolt", "not a thread")]
    public void A_thread_that_does_not_exist_is_refused_with_a_reason(string written, string reason) => ThreadText.Parse(written).Problem!.ToString().ShouldContain(reason);

    [Fact]
    public void Every_thread_of_the_series_is_read_back_from_its_print()
    {
        foreach (var d in ThreadSeries.MetricDiameters)
            foreach (var p in ThreadSeries.MetricPitches(d))
                ThreadText.Parse(new MetricThread(d, p).Designation).Value.ShouldBe(new MetricThread(d, p));
        foreach (var size in ThreadSeries.InchSizes)
        {
            var row = ThreadSeries.Inch(size)!.Value;
            foreach (var n in (int[])[row.Coarse, row.Fine])
                ThreadText.Parse(new InchThread(size, row.Diameter, n).Designation).Value.ShouldBe(new InchThread(size, row.Diameter, n));
        }
    }

    [Theory]
    [InlineData("M12x1.25x40 10.9 bolt, 17 mm", "M12×1.25×40 10.9 bolt, 17 mm")]
    [InlineData("flange bolt M8x25 class 8.8 13mm", "M8×25 8.8 flange bolt, 13 mm")]
    [InlineData("1/4-20 UNC x 1 in grade 8 screw, 7/16 in", "1/4-20 UNC × 1 in grade 8 screw, 7/16 in")]
    [InlineData("M5x12 8.8 pan head screw, T25", "M5×12 8.8 pan head screw, T25")]
    [InlineData("M6 A2-70 cap screw, allen 5 mm", "M6 A2-70 cap screw, hex socket 5 mm")]
    [InlineData("M16x1.5 castle nut, 24 mm", "M16×1.5 castle nut, 24 mm")]
    public void A_fastener_is_one_line_in_any_order(string written, string printed)
    {
        var read = FastenerText.Parse(written).Value;
        read.ToString().ShouldBe(printed);
        FastenerText.Parse(printed).Value.ShouldBe(read);
    }

    [Theory]
    [InlineData("M8 8.8 gizmo", "“gizmo” is not understood")]
    [InlineData("M8 8.9 bolt", "not a property class")]
    [InlineData("M20 9.8 bolt", "not made as large as M20")]
    public void What_is_not_understood_of_a_fastener_is_named(string written, string reason) => FastenerText.Parse(written).Problem!.ToString().ShouldContain(reason);

    // Shigley's Mechanical Engineering Design, worked example of a 3/4-16 UNF bolt, from memory: K = 0.2, preload 25 kip, torque 3750 lbf·in.
    [Fact]
    public void The_textbook_bolt_has_the_textbook_preload()
    {
        var fastener = FastenerText.Parse("3/4-16 UNF grade 8 bolt").Value;
        var preload = Preload.Of(fastener, TorqueText.Parse("3750 lbf·in").Value, 0.2)!;
        (preload.TargetKn / 4.4482216).ShouldBe(25, 0.001);
    }

    // Fact of the trade, no source: an M6 cap screw tightened to the 23 N·m of its M8 neighbour shears; at 12 N·m it lives.
    [Fact]
    public void The_neighbours_value_shears_the_small_screw()
    {
        Preload.Of(FastenerText.Parse("M6 8.8 cap screw").Value, TorqueText.Parse("23 N·m").Value)!.Low.ShouldBeGreaterThan(1);
        Preload.Of(FastenerText.Parse("M6 8.8 cap screw").Value, TorqueText.Parse("12 N·m").Value)!.Low.ShouldBeLessThan(1);
        Preload.Of(FastenerText.Parse("M8 8.8 cap screw").Value, TorqueText.Parse("23 N·m").Value)!.High.ShouldBeLessThan(1);
    }

    [Fact]
    public void More_torque_is_more_preload_in_proportion() => Gen.Select(Gen.Int[0, 3].Select(i => new[] { "M6", "M8", "M12", "3/8-16" }[i]), Gen.Int[10, 2000])
        .Sample((thread, tenths) =>
        {
            var fastener = new Fastener { Thread = ThreadText.Parse(thread).Value, Class = "10.9" };
            var once = Preload.Of(fastener, TorqueSpec.Create(tenths / 10m, tenths / 10m, TorqueUnit.NewtonMetre).Value)!;
            var twice = Preload.Of(fastener, TorqueSpec.Create(tenths / 5m, tenths / 5m, TorqueUnit.NewtonMetre).Value)!;
            twice.Utilisation.ShouldBe(2 * once.Utilisation, 1e-9);
        });
}
