using System.Collections.Immutable;
using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using WordCell = DocumentFormat.OpenXml.Wordprocessing.TableCell;
using WordRow = DocumentFormat.OpenXml.Wordprocessing.TableRow;
using Markdig.Syntax;
using Markdig.Syntax.Inlines;
using MarkdownTable = Markdig.Extensions.Tables.Table;
using MarkdownRow = Markdig.Extensions.Tables.TableRow;
using MarkdownCell = Markdig.Extensions.Tables.TableCell;

namespace WornPath.Formats.Out;

/// <summary>
/// A sheet as a document of a word processor (Office Open XML, ISO/IEC 29500): headings, numbered steps, hazard statements in frames, tables whose
/// heads are repeated and whose rows hold together; number, title, revision, standing and page on every page.
/// </summary>
public static class WordFile
{
    private const int Steps = 1;
    private const int Bullets = 2;

    // Twips: between the margins of an A4 page.
    private const int PageWidth = 9638;

    // Columns a table may have before its letters get smaller.
    private const int MostRoomy = 7;

    // Twips between a cell's words and its line.
    private const int CellMargin = 60;

    // Twips: how far a step's words stand in from its number.
    private const int StepIndent = 567;

    /// <summary>Writes a document.</summary>
    public static byte[] Write(SheetDocument document)
    {
        using var file = new MemoryStream();
        using (var package = WordprocessingDocument.Create(file, WordprocessingDocumentType.Document))
        {
            package.PackageProperties.Title = XmlWords.Line(document.Label.Line);
            var main = package.AddMainDocumentPart();
            main.AddNewPart<StyleDefinitionsPart>().Styles = Styles();
            main.AddNewPart<NumberingDefinitionsPart>().Numbering = Numbering();
            var (header, footer) = (main.AddNewPart<HeaderPart>(), main.AddNewPart<FooterPart>());
            header.Header = new Header(Styled("Header", Run(document.Label.Line),
                Run(document.Label.IsValid ? "" : $" · {document.Label.Standing}", bold: true)));
            footer.Footer = new Footer(Styled("Footer", Run("page "), Field("PAGE"), Run(" of "), Field("NUMPAGES")));
            var body = new Body();
            Fill(body, document, new WordFigures(main));
            body.Append(new SectionProperties(
                new HeaderReference { Type = HeaderFooterValues.Default, Id = main.GetIdOfPart(header) },
                new FooterReference { Type = HeaderFooterValues.Default, Id = main.GetIdOfPart(footer) },
                new PageSize { Width = 11906, Height = 16838 },
                new PageMargin { Top = 1134, Bottom = 1134, Left = 1134U, Right = 1134U, Header = 567U, Footer = 567U, Gutter = 0U }));
            main.Document = new Document(body);
        }

        return file.ToArray();
    }

    private static void Fill(Body body, SheetDocument document, WordFigures figures)
    {
        body.Append(Styled("Title", Run(document.Label.Line)));
        body.Append(Styled("Normal", Run(document.Label.Standing, bold: !document.Label.IsValid)));
        body.Append(Styled("Normal", Run(SheetDocument.Defers)));
        foreach (var (name, about) in document.About) body.Append(Bullet(0, Run($"{name}:", bold: true), Run($" {about}")));
        foreach (var table in document.Before) Append(body, table);
        foreach (var phase in document.Phases)
        {
            body.Append(Styled("Heading1", Run(phase.Name)));
            foreach (var step in phase.Steps) Append(body, step, figures);
            if (phase.Owed.IsEmpty) continue;
            body.Append(Styled("Lead", Run("Still to torque:", bold: true)));
            foreach (var owed in phase.Owed) body.Append(Bullet(0, Run($"☐ {owed}")));
        }

        if (document.Later is { } later) Append(body, later);
        if (document.Practice.Length > 0)
        {
            body.Append(Styled("Heading1", Run("House practice")));
            foreach (var line in document.Practice) body.Append(Bullet(0, Run(line)));
        }

        if (document.Torques is { } torques)
        {
            Append(body, torques);
            body.Append(Styled("Normal", Run(Core.Printing.PrintedSheet.NotJudged)));
        }

        if (document.Passes is { } passes) Append(body, passes);
    }

