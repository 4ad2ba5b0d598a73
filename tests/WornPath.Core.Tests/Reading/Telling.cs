namespace WornPath.Core.Tests.Reading;

/// <summary>How a verb and what it is done to are put, for ways of telling that are tried with many verbs.</summary>
internal static class Telling
{
    /// <summary>Whether an action changes what is on, off or tight.</summary>
    public static bool Changes(StepAction action) => action.Verb is not (Verb.Inspect or Verb.Treat or Verb.Clean or Verb.Wait);

    /// <summary>What a step was read to do that takes something off, puts it on or tightens it; "asked" before it where something is asked.</summary>
    /// <param name="also">What else is left out.</param>
    public static string Said(Written written, int number, params Verb[] also)
    {
        var step = written.Step(number);
        var said = step.Actions.Where(a => Changes(a) && !also.Contains(a.Verb)
                && a.Verb is not (Verb.Place or Verb.TakeAway or Verb.Seat or Verb.Adjust or Verb.SetAside or Verb.Measure or Verb.FunctionCheck))
            .Select(a => $"{a.Verb}{(a.New ? " new" : "")} {written.Sheet.Find(a.Target ?? "")?.Name}{(a.Branch > 0 ? " if" : "")}".Trim());
        return ((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim();
    }

    public static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>"remove": removing.</summary>
    public static string Ing(string verb) => verb.EndsWith('e') ? verb[..^1] + "ing" : verb + "ing";

    /// <summary>"remove": removed.</summary>
    public static string Ed(string verb) => verb switch
    {
        "take" => "taken",
        "undo" => "undone",
        "slide" => "slid",
        _ => verb.EndsWith('e') ? verb + "d" : verb + "ed",
    };
}
