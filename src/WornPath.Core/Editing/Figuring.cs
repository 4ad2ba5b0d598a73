using System.Collections.Immutable;
using System.Text.Json;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Edits of the figures of a step, and what a figure may be.</summary>
public static class Figuring
{
    /// <summary>The longest alternative text, in characters.</summary>
    public const int LongestAlt = 300;

    /// <summary>The longest line under a figure.</summary>
    public const int LongestCaption = 200;

    /// <summary>The longest words of a balloon.</summary>
    public const int LongestSays = 80;

    /// <summary>The most balloons, and the most arrows, of a figure.</summary>
    public const int MostMarks = 30;

    /// <summary>The smallest part of a picture that is shown by itself, in ten-thousandths of a side.</summary>
    public const int SmallestPart = 200;

    private const int LeastTimes = 11, MostTimes = 80;

    /// <summary>Puts a figure of a step in, in the place of another, or takes it away.</summary>
    internal static Outcome<Sheet> Put(Sheet sheet, Step step, PutFigure edit)
    {
        var figures = step.Figures;
        var at = -1;
        if (edit.Was is { } was)
        {
            at = figures.ToList().FindIndex(f => f.Id == was.Id);
            if (at < 0) return Editor.Gone("This figure");
            // Twice the same is done once.
            if (edit.Now is { } wanted && Same(figures[at], Cleaned(wanted))) return sheet;
            if (!Same(figures[at], Cleaned(was))) return new Problem("This figure was changed a moment ago.", "Look at it, and do it again.");
            if (edit.Now is null) return With(sheet, step, figures.RemoveAt(at));
            if (edit.Now.Id != was.Id) return new Problem("A figure keeps its id.", "Reload to see the sheet as it is.");
        }

        if (edit.Now is not { } now) return sheet;
        var good = Check(sheet, now);
        if (!good.IsGood) return good.Problem;
        if (at >= 0) return With(sheet, step, figures.SetItem(at, good.Value));
        if (sheet.Steps.SelectMany(s => s.Figures).Any(f => f.Id == now.Id)) return new Problem("This figure is there already.",
            "Reload to see the sheet as it is.");
        return RoomIn(sheet, step) is { } full ? full : With(sheet, step, figures.Add(good.Value));
    }

    /// <summary>Takes a figure to a place in a step.</summary>
    internal static Outcome<Sheet> Move(Sheet sheet, Step step, MoveFigure edit)
    {
        if (sheet.Steps.FirstOrDefault(s => s.Figures.Any(f => f.Id == edit.Id)) is not { } from) return Editor.Gone("This figure");
        if (from.Id != step.Id && RoomIn(sheet, step, isMore: false) is { } full) return full;
        var figure = from.Figures.First(f => f.Id == edit.Id);
        sheet = With(sheet, from, from.Figures.Remove(figure));
        var there = sheet.FindStep(step.Id)!;
        return With(sheet, there, there.Figures.Insert(Math.Clamp(edit.Place, 0, there.Figures.Length), figure));
    }

    /// <summary>The figures of a step of which a thing has become one of another kind.</summary>
    internal static ImmutableArray<Figure>? OfKind(ImmutableArray<Figure>? figures, Thing was, Thing now)
    {
        string Now(string id) => id == was.Id ? now.Id : id;
        // Only a joint has a value and a pattern.
        ImmutableArray<Figure>? left = figures is null ? null
            : [.. figures.Value.Where(f => now is Joint || f.Pattern != was.Id).Select(f => f.Renamed(Now))
                .Select(f => f with { Balloons = [.. f.Balloons.Select(b => b.Thing == now.Id && now is not Joint ? b with { Value = false } : b)] })];
        return left is { IsEmpty: true } ? null : left;
    }

    // A figure as it may come to stand on a sheet: what it names is there.
    private static Outcome<Figure> Check(Sheet sheet, Figure figure)
    {
        if (figure.Pattern is { } of && sheet.Find(of) is not Joint { Pattern: not null })
            return new Problem($"{(sheet.Find(of) is { } thing ? thing.Label : of)} has no pattern.", "Say under Joints how the fasteners lie first.");
        foreach (var balloon in figure.Balloons)
        {
            if (balloon.Thing is not { } id) continue;
            if (sheet.Find(id) is not { } named) return Editor.Gone(id);
            if (balloon.Value && named is not Joint) return new Problem($"{named.Label} has no torque.", "Let only a joint's balloon say its value.");
        }

        return CheckForm(figure);
    }

