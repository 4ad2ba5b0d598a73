using WornPath.Core.Fasteners;

namespace WornPath.Core.Tests;

/// <summary>What a mechanic understands at sight in a cell of the joint table is read; what is refused says what would be; no number is
/// read wrong in silence.</summary>
public class CellSpellingsTests
{
    [Theory]
    [InlineData("22 to 28 Nm", "22–28 N·m")]
    [InlineData("22 Nm to 28 Nm", "22–28 N·m")]
    [InlineData("22 Nm - 28 Nm", "22–28 N·m")]
    [InlineData("between 90 and 100 Nm", "90–100 N·m")]
    [InlineData("90...100 Nm", "90–100 N·m")]
    [InlineData("95 Nm +5/-0", "95–100 N·m")]
    [InlineData("95 (+5/-2) Nm", "93–100 N·m")]
    [InlineData("12½ lb-ft", "12.5 lbf·ft")]
    [InlineData("12 1/2 lb-ft", "12.5 lbf·ft")]
    [InlineData("8¼–9¾ Nm", "8.25–9.75 N·m")]
    [InlineData("95,5 Nm", "95.5 N·m")]
    [InlineData("40 Nm + 2 x 90°", "40 N·m + 180°")]
    [InlineData("40 Nm + 90° + 90°", "40 N·m + 180°")]
    [InlineData("40 Nm + 1/4 turn", "40 N·m + 90°")]
    [InlineData("40 Nm, then a quarter turn", "40 N·m + 90°")]
    [InlineData("95 Nm and 60 degrees", "95 N·m + 60°")]
    [InlineData("95 Nm/60°", "95 N·m + 60°")]
    [InlineData("25 ± 3 Nm + 1 flat", "25 ± 3 N·m + 60°")]
    [InlineData("95 Nm (70 lb-ft)", "95 N·m")]
    [InlineData("70 lb-ft / 95 Nm", "70 lbf·ft")]
    public void A_torque_is_read_as_it_is_written(string cell, string read)
    {
        TorqueText.Parse(cell).Value.ToString().ShouldBe(read);
        TorqueText.Parse(read).Value.ShouldBe(TorqueText.Parse(cell).Value);
    }

    [Theory]
    [InlineData("9⁵ Nm", "not understood")]
    [InlineData("95 Nm (50 lb-ft)", "not the same torque")]
    [InlineData("22 Nm to 28 lb-ft", "two units")]
    [InlineData("45 Nm dry", "stands under treatment")]
    [InlineData("min 95 Nm", "both ends")]
    [InlineData("30 Nm max", "both ends")]
    [InlineData("hand tight", "less than snug")]
    [InlineData("50 Nm, 100 Nm, 150 Nm", "Write the last, 150 Nm")]
    [InlineData("1,100 Nm", "two ways")]
    public void A_torque_that_says_more_or_two_things_is_refused_with_what_to_write(string cell, string says) =>
        TorqueText.Parse(cell).Problem!.ToString().ShouldContain(says);

    [Theory]
    [InlineData("snug + 60°", "1 flat past hand-tight")]
    [InlineData("hand-tight plus 1/4 turn", "1.5 flats past hand-tight")]
    [InlineData("1/4 turn past snug", "1.5 flats past hand-tight")]
    [InlineData("a quarter turn past hand-tight", "1.5 flats past hand-tight")]
    public void A_turn_past_snug_is_so_many_flats(string cell, string read)
    {
        Untorqued.IsMeant(cell).ShouldBeTrue();
        Untorqued.Parse(cell).Value.ToString().ShouldBe(read);
    }

