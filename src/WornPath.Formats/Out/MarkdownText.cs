using System.Text;

namespace WornPath.Formats.Out;

/// <summary>A sheet as CommonMark with pipe tables. What stands in a cell or a name is text, whatever marks it has; HTML in a step stays text.</summary>
public static class MarkdownText
{
    // What begins a mark somewhere in a line.
    private const string Marks = @"\`*_{}[]<>()#+-.!|~&";

    /// <summary>Writes a document.</summary>
    public static string Write(SheetDocument document)
    {
        var text = new StringBuilder();
        text.Append("# ").AppendLine(Plain(document.Label.Line)).AppendLine();
        text.Append("**").Append(Plain(document.Label.Standing)).AppendLine("**").AppendLine();
        text.AppendLine(Plain(SheetDocument.Defers)).AppendLine();
        foreach (var (name, about) in document.About) text.Append("- **").Append(Plain(name)).Append(":** ").AppendLine(Plain(about));
        text.AppendLine();
        foreach (var table in document.Before) Table(text, table, 2);
        foreach (var phase in document.Phases)
        {
            text.Append("## ").AppendLine(Plain(phase.Name)).AppendLine();
            foreach (var step in phase.Steps) Step(text, step);
            if (phase.Owed.IsEmpty) continue;
            text.AppendLine("**Still to torque:**").AppendLine();
            foreach (var owed in phase.Owed) text.Append("- [ ] ").AppendLine(Plain(owed));
            text.AppendLine();
        }

        if (document.Later is { } later) Table(text, later, 2);
        if (document.Practice.Length > 0)
        {
            text.AppendLine("## House practice").AppendLine();
            foreach (var line in document.Practice) text.Append("- ").AppendLine(Plain(line));
            text.AppendLine();
        }

        if (document.Torques is { } torques)
        {
            Table(text, torques, 2);
            text.AppendLine(Plain(WornPath.Core.Printing.PrintedSheet.NotJudged)).AppendLine();
        }

        if (document.Passes is { } passes) Table(text, passes, 2);
        return text.ToString().ReplaceLineEndings("\n").TrimEnd() + "\n";
    }

    /// <summary>A text in which every mark stands for itself, on one line.</summary>
    public static string Plain(string text)
    {
        var plain = new StringBuilder(text.Length);
        foreach (var c in text.ReplaceLineEndings(" "))
        {
            // A full stop or a hyphen begins a list only behind the start of a line, where nothing of ours stands bare; within words they stay.
            if (Marks.Contains(c) && !(c is '.' or '-' or '(' or ')' or '+' && plain.Length > 0 && !IsAtNumber(plain))) plain.Append('\\');
            plain.Append(c);
        }

        return plain.ToString();
    }

    // "1." or "1)" at the start would be a list.
    private static bool IsAtNumber(StringBuilder so)
    {
        for (var i = 0; i < so.Length; i++)
            if (!char.IsAsciiDigit(so[i])) return false;
        return true;
    }

    private static void Step(StringBuilder text, DocumentStep step)
    {
        var lead = $"{step.Number}. ";
        var indent = new string(' ', lead.Length);
        foreach (var caution in step.Cautions)
            text.Append("> **").Append(Plain($"{caution.Signal}".ToUpperInvariant())).Append("** ")
                .AppendLine(Plain($"{caution.Hazard} {caution.Consequence} {caution.Avoid}".Trim())).AppendLine();
        // What the author wrote is Markdown and stays so; HTML in it is shown and does nothing.
        var lines = step.Text.Replace("&", "&amp;", StringComparison.Ordinal).Replace("<", "&lt;", StringComparison.Ordinal).ReplaceLineEndings("\n").Split('\n');
        for (var i = 0; i < lines.Length; i++) text.Append(i == 0 ? lead : lines[i].Length > 0 ? indent : "").AppendLine(lines[i]);
        foreach (var note in step.Notes) text.AppendLine().Append(indent).Append("**").Append(Plain(note)).AppendLine("**");
        foreach (var figure in step.Figures)
            text.AppendLine().Append(indent).Append("**").Append(Plain(figure.Title)).Append("** ").AppendLine(Plain(figure.InWords));
        text.AppendLine();
    }

    private static void Table(StringBuilder text, DocumentTable table, int level)
    {
        text.Append('#', level).Append(' ').AppendLine(Plain(table.Name)).AppendLine();
        if (table.Rows.IsEmpty)
        {
            text.AppendLine("none known").AppendLine();
            return;
        }

        void Row(IEnumerable<string> cells) => text.Append("| ").AppendJoin(" | ", cells.Select(Plain)).AppendLine(" |");
        Row(table.Heads);
        text.Append('|').Insert(text.Length, " --- |", table.Heads.Length).AppendLine();
        foreach (var row in table.Rows) Row(row);
        text.AppendLine();
    }
}