    /// <summary>A figure whose form is right, its words cleaned; or what is wrong with it. What it names may be gone from its sheet.</summary>
    public static Outcome<Figure> CheckForm(Figure figure)
    {
        if (!Editor.IsId(figure.Id)) return new Problem($"“{NumberText.Excerpt(figure.Id)}” cannot be a figure's id.",
            "Use letters, digits and dashes, at most 24.");
        if ((figure.Picture is null) == (figure.Pattern is null)) return new Problem("A figure shows a picture or the pattern of a joint.",
            "Choose one of both.");
        if (figure.Picture is { } picture && (!FigurePicture.IsKey(picture.Key) || !IsSide(picture.Width) || !IsSide(picture.Height)))
            return new Problem("The figure's picture is none that is kept here.", "Choose the picture again.");
        if (figure.Pattern is not null && (figure.Crop is not null || figure.Inset is not null || !figure.Balloons.IsEmpty || !figure.Arrows.IsEmpty))
            return new Problem("A drawn pattern has its own numbers.", "Put balloons and arrows on a picture.");
        var clean = Cleaned(figure);
        if (TooLong(clean) is { } tooLong) return tooLong;
        if (clean.Balloons.Length > MostMarks || clean.Arrows.Length > MostMarks)
            return new Problem($"A figure takes at most {MostMarks} balloons and {MostMarks} arrows.", "Show the rest in a second figure.");
        foreach (var (balloon, number) in clean.Balloons.Select((b, i) => (b, i + 1)))
        {
            if (!IsOn(balloon.At) || !IsOn(balloon.Tip)) return new Problem($"Balloon {number} does not lie on its picture.", "Put it there again.");
            if (balloon.Thing is null && (balloon.Says.Length == 0 || balloon.Value))
                return new Problem($"Balloon {number} names nothing.", "Choose what it names, or write a word for it.");
        }

        foreach (var arrow in clean.Arrows)
            if (!IsOn(arrow.From) || !IsOn(arrow.To) || arrow.From == arrow.To) return new Problem("An arrow does not lie on its picture.", "Draw it again.");
        if (clean.Crop is { } crop && !IsPart(crop)) return new Problem("What is shown of the picture does not lie on it.", "Choose it again.");
        if (clean.Inset is { } inset && (!IsPart(inset.Of) || !IsOn(inset.At) || inset.Times is < LeastTimes or > MostTimes))
            return new Problem("The enlarged part does not lie on its picture.", $"Choose it again, {LeastTimes / 10m} to {MostTimes / 10} times as large.");
        return clean;
    }

    private static Problem? TooLong(Figure figure)
    {
        foreach (var (what, text, longest) in ((string, string, int)[])
            [("what is to be seen", figure.Alt, LongestAlt), ("the line under a figure", figure.Caption, LongestCaption),
                .. figure.Balloons.Select(b => ("the words of a balloon", b.Says, LongestSays))])
            if (text.Length > longest) return new Problem($"{text.Length} characters are too many for {what}.", $"Keep it to {longest}.");
        return null;
    }

    private static Figure Cleaned(Figure figure) => figure with
    {
        Alt = Names.Clean(figure.Alt),
        Caption = Names.Clean(figure.Caption),
        Balloons = [.. figure.Balloons.Select(b => b with { Says = Names.Clean(b.Says) })],
    };

    private static Problem? RoomIn(Sheet sheet, Step step, bool isMore = true)
    {
        if (step.Figures.Length >= SheetSize.MostFiguresOfStep)
            return new Problem($"The step has {SheetSize.MostFiguresOfStep} figures.", "Split the step, or show more in one figure.");
        return isMore && sheet.Steps.Sum(s => s.Figures.Length) >= SheetSize.MostFigures
            ? new Problem($"The sheet has {SheetSize.MostFigures} figures.", "Split the procedure in two.") : null;
    }

    private static bool IsSide(int dots) => dots is > 0 and <= FigurePicture.LargestSide;

    private static bool IsOn(FigurePoint point) => point.X is >= 0 and <= FigurePoint.Whole && point.Y is >= 0 and <= FigurePoint.Whole;

    private static bool IsPart(FigureArea area) => area is { X: >= 0, Y: >= 0, Width: >= SmallestPart, Height: >= SmallestPart }
        && area.X <= FigurePoint.Whole - area.Width && area.Y <= FigurePoint.Whole - area.Height;

    private static Sheet With(Sheet sheet, Step step, ImmutableArray<Figure> figures) =>
        StepReading.PutStep(sheet, step with { Shows = figures.IsEmpty ? null : figures });

    private static bool Same(Figure a, Figure b) =>
        JsonElement.DeepEquals(JsonSerializer.SerializeToElement(a, SheetJson.Options), JsonSerializer.SerializeToElement(b, SheetJson.Options));
}