    [Theory]
    [InlineData("M10x40-10.9", "M10×40 10.9")]
    [InlineData("M10 x 1.25 - 8.8", "M10×1.25 8.8")]
    [InlineData("M10 grade 8.8", "M10 8.8")]
    [InlineData("1/2 in UNF gr 8", "1/2-20 UNF grade 8")]
    [InlineData("1/2\"-20 x 2\" grade 8", "1/2-20 UNF × 2 in grade 8")]
    [InlineData("#10-32", "#10-32 UNF")]
    [InlineData("M6 x 20 SHCS 12.9", "M6×20 12.9 cap screw")]
    [InlineData("M8 TX40", "M8, T40")]
    [InlineData("M8 T-40", "M8, T40")]
    [InlineData("M8 12-pt 13 mm", "M8, 12-point 13 mm")]
    [InlineData("M8 nut 8", "M8 nut of class 8")]
    [InlineData("M10 class 10 nut", "M10 nut of class 10")]
    [InlineData("M8 8.8 bolt with nut 8", "M8 8.8 bolt with nut 8")]
    [InlineData("M10 stud with nut", "M10 stud")]
    [InlineData("M10 stud and nut 8", "M10 stud with nut 8")]
    [InlineData("M8 nut with nylon insert", "M8 lock nut")]
    [InlineData("M20x1.5 castellated nut", "M20×1.5 castle nut")]
    [InlineData("M6 grub screw", "M6 set screw")]
    [InlineData("M14x1.5 drain plug", "M14×1.5 plug")]
    [InlineData("M12x1.5 wheel nut, 19 mm", "M12×1.5 wheel nut, 19 mm")]
    [InlineData("M10 triple square 10", "M10, triple square 10")]
    [InlineData("M16x1.5 LH nut", "M16×1.5 nut left-hand")]
    [InlineData("M16x1.5 left-hand nut 8", "M16×1.5 nut of class 8 left-hand")]
    [InlineData("M10 A/F 17", "M10, 17 mm")]
    [InlineData("M8 stainless A4-80", "M8 A4-80")]
    [InlineData("M20×1.5 8 nut, 30 mm", "M20×1.5 nut of class 8, 30 mm")]
    [InlineData("M12×35 8.8 hex, 18 mm", "M12×35 8.8 bolt, 18 mm")]
    [InlineData("M10 10.9 flange", "M10 10.9 flange bolt")]
    [InlineData("M8 stud, nut 13", "M8 stud, 13 mm")]
    [InlineData("No. 10-24 screw", "#10-24 UNC screw")]
    [InlineData("half inch UNC bolt", "1/2-13 UNC bolt")]
    [InlineData("three-eighths UNF hex", "3/8-24 UNF bolt")]
    [InlineData("M10 zinc plated 8.8", "M10 8.8, zinc plated")]
    [InlineData("M14x1.5 wheel nut, cone seat", "M14×1.5 wheel nut, cone seat")]
    [InlineData("M12 pinch bolt 10.9, 18 mm", "M12 10.9 pinch bolt, 18 mm")]
    [InlineData("U-bolts M16×2", "M16 U-bolt")]
    [InlineData("M10x30 cl 8.8 hex hd bolt, HDG", "M10×30 8.8 hex head bolt, HDG")]
    [InlineData("3/8-16 × 1 1/4 grade 5 hex cap screw", "3/8-16 UNC × 1 1/4 in grade 5 hex cap screw")]
    [InlineData("DIN 931 M10×60 8.8", "M10×60 8.8, DIN 931")]
    [InlineData("M8×30 8.8 bolt with captive washer", "M8×30 8.8 bolt, with captive washer")]
    [InlineData("M8 jam nut, 13 mm", "M8 jam nut, 13 mm")]
    [InlineData("M16×2 8 lock nut, 24 mm", "M16 lock nut of class 8, 24 mm")]
    [InlineData("M6×16 socket screw (zinc), 5 mm", "M6×16 socket screw, hex socket 5 mm, zinc")]
    [InlineData("M6×16 hex socket screw, 5 mm key", "M6×16 hex socket screw, hex socket 5 mm")]
    public void A_fastener_is_read_as_it_is_written(string cell, string read)
    {
        FastenerText.Parse(cell).Value.ToString().ShouldBe(read);
        FastenerText.Parse(read).Value.ShouldBe(FastenerText.Parse(cell).Value);
    }

    [Theory]
    [InlineData("M10 triple square", "size")]
    [InlineData("M10 fine 10.9 bolt", "leaves the pitch open")]
    [InlineData("M10x45 8.8 bolt with lock nut", "under washers and nut")]
    [InlineData("M10 frobbed", "“frobbed” is not understood")]
    public void A_fastener_that_says_what_no_cell_keeps_is_refused_by_its_word(string cell, string says) =>
        FastenerText.Parse(cell).Problem!.ToString().ShouldContain(says);

