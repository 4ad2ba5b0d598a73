using System.Collections.Immutable;

namespace WornPath.Core.Sheets;

/// <summary>A row of a choice table: while the measured value is within these limits, this is taken.</summary>
public sealed record ChoiceRow(Limits Within, string Choice);

/// <summary>A table in a step that turns a measured value into a choice: a height into a pin hole, a gap into a shim.</summary>
/// <param name="Quantity">What is measured, as its column is headed.</param>
/// <param name="Chosen">What is chosen, as its column is headed.</param>
/// <param name="Rows">The rows, as written.</param>
public sealed record ChoiceTable(string Quantity, string Chosen, ImmutableArray<ChoiceRow> Rows)
{
    /// <summary>The row of a value; null where no row has it.</summary>
    public ChoiceRow? For(decimal value) => Rows.FirstOrDefault(r => (r.Within.Low is not { } low || value >= low) && (r.Within.High is not { } high || value <= high));

    /// <summary>
    /// What is wrong with the rows, in sentences: values that two rows claim or that fall between two. Values are read as finely
    /// as the rows are written: 410 and 411 mm leave nothing between, 410.0 and 411.0 mm do.
    /// </summary>
    public IEnumerable<string> Faults()
    {
        if (Rows.Select(r => r.Within.Unit).Distinct(StringComparer.OrdinalIgnoreCase).Count() > 1) yield return "its rows are not all in one unit";
        foreach (var row in Rows)
            if (row.Within.Backwards) yield return FormattableString.Invariant($"the row of {row.Choice} runs backwards, from {row.Within.High} to {row.Within.Low} {row.Within.Unit}").TrimEnd();
        var finest = Pow(Rows.Max(r => r.Within.Decimals));
        var sorted = Rows.OrderBy(r => r.Within.Low ?? decimal.MinValue).ToList();
        // A short row may lie within a long one: what comes next is held against the one that reaches farthest.
        var below = sorted[0];
        foreach (var above in sorted.Skip(1))
        {
            if (below.Within.High is not { } high || above.Within.Low is not { } low || low <= high) yield return $"{below.Choice} and {above.Choice} both claim {above.Within.Low?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "the same"} {above.Within.Unit}".TrimEnd();
            else if (low - high > finest) yield return FormattableString.Invariant($"nothing is said between {high} and {low} {above.Within.Unit}").TrimEnd();
            if (below.Within.High is { } end && (above.Within.High is not { } farther || farther > end)) below = above;
        }
    }

    private static decimal Pow(int decimals)
    {
        var step = 1m;
        for (var i = 0; i < decimals; i++) step /= 10;
        return step;
    }

    /// <summary>The table in a step's text (lines between upright bars, the headings first); null where there is none, or its first column holds no limits.</summary>
    public static ChoiceTable? Find(string text)
    {
        if (!text.Contains('|')) return null;
        var lines = text.Split('\n').Select(l => l.Trim()).Where(l => l.StartsWith('|')).Select(l => l.Trim('|').Split('|', StringSplitOptions.TrimEntries)).Where(c => c.Length >= 2 && !c[0].All(x => x is '-' or ':' or ' ')).ToList();
        if (lines.Count < 2 || Limits.Find(lines[0][0]) is not null) return null;
        var rows = ImmutableArray.CreateBuilder<ChoiceRow>();
        foreach (var cells in lines.Skip(1))
        {
            if (Limits.Find(cells[0]) is not { } within || cells[1].Length == 0) return null;
            rows.Add(new ChoiceRow(within, cells[1]));
        }

        // A unit said once, in the heading or in one row, holds for all.
        var unit = rows.Select(r => r.Within.Unit).FirstOrDefault(u => u.Length > 0) ?? "";
        for (var i = 0; i < rows.Count; i++)
            if (rows[i].Within.Unit.Length == 0) rows[i] = rows[i] with { Within = rows[i].Within with { Unit = unit } };
        return new ChoiceTable(lines[0][0], lines[0][1], rows.ToImmutable());
    }
}
