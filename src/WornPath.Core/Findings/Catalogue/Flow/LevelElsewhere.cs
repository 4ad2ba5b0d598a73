using WornPath.Core.Workshops;
using System.Text.RegularExpressions;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FLO006: a level is read in another position than the fluid is filled to.</summary>
public sealed partial class LevelElsewhere : Rule
{
    public override RuleInfo Info { get; } = new("FLO006", Severity.Warn, "Level read in another position");

    [GeneratedRegex(@"\b(?<what>loader|bucket|boom|arms|forks|deck|implement|lift)\s+(?:is\s+|are\s+|fully\s+|all\s+the\s+way\s+)*(?<way>up|down|raised|lowered)\b|\b(?<way>raised|lowered)\s+(?<what>loader|bucket|boom|arms|forks|deck|implement|lift)\b|\b(?<what>engine)\s+(?:is\s+)?(?<way>running|stopped|off|hot|cold|warm)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Position();

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var read in walk.Doing(Verb.CheckLevel))
        {
            if (read.Thing is not Fluid { FillTo.Length: > 0 } fluid) continue;
            foreach (Match meant in Position().Matches(fluid.FillTo))
                foreach (Match said in Position().Matches(read.Action.In.Length > 0 ? read.Action.In.Of(read.Step.Text) : read.Step.Text))
                    if (Same(meant, said, "what") && Way(meant) != Way(said))
                        yield return At(read, $"The level of {fluid.Label} is read with {said.Value} here, and the sheet says “{fluid.FillTo}”. One "
                            + "of the two is wrong.");
        }
    }

    private static bool Same(Match a, Match b, string group) => a.Groups[group].Value.Equals(b.Groups[group].Value, StringComparison.OrdinalIgnoreCase);

    private static string Way(Match match) => match.Groups["way"].Value.ToLowerInvariant() switch
    {
        "raised" => "up",
        "lowered" => "down",
        "stopped" => "off",
        "warm" => "hot",
        var way => way
    };
}
