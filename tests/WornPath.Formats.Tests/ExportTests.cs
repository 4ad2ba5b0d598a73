using System.Text;
using System.Text.RegularExpressions;
using System.Xml;
using System.Xml.Linq;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Markdig;
using WornPath.Cli;
using WornPath.Core.Printing;
using WornPath.Core.Workshops;
using WornPath.Formats.Out;

namespace WornPath.Formats.Tests;

/// <summary>
/// What goes out is read back by readers of other hands: HTML and the HTML of the Markdown by AngleSharp, Markdown by Markdig with HTML
/// allowed, DITA by the platform's XML reader and the published content models of the DITA 1.3 task (OASIS; from memory), CSV by CsvHelper.
/// </summary>
public class ExportTests
{
    private static readonly MarkdownPipeline AsOthersRead = new MarkdownPipelineBuilder().UsePipeTables().UseTaskLists().Build();

    public static TheoryData<string> Files => ProcedureFileTests.Files;

    private static SheetDocument DocumentOf(ProcedureFile file) => SheetDocument.Of(
        new SheetLabel(file.Number, file.Title, file.Platform, "B", SheetStanding.Unknown, false, ""), PrintedSheet.Of(WalkSet.Run(file.Sheet,
            new Workshop()).As(null)), FilePictures.Of(file)) with
    {
        Changes = new DocumentTable("Changed since revision A", ["What"], [["Because: the second edition says so."], ["J1 carrier bolts: torque 95 N·m → 105 N·m"]]),
        Findings = WalkSet.Run(file.Sheet, new Workshop()).Findings,
    };

    // A figure whose every word is this one.
    private static DocumentFigure Balloon(string word) => new(new PrintedFigure(1, new FigurePicture(new string('a', 64) + ".png", 200, 100), null,
        word, word, null,
        [new PrintedBalloon(1, new FigurePoint(1000, 1000), new FigurePoint(5000, 5000), word, word)], [], null), [1, 2, 3]);

