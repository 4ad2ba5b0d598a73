using WornPath.Core.Fasteners;
using Thread = WornPath.Core.Fasteners.Thread;

namespace WornPath.Core.Tests.Fasteners;

/// <summary>
/// Rows of published tables, quoted from memory, against what the core computes or holds. The tolerance is half of the last
/// digit the table prints, where no other is named.
/// </summary>
public class PublishedTableTests
{
    private static Thread T(string text) => ThreadText.Parse(text).Value;

    // ISO 898-1, table "tensile stress area", coarse and fine thread, mm², three figures.
    [Theory]
    [InlineData("M3", 5.03)]
    [InlineData("M3.5", 6.78)]
    [InlineData("M4", 8.78)]
    [InlineData("M5", 14.2)]
    [InlineData("M6", 20.1)]
    [InlineData("M7", 28.9)]
    [InlineData("M8", 36.6)]
    [InlineData("M10", 58.0)]
    [InlineData("M12", 84.3)]
    [InlineData("M14", 115)]
    [InlineData("M16", 157)]
    [InlineData("M18", 192)]
    [InlineData("M20", 245)]
    [InlineData("M22", 303)]
    [InlineData("M24", 353)]
    [InlineData("M27", 459)]
    [InlineData("M30", 561)]
    [InlineData("M33", 694)]
    [InlineData("M36", 817)]
    [InlineData("M8x1", 39.2)]
    [InlineData("M10x1", 64.5)]
    [InlineData("M10x1.25", 61.2)]
    [InlineData("M12x1.25", 92.1)]
    [InlineData("M12x1.5", 88.1)]
    [InlineData("M14x1.5", 125)]
    [InlineData("M16x1.5", 167)]
    [InlineData("M18x1.5", 216)]
    [InlineData("M20x1.5", 272)]
    [InlineData("M22x1.5", 333)]
    [InlineData("M24x2", 384)]
    [InlineData("M27x2", 496)]
    [InlineData("M30x2", 621)]
    [InlineData("M33x2", 761)]
    [InlineData("M36x3", 865)]
    public void Stress_area_of_ISO_898_1(string thread, double mm2) => T(thread).StressAreaMm2.ShouldBe(mm2, mm2 >= 100 ? 0.5 : mm2 >= 10 ? 0.05 : 0.005);

    // ASME B1.1, tensile stress area, in², as printed.
    [Theory]
    [InlineData("#4-40", 0.00604)]
    [InlineData("#6-32", 0.00909)]
    [InlineData("#8-32", 0.0140)]
    [InlineData("#10-24", 0.0175)]
    [InlineData("#10-32", 0.0200)]
    [InlineData("#12-24", 0.0242)]
    [InlineData("1/4-20", 0.0318)]
    [InlineData("1/4-28", 0.0364)]
    [InlineData("5/16-18", 0.0524)]
    [InlineData("5/16-24", 0.0580)]
    [InlineData("3/8-16", 0.0775)]
    [InlineData("3/8-24", 0.0878)]
    [InlineData("7/16-14", 0.1063)]
    [InlineData("7/16-20", 0.1187)]
    [InlineData("1/2-13", 0.1419)]
    [InlineData("1/2-20", 0.1599)]
    [InlineData("9/16-12", 0.182)]
    [InlineData("9/16-18", 0.203)]
    [InlineData("5/8-11", 0.226)]
    [InlineData("5/8-18", 0.256)]
    [InlineData("3/4-10", 0.334)]
    [InlineData("3/4-16", 0.373)]
    [InlineData("7/8-9", 0.462)]
    [InlineData("7/8-14", 0.509)]
    [InlineData("1-8", 0.606)]
    [InlineData("1-12", 0.663)]
    [InlineData("1 1/8-7", 0.763)]
    [InlineData("1 1/4-7", 0.969)]
    [InlineData("1 3/8-6", 1.155)]
    [InlineData("1 1/2-6", 1.405)]
    public void Stress_area_of_ASME_B1_1(string thread, double in2) =>
        ((InchThread)T(thread)).StressAreaIn2.ShouldBe(in2, in2 < 0.05 ? 0.00005 : in2 < 0.18 ? 0.0001 : 0.0006);

