using System.Collections.Immutable;
using System.IO.Compression;
using System.Net;
using System.Text;
using System.Xml;
using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using PictureProperties = DocumentFormat.OpenXml.Drawing.Wordprocessing.DocProperties;
using WordCell = DocumentFormat.OpenXml.Wordprocessing.TableCell;
using WordRow = DocumentFormat.OpenXml.Wordprocessing.TableRow;
using WornPath.Core;
using WornPath.Core.Sheets;

namespace WornPath.Formats.In;

/// <summary>
/// The words of a word processor's document (Office Open XML, ISO/IEC 29500) as Markdown: headings, numbered and bulleted paragraphs, tables and
/// what is bold. Pictures, notes, headers and footers are listed; what was deleted under tracked changes is no longer a part of the text.
/// </summary>
/// <param name="Text">Markdown, a block a paragraph.</param>
/// <param name="Left">What a text cannot hold.</param>
public sealed record WordText(string Text, ImmutableArray<LeftOut> Left)
{
    /// <summary>Bytes of the largest document that is opened.</summary>
    public const int LargestFile = 24 * 1024 * 1024;

    // What a document may grow to when it is unpacked: a thousand pages of text have about 20 million characters of marks.
    private const long LargestUnpacked = 200L * 1024 * 1024;
    private const int MostEntries = 4_000;
    private const int LargestPart = 60_000_000;
    private const int Deepest = 200;
    private const int DeepestHeading = 6;
    private const int LongestBoldHeading = 60;

    /// <summary>True for a packed document; what is in it is seen when it is read.</summary>
    public static bool IsPacked(ReadOnlySpan<byte> file) => file.StartsWith("PK\u0003\u0004"u8);

    // The container of a former format, and of an encrypted document.
    private static bool IsFormer(ReadOnlySpan<byte> file) => file.StartsWith((ReadOnlySpan<byte>)[0xD0, 0xCF, 0x11, 0xE0]);

    /// <summary>True where bytes are a document of a word processor, read or not, and no text.</summary>
    public static bool IsDocument(ReadOnlySpan<byte> file) => IsPacked(file) || IsFormer(file);

    /// <summary>Reads a document.</summary>
    public static Outcome<WordText> Read(byte[] file)
    {
        if (file.Length > LargestFile)
            return new Problem($"The document has {file.Length / 1048576} MB.", $"Bring in at most {LargestFile / 1048576} MB: take the pictures out of it.");
        if (IsFormer(file))
            return new Problem("It is a document of a former format, or one with a password.", "Save it as .docx without a password, and bring that in.");
        try
        {
            if (IsTooLarge(file))
                return new Problem("What is packed in it is too large or nested too deep.", "Save it again as .docx without pictures, and bring that in.");
            using var document = WordprocessingDocument.Open(new MemoryStream(file, writable: false), false,
                new OpenSettings { MaxCharactersInPart = LargestPart });
            if (document.MainDocumentPart?.Document?.Body is not { } body) return NoDocument();
            var text = new Writer(document.MainDocumentPart).Write(body);
            return text.Text.Length > SheetSize.MostText
                ? new Problem($"{text.Text.Length:N0} characters are too many for a sheet ({SheetSize.MostText:N0}).",
                    "Cut it into procedures and bring each in by itself.")
                : text;
        }
        catch (Exception e) when (e is InvalidDataException or FileFormatException or OpenXmlPackageException or XmlException or NotSupportedException
            or UriFormatException)
        {
            return NoDocument();
        }
    }

    private static Problem NoDocument() =>
        new("It is no document of a word processor, or a part of it is missing.", "Open it where it was written, save it as .docx and bring that in.");

    private static bool IsTooLarge(byte[] file)
    {
        using var zip = new ZipArchive(new MemoryStream(file, writable: false), ZipArchiveMode.Read);
        return zip.Entries.Count > MostEntries || zip.Entries.Sum(e => e.Length) > LargestUnpacked
            || zip.Entries.Any(e => e.FullName.EndsWith(".xml", StringComparison.OrdinalIgnoreCase) && IsTooDeep(e));
    }