    private static void Append(Body body, DocumentStep step, WordFigures figures)
    {
        foreach (var caution in step.Cautions)
            body.Append(Styled("Caution", Run($"{caution.Signal}".ToUpperInvariant(), bold: true),
                Run($" {caution.Hazard} {caution.Consequence} {caution.Avoid}".TrimEnd())));
        var from = body.ChildElements.Count;
        foreach (var block in MarkdownBlocks.OfStep(step.Text)) Append(body, block, 0);
        // The number stands before the first words of the step.
        var first = body.ChildElements.Skip(from).OfType<Paragraph>().FirstOrDefault();
        if (first is null || body.ChildElements.Count == from || body.ChildElements[from] != first) first = body.InsertAt(Styled("Step"), from)!;
        first.ParagraphProperties = new ParagraphProperties(
            new ParagraphStyleId { Val = "Step" },
            new KeepNext { Val = step.Notes.Length + step.Figures.Length > 0 },
            new NumberingProperties(new NumberingLevelReference { Val = 0 }, new NumberingId { Val = Steps }));
        foreach (var note in step.Notes) body.Append(Styled("StepMore", Run(note, bold: true)));
        foreach (var figure in step.Figures) Append(body, figure, figures);
    }

    private static void Append(Body body, DocumentFigure figure, WordFigures figures)
    {
        if (figures.Draw(figure) is { } drawn)
        {
            var held = Styled("StepMore", drawn);
            held.ParagraphProperties!.KeepNext = new KeepNext();
            body.Append(held);
        }

        body.Append(Styled("StepMore", Run(figure.Title, bold: true), Run($" {figure.InWords}")));
    }

    private static void Append(Body body, Block block, int level)
    {
        switch (block)
        {
            case LeafBlock { Inline: { } inline }:
                body.Append(Styled("StepMore", [.. Runs(inline, new RunProperties())]));
                break;
            case CodeBlock code:
                foreach (var line in code.Lines.ToString().Split('\n')) body.Append(Styled("StepMore", Run(line)));
                break;
            case ListBlock list:
                var number = 0;
                foreach (var item in list.OfType<ListItemBlock>())
                {
                    number++;
                    var lead = list.IsOrdered ? $"{number}. " : null;
                    foreach (var inner in item)
                    {
                        if (inner is LeafBlock { Inline: { } words })
                        {
                            Run[] runs = [.. Runs(words, new RunProperties())];
                            if (inner != item[0]) body.Append(Styled("StepMore", runs));
                            else body.Append(lead is null ? Bullet(level + 1, runs) : Styled("StepMore", [Run(lead), .. runs]));
                        }
                        else Append(body, inner, Math.Min(level + 1, 6));
                    }
                }

                break;
            case MarkdownTable table:
                Append(body, StepIndent, [.. table.OfType<MarkdownRow>().Select(r => r.OfType<MarkdownCell>().Select(Words).ToArray())]);
                break;
            case ContainerBlock container:
                foreach (var inner in container) Append(body, inner, level);
                break;
        }
    }

    private static void Append(Body body, DocumentTable table)
    {
        body.Append(Styled("Heading1", Run(table.Name)));
        if (table.Rows.IsEmpty)
        {
            body.Append(Styled("Normal", Run("none known")));
            return;
        }

        // A column in which nothing stands takes the width from the others.
        int[] shown = [.. Enumerable.Range(0, table.Heads.Length).Where(i => table.Rows.Any(r => r[i].Length > 0))];
        Append(body, 0, [.. table.Rows.Prepend(table.Heads).Select(r => shown.Select(i => new[] { Run(r[i]) }).ToArray())]);
    }

    private static void Append(Body body, int indent, ImmutableArray<Run[][]> rows)
    {
        var columns = Math.Max(1, rows.Select(r => r.Length).DefaultIfEmpty(0).Max());
        var isWide = columns > MostRoomy;
        string Said(Run[][] row, int k) => k < row.Length ? string.Concat(row[k].Select(w => w.InnerText)) : "";
        var widths = Widths([.. Enumerable.Range(0, columns).Select(k => rows.Select(r => Said(r, k)))], PageWidth - indent, isWide ? 90 : 104);
        var table = new Table(
            new TableProperties(new TableStyle { Val = "Rows" }, new TableWidth { Width = $"{PageWidth - indent}", Type = TableWidthUnitValues.Dxa },
                new TableIndentation { Width = indent, Type = TableWidthUnitValues.Dxa }, new TableLayout { Type = TableLayoutValues.Fixed },
                new TableCellMarginDefault(new TableCellLeftMargin { Width = CellMargin, Type = TableWidthValues.Dxa },
                    new TableCellRightMargin { Width = CellMargin, Type = TableWidthValues.Dxa })),
            new TableGrid(widths.Select(w => new GridColumn { Width = $"{w}" })));
        foreach (var (i, row) in rows.Index())
        {
            // A head stands again on each page; no row is cut by its end.
            var line = new WordRow(i == 0 ? new TableRowProperties(new CantSplit(), new TableHeader()) : new TableRowProperties(new CantSplit()));
            for (var k = 0; k < columns; k++)
                line.Append(new WordCell(new TableCellProperties(new TableCellWidth { Width = $"{widths[k]}", Type = TableWidthUnitValues.Dxa }),
                    Styled((i == 0 ? "CellHead" : "Cell") + (isWide ? "Small" : ""), k < row.Length ? row[k] : [])));
            table.Append(line);
        }

        body.Append(table, Styled("Gap"));
    }

