using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>A place where a sheet has the vehicle driven or its engine run.</summary>
/// <param name="StepIndex">The step's place, from 0.</param>
/// <param name="Step">The step.</param>
/// <param name="At">Where in its text.</param>
/// <param name="Order">How many actions of the walk come before it.</param>
/// <param name="Drives">True where it is driven, false where only the engine runs.</param>
internal sealed record Use(int StepIndex, Step Step, int At, int Order, bool Drives);

/// <summary>Finds where a sheet has the vehicle used.</summary>
internal static class Uses
{
    private static readonly string[] LeadsIn = ["and", "then", "now", "finally", "carefully", "slowly"];

    /// <summary>All uses that somebody is told of, in order, found once a walk. What is only spoken of ("before you drive it") is none.</summary>
    public static IReadOnlyList<Use> Of(Walk walk) => walk.Kept(typeof(Use), static w => Find(w).ToList());

    private static IEnumerable<Use> Find(Walk walk)
    {
        var order = 0;
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            var from = order;
            while (order < walk.Events.Count && walk.Events[order].StepIndex <= i) order++;
            foreach (var claim in Claims.All(step, ClaimKind.Drives, ClaimKind.RunsEngine))
            {
                if (!IsTold(step.Text, claim.At.Start)) continue;
                var before = from;
                while (before < order && walk.Events[before].Action.At.Start < claim.At.Start) before++;
                yield return new Use(i, step, claim.At.Start, before, claim.Kind == ClaimKind.Drives);
            }
        }
    }

    // It opens a sentence, or goes on in one in which somebody is told something.
    private static bool IsTold(string text, int at)
    {
        var before = text.AsSpan(0, at).TrimEnd();
        if (before.IsEmpty || before[^1] is '.' or ';' or '\n' or '!' or ':' or ',') return true;
        var word = before[(before.LastIndexOfAny(' ', '\n') + 1)..].ToString().ToLowerInvariant();
        return LeadsIn.Contains(word);
    }
}
