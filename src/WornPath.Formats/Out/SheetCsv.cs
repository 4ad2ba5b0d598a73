using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace WornPath.Formats.Out;

/// <summary>A list or table of a sheet as CSV for a spreadsheet. What a spreadsheet would take for a formula is led in by an apostrophe.</summary>
public static class SheetCsv
{
    private static readonly CsvConfiguration Rules = new(CultureInfo.InvariantCulture) { NewLine = "\r\n", InjectionOptions = InjectionOptions.Escape };

    /// <summary>Writes a table, its heads first.</summary>
    public static string Write(DocumentTable table)
    {
        using var text = new StringWriter();
        using (var csv = new CsvWriter(text, Rules))
        {
            foreach (var row in table.Rows.Prepend(table.Heads))
            {
                foreach (var cell in row) csv.WriteField(cell);
                csv.NextRecord();
            }
        }

        return text.ToString();
    }
}
