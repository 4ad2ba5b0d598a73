using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace WornPath.Formats;

/// <summary>Text in rows and cells, parted by tabs, semicolons or commas: as spreadsheets copy and save it.</summary>
internal static class Delimited
{
    /// <summary>The rows of a text, each a list of trimmed cells; empty rows are left out. The delimiter is the one the first line has most of, tabs before all.</summary>
    public static List<(int Line, string[] Cells)> Read(string text)
    {
        var first = text.AsSpan(0, text.IndexOf('\n') is var end && end >= 0 ? end : text.Length);
        var delimiter = first.Contains('\t') ? "\t" : first.Count(';') > first.Count(',') ? ";" : ",";
        using var parser = new CsvParser(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture) { Delimiter = delimiter, TrimOptions = TrimOptions.Trim, BadDataFound = null, Mode = CsvMode.RFC4180 });
        var rows = new List<(int, string[])>();
        while (parser.Read())
        {
            var cells = parser.Record!.Select(c => c.Trim().Trim('\uFEFF')).ToArray();
            if (cells.Any(c => c.Length > 0)) rows.Add((parser.RawRow, cells));
        }

        return rows;
    }

    /// <summary>Rows as CSV. A cell that a spreadsheet would take for a formula is put behind an apostrophe (OWASP, CSV injection).</summary>
    public static string Write(IEnumerable<IEnumerable<string>> rows)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\n", InjectionOptions = InjectionOptions.Escape }))
        {
            foreach (var row in rows)
            {
                foreach (var cell in row) csv.WriteField(cell);
                csv.NextRecord();
            }
        }

        return text.ToString();
    }
}
