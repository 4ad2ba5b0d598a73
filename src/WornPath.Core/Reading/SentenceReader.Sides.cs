using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// The side of the vehicle, and what is done over again.
public sealed partial class SentenceReader
{
    // Where a side is said and nothing else: "on the left-hand side", "on the right", "the other one".
    [GeneratedRegex(@"^(?:(?:on|at|for|now|then|and)\s+)*(?:the\s+)?(?:other|opposite|(?:left|right)(?:[ -]hand)?|lh|rh)(?:\s+(?:side|one))?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OnlySide();

    // The side that what follows is done on, and how far: to the end of a sentence, or of the line behind a colon.
    private (Side Side, int Until)? _on;

    // "On the right-hand side, fit the wheel." "Left: …"
    private bool LeadsIn(Clause clause, Span at)
    {
        if (clause.Verb is not null || clause.To >= _finder.Tokens.Count || _finder.Tokens[clause.To] is not { Kind: TokenKind.Mark, Text: ":" or "," } mark) return false;
        if (!OnlySide().IsMatch(at.Of(_text)) || SideWords.In(at.Of(_text)) is not { } side) return false;
        var end = mark.Text == ":" ? _text.IndexOf('\n', at.End)
            : _finder.Tokens.Skip(clause.To).FirstOrDefault(t => t.Kind == TokenKind.Stop) is { At.Length: > 0 } stop ? stop.At.Start : -1;
        _on = (side, end < 0 ? _text.Length : end);
        _told = true;
        return true;
    }

    // The words of a noun, with the "other" that stands before it.
    private string WithOther(NounPhrase noun) =>
        noun.At.Start >= 6 && _text.AsSpan(noun.At.Start - 6, 6).Equals("other ", StringComparison.OrdinalIgnoreCase)
            ? $"other {noun.At.Of(_text)}" : noun.At.Of(_text);

    // The side a clause does something on: said as a place, or of what it is done to, where a sheet does some of it on both sides.
    private Side? SideOf(Clause clause, StepAction action)
    {
        if (_on is { } on && PlaceOf(clause).Start < on.Until) return on.Side;
        foreach (var noun in clause.Nouns)
            if (noun.After is "on" or "at" or "for" && WithOther(noun) is var place && OnlySide().IsMatch(place)) return SideWords.In(place);
        if (action.Target is not { } id || _refer.Find(id) is not { } thing || SideWords.In(thing.Name) is not null) return null;
        var named = clause.Nouns.FirstOrDefault(n => !n.IsPronoun && action.At.Begins(n.At)) ?? clause.Nouns.FirstOrDefault(n => n.At.Begins(action.At));
        return named is not null && named.Count is null && SideWords.In(WithOther(named)) is { } side && _refer.DoesBothSides!.Value ? side : null;
    }
}
