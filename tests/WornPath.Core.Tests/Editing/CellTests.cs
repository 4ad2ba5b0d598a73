using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Tests.Editing;

/// <summary>Every column of every table: what is written stands there and nowhere else, is taken back whole, and limits hold as the refusal says.</summary>
public sealed partial class CellTests
{
    // What one may write into a column, and what it then shows.
    private static readonly Dictionary<string, (string Writes, string Shows)> Samples = new()
    {
        ["name"] = ("rear stop", "rear stop"),
        ["only"] = ("cast wheels", "cast wheels"),
        ["quantity"] = (" 4 ", "4"),
        ["origin"] = ("kit", "kit"),
        ["fate"] = ("replace", "replace"),
        ["behind"] = ("P2", "P2"),
        ["sitsOn"] = ("P2", "P2"),
        ["note"] = ("Ribs up.", "Ribs up."),
        ["spares"] = ("2", "2"),
        ["leadDays"] = ("2 weeks", "14"),
        ["mass"] = ("2.5 kg", "2.5"),
        ["count"] = ("six", "6"),
        ["fastener"] = ("M8×25 8.8 flange bolt, 13 mm", "M8×25 8.8 flange bolt, 13 mm"),
        ["torque"] = ("24 Nm", "24 N·m"),
        ["source"] = ("Sample manual, 3rd ed., p. 12", "Sample manual, 3rd ed., p. 12"),
        ["kept"] = ("wheel nuts, v2", "wheel nuts, v2"),
        ["treatment"] = ("oil", "oil"),
        ["reuse"] = ("renew", "renew"),
        ["becomes"] = ("left off", "left off"),
        ["locking"] = ("cotter pin", "cotter pin"),
        ["mark"] = ("yes", "yes"),
        ["justification"] = ("The maker says so.", "The maker says so."),
        ["stated"] = ("", ""),
        ["condition"] = ("turning", "turning"),
        ["heldBy"] = ("a 13 mm wrench", "a 13 mm wrench"),
        ["stack"] = ("flat washer, nut", "flat washer, nut"),
        ["into"] = ("cast iron, 12 mm", "cast iron, 12 mm"),
        ["pattern"] = ("circle", "circle"),
        ["adapter"] = ("60 mm at 45°", "60 mm at 45°"),
        ["tell"] = ("the long ones", "the long ones"),
        ["variants"] = ("cast wheels: 30 N·m", "cast wheels: 30 N·m"),
        ["holds"] = ("P2", "P2"),
        ["goesTo"] = ("the fuse box", "the fuse box"),
        ["capacity"] = ("6.5 L", "6.5 L"),
        ["fillTo"] = ("the upper mark", "the upper mark"),
        ["alternative"] = ("a long bar", "a long bar"),
        ["amount"] = ("two drops", "two drops"),
    };

    public static TheoryData<ThingKind, string> Columns => [.. Enum.GetValues<ThingKind>()
        .SelectMany(k => Fields.Of(k).Select(f => new TheoryDataRow<ThingKind, string>(k, f.Name)))];

    private static Sheet Whole()
    {
        var written = new Written().Header("variants", "wheels: steel wheels, cast wheels");
        foreach (var kind in Enum.GetValues<ThingKind>())
            written.Thing(kind, $"first {EnumWord.Of(kind)}").Thing(kind, $"second {EnumWord.Of(kind)}");
        return written.Sheet;
    }

    private static Sheet Put(Sheet sheet, string id, string field, string before, string text) =>
        Editor.Apply(sheet, new SetField(id, field, before, text)).Value.Sheet;

    [Theory]
    [MemberData(nameof(Columns))]
    public void What_is_written_into_a_cell_stands_there_alone_and_can_be_taken_back(ThingKind kind, string column)
    {
        var sheet = Whole();
        var thing = sheet.Things.First(t => t.Kind == kind);
        var field = Fields.Of(kind).Single(f => f.Name == column);
        var others = Fields.Of(kind).Where(f => f.Name != column).ToList();
        var before = field.Get(thing);
        Samples.ShouldContainKey(column, "A new column needs a word here that one may write into it.");
        var (writes, shows) = column == "stated" ? Another(field, before) : Samples[column];

        var changed = Put(sheet, thing.Id, column, before, writes);
        var written = changed.Find(thing.Id)!;
        field.Get(written).ShouldBe(shows);
        shows.ShouldNotBe(before);
        others.Select(f => f.Get(written)).ShouldBe(others.Select(f => f.Get(thing)));
        changed.Things.Where(t => t.Id != thing.Id).ShouldBe(sheet.Things.Where(t => t.Id != thing.Id));

        var back = Put(changed, thing.Id, column, shows, before).Find(thing.Id)!;
        Fields.Of(kind).Select(f => f.Get(back)).ShouldBe(Fields.Of(kind).Select(f => f.Get(thing)));
    }

    private static (string, string) Another(Field<Thing> field, string before) => field.Choices.First(o => o != before) is var other ? (other, other) : default;

    [Theory]
    [MemberData(nameof(Columns))]
    public void The_limits_a_refusal_names_are_the_limits(ThingKind kind, string column)
    {
        var sheet = Whole();
        var thing = sheet.Things.First(t => t.Kind == kind);
        Holds(sheet, thing.Id, Fields.Of(kind).Single(f => f.Name == column), thing);
    }

    [Fact]
    public void The_limits_of_a_step_and_the_header_are_as_the_refusal_names_them()
    {
        var sheet = new Written().Steps("Look at the cover.").Sheet;
        foreach (var field in Fields.Step) Holds(sheet, "S1", field, sheet.Steps.Single());
        foreach (var field in Fields.Header) Holds(sheet, "", field, sheet.Header);
    }

    private static void Holds<T>(Sheet sheet, string id, Field<T> field, T owner)
    {
        var before = field.Get(owner);
        Outcome<Applied> Write(string text) => Editor.Apply(sheet, new SetField(id, field.Name, before, text));
        if (field.Choices.Count == 0 && Write(new string('x', 3000)).Problem is { } tooLong && Longest().Match(tooLong.WhatToDo) is { Success: true } most)
        {
            var longest = int.Parse(most.Groups[1].Value, NumberStyles.AllowThousands, CultureInfo.InvariantCulture);
            Write(new string('x', longest)).IsGood.ShouldBeTrue(field.Name);
            Write(new string('x', longest + 1)).IsGood.ShouldBeFalse(field.Name);
        }

        if (Write("98765432").Problem is not { } refused || Between().Match(refused.WhatToDo) is not { Success: true } limits) return;
        var (low, high) = (Number(limits.Groups[1].Value), Number(limits.Groups[2].Value));
        var least = low == decimal.Truncate(low) ? 1 : low;
        foreach (var inside in (decimal[])[low, high]) Write(Text(inside)).IsGood.ShouldBeTrue($"{field.Name} {inside}");
        foreach (var outside in (decimal[])[low - least, high + 1]) Write(Text(outside)).IsGood.ShouldBeFalse($"{field.Name} {outside}");
    }

    private static decimal Number(string text) => decimal.Parse(text, CultureInfo.InvariantCulture);

    private static string Text(decimal number) => number.ToString(CultureInfo.InvariantCulture);

    [GeneratedRegex(@"Keep it to (\d[\d,]*)\.")]
    private static partial Regex Longest();

    [GeneratedRegex(@"from (\d+(?:\.\d+)?) to (\d+)")]
    private static partial Regex Between();
}
