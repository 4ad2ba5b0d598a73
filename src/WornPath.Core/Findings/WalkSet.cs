using WornPath.Core.Editing;
using WornPath.Core.Walking;
using System.Collections.Immutable;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings;

/// <summary>A sheet walked in every combination of its variants, sides and branches, and what all rules found, said for which.</summary>
public sealed class WalkSet
{
    private WalkSet(Sheet sheet, Workshop workshop, ImmutableArray<Walk> walks, ImmutableArray<Finding> findings)
    {
        Sheet = sheet;
        Workshop = workshop;
        All = walks;
        Findings = findings;
    }

    /// <summary>The whole sheet.</summary>
    public Sheet Sheet { get; }

    /// <summary>The workshop it is judged in.</summary>
    public Workshop Workshop { get; }

    /// <summary>A walk of each combination; the first is of the first options, all as planned.</summary>
    public ImmutableArray<Walk> All { get; }

    /// <summary>The first walk.</summary>
    public Walk First => All[0];

    /// <summary>What all rules found, in the order of the steps, the gravest first at each.</summary>
    public ImmutableArray<Finding> Findings { get; }

    /// <summary>The sheet walked with everything on it at once, whatever it is limited to, all as planned, on one side: what the refit is built from.</summary>
    public Walk Whole => _whole ??= Sheet.Header.Variants.IsEmpty && Sheet.Steps.All(s => s.Branches.IsEmpty)
        ? ReferenceEquals(First.Written, First.Sheet) ? First : Walker.RunOneSide(Sheet, Workshop)
        : Walker.RunOneSide(Sheet with { Phases = [.. Sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(s => s with { Actions = s.Actions.RemoveAll(a => a.Branch > 0) })] })] }, Workshop);

    private Walk? _whole;

    /// <summary>Walks a sheet.</summary>
    public static WalkSet Run(Sheet sheet, Workshop workshop)
    {
        Rules.Prepare(sheet, workshop);
        var combinations = Combinations.Of(sheet);
        // Where nothing differs there is nothing to leave out, and the sheet is not gone through for it.
        var plain = combinations.Length == 1 && sheet.Header.Variants.IsEmpty;
        var walks = combinations.Select(c => Walker.Run(plain ? sheet : c.Of(sheet), workshop, c, sheet)).ToImmutableArray();
        return new WalkSet(sheet, workshop, walks, walks.Length == 1 ? Rules.Find(walks[0]) : Merge(sheet, walks));
    }

    /// <summary>The walk of a combination, by its key; walked now where it is none of <see cref="All"/>.</summary>
    public Walk As(string? key)
    {
        if (string.IsNullOrEmpty(key)) return First;
        var wanted = Combination.Parse(Sheet, key);
        return All.FirstOrDefault(w => w.Combination.Key == wanted.Key) ?? Walker.Run(wanted.Of(Sheet), Workshop, wanted, Sheet);
    }

    // The same finding on several walks is one; where not all have it, it says which.
    private static ImmutableArray<Finding> Merge(Sheet sheet, ImmutableArray<Walk> walks)
    {
        var merged = new Dictionary<(string, string, string?), (Finding Finding, List<int> In)>();
        for (var i = 0; i < walks.Length; i++)
            foreach (var finding in Rules.Find(walks[i]))
            {
                var key = (finding.Key, finding.Said, finding.Severity.ToString());
                if (!merged.TryGetValue(key, out var known)) merged[key] = known = (finding, []);
                known.In.Add(i);
            }

        // What is found of a thing on the sheet where no step comes to it is found at the step where one does: one fault, told there.
        foreach (var atStep in merged.Values.Where(m => m.Finding.Step is not null).ToList())
        {
            var told = (atStep.Finding with { Step = null }).Key;
            if (atStep.Finding.Thing is null || !merged.Remove((told, atStep.Finding.Said, atStep.Finding.Severity.ToString()), out var onSheet)) continue;
            atStep.In.AddRange(onSheet.In);
        }

        // What is found only where a condition holds is put right by no step that is always done.
        foreach (var (key, found) in merged.ToList())
            if (!found.In.Exists(i => walks[i].Combination.Turns.IsEmpty) && found.Finding.Fixes.Any(f => Inserts(f.Edit)))
                merged[key] = (found.Finding with { Fixes = found.Finding.Fixes.RemoveAll(f => Inserts(f.Edit)) }, found.In);

        return Rules.Sorted(merged.Values.Select(m => m.In.Distinct().Count() == walks.Length ? m.Finding : m.Finding with { For = string.Join(", ", new[] { m.Finding.For, For(sheet, walks, [.. m.In]) }.Where(f => f.Length > 0)) }));
    }

    private static bool Inserts(Edit edit) => edit is InsertSteps or InsertStep || edit is Several several && several.Edits.Any(Inserts);

    // The options all the walks that have it share, and that some walk without it has not; else the first such walk as an example.
    private static string For(Sheet sheet, ImmutableArray<Walk> walks, HashSet<int> found)
    {
        var options = sheet.Header.Variants.SelectMany((f, i) => f.Options.Select(o => (Index: i, Option: o)))
            .Where(o => found.All(w => walks[w].Combination.Options[o.Index] == o.Option)).ToList();
        var turns = sheet.Steps.SelectMany(s => s.Branches.Select((_, b) => (Step: s.Id, Branch: b + 1)))
            .Where(t => found.All(w => walks[w].Combination.Turns.GetValueOrDefault(t.Step) == t.Branch)).ToList();
        var shared = new Combination([.. options.Select(o => o.Option)], turns.Select(t => KeyValuePair.Create(t.Step, t.Branch)).ToImmutableSortedDictionary());
        if (options.Count + turns.Count > 0) return shared.Says(sheet);
        var example = walks[found.Min()].Combination.Says(sheet);
        return found.Count == 1 ? example : $"{found.Count} of {walks.Length} combinations, such as {example}";
    }
}
