using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>What is done to phases: new ones, their names and order, split and joined.</summary>
internal static class Phasing
{
    public static Outcome<Sheet> Insert(Sheet sheet, InsertPhase edit)
    {
        var name = Names.Clean(edit.Name);
        if (name.Length is 0 or > Names.Longest) return new Problem(name.Length == 0 ? "A phase needs a name." : "The name is too long.", "Write one such as Removal or Refit.");
        var id = edit.Id;
        if (id is null) (sheet, id) = Editor.Issue(sheet, "H");
        else if (!Editor.IsId(id)) return new Problem($"“{NumberText.Excerpt(id)}” cannot be a phase's id.", "Use letters, digits and dashes, at most 24.");
        if (sheet.Phases.Any(p => p.Id == id)) return new Problem("This phase is there already.", "Reload to see the sheet as it is.");
        if (sheet.Phases.Length >= SheetSize.MostPhases) return new Problem($"The sheet has {SheetSize.MostPhases} phases.", "Put steps into the phases there are.");
        var at = edit.After is null ? 0 : sheet.Phases.ToList().FindIndex(p => p.Id == edit.After) + 1;
        return sheet with { Phases = sheet.Phases.Insert(edit.After is not null && at == 0 ? sheet.Phases.Length : at, new Phase { Id = id, Name = name }) };
    }

    public static Outcome<Sheet> Rename(Sheet sheet, RenamePhase edit)
    {
        var at = sheet.Phases.ToList().FindIndex(p => p.Id == edit.Id);
        if (at < 0) return Editor.Gone("This phase");
        var name = Names.Clean(edit.Name);
        if (name.Length is 0 or > Names.Longest) return new Problem(name.Length == 0 ? "A phase needs a name." : "The name is too long.", "Write one such as Removal or Refit.");
        if (sheet.Phases[at].Name == name) return sheet;
        if (sheet.Phases[at].Name != edit.Before)
            return new Problem("This phase was renamed a moment ago.", "Both names are shown; keep the one that is right.") { Clash = new Clash(sheet.Phases[at].Name, name) };
        return sheet with { Phases = sheet.Phases.SetItem(at, sheet.Phases[at] with { Name = name }) };
    }

    public static Outcome<Sheet> Remove(Sheet sheet, RemovePhase edit)
    {
        var phase = sheet.Phases.FirstOrDefault(p => p.Id == edit.Id);
        if (phase is null) return Editor.Gone("This phase");
        return phase.Steps.IsEmpty
            ? sheet with { Phases = sheet.Phases.Remove(phase) }
            : new Problem($"“{phase.Name}” still has {phase.Steps.Length} step{(phase.Steps.Length == 1 ? "" : "s")}.", "Move or delete them first.");
    }

    public static Outcome<Sheet> Move(Sheet sheet, MovePhase edit)
    {
        if (edit.After == edit.Id) return sheet;
        var phase = sheet.Phases.FirstOrDefault(p => p.Id == edit.Id);
        if (phase is null) return Editor.Gone("This phase");
        var others = sheet.Phases.Remove(phase);
        return sheet with { Phases = others.Insert(PlaceBehind(others, edit.After), phase) };
    }

    public static Outcome<Sheet> Split(Sheet sheet, SplitPhase edit)
    {
        var phase = sheet.Phases.FirstOrDefault(p => p.Steps.Any(s => s.Id == edit.Step));
        if (phase is null) return Editor.Gone("This step");
        var from = phase.Steps.ToList().FindIndex(s => s.Id == edit.Step);
        return Insert(sheet, new InsertPhase(edit.Id, phase.Id, edit.Name)).Map(with =>
        {
            var at = with.Phases.ToList().FindIndex(p => p.Id == phase.Id);
            return with with
            {
                Phases = with.Phases
                    .SetItem(at, phase with { Steps = phase.Steps[..from] })
                    .SetItem(at + 1, with.Phases[at + 1] with { Steps = phase.Steps[from..] }),
            };
        });
    }

    public static Outcome<Sheet> Join(Sheet sheet, JoinPhase edit)
    {
        var at = sheet.Phases.ToList().FindIndex(p => p.Id == edit.Id);
        if (at < 0) return Editor.Gone("This phase");
        if (at == 0) return new Problem($"“{sheet.Phases[0].Name}” is the first phase: there is none before it.", "Join the one behind it with it.");
        var before = sheet.Phases[at - 1];
        return sheet with
        {
            Phases = sheet.Phases.SetItem(at - 1, before with { Steps = before.Steps.AddRange(sheet.Phases[at].Steps) }).RemoveAt(at),
        };
    }

    // Where the phase before is gone, the end is the nearest place that loses nothing.
    private static int PlaceBehind(IReadOnlyList<Phase> phases, string? after)
    {
        if (after is null) return 0;
        var at = phases.ToList().FindIndex(p => p.Id == after);
        return at < 0 ? phases.Count : at + 1;
    }
}
