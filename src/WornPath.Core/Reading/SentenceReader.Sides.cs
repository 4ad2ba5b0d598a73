using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// The side of the vehicle, and what is done over again.
public sealed partial class SentenceReader
{
    // "Working on the left side, …", "go round to the right and …", "do the left side first: …".
    [GeneratedRegex(@"^(?:(?:go|mov|work|start|beginn?|stand|do)(?:e|ing)?|now|then|and|still|first|back|round|over|across|to|with|from)\s+(.+?)(?:\s+(?:first|now|next))?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex GoingTo();

    // The side that what follows is done on, and how far: to the end of a sentence, or of the line behind a colon.
    private (Side Side, int Until)? _on;

    // "On the right-hand side, fit the wheel." "Left: …"
    private bool LeadsIn(Clause clause, Span at)
    {
        if (clause.To >= _finder.Tokens.Count
            || _finder.Tokens[clause.To] is not ({ Kind: TokenKind.Mark, Text: ":" or "," } or { Text: "and" or ";" })) return false;
        var mark = _finder.Tokens[clause.To];
        var words = at.Of(_text).Trim();
        while (GoingTo().Match(words) is { Success: true } going) words = going.Groups[1].Value;
        if (words.Length == at.Length && clause.Verb is not null || mark.Kind == TokenKind.Word && clause.Verb is null) return false;
        if (!SideWords.IsSide(words) || SideWords.In(words) is not { } side) return false;
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
            if (noun.After is "on" or "at" or "for" or "of" or "from" && WithOther(noun) is var place && SideWords.IsSide(place)) return SideWords.In(place);
        if (action.Target is not { } id || _refer.Find(id) is not { } thing || SideWords.In(thing.Name) is not null) return null;
        var named = clause.Nouns.FirstOrDefault(n => !n.IsPronoun && action.At.Begins(n.At)) ?? clause.Nouns.FirstOrDefault(n => n.At.Begins(action.At));
        return named is not null && named.Count is null && SideWords.In(WithOther(named)) is { } side && _refer.DoesBothSides!.Value ? side : null;
    }

    // "Repeat for the lower nut", "do the bottom hose the same way": what was last done to one of its kind is done to it.
    private bool DoesTheSameTo(Clause clause)
    {
        var noun = clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, IsRest: false, After: null or "for" or "on" or "with" or "to" }
            && !n.IsVague && Trade.NounOf(n.Stems)?.Role is null or NounRole.Thing && !Trade.Procedures.Contains(n.Head));
        if (noun is null) return false;
        var known = _refer.Known(noun);
        var kind = known?.Kind ?? (Trade.NounOf(noun.Stems) is { Kinds: [var usual, ..] } ? usual : (ThingKind?)null);
        // Within the step, else in the one before; to what was in hand last, of things called alike before others of the kind.
        var done = _actions.Exists(a => a.Target is not null) ? _actions : [.. Before?.Actions ?? []];
        var models = done.Where(a => a.Target is not null && a.Verb != Verb.Repeat).Select(a => _refer.Find(a.Target!)).OfType<Thing>()
            .Where(t => t != known && (kind is null || t.Kind == kind)).Reverse().Distinct().ToList();
        var model = models.Find(t => NameIndex.NamesOf(t)[0][^1] == noun.Head) ?? models.FirstOrDefault();
        // "Do the two outer spindles the same way": more than one is a job of its own.
        if (model is null || noun.IsPlural && !model.IsMany) return false;
        var thing = known ?? _refer.Assume(noun, model.Kind, false, null, null);
        if (thing is null || thing == model) return false;
        foreach (var action in done.Where(a => a.Target == model.Id && a.Verb != Verb.Repeat).ToList())
            Add(action.Verb, thing, noun.At, a => action with { Target = thing.Id, At = noun.At, Rest = false, IsSaid = false });
        Spoken.Hand([thing]);
        return true;
    }
}
