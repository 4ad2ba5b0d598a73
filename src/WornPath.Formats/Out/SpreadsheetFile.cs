using System.Globalization;
using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Spreadsheet;

namespace WornPath.Formats.Out;

/// <summary>
/// The tables of a sheet as a workbook (Office Open XML, ISO/IEC 29500): joints, patterns, tools, parts and consumables, a page each, with heads that
/// stay in sight and a filter. What is written is text, so that nothing typed becomes a formula; a count is a number.
/// </summary>
public static class SpreadsheetFile
{
    // Places in the style sheet: as it comes, a head, words that wrap.
    private const uint Head = 1;
    private const uint Wrapped = 2;

    // Characters.
    private const int WidestColumn = 28;
    private const int LongestCell = 32_767;

    /// <summary>Writes a document.</summary>
    public static byte[] Write(SheetDocument document)
    {
        using var file = new MemoryStream();
        using (var package = SpreadsheetDocument.Create(file, SpreadsheetDocumentType.Workbook))
        {
            package.PackageProperties.Title = XmlWords.Line(document.Label.Line);
            var book = package.AddWorkbookPart();
            book.AddNewPart<WorkbookStylesPart>().Stylesheet = Styles();
            var pages = new Sheets();
            void Add(DocumentTable table)
            {
                var page = book.AddNewPart<WorksheetPart>();
                page.Worksheet = Page(table, document.Label);
                pages.Append(new Sheet { Name = table.Name, SheetId = (uint)pages.ChildElements.Count + 1, Id = book.GetIdOfPart(page) });
            }

            foreach (var table in document.Before.Insert(0, document.Torques ?? SheetDocument.NoTorques)) Add(table);
            if (document.Passes is { } passes) Add(passes);
            if (document.Later is { } later) Add(later);
            book.Workbook = new Workbook(pages);
        }

        return file.ToArray();
    }

    // First whose table it is and whether it may be worked from, then the head, then the rows.
    private static Worksheet Page(DocumentTable table, SheetLabel label)
    {
        const uint HeadRow = 3;
        var last = Column(table.Heads.Length - 1);
        var rows = new SheetData(
            new Row(Text("A1", label.Line, Head)) { RowIndex = 1 },
            new Row(Text("A2", label.Standing, 0)) { RowIndex = 2 },
            new Row(table.Heads.Select((h, i) => Text($"{Column(i)}{HeadRow}", h, Head))) { RowIndex = HeadRow });
        foreach (var (i, row) in table.Rows.Index())
        {
            var at = HeadRow + 1 + (uint)i;
            rows.Append(new Row(row.Select((c, k) => table.Heads[k] == "Count" && int.TryParse(c, CultureInfo.InvariantCulture, out var count)
                ? new Cell(new CellValue(count)) { CellReference = $"{Column(k)}{at}", StyleIndex = Wrapped }
                : Text($"{Column(k)}{at}", c, Wrapped)))
            { RowIndex = at });
        }

        var columns = new Columns(table.Heads.Select((h, i) => new Column
        {
            Min = (uint)i + 1,
            Max = (uint)i + 1,
            Width = Math.Min(WidestColumn, table.Rows.Select(r => r[i].Length).Append(h.Length).Max() + 3),
            CustomWidth = true,
        }));
        var view = new SheetView(new Pane
        {
            VerticalSplit = HeadRow,
            TopLeftCell = $"A{HeadRow + 1}",
            ActivePane = PaneValues.BottomLeft,
            State = PaneStateValues.Frozen,
        })
        { WorkbookViewId = 0 };
        // On paper across, and as wide as the page.
        return new Worksheet(
            new SheetProperties(new PageSetupProperties { FitToPage = true }),
            new SheetViews(view),
            columns,
            rows,
            new AutoFilter { Reference = $"A{HeadRow}:{last}{HeadRow + table.Rows.Length}" },
            new PageSetup { Orientation = OrientationValues.Landscape, FitToWidth = 1, FitToHeight = 0 });
    }

    private static Cell Text(string at, string words, uint style)
    {
        var line = XmlWords.Line(words);
        if (line.Length > LongestCell) line = line[..(LongestCell - 1)] + "…";
        return new Cell(new InlineString(new Text(line) { Space = SpaceProcessingModeValues.Preserve }))
        {
            CellReference = at,
            DataType = CellValues.InlineString,
            StyleIndex = style,
        };
    }

    // No table has more columns than there are letters.
    private static char Column(int i) => (char)('A' + i);

    private static Stylesheet Styles() => new(
        new Fonts(
            new Font(new FontSize { Val = 11 }, new FontName { Val = "Arial" }),
            new Font(new Bold(), new FontSize { Val = 11 }, new FontName { Val = "Arial" })),
        new Fills(new Fill(new PatternFill { PatternType = PatternValues.None }), new Fill(new PatternFill { PatternType = PatternValues.Gray125 })),
        new Borders(new Border()),
        new CellStyleFormats(new CellFormat()),
        new CellFormats(
            new CellFormat { FontId = 0, FillId = 0, BorderId = 0, FormatId = 0 },
            new CellFormat { FontId = 1, FillId = 0, BorderId = 0, FormatId = 0, ApplyFont = true },
            new CellFormat(new Alignment { WrapText = true, Vertical = VerticalAlignmentValues.Top })
            {
                FontId = 0,
                FillId = 0,
                BorderId = 0,
                FormatId = 0,
                ApplyAlignment = true,
            }));
}