    // ISO 898-1, table "proof loads", coarse thread, kN; printed to three figures, from the rounded stress area and mostly rounded down.
    [Theory]
    [InlineData("M6", "8.8", 11.6)]
    [InlineData("M8", "8.8", 21.2)]
    [InlineData("M10", "8.8", 33.7)]
    [InlineData("M12", "8.8", 48.9)]
    [InlineData("M16", "8.8", 91.0)]
    [InlineData("M20", "8.8", 147)]
    [InlineData("M24", "8.8", 212)]
    [InlineData("M8", "10.9", 30.4)]
    [InlineData("M10", "10.9", 48.1)]
    [InlineData("M12", "10.9", 70.0)]
    [InlineData("M16", "10.9", 130)]
    [InlineData("M20", "10.9", 203)]
    [InlineData("M8", "12.9", 35.5)]
    [InlineData("M10", "12.9", 56.3)]
    [InlineData("M12", "12.9", 81.8)]
    [InlineData("M8", "4.6", 8.24)]
    [InlineData("M16", "4.6", 35.3)]
    [InlineData("M10", "5.8", 22.0)]
    [InlineData("M12", "4.8", 26.1)]
    public void Proof_load_of_ISO_898_1(string thread, string made, double kn) => PropertyClass.ProofLoadKn(made, T(thread))!.Value.ShouldBe(kn, Math.Max(0.08, kn * 0.004));

    // SAE J429, proof load in lbf from table values: stress area × proof stress, as printed to the next 50 lbf.
    [Theory]
    [InlineData("1/4-20", "grade 5", 2700)]
    [InlineData("5/16-18", "grade 5", 4450)]
    [InlineData("3/8-16", "grade 5", 6600)]
    [InlineData("1/2-13", "grade 5", 12050)]
    [InlineData("3/8-16", "grade 8", 9300)]
    [InlineData("1/2-13", "grade 8", 17050)]
    [InlineData("3/4-10", "grade 8", 40100)]
    public void Proof_load_of_SAE_J429(string thread, string grade, double lbf) => (PropertyClass.ProofLoadKn(grade, T(thread))!.Value * 1000 / 4.4482216).ShouldBe(lbf, 60);

    // ISO 898-1 and SAE J429 (ksi) least tensile strength, ISO 3506-1.
    [Theory]
    [InlineData("8.8", "M16", 800)]
    [InlineData("8.8", "M20", 830)]
    [InlineData("10.9", "M12", 1040)]
    [InlineData("12.9", "M12", 1220)]
    [InlineData("4.6", "M12", 400)]
    [InlineData("A2-70", "M12", 700)]
    [InlineData("A4-80", "M12", 800)]
    [InlineData("grade 5", "1/2-13", 827.4)]
    [InlineData("grade 8", "1/2-13", 1034.2)]
    public void Tensile_strength_by_class(string made, string thread, double mpa) => PropertyClass.TensileStrength(made, T(thread))!.Value.ShouldBe(mpa, 0.05);

    // ISO 898-2, proof loads of nuts, kN, three figures; and the pairing of its table 1.
    [Theory]
    [InlineData("8", "M8", 31.8)]
    [InlineData("8", "M10", 50.5)]
    [InlineData("8", "M12", 74.2)]
    [InlineData("8", "M16", 138.2)]
    [InlineData("10", "M8", 38.1)]
    [InlineData("10", "M10", 60.3)]
    [InlineData("10", "M12", 88.5)]
    [InlineData("10", "M16", 164.9)]
    [InlineData("5", "M8", 21.6)]
    [InlineData("6", "M10", 39.4)]
    public void Proof_load_of_a_nut_of_ISO_898_2(string nut, string thread, double kn) => (NutClass.ProofStress(nut, T(thread))!.Value * T(thread).StressAreaMm2 / 1000).ShouldBe(kn, kn * 0.003);

