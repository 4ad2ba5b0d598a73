using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Cuts a step's text into tokens; values with units come out whole.</summary>
internal static partial class Tokenizer
{
    [GeneratedRegex(@"(?<time>(?:\d+(?:[.,]\d+)?|half an?|an?|one|two|three|four|five|six|ten|fifteen|twenty|thirty)\s*(?<tu>seconds?|secs?|minutes?|mins?|min\.|hours?|hrs?|h)(?![A-Za-z]))|" +
        @"(?<angle>(?:\d+(?:[.,]\d+)?|\d+/\d+|half a|a quarter|three[- ]quarters of a|a quarter of a|three-quarter|one|two|three)\s*(?:°|deg(?:rees?)?(?![A-Za-z])|flats?(?![A-Za-z])|turns?(?![A-Za-z])))|" +
        @"(?<num>\d+(?:[.,/]\d+)*(?![\w]))|(?<word>[\p{L}#](?:[\p{L}\d'’\-]*[\p{L}\d])?|\d[\w.×/]*\w)|(?<stop>[.!?;\n]+)|(?<mark>[,:()–—%+])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    /// <summary>The tokens of a text, in order.</summary>
    public static List<Token> Tokenize(string text) => Cut(text, text.AsSpan().ContainsAnyInRange('0', '9') ? [.. TorqueText.FindAll(text)] : []);

    /// <summary>The tokens of a name, which holds no values.</summary>
    public static List<Token> TokenizeName(string name) => Cut(name, []);

    private static List<Token> Cut(string text, List<TorqueText.Found> torques)
    {
        var tokens = new List<Token>();
        var next = 0;
        for (var at = 0; at < text.Length;)
        {
            if (next < torques.Count && torques[next].Start <= at)
            {
                var found = torques[next++];
                tokens.Add(new Token(TokenKind.Torque, text.Substring(found.Start, found.Length).ToLowerInvariant(), new Span(found.Start, found.Length)) { Torque = found.Spec });
                at = found.Start + found.Length;
                continue;
            }

            var limit = next < torques.Count ? torques[next].Start : text.Length;
            var match = Pattern().Match(text, at, limit - at);
            if (!match.Success)
            {
                at = limit;
                continue;
            }

            tokens.Add(Make(match));
            at = match.Index + match.Length;
        }

        return tokens;
    }

    private static Token Make(Match match)
    {
        var span = new Span(match.Index, match.Length);
        var text = match.Value.ToLowerInvariant();
        if (match.Groups["time"].Success)
        {
            var unit = match.Groups["tu"].Value.ToLowerInvariant();
            var amount = NumberWords.Parse(text[..^unit.Length].Replace("half an", "half").Replace("half a", "half")) ?? 1;
            return new Token(TokenKind.Time, text, span) { Number = unit[0] switch { 's' => amount / 60, 'h' => amount * 60, _ => amount } };
        }

        if (match.Groups["angle"].Success)
            return Angle.Parse(text) is { IsGood: true } angle
                ? new Token(TokenKind.Angle, text, span) { Number = angle.Value.Degrees }
                : new Token(TokenKind.Number, text, span);
        var kind = match.Groups["num"].Success ? TokenKind.Number
            : match.Groups["stop"].Success ? TokenKind.Stop
            : match.Groups["mark"].Success ? TokenKind.Mark
            : TokenKind.Word;
        return new Token(kind, text, span);
    }
}