    // Every name of the list, with and without words before it, a class and what is said besides: read as its form, printed, and read back the same.
    [Fact]
    public void Every_name_of_a_fastener_is_read_as_its_form_and_printed_as_it_is_written()
    {
        var list = File.ReadLines(Path.Combine(Repository.Root, "src", "WornPath.Core", "Fasteners", "forms.txt"))
            .Where(l => l.Length > 0 && l[0] != '#').Select(l => l.Split('=', 2)).ToList();
        string[] Names(string text) => text.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        var kept = Names(list.Single(l => l[0].Trim() == "kept")[1]);
        // "Banjo" is a name itself, and "square nut" one of its own.
        var all = list.Where(l => l[0].Trim() != "kept").SelectMany(l => l[1].Split('|').SelectMany(Names)).ToHashSet();
        var tried = 0;
        foreach (var (form, columns) in list.Where(l => l[0].Trim() != "kept").Select(l => (Enum.Parse<FastenerForm>(l[0].Trim()), l[1].Split('|'))))
            for (var column = 0; column < 3; column++)
                foreach (var name in Names(columns[column]))
                {
                    var plain = FastenerText.Parse($"M8 {name}s, zinc plated").Value;
                    (plain.Form, plain.Called, plain.Besides).ShouldBe((form, column == 2 ? name : "", "zinc plated"), name);
                    FastenerText.Parse(plain.ToString()).Value.ShouldBe(plain);
                    // Words before it stay, and change nothing of what it is.
                    var word = kept.Skip(tried++ % kept.Length).Concat(kept).First(w => !all.Contains(w)
                        && !all.Any(n => n.StartsWith($"{w} ", StringComparison.Ordinal)));
                    var told = FastenerText.Parse($"{word} {name} M8").Value;
                    told.ToString().ShouldEndWith(name);
                    FastenerText.Parse(told.ToString()).Value.ShouldBe(told);
                    FastenerText.Parse($"M8 unheardof {name}").Problem!.ToString().ShouldContain("unheardof");
                }

        tried.ShouldBeGreaterThan(150);
    }

    // Numbers with what shops write about them. The pound is exact: 0.45359237 kg (NIST SP 811, 2008, appendix B).
    [Theory]
    [InlineData("mass", "22 kg", "22")]
    [InlineData("mass", "about 48 lb", "21.772")]
    [InlineData("mass", "1,5 t", "1500")]
    [InlineData("mass", "850 g", "0.85")]
    [InlineData("leadDays", "2 weeks", "14")]
    [InlineData("leadDays", "3 days", "3")]
    [InlineData("quantity", "4 off", "4")]
    [InlineData("quantity", "a pair", "2")]
    [InlineData("quantity", "twelve", "12")]
    [InlineData("spares", "x2", "2")]
    public void A_number_is_read_with_its_unit(string field, string cell, string kept)
    {
        var sheet = new Written().Part("hub").Set("hub", field, cell);
        Fields.Of(ThingKind.Part).Single(f => f.Name == field).Get(sheet.Sheet.Parts[0]).ShouldBe(kept);
    }

    [Theory]
    [InlineData("mass", "22 stone")]
    [InlineData("mass", "heavy")]
    [InlineData("leadDays", "2 months")]
    [InlineData("leadDays", "1.5 days")]
    [InlineData("quantity", "-2")]
    [InlineData("quantity", "2 kg")]
    public void A_number_with_another_unit_is_refused(string field, string cell) =>
        Editor.Apply(new Written().Part("hub").Sheet, new SetField("P1", field, Fields.Of(ThingKind.Part).Single(f => f.Name == field)
            .Get(new Written().Part("hub").Sheet.Parts[0]), cell)).Problem!.What.ShouldContain(cell);

    // Both ways of a whole number and a part, in a sentence as in a cell.
    [Theory]
    [InlineData("Torque the plug to 12½ lb-ft.")]
    [InlineData("Torque the plug to 12 1/2 lb-ft.")]
    public void A_part_of_a_number_is_not_lost_in_a_sentence(string sentence) =>
        TorqueText.FindAll(sentence).ShouldHaveSingleItem().Spec.Value.Low.ShouldBe(12.5m);
}
