using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Workshops;

public class KeptValueTests
{
    private static Dictionary<string, string> Cells(string name = "T28 wheel nuts", string torque = "95 N·m", string source = "manual p. 8", string stated = "", string condition = "",
        string variants = "") => new()
        {
            ["name"] = name,
            ["torque"] = torque,
            ["source"] = source,
            ["stated"] = stated,
            ["condition"] = condition,
            ["variants"] = variants,
        };

    private static KeptValue Read(Dictionary<string, string> cells) => KeptValue.Read(cells).Value;

    private static Joint JointOf(Written written) => written.Sheet.Joints.Single();

    [Theory]
    [InlineData("", "95 N·m", "manual p. 8", "", "name of 3 to 80")]
    [InlineData("of", "95 N·m", "manual p. 8", "", "name of 3 to 80")]
    [InlineData("T28 wheel nuts", "95", "manual p. 8", "", "no unit")]
    [InlineData("T28 wheel nuts", "", "manual p. 8", "", "value")]
    [InlineData("T28 wheel nuts", "snug", "manual p. 8", "", "snug")]
    [InlineData("T28 wheel nuts", "95 N·m", " ", "", "no source")]
    [InlineData("T28 wheel nuts", "95 N·m", "manual p. 8", "left 40 N·m", "names no variant")]
    [InlineData("T28 wheel nuts", "95 N·m", "manual p. 8", "left: tight", "tight")]
    public void What_cannot_be_meant_is_said_and_nothing_is_taken_for_a_unit(string name, string torque, string source, string variants, string says)
    {
        var problem = KeptValue.Read(Cells(name, torque, source, variants: variants)).Problem.ShouldNotBeNull();
        problem.ToString().ShouldContain(says);
        problem.Where.ShouldNotBeNull();
    }

    [Theory]
    [InlineData("95 N·m", "", "", "")]
    [InlineData("40 N·m + 90°", "dry", "tyre touching", "")]
    [InlineData("70 ft-lb", "as treated", "none", "cast wheels: 200 N·m; left: 20–24 N·m")]
    [InlineData("seat 40 N·m, back 90°, set 8 N·m + next slot within 30°", "not said", "turning", "")]
    public void What_is_read_is_written_and_read_again_and_stored_the_same(string torque, string stated, string condition, string variants)
    {
        var value = Read(Cells(torque: torque, stated: stated, condition: condition, variants: variants));
        var again = Read(value.Cells().ToDictionary());
        again.Cells().ShouldBe(value.Cells(), ignoreOrder: true);
        KeptValue.Numbered([value], [again])[0].Version.ShouldBe(1);
        var stored = System.Text.Json.JsonSerializer.Serialize(new Workshop { Values = [value] }, SheetJson.Options);
        var back = System.Text.Json.JsonSerializer.Deserialize<Workshop>(stored, SheetJson.Options)!.Values.ShouldHaveSingleItem();
        (back.From, back.Says).ShouldBe((value.From, value.Says));
        back.Cells().ShouldBe(value.Cells(), ignoreOrder: true);
    }

    [Fact]
    public void A_number_for_a_variant_without_a_unit_is_in_the_values_own() =>
        Read(Cells(torque: "70 ft-lb", variants: "left: 40")).Variants[0].Torque.ShouldBe(TorqueText.Parse("40 ft-lb").Value);

    public static TheoryData<string, string> Changes => new()
    {
        { "torque", "105 N·m" },
        { "source", "manual p. 9" },
        { "stated", "dry" },
        { "condition", "tyre touching" },
        { "variants", "left: 40 N·m" },
    };

    [Theory]
    [MemberData(nameof(Changes))]
    public void Whatever_of_it_is_another_makes_another_version_and_is_found_on_a_joint(string column, string text)
    {
        var value = Read(Cells()) with { Version = 3 };
        var changed = KeptValue.Numbered([value], [Read(new(Cells()) { [column] = text })])[0];
        changed.Version.ShouldBe(4);
        var written = new Written().Joint("wheel nuts", "20 N·m").Steps("Torque the wheel nuts.");
        written.Do(value.Take(JointOf(written)));
        value.IsOn(JointOf(written)).ShouldBeTrue();
        changed.IsOn(JointOf(written)).ShouldBeFalse();
        written.In(new Workshop { Values = [changed] }).At("SRC008").ShouldBe([1]);
        var fix = written.Findings().Single(f => f.Rule == "SRC008").Fixes[0];
        written.Do(fix.Edit);
        changed.IsOn(JointOf(written)).ShouldBeTrue();
        JointOf(written).Kept.ShouldBe(changed.From);
        written.At("SRC008").ShouldBeEmpty();
        // What its author writes over it is found, and is no more once it is the sheet's own.
        written.Set("wheel nuts", column, column switch { "stated" => "as treated", "condition" => "turning", "torque" => "90 N·m", _ => "" });
        written.Findings().Single(f => f.Rule == "SRC009").Message.ShouldContain(changed.Says);
        written.Do(KeptValue.LetGo(JointOf(written)));
        written.At("SRC009").ShouldBeEmpty();
    }

