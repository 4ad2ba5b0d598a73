using System.Collections.Immutable;
using System.Text;

namespace WornPath.Formats.Out;

/// <summary>A format a sheet goes out in, for reading elsewhere. Its own file, from which nothing is lost, is <see cref="ProcedureFileText"/>.</summary>
/// <param name="Id">As it is asked for.</param>
/// <param name="Name">As a person is told of it.</param>
/// <param name="Says">What it is good for.</param>
/// <param name="Extension">Of the file, without the dot.</param>
/// <param name="MediaType">As the web calls it.</param>
public sealed record ExportFormat(string Id, string Name, string Says, string Extension, string MediaType)
{
    private static readonly MarkdownHtml Html = new();

    private Func<SheetDocument, byte[]> Bytes { get; init; } = _ => [];

    // What is behind the sheet's number in the name of the file.
    private string Part { get; init; } = "";

    /// <summary>All of them, in the order they are offered.</summary>
    public static ImmutableArray<ExportFormat> All { get; } =
    [
        new("html", "Web page", "One file to read on any screen or to print; it needs nothing else.", "html", "text/html")
        {
            Bytes = Text(d => HtmlPage.Write(d, Html)),
        },
        new("docx", "Word processor", "A document to go on with in a word processor: numbered steps, tables, header and page numbers.", "docx",
            "application/vnd.openxmlformats-officedocument.wordprocessingml.document") { Bytes = WordFile.Write },
        new("markdown", "Markdown", "Plain text for a manual or version control.", "md", "text/markdown") { Bytes = Text(MarkdownText.Write) },
        new("dita", "DITA task", "For a documentation system: DITA 1.3 with hazard statements.", "dita", "application/dita+xml")
        {
            Bytes = Text(DitaTask.Write),
        },
        new("xlsx", "Spreadsheet", "Joints, patterns, tools, parts and consumables, a page each.", "xlsx",
            "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet") { Bytes = SpreadsheetFile.Write },
        Csv("joints", "Joints, CSV", "The torque table for a spreadsheet.", d => d.Torques ?? SheetDocument.NoTorques),
        Csv("tools", "Tools, CSV", "The tool list for a spreadsheet.", d => d.Tools),
        Csv("parts", "Parts, CSV", "The parts list for a spreadsheet.", d => d.Parts),
        new("sarif", "Findings, SARIF", "What the walk found, for tools that show findings beside what they are of.", "sarif", "application/sarif+json")
        {
            Bytes = Text(d => FindingsReport.SarifOf(d.Findings, NameOf($"{d.Label.Number}-{d.Label.Letter}"))),
            Part = "-findings",
        },
    ];

    private static ExportFormat Csv(string id, string name, string says, Func<SheetDocument, DocumentTable> table) =>
        // A spreadsheet knows UTF-8 by its mark.
        new(id, name, says, "csv", "text/csv") { Bytes = Text(d => "\uFEFF" + SheetCsv.Write(table(d))), Part = $"-{id}" };

    private static Func<SheetDocument, byte[]> Text(Func<SheetDocument, string> write) => d => Encoding.UTF8.GetBytes(write(d));

    /// <summary>The format of an id; null where there is none.</summary>
    public static ExportFormat? Find(string id) => All.FirstOrDefault(f => f.Id == id);

    /// <summary>A document in this format; what is text is UTF-8.</summary>
    public byte[] Write(SheetDocument document) => Bytes(document);

    /// <summary>The name of its file: number, revision, variant and what it holds, in characters any system takes.</summary>
    public string FileName(SheetLabel label) =>
        $"{NameOf(string.Join('-', new[] { label.Number, label.Letter, label.For }.Where(p => p.Length > 0)) + Part)}.{Extension}";

    /// <summary>A name in characters any system takes.</summary>
    public static string NameOf(string name) => new([.. name.Select(c => char.IsAsciiLetterOrDigit(c) || c == '-' ? c : '_')]);
}