    [Theory]
    [InlineData("8.8", "8")]
    [InlineData("10.9", "10")]
    [InlineData("12.9", "12")]
    [InlineData("5.8", "5")]
    [InlineData("6.8", "6")]
    [InlineData("9.8", "9")]
    public void A_bolt_wants_the_nut_of_its_class(string bolt, string nut)
    {
        NutClass.For(bolt).ShouldBe(nut);
        NutClass.Bears(nut, bolt).ShouldBe(true);
    }

    // ISO 4014 / ISO 4032 (first), DIN 931 where it differs, DIN 6921 for flange heads; mm.
    [Theory]
    [InlineData("M3", "5.5 mm")]
    [InlineData("M4", "7 mm")]
    [InlineData("M5", "8 mm")]
    [InlineData("M6", "10 mm")]
    [InlineData("M8", "13 mm")]
    [InlineData("M10", "16 mm")]
    [InlineData("M12", "18 mm")]
    [InlineData("M14", "21 mm")]
    [InlineData("M16", "24 mm")]
    [InlineData("M18", "27 mm")]
    [InlineData("M20", "30 mm")]
    [InlineData("M22", "34 mm")]
    [InlineData("M24", "36 mm")]
    [InlineData("M27", "41 mm")]
    [InlineData("M30", "46 mm")]
    [InlineData("M33", "50 mm")]
    [InlineData("M36", "55 mm")]
    public void Width_across_flats_of_ISO_4014(string thread, string flats) => AcrossFlats.Of(T(thread))[0].ShouldBe(new Flats(flats, FlatsHabit.Standard));

    [Theory]
    [InlineData("M10", "17 mm")]
    [InlineData("M12", "19 mm")]
    [InlineData("M14", "22 mm")]
    [InlineData("M22", "32 mm")]
    public void Older_width_of_DIN_931(string thread, string flats) => AcrossFlats.Of(T(thread)).ShouldContain(new Flats(flats, FlatsHabit.Older));

    [Theory]
    [InlineData("M6", "10 mm")]
    [InlineData("M8", "13 mm")]
    [InlineData("M10", "15 mm")]
    [InlineData("M12", "16 mm")]
    [InlineData("M14", "18 mm")]
    [InlineData("M16", "21 mm")]
    public void Width_of_a_flange_head_of_DIN_6921(string thread, string flats) => AcrossFlats.Of(T(thread), FastenerForm.FlangeBolt)[0].Size.ShouldBe(flats);

    // ASME B18.2.1 heads and ASME B18.2.2 nuts.
    [Theory]
    [InlineData("1/4-20", "7/16 in", "7/16 in")]
    [InlineData("5/16-18", "1/2 in", "1/2 in")]
    [InlineData("3/8-16", "9/16 in", "9/16 in")]
    [InlineData("7/16-14", "5/8 in", "11/16 in")]
    [InlineData("1/2-13", "3/4 in", "3/4 in")]
    [InlineData("9/16-12", "13/16 in", "7/8 in")]
    [InlineData("5/8-11", "15/16 in", "15/16 in")]
    [InlineData("3/4-10", "1 1/8 in", "1 1/8 in")]
    [InlineData("1-8", "1 1/2 in", "1 1/2 in")]
    public void Width_across_flats_of_ASME_B18_2(string thread, string head, string nut)
    {
        AcrossFlats.Of(T(thread), FastenerForm.Bolt)[0].Size.ShouldBe(head);
        AcrossFlats.Of(T(thread), FastenerForm.Nut)[0].Size.ShouldBe(nut);
    }

