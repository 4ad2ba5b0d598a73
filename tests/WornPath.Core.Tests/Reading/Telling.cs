namespace WornPath.Core.Tests.Reading;

/// <summary>How a verb and what it is done to are put, for ways of telling that are tried with many verbs.</summary>
internal static class Telling
{
    /// <summary>Whether an action changes what is on, off or tight.</summary>
    public static bool Changes(StepAction action) => action.Verb is not (Verb.Inspect or Verb.Treat or Verb.Clean or Verb.Wait);

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
