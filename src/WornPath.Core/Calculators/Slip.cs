using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Calculators;

/// <summary>A number that went into a calculation.</summary>
/// <param name="Symbol">As it stands in the formula.</param>
/// <param name="Name">What it is.</param>
/// <param name="Value">The number with its unit.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record SlipNumber(string Symbol, string Name, string Value, string Source);

/// <summary>A calculation as it would stand on a slip of paper: formula, numbers with their sources, results.</summary>
/// <param name="Formula">The formula, as it is written.</param>
/// <param name="FormulaSource">Where it is from.</param>
/// <param name="Numbers">What went into it.</param>
/// <param name="Lines">The formula with its numbers, a line each.</param>
/// <param name="Result">What came out, in one sentence.</param>
/// <param name="Caution">What it does not say; empty for nothing.</param>
public sealed record Slip(string Formula, string FormulaSource, ImmutableArray<SlipNumber> Numbers, ImmutableArray<string> Lines, string Result, string Caution)
{
    /// <summary>The longest a summary is: what the field that keeps it takes.</summary>
    public const int LongestSummary = SheetSize.LongestJustification;

    /// <summary>The slip in one line, as it is kept beside a value; a long one is cut.</summary>
    public string Summary
    {
        get
        {
            var whole = $"{Result} {string.Join("; ", Lines)}";
            return whole.Length <= LongestSummary ? whole : whole[..(LongestSummary - 1)] + "…";
        }
    }
}

/// <summary>A cell of a calculator.</summary>
/// <param name="Name">How it is addressed.</param>
/// <param name="Label">How a person is told of it.</param>
/// <param name="Example">What stands in it to begin with.</param>
public sealed record SlipCell(string Name, string Label, string Example);
