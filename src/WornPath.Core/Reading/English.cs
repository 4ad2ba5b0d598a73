namespace WornPath.Core.Reading;

/// <summary>The regular forms of English verbs. Where two are written (travelled, traveled) both are made.</summary>
internal static class English
{
    /// <summary>The forms of a verb; those given with it are past forms, one in -ing its present participle.</summary>
    public static IEnumerable<(string Word, Form Form)> FormsOf(string verb, string[] given)
    {
        yield return (verb, Form.Base);
        foreach (var s in Third(verb)) yield return (s, Form.S);
        foreach (var form in given) yield return (form, form.EndsWith("ing", StringComparison.Ordinal) ? Form.Ing : Form.Ed);
        foreach (var stem in Stems(verb))
        {
            yield return (stem + "ing", Form.Ing);
            yield return (stem + "ed", Form.Ed);
        }

        // Put, set, cut, let, split: the past is the word itself.
        if (verb is "put" or "set" or "cut" or "let" or "split" or "shut" or "hit" or "read" or "beat") yield return (verb, Form.Ed);
        if (Irregular.TryGetValue(verb, out var others))
            foreach (var past in others.Split(' ')) yield return (past, Form.Ed);
    }

    private static readonly Dictionary<string, string> Irregular = new()
    {
        ["spin"] = "spun",
        ["wind"] = "wound",
        ["unwind"] = "unwound",
        ["run"] = "ran run",
        ["draw"] = "drew drawn",
        ["slide"] = "slid",
        ["hang"] = "hung",
        ["swing"] = "swung",
        ["feed"] = "fed",
        ["go"] = "went gone",
        ["come"] = "came come",
        ["hold"] = "held",
        ["keep"] = "kept",
        ["leave"] = "left",
        ["shake"] = "shook shaken",
        ["grind"] = "ground",
        ["dig"] = "dug",
        ["fit"] = "fit",
        ["string"] = "strung",
        ["blow"] = "blown",
        ["split"] = "split",
        ["find"] = "found",
        ["stand"] = "stood",
        ["withdraw"] = "withdrew withdrawn",
        ["stick"] = "stuck",
        ["sling"] = "slung",
        ["buy"] = "bought",
        ["tell"] = "told",
        ["shut"] = "shut",
    };

    private static IEnumerable<string> Third(string verb)
    {
        if (verb.EndsWith('y') && verb.Length > 1 && !IsVowel(verb[^2])) yield return verb[..^1] + "ies";
        else if (verb[^1] is 's' or 'x' or 'z' or 'o' || verb.EndsWith("ch", StringComparison.Ordinal) || verb.EndsWith("sh", StringComparison.Ordinal)) yield return verb + "es";
        else yield return verb + "s";
    }

    private static IEnumerable<string> Stems(string verb)
    {
        if (verb.EndsWith('e') && !verb.EndsWith("ee", StringComparison.Ordinal))
        {
            yield return verb[..^1];
            yield break;
        }

        if (verb.EndsWith('y') && verb.Length > 1 && !IsVowel(verb[^2]))
        {
            yield return verb[..^1] + "i";
            yield return verb;
            yield break;
        }

        yield return verb;
        if (verb.Length > 2 && !IsVowel(verb[^1]) && verb[^1] is not ('w' or 'x' or 'y') && IsVowel(verb[^2]) && !IsVowel(verb[^3])) yield return verb + verb[^1];
    }

    private static bool IsVowel(char c) => c is 'a' or 'e' or 'i' or 'o' or 'u';
}
