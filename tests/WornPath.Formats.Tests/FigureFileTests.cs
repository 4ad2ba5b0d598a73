using System.Collections.Immutable;
using System.Text;
using System.Xml.Linq;
using AngleSharp.Html.Parser;
using WornPath.Core.Editing;
using WornPath.Core.Printing;
using WornPath.Core.Workshops;
using WornPath.Formats.In;
using WornPath.Formats.Out;
using WornPath.Formats.Pictures;

namespace WornPath.Formats.Tests;

/// <summary>Figures out and in: in the own file with their pictures, in the other formats as each can have them.</summary>
public class FigureFileTests
{
    private const string Drawing = "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 400 300\"><path d=\"M0 0L9 9\" /></svg>";

    private static KeptPicture Kept => KeptPicture.Take(Encoding.UTF8.GetBytes(Drawing)).Value;

    private static ProcedureFile Hub => ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, "front-hub-bearing.json"))).Value;

    private static SheetDocument Document(ProcedureFile file) => SheetDocument.Of(new SheetLabel(file.Number, file.Title, "", "A",
        SheetStanding.Unknown, false, ""),
        PrintedSheet.Of(WalkSet.Run(file.Sheet, new Workshop()).As(null)), FilePictures.Of(file));

    private static string Out(string format, SheetDocument document) => Encoding.UTF8.GetString(ExportFormat.Find(format)!.Write(document));

    private static ProcedureFile With(Figure figure)
    {
        var sheet = Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, "Work")).Value.Sheet;
        sheet = Editor.Apply(sheet, new InsertStep("s1", "h1", null, "Remove the cover bolts.")).Value.Sheet;
        sheet = Editor.Apply(sheet, new PutFigure("s1", null, figure)).Value.Sheet;
        var kept = Kept;
        return FilePictures.With(new ProcedureFile { Number = "T-1", Title = "t", Sheet = sheet }, k => k == kept.Picture.Key ? kept.Bytes : null);
    }

    private static Figure Plain => new() { Id = "f1", Picture = Kept.Picture, Alt = "A line." };

    [Fact]
    public void A_file_carries_its_pictures_each_once_and_comes_back_with_every_mark()
    {
        var figure = Plain with
        {
            Caption = "Line",
            Crop = new(0, 0, 5000, 5000),
            Balloons = [new(new(1, 2), new(3, 4), "J1", "inner", true), new(new(5, 6), new(7, 8), null, "pilot", false)],
            Arrows = [new(new(0, 0), new(10_000, 10_000))],
            Inset = new(new(0, 0, 2000, 2000), new(5000, 5000), 25),
        };
        var file = With(figure);
        file = file with { Sheet = Editor.Apply(file.Sheet, new PutFigure("s1", null, Plain with { Id = "f2" })).Value.Sheet };
        file.Pictures!.Value.ShouldHaveSingleItem().Data.ShouldBe(Kept.Bytes);
        var bytes = ProcedureFileText.Write(file).Value;
        var back = ProcedureFileText.Read(bytes).Value;
        ProcedureFileText.Write(back).Value.ShouldBe(bytes);
        back.Sheet.Steps.Single().Figures.Length.ShouldBe(2);
        back.Sheet.Steps.Single().Figures[0].Balloons.ShouldBe(figure.Balloons);
        (back.Sheet.Steps.Single().Figures[0].Crop, back.Sheet.Steps.Single().Figures[0].Inset).ShouldBe((figure.Crop, figure.Inset));
        // What a figure names may be gone from its sheet since: the file still comes back whole.
        var gone = file with
        {
            Sheet = file.Sheet with
            {
                Joints = [],
                Phases = [file.Sheet.Phases[0] with { Steps = [file.Sheet.Phases[0].Steps[0] with { Actions = [], Text = "" }] }]
            }
        };
        ProcedureFileText.Read(ProcedureFileText.Write(gone).Value).Value.Sheet.Steps.Single().Figures[0].Balloons[0].Thing.ShouldBe("J1");
    }

    [Fact]
    public void A_file_whose_pictures_are_not_as_they_are_kept_is_cleaned_or_refused()
    {
        string Json(Func<string, string> change) => change(Encoding.UTF8.GetString(ProcedureFileText.Write(With(Plain)).Value));
        Problem Refused(Func<string, string> change) => ProcedureFileText.Read(Encoding.UTF8.GetBytes(Json(change))).Problem.ShouldNotBeNull();
        var running = Drawing.Replace("<path", "<script>alert(1)</script><path", StringComparison.Ordinal);
        var cleaned = ProcedureFileText.Read(Encoding.UTF8.GetBytes(Json(j => j.Replace(Convert.ToBase64String(Kept.Bytes),
            Convert.ToBase64String(Encoding.UTF8.GetBytes(running)),
            StringComparison.Ordinal)))).Value;
        cleaned.Pictures!.Value.Single().Data.ShouldBe(Kept.Bytes);
        cleaned.Sheet.Steps.Single().Figures[0].Picture.ShouldBe(Kept.Picture);
        // A picture that no figure shows does not come in.
        var extra = Json(j => j.Replace("\"id\": \"f1\",", "\"id\": \"f1\", \"pattern\": \"J1\",", StringComparison.Ordinal));
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(extra)).Problem!.ToString().ShouldContain("step 1, figure 1");
        Refused(j => j.Replace(Kept.Picture.Key, new string('0', 64) + ".svg", StringComparison.Ordinal).Replace("\"key\": \"" + new string('0',
            64) + ".svg\",\n      \"data\"",
            "\"key\": \"" + Kept.Picture.Key + "\",\n      \"data\"", StringComparison.Ordinal)).ToString().ShouldContain("Its picture is not in the file.");
        Refused(j => j.Replace(Convert.ToBase64String(Kept.Bytes), "AAAA", StringComparison.Ordinal)).ToString().ShouldContain("picture 1");
        Refused(j => j.Replace(Convert.ToBase64String(Kept.Bytes), "not base64!", StringComparison.Ordinal)).What.ShouldContain("cannot be read");
    }

    [Fact]
    public void The_web_page_shows_each_figure_with_its_picture_its_balloons_and_what_they_name()
    {
        var html = new HtmlParser(new HtmlParserOptions { IsStrictMode = true }).ParseDocument(Out("html", Document(Hub)));
        var figures = html.QuerySelectorAll("figure").ToList();
        figures.Count.ShouldBe(3);
        var section = figures[1];
        section.QuerySelectorAll("svg > text").Select(t => t.TextContent).ShouldBe(["1", "2", "3", "4", "5"]);
        section.QuerySelectorAll("li").Select(l => l.TextContent).ShouldBe(["P6 hub", "P7 outer bearing", "J2 hub nut", "P8 oil seal", "P5 dust cover"]);
        section.QuerySelector("figcaption strong")!.TextContent.ShouldBe("Figure 2: The hub put together");
        section.QuerySelector("svg")!.GetAttribute("aria-label")!.ShouldStartWith("Section through the hub");
        var href = section.QuerySelector("image")!.GetAttribute("href")!;
        href.ShouldStartWith("data:image/svg+xml;base64,");
        XElement.Parse(Encoding.UTF8.GetString(Convert.FromBase64String(href[(href.IndexOf(',') + 1)..]))).Name.LocalName.ShouldBe("svg");
        // The pattern of five: the numbers of the turns.
        figures[2].QuerySelectorAll("svg > text").Select(t => t.TextContent).Order().ShouldBe(["1", "2", "3", "4", "5"]);
        html.QuerySelector("meta[http-equiv]")!.GetAttribute("content").ShouldBe("default-src 'none'; style-src 'unsafe-inline'; img-src data:");
    }

    [Fact]
    public void A_documentation_system_gets_each_figure_as_one_drawing_with_its_words()
    {
        var dita = XDocument.Parse(Out("dita", Document(Hub)).Replace("<!DOCTYPE task PUBLIC \"-//OASIS//DTD DITA Task//EN\" \"task.dtd\">", "",
            StringComparison.Ordinal));
        var figures = dita.Descendants("fig").ToList();
        figures.Select(f => (string?)f.Element("title")).ShouldBe(["Figure 1: The hook carries the caliper, the hose carries nothing",
            "Figure 2: The hub put together", "Figure 3: Star of the wheel nuts"]);
        figures[1].Element("ol")!.Elements("li").Count().ShouldBe(5);
        var href = (string)figures[1].Element("image")!.Attribute("href")!;
        var drawn = XElement.Parse(Encoding.UTF8.GetString(Convert.FromBase64String(href[(href.IndexOf(',') + 1)..])));
        drawn.Elements().Count(e => e.Name.LocalName == "text").ShouldBe(5);
    }

    [Fact]
    public void Where_a_format_has_no_picture_its_words_stand_and_coming_back_they_are_listed()
    {
        var markdown = Out("markdown", Document(Hub));
        markdown.ShouldContain("**Figure 1: The hook carries the caliper, the hose carries nothing** The caliper hangs from the front beam");
        markdown.ShouldContain("1 P3 caliper; 2 A2 wire hook; 3 brake hose, slack");
        var back = WrittenProcedure.Read(markdown).Value;
        back.Sheet.Steps.ShouldAllBe(s => !s.Text.Contains("Figure"));
        back.Left.Count(l => l.What.StartsWith("Figure ", StringComparison.Ordinal) && l.Why.Contains("procedure file")).ShouldBe(3);
    }

    /// <summary>The picture as it is and as dots, over it the word processor's own lines and circles.</summary>
    [Fact]
    public void A_document_of_a_word_processor_has_each_picture_once_and_its_marks_as_shapes()
    {
        XNamespace a = "http://schemas.openxmlformats.org/drawingml/2006/main", wps = "http://schemas.microsoft.com/office/word/2010/wordprocessingShape";
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(ExportFormat.Find("docx")!.Write(Document(Hub))));
        zip.Entries.Where(e => e.FullName.Contains("media/")).Select(e => Path.GetExtension(e.Name)).Order().ShouldBe([".png", ".png", ".svg", ".svg"]);
        using var stream = zip.GetEntry("word/document.xml")!.Open();
        var groups = XDocument.Load(stream).Descendants().Where(e => e.Name.LocalName == "inline").ToList();
        groups.Count.ShouldBe(3);
        string[] Circles(XElement group) => [.. group.Descendants(wps + "wsp").Where(s => s.Descendants(a + "prstGeom").Any(g =>
            (string?)g.Attribute("prst") == "ellipse")).Select(s => s.Value)];
        Circles(groups[1]).ShouldBe(["1", "2", "3", "4", "5"]);
        groups[1].Descendants().Single(e => e.Name.LocalName == "docPr").Attribute("descr")!.Value.ShouldStartWith("Section through the hub");
        // Every mark lies on the group.
        var size = groups[1].Elements().Single(e => e.Name.LocalName == "extent");
        foreach (var placed in groups[1].Descendants(wps + "spPr").Select(s => s.Element(a + "xfrm")!))
        {
            ((long)placed.Element(a + "off")!.Attribute("x")! + (long)placed.Element(a + "ext")!.Attribute("cx")!).ShouldBeInRange(0,
                (long)size.Attribute("cx")! + 1);
            ((long)placed.Element(a + "off")!.Attribute("y")! + (long)placed.Element(a + "ext")!.Attribute("cy")!).ShouldBeInRange(0,
                (long)size.Attribute("cy")! + 1);
        }

        // What cannot show drawings has the same as dots: the line from corner to corner is there.
        using var dots = zip.Entries.First(e => e.Name.EndsWith(".png", StringComparison.Ordinal)).Open();
        using var painted = SkiaSharp.SKBitmap.Decode(dots);
        (painted.Width, Enumerable.Range(0, painted.Width).Any(x => painted.GetPixel(x, painted.Height / 5).Red < 60)).ShouldBe((1200, true));
    }

    /// <summary>What was put beside the part that is shown now stands at its edge.</summary>
    [Fact]
    public void No_balloon_is_lost_by_showing_less_of_a_picture()
    {
        var figure = new PrintedFigure(1, Kept.Picture, null, "A line.", "", new FigureArea(4000, 4000, 2000, 2000),
            [new(1, new(0, 0), new(10_000, 0), "x", ""), new(2, new(10_000, 10_000), new(5000, 5000), "y", "")], [new(new(0, 0), new(10_000, 10_000))],
            new FigureInset(new(0, 0, 500, 500), new(10_000, 10_000), 20));
        var svg = XElement.Parse(FigureDrawing.Svg(new DocumentFigure(figure, Kept.Bytes)));
        double[] box = [.. ((string)svg.Attribute("viewBox")!).Split(' ').Select(n => double.Parse(n, System.Globalization.CultureInfo.InvariantCulture))];
        box.ShouldBe([480, 360, 240, 180]);
        double Of(XElement e, string name) => double.Parse((string)e.Attribute(name)!, System.Globalization.CultureInfo.InvariantCulture);
        foreach (var circle in svg.Elements().Where(e => e.Name.LocalName == "circle" && (string?)e.Attribute("stroke") == "#000"))
        {
            Of(circle, "cx").ShouldBeInRange(480 + Of(circle, "r"), 720 - Of(circle, "r"));
            Of(circle, "cy").ShouldBeInRange(360 + Of(circle, "r"), 540 - Of(circle, "r"));
        }

        var inset = svg.Elements().Single(e => e.Name.LocalName == "svg");
        (Of(inset, "x") + Of(inset, "width")).ShouldBe(720, 0.01);
        (Of(inset, "y") + Of(inset, "height")).ShouldBe(540, 0.01);
    }
}
