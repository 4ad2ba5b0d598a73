using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>Words an author may be in the middle of.</summary>
/// <param name="Text">The words.</param>
/// <param name="From">So many of their letters are typed before they are offered.</param>
/// <param name="Behind">What stands directly before them; empty where they stand anywhere.</param>
/// <param name="Source">Where they are taken from, to be shown beside them; empty for most.</param>
public sealed record AheadPhrase(string Text, int From, string Behind = "", string Source = "");

/// <summary>
/// What an author may be about to write in a step: the likely next steps from how things stand before it, and the words of the
/// sheet, the likeliest first. Nothing of it is written unless she takes it.
/// </summary>
/// <param name="Next">The likely next step, offered on an empty line; empty where nothing is likelier than the rest.</param>
/// <param name="Steps">Sentences that may follow, for one that begins like them.</param>
/// <param name="Phrases">Names, values, tools, and words that were written before.</param>
public sealed partial record Ahead(string Next, ImmutableArray<string> Steps, ImmutableArray<AheadPhrase> Phrases)
{
    private const int MostSteps = 40;
    private const int MostPhrases = 600;

    [GeneratedRegex(@"\p{L}[\p{L}-]{3,}")]
    private static partial Regex Word();

    /// <summary>Of a step of the sheet, by its id; of the end of the sheet where there is none.</summary>
    public static Ahead Of(Walk walk, string stepId)
    {
        var at = 0;
        while (at < walk.Steps.Count && walk.Steps[at].Id != stepId) at++;
        var last = at - 1;
        var later = walk.Steps.Skip(at).SelectMany(s => SentencesOf(s.Text)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        List<string> NotLater(IEnumerable<string> sentences) => [.. sentences.Where(s => !later.Contains(s))];
        var together = NotLater(Tightenings(walk, last).Concat(ReverseBuilder.ProposeAfter(walk, last).SelectMany(SentencesOf)));
        var apart = NotLater(TakingApart(walk, last));
        // While things come off, what would put them back is no next step.
        var (likely, other) = IsInRefit(walk, stepId) || GoesTogether(walk, last) ? (together, apart) : (apart, together);
        return new Ahead(likely.FirstOrDefault() ?? "", [.. likely.Concat(other).Distinct().Take(MostSteps)], PhrasesFor(walk, at));
    }

    private static bool IsInRefit(Walk walk, string stepId) =>
        walk.Sheet.Phases.FirstOrDefault(p => p.Steps.Any(s => s.Id == stepId)) is { } phase && ReverseBuilder.IsRefit(phase);

    private static IEnumerable<string> SentencesOf(string text) => Sentences.Of(text).Select(s => text.Substring(s.Start, s.Length));

    // Which way the work went last: what came off goes on coming off, what goes on goes on.
    private static bool GoesTogether(Walk walk, int last)
    {
        foreach (var walked in walk.Events.Reverse().Where(e => e.StepIndex <= last))
        {
            var way = walked.Thing switch
            {
                // Backed off to be set: it goes on being tightened.
                Joint when walked.Verb == Verb.BackOff => 1,
                Joint => walked.After.Joint.Rank - walked.Before.Joint.Rank,
                Part => walked.After.Part.Rank - walked.Before.Part.Rank,
                Connection => walked.After.Connected.CompareTo(walked.Before.Connected),
                _ => 0,
            };
            if (way != 0) return way > 0;
        }

        return false;
    }

    // What is started or snug and waits for what it is specified to; wheels wait for the ground, which the refit knows.
    private static IEnumerable<string> Tightenings(Walk walk, int last)
    {
        var inTheAir = walk.AfterStep(Walk.Vehicle, last).Vehicle.InTheAir;
        bool Waits(Joint joint) => walk.AfterStep(joint.Id, last).Joint is { Counts: null } now
            && (now.Stage is JointStage.Started or JointStage.Snug or JointStage.Pass || IsBackedOff(walk, joint, last))
            && (DoneAt.Of(walk, joint) ?? JointStage.Torqued) > now.Stage;
        return Latest(walk, walk.Sheet.Joints, last)
            .Where(j => Waits(j) && !IsLater(walk, j, last, Verb.Torque, Verb.Snug) && !(inTheAir && Natures.HoldsAWheel(j, walk.Things)))
            .SelectMany(j => IsBackedOff(walk, j, last) ? SentencesOf(TighteningSentence.Of(j)).TakeLast(1) : SentencesOf(TighteningSentence.Of(j)));
    }

    // Backed off after it was seated: all that is left of its tightening is the end.
    private static bool IsBackedOff(Walk walk, Joint joint, int last) => walk.EventsOf(joint.Id).LastOrDefault(e => e.StepIndex <= last)?.Verb == Verb.BackOff;

    // What is slack comes out, what nothing holds any more comes off, and what else holds the same is next.
    private static IEnumerable<string> TakingApart(Walk walk, int last)
    {
        JointState StateOf(Joint joint) => walk.AfterStep(joint.Id, last).Joint;
        static string Remove(Thing thing) => $"Remove the {thing.Name}.";
        foreach (var joint in Latest(walk, walk.Sheet.Joints, last))
            if (StateOf(joint).Stage is JointStage.BrokenLoose or JointStage.BackedOut && !IsBackedOff(walk, joint, last)
                && !Natures.Is(joint, Trait.JamNut) && !IsLater(walk, joint, last, Verb.TakeOut)) yield return Remove(joint);
        var on = walk.Sheet.Parts.Where(p => walk.AfterStep(p.Id, last).Part.IsMounted && walk.HoldersOf(p.Id).Any(j => StateOf(j).IsOut)).ToList();
        foreach (var part in Latest(walk, on, last).Where(p => walk.HoldersOf(p.Id).All(j => StateOf(j).IsOut)))
            if (!IsLater(walk, part, last, Verb.Remove, Verb.HangAside, Verb.SetAside, Verb.Discard)) yield return Remove(part);
        foreach (var joint in on.SelectMany(p => walk.HoldersOf(p.Id)).Distinct())
            if (StateOf(joint).Stage is JointStage.Tight && !IsLater(walk, joint, last, Verb.TakeOut, Verb.BreakLoose)) yield return Remove(joint);
    }

    private static bool IsLater(Walk walk, Thing thing, int last, params ReadOnlySpan<Verb> verbs)
    {
        foreach (var walked in walk.EventsOf(thing.Id))
            if (walked.StepIndex > last && verbs.Contains(walked.Verb)) return true;
        return false;
    }

    // What something was done to last comes first; what nothing was done to yet stands behind, as the sheet has it.
    private static IEnumerable<T> Latest<T>(Walk walk, IEnumerable<T> things, int last) where T : Thing =>
        things.OrderByDescending(t => walk.EventsOf(t.Id).LastOrDefault(e => e.StepIndex <= last)?.Order ?? -1);

    private static ImmutableArray<AheadPhrase> PhrasesFor(Walk walk, int at)
    {
        var values = walk.Sheet.Joints.Where(j => j is { Torque: not null, Variants.IsEmpty: true })
            .Select(j => new AheadPhrase(TighteningSentence.ValueOf(j.Torque!), 0, $"{j.Name} to ", j.Source));
        var names = Latest(walk, walk.Sheet.Things, at).Select(t => t.Name)
            .Concat(walk.Sheet.Header.Words.Select(w => w.Word)).Select(n => new AheadPhrase(n, 2));
        var tools = ToolList.Of(walk, walk.Workshop).Select(t => new AheadPhrase(t.What, 3));
        var written = walk.Steps.Where((_, i) => i != at).SelectMany(s => Word().Matches(s.Text)).Select(w => w.Value.ToLowerInvariant())
            .GroupBy(w => w).OrderByDescending(g => g.Count()).Select(g => new AheadPhrase(g.Key, 3));
        return [.. values.Concat(names).Concat(tools).Concat(written).DistinctBy(p => (p.Text.ToLowerInvariant(), p.Behind)).Take(MostPhrases)];
    }
}
