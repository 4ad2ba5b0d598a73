using CsCheck;
using WornPath.Core.Fasteners;
using WornPath.Core.Tightening;

namespace WornPath.Core.Tests.Fasteners;

public class ThreadTests
{
    // ISO 898-1:2013, tables 4 and 6 (nominal stress area), from memory; tolerance half of the last printed digit.
    [Theory]
    [InlineData("M3", 5.03, 0.005)]
    [InlineData("M4", 8.78, 0.005)]
    [InlineData("M5", 14.2, 0.05)]
    [InlineData("M6", 20.1, 0.05)]
    [InlineData("M8", 36.6, 0.05)]
    [InlineData("M10", 58.0, 0.05)]
    [InlineData("M12", 84.3, 0.05)]
    [InlineData("M14", 115, 0.5)]
    [InlineData("M16", 157, 0.5)]
    [InlineData("M20", 245, 0.5)]
    [InlineData("M24", 353, 0.5)]
    [InlineData("M30", 561, 0.5)]
    [InlineData("M36", 817, 0.5)]
    [InlineData("M8x1", 39.2, 0.05)]
    [InlineData("M10x1.25", 61.2, 0.05)]
    [InlineData("M12x1.25", 92.1, 0.05)]
    [InlineData("M14x1.5", 125, 0.5)]
    [InlineData("M16x1.5", 167, 0.5)]
    public void The_stress_area_of_a_metric_thread_is_the_standards(string thread, double area, double tolerance) =>
        ThreadText.Parse(thread).Value.StressAreaMm2.ShouldBe(area, tolerance);

    // ASME B1.1, tensile stress areas in in², from memory; tolerance half of the last printed digit.
    [Theory]
    [InlineData("#10-24 UNC", 0.0175, 0.00005)]
    [InlineData("#10-32 UNF", 0.0200, 0.00005)]
    [InlineData("1/4-20", 0.0318, 0.00005)]
    [InlineData("1/4-28 UNF", 0.0364, 0.00005)]
    [InlineData("5/16-18", 0.0524, 0.00005)]
    [InlineData("3/8-16 UNC", 0.0775, 0.00005)]
    [InlineData("1/2-13 UNC", 0.1419, 0.00005)]
    [InlineData("1/2-20 UNF", 0.1599, 0.0001)]
    [InlineData("3/4-16 UNF", 0.373, 0.0005)]
    [InlineData("1-8 UNC", 0.606, 0.0005)]
    public void The_stress_area_of_an_inch_thread_is_the_standards(string thread, double area, double tolerance) =>
        ((InchThread)ThreadText.Parse(thread).Value).StressAreaIn2.ShouldBe(area, tolerance);

    // ISO 898-1:2013, tables 5 and 7 (proof loads, kN), from memory; SAE J429 by its stress in psi. Tolerance the source's rounding.
    [Theory]
    [InlineData("M6", "8.8", 11.6, 0.1)]
    [InlineData("M8", "8.8", 21.2, 0.1)]
    [InlineData("M10", "8.8", 33.7, 0.1)]
    [InlineData("M12", "8.8", 48.9, 0.1)]
    [InlineData("M12", "10.9", 70.0, 0.1)]
    [InlineData("M16", "8.8", 91.0, 0.2)]
    [InlineData("M20", "8.8", 147, 0.5)]
    [InlineData("M10", "12.9", 56.3, 0.1)]
    [InlineData("M16", "4.6", 35.3, 0.1)]
    public void The_proof_load_is_the_standards(string thread, string grade, double load, double tolerance) =>
        PropertyClass.ProofLoadKn(grade, ThreadText.Parse(thread).Value)!.Value.ShouldBe(load, tolerance);

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
