using System.Collections.Immutable;
using System.Text;
using WornPath.Cli;
using WornPath.Core.Printing;
using WornPath.Core.Workshops;
using WornPath.Formats.In;
using WornPath.Formats.Out;

namespace WornPath.Formats.Tests;

public class ImportTests
{
    private static WrittenProcedure Read(string text)
    {
        var read = WrittenProcedure.Read(text);
        read.IsGood.ShouldBeTrue(read.IsGood ? "" : read.Problem.ToString());
        return read.Value;
    }

    private static string[] Steps(WrittenProcedure written) => [.. written.Sheet.Phases.SelectMany(p => p.Steps.Select(s => $"{p.Name} | {s.Text.Replace("\n", " / ")}"))];

    [Fact]
    public void A_markdown_procedure_becomes_phases_steps_joints_and_cautions()
    {
        var written = Read("""
            # OT-140 Tray cover seal, revision C

            Renews the seal under the tray cover.

            ## Tools

            - 13 mm socket
            - torque wrench

            ## Torques

            | Joint | Fastener | Torque | Paint |
            | --- | --- | --- | --- |
            | tray bolts | M8x25 8.8 bolt, 13 mm | 24 N·m | black |
            | hose clamp screw | M6 bolt | what fits | none |

            ## Removal

            1. Remove the tray bolts.
            2. Lift the tray cover off:
               - watch the hose
               - keep the seal

            > **WARNING** The spring under
            > the cover jumps.

            3. Take the **spring** out.

            ## Refit

            Lay the new seal in.

            CAUTION: sharp edges.

            Fit the tray cover. Start the tray bolts by hand.
            It has to lie flat.

            1. Torque the tray bolts to 24 N·m.
            """);
        (written.Number, written.Title).ShouldBe(("OT-140", "Tray cover seal"));
        written.Sheet.Header.Purpose.ShouldBe("Renews the seal under the tray cover.");
        Steps(written).ShouldBe(
        [
            "Removal | Remove the tray bolts.",
            "Removal | Lift the tray cover off: / - watch the hose / - keep the seal",
            "Removal | WARNING: The spring under the cover jumps. / Take the **spring** out.",
            "Refit | Lay the new seal in.",
            "Refit | CAUTION: sharp edges. / Fit the tray cover. Start the tray bolts by hand.",
            "Refit | It has to lie flat.",
            "Refit | Torque the tray bolts to 24 N·m.",
        ]);
        var joint = written.Sheet.Joints.Single(j => j.Name == "tray bolts");
        (joint.TighteningText, joint.Fastener!.ToString()).ShouldBe(("24 N·m", "M8×25 8.8 bolt, 13 mm"));
        written.Sheet.Steps.Last().Actions.ShouldHaveSingleItem().Target.ShouldBe(joint.Id);
        written.Left.Select(l => (l.Line, l.What)).ShouldBe([(7, "13 mm socket"), (8, "torque wrench"), (12, "Column “Paint”: black, none"), (15, "what fits")]);
    }

    [Theory]
    [InlineData("REMOVAL\n\nRemove the tray bolts.\nLift the tray cover off.\n\nREFIT\n\nFit the tray cover.", "REMOVAL | Remove the tray bolts.; REMOVAL | Lift the tray cover off.; REFIT | Fit the tray cover.")]
    [InlineData("Step 1: Remove the tray bolts.\nStep 2: Lift the tray cover off.", "Work | Remove the tray bolts.; Work | Lift the tray cover off.")]
    [InlineData("1.1 Remove the tray bolts.\n1.2 Lift the tray cover off.", "Work | Remove the tray bolts.; Work | Lift the tray cover off.")]
    [InlineData("1) Remove the tray bolts.\n2) Lift the tray cover off.", "Work | Remove the tray bolts.; Work | Lift the tray cover off.")]
    [InlineData("Removal:\n\n* Remove the tray bolts.\n* Lift the tray cover off.", "Removal | Remove the tray bolts.; Removal | Lift the tray cover off.")]
    [InlineData("1. Wipe the frame &amp; the tray, gap &lt; 2 mm.", "Work | Wipe the frame & the tray, gap < 2 mm.")]
    [InlineData("Remove the tray bolts and lift\nthe tray cover off.", "Work | Remove the tray bolts and lift the tray cover off.")]
    [InlineData("# Removal of parts\n\n## Removal of parts\n\n1. Remove the tray bolts.", "Removal of parts | Remove the tray bolts.")]
    public void Plain_text_of_any_habit_becomes_steps(string text, string steps) => string.Join("; ", Steps(Read(text))).ShouldBe(steps);

