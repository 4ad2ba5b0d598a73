using System.Collections.Immutable;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Printing;

/// <summary>A balloon as printed.</summary>
/// <param name="Number">The figure in it.</param>
/// <param name="At">Its middle.</param>
/// <param name="Tip">What its line points at.</param>
/// <param name="Says">What it names, in words.</param>
/// <param name="Value">The joint's torque; empty where the balloon does not say it.</param>
public sealed record PrintedBalloon(int Number, FigurePoint At, FigurePoint Tip, string Says, string Value);

/// <summary>A figure as printed: numbered, with the names and values of today.</summary>
/// <param name="Number">Its number on the sheet, from 1.</param>
/// <param name="Picture">Null where a pattern is drawn.</param>
/// <param name="Pattern">Null where a picture is shown, or the joint has lost its pattern.</param>
/// <param name="Alt">What is to be seen; of a pattern as the program says it.</param>
public sealed record PrintedFigure(int Number, FigurePicture? Picture, PrintedPattern? Pattern, string Alt, string Caption, FigureArea? Crop,
    ImmutableArray<PrintedBalloon> Balloons, ImmutableArray<FigureArrow> Arrows, FigureInset? Inset)
{
    /// <summary>The figures of a step.</summary>
    /// <param name="first">The number of the first of them.</param>
    public static ImmutableArray<PrintedFigure> Of(Step step, Sheet sheet, Workshop workshop, int first) =>
        step.Figures.IsEmpty ? [] : [.. step.Figures.Select((f, i) => Of(f, sheet, workshop, first + i))];

    private static PrintedFigure Of(Figure figure, Sheet sheet, Workshop workshop, int number)
    {
        var pattern = figure.Pattern is { } id && sheet.Find(id) is Joint joint ? PrintedPattern.Of(joint, workshop) : null;
        return new PrintedFigure(number, figure.Picture, pattern, AltOf(figure, pattern), figure.Caption, figure.Crop,
            [.. figure.Balloons.Select((b, i) => Of(b, i + 1, sheet))], figure.Arrows, figure.Inset);
    }

    private static PrintedBalloon Of(FigureBalloon balloon, int number, Sheet sheet)
    {
        var thing = balloon.Thing is { } id ? sheet.Find(id) : null;
        var name = thing?.Label ?? (balloon.Thing is { } gone ? $"{gone}, no longer on the sheet" : "");
        return new PrintedBalloon(number, balloon.At, balloon.Tip, string.Join(", ", new[] { name, balloon.Says }.Where(w => w.Length > 0)),
            balloon.Value && thing is Joint joint ? joint.TighteningText : "");
    }

    private static string AltOf(Figure figure, PrintedPattern? pattern)
    {
        if (figure.Alt.Length > 0 || figure.Pattern is null) return figure.Alt;
        return pattern is null ? $"{figure.Pattern} has no pattern." : $"Where the {pattern.Order.Length} of {pattern.Id} {pattern.Name} lie. Order: {string.Join(", ", pattern.Order)}.";
    }
}
