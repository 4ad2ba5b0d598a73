using System.Text.RegularExpressions;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Cuts a step's text into tokens; values with units come out whole.</summary>
internal static partial class Tokenizer
{
    // Written otherwise than in a cell: a sentence has ranges ("1-2 mm") and sizes without a pitch ("7/16 x 3"), and a bare "M8" is a word of a name.
    private const string InchLength = @"(?:\d{1,2}[ -]\d{1,2}/\d{1,2}|\d{1,2}/\d{1,2}|\d{1,3}(?:\.\d+)?)(?:\s*(?:""|”|″|in\.?(?![A-Za-z])|inch(?:es)?(?![A-Za-z])|mm(?!\w)))?";
    private const string MetricClass = @"(?:\s*[-,]?\s*" + PropertyClass.MetricPattern + @"(?![\d.]))";

    // Units that are written out, and take "and a half" before or behind them.
    private const string WholeUnits = "litres?|liters?|pints?|quarts?|gallons?|inch(?:es)?";

    [GeneratedRegex(@"(?<size>(?:M\d{1,2}(?:[.,]\d)?(?:\s?-\s?[0-3](?:[.,]\d{1,2})?(?=\s*[x×]))?(?:(?:\s*[x×]\s*\d+(?:[.,]\d+)?){1,2}(?:\s*mm(?!\w))?" + MetricClass + "?|" + MetricClass + @")(?!\w)|" +
        @"(?:#\d{1,2}|(?:\d[ -])?\d{1,2}/\d{1,2})(?:-\d{1,2}(?![\d/.])(?:\s*(?:UNC|UNF|UNEF)(?!\w))?(?:\s*[x×]\s*" + InchLength + @")?|\s*(?:""|”|″|in\.?|inch)?\s*[x×]\s*" + InchLength + @")(?:\s*,?\s*grade\s*[258](?!\w))?))|" +
        @"(?<size>(?<![\w.])\d{1,3}(?:\.\d+)?(?:\s?[x×]\s?\d{1,3}(?:\.\d+)?){1,2}\s?mm(?!\w))|" +
        // Where to look: "(item 4)", "(see figure 3)", "(left picture)", "(B)", "[7]", "circled in the picture". L and R are sides.
        @"(?<aside>(?<!\w)(?:i\.\s?e\.|e\.\s?g\.),?(?=\s))|" +
        @"(?<aside>\(\s*(?:(?:items?|ref\.?|fig(?:ure|s)?s?\.?|see|callouts?|balloons?|pos\.?|page|p\.|step|steps|detail|view|key|table)\s[^()\n]{0,60}" +
        @"|(?:(?:the|left|right|left-hand|right-hand|upper|lower|first|second|third|last|small|large)\s+)?(?:arrow(?:s|ed)?|circled|pictured|highlighted|illustrated|pictures?|photo(?:graph)?s?|figures?|illustrations?|drawing|inset)(?!\w)[^()\n]{0,60}" +
        @"|(?:M\d{1,2}(?:\s*[x×]\s*[\d.]+)?\s*,\s*)?\d{1,2}(?:/\d{1,2})?\s*(?:mm\s*)?(?:AF|A/F|flare|hex(?:agon)?|allen|torx|across\s+(?:the\s+)?flats)|\d{1,2}\s*/\s*\d{1,2}(?:\s*mm)?" +
        @"|(?:\d{1,3}|[a-z])\s*,\s*(?:fig(?:ure|s)?s?|items?|pos|picture|photo)(?!\w)[^()\n]{0,60}|(?-i:[A-KM-QS-Z]))\s*\)" +
        @"|\(\s*[\p{L}]{3,12}!+\s*\)|\([a-km-qs-z]\)(?=\s*(?:$|[.,;]|(?:and|then)\s))|\[\s*(?:\d{1,3}|[a-z])(?:\s*[-–,]\s*(?:\d{1,3}|[a-z]))*\s*\]|,\s*(?:arrowed|circled|pictured|illustrated)(?=\s*(?:$|[.,;]))" +
        @"|(?<!\w)(?:the\s+arrows?\s+points?\s+(?:at|to)|where\s+the\s+arrows?\s+points?)(?!\w)" +
        @"|(?<!\w)(?:(?:circled|marked|numbered|arrowed|highlighted|pictured)\s+(?:(?:\d{1,2}|(?-i:[A-Z]))(?:\s+to\s+(?:\d{1,2}|(?-i:[A-Z])))?\s+)?)?in\s+(?:the\s+|this\s+)?(?:fig(?:ure)?s?\.?|pictures?|photo(?:graph)?s?|illustrations?)(?!\w)(?:\s+\d{1,2}(?![\w.,]\d))?)|" +
        @"\((?<many>\d{1,2})\)(?=\s*[\p{L}\d])|(?<many>\d{1,2})\s?[x×](?=\s+\p{L})|" +
        @"(?<times>\(\s?(?:[x×]\s?\d{1,2}|\d{1,2}\s?[x×]?)\s?\)(?!\s?\d)|[x×]\s?\d{1,2}(?![\w/.,]*\d|\s*mm)|\d{1,2}\s?[x×](?=\s*$))|" +
        @"(?<time>(?:(?:" + NumberWords.Mixed + @")\s+|\d+(?:[.,]\d+)?\s*|(?:half an?|a quarter of an|three[- ]quarters of an|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|sixty)\s+)(?<tu>seconds|second(?!\s+[a-z])|secs?|minutes?|mins?|min\.|s(?=[\s,;.)]|$)|hours?|hrs?|h)(?![A-Za-z])(?:" + NumberWords.AndPart + @")?)|" +
        // "100 °C" is no angle.
        @"(?<num>\d+(?:[.,]\d+)?\s?°\s?[CF](?!\w))|" +
        @"(?<angle>(?:" + NumberWords.Mixed + @"|\d+(?:[.,]\d+)?|\d+/\d+|half a|(?:an?\s+further|an?|another|one)\s+(?:half|third|quarter|fifth|sixth|eighth|twelfth)(?:\s+of\s+a)?|(?:a |another )?(?:third|quarter|sixth|eighth|twelfth) of a|(?:another |a )?three[- ]quarters of a|two[- ]thirds of a|three-quarter|another|one|two|three|four|an?(?=\s+(?:turn|flat)" + NumberWords.AndPart + @"))\s*(?:full\s+|complete\s+|whole\s+)?" +
        @"(?:°|deg(?:rees?)?(?![A-Za-z])|flats?(?![A-Za-z])|turns?(?![A-Za-z]))(?:" + NumberWords.AndPart + @")?)|" +
        // "Two and a half litres".
        @"(?<num>(?:" + NumberWords.Mixed + @")(?=\s+(?:" + WholeUnits + @"|mm|millimet(?:re|er)s?|threads?|revolutions?)(?!\w)))|" +
        // "A litre and a half of coolant".
        @"(?<!\w)(?<unit>" + WholeUnits + ")(?:" + NumberWords.AndPart + @")|" +
        @"(?<num>\d+(?:[.,/]\d+)*(?![\w]))|(?<word>[A-Z]{1,2}\+(?![\w+])|[wf]/o?(?![\w/])|\d{1,2}W-\d{2,3}(?!\w)|[bgsht]/[a-z]+(?![\w/])|[\p{L}#](?:[\p{L}\d'’\-]*[\p{L}\d])?|\d[\w.×/]*\w)|(?<stop>[.!?;\n]+)|(?<and>(?<=\s)[&+](?=\s+\p{L}))|(?<mark>[,:()\[\]–—%+]|(?<=\s)-(?=\s))",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    // "3.", "Step 4:", "b)", "•": which line of a list it is.
    [GeneratedRegex(@"\G[ \t]*(?:(?:step\s+)?\d{1,2}(?:\.\d{1,2})*[.):]|\(?[a-z]\)|\(\d{1,2}\)(?=\s+[a-z]+\s+(?:the|all|both|each|any|an?)\b)|[-–•*·►])[ \t]+", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex ListLead();

    /// <summary>The tokens of a text, in order, put as the rest of the reader knows it; what it names together is named as the sheet names it.</summary>
    public static List<Token> Tokenize(string text, NameIndex names)
    {
        // Most steps state no value: a figure, or a unit written out, must stand there.
        var states = text.AsSpan().ContainsAnyInRange('0', '9') || text.Contains("ewton", StringComparison.OrdinalIgnoreCase)
            || text.Contains("pound", StringComparison.OrdinalIgnoreCase);
        var tokens = Cut(text, states ? [.. TorqueText.FindAll(text).OrderBy(f => f.Start)] : []);
        JoinPhrases(tokens);
        LeaveOrder(tokens);
        LeaveCommas(tokens, names);
        LeaveYourself(tokens);
        Figures(tokens);
        new Elliptic(tokens, names).Run();
        new Sayings(tokens, names).Run();
        LeftAlone.Straighten(tokens);
        NamedWork.Straighten(tokens);
        new Described(tokens, names).Run();
        new SharedVerb(tokens, names).Run();
        new Labels(text, tokens, names).Run();
        new Springing(tokens, names).Run();
        new Opening(tokens, names).Run();
        new Judged(tokens, names).Run();
        new Places(tokens, names).Run();
        new Sights(tokens, names).Run();
        new ToolAngles(tokens, names).Run();
        new Going(tokens, names).Run();
        new Shares(tokens, names).Run();
        Gathered.Straighten(text, tokens, names);
        Notes.Straighten(tokens);
        Whose.Straighten(tokens);
        Contrast.Straighten(tokens, names);
        Company.Straighten(tokens, names);
        GoneOn.Straighten(tokens, names);
        return tokens;
    }

    // "The new, longer bolts": no comma between what describes them.
    private static void LeaveCommas(List<Token> tokens, NameIndex names)
    {
        for (var i = 1; i + 3 < tokens.Count; i++)
            if (tokens[i + 1] is { Kind: TokenKind.Mark, Text: "," } && tokens[i] is { Kind: TokenKind.Word } one && Trade.New.Contains(one.Text)
                && Trade.Determiners.Contains(tokens[i - 1].Text) && tokens[i + 2] is { Kind: TokenKind.Word } other && Trade.VerbsOf(other.Text).Length == 0
                && Trade.NounOf([Stem.Of(other.Text)]) is null && tokens[i + 3] is { Kind: TokenKind.Word } head
                && (names.IsHead(Stem.Of(head.Text)) || Trade.NounOf([Stem.Of(head.Text)]) is not null)) tokens.RemoveAt(i + 1);
    }

    // "Draw yourself a picture", "by yourself": nothing that is done.
    private static void LeaveYourself(List<Token> tokens)
    {
        for (var i = tokens.Count - 1; i >= 0; i--)
        {
            if (tokens[i] is not { Kind: TokenKind.Word, Text: "yourself" or "yourselves" }) continue;
            var from = i > 0 && tokens[i - 1] is { Kind: TokenKind.Word, Text: "by" or "for" } ? i - 1 : i;
            tokens.RemoveRange(from, i + 1 - from);
            i = from;
        }
    }

    // "Go round with the torque wrench at ninety": as a figure.
    private static void Figures(List<Token> tokens)
    {
        for (var i = 1; i < tokens.Count; i++)
            if (tokens[i - 1] is { Kind: TokenKind.Word, Text: "at" or "to" } && tokens[i].Kind == TokenKind.Word
                && NumberWords.Parse(tokens[i].Text) is >= 10 and < 400 and var figure && TokenList.IsEnd(tokens, i + 1))
                tokens[i] = tokens[i] with { Kind = TokenKind.Number, Text = ((int)figure).ToString(System.Globalization.CultureInfo.InvariantCulture) };
    }

    // "…, one, two, three", "…, 1, 3, 2, 4": in which order, and no things.
    private static void LeaveOrder(List<Token> tokens)
    {
        for (var i = 0; i < tokens.Count; i++)
        {
            if (tokens[i] is not { Kind: TokenKind.Mark, Text: "," }) continue;
            var said = new List<int>();
            var at = i + 1;
            while (at < tokens.Count && tokens[at].Kind is TokenKind.Number or TokenKind.Word && NumberWords.Parse(tokens[at].Text) is { } number
                && number == Math.Truncate(number) && number is > 0 and < 100)
            {
                said.Add((int)number);
                at++;
                if (at < tokens.Count && tokens[at] is { Kind: TokenKind.Mark, Text: "," } && at + 1 < tokens.Count
                    && tokens[at + 1].Kind is TokenKind.Number or TokenKind.Word
                    && NumberWords.Parse(tokens[at + 1].Text) is not null) at++;
            }

            if (said.Count < 3 || !said.Order().SequenceEqual(Enumerable.Range(1, said.Count)) || at < tokens.Count
                && tokens[at].Kind is TokenKind.Word or TokenKind.Size) continue;
            tokens.RemoveRange(i, at - i);
        }
    }

    // "Back and forth", "face down": one adverb.
    private static void JoinPhrases(List<Token> tokens)
    {
        for (var i = 0; i + 1 < tokens.Count; i++)
        {
            if (tokens[i].Kind != TokenKind.Word || !Trade.OpensPhrase(tokens[i].Text)) continue;
            var joined = tokens[i].Text;
            var found = 0;
            for (var k = 1; k < 4 && i + k < tokens.Count && tokens[i + k].Kind == TokenKind.Word; k++)
            {
                joined += "-" + tokens[i + k].Text;
                if (Trade.IsPhrase(joined)) found = k;
            }

            // "Scrape the face down to bright iron": the face.
            if (found == 0 || joined.StartsWith("face", StringComparison.Ordinal) && i + found + 1 < tokens.Count
                && tokens[i + found + 1].Text is "to" or "until" or "with") continue;
            var last = tokens[i + found].At;
            tokens[i] = new Token(TokenKind.Word, string.Join('-', tokens.Skip(i).Take(found + 1).Select(t => t.Text)), new Span(tokens[i].At.Start, last.End - tokens[i].At.Start));
            // "By means of": with.
            if (Trade.InFull(tokens[i].Text) is { } plain) tokens[i] = tokens[i] with { Text = plain };
            tokens.RemoveRange(i + 1, found);
        }
    }

    /// <summary>The tokens of a name, which holds no values.</summary>
    public static List<Token> TokenizeName(string name) => Cut(name, []);

    private static List<Token> Cut(string text, List<TorqueText.Found> torques)
    {
        var tokens = new List<Token>();
        var next = 0;
        for (var at = 0; at < text.Length;)
        {
            if ((at == 0 || text[at - 1] == '\n') && ListLead().Match(text, at) is { Success: true } lead
                && (next >= torques.Count || torques[next].Start >= lead.Index + lead.Length))
            {
                at = lead.Index + lead.Length;
                continue;
            }

            if (next < torques.Count && torques[next].Start <= at)
            {
                var found = torques[next++];
                tokens.Add(new Token(TokenKind.Torque, text.Substring(found.Start, found.Length).ToLowerInvariant(), new Span(found.Start, found.Length)) { Torque = found.Spec });
                at = found.Start + found.Length;
                // "70 ft-lb. Fit …": the full stop of the unit ends the sentence, too, where one begins behind it.
                if (text[at - 1] == '.' && EndsSentence(text, at)) tokens.Add(new Token(TokenKind.Stop, ".", new Span(at - 1, 1)));
                continue;
            }

            var limit = next < torques.Count ? torques[next].Start : text.Length;
            var match = Pattern().Match(text, at, limit - at);
            if (!match.Success)
            {
                at = limit;
                continue;
            }

            at = match.Index + match.Length;
            if (match.Groups["aside"].Success) continue;
            // "The bolts (1)" are more than one: it is their number in a figure.
            if (IsOne().IsMatch(match.ValueSpan) && tokens is [.., { Kind: TokenKind.Word } several] && several.Text.EndsWith('s')
                && !MayBeTorque(text, match.Index)) continue;
            // "25 N·m, inside out, x2": once more, and no number of things.
            if (match.Groups["times"].Success && match.Value[0] is 'x' or '×' or 'X' && IsOfATorque(tokens)) continue;
            if (match.Groups["times"].Success && !(tokens is [.., { Kind: TokenKind.Word } named] && char.IsLetter(named.Text[^1])
                && !(match.Value.All(c => char.IsAsciiDigit(c) || c is '(' or ')' or ' ') && MayBeTorque(text, match.Index))))
            {
                // Behind no name it is no number of things.
                at = match.Index + 1;
                tokens.Add(new Token(match.Value[0] == '(' ? TokenKind.Mark : TokenKind.Word, match.Value[..1], new Span(match.Index, 1)));
                continue;
            }

            var token = Make(match);
            // "Bolts (4) by hand": behind the name, too.
            if (match.Groups["many"].Success && match.Value[0] == '(' && tokens is [.., { Kind: TokenKind.Word } things] && things.Text.EndsWith('s')
                && !MayBeTorque(text, match.Index))
                token = new Token(TokenKind.Word, "x" + token.Text, token.At);
            // "… x 1 in. Fit …": the full stop of the unit ends the sentence, too, where one begins behind it.
            if (token.Kind == TokenKind.Size && text[at - 1] == '.' && EndsSentence(text, at))
            {
                tokens.Add(token with { Text = token.Text[..^1], At = token.At with { Length = token.At.Length - 1 } });
                token = new Token(TokenKind.Stop, ".", new Span(at - 1, 1));
            }

            // "1/8 in. closer", "approx. 5 mm": the full stop belongs to the word.
            if (token is { Kind: TokenKind.Stop, Text: "." } && tokens.Count > 0 && IsAbbreviation(text, tokens) && !EndsSentence(text, at)) continue;
            tokens.Add(token);
        }

        return tokens;
    }

    // What stands before, in this sentence, is a torque and no thing behind it.
    private static bool IsOfATorque(List<Token> tokens) => tokens.FindLastIndex(t => t.Kind is TokenKind.Torque or TokenKind.Stop) is >= 0 and var told
        && tokens[told].Kind == TokenKind.Torque && !tokens.Skip(told + 1).Any(t => Trade.IsThing(t.Text));

    // "Torque the hub nuts (25)": a value without its unit, perhaps.
    private static bool MayBeTorque(string text, int at) => TightenedBefore().IsMatch(text.AsSpan(0, at));

    [GeneratedRegex(@"\b(?:torqu|tighten|tq\b)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex TightenedBefore();

    [GeneratedRegex(@"^\(\s*1\s*\)$", RegexOptions.CultureInvariant)]
    private static partial Regex IsOne();

    private static bool EndsSentence(string text, int at)
    {
        while (at < text.Length && text[at] is ' ' or '\t') at++;
        return at >= text.Length || text[at] is '\n' or '\r' || char.IsUpper(text[at]);
    }

    private static bool IsAbbreviation(string text, List<Token> tokens)
    {
        var word = tokens[^1];
        if (word.Kind is TokenKind.Torque or TokenKind.Time or TokenKind.Angle) return true;
        if (word.Kind != TokenKind.Word) return false;
        return Trade.Abbreviations.Contains(word.Text) || Trade.InFull(word.At.Of(text).ToLowerInvariant()) is not null
            || (word.Text is "in" or "ft" or "lb" or "oz" or "mm" && tokens.Count > 1 && tokens[^2].Kind == TokenKind.Number);
    }

    private static Token Make(Match match)
    {
        var span = new Span(match.Index, match.Length);
        var text = match.Value.ToLowerInvariant();
        if (match.Groups["time"].Success)
        {
            var unit = match.Groups["tu"].Value.ToLowerInvariant();
            var said = NumberWords.UnitLast(text)[..^unit.Length];
            var amount = NumberWords.Parse(said) ?? NumberWords.Parse(said.Replace("half an", "half").Replace("half a", "half").Replace(" of an", "")) ?? 1;
            return new Token(TokenKind.Time, text, span) { Number = unit[0] switch { 's' => amount / 60, 'h' => amount * 60, _ => amount } };
        }

        if (match.Groups["angle"].Success)
            return Angle.Parse(text) is { IsGood: true } angle
                ? new Token(TokenKind.Angle, text, span) { Number = angle.Value.Degrees }
                : new Token(TokenKind.Word, text, span);
        // "Bolts (x4)", "bolts × 4": four of them, behind the name.
        if (match.Groups["times"].Success) return new Token(TokenKind.Word, "x" + string.Concat(text.Where(char.IsAsciiDigit)), span);
        // "(4) bolts", "4 x bolts": four of them.
        if (match.Groups["many"] is { Success: true } many) return new Token(TokenKind.Number, many.Value, new Span(many.Index, many.Length));
        if (match.Groups["unit"] is { Success: true } unitOfMore) return new Token(TokenKind.Word, unitOfMore.Value.ToLowerInvariant(), span);
        if (match.Groups["and"].Success) return new Token(TokenKind.Word, "and", span);
        var kind = match.Groups["size"].Success ? TokenKind.Size
            : match.Groups["num"].Success ? TokenKind.Number
            : match.Groups["stop"].Success ? TokenKind.Stop
            : match.Groups["mark"].Success ? TokenKind.Mark
            : TokenKind.Word;
        if (kind == TokenKind.Mark && text is "[" or "]") text = text == "[" ? "(" : ")";
        // "Air box off - two wing nuts": a dash, however it is typed.
        if (kind == TokenKind.Mark && text == "-") text = "–";
        if (kind != TokenKind.Word) return new Token(kind, text, span);
        // "Don’t" and "don't" are one word.
        var word = text.Replace('’', '\'');
        return new Token(kind, Trade.InFull(word) ?? (word == "em" ? "them" : word), span);
    }
}