    // ISO 4762, ISO 7380-1, ISO 10642, ISO 14579/14583, ASME B18.3.
    [Theory]
    [InlineData("M5", FastenerForm.CapScrew, "hex socket 4 mm")]
    [InlineData("M6", FastenerForm.CapScrew, "hex socket 5 mm")]
    [InlineData("M8", FastenerForm.CapScrew, "hex socket 6 mm")]
    [InlineData("M10", FastenerForm.CapScrew, "hex socket 8 mm")]
    [InlineData("M12", FastenerForm.CapScrew, "hex socket 10 mm")]
    [InlineData("M16", FastenerForm.CapScrew, "hex socket 14 mm")]
    [InlineData("M6", FastenerForm.ButtonHeadScrew, "hex socket 4 mm")]
    [InlineData("M8", FastenerForm.ButtonHeadScrew, "hex socket 5 mm")]
    [InlineData("M10", FastenerForm.CountersunkScrew, "hex socket 6 mm")]
    [InlineData("M8", FastenerForm.CapScrew, "T45")]
    [InlineData("M10", FastenerForm.CapScrew, "T50")]
    [InlineData("M4", FastenerForm.PanHeadScrew, "T20")]
    [InlineData("M5", FastenerForm.PanHeadScrew, "T25")]
    [InlineData("M6", FastenerForm.PanHeadScrew, "T30")]
    [InlineData("M5", FastenerForm.PanHeadScrew, "PH2")]
    [InlineData("1/4-20", FastenerForm.CapScrew, "hex socket 3/16 in")]
    [InlineData("3/8-16", FastenerForm.CapScrew, "hex socket 5/16 in")]
    [InlineData("1/2-13", FastenerForm.CapScrew, "hex socket 3/8 in")]
    public void Drive_of_a_head(string thread, FastenerForm form, string drive) => DriveSizes.Usual(T(thread), form).Select(d => d.ToString()).ShouldContain(drive);

    // ISO 10664, dimension A in mm.
    [Theory]
    [InlineData(10, 2.8)]
    [InlineData(20, 3.95)]
    [InlineData(25, 4.5)]
    [InlineData(30, 5.6)]
    [InlineData(40, 6.75)]
    [InlineData(50, 8.95)]
    [InlineData(55, 11.35)]
    public void Width_over_the_lobes_of_ISO_10664(int size, double mm) => DriveSizes.HexalobularAcross(size).ShouldBe(mm);

    // External hexalobular heads: common practice, no source; makers differ from M8 on.
    [Theory]
    [InlineData("M6", "E8")]
    [InlineData("M8", "E10 E12")]
    [InlineData("M10", "E12 E14")]
    [InlineData("M12", "E14 E16 E18")]
    [InlineData("3/8-16", "")]
    public void External_lobe_sizes_as_the_trade_meets_them(string thread, string sizes) =>
        string.Join(' ', DriveSizes.ExternalHexalobular(T(thread)).Select(d => d.Size)).ShouldBe(sizes);

    // DIN 935 / ISO 7035 with ISO 1234: the pin by thread.
    [Theory]
    [InlineData("M8", "2 mm")]
    [InlineData("M10", "2.5 mm")]
    [InlineData("M12", "3.2 mm")]
    [InlineData("M16", "4 mm")]
    [InlineData("M20", "4 mm")]
    [InlineData("M24", "5 mm")]
    [InlineData("M30", "6.3 mm")]
    public void Cotter_pin_of_a_castle_nut(string thread, string pin) => CastleNut.PinOf(T(thread)).ShouldBe(pin);

    // ISO 7089: bore, outside, thickness in mm.
    [Theory]
    [InlineData("M6", 6.4, 12, 1.6)]
    [InlineData("M8", 8.4, 16, 1.6)]
    [InlineData("M10", 10.5, 20, 2)]
    [InlineData("M12", 13, 24, 2.5)]
    [InlineData("M16", 17, 30, 3)]
    [InlineData("M20", 21, 37, 3)]
    public void Plain_washer_of_ISO_7089(string thread, double bore, double outside, double thick) => Washer.Of(T(thread)).ShouldBe(new Washer(bore, outside, thick));

