using System.Collections.Immutable;
using System.Text;
using WornPath.Core.Workshops;

namespace WornPath.Formats.Tests;

/// <summary>
/// The clean procedures of the demo, damaged in one place at a time. The walk must find each: with a Stop or a Warn that was
/// not there before, about the thing that was damaged or at the step beside it.
/// </summary>
public class DamageTests(ITestOutputHelper output)
{
    private static readonly Workshop Shop = new() { Crib = CribCsv.Read(File.ReadAllText(Path.Combine(ProcedureFileTests.Demo, "crib.csv"))).Value };

    private static Sheet Read(string file) => ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, file))).Value.Sheet;

    private static ImmutableArray<Finding> Grave(Sheet sheet) => [.. WalkSet.Run(sheet, Shop).Findings.Where(f => f.Severity > Severity.Hint)];

    // The valve is in review because its caps stay in: with the caps out it is clean.
    private static (string Name, Sheet Sheet)[] Clean()
    {
        var valve = Read("second-remote-valve.json");
        return [("hub", Read("front-hub-bearing.json")), ("spacers", Read("rear-wheel-spacers.json")), ("valve", Editor.Apply(valve, new InsertStep(null, "h2", "s14", "Take away the plastic caps.")).Value.Sheet)];
    }

    [Fact]
    public void All_rules_together_find_what_each_finds_alone()
    {
        // Together they go thing by thing and step by step, alone each goes through the whole walk.
        foreach (var damage in Clean().SelectMany(c => new Damages(c.Name, c.Sheet).All()))
        {
            var walk = WalkSet.Run(damage.Sheet, Shop).First;
            Rules.Find(walk).Select(Whole).ShouldBe(Rules.All.SelectMany(r => r.Find(walk)).Select(Whole), ignoreOrder: true, $"{damage.Kind}: {damage.Where}");
        }

        // What they say is made to agree with how many there are only when all have been found.
        static string Whole(Finding f) => $"{f.Key} {f.Severity} {f.Fixes.Length}";
    }

    [Fact]
    public void Whatever_is_damaged_in_one_place_is_found_there()
    {
        var clean = Clean();
        foreach (var (name, sheet) in clean) Grave(sheet).Select(f => $"{f.Rule} {f.Said}").ShouldBeEmpty($"the undamaged {name} is clean");
        var found = clean.SelectMany(c => new Damages(c.Name, c.Sheet).All()).Select(d => (Damage: d, Findings: Grave(d.Sheet))).ToList();
        bool Near(Damage damage, Finding f) => (f.Thing is { } thing && damage.Things.Contains(thing)) || (damage.Step > 0 && f.StepNumber is { } n && Math.Abs(n - damage.Step) <= 1) || (damage.Step == 0 && f.Thing is null) || f.Rule is "CLO006" or "CLO007" or "HAZ001" or "HAZ003" or "THR009";
        var table = new StringBuilder();
        foreach (var kind in found.GroupBy(f => f.Damage.Kind).OrderBy(g => g.Key, StringComparer.Ordinal))
            table.AppendLine($"{kind.Key,-40}{kind.Count(),5} cases{kind.Count(f => f.Findings.Length > 0),5} found{kind.Count(f => f.Findings.Any(x => Near(f.Damage, x))),5} at the place");
        var at = found.Count(f => f.Findings.Any(x => Near(f.Damage, x)));
        table.AppendLine($"{found.Count} cases of {found.Select(f => f.Damage.Kind).Distinct().Count()} kinds, {at} found at the place ({100.0 * at / found.Count:0.0} %)");
        foreach (var (damage, findings) in found.Where(f => !f.Findings.Any(x => Near(f.Damage, x)))) table.AppendLine($"  not found: {damage.Kind}: {damage.Where}{(findings.Length > 0 ? $" ({findings[0].Rule} at {findings[0].StepNumber})" : "")}");
        output.WriteLine(table.ToString());
        found.Count.ShouldBeGreaterThanOrEqualTo(300);
        ((double)at / found.Count).ShouldBeGreaterThanOrEqualTo(0.95, table.ToString());
    }
}
