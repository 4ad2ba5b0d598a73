using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.Globalization;
using WornPath.Core;
using WornPath.Core.Quantities;

namespace WornPath.Formats;

/// <summary>The wrench crib as CSV: one row a tool, columns by their names in any order.</summary>
public static class CribCsv
{
    /// <summary>The most tools taken.</summary>
    public const int MostTools = 500;

    /// <summary>The columns, by their names.</summary>
    public static readonly IReadOnlyList<string> Columns = ["name", "min", "max", "unit", "step", "drive", "accuracy %", "length mm", "calibrated", "cycles"];

    private static readonly string[] Needed = ["name", "min", "max", "unit", "step", "drive"];

    /// <summary>The crib as CSV, with a head row.</summary>
    public static string Write(IEnumerable<Wrench> crib) => Delimited.Write(crib.Select(Row).Prepend(Columns));

    private static IEnumerable<string> Row(Wrench w) =>
    [
        w.Name, Show(w.Min), Show(w.Max), w.Unit.Symbol(), Show(w.Step), w.Drive, Show(w.AccuracyPercent), Show(w.LengthMm),
        w.Calibrated?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "", w.Cycles.ToString(CultureInfo.InvariantCulture),
    ];

    /// <summary>Reads a crib. The first thing that cannot be meant is the problem, with its row and column.</summary>
    public static Outcome<ImmutableArray<Wrench>> Read(string text)
    {
        var rows = Delimited.Read(text);
        if (rows.Count == 0) return new Problem("The file is empty.", $"Its first row names the columns: {string.Join(", ", Columns)}.");
        var head = rows[0].Cells.Select(c => c.ToLowerInvariant().Trim()).ToList();
        foreach (var column in Needed)
            if (!head.Contains(column)) return new Problem($"There is no column “{column}”.", $"The first row names the columns: {string.Join(", ", Columns)}.", $"row {rows[0].Line}");
        foreach (var column in head)
            if (column.Length > 0 && !Columns.Contains(column)) return new Problem($"The column “{NumberText.Excerpt(column)}” is not known.", $"The columns are {string.Join(", ", Columns)}.", $"row {rows[0].Line}");
        if (rows.Count - 1 > MostTools) return new Problem($"The file has {rows.Count - 1} tools.", $"At most {MostTools} are taken.");
        var crib = ImmutableArray.CreateBuilder<Wrench>();
        foreach (var (line, cells) in rows.Skip(1))
        {
            string Cell(string column) => head.IndexOf(column) is >= 0 and var at && at < cells.Length ? cells[at] : "";
            var wrench = Of(Cell);
            if (!wrench.IsGood) return wrench.Problem.At($"row {line}");
            if (crib.Any(w => w.Name.Equals(wrench.Value.Name, StringComparison.OrdinalIgnoreCase))) return new Problem($"“{NumberText.Excerpt(wrench.Value.Name)}” stands twice.", "Give each tool its own name.", $"row {line}, name");
            crib.Add(wrench.Value);
        }

        return crib.ToImmutable();
    }

    /// <summary>The cells of a tool, by column.</summary>
    public static IReadOnlyDictionary<string, string> Cells(Wrench wrench) => Columns.Zip(Row(wrench)).ToDictionary(c => c.First, c => c.Second);

    /// <summary>A tool from its cells, or which of them cannot be meant.</summary>
    public static Outcome<Wrench> Of(Func<string, string> cell)
    {
        Problem? problem = null;
        decimal? Number(string column, bool needed)
        {
            if (cell(column).Length == 0 && !needed) return null;
            var number = NumberText.Parse(cell(column).TrimEnd('%', ' '));
            if (!number.IsGood) problem ??= number.Problem.At(column);
            return number.IsGood ? number.Value : 0;
        }

        decimal min = Number("min", true)!.Value, max = Number("max", true)!.Value, step = Number("step", true)!.Value;
        decimal? accuracy = Number("accuracy %", false), length = Number("length mm", false), cycles = Number("cycles", false);
        var unit = TorqueText.ParseUnit(cell("unit"));
        if (!unit.IsGood) problem ??= unit.Problem.At("unit");
        DateOnly? calibrated = null;
        if (cell("calibrated") is { Length: > 0 } day)
        {
            if (DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date)) calibrated = date;
            else problem ??= new Problem($"“{NumberText.Excerpt(day)}” is no day.", "Write it as 2026-03-31.", "calibrated");
        }

        if (cycles is { } c && (c != Math.Floor(c) || c > int.MaxValue || c < 0)) problem ??= new Problem($"{c} cycles cannot be meant.", "Write a whole number.", "cycles");
        if (problem is not null) return problem;
        var drive = cell("drive").Replace("\"", " in").Replace("″", " in");
        return Wrench.Check(new Wrench
        {
            Name = cell("name"),
            Min = min,
            Max = max,
            Unit = unit.Value,
            Step = step,
            Drive = drive.EndsWith("in", StringComparison.OrdinalIgnoreCase) ? drive[..^2].Trim() + " in" : drive.Trim() + " in",
            AccuracyPercent = accuracy,
            LengthMm = length,
            Calibrated = calibrated,
            Cycles = (int)(cycles ?? 0),
        });
    }

    private static string Show(decimal? number) => number?.ToString("0.####", CultureInfo.InvariantCulture) ?? "";
}