    // ISO 724: pitch and minor diameter in mm, three decimals.
    [Theory]
    [InlineData("M6", 5.350, 4.917)]
    [InlineData("M8", 7.188, 6.647)]
    [InlineData("M10", 9.026, 8.376)]
    [InlineData("M12", 10.863, 10.106)]
    [InlineData("M16", 14.701, 13.835)]
    [InlineData("M12x1.25", 11.188, 10.647)]
    [InlineData("M24x1.5", 23.026, 22.376)]
    public void Diameters_of_ISO_724(string thread, double pitch, double minor)
    {
        T(thread).PitchDiameterMm.ShouldBe(pitch, 0.0006);
        T(thread).MinorDiameterMm.ShouldBe(minor, 0.0006);
    }

    [Theory]
    [InlineData("M8 8.8 bolt with nut 8, 13 mm", "M8 8.8 bolt with nut 8, 13 mm")]
    [InlineData("M12x1.25x40 10.9 bolt + nut 10", "M12×1.25×40 10.9 bolt with nut 10")]
    public void A_nut_class_is_read_and_printed(string written, string read) => FastenerText.Parse(written).Value.ToString().ShouldBe(read);

    [Theory]
    [InlineData("M8 8.8 bolt with nut 7", "no nut of class 7")]
    [InlineData("M9 8.8", "no usual coarse pitch")]
    [InlineData("M10x0.1", "does not go with")]
    [InlineData("3/8-17 UNC", "not 17")]
    [InlineData("M20 9.8 bolt", "not made as large")]
    [InlineData("M8 A2-75", "A2-75")]
    public void What_is_not_made_is_refused(string written, string says) => FastenerText.Parse(written).Problem!.ToString().ShouldContain(says);

    // DIN 6923 / ISO 4161, from memory.
    [Theory]
    [InlineData("M5", "8 mm")]
    [InlineData("M6", "10 mm")]
    [InlineData("M8", "13 mm")]
    [InlineData("M10", "15 mm")]
    [InlineData("M12", "18 mm")]
    [InlineData("M14", "21 mm")]
    [InlineData("M16", "24 mm")]
    [InlineData("M20", "30 mm")]
    public void Width_of_a_flange_nut_of_ISO_4161(string thread, string flats) => AcrossFlats.Of(T(thread),
        FastenerForm.FlangeNut)[0].ShouldBe(new Flats(flats, FlatsHabit.FlangeNut));

    // ISO 15071 (small series), from memory; beside DIN 6921.
    [Theory]
    [InlineData("M6", "8 mm")]
    [InlineData("M8", "10 mm")]
    [InlineData("M10", "13 mm")]
    public void Width_of_a_small_flange_head_of_ISO_15071(string thread, string flats) =>
        AcrossFlats.Of(T(thread), FastenerForm.FlangeBolt).Select(f => f.Size).ShouldContain(flats);

    // ISO 4032 above M36, from memory: an independent check is that every width is 1.4 to 1.7 times the thread.
    [Theory]
    [InlineData("M42", "65 mm")]
    [InlineData("M48", "75 mm")]
    [InlineData("M56", "85 mm")]
    [InlineData("M64", "95 mm")]
    public void Width_across_flats_to_M64(string thread, string flats)
    {
        AcrossFlats.Of(T(thread))[0].Size.ShouldBe(flats);
        foreach (var d in ThreadSeries.MetricDiameters.Where(d => d >= 3.5m))
            (double.Parse(AcrossFlats.Of(T($"M{d.ToString(System.Globalization.CultureInfo.InvariantCulture)}"))[0].Size[..^3],
                System.Globalization.CultureInfo.InvariantCulture) / (double)d).ShouldBeInRange(1.4, 1.76);
    }