    // What is nested without end would be read without end. What a part says its size is may be another than it has.
    private static bool IsTooDeep(ZipArchiveEntry entry)
    {
        using var xml = XmlReader.Create(entry.Open(), new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, MaxCharactersInDocument = LargestPart });
        while (xml.Read())
            if (xml.Depth > Deepest) return true;
        return false;
    }

    private sealed class Writer(MainDocumentPart part)
    {
        private readonly StringBuilder _text = new();
        private readonly List<LeftOut> _left = [];
        private readonly Dictionary<string, Style> _styles = part.StyleDefinitionsPart?.Styles?.Elements<Style>()
            .Where(s => s.StyleId?.Value is not null).DistinctBy(s => s.StyleId!.Value!).ToDictionary(s => s.StyleId!.Value!) ?? [];

        private int _line = 1;

        // How far in the list stands that is open: what is indented behind an item belongs to it. Null where none is.
        private string? _item;

        public WordText Write(OpenXmlElement body)
        {
            var paragraphs = body.Descendants<Paragraph>().ToList();
            _under = paragraphs.Exists(IsTitle) || paragraphs.Count(p => Outline(p) == 1) > 1 ? 1 : 0;
            Blocks(body);
            Beside();
            return new WordText(_text.ToString(), [.. _left]);
        }

        private void Blocks(OpenXmlElement parent)
        {
            foreach (var element in parent.ChildElements)
            {
                switch (element)
                {
                    case Paragraph paragraph:
                        Paragraph(paragraph);
                        break;
                    case Table table:
                        Table(table);
                        break;
                    case AltChunk:
                        Leave("A document in the document", "Bring it in by itself.");
                        break;
                    case DeletedRun or MoveFromRun:
                        break;
                    // A content control, a tracked insertion: what is in it.
                    default:
                        Blocks(element);
                        break;
                }
            }
        }

        private void Paragraph(Paragraph paragraph)
        {
            var words = Words(paragraph, bold: true).Trim();
            Beyond(paragraph, words);
            if (words.Length > 0)
            {
                var level = HeadingOf(paragraph, words);
                if (level > 0) Block("", new string('#', level) + " " + Words(paragraph, bold: false).Trim().Replace('\n', ' '));
                else if (ListOf(paragraph) is { } list)
                {
                    var indent = new string(' ', 4 * list.Level);
                    // The number itself is given anew.
                    var lead = list.IsBulleted ? "- " : "1.  ";
                    _item = indent + new string(' ', lead.Length);
                    Block(indent, lead + words.Replace("\n", "\n" + _item, StringComparison.Ordinal), keepsList: true);
                }
                else if (_item is { } item && IsIndented(paragraph)) Block(item, words, keepsList: true);
                else Block("", words);
            }

            // What stands in a text box beside the paragraph is read behind it.
            foreach (var box in Seen(paragraph).OfType<TextBoxContent>().Where(b => !b.Ancestors<Drawing>().Any(IsPicture))) Blocks(box);
        }

        private void Block(string indent, string words, bool keepsList = false)
        {
            if (!keepsList) _item = null;
            foreach (var line in words.Split('\n'))
            {
                _text.Append(line.Length > 0 ? indent : "").Append(line).Append('\n');
                _line++;
            }

            _text.Append('\n');
            _line++;
        }

        private void Table(Table table)
        {
            var rows = In<WordRow>(table).Select(Cells).Where(r => r.Length > 0).ToList();
            Beyond(table, string.Join(' ', rows.SelectMany(r => r)));
            // A frame about a caution, or a grid that only sets words side by side.
            if (rows.Count == 1 || rows.TrueForAll(r => r.Length == 1))
            {
                foreach (var row in rows)
                    if (string.Join(' ', row.Where(c => c.Length > 0)) is { Length: > 0 } words) Block("", words);
                return;
            }

            if (rows.Count == 0) return;
            // One that is indented behind an item belongs to it.
            var indent = _item is { } item && table.GetFirstChild<TableProperties>()?.TableIndentation?.Width is { HasValue: true, Value: > 0 } ? item : "";
            var columns = rows.Max(r => r.Length);
            for (var i = 0; i < rows.Count; i++)
            {
                _text.Append(indent).Append("| ").AppendJoin(" | ", rows[i].Concat(Enumerable.Repeat("", columns - rows[i].Length))).Append(" |\n");
                _line++;
                if (i > 0) continue;
                _text.Append(indent).Append('|').Insert(_text.Length, " --- |", columns).Append('\n');
                _line++;
            }

            _text.Append('\n');
            _line++;
            if (indent.Length == 0) _item = null;
        }

        // Rows and cells may stand in content controls.
        private static IEnumerable<T> In<T>(OpenXmlElement parent)
            where T : OpenXmlElement => parent.ChildElements.SelectMany(c => c is T found ? [found] : c is WordRow or WordCell or DeletedRun ? [] : In<T>(c));

        // What is in a paragraph or table and no words.
        private void Beyond(OpenXmlElement parent, string words)
        {
            foreach (var picture in Pictures(parent)) Leave(picture,
                "A picture does not come in with a document. Put it in at its step, or say there what it shows.");
            if (words.Contains(Unread, StringComparison.Ordinal)) Leave(words, "A sign in it is of a font of pictures. Type in its place what it says.");
        }

        private const string Unread = "\uFFFD";

        private readonly Dictionary<int, string> _above = [];

        // A cell that goes on with the one above has its words, one over several columns has empty ones beside it.
        private string[] Cells(WordRow row)
        {
            var cells = new List<string>();
            foreach (var cell in In<WordCell>(row))
            {
                var goesOn = cell.TableCellProperties?.VerticalMerge is { } merge && !Is(merge.Val, MergedCellValues.Restart);
                var words = string.Join(' ', LinesOf(cell));
                if (goesOn && words.Length == 0) words = _above.GetValueOrDefault(cells.Count, "");
                _above[cells.Count] = words;
                cells.Add(words);
                for (var more = Of(cell.TableCellProperties?.GridSpan?.Val) ?? 1; more > 1 && cells.Count < 64; more--) cells.Add("");
            }

            return [.. cells];
        }

        // --- words
        private static string Words(Paragraph paragraph, bool bold)
        {
            var so = new StringBuilder();
            var pieces = new List<(string Words, bool IsBold)>();
            foreach (var element in Seen(paragraph))
            {
                var words = element switch
                {
                    Text text => text.Text,
                    DocumentFormat.OpenXml.Math.Text text => text.Text,
                    TabChar => " ",
                    Break { Type: null } or Break { Type.InnerText: "textWrapping" } or CarriageReturn => "\n",
                    NoBreakHyphen => "-",
                    SymbolChar { Char.Value: { } code } symbol => Symbol(symbol.Font?.Value ?? "", code),
                    _ => "",
                };
                if (words.Length == 0) continue;
                var isBold = bold && element.Ancestors<Run>().FirstOrDefault()?.RunProperties?.Bold is { } on
                    && (on.Val is not { HasValue: true } || on.Val.Value);
                if (pieces.Count > 0 && pieces[^1].IsBold == isBold) pieces[^1] = (pieces[^1].Words + words, isBold);
                else pieces.Add((words, isBold));
            }

            foreach (var (words, isBold) in pieces)
            {
                var inner = words.Trim();
                if (!isBold || inner.Length == 0 || inner.Contains('\n')) so.Append(Escaped(words));
                else so.Append(words[..words.IndexOf(inner, StringComparison.Ordinal)]).Append("**").Append(Escaped(inner)).Append("**")
                    .Append(words[(words.IndexOf(inner, StringComparison.Ordinal) + inner.Length)..]);
            }

            return string.Join('\n', so.ToString().Split('\n').Select(l => l.TrimEnd()));
        }

        // Degree, diameter and the like from the fonts of symbols, as the code pages of them have it; any other as the character that is said.
        private static string Symbol(string font, string code) =>
            font.Equals("Symbol", StringComparison.OrdinalIgnoreCase) ? code.ToUpperInvariant() switch
            {
                "F0B0" => "°",
                "F0B1" => "±",
                "F0B4" => "×",
                "F0C6" => "Ø",
                "F0B7" => "•",
                "F06D" => "µ",
                "F057" => "Ω",
                "F0B3" => "≥",
                "F0A3" => "≤",
                _ => Unread,
            }
            : Unread;

        // Every mark stands for itself; what a person typed as a number or a dash at the start of a line still leads an item.
        private static string Escaped(string words)
        {
            var so = new StringBuilder(words.Length);
            foreach (var (i, c) in words.Index())
                if (c is '&' or '<' or '>' or '*' or '_' or '`' or '[' or ']' or '|' or '~' or '\\' || c == '#' && (i == 0 || words[i - 1] == '\n'))
                    so.Append("&#").Append((int)c).Append(';');
                else so.Append(c == '\u00A0' ? ' ' : c);
            return so.ToString();
        }

        // What is shown: without what was deleted or moved away, and of two ways to show the same the first. A text box is there, and not what is in it.
        private static IEnumerable<OpenXmlElement> Seen(OpenXmlElement parent)
        {
            foreach (var child in parent.ChildElements)
            {
                if (child is DeletedRun or MoveFromRun or AlternateContentFallback or ParagraphProperties or RunProperties) continue;
                yield return child;
                if (child is TextBoxContent) continue;
                foreach (var below in Seen(child)) yield return below;
            }
        }

        // Numbers that stand on a drawing are no words of the text.
        private static bool IsPicture(OpenXmlElement element) => element is Drawing or Picture
            && Seen(element).OfType<TextBoxContent>().All(b => b.InnerText.Trim() is { Length: > 0 and < 4 } words && words.All(char.IsAsciiDigit));

        private static IEnumerable<string> Pictures(OpenXmlElement parent) => Seen(parent)
            .Where(IsPicture)
            .Select(e => e.Descendants<PictureProperties>().FirstOrDefault()?.Description?.Value is { Length: > 0 } says
                ? $"Picture: {says}" : "A picture");

        // --- what a paragraph is
        private IEnumerable<OpenXmlElement> Properties(Paragraph paragraph)
        {
            if (paragraph.ParagraphProperties is { } own) yield return own;
            var id = paragraph.ParagraphProperties?.ParagraphStyleId?.Val?.Value
                ?? _styles.Values.FirstOrDefault(s => Is(s.Type, StyleValues.Paragraph) && s.Default is { HasValue: true, Value: true })?.StyleId?.Value;
            for (var depth = 0; id is not null && depth < 12 && _styles.TryGetValue(id, out var style); depth++, id = style.BasedOn?.Val?.Value)
                if (style.StyleParagraphProperties is { } inherited) yield return inherited;
        }

        private T? Property<T>(Paragraph paragraph)
            where T : OpenXmlElement => Properties(paragraph).Select(p => p.GetFirstChild<T>()).FirstOrDefault(p => p is not null);

        // How far under the title headings stand: where several are of the first level, none of them is it.
        private int _under;

        // Its level from 1 as a heading, 0 for none: by its style, or as one bold line that ends no sentence.
        private int HeadingOf(Paragraph paragraph, string words)
        {
            if (IsTitle(paragraph)) return 1;
            if (Outline(paragraph) is { } level) return Math.Min(level + _under, DeepestHeading);
            var isBold = words.StartsWith("**", StringComparison.Ordinal) && words.EndsWith("**", StringComparison.Ordinal)
                && words.IndexOf("**", 2, StringComparison.Ordinal) == words.Length - 2;
            return isBold && words.Length <= LongestBoldHeading && words[^3] is not ('.' or '!' or '?' or ';' or ':') && ListOf(paragraph) is null
                && !IsIndented(paragraph) ? 2 + _under : 0;
        }

        private bool IsTitle(Paragraph paragraph) => StyleName(paragraph) is "title";

        private int? Outline(Paragraph paragraph) =>
            Of(Property<OutlineLevel>(paragraph)?.Val) is { } level and >= 0 and < 9 ? level + 1
            // The styles of headings are called so in every language's file.
            : StyleName(paragraph) is { } name && name.StartsWith("heading ", StringComparison.Ordinal) && int.TryParse(name.AsSpan(8), out var named)
            ? Math.Max(1, named) : null;

        private string? StyleName(Paragraph paragraph) => paragraph.ParagraphProperties?.ParagraphStyleId?.Val?.Value is { } id
            && _styles.TryGetValue(id, out var style) ? style.StyleName?.Val?.Value?.ToLowerInvariant() : null;

        private (int Level, bool IsBulleted)? ListOf(Paragraph paragraph)
        {
            if (Property<NumberingProperties>(paragraph) is not { } numbering || Of(numbering.NumberingId?.Val) is not (> 0 and var id)) return null;
            var level = Math.Clamp(Of(numbering.NumberingLevelReference?.Val) ?? 0, 0, 8);
            var used = part.NumberingDefinitionsPart?.Numbering?.Elements<NumberingInstance>().FirstOrDefault(n => Of(n.NumberID) == id);
            var kind = part.NumberingDefinitionsPart?.Numbering?.Elements<AbstractNum>()
                .FirstOrDefault(a => used is not null && Of(a.AbstractNumberId) == Of(used.AbstractNumId?.Val))?
                .Elements<Level>().FirstOrDefault(l => Of(l.LevelIndex) == level);
            return (level, Is(kind?.NumberingFormat?.Val, NumberFormatValues.Bullet));
        }

        private bool IsIndented(Paragraph paragraph) => Property<Indentation>(paragraph) is { } indent
            && int.TryParse(indent.Left?.Value ?? indent.Start?.Value ?? "0", out var twips) && twips > 0;

        // --- what stands beside the text
        private void Beside()
        {
            const string Furniture = "What stands on every page is no step. Write it into the header of the sheet where it belongs there.";
            foreach (var (root, name) in part.HeaderParts.Select(h => ((OpenXmlElement?)h.Header, "Page header"))
                .Concat(part.FooterParts.Select(f => ((OpenXmlElement?)f.Footer, "Page footer"))))
                if (root is not null && AllWords(root) is { Length: > 0 } words) Leave($"{name}: {words}", Furniture);
            var notes = (part.FootnotesPart?.Footnotes?.Elements<Footnote>().Cast<OpenXmlElement>() ?? [])
                .Concat(part.EndnotesPart?.Endnotes?.Elements<Endnote>() ?? []);
            foreach (var note in notes)
                if (AllWords(note) is { Length: > 0 } words) Leave($"Note: {words}", "A step has no footnotes. Write it into the step it belongs to.");
            foreach (var comment in part.WordprocessingCommentsPart?.Comments?.Elements<Comment>() ?? [])
                if (AllWords(comment) is { Length: > 0 } words) Leave($"Comment: {words}", "Comments of the document stay there.");
        }

        private static string AllWords(OpenXmlElement root) => WebUtility.HtmlDecode(string.Join(' ', LinesOf(root)));

        // In a cell or a note text boxes and tables within it are words like others.
        private static IEnumerable<string> LinesOf(OpenXmlElement root)
        {
            foreach (var element in Seen(root))
            {
                if (element is Paragraph paragraph && Words(paragraph, bold: false).Replace('\n', ' ').Trim() is { Length: > 0 } words) yield return words;
                if (element is not TextBoxContent box) continue;
                foreach (var line in LinesOf(box)) yield return line;
            }
        }

        // What is broken in a document counts as not said.
        private static int? Of(OpenXmlSimpleValue<int>? value) => value is { HasValue: true } ? value.Value : null;

        private static bool Is<T>(EnumValue<T>? value, T other)
            where T : struct, IEnumValue, IEnumValueFactory<T> => value is { HasValue: true } && value.Value.Equals(other);

        private void Leave(string what, string why) => _left.Add(new LeftOut(_line, what, why));
    }
}
