using System.Collections.Frozen;
using System.Text;
using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Findings;

/// <summary>
/// Makes what is said of a thing agree with how many it is: "J2 drain plug is", "J3 wheel nuts are". Rules write their sentences without
/// a thought of it; the verb behind the thing's number and name, and the possessive behind that, are set here.
/// </summary>
internal static partial class Agreement
{
    private static readonly FrozenDictionary<string, string> Many = new Dictionary<string, string>
    {
        ["is"] = "are",
        ["was"] = "were",
        ["has"] = "have",
        ["does"] = "do",
        ["goes"] = "go",
        ["gets"] = "get",
        ["comes"] = "come",
        ["takes"] = "take",
        ["holds"] = "hold",
        ["stays"] = "stay",
        ["needs"] = "need",
        ["weighs"] = "weigh",
        ["carries"] = "carry",
        ["turns"] = "turn",
        ["sits"] = "sit",
        ["locks"] = "lock",
        ["bears"] = "bear",
        ["hangs"] = "hang",
        ["lies"] = "lie",
        ["stands"] = "stand",
        ["says"] = "say",
    }.ToFrozenDictionary();

    private static readonly FrozenDictionary<string, string> One = Many.ToFrozenDictionary(w => w.Value, w => w.Key);

    [GeneratedRegex(@"(?<![\p{L}\d])[PJCFATKL]\d{1,5} ")]
    private static partial Regex Number();

    [GeneratedRegex(@"\G (?<verb>\p{Ll}+)(?<own> its| their)?(?= |[.,;:])")]
    private static partial Regex Behind();

    /// <summary>The finding, the verbs of its message as the things before them take them.</summary>
    public static Finding Of(Finding finding, Func<string, Thing?> find) =>
        Of(finding.Message, find) is var said && !ReferenceEquals(said, finding.Message) ? finding with { Message = said } : finding;

    private static string Of(string message, Func<string, Thing?> find)
    {
        StringBuilder? written = null;
        var (from, named) = (0, -1);
        foreach (var number in Number().EnumerateMatches(message))
        {
            var id = message[number.Index..(number.Index + number.Length - 1)];
            // A name may hold another's number: "J1 J2 bolts".
            if (number.Index < from || find(id) is not { } thing || string.CompareOrdinal(message, number.Index, thing.Label, 0, thing.Label.Length) != 0) continue;
            // "J1 bolts and J2 nut are": several together; "it is moved, and J2 nut has" is one.
            var several = named >= 0 && message.AsSpan(named, number.Index - named) is " and ";
            var end = named = number.Index + thing.Label.Length;
            var behind = Behind().Match(message, end);
            if (!behind.Success) continue;
            var isMany = several || thing.IsMany;
            var before = message.AsSpan(0, number.Index);
            // "The value of J3 bolts is": another word is spoken of.
            if (!several && (before.EndsWith(" of ") || before.EndsWith(" on ") || before.EndsWith(" for "))) continue;
            var verb = behind.Groups["verb"];
            if (!(isMany ? Many : One).TryGetValue(verb.Value, out var other) && !(isMany ? One : Many).ContainsKey(verb.Value)) continue;
            written ??= new StringBuilder(message.Length + 8);
            written.Append(message, from, verb.Index - from).Append(other ?? verb.Value);
            if (behind.Groups["own"].Success) written.Append(isMany ? " their" : " its");
            from = behind.Index + behind.Length;
        }

        return written is null ? message : written.Append(message, from, message.Length - from).ToString();
    }
}
