using WornPath.Core.Printing;

namespace WornPath.Formats.Out;

/// <summary>A figure of a document.</summary>
/// <param name="Figure">What is shown.</param>
/// <param name="Picture">The bytes of its picture; null where a pattern is drawn, or the picture is not at hand.</param>
public sealed record DocumentFigure(PrintedFigure Figure, byte[]? Picture)
{
    /// <summary>"Figure 3: Where the shims lie".</summary>
    public string Title => $"Figure {Figure.Number}{(Figure.Caption.Length > 0 ? $": {Figure.Caption}" : "")}";

    /// <summary>What each balloon says: "J4 caliper bolts, outer: 95 N·m".</summary>
    public IEnumerable<(int Number, string Says)> Legend =>
        Figure.Balloons.Select(b => (b.Number, b.Value.Length > 0 ? $"{b.Says}: {b.Value}" : b.Says));

    /// <summary>All that is in it in words, where it cannot be drawn.</summary>
    public string InWords => string.Join(' ', new[] { Figure.Alt, string.Join("; ", Legend.Select(l => $"{l.Number} {l.Says}")) }.Where(w => w.Length > 0));
}
