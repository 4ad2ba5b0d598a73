using System.Collections.Immutable;
using System.Globalization;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Formats;

/// <summary>A cell of a pasted table: what it says, the field it goes to and what is wrong with it.</summary>
/// <param name="Text">As pasted.</param>
/// <param name="Problem">Why it is not taken; empty where it is.</param>
public sealed record TableCell(string Text, string Problem);

/// <summary>A row of a pasted table.</summary>
/// <param name="Line">Its line in the paste, from 1.</param>
/// <param name="Cells">Its cells, by column.</param>
/// <param name="Does">What taking it does: "new joint", "changes J3", or why nothing.</param>
/// <param name="IsTaken">True where it is taken.</param>
public sealed record TableRow(int Line, ImmutableArray<TableCell> Cells, string Does, bool IsTaken);

/// <summary>A column of a pasted table.</summary>
/// <param name="Head">Its head as pasted; empty without a head row.</param>
/// <param name="Field">The field it goes to; empty where it is left out.</param>
/// <param name="Label">The field as a person is told of it, or why it is left out.</param>
public sealed record TableColumn(string Head, string Field, string Label);

/// <summary>A fastener table pasted from a spreadsheet, looked at before it is taken.</summary>
/// <param name="Columns">What each column was understood as.</param>
/// <param name="Rows">The rows, with what is not understood.</param>
/// <param name="Edit">The edit that takes all that was understood; null where nothing was.</param>
public sealed record JointTable(ImmutableArray<TableColumn> Columns, ImmutableArray<TableRow> Rows, Edit? Edit)
{
    /// <summary>The most characters taken.</summary>
    public const int Largest = 200_000;

    /// <summary>The most rows taken at once.</summary>
    public const int MostRows = 180;

    private static readonly (string Field, string[] Words)[] Heads =
    [
        ("name", ["joint", "name", "fastener name", "description", "what", "where", "location", "item", "part"]),
        ("count", ["qty", "quantity", "count", "no", "no.", "number", "how many", "pcs", "off", "#"]),
        ("fastener", ["fastener", "bolt", "size", "thread", "screw", "hardware", "spec"]),
        ("torque", ["torque", "value", "n·m", "nm", "tightening torque", "lbf·ft", "ft-lb", "ft lb", "lb-ft", "lbf·in", "in-lb"]),
        ("source", ["source", "reference", "ref", "manual", "page", "document"]),
        ("treatment", ["treatment", "locker", "threadlocker", "compound", "thread treatment", "lubricant"]),
        ("reuse", ["reuse", "renew", "reuse rule"]),
        ("becomes", ["becomes", "what becomes of it", "fate"]),
        ("locking", ["lock", "locking", "locked by"]),
        ("mark", ["mark", "witness mark"]),
        ("pattern", ["pattern", "layout"]),
        ("stated", ["stated for", "condition of threads", "dry or treated"]),
        ("heldBy", ["held by", "counterhold"]),
        ("stack", ["washers", "washer", "stack", "washers and nut", "under the head", "nut"]),
        ("into", ["into", "tapped into", "hole", "material"]),
        ("tell", ["told apart by", "tell"]),
        ("", ["class", "grade", "length", "drive", "head"]),
    ];