    public static TheoryData<string> Files => ProcedureFileTests.Files;

    /// <summary>What went out as Markdown comes back with its phases, its steps and its table, but not what the sheet settles beside them.</summary>
    [Theory]
    [MemberData(nameof(Files))]
    public void Its_own_markdown_comes_back_with_all_steps_and_values(string file)
    {
        var sheet = ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, file))).Value.Sheet;
        var walk = WalkSet.Run(sheet, new Workshop()).As(null);
        var label = new SheetLabel("OT-900", "A title | with *marks*", "Orchard tractor", "A", SheetStanding.Unknown, false, "");
        var document = SheetDocument.Of(label, PrintedSheet.Of(walk), _ => null);
        var back = Read(Encoding.UTF8.GetString(ExportFormat.Find("markdown")!.Write(document)));
        (back.Number, back.Title, back.Platform).ShouldBe(("OT-900", "A title | with *marks*", "Orchard tractor"));
        (back.Sheet.Header.Purpose, back.Sheet.Header.Fits).ShouldBe((sheet.Header.Purpose, sheet.Header.Fits));
        back.Sheet.Phases.Select(p => p.Name).ShouldBe(document.Phases.Select(p => p.Name));
        back.Sheet.Steps.Select(s => WithoutCautions(s.Text)).ShouldBe(document.Phases.SelectMany(p => p.Steps).Select(s => s.Text.Trim()));
        back.Sheet.Steps.Select(s => s.People ?? s.Hands ?? 1).ShouldBe(document.Phases.SelectMany(p => p.Steps).Select(s => s.Notes.FirstOrDefault(n => n.EndsWith("people")) is { } n ? int.Parse(n.Split(' ')[0]) : 1));
        back.Sheet.Joints.Where(j => j.TighteningText.Length > 0).Select(j => (j.Name, j.TighteningText, j.Source, j.Count)).ShouldBe(
            sheet.Joints.Where(j => j.TighteningText.Length > 0).Select(j => (j.Name, j.TighteningText, j.Source, j.Count)), ignoreOrder: true);
    }

    private static string WithoutCautions(string text) => string.Join('\n', text.Split('\n').Where(l => !l.StartsWith("WARNING:") && !l.StartsWith("CAUTION:") && !l.StartsWith("NOTICE:") && !l.StartsWith("DANGER:")));

    /// <summary>No word of a text vanishes: it is in a step, in a name, in the header, or left out with its line.</summary>
    [Fact]
    public void Every_word_is_placed_or_listed()
    {
        var text = """
            # Seal, tray

            Intro alpha bravo.

            More charlie delta.

            - echo foxtrot

            ## Materials

            golf hotel

            * india juliett

            | kilo | lima |
            | - | - |
            | mike | november |

            ## Later left

            ## Removal

            ### Hosel

            Remove the oscar bolts.

            1. Lift the papa off.

               Quebec stays.

               | Height | Hole |
               | - | - |
               | romeo | sierra |

            NOTICE: tango uniform.

            ---

            `victor` whiskey

                x-ray yankee

            | Joint | Torque |
            | - | - |
            | aardvark | badger |

            [cobra]: https://dingo.example

            > eagle
            > falcon

            ## Refit

            ## Fitting the part

            - gecko

            DANGER: zulu at the end.
            """;
        var written = Read(text);
        var placed = string.Join(' ', written.Sheet.Steps.Select(s => s.Text)) + written.Sheet.Header.Purpose + string.Join(' ', written.Left.Select(l => l.What)) + string.Join(' ', written.Sheet.Joints.Select(j => j.Name)) + written.Title + string.Join(' ', written.Sheet.Phases.Select(p => p.Name));
        foreach (var word in "alpha bravo charlie delta echo foxtrot golf hotel india juliett kilo lima mike november left hosel oscar papa Quebec romeo sierra tango uniform victor whiskey x-ray yankee aardvark badger cobra dingo eagle falcon refit fitting gecko zulu".Split(' '))
            placed.ShouldContain(word, Case.Insensitive);
        written.Left.ShouldAllBe(l => l.Line > 0 && l.Why.Length > 10);
        // Each is listed with the line it stands on.
        var lines = text.ReplaceLineEndings("\n").Split('\n');
        foreach (var left in written.Left) lines[left.Line - 1].ShouldContain(left.What.Split(' ', ':')[0], Case.Insensitive, left.What);
        written.Sheet.Phases.Select(p => p.Name).ShouldBe(["Removal: Hosel", "Fitting the part"]);
        written.Sheet.Steps.Select(s => s.Text).ShouldContain("eagle falcon");
    }

    /// <summary>However a text was saved, its dots and degrees are there.</summary>
    [Theory]
    [InlineData("utf-8")]
    [InlineData("utf-16")]
    [InlineData("utf-16BE")]
    [InlineData("windows-1252")]
    public void A_text_is_read_however_it_was_saved(string saved)
    {
        const string Text = "1. Tighten the tray bolts to 24 N·m + 90° – ½ turn more is “too much”.";
        var encoding = CodePagesEncodingProvider.Instance.GetEncoding(saved) ?? Encoding.GetEncoding(saved);
        var read = WrittenProcedure.Read([.. saved.StartsWith("utf-16") ? encoding.GetPreamble() : [], .. encoding.GetBytes(Text)]);
        read.Value.Sheet.Steps.Single().Text.ShouldBe(Text[3..]);
    }

    [Theory]
    [InlineData("", "nothing in it")]
    [InlineData("# A title alone", "No step")]
    [InlineData("PK\u0003\u0004\0\0", "no text")]
    public void What_is_no_procedure_is_refused(string text, string says) => WrittenProcedure.Read(text).Problem.ShouldNotBeNull().ToString().ShouldContain(says);

    [Fact]
    public void Two_thousand_steps_and_a_step_too_long_are_taken_or_said()
    {
        var many = Read(string.Join("\n", Enumerable.Range(1, 2000).Select(i => $"{i}. Wipe the frame.")));
        many.Sheet.Steps.Count().ShouldBe(2000);
        var longest = Read($"1. Wipe the frame.\n2. {new string('x', SheetSize.LongestStep + 1)}");
        longest.Sheet.Steps.Count().ShouldBe(1);
        longest.Left.ShouldHaveSingleItem().Why.ShouldContain("at most");
        WrittenProcedure.Read(string.Join("\n", Enumerable.Range(1, SheetSize.MostSteps + 1).Select(i => $"{i}. Wipe."))).IsGood.ShouldBeFalse();
    }

    [Fact]
    public async Task The_command_writes_a_procedure_file_and_lists_what_has_no_place()
    {
        var folder = Directory.CreateTempSubdirectory("wornpath");
        try
        {
            var (from, to) = (new FileInfo(Path.Combine(folder.FullName, "tray.md")), new FileInfo(Path.Combine(folder.FullName, "tray.json")));
            await File.WriteAllTextAsync(from.FullName, "# Tray\n\n## Tools\n\n- a hammer\n\n## Removal\n\n1. Lift the tray cover off.\n");
            var (output, trouble) = (new StringWriter(), new StringWriter());
            (await ImportCommand.RunAsync(from, to, "T-1", output, trouble)).ShouldBe(1);
            output.ToString().ShouldContain("phases 1, steps 1, joints 0, questions 0");
            trouble.ToString().ShouldContain("line 5: left out: a hammer");
            var read = ProcedureFileText.Read(await File.ReadAllBytesAsync(to.FullName)).Value;
            (read.Number, read.Title, read.Sheet.Steps.Single().Text).ShouldBe(("T-1", "Tray", "Lift the tray cover off."));
            (await ImportCommand.RunAsync(to, from, null, output, trouble)).ShouldBeInRange(0, 1);
            (await ImportCommand.RunAsync(new FileInfo(Path.Combine(folder.FullName, "none.md")), to, null, output, trouble)).ShouldBe(3);
        }
        finally
        {
            folder.Delete(true);
        }
    }
}