    [Fact]
    public void A_value_is_taken_whole_in_one_edit_and_taken_back_whole()
    {
        var written = new Written().Joint("wheel nuts", "95 N·m").Set("wheel nuts", "torque", "snug").Set("wheel nuts", "condition", "turning");
        var before = SheetJson.Write(written.Sheet);
        var value = Read(Cells(condition: "tyre touching", variants: "left: 40 N·m"));
        var taken = Editor.Apply(written.Sheet, value.Take(JointOf(written))).Value;
        var joint = taken.Sheet.Joints.Single();
        (joint.Torque!.ToString(), joint.Untorqued, joint.Condition, joint.Kept).ShouldBe(("95 N·m", null, TighteningCondition.TyreTouching, value.From));
        value.Take(joint).ShouldBeOfType<Several>().Edits.ShouldBeEmpty("it has it already");
        SheetJson.Write(taken.Delta.Inverse().ApplyTo(taken.Sheet).Value).ShouldBe(before);
    }

    [Fact]
    public void A_value_with_others_for_some_variants_is_whole_on_each_of_them()
    {
        var written = new Written().Header("variants", "wheels: steel wheels, cast wheels").Joint("wheel nuts", "").Steps("Torque the wheel nuts.");
        var value = Read(Cells(variants: "cast wheels: 150 N·m"));
        written.Do(value.Take(JointOf(written))).In(new Workshop { Values = [value] });
        written.Findings().ShouldAllBe(f => f.Rule != "SRC009" && f.Rule != "SRC008");
        written.Set("wheel nuts", "variants", "cast wheels: 160 N·m");
        written.Findings().Where(f => f.Rule == "SRC009").ShouldHaveSingleItem().Message.ShouldContain("cast wheels: 160 N·m");
    }

    [Fact]
    public void The_value_of_the_sheets_vehicle_is_offered_first_and_that_of_other_fasteners_never()
    {
        KeptValue Of(string name) => Read(Cells(name));
        var written = new Written().Header("fits", "Orchard tractor T28").Joint("wheel nuts", "").Steps("Torque the wheel nuts.");
        KeptValue[] values = [Of("T40 wheel nuts"), Of("T28 wheel nuts"), Of("Wheel nuts of trailers, twin axle"), Of("T28 hub nuts"), Of("T28 wheel bolts")];
        KeptValue.For(values, JointOf(written), written.Sheet.Header).Select(v => v.Name).ShouldBe(["T28 wheel nuts", "T40 wheel nuts", "Wheel nuts of trailers, twin axle"]);
        written.In(new Workshop { Values = [.. values] });
        var finding = written.Findings().Single(f => f.Rule == "TRQ001");
        finding.Fixes.Length.ShouldBe(3);
        written.Do(finding.Fixes[0].Edit);
        (JointOf(written).Kept!.ToString(), written.At("TRQ001").Length).ShouldBe(("T28 wheel nuts, v1", 0));
    }

    [Theory]
    [InlineData("T28 wheel nuts", false)]
    [InlineData("T28 wheel nuts, v0", false)]
    [InlineData("T28 wheel nuts, v-1", false)]
    [InlineData("T28 wheel nuts, v99999999999", false)]
    [InlineData(", v1", false)]
    [InlineData("nuts, v2, v3", true)]
    [InlineData("  T28   wheel nuts, V12 ", true)]
    public void What_a_joint_has_names_a_version(string text, bool reads)
    {
        var read = KeptFrom.Parse(text);
        read.IsGood.ShouldBe(reads);
        if (reads) KeptFrom.Parse(read.Value.ToString()).Value.ShouldBe(read.Value);
    }
}