    // No column is narrower than its longest word, where that can be; what is left goes to those with more to say. Twips.
    private static int[] Widths(ImmutableArray<IEnumerable<string>> columns, int room, int character)
    {
        int[] least = [.. columns.Select(c => (c.Max(w => w.Split(' ').Max(word => word.Length)) * character) + (2 * CellMargin) + 40)];
        int[] wants = [.. columns.Select(c => Math.Min(c.Max(w => w.Length), 40) * character)];
        var left = room - least.Sum();
        if (left < 0) return [.. least.Select(w => w * room / least.Sum())];
        var more = wants.Zip(least, (want, least) => Math.Max(1, want - least)).ToArray();
        return [.. least.Zip(more, (w, m) => w + (left * m / more.Sum()))];
    }

    // --- words
    private static IEnumerable<Run> Runs(ContainerInline inlines, RunProperties how)
    {
        foreach (var inline in inlines)
        {
            switch (inline)
            {
                case LiteralInline literal:
                    yield return Like(Run(literal.Content.ToString()), how);
                    break;
                case CodeInline code:
                    yield return Like(Run(code.Content), how);
                    break;
                case LineBreakInline:
                    yield return new Run(new Break());
                    break;
                case HtmlEntityInline entity:
                    yield return Like(Run(entity.Transcoded.ToString()), how);
                    break;
                case AutolinkInline link:
                    yield return Like(Run(link.Url), how);
                    break;
                case DelimiterInline open:
                    yield return Like(Run(open.ToLiteral()), how);
                    foreach (var run in Runs(open, how)) yield return run;
                    break;
                // What a link leads to is said, and leads nowhere.
                case LinkInline link:
                    foreach (var run in Runs(link, how)) yield return run;
                    if (link.Url is { Length: > 0 } url) yield return Like(Run($" ({url})"), how);
                    break;
                case EmphasisInline emphasis:
                    var stressed = (RunProperties)how.CloneNode(true);
                    if (emphasis.DelimiterCount > 1) stressed.Bold = new Bold();
                    else stressed.Italic = new Italic();
                    foreach (var run in Runs(emphasis, stressed)) yield return run;
                    break;
                case ContainerInline container:
                    foreach (var run in Runs(container, how)) yield return run;
                    break;
            }
        }
    }

    private static Run[] Words(MarkdownCell cell) =>
        cell.OfType<LeafBlock>().FirstOrDefault()?.Inline is { } words ? [.. Runs(words, new RunProperties())] : [];

    private static Run Like(Run run, RunProperties how)
    {
        if (how.HasChildren) run.PrependChild(how.CloneNode(true));
        return run;
    }

    private static Run Run(string words, bool bold = false)
    {
        var run = new Run(new Text(XmlWords.Line(words)) { Space = SpaceProcessingModeValues.Preserve });
        return bold ? Like(run, new RunProperties(new Bold())) : run;
    }

    private static Paragraph Styled(string style, params OpenXmlElement[] runs) => new([new ParagraphProperties(new ParagraphStyleId { Val = style }), .. runs]);

    private static Paragraph Bullet(int level, params Run[] runs) => new([
        new ParagraphProperties(new ParagraphStyleId { Val = "Normal" },
            new NumberingProperties(new NumberingLevelReference { Val = level }, new NumberingId { Val = Bullets })), .. runs]);

    private static SimpleField Field(string code) => new(new Run(new Text("1"))) { Instruction = $" {code} " };

