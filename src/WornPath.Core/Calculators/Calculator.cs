using System.Collections.Immutable;
using System.Globalization;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>A question of the bench that arithmetic answers, with its cells. The same slip stands beside a joint and alone.</summary>
public abstract class Calculator
{
    /// <summary>How it is addressed.</summary>
    public abstract string Id { get; }

    /// <summary>The question, as a person asks it.</summary>
    public abstract string Title { get; }

    /// <summary>Its cells, in order.</summary>
    public abstract ImmutableArray<SlipCell> Cells { get; }

    /// <summary>Works the slip out from the texts of its cells, or names the cell that cannot be read.</summary>
    public Outcome<Slip> Work(IReadOnlyDictionary<string, string> texts, Workshop workshop)
    {
        var cells = new CellReader(Cells, texts);
        var slip = Work(cells, workshop);
        return cells.Problem is { } problem ? problem : slip;
    }

    /// <summary>The texts of its cells for a joint; null where the joint has nothing for it.</summary>
    public abstract IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop);

    /// <summary>Works it out. Where a cell cannot be read <see cref="CellReader.Problem"/> says so, and what is returned is not used.</summary>
    protected abstract Outcome<Slip> Work(CellReader cells, Workshop workshop);

    /// <summary>A number for show: four figures.</summary>
    protected static string Show(double number) => double.IsFinite(number) && number != 0
        ? Math.Round(number, Math.Clamp(3 - (int)Math.Floor(Math.Log10(Math.Abs(number))), 0, 6)).ToString("0.######", CultureInfo.InvariantCulture)
        : "0";

    /// <summary>A part as percent.</summary>
    protected static string Percent(double part) => (part * 100).ToString("0", CultureInfo.InvariantCulture) + " %";
}

/// <summary>Reads the cells of a calculator; the first that cannot be read is the problem.</summary>
public sealed class CellReader(ImmutableArray<SlipCell> cells, IReadOnlyDictionary<string, string> texts)
{
    /// <summary>What is wrong with a cell, and which.</summary>
    public Problem? Problem { get; private set; }

    /// <summary>The text of a cell.</summary>
    public string Text(string name) => texts.TryGetValue(name, out var text) ? text.Trim() : "";

    /// <summary>A cell read by a reader of the core; the default where it cannot be.</summary>
    public T? Read<T>(string name, Func<string, Outcome<T>> parse)
    {
        var label = cells.First(c => c.Name == name).Label;
        var text = Text(name);
        if (text.Length > 200) return Bad<T>(new Problem("This is too long for a cell.", "Write one value.", label));
        if (text.Length == 0) return Bad<T>(new Problem("The cell is empty.", $"Write a value, such as {cells.First(c => c.Name == name).Example}.", label));
        var read = parse(text);
        return read.IsGood ? read.Value : Bad<T>(read.Problem.At(label));
    }

    /// <summary>A number between two ends.</summary>
    public double Number(string name, double low, double high) => (double)Read(name, text =>
    {
        var number = NumberText.Parse(text.TrimEnd('%', '°', ' '));
        return !number.IsGood || ((double)number.Value >= low && (double)number.Value <= high) ? number
            : new Problem($"{text} is not between {low} and {high}.", "Check the number.");
    });

    private T? Bad<T>(Problem problem)
    {
        Problem ??= problem;
        return default;
    }
}
