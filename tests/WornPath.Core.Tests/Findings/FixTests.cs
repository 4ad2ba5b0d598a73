using CsCheck;
using WornPath.Core.Tests.Reading;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Findings;

/// <summary>What a fix does on whatever sheet it is offered.</summary>
public class FixTests
{
    // What a fix leaves to its author: a value nobody gave, its source, who carries, what becomes of a bolt that came out.
    private static readonly (string Of, string Leaves)[] Left =
    [
        ("CLO001", "TRQ001"), ("CLO002", "TRQ001"), ("AGR001", "SRC001"), ("SRC009", "AGR001"), ("SRC001", "SRC003"), ("ORD001", "CLO001"),
        ("RED002", "CLO002"), ("CLO003", "HAZ002"), ("HAZ013", "CLO004"),
    ];

    /// <summary>
    /// What a fix is offered for is gone. Nothing that hurts comes with it, and what else comes has a fix of its own: a bolt that is tightened
    /// gets its lock, too, and one that is tightened in the air is told so, and how to come down.
    /// </summary>
    [Fact]
    public void A_fix_puts_right_what_it_is_offered_for_and_brings_no_new_hazard() => Gen.Int[0, 1_000_000].Always(400, number =>
    {
        var (title, sheet, workshop) = Seeking.Sheet(number);
        // A step that is repeated is told by its number: where one is repeated nobody knows what was meant by moving it.
        if (sheet.Steps.Count() > 12 || sheet.Steps.SelectMany(s => s.Actions).Any(a => a.Verb == Verb.Repeat)) return;
        var found = WalkSet.Run(sheet, workshop).Findings;
        foreach (var finding in found)
            foreach (var fix in finding.Fixes)
            {
                string How() => $"sheet {number}, from {title}, {finding.Rule} at {finding.StepNumber}: {fix.Title}\n"
                    + string.Join('\n', sheet.Steps.Select((s, i) => $"{i + 1} {s.Text}"));
                var mended = Editor.Apply(sheet, fix.Edit);
                mended.IsGood.ShouldBeTrue($"{mended.Problem} {How()}");
                var then = WalkSet.Run(mended.Value.Sheet, workshop).Findings;
                then.ShouldNotContain(t => t.Key == finding.Key && t.Said == finding.Said
                    && t.Fixes.Select(f => f.Title).SequenceEqual(finding.Fixes.Select(f => f.Title)) && !IsSaidTwice(sheet, finding), $"still there: {How()}");
                var stops = then.Where(t => t.Severity == Severity.Stop
                    && (t.Fixes.IsEmpty || t.Rule.StartsWith("HAZ", StringComparison.Ordinal)) && !found.Any(f => f.Rule == t.Rule && f.Thing == t.Thing)
                    && !Left.Contains((finding.Rule, t.Rule))).Select(t => $"{t.Rule}: {t.Said}").ToList();
                stops.ShouldBeEmpty(How());
            }
    });

    // One of two sentences that say the same is put right, and then the other.
    private static bool IsSaidTwice(Sheet sheet, Finding finding) => finding.Step is { } step
        && sheet.FindStep(step)!.Text.Split(". ").Select(s => s.TrimEnd('.')).GroupBy(s => s).Any(g => g.Count() > 1);
}
