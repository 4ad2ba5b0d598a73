using System.IO.Compression;
using System.Text;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using CsCheck;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Validation;
using WornPath.Cli;
using WornPath.Core.Printing;
using WornPath.Core.Workshops;
using WornPath.Formats.In;
using WornPath.Formats.Out;

namespace WornPath.Formats.Tests;

/// <summary>
/// Documents of a word processor, and workbooks. What goes out is held against the schema of Office Open XML (ISO/IEC 29500, as the SDK's validator has it) and read
/// as plain XML; what comes in was written by hand as word processors write it, and not by the library that reads it.
/// </summary>
public class WordTests
{
    private static readonly XNamespace W = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";

    public static TheoryData<string> Files => ProcedureFileTests.Files;

    private static SheetDocument DocumentOf(Sheet sheet, string title = "Front hub", Func<string, byte[]?>? pictures = null) => SheetDocument.Of(
        new SheetLabel("OT-900", title, "Orchard tractor", "A", SheetStanding.Unknown, false, ""), PrintedSheet.Of(WalkSet.Run(sheet,
            new Workshop()).As(null)), pictures ?? (_ => null));

    private static SheetDocument Demo(string file) => DocumentOf(FileOf(file).Sheet, pictures: FilePictures.Of(FileOf(file)));

