using System.Collections.Immutable;
using System.Net;
using System.Text;
using System.Text.RegularExpressions;
using Markdig;
using Markdig.Syntax;
using MarkdownTable = Markdig.Extensions.Tables.Table;
using MarkdownCell = Markdig.Extensions.Tables.TableCell;
using MarkdownRow = Markdig.Extensions.Tables.TableRow;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Printing;
using WornPath.Core.Sheets;
using WornPath.Formats.Out;

namespace WornPath.Formats.In;

/// <summary>Something of a text that has no place on a sheet.</summary>
/// <param name="Line">Where it begins, from 1.</param>
/// <param name="What">Its words.</param>
/// <param name="Why">Why it was left out, and what to do.</param>
public sealed record LeftOut(int Line, string What, string Why);

/// <summary>
/// An existing procedure in plain text or Markdown as a sheet: headings become phases, numbered and bulleted paragraphs steps, what is
/// written under a signal word goes before the step behind it, a table of torques joints. What has no place is listed with its reason.
/// </summary>
/// <param name="Number">The number its title begins with; empty where it has none.</param>
/// <param name="Left">What was not taken.</param>
public sealed partial record WrittenProcedure(string Number, string Title, string Platform, Sheet Sheet, ImmutableArray<LeftOut> Left)
{
    private static readonly MarkdownPipeline Pipeline = new MarkdownPipelineBuilder().DisableHtml().UsePipeTables().UsePreciseSourceLocation().Build();

    // Under a short heading with one of these words stands what a sheet makes by itself from its steps and joints.
    private static readonly HashSet<string> MadeAnew = new(StringComparer.OrdinalIgnoreCase)
    {
        "parts", "tool", "tools", "tooling", "consumables", "materials", "material", "equipment", "supplies", "hardware", "contents", "required",
        "requirements", "needed", "need", "patterns", "practice",
    };

    private const int LongestListHeading = 4;

    // What is told of the whole job before the first phase, as the formats out name it, and the field of the header.
    private static readonly Dictionary<string, string> HeaderFields = new(StringComparer.OrdinalIgnoreCase)
    {
        ["purpose"] = "purpose",
        ["fits"] = "fits",
        ["is it this job?"] = "entryCheck",
        ["people"] = "people",
    };

    [GeneratedRegex(@"^(?<number>[A-Z]{1,8}[-–/ ]?\d[\w./-]*)[\s:–-]+(?<title>\S.*?)(?:,? (?:revision|rev\.?) \w+)?$", RegexOptions.CultureInvariant)]
    private static partial Regex NumberedTitle();

