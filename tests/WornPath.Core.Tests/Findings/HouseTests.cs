using System.Collections.Immutable;
using System.Text;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Findings;

/// <summary>What a workshop's own rules do.</summary>
public class HouseTests
{
    [Fact]
    public void What_house_rules_do_on_the_whole_jobs_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        (string Number, WalkSet Walks)[] jobs = [.. JobText.All.Select(j => (j.Name, WalkSet.Run(j.Sheet, Workshop.Default)))];
        var usual = Tell(Workshop.Default);
        now.AppendLine("as they come").AppendJoin('\n', usual).AppendLine();
        foreach (var school in School.All)
            foreach (var way in school.Ways.Where(w => w != Workshop.Default.Rules.Chosen(school)))
            {
                var other = Tell(Workshop.Default with
                {
                    Rules = Workshop.Default.Rules with { Schools = Workshop.Default.Rules.Schools.SetItem(school.Key, way.Word) },
                });
                now.Append(school.Key).Append(": ").AppendLine(way.Word);
                foreach (var line in other.Except(usual).Concat(usual.Except(other).Select(l => "  no more:" + l))) now.AppendLine(line);
            }

        Approval.ShouldBeAsApproved(now.ToString(), "house.txt");

        List<string> Tell(Workshop workshop) => [.. HouseExamples.Of(workshop, jobs).Where(e => !e.Rule.StartsWith("weigh:", StringComparison.Ordinal))
            .Select(e => $"  {e.Rule} ({e.Sheet}) {e.Says}")];
    }

    [Fact]
    public void A_house_weighs_a_finding_as_it_says_and_no_other()
    {
        var sheet = new Written().Part("left fender").Steps("Clean the left fender.", "The left fender is removed.").Sheet;
        ImmutableArray<Finding> Under(HouseRules rules) => WalkSet.Run(sheet, Workshop.Default with { Rules = rules }).Findings;
        var usual = Under(Workshop.Default.Rules);
        var hint = usual.First(f => f.Severity == Severity.Hint);
        var stricter = Under(Workshop.Default.Rules with { Severities = Workshop.Default.Rules.Severities.SetItem(hint.Rule, Severity.Warn) });
        stricter.Where(f => f.Rule == hint.Rule).ShouldAllBe(f => f.Severity == Severity.Warn);
        IEnumerable<(string, Severity)> Others(ImmutableArray<Finding> found) => found.Where(f => f.Rule != hint.Rule).Select(f => (f.Rule, f.Severity));
        Others(stricter).ShouldBe(Others(usual), ignoreOrder: true);
        HouseExamples.Of(Workshop.Default, [("OT-1", WalkSet.Run(sheet, Workshop.Default))])
            .ShouldContain(e => e.Rule == $"weigh:{hint.Rule}" && e.Sheet == "OT-1");
    }
}