    /// <summary>Looks at a pasted table. Columns may stand in any order; without a head row they are known by what stands in them.</summary>
    public static Outcome<JointTable> Read(string text, Sheet sheet)
    {
        if (text.Length > Largest) return new Problem($"{text.Length:N0} characters are too many for a table ({Largest:N0}).", "Paste the rows of the fasteners alone.");
        var rows = Delimited.Read(text);
        if (rows.Count == 0) return new Problem("There is nothing to paste.", "Copy the rows in the spreadsheet first, the head row with them.");
        if (rows.Count > MostRows + 1) return new Problem($"{rows.Count} rows are too many at once ({MostRows}).", "Paste them in parts.");
        var width = rows.Max(r => r.Cells.Length);
        if (width > 30) return new Problem($"{width} columns are too many (30).", "Paste the columns of the fasteners alone.");
        var heads = rows[0].Cells.Select(FieldOf).ToList();
        var hasHead = heads.Count(h => h is { Length: > 0 }) >= 2 || (width == 1 && heads[0] is { Length: > 0 });
        var body = hasHead ? rows.Skip(1).ToList() : rows;
        var unit = hasHead ? UnitInHead(rows[0].Cells, heads) : null;
        var columns = hasHead ? FromHeads(rows[0].Cells, heads, width) : FromContents(body, width);
        if (!columns.Any(c => c.Field == "name"))
            return new Problem("No column holds the names of the joints.", "Give that column the head “joint”.", hasHead ? $"row {rows[0].Line}" : null);
        var edits = ImmutableArray.CreateBuilder<Edit>();
        var taken = sheet;
        var table = ImmutableArray.CreateBuilder<TableRow>();
        foreach (var (line, cells) in body) table.Add(Take(line, cells, columns, unit, ref taken, edits));
        return new JointTable(columns, table.ToImmutable(), edits.Count == 0 ? null : new Several($"table of {edits.Count} joints", edits.ToImmutable()));
    }

    // The field a head names; empty for a column that is known and left out; null for none.
    private static string? FieldOf(string head)
    {
        var word = head.ToLowerInvariant().Trim(' ', ':', '*');
        var bare = word.IndexOfAny(['(', '[', ',', '/']) is > 0 and var cut ? word[..cut].Trim() : word;
        foreach (var (field, words) in Heads)
            if (words.Contains(word) || words.Contains(bare)) return field;
        return null;
    }

    // "Torque (lbf·ft)": bare numbers below it are in that unit.
    private static TorqueUnit? UnitInHead(string[] cells, List<string?> heads)
    {
        var at = heads.IndexOf("torque");
        if (at < 0) return null;
        var head = cells[at];
        var open = head.IndexOfAny(['(', '[', ',', '/']);
        var unit = TorqueText.ParseUnit(open >= 0 ? head[(open + 1)..] : head);
        return unit.IsGood ? unit.Value : null;
    }

    private static ImmutableArray<TableColumn> FromHeads(string[] cells, List<string?> heads, int width)
    {
        var columns = ImmutableArray.CreateBuilder<TableColumn>();
        for (var i = 0; i < width; i++)
        {
            var head = i < cells.Length ? cells[i] : "";
            var field = i < heads.Count ? heads[i] : null;
            // Beside a column of quantities "no." is the number of the row.
            if (field == "count" && IsRowNumber(head) && Enumerable.Range(0, heads.Count).Any(h => h != i && heads[h] == "count" && !IsRowNumber(cells[h])))
            {
                columns.Add(new TableColumn(head, "", "left out: the numbers of the rows"));
                continue;
            }

            if (field is { Length: > 0 } && columns.Any(c => c.Field == field)) columns.Add(new TableColumn(head, "", $"left out: a second column of {Label(field)}"));
            else columns.Add(field is { Length: > 0 } ? new TableColumn(head, field, Label(field)) : new TableColumn(head, "", field is null ? "left out: not understood" : "left out: write thread, class, head and drive in one cell"));
        }

        return columns.ToImmutable();
    }

    private static bool IsRowNumber(string head) => head.ToLowerInvariant().Trim(' ', ':', '*', '.') is "no" or "number" or "#";

    // Without heads each column goes to the field whose reader takes most of its cells.
    private static ImmutableArray<TableColumn> FromContents(List<(int Line, string[] Cells)> body, int width)
    {
        var fields = new string[width];
        var left = new List<string> { "torque", "fastener", "treatment", "count", "name", "source" };
        foreach (var field in left.ToList())
        {
            var best = -1;
            var most = 0.5;
            for (var i = 0; i < width; i++)
            {
                if (fields[i] is not null) continue;
                var texts = body.Where(r => i < r.Cells.Length && r.Cells[i].Length > 0).Select(r => r.Cells[i]).ToList();
                if (texts.Count == 0) continue;
                var share = texts.Count(t => Looks(field, t)) / (double)texts.Count;
                if (share <= most) continue;
                most = share;
                best = i;
            }

            if (best >= 0) fields[best] = field;
        }

        return [.. fields.Select(f => f is null ? new TableColumn("", "", "left out: not understood") : new TableColumn("", f, Label(f)))];
    }