    // Sizes that are met every day raise nothing: common practice, no source.
    [Theory]
    [InlineData("wheel nuts", "M22×1.5 nut, 33 mm")]
    [InlineData("wheel nuts", "M12×1.5 nut, 21 mm")]
    [InlineData("wheel bolts", "M14×1.5 bolt, 17 mm")]
    [InlineData("axle nut", "M24×1.5 castle nut, 36 mm")]
    [InlineData("hub nut", "M22×1.5 nut, 36 mm")]
    [InlineData("cover screws", "M8 8.8 cap screw, hex socket 6 mm")]
    [InlineData("cover bolts", "M8 8.8 flange bolt, 10 mm")]
    [InlineData("cover bolts", "M10 8.8 flange bolt, 13 mm")]
    [InlineData("cover nuts", "M12 flange nut, 18 mm")]
    public void A_common_size_is_no_misfit(string name, string fastener) =>
        new Written().Joint(name, "20 N·m", fastener: fastener).Steps($"Torque the {name} to 20 N·m.").At("TOO001").ShouldBeEmpty();

    // SAE J995, proof stress in psi, from memory.
    [Theory]
    [InlineData("grade 2", "1/2-13", 90_000)]
    [InlineData("grade 5", "1/2-13", 120_000)]
    [InlineData("grade 5", "1/2-20", 109_000)]
    [InlineData("grade 5", "1 1/4-7", 105_000)]
    [InlineData("grade 8", "3/8-16", 150_000)]
    public void Proof_stress_of_a_nut_of_SAE_J995(string nut, string thread, double psi) =>
        (NutClass.ProofStress(nut, T(thread))!.Value * 145.037738).ShouldBe(psi, 20);

    // ISO 898-6, from memory.
    [Theory]
    [InlineData("8", "M10×1", 955)]
    [InlineData("8", "M20×1.5", 1030)]
    [InlineData("10", "M12×1.25", 1110)]
    [InlineData("6", "M14×1.5", 780)]
    public void Proof_stress_of_a_fine_nut_of_ISO_898_6(string nut, string thread, double mpa) => NutClass.ProofStress(nut, T(thread)).ShouldBe(mpa);

    // An inch nut has a grade and no ISO class; classes and grades are made in the sizes their standards have.
    [Theory]
    [InlineData("3/8-16 UNC grade 8 bolt with nut 8", "3/8-16 UNC grade 8 bolt with nut grade 8")]
    [InlineData("3/8-16 UNC nut of grade 5", "3/8-16 UNC nut of grade 5")]
    public void An_inch_nut_has_a_grade(string written, string read)
    {
        FastenerText.Parse(written).Value.ToString().ShouldBe(read);
        FastenerText.Parse(read).Value.ToString().ShouldBe(read);
        NutClass.ProofStress("8", T("3/8-16")).ShouldBeNull();
        NutClass.ProofStress("grade 8", T("M10")).ShouldBeNull();
    }

    [Theory]
    [InlineData("grade 5", "#10-24", false)]
    [InlineData("grade 5", "1/4-20", true)]
    [InlineData("A2-70", "M24", true)]
    [InlineData("A2-70", "M30", false)]
    [InlineData("A2-50", "M30", true)]
    [InlineData("8.8", "M39", true)]
    [InlineData("8.8", "M42", false)]
    public void A_class_is_known_in_the_sizes_its_standard_has(string made, string thread, bool known) =>
        (PropertyClass.ProofStrength(made, T(thread)) is not null).ShouldBe(known);

    // DIN 935-1: six slots to M39, eight above.
    [Theory]
    [InlineData("M24", 6)]
    [InlineData("M39", 6)]
    [InlineData("M42", 8)]
    [InlineData("M64", 8)]
    public void Slots_of_a_castle_nut(string thread, int slots)
    {
        CastleNut.Of(T(thread))!.Value.Slots.ShouldBe(slots);
        Core.Tightening.JointJudgement.Of(new Written().Joint("axle nut", "60 N·m + next slot", fastener: $"{thread} castle nut").Sheet.Joints[0],
            Core.Workshops.Workshop.Default).SlotPitch!.Value.ShouldBe(360.0 / slots, 1e-9);
    }
}
