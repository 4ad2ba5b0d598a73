using System.Text.Json;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Formats;

/// <summary>Plain text of a job: "# Phase" begins a phase, every other line is a step, an indented line goes on with it.</summary>
public static class StepsText
{
    private static readonly JsonSerializerOptions Indented = new(SheetJson.Options) { WriteIndented = true };

    /// <summary>Reads a text as if it were typed into a new sheet, step by step. Every way it can be bad has a problem that says where.</summary>
    public static Outcome<Sheet> Read(string text)
    {
        var sheet = Sheet.Empty;
        var steps = new List<(string Phase, int Line, string Text)>();
        var phase = "";
        var number = 0;
        foreach (var line in text.ReplaceLineEndings("\n").Split('\n'))
        {
            number++;
            if (string.IsNullOrWhiteSpace(line)) continue;
            if (line.StartsWith('#'))
            {
                phase = line.TrimStart('#').Trim();
                continue;
            }

            if (char.IsWhiteSpace(line[0]) && steps.Count > 0) steps[^1] = steps[^1] with { Text = steps[^1].Text + "\n" + line.Trim() };
            else steps.Add((phase, number, line.Trim()));
        }

        foreach (var (name, at, step) in steps)
        {
            var title = name.Length > 0 ? name : "Work";
            if (sheet.Phases.LastOrDefault()?.Name != title)
            {
                var begun = Editor.Apply(sheet, new InsertPhase(null, sheet.Phases.LastOrDefault()?.Id, title));
                if (!begun.IsGood) return begun.At($"line {at}").Problem!;
                sheet = begun.Value.Sheet;
            }

            var typed = Editor.Apply(sheet, new InsertStep(null, sheet.Phases[^1].Id, sheet.Phases[^1].Steps.LastOrDefault()?.Id, step));
            if (!typed.IsGood) return typed.At($"line {at}").Problem!;
            sheet = typed.Value.Sheet;
        }

        return sheet;
    }

    /// <summary>What was read, for people: each step with what is done, what is asked, what nobody understood, and the names it brought.</summary>
    public static string Write(Sheet sheet)
    {
        var text = new StringWriter();
        var number = 0;
        foreach (var phase in sheet.Phases)
        {
            text.WriteLine($"# {phase.Name}");
            foreach (var step in phase.Steps)
            {
                text.WriteLine($"{++number}  {step.Text.ReplaceLineEndings("\n   ")}");
                foreach (var action in step.Actions) text.WriteLine($"   {ConditionOf(step, action)}{Asking.Of(action, sheet)}");
                if (step.Hands is { } hands) text.WriteLine($"   people: {hands}");
                foreach (var question in step.Questions) text.WriteLine($"   ? {Asking.Of(question, sheet)}");
                foreach (var words in step.Residue) text.WriteLine($"   not understood: {words.Of(step.Text)}");
            }
        }

        var assumed = sheet.Things.Where(t => t.Assumed).ToList();
        if (assumed.Count > 0) text.WriteLine("New names:");
        foreach (var thing in assumed) text.WriteLine($"   {thing.Label}, {thing.Kind.ToString().ToLowerInvariant()}");
        return text.ToString().TrimEnd();
    }

    /// <summary>The same as JSON.</summary>
    public static string WriteJson(Sheet sheet)
    {
        var number = 0;
        return JsonSerializer.Serialize(
            new
            {
                Steps = sheet.Phases.SelectMany(p => p.Steps.Select(s => new
                {
                    Number = ++number,
                    Phase = p.Name,
                    s.Text,
                    Actions = s.Actions.Select(a => new { Says = Asking.Of(a, sheet), If = a.Branch > 0 ? s.Branches[a.Branch - 1].Sign : null, Action = a }),
                    Questions = s.Questions.Select(q => Asking.Of(q, sheet)),
                    Residue = s.Residue.Select(r => r.Of(s.Text)),
                    s.Hands,
                })),
                NewNames = sheet.Things.Where(t => t.Assumed).Select(t => new { t.Id, t.Name, Kind = t.Kind.ToString().ToLowerInvariant() }),
            },
            Indented);
    }

    private static string ConditionOf(Step step, StepAction action) => action.Branch > 0 && action.Branch <= step.Branches.Length ? $"if {step.Branches[action.Branch - 1].Sign}: " : "";
}