    private static bool Looks(string field, string text) => field switch
    {
        "torque" => TorqueText.Parse(text).IsGood || Untorqued.IsMeant(text),
        "fastener" => FastenerText.Parse(text) is { IsGood: true } f && (f.Value.Thread is not null || f.Value.Drive is not null),
        "treatment" => Read("treatment", text, Sheet.Empty) is null && text.Any(char.IsLetter),
        "count" => int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var n) && n is > 0 and <= 200,
        _ => text.Count(char.IsLetter) > 2,
    };

    private static string Label(string field) => Fields.Of(ThingKind.Joint).First(f => f.Name == field).Label;

    private static TableRow Take(int line, string[] cells, ImmutableArray<TableColumn> columns, TorqueUnit? unit, ref Sheet sheet, ImmutableArray<Edit>.Builder edits)
    {
        var read = ImmutableArray.CreateBuilder<TableCell>();
        var good = new List<FieldText>();
        var name = "";
        for (var i = 0; i < columns.Length; i++)
        {
            var text = i < cells.Length ? cells[i] : "";
            var field = columns[i].Field;
            if (field.Length == 0 || text.Length == 0)
            {
                read.Add(new TableCell(text, ""));
                continue;
            }

            if (field == "name")
            {
                name = Names.Clean(text);
                read.Add(new TableCell(text, ""));
                continue;
            }

            // A bare number goes with the unit of its head.
            if (field == "torque" && unit is { } known && NumberText.Parse(text).IsGood) text = $"{text} {known.Symbol()}";
            var problem = Read(field, text, sheet);
            read.Add(new TableCell(text, problem?.ToString() ?? ""));
            if (problem is null) good.Add(new FieldText(field, text));
        }

        if (name.Length == 0) return new TableRow(line, read.ToImmutable(), "left out: it has no name", false);
        // The count goes in before the pattern, which must agree with it.
        good = [.. good.OrderBy(f => f.Field == "pattern" ? 1 : 0)];
        if (sheet.Joints.FirstOrDefault(j => j.Name.Equals(name, StringComparison.OrdinalIgnoreCase)) is { } there)
        {
            var changes = good.Select(f => (f.Field, Now: Fields.Of(ThingKind.Joint).First(x => x.Name == f.Field).Get(there), f.Text)).ToList();
            var set = changes.Select(Edit (c) => new SetField(there.Id, c.Field, c.Now, c.Text)).ToList();
            return Try(set, $"changes {there.Id}", ref sheet);
        }

        return Try([new AddFilled(ThingKind.Joint, name, [.. good])], "new joint", ref sheet);

        TableRow Try(IReadOnlyList<Edit> row, string does, ref Sheet now)
        {
            var next = now;
            foreach (var edit in row)
            {
                var done = Editor.Apply(next, edit);
                if (!done.IsGood) return new TableRow(line, read.ToImmutable(), $"left out: {done.Problem}", false);
                next = done.Value.Sheet;
            }

            if (edits.Count + row.Count > 200) return new TableRow(line, read.ToImmutable(), "left out: too many at once; paste it again", false);
            now = next;
            edits.AddRange(row);
            return new TableRow(line, read.ToImmutable(), does, true);
        }
    }

    // What is wrong with a text for a field; null where it can be taken. Patterns are held against the row's count when it is taken.
    private static Problem? Read(string field, string text, Sheet sheet) => field == "pattern"
        ? Pattern.Parse(text).Problem
        : Fields.Of(ThingKind.Joint).First(f => f.Name == field).Set(sheet, new Joint { Id = "J0", Name = "row" }, text).Problem;
}
