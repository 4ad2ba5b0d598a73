namespace WornPath.Core.Sheets;

/// <summary>How large a sheet may be. The one place these numbers stand: edits, files in and files out are held against them alike.</summary>
public static class SheetSize
{
    /// <summary>The longest text of a step, in characters.</summary>
    public const int LongestStep = 4000;

    /// <summary>Characters of a justification.</summary>
    public const int LongestJustification = 500;

    /// <summary>The most steps of a sheet.</summary>
    public const int MostSteps = 4000;

    /// <summary>From so many steps on it pays to share work out over the cores.</summary>
    public const int ManySteps = 500;

    /// <summary>The most things of one kind.</summary>
    public const int MostThings = 4000;

    /// <summary>The most phases of a sheet.</summary>
    public const int MostPhases = 100;

    /// <summary>The most characters all steps have together.</summary>
    public const int MostText = 2_000_000;

    /// <summary>The most figures of a step.</summary>
    public const int MostFiguresOfStep = 6;

    /// <summary>The most figures of a sheet.</summary>
    public const int MostFigures = 300;

    /// <summary>The largest procedure file, in bytes. A sheet within the other limits is written into less.</summary>
    public const int LargestFile = 32 * 1024 * 1024;

    /// <summary>What is too large about a sheet, or null.</summary>
    public static Problem? Check(Sheet sheet)
    {
        if (sheet.Phases.Length > MostPhases) return new Problem($"The sheet has {sheet.Phases.Length:N0} phases; at most {MostPhases:N0} are taken.", "Put steps into fewer phases.");
        var steps = sheet.Phases.Sum(p => p.Steps.Length);
        if (steps > MostSteps) return new Problem($"The sheet has {steps:N0} steps; at most {MostSteps:N0} are taken.", "Split the procedure in two.");
        foreach (var kind in sheet.Things.CountBy(t => t.Kind))
            if (kind.Value > MostThings) return new Problem($"The sheet has {kind.Value:N0} {kind.Key.ToString().ToLowerInvariant()}s; at most {MostThings:N0} are taken.", "Split the procedure in two.");
        var figures = sheet.Steps.Sum(s => s.Figures.Length);
        if (figures > MostFigures) return new Problem($"The sheet has {figures:N0} figures; at most {MostFigures:N0} are taken.",
            "Split the procedure in two.");
        var number = 0;
        var text = 0L;
        foreach (var step in sheet.Steps)
        {
            number++;
            text += step.Text.Length;
            if (step.Text.Length > LongestStep) return new Problem($"Step {number} has {step.Text.Length:N0} characters; at most {LongestStep:N0} are taken.", "Split it.");
        }

        return text > MostText ? new Problem($"The steps have {text:N0} characters together; at most {MostText:N0} are taken.", "Split the procedure in two.") : null;
    }
}