    private static ProcedureFile FileOf(string file) => ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, file))).Value;

    private static Sheet SheetOf(string file) => FileOf(file).Sheet;

    private static byte[] Out(SheetDocument document) => ExportFormat.Find("docx")!.Write(document);

    private static string[] Faults(byte[] file)
    {
        using var opened = WordprocessingDocument.Open(new MemoryStream(file), false);
        return [.. new OpenXmlValidator().Validate(opened, TestContext.Current.CancellationToken).Select(e => $"{e.Path?.XPath}: {e.Description}")];
    }

    private static XDocument Part(byte[] file, string name)
    {
        using var zip = new ZipArchive(new MemoryStream(file));
        return XDocument.Load(zip.GetEntry(name)!.Open());
    }

    private static string[] Paragraphs(byte[] file) => [.. Part(file, "word/document.xml").Descendants(W + "p")
        .Select(p => string.Concat(p.Descendants(W + "t").Select(t => t.Value)).Replace('\u00A0', ' '))];

    private static WrittenProcedure Read(byte[] file)
    {
        var read = WrittenProcedure.Read(file);
        read.IsGood.ShouldBeTrue(read.IsGood ? "" : read.Problem.ToString());
        return read.Value;
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void Everything_a_sheet_says_is_in_it_and_it_is_as_the_schema_says(string file)
    {
        var document = Demo(file);
        var written = Out(document);
        Faults(written).ShouldBeEmpty();
        var paragraphs = Paragraphs(written);
        var all = string.Join('\n', paragraphs);
        paragraphs.ShouldContain(document.Label.Line);
        paragraphs.ShouldContain(SheetDocument.Defers);
        foreach (var step in document.Phases.SelectMany(p => p.Steps))
        {
            foreach (var line in step.Text.Split('\n').Where(l => !l.Contains("---") && !l.Contains('|')))
                all.ShouldContain(Regex.Replace(line, @"^\s*(?:-|\d+\.)\s+|\*\*", "").Trim());
            foreach (var note in step.Notes) paragraphs.ShouldContain(note);
            foreach (var caution in step.Cautions) all.ShouldContain($"{$"{caution.Signal}".ToUpperInvariant()} {caution.Hazard} {caution.Consequence} {caution.Avoid}".TrimEnd());
        }

        foreach (var cell in document.Before.Append(document.Torques ?? SheetDocument.NoTorques).SelectMany(t => t.Rows).SelectMany(r => r)) all.ShouldContain(cell);
        // The steps are numbered by the word processor, and by nothing else.
        Part(written, "word/document.xml").Descendants(W + "numId").Count(n => n.Attribute(W + "val")!.Value == "1").ShouldBe(document.Phases.Sum(p => p.Steps.Length));
        // Number, standing and page are on every page.
        var header = Part(written, "word/header1.xml");
        header.Root!.Value.Replace('\u00A0', ' ').ShouldBe($"{document.Label.Line} · {document.Label.Standing}");
        Part(written, "word/footer1.xml").Descendants(W + "fldSimple").Select(f => f.Attribute(W + "instr")!.Value.Trim()).ShouldBe(["PAGE", "NUMPAGES"]);
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void Its_own_document_comes_back_with_all_steps_and_values(string file)
    {
        var sheet = SheetOf(file);
        var document = DocumentOf(sheet, "A title | with *marks* & <b>");
        var back = Read(Out(document));
        (back.Number, back.Title, back.Platform).ShouldBe(("OT-900", "A title | with *marks* & <b>", "Orchard tractor"));
        (back.Sheet.Header.Purpose, back.Sheet.Header.Fits).ShouldBe((sheet.Header.Purpose, sheet.Header.Fits));
        back.Sheet.Phases.Select(p => p.Name).ShouldBe(document.Phases.Select(p => p.Name));
        string Words(string text) => Regex.Replace(text.Replace('\u00A0', ' '), @"[\s*|-]+", " ").Trim();
        string Bare(string text) => Words(string.Join('\n', text.Split('\n').Where(l => !Regex.IsMatch(l, "^(?:DANGER|WARNING|CAUTION|NOTICE):"))));
        back.Sheet.Steps.Select(s => Bare(s.Text)).ShouldBe(document.Phases.SelectMany(p => p.Steps).Select(s => Words(s.Text)));
        back.Sheet.Joints.Where(j => j.TighteningText.Length > 0).Select(j => (j.Name, j.TighteningText, j.Source, j.Count)).ShouldBe(
            sheet.Joints.Where(j => j.TighteningText.Length > 0).Select(j => (j.Name, j.TighteningText, j.Source, j.Count)), ignoreOrder: true);
        // A figure does not come this way, and each is told of.
        back.Left.Count(l => Regex.IsMatch(l.What, @"^Figure \d+\b")).ShouldBe(sheet.Steps.Sum(s => s.Figures.Length));
    }

    [Theory]
    [InlineData("Lift the <b>cover</b> & \"that\" off.")]
    [InlineData("Fit it and \uFFFE the seal.")]
    [InlineData("Smile \uD83D\uDE00 and \uD83D alone.")]
    [InlineData("- one\n  - two\n    - three\n\n| a | b |\n| - | - |\n| c |\n\n> quoted\n\n`code` [link](javascript:alert(1)) ![picture](x.png)")]
    [InlineData("```\n=1+1\n```")]
    [InlineData("> > > > > > > > > > > > > > > > > > > > deep")]
    [InlineData("| only | a | table |\n| - | - | - |\n| 1 | 2 | 3 |")]
    public void Whatever_is_typed_makes_a_document_that_opens(string text)
    {
        var written = Editor.Apply(Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, text.Split('\n')[0])).Value.Sheet, new InsertStep(null, "h1", null, text)).Value.Sheet;
        var file = Out(DocumentOf(written, text.Split('\n')[0]));
        Faults(file).ShouldBeEmpty();
        // What leads somewhere in a step is said, and leads nowhere.
        using var zip = new ZipArchive(new MemoryStream(file));
        foreach (var entry in zip.Entries.Where(e => e.Name.EndsWith(".rels", StringComparison.Ordinal)))
            XDocument.Load(entry.Open()).Root!.Elements().ShouldAllBe(r => r.Attribute("TargetMode") == null);
    }

    /// <summary>A step of nothing but marks goes out in every format: no reader of marks gives up on it.</summary>
    [Theory]
    [InlineData("> ", 300)]
    [InlineData("- ", 300)]
    [InlineData("*a ", 300)]
    [InlineData("[", 300)]
    [InlineData("1. ", 300)]
    public void Marks_nested_without_end_go_out_in_every_format(string mark, int times)
    {
        var text = string.Concat(Enumerable.Repeat(mark, times)) + "Wipe the frame.";
        var sheet = Editor.Apply(Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, "Work")).Value.Sheet, new InsertStep(null, "h1", null, text)).Value.Sheet;
        foreach (var format in ExportFormat.All) format.Write(DocumentOf(sheet)).ShouldNotBeEmpty(format.Id);
        string.Join('\n', Paragraphs(Out(DocumentOf(sheet)))).ShouldContain("Wipe the frame.");
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void A_workbook_has_every_cell_of_the_tables_and_nothing_in_it_is_a_formula(string file)
    {
        var document = Demo(file);
        var written = ExportFormat.Find("xlsx")!.Write(document with { Tools = document.Tools with { Rows = document.Tools.Rows.Add(["=HYPERLINK(1)", "+1", "@x", "-2"]) } });
        using (var opened = SpreadsheetDocument.Open(new MemoryStream(written), false))
            new OpenXmlValidator().Validate(opened, TestContext.Current.CancellationToken).Select(e => $"{e.Path?.XPath}: {e.Description}").ShouldBeEmpty();
        XNamespace s = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
        string[][] Rows(int page) => [.. Part(written, $"xl/worksheets/sheet{page}.xml").Descendants(s + "row")
            .Select(r => r.Elements(s + "c").Select(c => c.Value.Replace('\u00A0', ' ')).ToArray())];
        var names = Part(written, "xl/workbook.xml").Descendants(s + "sheet").Select(p => p.Attribute("name")!.Value).ToArray();
        names.Take(4).ShouldBe(["Torque table", "Parts", "Tools", "Consumables"]);
        var torques = Rows(1);
        torques[0].ShouldBe([document.Label.Line]);
        torques[1].ShouldBe([document.Label.Standing]);
        torques.Skip(2).ShouldBe(document.Torques!.Rows.Prepend(document.Torques.Heads).Select(r => r.ToArray()));
        Rows(3).ShouldContain(r => r.SequenceEqual(new[] { "=HYPERLINK(1)", "+1", "@x", "-2" }));
        for (var i = 1; i <= names.Length; i++) Part(written, $"xl/worksheets/sheet{i}.xml").Descendants(s + "f").ShouldBeEmpty();
        Part(written, "xl/worksheets/sheet1.xml").Descendants(s + "c").Count(c => c.Attribute("t") == null).ShouldBe(document.Torques.Rows.Length);
    }

    [Theory]
    [InlineData("See [the manual](https://maker.example/p4) and a | b [open.", "See the manual (https://maker.example/p4) and a | b [open.")]
    [InlineData("Lift *the cover off.", "Lift *the cover off.")]
    public void What_only_looks_like_a_mark_is_there(string text, string said)
    {
        var sheet = Editor.Apply(Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, "Work")).Value.Sheet, new InsertStep(null, "h1", null, text)).Value.Sheet;
        Paragraphs(Out(DocumentOf(sheet))).ShouldContain(said);
        Encoding.UTF8.GetString(ExportFormat.Find("dita")!.Write(DocumentOf(sheet))).ShouldContain(said);
    }

    // --- in
    private const string Namespaces = """
        xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:mc="http://schemas.openxmlformats.org/markup-compatibility/2006"
        xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"
        xmlns:wps="http://schemas.microsoft.com/office/word/2010/wordprocessingShape" xmlns:v="urn:schemas-microsoft-com:vml"
        """;

    // As a German word processor names its styles: the id is its own, the name is the standard's.
    private const string StylesXml = $"""
        <w:styles {Namespaces}>
        <w:style w:type="paragraph" w:default="1" w:styleId="Standard"><w:name w:val="Normal"/></w:style>
        <w:style w:type="paragraph" w:styleId="Titel"><w:name w:val="Title"/></w:style>
        <w:style w:type="paragraph" w:styleId="berschrift1"><w:name w:val="heading 1"/><w:basedOn w:val="Standard"/></w:style>
        <w:style w:type="paragraph" w:styleId="Abschnitt"><w:name w:val="Shop section"/><w:basedOn w:val="Standard"/><w:pPr><w:outlineLvl w:val="0"/></w:pPr></w:style>
        <w:style w:type="paragraph" w:styleId="Listenabsatz"><w:name w:val="List Paragraph"/><w:pPr><w:ind w:left="720"/></w:pPr></w:style>
        <w:style w:type="paragraph" w:styleId="Nummer"><w:name w:val="List Number"/><w:pPr><w:numPr><w:numId w:val="7"/></w:numPr></w:pPr></w:style>
        </w:styles>
        """;

    private const string NumberingXml = $"""
        <w:numbering {Namespaces}>
        <w:abstractNum w:abstractNumId="3"><w:lvl w:ilvl="0"><w:numFmt w:val="decimal"/><w:lvlText w:val="%1."/></w:lvl><w:lvl w:ilvl="1"><w:numFmt w:val="bullet"/></w:lvl></w:abstractNum>
        <w:num w:numId="7"><w:abstractNumId w:val="3"/></w:num>
        </w:numbering>
        """;

    private static byte[] Document(string body, params (string Name, string Type, string Xml)[] more)
    {
        (string Name, string Type, string Xml)[] parts = [("styles", "styles", StylesXml), ("numbering", "numbering", NumberingXml), .. more];
        const string Kind = "application/vnd.openxmlformats-officedocument.wordprocessingml";
        const string Relations = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            void Add(string name, string xml)
            {
                using var to = new StreamWriter(zip.CreateEntry(name).Open());
                to.Write(xml);
            }

            Add("[Content_Types].xml", $"""
                <Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">
                <Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>
                <Override PartName="/word/document.xml" ContentType="{Kind}.document.main+xml"/>{string.Concat(parts.Select(p => $"<Override PartName=\"/word/{p.Name}.xml\" ContentType=\"{Kind}.{p.Type}+xml\"/>"))}</Types>
                """);
            string Related(string to) => $"<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">{to}</Relationships>";
            Add("_rels/.rels", Related($"<Relationship Id=\"r1\" Type=\"{Relations}/officeDocument\" Target=\"word/document.xml\"/>"));
            Add("word/_rels/document.xml.rels", Related(string.Concat(
                parts.Select(p => $"<Relationship Id=\"r{p.Name}\" Type=\"{Relations}/{p.Type}\" Target=\"{p.Name}.xml\"/>"))));
            Add("word/document.xml", $"<w:document {Namespaces}><w:body>{body}</w:body></w:document>");
            foreach (var (name, _, xml) in parts) Add($"word/{name}.xml", xml);
        }

        return file.ToArray();
    }

    private static string P(string words, string style = "", string more = "") =>
        $"<w:p><w:pPr>{(style.Length > 0 ? $"<w:pStyle w:val=\"{style}\"/>" : "")}{more}</w:pPr>{(words.StartsWith('<') ? words : $"<w:r><w:t xml:space=\"preserve\">{words}</w:t></w:r>")}</w:p>";

    private const string Numbered = """<w:numPr><w:ilvl w:val="0"/><w:numId w:val="7"/></w:numPr>""";
    private const string Dotted = """<w:numPr><w:ilvl w:val="1"/><w:numId w:val="7"/></w:numPr>""";

    private static string Steps(WrittenProcedure written) =>
        string.Join("; ", written.Sheet.Phases.SelectMany(p => p.Steps.Select(s => $"{p.Name} | {Regex.Replace(s.Text, @"\s*\n\s*", " / ")}")));

    [Fact]
    public void A_document_of_a_shop_becomes_phases_steps_joints_and_cautions()
    {
        var file = Document(
            P("OT-141 Tray cover seal, rev. C", "Titel")
            + P("Renews the seal under the tray cover.")
            + P("Torques", "berschrift1")
            + """
              <w:tbl><w:tr><w:tc><w:p><w:r><w:t>Joint</w:t></w:r></w:p></w:tc><w:tc><w:p><w:r><w:t>Torque</w:t></w:r></w:p></w:tc><w:tc><w:p><w:r><w:t>Source</w:t></w:r></w:p></w:tc></w:tr>
              <w:tr><w:tc><w:p><w:r><w:t>tray </w:t></w:r><w:r><w:t>bolts</w:t></w:r></w:p></w:tc><w:tc><w:p><w:r><w:t>24 N·m</w:t></w:r></w:p></w:tc><w:tc><w:tcPr><w:vMerge w:val="restart"/></w:tcPr><w:p><w:r><w:t>manual p. 4</w:t></w:r></w:p></w:tc></w:tr>
              <w:tr><w:tc><w:p><w:r><w:t>hose screw</w:t></w:r></w:p></w:tc><w:tc><w:p><w:r><w:t>5 N·m</w:t></w:r></w:p></w:tc><w:tc><w:tcPr><w:vMerge/></w:tcPr><w:p/></w:tc></w:tr></w:tbl>
              """
            + P("Removal", "berschrift1")
            + P("Remove the tray bolts.", "Listenabsatz", Numbered)
            + P("Lift the tray cover off:", "Listenabsatz", Numbered)
            + P("watch the hose", "Listenabsatz", Dotted)
            + P("keep the seal", "Listenabsatz", Dotted)
            + P("It is stuck fast.", "Listenabsatz")
            + """<w:tbl><w:tr><w:tc><w:p><w:r><w:rPr><w:b/></w:rPr><w:t>WARNING</w:t></w:r><w:r><w:t xml:space="preserve"> The spring under the cover jumps.</w:t></w:r></w:p></w:tc></w:tr></w:tbl>"""
            + P("Take the spring out.", "Nummer")
            + P("Refit", "Abschnitt")
            + P("""<w:r><w:t>Lay the </w:t></w:r><w:del w:id="1"><w:r><w:delText>old</w:delText></w:r></w:del><w:ins w:id="2"><w:r><w:t>new</w:t></w:r></w:ins><w:r><w:t xml:space="preserve"> seal in at 20</w:t></w:r><w:r><w:sym w:font="Symbol" w:char="F0B0"/></w:r><w:r><w:t>C.</w:t></w:r>""")
            + P("""<w:r><w:rPr><w:b/></w:rPr><w:t>After the job</w:t></w:r>""")
            + P("3.1 Wipe the frame &amp; the tray cover *twice*.")
            + P("Lower the tray."));
        var written = Read(file);
        (written.Number, written.Title, written.Sheet.Header.Purpose).ShouldBe(("OT-141", "Tray cover seal", "Renews the seal under the tray cover."));
        Steps(written).ShouldBe("Removal | Remove the tray bolts.; "
            + "Removal | Lift the tray cover off: / - watch the hose / - keep the seal / It is stuck fast.; "
            + "Removal | WARNING: The spring under the cover jumps. / Take the spring out.; "
            + "Refit | Lay the new seal in at 20°C.; "
            + "Refit: After the job | Wipe the frame & the tray cover *twice*.; Refit: After the job | Lower the tray.");
        written.Sheet.Joints.Take(2).Select(j => $"{j.Name} {j.TighteningText} {j.Source}").ShouldBe(["tray bolts 24 N·m manual p. 4", "hose screw 5 N·m manual p. 4"]);
        written.Left.ShouldBeEmpty();
    }

    [Fact]
    public void Where_no_title_is_said_the_first_heading_is_it_unless_there_are_more()
    {
        var one = Read(Document(P("Tray cover", "berschrift1") + P("Remove the tray bolts.", "Nummer")));
        (one.Title, Steps(one)).ShouldBe(("Tray cover", "Work | Remove the tray bolts."));
        var two = Read(Document(P("Removal", "berschrift1") + P("Remove the tray bolts.", "Nummer") + P("Refit", "berschrift1") + P("Install the tray bolts.", "Nummer")));
        (two.Title, Steps(two)).ShouldBe(("", "Removal | Remove the tray bolts.; Refit | Install the tray bolts."));
    }

    [Fact]
    public void A_bar_in_a_cell_parts_no_columns_and_what_was_moved_away_is_not_there()
    {
        string Row(params string[] cells) => $"<w:tr>{string.Concat(cells.Select(c => $"<w:tc>{P(c)}</w:tc>"))}</w:tr>";
        var written = Read(Document($"<w:tbl>{Row("Joint", "Torque")}{Row("tray bolts A|B", "24 N·m")}</w:tbl>"
            + P("<w:moveFrom w:id=\"1\"><w:r><w:t>Gone.</w:t></w:r></w:moveFrom><w:moveTo w:id=\"2\"><w:r><w:t>Wipe the frame.</w:t></w:r></w:moveTo>", "Nummer")));
        written.Sheet.Joints.Select(j => $"{j.Name} {j.TighteningText}").ShouldBe(["tray bolts A|B 24 N·m"]);
        Steps(written).ShouldBe("Work | Wipe the frame.");
    }

    [Fact]
    public void What_a_text_cannot_hold_is_listed()
    {
        const string Box = "<w:txbxContent><w:p><w:r><w:t>Mind the hose in the box.</w:t></w:r></w:p></w:txbxContent>";
        var written = Read(Document(
            P("A job", "Titel") + P("Removal", "berschrift1")
            + P($"""<w:r><w:t>Lift the cover off.</w:t></w:r><w:r><w:drawing><wp:inline><wp:docPr id="1" name="p" descr="cover from below"/></wp:inline></w:drawing></w:r><w:r><w:pict><v:shape/></w:pict></w:r>""")
            + P($"""<w:r><mc:AlternateContent><mc:Choice Requires="wps"><w:drawing><wp:inline><a:graphic><a:graphicData><wps:wsp><wps:txbx>{Box}</wps:txbx></wps:wsp></a:graphicData></a:graphic></wp:inline></w:drawing></mc:Choice>"""
                + $"""<mc:Fallback><w:pict><v:shape><v:textbox>{Box}</v:textbox></v:shape></w:pict></mc:Fallback></mc:AlternateContent></w:r><w:r><w:t>Set it aside.</w:t></w:r>""")
            + P("""<w:r><w:t>Turn it to </w:t></w:r><w:r><w:sym w:font="Wingdings" w:char="F0E8"/></w:r><w:r><w:t>.</w:t></w:r>"""),
            ("header1", "header", $"<w:hdr {Namespaces}>{P("Quiet Valley workshop")}</w:hdr>"),
            ("footnotes", "footnotes", $"<w:footnotes {Namespaces}><w:footnote w:id=\"2\">{P("A foot note.")}</w:footnote></w:footnotes>"),
            ("comments", "comments", $"<w:comments {Namespaces}><w:comment w:id=\"0\" w:author=\"x\">{P("Really?")}</w:comment></w:comments>")));
        Steps(written).ShouldBe("Removal | Lift the cover off.; Removal | Set it aside.; Removal | Mind the hose in the box.; Removal | Turn it to �.");
        written.Left.Select(l => l.What).ShouldBe(
            ["Picture: cover from below", "A picture", "Turn it to �.", "Page header: Quiet Valley workshop", "Note: A foot note.", "Comment: Really?"], ignoreOrder: true);
        written.Left.ShouldAllBe(l => l.Line > 0 && l.Why.Length > 10);
    }

    private static Gen<string> OneOf(params string[] words) => Gen.Int[0, words.Length - 1].Select(i => words[i]);

    /// <summary>No word vanishes, wherever in a document it stands and whatever marks it has.</summary>
    [Fact]
    public void Every_word_is_placed_or_listed()
    {
        string[] where = ["", "Titel", "berschrift1", "Abschnitt", "Listenabsatz", "Nummer"];
        var words = OneOf("alpha", "*bravo*", "_charlie_", "`delta`", "# echo", "- foxtrot", "7. golf", "&lt;hotel&gt;", "a | india",
            "[juliett](kilo)", "~~lima~~", "WARNING mike", "november:", "OSCAR", "&amp;amp;");
        var blocks = Gen.Select(OneOf(where), words.Array[1, 3], OneOf("p", "row", "box", "bold", "controls")).Array[1, 8];
        Check.Sample(blocks, many =>
        {
            var n = 0;
            // Each word is told from the others by its number, so that none stands for another.
            string Told(string[] said) => string.Join(' ', said.Select(w => $"{w} w{++n}q"));
            var body = string.Concat(many.Select(b => b.Item3 switch
            {
                "row" => $"<w:tbl>{string.Concat(Enumerable.Range(0, 2).Select(_ => $"<w:tr>{string.Concat(b.Item2.Select(w => $"<w:tc>{P(Told([w]), b.Item1)}</w:tc>"))}</w:tr>"))}</w:tbl>",
                "box" => $"<w:sdt><w:sdtContent>{P(Told(b.Item2), b.Item1)}</w:sdtContent></w:sdt>",
                "controls" => "<w:tbl>" + string.Concat(Enumerable.Range(0, 2).Select(_ => "<w:sdt><w:sdtContent><w:tr>"
                    + string.Concat(b.Item2.Select(w => $"<w:sdt><w:sdtContent><w:tc>{P(Told([w]), b.Item1)}</w:tc></w:sdtContent></w:sdt>")) + "</w:tr></w:sdtContent></w:sdt>")) + "</w:tbl>",
                "bold" => P($"<w:r><w:rPr><w:b/></w:rPr><w:t xml:space=\"preserve\">{Told(b.Item2)}</w:t></w:r>", b.Item1),
                _ => P(Told(b.Item2), b.Item1),
            })) + P("Wipe the frame.", "Nummer");
            var written = Read(Document(body));
            var placed = string.Join(' ', written.Sheet.Steps.Select(s => s.Text).Concat(written.Sheet.Phases.Select(p => p.Name)).Concat(written.Sheet.Joints.Select(j => j.Name))
                .Concat(written.Left.Select(l => l.What)).Append(written.Title).Append(written.Number).Append(written.Sheet.Header.Purpose).Append(written.Platform));
            for (var i = 1; i <= n; i++) placed.ShouldContain($"w{i}q", Case.Insensitive, body);
        }, iter: 300);
    }

    [Fact]
    public void What_is_no_document_is_refused_in_plain_words()
    {
        string Says(byte[] file) => WrittenProcedure.Read(file).Problem.ShouldNotBeNull().ToString();
        var good = Document(P("Remove the tray bolts."));
        Says([0xD0, 0xCF, 0x11, 0xE0, 1, 2, 3]).ShouldContain("former format");
        Says(good[..^40]).ShouldContain("no document of a word processor");
        Says(good[..30]).ShouldContain("no document of a word processor");
        using (var other = new MemoryStream())
        {
            using (var zip = new ZipArchive(other, ZipArchiveMode.Create, leaveOpen: true)) zip.CreateEntry("a.txt");
            Says(other.ToArray()).ShouldContain("no document of a word processor");
        }

        // An entity from outside, and one that grows.
        Says(Replaced(good, "word/document.xml", $"<!DOCTYPE d [<!ENTITY x SYSTEM \"file:///etc/hostname\">]><w:document {Namespaces}><w:body>{P("&x;")}</w:body></w:document>"))
            .ShouldContain("no document of a word processor");
        Says(Replaced(good, "word/document.xml", "<w:document")).ShouldContain("no document of a word processor");
        Says(Document("")).ShouldContain("nothing in it");
        const string Deep = "<w:sdt><w:sdtContent>";
        Says(Document(string.Concat(Enumerable.Repeat(Deep, 20_000)) + string.Concat(Enumerable.Repeat("</w:sdtContent></w:sdt>", 20_000)))).ShouldContain("too deep");
        WrittenProcedure.Read(string.Concat(Enumerable.Repeat("> ", 5_000)) + "Wipe the frame.").Problem.ShouldNotBeNull().ToString().ShouldContain("nested");
    }

    /// <summary>Whatever is broken in a document, it is read or refused, and nothing else happens.</summary>
    [Fact]
    public void A_broken_document_is_read_or_refused()
    {
        var body = P("A job", "Titel") + P("Removal", "berschrift1") + P("Remove the tray bolts.", "Nummer", Numbered)
            + $"<w:tbl><w:tr><w:tc><w:tcPr><w:gridSpan w:val=\"2\"/><w:vMerge w:val=\"restart\"/></w:tcPr>{P("a")}</w:tc></w:tr><w:tr><w:tc>{P("b", "", "<w:ind w:left=\"720\"/>")}</w:tc><w:tc>{P("c")}</w:tc></w:tr></w:tbl>";
        var quoted = Regex.Matches(body, "\"[^\"]*\"");
        Gen.Select(Gen.Int[0, quoted.Count - 1], OneOf("", "-1", "x", "99999999999999999999", "&#10;", "1.5", "true"), Gen.Int[0, 2], Gen.Int[0, body.Length - 1]).Sample(broken =>
        {
            var (which, with, how, at) = broken;
            var damaged = how == 0 ? body.Remove(at, 1) : body[..quoted[which].Index] + $"\"{with}\"" + body[(quoted[which].Index + quoted[which].Length)..];
            var read = WrittenProcedure.Read(Document(damaged));
            if (!read.IsGood) read.Problem.ToString().ShouldNotBeEmpty();
        }, iter: 300);
    }

    [Fact]
    public void A_packed_bomb_is_refused_before_it_is_unpacked()
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            using var to = zip.CreateEntry("word/document.xml", CompressionLevel.Fastest).Open();
            var zeros = new byte[1 << 20];
            for (var i = 0; i < 210; i++) to.Write(zeros);
        }

        file.Length.ShouldBeLessThan(WordText.LargestFile);
        WrittenProcedure.Read(file.ToArray()).Problem.ShouldNotBeNull().ToString().ShouldContain("too large");
    }

    [Fact]
    public void Two_thousand_paragraphs_are_taken() =>
        Read(Document(string.Concat(Enumerable.Range(1, 2000).Select(_ => P("Wipe the frame.", "Nummer"))))).Sheet.Steps.Count().ShouldBe(2000);

    [Fact]
    public async Task The_command_takes_a_document_in_and_out()
    {
        var folder = Directory.CreateTempSubdirectory("wornpath");
        try
        {
            FileInfo At(string name) => new(Path.Combine(folder.FullName, name));
            using var trouble = new StringWriter();
            var demo = new FileInfo(Directory.GetFiles(ProcedureFileTests.Demo, "*.json")[0]);
            (await ExportCommand.RunAsync(demo, ExportFormat.Find("docx")!, At("a.docx"), Stream.Null, trouble)).ShouldBe(0);
            // What stands on every page, and the lists the sheet makes by itself, are told.
            (await ImportCommand.RunAsync(At("a.docx"), At("a.json"), "T-9", new StringWriter(), trouble)).ShouldBe(1);
            trouble.ToString().ShouldContain("left out: Page header:");
            ProcedureFileText.Read(await File.ReadAllBytesAsync(At("a.json").FullName, TestContext.Current.CancellationToken)).Value.Number.ShouldBe("T-9");
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    private static byte[] Replaced(byte[] file, string entry, string xml)
    {
        using var copy = new MemoryStream();
        copy.Write(file);
        using (var zip = new ZipArchive(copy, ZipArchiveMode.Update, leaveOpen: true))
        {
            zip.GetEntry(entry)!.Delete();
            using var to = new StreamWriter(zip.CreateEntry(entry).Open(), Encoding.UTF8);
            to.Write(xml);
        }

        return copy.ToArray();
    }
}