    // --- how it looks
    private static Numbering Numbering()
    {
        static Level At(int level, NumberFormatValues format, string text, int left) => new(
            new StartNumberingValue { Val = 1 },
            new NumberingFormat { Val = format },
            new LevelText { Val = text },
            new LevelJustification { Val = LevelJustificationValues.Left },
            new PreviousParagraphProperties(new Indentation { Left = $"{left}", Hanging = format == NumberFormatValues.Decimal ? $"{StepIndent}" : "283" }))
        { LevelIndex = level };
        return new Numbering(
            new AbstractNum(new MultiLevelType { Val = MultiLevelValues.HybridMultilevel },
                At(0, NumberFormatValues.Decimal, "%1.", StepIndent))
            { AbstractNumberId = 0 },
            new AbstractNum([new MultiLevelType { Val = MultiLevelValues.HybridMultilevel },
                .. Enumerable.Range(0, 9).Select(i => At(i, NumberFormatValues.Bullet, i == 0 ? "•" : "–", 283 + (i * 567)))])
            { AbstractNumberId = 1 },
            new NumberingInstance(new AbstractNumId { Val = 0 }) { NumberID = Steps },
            new NumberingInstance(new AbstractNumId { Val = 1 }) { NumberID = Bullets });
    }

    private static Styles Styles()
    {
        static Style Paragraph(string id, string name, StyleParagraphProperties paragraph, StyleRunProperties? run = null, string? basedOn = "Normal") => new(
            new OpenXmlElement?[]
            {
                new StyleName { Val = name }, basedOn is null ? null : new BasedOn { Val = basedOn }, new PrimaryStyle(), paragraph, run,
            }.OfType<OpenXmlElement>())
        { Type = StyleValues.Paragraph, StyleId = id, Default = id == "Normal" ? true : null };
        static StyleRunProperties Font(int halfPoints, bool bold = false) => new(new OpenXmlElement?[]
        {
            bold ? new Bold() : null, new FontSize { Val = $"{halfPoints}" },
        }.OfType<OpenXmlElement>());
        static SpacingBetweenLines Space(int before, int after) => new() { Before = $"{before}", After = $"{after}" };
        static T Line<T>(uint size)
            where T : BorderType, new() => new() { Val = BorderValues.Single, Size = size, Space = 4, Color = "auto" };
        return new Styles(
            new DocDefaults(
                new RunPropertiesDefault(new RunPropertiesBaseStyle(new RunFonts { Ascii = "Arial", HighAnsi = "Arial", ComplexScript = "Arial" },
                    new FontSize { Val = "21" }, new Languages { Val = "en-GB" })),
                new ParagraphPropertiesDefault(new ParagraphPropertiesBaseStyle(Space(0, 80)))),
            Paragraph("Normal", "Normal", new StyleParagraphProperties(Space(0, 80)), null, null),
            Paragraph("Title", "Title", new StyleParagraphProperties(new KeepNext(), Space(0, 120)), Font(36, bold: true)),
            Paragraph("Heading1", "heading 1", new StyleParagraphProperties(new KeepNext(), new ParagraphBorders(Line<BottomBorder>(8)),
                Space(280, 100), new OutlineLevel { Val = 0 }), Font(26, bold: true)),
            Paragraph("Step", "Step", new StyleParagraphProperties(new KeepLines(), Space(80, 40))),
            Paragraph("StepMore", "Step more", new StyleParagraphProperties(new KeepLines(), Space(0, 40), new Indentation { Left = $"{StepIndent}" })),
            Paragraph("Lead", "Lead", new StyleParagraphProperties(new KeepNext(), Space(120, 40))),
            Paragraph("Caution", "Hazard statement", new StyleParagraphProperties(new KeepNext(), new KeepLines(),
                new ParagraphBorders(Line<TopBorder>(12), Line<LeftBorder>(12), Line<BottomBorder>(12), Line<RightBorder>(12)), Space(120, 80))),
            Paragraph("Cell", "Cell", new StyleParagraphProperties(Space(20, 20)), Font(17)),
            Paragraph("CellHead", "Cell head", new StyleParagraphProperties(new KeepNext(), Space(20, 20)), Font(17, bold: true)),
            Paragraph("CellSmall", "Cell small", new StyleParagraphProperties(Space(20, 20)), Font(15)),
            Paragraph("CellHeadSmall", "Cell head small", new StyleParagraphProperties(new KeepNext(), Space(20, 20)), Font(15, bold: true)),
            Paragraph("Gap", "Gap", new StyleParagraphProperties(Space(0, 0)), Font(8)),
            Paragraph("Header", "header", new StyleParagraphProperties(Space(0, 0)), Font(17)),
            Paragraph("Footer", "footer", new StyleParagraphProperties(Space(0, 0), new Justification { Val = JustificationValues.Right }), Font(17)),
            new Style(new StyleName { Val = "Rows" }, new StyleTableProperties(
                new TableBorders(Line<TopBorder>(4), Line<LeftBorder>(4), Line<BottomBorder>(4), Line<RightBorder>(4),
                    Line<InsideHorizontalBorder>(4), Line<InsideVerticalBorder>(4))))
            { Type = StyleValues.Table, StyleId = "Rows" });
    }
}