    private static SheetDocument Demo(string file) => DocumentOf(ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, file))).Value);

    private static string Out(string format, SheetDocument document) => Encoding.UTF8.GetString(ExportFormat.Find(format)!.Write(document));

    private static IHtmlDocument Html(string text)
    {
        var parser = new HtmlParser(new HtmlParserOptions { IsStrictMode = true });
        return parser.ParseDocument(text);
    }

    private static XDocument Dita(SheetDocument document)
    {
        using var reader = XmlReader.Create(new StringReader(Out("dita", document)), new XmlReaderSettings { DtdProcessing = DtdProcessing.Ignore, XmlResolver = null });
        return XDocument.Load(reader);
    }

    // Words alone: marks, units' spaces and line ends are the format's.
    private static string Words(string text) => Regex.Replace(text.Replace('\u00A0', ' '), @"[\s*`|]+", " ").Trim();

    [Fact]
    public void Findings_go_out_as_the_check_tells_them()
    {
        var document = Demo("loader-brackets.json");
        var run = System.Text.Json.JsonDocument.Parse(Out("sarif", document)).RootElement.GetProperty("runs")[0];
        run.GetProperty("results").EnumerateArray().Select(r => r.GetProperty("ruleId").GetString()).ShouldBe(document.Findings.Select(f => f.Rule));
        run.GetProperty("results")[0].GetProperty("locations")[0].GetProperty("physicalLocation").GetProperty("artifactLocation").GetProperty("uri").GetString().ShouldBe("OT-311-B");
        ExportFormat.Find("sarif")!.FileName(document.Label).ShouldBe("OT-311-B-findings.sarif");
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void Everything_a_sheet_says_is_in_every_format(string file)
    {
        var document = Demo(file);
        var texts = new Dictionary<string, string>
        {
            ["html"] = Words(Html(Out("html", document)).Body!.TextContent),
            ["markdown"] = Words(Html($"<!DOCTYPE html><title>.</title>{Markdown.ToHtml(Out("markdown", document), AsOthersRead)}").Body!.TextContent),
            ["dita"] = Words(Dita(document).Root!.Value),
        };
        foreach (var (format, text) in texts)
        {
            text.ShouldContain(Words(document.Label.Line), Case.Sensitive, format);
            text.ShouldContain(Words(document.Label.Standing), Case.Sensitive, format);
            foreach (var step in document.Phases.SelectMany(p => p.Steps))
            {
                foreach (var line in step.Text.Split('\n').Where(l => !l.Contains("---"))) text.ShouldContain(Words(Regex.Replace(line, @"^\s*(?:-|\d+\.)\s+", "")), Case.Sensitive, $"{format}, step {step.Number}");
                foreach (var note in step.Notes) text.ShouldContain(Words(note), Case.Sensitive, $"{format}, step {step.Number}");
                foreach (var caution in step.Cautions) text.ShouldContain(Words(caution.Avoid), Case.Sensitive, $"{format}, step {step.Number}");
            }

            foreach (var cell in document.Before.Append(document.Torques ?? SheetDocument.NoTorques).Append(document.Later
                ?? SheetDocument.NoTorques).SelectMany(t => t.Rows).SelectMany(r => r))
                text.ShouldContain(Words(cell), Case.Sensitive, format);
            foreach (var owed in document.Phases.SelectMany(p => p.Owed)) text.ShouldContain(Words(owed), Case.Sensitive, format);
        }

        document.Torques.ShouldNotBeNull().Rows.Select(r => r[4]).ShouldAllBe(v => v.Length > 0);
        Rows(Out("joints", document)).Skip(1).Select(r => r[4]).ShouldBe(document.Torques.Rows.Select(r => r[4]));
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void A_web_page_has_nothing_wrong_and_asks_for_nothing(string file)
    {
        var page = Html(Out("html", Demo(file)));
        page.Title.ShouldNotBeNullOrEmpty();
        page.QuerySelectorAll("h1").Length.ShouldBe(1);
        page.QuerySelectorAll("script, link, img, iframe, object, a[href], [src], [onload]").ShouldBeEmpty();
        page.QuerySelectorAll("style").ShouldHaveSingleItem().TextContent.ShouldNotContain("url(");
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void A_dita_task_is_built_as_its_grammar_says(string file)
    {
        var task = Dita(Demo(file)).Root!;
        Wrong(task).ShouldBeEmpty();
        task.Descendants("step").Count().ShouldBe(Demo(file).Phases.Sum(p => p.Steps.Length));
        task.Descendants("hazardstatement").Select(h => (string)h.Attribute("type")!).ShouldAllBe(t => Array.IndexOf(new[] { "danger", "warning", "caution", "notice" }, t) >= 0);
    }

    // The published content models of what is used: the children of each, by name, as an expression.
    private static readonly Dictionary<string, string> Models = new()
    {
        ["task"] = "title (shortdesc )?(prolog )?taskbody ",
        ["taskbody"] = "(prereq )?(context )?(steps |steps-informal )?(result )?(postreq )?",
        ["prereq"] = Blocks,
        ["postreq"] = Blocks,
        ["steps"] = "((stepsection )?step )+",
        ["step"] = "(note |hazardstatement )*cmd (info |choices |substeps |stepresult )*",
        ["hazardstatement"] = "(messagepanel )+(hazardsymbol )*",
        ["messagepanel"] = "typeofhazard (consequence )*(howtoavoid )+",
        ["info"] = Blocks,
        ["dl"] = "(dlentry )+",
        ["dlentry"] = "(dt )+(dd )+",
        ["ul"] = "(li )+",
        ["ol"] = "(li )+",
        ["fig"] = "(title )?(desc )?(p |ol |ul |image )*",
        ["image"] = "(alt )?(longdescref )?",
        ["li"] = Blocks + "|" + Inline,
        ["table"] = "(title )?(tgroup )+",
        ["tgroup"] = "(colspec )*(thead )?tbody ",
        ["thead"] = "(row )+",
        ["tbody"] = "(row )+",
        ["row"] = "(entry )+",
        ["simpletable"] = "(sthead )?(strow )+",
        ["sthead"] = "(stentry )+",
        ["strow"] = "(stentry )+",
    };

    private const string Blocks = "(p |fig |dl |ul |ol |table |simpletable |codeblock )*";
    private const string Inline = "(b |i |codeph )*";

    private static IEnumerable<string> Wrong(XElement element)
    {
        var children = string.Concat(element.Elements().Select(e => e.Name.LocalName + " "));
        var model = Models.GetValueOrDefault(element.Name.LocalName, Inline);
        if (!Regex.IsMatch(children, $"^(?:{model})$")) yield return $"{element.Name}: {children}";
        foreach (var wrong in element.Elements().SelectMany(Wrong)) yield return wrong;
    }

    /// <summary>Names and sentences that would be something else in the format they go into.</summary>
    public static TheoryData<string> Hostile =>
    [
        "<script>alert(1)</script>", "<img src=x onerror=alert(1)>", "=HYPERLINK(\"x\")", "+1-1", "@SUM(A1)", "a | b", "*so* _much_ `of` [it](x)", "1. nut", "# nut", "- nut", "\\", "&amp; &lt;b&gt;",
        "\"quoted\", and more", "ends with |", "]]>", "nut\u0001", "\ud83d\udd27 nut", "![x](y)", "~~nut~~", "    four", "> nut", "---", "``` nut",
    ];

    [Theory]
    [MemberData(nameof(Hostile))]
    public void What_is_typed_stays_what_it_is_in_every_format(string typed)
    {
        var name = typed.Trim();
        var cells = new DocumentTable(name, [name, "B"], [[name, "b"]]);
        var document = new SheetDocument(new SheetLabel(name, name, name, "A", name, false, name), [(name, name)], cells, cells, cells,
            [new DocumentPhase(name, [new DocumentStep(1, [new Core.Sheets.Caution(SignalWord.Caution, name, name, name)], "Undo it.", [name],
                [Balloon(name)])], [name])], cells, cells, cells, [name]);

        var html = Html(Out("html", document));
        html.QuerySelectorAll("script, img, a").ShouldBeEmpty();
        html.QuerySelectorAll("tbody td")[0].TextContent.ShouldBe(name);
        html.QuerySelector("dd")!.TextContent.ShouldBe(name);

        var read = Html($"<!DOCTYPE html><title>.</title>{Markdown.ToHtml(Out("markdown", document), AsOthersRead)}");
        read.QuerySelectorAll("script, img, a, del, code").ShouldBeEmpty();
        read.QuerySelectorAll("tbody td")[0].TextContent.ShouldBe(name);
        read.QuerySelectorAll("h2")[0].TextContent.ShouldBe(name);
        read.QuerySelectorAll("h2").Length.ShouldBe(8);

        var shown = name.Replace('\u0001', '\uFFFD');
        Dita(document).Descendants("entry").First().Value.ShouldBe(shown);
        Dita(document).Descendants("typeofhazard").First().Value.ShouldBe(shown);

        var rows = Rows(Out("joints", document));
        rows[1][0].TrimStart('\'').ShouldBe(name.TrimStart('\''));
        if (name[0] is '=' or '+' or '-' or '@') rows[1][0][0].ShouldBe('\'');
    }

    [Theory]
    [InlineData("Undo it <script>alert(1)</script> now.")]
    [InlineData("Undo it.\n\n- **one** <img src=x onerror=alert(1)>\n- two\n\n| a | b |\n| --- | --- |\n| <b>c</b> | d |")]
    [InlineData("See [the manual](javascript:alert(1)) & <https://x.example>.")]
    public void A_step_keeps_its_marks_and_runs_nothing(string text)
    {
        var nothing = new DocumentTable("Parts", ["What"], []);
        var document = new SheetDocument(new SheetLabel("T-1", "t", "", "A", "x", false, ""), [], nothing, nothing, nothing,
            [new DocumentPhase("Work", [new DocumentStep(1, [], text, [], [])], [])], null, null, null, []);
        var html = Html(Out("html", document));
        html.QuerySelectorAll("script, img, a, b").ShouldBeEmpty();
        if (text.Contains("script>")) html.Body!.TextContent.ShouldContain("<script>alert(1)</script>");
        if (text.Contains("**")) (html.QuerySelectorAll("li strong").Length, html.QuerySelectorAll("main td").Length).ShouldBe((1, 2));
        var markdown = Html($"<!DOCTYPE html><title>.</title>{Markdown.ToHtml(Out("markdown", document), AsOthersRead)}");
        markdown.QuerySelectorAll("script, img, b").ShouldBeEmpty();
        if (text.Contains("**")) (markdown.QuerySelectorAll("li li strong").Length, markdown.QuerySelectorAll("li td").Length).ShouldBe((1, 2));
        Wrong(Dita(document).Root!).ShouldBeEmpty();
        if (text.Contains("manual")) Dita(document).Root!.Value.ShouldContain("the manual (javascript:alert(1))");
    }

    [Fact]
    public void An_empty_sheet_goes_out_too()
    {
        var document = DocumentOf(new ProcedureFile { Number = "1 2", Title = "empty" });
        foreach (var format in ExportFormat.All) format.Write(document).ShouldNotBeEmpty(format.Id);
        Wrong(Dita(document).Root!).ShouldBeEmpty();
        ((string)Dita(document).Root!.Attribute("id")!).ShouldBe("p1_x0020_2");
        ExportFormat.Find("joints")!.FileName(document.Label).ShouldBe("1_2-B-joints.csv");
    }

    [Fact]
    public async Task The_command_writes_a_format_and_says_what_it_cannot()
    {
        var to = new FileInfo(Path.Combine(Path.GetTempPath(), $"wornpath-{Guid.NewGuid():N}.md"));
        try
        {
            var demo = new FileInfo(Path.Combine(ProcedureFileTests.Demo, "front-hub-bearing.json"));
            var trouble = new StringWriter();
            (await ExportCommand.RunAsync(demo, ExportFormat.Find("markdown")!, to, Stream.Null, trouble)).ShouldBe(0);
            (await File.ReadAllTextAsync(to.FullName)).ShouldStartWith("# OT-104 ");
            (await File.ReadAllTextAsync(to.FullName)).ShouldContain("nothing in it says whether it is released");
            using var output = new MemoryStream();
            (await ExportCommand.RunAsync(demo, ExportFormat.Find("markdown")!, null, output, trouble)).ShouldBe(0);
            output.ToArray().ShouldBe(await File.ReadAllBytesAsync(to.FullName));
            trouble.ToString().ShouldBeEmpty();
            (await ExportCommand.RunAsync(new FileInfo(Path.Combine(ProcedureFileTests.Demo, "crib.csv")), ExportFormat.Find("html")!, to, Stream.Null, trouble)).ShouldBe(3);
            (await ExportCommand.RunAsync(demo, ExportFormat.Find("html")!, new FileInfo(Path.Combine(to.FullName, "x.html")), Stream.Null, trouble)).ShouldBe(4);
            trouble.ToString().ShouldContain("no JSON");
        }
        finally
        {
            to.Delete();
        }
    }

    private static List<string[]> Rows(string csv)
    {
        using var parser = new CsvHelper.CsvParser(new StringReader(csv.TrimStart('\uFEFF')), System.Globalization.CultureInfo.InvariantCulture);
        var rows = new List<string[]>();
        while (parser.Read()) rows.Add(parser.Record!);
        return rows;
    }
}
