using System.Text;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Tests.Findings;

public partial class RuleTests
{
    /// <summary>
    /// What each rule says of each slip, and what each of its fixes does to the sheet, stands in a file that was read (<see cref="Approval"/>).
    /// </summary>
    [Fact]
    public void What_each_rule_says_and_each_fix_does_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        foreach (var (rule, step, slip) in Slips)
        {
            now.Append(rule).Append(" at ").Append(step).AppendLine();
            var written = slip();
            foreach (var finding in written.Findings().Where(f => f.Rule == rule))
            {
                now.Append("  ").Append(finding.StepNumber ?? 0).Append(' ').AppendLine(finding.Said);
                foreach (var fix in finding.Fixes)
                    now.Append("    - ").Append(fix.Title).Append(" => ").AppendLine(Does(written.Sheet, Editor.Apply(written.Sheet, fix.Edit).Value.Sheet));
            }
        }

        Approval.ShouldBeAsApproved(now.ToString(), "said.txt");
    }

    // The steps that are new or read otherwise, the order where it is another, and the cells that changed.
    private static string Does(Sheet before, Sheet after)
    {
        List<string> told = [];
        var (was, now) = (before.Steps.ToList(), after.Steps.ToList());
        for (var i = 0; i < now.Count; i++)
            if (was.Find(s => s.Id == now[i].Id) is not { } old) told.Add($"new step {i + 1} “{now[i].Text}”");
            else if (old.Text != now[i].Text) told.Add($"step {i + 1} “{now[i].Text}”");
        told.AddRange(was.Where(s => now.TrueForAll(n => n.Id != s.Id)).Select(s => $"without “{s.Text}”"));
        var kept = now.Where(s => was.Exists(w => w.Id == s.Id)).Select(s => was.FindIndex(w => w.Id == s.Id) + 1).ToList();
        if (!kept.SequenceEqual(kept.Order())) told.Add($"steps in the order {string.Join(' ', kept)}");
        foreach (var thing in after.Things)
            foreach (var field in Fields.Of(thing.Kind))
                if (before.Find(thing.Id) is not { } old) { if (field.Name == "name") told.Add($"new {thing.Label}"); }
                else if (field.Get(old) != field.Get(thing)) told.Add($"{thing.Label}, {field.Label}: “{field.Get(old)}” → “{field.Get(thing)}”");
        foreach (var field in Fields.Header)
            if (field.Get(before.Header) != field.Get(after.Header)) told.Add($"{field.Label}: “{field.Get(after.Header)}”");
        foreach (var (old, step) in now.Select(s => (Old: was.Find(w => w.Id == s.Id), s)).Where(p => p.Old is not null))
        {
            foreach (var field in Fields.Step)
                if (field.Get(old!) != field.Get(step)) told.Add($"{field.Label}: “{field.Get(old!)}” → “{field.Get(step)}”");
            if (!Read(old!, before).SequenceEqual(Read(step, after)) && old!.Text == step.Text) told.Add($"read as {string.Join(", ", Read(step, after))}");
            if (!old!.Cautions.SequenceEqual(step.Cautions)) told.Add($"{step.Cautions.Length} cautions in the place of {old.Cautions.Length}");
            if (old.Figures.Length != step.Figures.Length || Balloons(old) != Balloons(step))
                told.Add($"{step.Figures.Length} figures, {Balloons(step)} balloons in the place of {old.Figures.Length}, {Balloons(old)}");
        }

        return told.Count == 0 ? "something else" : string.Join("; ", told);

        static int Balloons(Step step) => step.Figures.Sum(f => f.Balloons.Length);
        static IEnumerable<string> Read(Step step, Sheet sheet) => step.Actions.Select(a => Asking.Of(a, sheet));
    }
}
