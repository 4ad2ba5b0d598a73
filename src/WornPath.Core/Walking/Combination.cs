using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>What a walk is walked as: one option of each of the sheet's factors, and for steps that can turn out otherwise, how they do.</summary>
/// <param name="Options">One option of each factor, in their order.</param>
/// <param name="Turns">The branch taken, from 1, by step id; a step that is not here goes as planned.</param>
public sealed record Combination(ImmutableArray<string> Options, ImmutableSortedDictionary<string, int> Turns)
{
    /// <summary>How it is addressed: "left|steel wheels", and the turns behind.</summary>
    public string Key => string.Join('|', Options.Concat(Turns.Select(t => $"{t.Key}={t.Value}")));

    /// <summary>How a person is told of it: "left · steel wheels · step 7 if it will not move"; "as planned" where nothing differs.</summary>
    public string Says(Sheet sheet)
    {
        var turns = Turns.Select(t => sheet.FindStep(t.Key) is { } step ? $"step {sheet.Steps.ToList().IndexOf(step) + 1} if {step.Branches[t.Value - 1].Sign}" : t.Key);
        return string.Join(" · ", Options.Concat(turns)) is { Length: > 0 } says ? says : "as planned";
    }

    /// <summary>The first option of each factor, all as planned.</summary>
    public static Combination First(Sheet sheet) => new([.. sheet.Header.Variants.Select(f => f.Options[0])], ImmutableSortedDictionary<string, int>.Empty);

    /// <summary>The options named in a key, the first of the factor where none is; turns that the sheet does not know are left out.</summary>
    public static Combination Parse(Sheet sheet, string key)
    {
        var words = key.Split('|', StringSplitOptions.RemoveEmptyEntries);
        var turns = ImmutableSortedDictionary.CreateBuilder<string, int>();
        foreach (var word in words)
            if (word.LastIndexOf('=') is > 0 and var at && int.TryParse(word[(at + 1)..], out var branch) && sheet.FindStep(word[..at]) is { } step && branch >= 1 && branch <= step.Branches.Length) turns[step.Id] = branch;
        return new Combination([.. sheet.Header.Variants.Select(f => f.Options.FirstOrDefault(o => words.Contains(o, StringComparer.OrdinalIgnoreCase)) ?? f.Options[0])], turns.ToImmutable());
    }

    /// <summary>The sheet as it is for this combination: what is limited to others left out, values by variant put in place, branches taken. Steps keep their places.</summary>
    public Sheet Of(Sheet sheet)
    {
        var factors = sheet.Header.Variants;
        bool Here(Limit? only) => only is null || only.Allows(factors, Options);
        if (factors.IsEmpty && !sheet.Steps.Any(s => s.Branches.Length > 0)) return sheet;
        ImmutableArray<T> Kept<T>(ImmutableArray<T> things)
            where T : Thing => things.All(t => Here(t.Only)) ? things : [.. things.Where(t => Here(t.Only))];
        var joints = Kept(sheet.Joints);
        if (joints.Any(j => ValueOf(j, factors) is not null)) joints = [.. joints.Select(j => ValueOf(j, factors) is { } value ? j with { Torque = value, Untorqued = null } : j)];
        var parts = Kept(sheet.Parts);
        if (parts.Length < sheet.Parts.Length)
        {
            // What is not there holds nothing and covers nothing.
            var there = parts.Select(p => p.Id).ToHashSet();
            string? There(string id) => there.Contains(id) ? id : null;
            joints = [.. joints.Select(j => (Joint)j.WithParts(There))];
            parts = [.. parts.Select(p => (Part)p.WithParts(There))];
        }

        return sheet with
        {
            Parts = parts,
            Joints = joints,
            Connections = Kept(sheet.Connections),
            Fluids = Kept(sheet.Fluids),
            Aids = Kept(sheet.Aids),
            Tools = Kept(sheet.Tools),
            Consumables = Kept(sheet.Consumables),
            Phases = [.. sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(s => Of(s, factors))] })],
        };
    }

    private Step Of(Step step, ImmutableArray<Factor> factors)
    {
        var turn = Turns.GetValueOrDefault(step.Id);
        var instead = turn > 0 && step.Branches[turn - 1].Instead;
        bool Done(StepAction action) => (action.Only is null || action.Only.Allows(factors, Options)) && (action.Branch == 0 ? !instead : action.Branch == turn);
        return step.Actions.All(Done) ? step : step with { Actions = [.. step.Actions.Where(Done)] };
    }

    private Quantities.TorqueSpec? ValueOf(Joint joint, ImmutableArray<Factor> factors)
    {
        foreach (var variant in joint.Variants)
            if (variant.IsOf(factors) && variant.Limit!.Allows(factors, Options)) return variant.Torque;
        return null;
    }
}