    [GeneratedRegex(@"^(?:step\s+\d+[.:)]?|\(\d+\)|\d+(?:\.\d+)+\.?)\s+(?=\S)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OwnNumber();

    [GeneratedRegex(@"^\W*(?<word>DANGER|WARNING|CAUTION|NOTICE)\b\W*", RegexOptions.CultureInvariant)]
    private static partial Regex SignalWords();

    [GeneratedRegex(@"^\*\*(?<id>[A-Z]\d+) [^\n]*\*\*$", RegexOptions.CultureInvariant)]
    private static partial Regex ValueLine();

    [GeneratedRegex(@"^\*\*(?<people>\d{1,2}) people\*\*$", RegexOptions.CultureInvariant)]
    private static partial Regex PeopleLine();

    [GeneratedRegex(@"^\*\*Figure \d+(?::[^\n]*?)?\*\*", RegexOptions.CultureInvariant)]
    private static partial Regex FigureLine();

    [GeneratedRegex(@"^\*\*(?<name>[^*:]+):\*\*\s*(?<text>.+)$", RegexOptions.CultureInvariant | RegexOptions.Singleline)]
    private static partial Regex Named();

    /// <summary>Reads a file: a document of a word processor, plain text or Markdown.</summary>
    public static Outcome<WrittenProcedure> Read(byte[] file)
    {
        if (!WordText.IsDocument(file)) return Read(PlainText.Read(file));
        var document = WordText.Read(file);
        if (!document.IsGood) return document.Problem;
        var read = Read(document.Value.Text);
        return read.IsGood ? read.Value with { Left = [.. read.Value.Left.Concat(document.Value.Left).OrderBy(l => l.Line)] } : read;
    }

    /// <summary>Reads a text. A sentence that is not understood is asked about on the sheet, as if it were typed there.</summary>
    public static Outcome<WrittenProcedure> Read(string text)
    {
        if (text.Length > SheetSize.MostText)
            return new Problem($"{text.Length:N0} characters are too many for a sheet ({SheetSize.MostText:N0}).",
                "Cut the text into procedures and bring each in by itself.");
        if (string.IsNullOrWhiteSpace(text)) return new Problem("There is nothing in it.", "Choose the text of a procedure.");
        if (text.Contains('\0')) return new Problem("It is no text.", "Save the procedure as plain text or Markdown, and bring that in.");
        return new Reader(text.ReplaceLineEndings("\n")).Read();
    }

    // A step as it was found.
    private sealed record Found(string Phase, int Line, string Text, string People);

    // A heading that holds, and how much had found its place or was listed when it began.
    private sealed record Headed(int Level, int Line, string Words, int Placed);

    private sealed class Reader(string text)
    {
        private readonly List<LeftOut> _left = [];
        private readonly List<Found> _steps = [];
        private readonly HashSet<string> _rows = [];
        private readonly HashSet<MarkdownTable> _tables = [];
        private Sheet _sheet = Sheet.Empty;
        private string _number = "", _title = "", _platform = "", _phase = "";
        private readonly List<Headed> _headings = [];
        private string _caution = "";
        private int _cautionLine;
        private bool _isMadeAnew;
        private bool _isOwed;

        public Outcome<WrittenProcedure> Read()
        {
            if (MarkdownBlocks.Read(text, Pipeline)?.ToList() is not { } blocks)
                return new Problem("Its lists or quotes are nested too deep.", "Take the marks before its lines out, and bring it in again.");
            foreach (var table in blocks.OfType<MarkdownTable>()) Joints(table, HeadingBefore(blocks, table));
            foreach (var block in blocks) Take(block);
            EndHeadings(0);
            if (_caution.Length > 0) _steps.Add(new Found(_phase, _cautionLine, _caution.Trim(), ""));
            foreach (var run in Runs())
            {
                var begun = Editor.Apply(_sheet, new InsertPhase(null, _sheet.Phases.LastOrDefault()?.Id, run[0].Phase.Length > 0 ? run[0].Phase : "Work"));
                if (!begun.IsGood) return begun.At($"line {run[0].Line}").Problem!;
                var steps = run.Select(s => new NewStep(null, s.Text)).ToImmutableArray();
                var typed = Editor.Apply(begun.Value.Sheet, new InsertSteps(begun.Value.Sheet.Phases[^1].Id, null, steps));
                if (!typed.IsGood) return typed.At($"line {run[0].Line}").Problem!;
                _sheet = typed.Value.Sheet;
                foreach (var (step, people) in _sheet.Phases[^1].Steps.Zip(run.Select(s => s.People)))
                    if (people.Length > 0 && step.Hands?.ToString() != people
                        && Editor.Apply(_sheet, new SetField(step.Id, "people", "", people)) is { IsGood: true } told)
                        _sheet = told.Value.Sheet;
            }

            if (_steps.Count == 0)
                return new Problem("No step was found in it.", "Write each step on a line of its own, numbered or not, under headings for the phases.");
            return new WrittenProcedure(_number, _title, _platform, _sheet, [.. _left.OrderBy(l => l.Line)]);
        }

        // The steps of one phase, one behind the other.
        private IEnumerable<List<Found>> Runs()
        {
            List<Found> run = [];
            foreach (var step in _steps)
            {
                if (run.Count > 0 && run[0].Phase != step.Phase)
                {
                    yield return run;
                    run = [];
                }

                run.Add(step);
            }

            if (run.Count > 0) yield return run;
        }

        private void Take(Block block)
        {
            switch (block)
            {
                case HeadingBlock heading:
                    Heading(heading, Plain(heading), heading.Level);
                    break;
                case MarkdownTable table:
                    // It was read before the steps; where its joints were taken, what it stands under is not empty.
                    if (!_tables.Contains(table)) break;
                    for (var i = 0; i < _headings.Count; i++) _headings[i] = _headings[i] with { Placed = -1 };
                    break;
                case ListBlock list:
                    foreach (var item in list.OfType<ListItemBlock>()) Item(item, list.IsOrdered);
                    break;
                case QuoteBlock quote:
                    foreach (var inner in quote) Paragraph(inner);
                    break;
                case ThematicBreakBlock:
                    break;
                case LinkReferenceDefinitionGroup links:
                    foreach (var link in links.OfType<LinkReferenceDefinition>()) Leave(link, $"{link.Label}: {link.Url}", "A sheet has no links. Name the document as the source of a value.");
                    break;
                default:
                    Paragraph(block);
                    break;
            }
        }

        private void Heading(Block block, string words, int level)
        {
            _isOwed = false;
            if (_title.Length == 0 && level == 1 && _steps.Count == 0 && _phase.Length == 0)
            {
                var numbered = NumberedTitle().Match(words);
                (_number, _title) = numbered.Success ? (numbered.Groups["number"].Value, numbered.Groups["title"].Value) : ("", words);
                return;
            }

            // "Removal", and under it "Left side": a phase "Removal: Left side".
            EndHeadings(level);
            _headings.Add(new Headed(level, block.Line + 1, words, Placed));
            _phase = string.Join(": ", _headings.Select(h => h.Words));
            if (_phase.Length > Names.Longest)
            {
                Leave(block, _phase, $"The name of a phase has at most {Names.Longest} characters: it was cut.");
                _empty++;
                _phase = _phase[..(Names.Longest - 1)] + "…";
            }

            _isMadeAnew = IsMadeAnew(words);
        }

        // What stands in a step or is listed, but for headings of nothing.
        private int Placed => _steps.Count + _left.Count - _empty;

        private int _empty;

        // A heading under which nothing stands is a phase of nothing.
        private void EndHeadings(int level)
        {
            for (; _headings.Count > 0 && _headings[^1].Level >= level; _headings.RemoveAt(_headings.Count - 1))
            {
                if (_headings[^1].Placed != Placed) continue;
                _left.Add(new LeftOut(_headings[^1].Line, _headings[^1].Words,
                    IsMadeAnew(_headings[^1].Words) ? MakesLists : "No step stands under this heading."));
                _empty++;
            }
        }

        private static bool IsMadeAnew(string heading) =>
            heading.Split(' ', StringSplitOptions.RemoveEmptyEntries) is { Length: <= LongestListHeading } words
            && Array.Exists(words, w => MadeAnew.Contains(w.Trim(':', ',', '.')));

        private void Item(ListItemBlock item, bool isOrdered)
        {
            var words = Slice(item);
            if (words.StartsWith("[ ]", StringComparison.Ordinal) || words.StartsWith("[x]", StringComparison.Ordinal)) words = words[3..].Trim();
            if (_isOwed && !isOrdered)
            {
                Leave(item, words, "The sheet lists by itself what is still to torque.");
                return;
            }

            if (_phase.Length == 0 && _steps.Count == 0 && !isOrdered)
            {
                About(item, words);
                return;
            }

            if (_isMadeAnew && !isOrdered) Leave(item, words, MakesLists);
            else Step(item, words);
        }

        // "**Purpose:** …" before the first phase.
        private void About(Block block, string words)
        {
            var named = Named().Match(words);
            var about = named.Success ? Unescaped(named.Groups["text"].Value) : "";
            var name = named.Groups["name"].Value;
            if (HeaderFields.TryGetValue(name, out var field)) Header(block, field, about);
            else if (name.Equals("for", StringComparison.OrdinalIgnoreCase)) _platform = about;
            else Leave(block, words, "It stands before the first heading of a phase. Write it into the header or a step where it belongs.");
        }

        private void Header(Block block, string field, string value)
        {
            var said = Editor.Apply(_sheet, new SetField("", field, "", value));
            if (said.IsGood) _sheet = said.Value.Sheet;
            else Leave(block, value, said.Problem.ToString());
        }

        private void Paragraph(Block block)
        {
            var words = Slice(block);
            if (SignalWords().Match(words) is { Success: true } signal)
            {
                var said = words[signal.Length..].Replace("**", "", StringComparison.Ordinal).Replace('\n', ' ').Trim();
                if (_caution.Length == 0) _cautionLine = block.Line + 1;
                _caution += $"{signal.Groups["word"].Value}: {Unescaped(said)}\n";
                return;
            }

            if (words is "**Still to torque:**")
            {
                _isOwed = true;
                return;
            }

            // "REMOVAL", "Removal:" on a line of its own.
            if (!words.Contains('\n') && words.Length <= 60 && (words.EndsWith(':') || words.Any(char.IsLetter) && !words.Any(char.IsLower)))
            {
                Heading(block, words.TrimEnd(':'), 2);
                return;
            }

            if (_phase.Length == 0 && _steps.Count == 0 && _title.Length > 0)
            {
                if (words == SheetDocument.Defers) Leave(block, words, "Every sheet says it by itself.");
                else if (_sheet.Header.Purpose.Length == 0 && !words.StartsWith("**", StringComparison.Ordinal) && words.Length <= 400)
                    Header(block, "purpose", Unescaped(words.Replace('\n', ' ')));
                else About(block, words);
                return;
            }

            if (_isMadeAnew)
            {
                Leave(block, words, MakesLists);
                return;
            }

            if (Unescaped(words) == PrintedSheet.NotJudged)
            {
                Leave(block, words, "Every sheet says it by itself.");
                return;
            }

            // Lines that each end a sentence are a step each; others are one that was wrapped.
            var lines = words.Split('\n');
            if (lines.Length > 1 && lines.All(l => l.TrimEnd() is { Length: > 0 } line && (line[^1] is '.' or '!' or '?' || OwnNumber().IsMatch(line))))
                foreach (var line in lines) Step(block, line);
            else Step(block, string.Join(' ', lines.Select(l => l.Trim())));
        }

        private void Step(Block block, string words)
        {
            // "**J1 wheel nuts: 180 N·m**" beside a step says again what the table says.
            var people = "";
            foreach (var line in words.Split('\n'))
                if (PeopleLine().Match(line.Trim()) is { Success: true } many) people = many.Groups["people"].Value;
            // A figure's words say nothing to do; its picture does not come this way.
            foreach (var line in words.Split('\n').Where(l => FigureLine().IsMatch(l.Trim())))
                Leave(block, Unescaped(line), "A figure comes in a procedure file, or is put in at its step.");
            var kept = words.Split('\n').Where(l => !PeopleLine().IsMatch(l.Trim()) && !FigureLine().IsMatch(l.Trim())
                && !(ValueLine().Match(l.Trim()) is { Success: true } value && _rows.Contains(value.Groups["id"].Value)));
            words = OwnNumber().Replace(string.Join('\n', kept).Trim(), "");
            words = WebUtility.HtmlDecode(words);
            if (words.Length == 0) return;
            if (_caution.Length + words.Length > SheetSize.LongestStep)
            {
                Leave(block, words, $"A step has at most {SheetSize.LongestStep:N0} characters: part it.");
                return;
            }

            _steps.Add(new Found(_phase, block.Line + 1, _caution + words, people));
            _caution = "";
        }

        private void Joints(MarkdownTable table, string heading)
        {
            var rows = table.OfType<MarkdownRow>().Select(r => r.OfType<MarkdownCell>().Select(c => Plain((MarkdownObject)c)).ToArray()).ToList();
            var tabbed = string.Join('\n', rows.Select(r => string.Join('\t', r.Select(c => c.Replace('\t', ' ').Replace('\n', ' ')))));
            var read = JointTable.Read(tabbed, _sheet);
            if (!read.IsGood || !read.Value.Columns.Any(c => c.Field is "torque" or "fastener"))
            {
                var why = IsMadeAnew(heading) ? MakesLists
                    : "The table has no column of torques or fasteners beside one of joints. Type it into the step it belongs to.";
                for (var i = 0; i < rows.Count; i++) Leave(table, string.Join(" | ", rows[i]), why, LineOf(i));
                return;
            }

            _tables.Add(table);
            var number = Array.FindIndex(rows[0], h => h.TrimEnd('.') is "No" or "Id");
            if (number >= 0)
                foreach (var row in rows.Skip(1).Where(r => r.Length > number)) _rows.Add(row[number]);
            Problem? refused = null;
            if (read.Value.Edit is { } edit)
            {
                var edited = Editor.Apply(_sheet, edit);
                if (edited.IsGood) _sheet = edited.Value.Sheet;
                else refused = edited.Problem;
            }

            for (var i = 0; i < read.Value.Rows.Length; i++)
            {
                var row = read.Value.Rows[i];
                foreach (var cell in row.Cells.Where(c => c.Text.Length > 0 && (c.Problem.Length > 0 || !row.IsTaken || refused is not null)))
                    Leave(table, cell.Text, cell.Problem.Length > 0 ? cell.Problem : row.IsTaken ? refused!.ToString() : row.Does, LineOf(row.Line - 1));
            }

            for (var i = 0; i < read.Value.Columns.Length; i++)
                if (read.Value.Columns[i] is { Field.Length: 0, Head: { Length: > 0 } head } column && i != number)
                    Leave(table, $"Column “{head}”: {string.Join(", ", rows.Skip(1).Select(r => i < r.Length ? r[i] : "").Where(c => c.Length > 0))}", column.Label);
        }

        // Between the head of a table and its rows stands the line of dashes.
        private static int LineOf(int row) => row == 0 ? 0 : row + 1;

        private const string MakesLists = "The sheet makes its lists from steps and joints: nothing of this has to be typed.";

        private static string HeadingBefore(List<Block> blocks, Block block) =>
            blocks.Take(blocks.IndexOf(block)).OfType<HeadingBlock>().LastOrDefault() is { } heading ? Plain(heading) : "";

        private void Leave(Block block, string what, string why, int below = 0) =>
            _left.Add(new LeftOut(block.Line + 1 + below, what.Replace('\n', ' ').Replace("**", "", StringComparison.Ordinal), why));

        // The words of a block as they were written, without its mark and its indent.
        private string Slice(Block block)
        {
            if (block.Span.IsEmpty) return "";
            var words = text[block.Span.Start..Math.Min(text.Length, block.Span.End + 1)];
            if (block is ListItemBlock) words = ListMark().Replace(words, "", 1);
            if (block.Parent is QuoteBlock) words = QuoteMark().Replace(words, "");
            var lines = words.Split('\n');
            var indent = lines.Skip(1).Where(l => l.Trim().Length > 0).Select(l => l.Length - l.TrimStart().Length).DefaultIfEmpty(0).Min();
            var so = new StringBuilder(lines[0].Trim());
            foreach (var line in lines.Skip(1)) so.Append('\n').Append(line.Length >= indent ? line[indent..].TrimEnd() : "");
            return EmptyLines().Replace(so.ToString().Trim(), "\n\n");
        }

        private static string Plain(LeafBlock leaf) => leaf.Inline is { } inlines ? Plain((MarkdownObject)inlines) : "";

        private static string Plain(MarkdownObject block)
        {
            var words = new StringBuilder();
            foreach (var inline in block.Descendants())
            {
                if (inline is Markdig.Syntax.Inlines.LiteralInline literal) words.Append(literal.Content);
                else if (inline is Markdig.Syntax.Inlines.CodeInline code) words.Append(code.Content);
                else if (inline is Markdig.Syntax.Inlines.LineBreakInline) words.Append(' ');
                else if (inline is Markdig.Syntax.Inlines.HtmlEntityInline entity) words.Append(entity.Transcoded);
            }

            return words.ToString().Trim();
        }

        private static string Unescaped(string words) => WebUtility.HtmlDecode(Escape().Replace(words, "$1"));
    }

    [GeneratedRegex(@"^\s*(?:[-*+•]|\d+[.)])\s+", RegexOptions.CultureInvariant)]
    private static partial Regex ListMark();

    [GeneratedRegex(@"(?<=\n)[ \t]*>[ \t]?", RegexOptions.CultureInvariant)]
    private static partial Regex QuoteMark();

    [GeneratedRegex(@"\n(?:\s*\n){2,}", RegexOptions.CultureInvariant)]
    private static partial Regex EmptyLines();

    [GeneratedRegex(@"\\([!-/:-@\[-`{-~])", RegexOptions.CultureInvariant)]
    private static partial Regex Escape();
}
