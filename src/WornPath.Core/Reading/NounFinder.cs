using System.Text;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Reads noun phrases: determiner and number, what tells one from another, size, the name, and what it belongs to.</summary>
internal sealed class NounFinder(string text, List<Token> tokens, NameIndex names)
{
    /// <summary>True where the word at a place is a noun of the trade or of the sheet, whatever verb it looks like.</summary>
    public bool IsThingAt(int i) => i < tokens.Count && tokens[i].Kind == TokenKind.Word && (Trade.NounOf([Stem.Of(tokens[i].Text)]) is not null && !IsVerbForm(tokens[i].Text) || names.IsHead(Stem.Of(tokens[i].Text)) || Trade.NounsInIng.Contains(tokens[i].Text));

    private static bool IsVerbForm(string word) => Trade.VerbsOf(word).Any(f => f.Form is Form.Ing or Form.Ed);

    /// <summary>
    /// True where what follows a phrase only tells how something stands ("ribs up", "posts to the rear", "closed end leading"), and
    /// the phrase names nothing that a sheet or the trade has a word for.
    /// </summary>
    public bool Stands(NounPhrase phrase, int next, int to)
    {
        // "Screw where you can get at it".
        if (next < tokens.Count && tokens[next] is { Kind: TokenKind.Word, Text: "where" }
            && phrase is { IsPronoun: false, IsNew: false, IsIndefinite: true, IsPlural: false, Count: null }) return true;
        if (next >= to || tokens[next].Kind != TokenKind.Word || phrase.IsPronoun || phrase.IsNew || !phrase.IsIndefinite
            || phrase.Count is not null) return false;
        var place = Trade.PlacesOn.Contains(phrase.Head) || Trade.Relational.Contains(phrase.Head) || phrase.Head is "side" or "face";
        if (!place && (Trade.NounOf(phrase.Stems) is not (null or { Role: NounRole.Words }) || names.Resolve(phrase.Stems).One is not null)) return false;
        var word = tokens[next].Text;
        if (next + 1 < to && word is "to" or "toward" or "towards" or "facing" or "at") return tokens[next + 1].Kind == TokenKind.Word;
        var ends = next + 1 >= to || tokens[next + 1].Kind == TokenKind.Mark;
        return ends && (Trade.Stances.Contains(word) && (place || word is not ("in" or "out")) || Trade.VerbsOf(word).Any(f => f.Form == Form.Ing));
    }

    /// <summary>True where the phrase names fasteners.</summary>
    public bool IsFastener(NounPhrase phrase) => names.Resolve(phrase.Stems).One is Joint || phrase.Is(ThingKind.Joint);

    /// <summary>True where a name of the sheet or of the trade begins with the word at a place and goes on with the next.</summary>
    public bool IsNameWith(int at)
    {
        var stems = new List<string>();
        for (var i = at; i < tokens.Count && i < at + 4 && IsContent(i); i++) stems.Add(Stem.Of(tokens[i].Text));
        for (var take = stems.Count; take > 1; take--)
            if (names.Resolve([.. stems.Take(take)]).One is not null) return true;
        return false;
    }

    /// <summary>True where the words from a place are a thing of their own: known, or a noun of the trade.</summary>
    public bool ReadsAsObject(int at)
    {
        var stems = new List<string>();
        for (var i = at; i < tokens.Count && IsContent(i); i++) stems.Add(Stem.Of(tokens[i].Text));
        return stems.Count > 0 && (names.Resolve(stems).One is not null || Trade.NounOf(stems) is not null || stems[^1] != Stem.Of(tokens[at].Text) || tokens[at].Text.EndsWith('s'));
    }

    private bool IsContent(int i) => tokens[i].Kind == TokenKind.Word && !(tokens[i].Text is "go" or "goes" or "come" or "comes"
        && Trade.Paths.Contains(Word(i + 1))) && !Trade.IsSmall(tokens[i].Text) && !(Trade.Adverbs.Contains(tokens[i].Text)
        && !Trade.Distinct.Contains(tokens[i].Text)) && !IsAdverb(tokens[i].Text);

    private static bool IsAdverb(string word) => word.Length > 4 && word.EndsWith("ly", StringComparison.Ordinal) && word is not ("assembly" or "supply" or "family");

    private string Word(int i) => i < tokens.Count && tokens[i].Kind == TokenKind.Word ? tokens[i].Text : "";

    /// <summary>The noun phrase that begins at a token and the token behind it; null where none does.</summary>
    public (NounPhrase Phrase, int Next)? Read(int from, int to, string? after) => Read(from, Math.Min(to, from + Longest), after, 0);

    // No name of the trade has more words; what is longer is read in pieces, so that any text takes time in proportion to its length.
    private const int Longest = 24;

    private (NounPhrase Phrase, int Next)? Read(int from, int to, string? after, int depth)
    {
        var i = from;
        int? count = null, some = null;
        string sign = "", pointing = "";
        bool vague = false, isNew = false, isOld = false, all = false, rest = false, its = false, indefinite = false, plural = false, determined = false;
        var size = "";
        var distinct = new List<string>();
        var stems = new List<string>();
        int first = -1, last = -1;
        // Determiners, numbers and what stands before the name.
        for (; i < to; i++)
        {
            var token = tokens[i];
            var word = token.Kind == TokenKind.Word ? token.Text : "";
            if (token.Kind == TokenKind.Size && Continues(i + 1, to))
            {
                size = token.At.Of(text);
                continue;
            }

            // "A new one", "the upper one": no number.
            if (word == "one" && Word(i + 1) is "at" or "by" && Word(i + 2) is "a" or "one") return null;
            // "A new one pressed in".
            if (word == "one" && Word(i + 1) != "of" && (isNew || isOld || !Continues(i + 1, to))) break;
            // "Wheel nuts 130 star".
            if (token.Kind == TokenKind.Number && Word(i + 1) is "star" or "crosswise" or "diagonally") return null;
            if (token.Kind == TokenKind.Number || word.Length > 0 && NumberWords.Parse(word) is not null && word is not ("quarter" or "half" or "a" or "an"))
            {
                if (IsSizeUnit(i + 1, to))
                {
                    size = new Span(token.At.Start, tokens[i + 1].At.End - token.At.Start).Of(text);
                    i++;
                    continue;
                }

                if (token.Kind == TokenKind.Number && names.IsNumbered(stems.Count > 0 ? stems[^1] : "", token.Text)) break;
                var number = NumberWords.Parse(token.Text) is { } n && n == Math.Truncate(n) && n is > 0 and < 200 ? (int)n : (int?)null;
                if (size.Length > 0 && token.Kind == TokenKind.Number && stems.Count == 0 && i > from && Word(i - 1) is "x" or "×" or "" && Continues(i + 1, to))
                {
                    size += "×" + token.Text;
                    continue;
                }

                if (number is null)
                {
                    if (word.Length > 0 && i == from) return null;
                    if (i == from && !(i + 1 < to && IsContent(i + 1) && !Trade.IsSmall(Word(i + 1)))) return null;
                    size = token.Text;
                    continue;
                }

                // "One of the bolts", "two of the three": so many of them.
                if (Word(i + 1) == "of")
                {
                    (some, count) = (number, null);
                    i++;
                    // "The top two of the bolts".
                    if (stems.TrueForAll(distinct.Contains)) (stems, first) = ([], -1);
                    continue;
                }

                // "The other two", "the last two bolts".
                if (count is null && some is null) count = number;
                else if (some is not null) count = number;
                // A number alone is no thing: "Torque to 95".
                if (token.Kind == TokenKind.Number && stems.Count == 0 && !Continues(i + 1, to) && !determined && !rest) return null;
                continue;
            }

            if (word.Length == 0) break;
            if (word is "a" or "an" && Word(i + 1) is "couple" or "pair" or "set" or "few")
            {
                if (Word(i + 1) is "couple" or "pair") count = 2;
                indefinite = word is "a" or "an";
                i += Word(i + 2) == "of" ? 2 : 1;
                continue;
            }

            if (word is "pair" && (determined || distinct.Count > 0 && stems.TrueForAll(distinct.Contains)) && !Continues(i + 1, to) && Word(i + 1) != "of")
            {
                i++;
                return (Pronoun(from, i, after, "them", true, rest, 2, all, isNew) with { Distinct = distinct }, i);
            }

            if (word is "pair" or "couple" or "rest" or "remainder" or "set" && Word(i + 1) == "of" || word is "rest" or "remainder")
            {
                if (word is "pair" or "couple") count = 2;
                if (word is "rest" or "remainder") rest = true;
                if (Word(i + 1) == "of")
                {
                    i++;
                    continue;
                }

                if (word is "rest" or "remainder")
                {
                    (first, last) = (i, i);
                    i++;
                    return (Pronoun(from, i, after, word, plural: true, rest: true, count, all, isNew), i);
                }
            }

            // "Some of the bolts", "a third of them": how many, nobody has counted.
            if (word is "some" or "none" or "most" or "few" or "several" or "half" or "third" or "quarter" or "any" && Word(i + 1) == "of"
                && distinct.Count == 0)
            {
                vague = true;
                i++;
                continue;
            }

            // "Every 6 in.", "every 100 mm": how far apart.
            if (word == "every" && i + 2 < tokens.Count && tokens[i + 1].Kind == TokenKind.Number
                && Word(i + 2) is "in" or "inch" or "inches" or "mm" or "cm" or "m" or "ft" or "feet") return null;
            // "Every second bolt": how many, nobody has counted.
            if (word == "every" && Word(i + 1) is "second" or "other" or "third" && Continues(i + 2, to))
            {
                vague = true;
                determined = true;
                i++;
                continue;
            }

            if (word is "both" or "all" or "each" or "every")
            {
                if (word == "all" && Word(i + 1) == "but")
                {
                    // "All but the top one": so many less one.
                    some = -1;
                    i += Word(i + 2) == "the" && NumberWords.Parse(Word(i + 3)) is > 1 ? 2 : 1;
                    if (NumberWords.Parse(Word(i + 1)) is { } but and > 0 and < 50)
                    {
                        some = -(int)but;
                        i++;
                    }

                    if (Word(i + 1) == "of") i++;
                    plural = true;
                    continue;
                }

                all = true;
                if (word == "both") count = 2;
                if (word is "both" or "all") plural = true;
                if (Word(i + 1) == "of") i++;
                determined = true;
                continue;
            }

            // "Pull the fronts", "leave the rears".
            if (determined && stems.Count == 0 && word.EndsWith('s') && Trade.Distinct.Contains(word[..^1]) && !Continues(i + 1, to)
                && !names.IsHead(Stem.Of(word)))
                return (Pronoun(from, i + 1, after, "them", true, rest, count, all, isNew) with { Distinct = [Stem.Of(word[..^1])] }, i + 1);
            // "The back end", "the back plate".
            if (word == "back" && determined && stems.Count == 0 && i + 1 < to && IsContent(i + 1))
            {
                (first, last) = (i, i);
                stems.Add(word);
                continue;
            }

            // "Jack the back up".
            if (word == "back" && determined && stems.Count == 0 && Word(i + 1) == "of" && depth < 2
                && Read(i + 2, to, after, depth + 1) is { Phrase.Stems.Count: > 0 } behind) return behind;
            if (word == "back" && determined && !all && count is null && stems.Count == 0
                && !Continues(i + 1, to)) return (new NounPhrase(token.At, word, [word]) { After = after, Name = word }, i + 1);
            if (word is "her" && !Continues(i + 1, to)) break;
            // "…, T50, 45 N·m": the size of a tool, and no thing.
            if (Sized(word) && stems.Count == 0 && !determined && !Continues(i + 1, to) && word[0] is 't' or 'e'
                && word.AsSpan(1).IndexOfAnyExceptInRange('0', '9') < 0) return null;
            if (Sized(word) && Continues(i + 1, to))
            {
                // "M16 bolts", "M10 x 1.25 bolts", "T40 screws".
                size = word;
                continue;
            }

            if (sign.Length > 0 && stems.Count == 0 && Trade.Relatives.Contains(word)) break;
            if (Trade.Determiners.Contains(word) || word == "her")
            {
                if (word == "any" && Word(i + 1) is not ("more" or "further" or "other")) sign = "there is one";
                if (word is "these" or "those" or "this" or "that") pointing = word;
                if (word is "a" or "an") indefinite = true;
                if (word is "its" or "their") its = true;
                // "Take that out".
                if (word is "that" && i == from && after is null
                    && Word(i + 1) is "out" or "off" or "in" or "up" or "away" or "on" or "onto" or "over" or "into")
                    return (Pronoun(from, i + 1, after, "it", plural: false, rest: false, null, false, false), i + 1);
                if (word is "that" && !Continues(i + 1, to) && Word(i + 1) is not ("last" or "one")) return null;
                if (word is "no") return null;
                determined = true;
                continue;
            }

            // "Out with the old gasket, in with the new".
            if (Trade.New.Contains(word) && determined && stems.Count == 0 && (i + 1 >= to || tokens[i + 1].Kind is TokenKind.Mark or TokenKind.Stop))
                return (Pronoun(from, i + 1, after, "one", plural: false, rest: false, null, false, isNew: true), i + 1);
            if (word == "old" && determined && stems.Count == 0 && (i + 1 >= to || tokens[i + 1].Kind is TokenKind.Mark or TokenKind.Stop))
                return (Pronoun(from, i + 1, after, "one", plural: false, rest: false, null, false, isNew: false) with { IsOld = true }, i + 1);
            if (Trade.New.Contains(word) && (Continues(i + 1, to) || Word(i + 1) is "one" or "ones"))
            {
                isNew = true;
                continue;
            }

            // "The worn bushes" are the old ones; "a worn bush" is any that is found.
            if (Trade.Old.Contains(word) && (word == "old" || determined && !indefinite && sign.Length == 0
                && !names.Begins(Stem.Of(word), Stem.Of(Word(i + 1))))
                && (Continues(i + 1, to) || Word(i + 1) is "one" or "ones"))
            {
                isOld = true;
                continue;
            }

            if (word is "other" or "others" or "remaining" or "last" or "final" && (determined || i == from
                && word is "last" or "remaining" && Continues(i + 1, to)
                // "Two out, other 2 loose".
                || word == "other" && NumberWords.Parse(Word(i + 1)) is > 1 and < 50) || word is "others")
            {
                if (word is "others")
                {
                    i++;
                    return (Pronoun(from, i, after, word, true, true, count, all, isNew), i);
                }

                rest = true;
                continue;
            }

            // "Crack all ten first".
            if (word is "first" or "last" && all && count is not null && !(i + 1 < to && IsContent(i + 1)))
                return (Pronoun(from, i, after, "them", true, rest, count, all, isNew), i);
            if (Trade.Distinct.Contains(word) && !determined && Trade.Adverbs.Contains(word) && !Continues(i + 1, to)) break;
            // "The black one", where a name says so.
            if (Trade.Colours.Contains(word) && names.Says(Stem.Of(word)) && Word(i + 1) is "one" or "ones")
            {
                distinct.Add(Stem.Of(word));
                if (first < 0) first = i;
                last = i;
                stems.Add(Stem.Of(word));
                continue;
            }

            // "The top half of the shroud": a half that is a part, and no number.
            if (determined && stems.Count == 0 && (Trade.Distinct.Contains(word) || word is "back" or "front" or "rear")
                && Word(i + 1) is "half" or "halves")
            {
                distinct.Add(Stem.Of(word));
                stems.AddRange([Stem.Of(word), "half"]);
                (first, last) = (i, i + 1);
                plural |= Word(i + 1) == "halves";
                i += 2;
                break;
            }

            if (Trade.Distinct.Contains(word) && (Continues(i + 1, to) || Word(i + 1) is "one" or "ones" || determined && (i + 1 >= to || !IsContent(i + 1)
                || NumberWords.Parse(Word(i + 1)) is > 1 and < 50 && !Continues(i + 2, to))
                || stems.Count == 0 && !Trade.Adverbs.Contains(word) && Word(i + 1) is "last" or "next"))
            {
                distinct.Add(Stem.Of(word));
                if (first < 0) first = i;
                last = i;
                stems.Add(Stem.Of(word));
                if (Word(i + 1) is "and" or "or" && Trade.Distinct.Contains(Word(i + 2)) && Continues(i + 3, to))
                {
                    // "The upper and lower bolts".
                    distinct.Add(Stem.Of(Word(i + 2)));
                    plural = true;
                    i += 2;
                    stems.Clear();
                    first = -1;
                }

                continue;
            }

            if (Trade.Neutral.Contains(word) && Continues(i + 1, to) && !Trade.IsCompound(word, Stem.Of(Word(i + 1)))) continue;
            // "Its loose end", "the free end": how it is.
            if (determined && word is "loose" or "free" or "open" or "clear" && i + 1 < to && IsContent(i + 1)) continue;
            if (IsAdverb(word) && (determined || count is not null)
                && (Continues(i + 1, to) || Trade.Distinct.Contains(Word(i + 1)) && Continues(i + 2, to))) continue;
            break;
        }

        // A pronoun: "it", "them", "one", "both", "two of them".
        if (i < to && Trade.Pronouns.Contains(Word(i)) && stems.TrueForAll(s => distinct.Contains(s)))
        {
            var word = Word(i);
            if (word is "there" or "you" or "he" or "she" or "we" or "i" or "something" or "us" or "me" or "him" && stems.Count == 0 && i == from && word is not ("you" or "we" or "i" or "he" or "she")) return null;
            i++;
            // "All of them except one": so many less.
            if (all && Word(i) is "except" or "but" && Read(i + 1, to, null, depth + 1) is { Phrase.IsPronoun: true } less)
            {
                (some, all) = (-(less.Phrase.Count ?? 1), false);
                i = less.Next;
            }

            return (Pronoun(from, i, after, word, word is "them" or "they" or "ones" or "those" or "these" || plural || count > 1, rest, count, all, isNew) with { Some = some, Distinct = distinct, Stems = [], IsIts = its, IsOld = isOld }, i);
        }

        // "All but the top two".
        if (determined && count is > 1 && stems.Count > 0 && stems.TrueForAll(distinct.Contains) && !(i < to && IsContent(i)))
            return (Pronoun(from, i, after, "them", true, rest, count, all, isNew) with { Distinct = distinct }, i);
        // "Right down", "first": how, no name.
        if (i < to && stems.Count == 0 && !all && !rest && tokens[i].Kind == TokenKind.Word && Trade.Adverbs.Contains(tokens[i].Text) && !Continues(i + 1, to)) return null;
        var named = first;
        for (; i < to; i++)
        {
            var token = tokens[i];
            // "Two nuts M6": the same.
            if (stems.Count > 0 && size.Length == 0 && token.Kind == TokenKind.Word && Sized(token.Text) && token.Text[0] is 'm' or 'M'
                && !Continues(i + 1, to)
                && Trade.NounOf(stems) is { Kinds: [ThingKind.Joint, ..] })
            {
                size = token.At.Of(text);
                i++;
                break;
            }

            // "The bolts, M8 x 25": behind the name.
            if (token.Kind == TokenKind.Size && stems.Count > 0 && size.Length == 0)
            {
                size = token.At.Of(text);
                i++;
                break;
            }

            if (token.Kind == TokenKind.Number)
            {
                if (stems.Count > 0 && names.IsNumbered(stems[^1], token.Text))
                {
                    stems.Add(token.Text);
                    last = i;
                    continue;
                }

                break;
            }

            if (token.Kind != TokenKind.Word || !IsContent(i)) break;
            var word = token.Text;
            // "The pump's two mounting bolts".
            if (stems.Count > 0 && NumberWords.Parse(word) is { } many
                && tokens[i - 1].Text.EndsWith("'s", StringComparison.Ordinal) && many is > 0 and < 200)
            {
                count = (int)many;
                continue;
            }

            // "Cylinder bolts x2".
            if (stems.Count > 0 && word.Length is 2 or 3 && word[0] == 'x' && int.TryParse(word.AsSpan(1), out var times))
            {
                count = times;
                i++;
                break;
            }

            if (stems.Count > 0 && NumberWords.Parse(word) is not null) break;
            // "4 bolts cover off": so many, and then what they held.
            if (stems.Count == 1 && count > 1 && tokens[i - 1].Text.EndsWith('s') && Trade.Plain.Contains(stems[0]) && Trade.IsThing(word)) break;
            // "The two bolts nearest to you".
            if (stems.Count > 0 && Trade.Distinct.Contains(word) && Word(i + 1) == "to") break;
            // "If the rotor's rusted on": it is.
            // "The cable's floppy enough".
            if (stems.Count > 0 && Bare(tokens[i - 1].Text) != tokens[i - 1].Text && Word(i + 1) == "enough") break;
            if (stems.Count > 0 && Bare(tokens[i - 1].Text) != tokens[i - 1].Text && (Trade.Trouble.Contains(word)
                || Trade.NounOf([Stem.Of(word)]) is null && Trade.VerbsOf(word).Any(f => f.Form == Form.Ed) && !(i + 1 < to && IsContent(i + 1)))) break;
            if (stems.Count > 0 && (Ends(i, to, determined) || Trade.Told.Contains(word) && !(i + 1 < to && IsContent(i + 1)))) break;
            if (stems.Count > 0 && Trade.Results.Contains(word) && !(i + 1 < to && IsContent(i + 1)) && !names.IsHead(Stem.Of(word))) break;
            // "A helper pump …", "the other two follow …": who does it, and the verb.
            if (stems.Count > 0 && Trade.NounOf(stems) is { Role: NounRole.Person }
                && (Trade.VerbsOf(word).Length > 0 || i + 1 < to && Word(i + 1) is "the" or "a" or "an" or "it" or "them")) break;
            if (stems.Count == 0 && (rest || count is not null) && determined && Trade.VerbsOf(word).Any(v => v.Form is Form.Base or Form.S) && !IsThingAt(i) && i + 1 < to && Trade.IsSmall(Word(i + 1))) break;
            // "Drain the sump hot".
            if (stems.Count > 0 && word is "hot" or "cold" or "warm" && !(i + 1 < to && IsContent(i + 1))) break;
            // "Let the jack right down", "both nuts first": behind the name it is no part of it.
            if (stems.Count > 0 && Trade.Adverbs.Contains(word) && !names.IsHead(Stem.Of(word))) break;
            if (stems.Count > 0 && (Trade.New.Contains(word) || word is "somewhere" or "several")) break;
            // "Let blade and spacer drop".
            if (stems.Count > 0 && Trade.IsBase(word) && Trade.NounOf([Stem.Of(word)]) is { Role: NounRole.Words }
                && !Trade.IsCompound(stems[^1], Stem.Of(word)) && Trade.NounOf(stems) is { Role: NounRole.Thing }
                && (i + 1 >= to || tokens[i + 1].Kind == TokenKind.Mark)) break;
            // "With a 13 mm socket lift the cover out".
            if (stems.Count > 0 && Trade.IsBase(word) && Trade.NounOf(stems) is { Kinds: [ThingKind.Tool, ..] } && i + 1 < to
                && Word(i + 1) is "the" or "a" or "an" or "its" or "their" && !names.IsHead(Stem.Of(word))) break;
            // "Let the caliper hang by its hose", "should the bearing show wear": it hangs, it shows.
            if (stems.Count > 0 && from > 0 && Word(from - 1) is "let" or "letting" or "should" && Trade.IsBase(word)
                // "Let the dam drop down", but "let a drop of oil fall".
                && (Trade.NounOf([Stem.Of(word)]) is null || Trade.ItMoves.Contains(word) && (i + 1 >= to || Trade.Paths.Contains(Word(i + 1))))
                && !names.IsHead(Stem.Of(word))) break;
            // "The smaller one innermost": where, and no thing.
            if (stems.Count == 0 && !determined && word.EndsWith("most", StringComparison.Ordinal) && Trade.Stances.Contains(word)
                && !Continues(i + 1, to)) return null;
            if (first < 0) first = i;
            last = i;
            stems.Add(Stem.Of(word));
        }

        if (stems.Count > 0 && depth < 2 && Trade.Distinct.Contains(Word(i)) && Word(i + 1) == "to"
            && Read(i + 2, to, "to", depth + 1) is { } near) i = near.Next;
        while (stems.Count > 0 && i < to && Trade.Told.Contains(Word(i)) && !(i + 1 < to && IsContent(i + 1))) i++;
        // "Seal's next": the seal is.
        if (stems.Count > 0 && last >= 0 && Bare(tokens[last].Text) is var spoken && spoken != tokens[last].Text) stems[^1] = Stem.Of(spoken);
        // "A wet one", "the rusty ones": told by how it is.
        if (stems.Count is 1 or 2 && Word(i) is "one" or "ones" && Word(i + 1) is not ("at" or "by")
            && Trade.NounOf(stems) is not { Role: NounRole.Thing } && !names.IsHead(stems[^1]))
        {
            var how = new Span(tokens[first].At.Start, tokens[i].At.End - tokens[first].At.Start).Of(text).ToLowerInvariant();
            var such = Pronoun(from, i + 1, after, Word(i), Word(i) == "ones", rest, count, all, isNew) with
            {
                Distinct = stems,
                Sign = (indefinite
                || !determined) && Enumerable.Range(first, last - first + 1).Any(k => Trade.Trouble.Contains(tokens[k].Text)) ? how : ""
            };
            return (such, i + 1);
        }

        if (stems.Count == 0 || last < 0)
        {
            // "All four", "both", "the other two", "the last": who they are was said before.
            // "Remove these".
            if (pointing.Length > 0 && stems.Count == 0 && count is null
                && (i >= to || tokens[i].Kind == TokenKind.Mark || Trade.Conjunctions.Contains(Word(i))
                || Trade.Paths.Contains(Word(i)) || pointing is "these" or "those" && i == from + 1 && Trade.Auxiliaries.Contains(Word(i))))
            {
                var many = pointing is "these" or "those";
                // "Those on the cover".
                var there = pointing == "those" && Word(i) is "on" or "of" or "at" && Trade.Determiners.Contains(Word(i + 1));
                return (Pronoun(from, i, after, there ? "those" : many ? "them" : "it", many, rest, null, all, isNew), i);
            }

            // "Take out eight and leave the others".
            var alone = count is > 1 && i == from + 1 && tokens[from].Kind == TokenKind.Word && (after is null || Trade.Paths.Contains(after))
                && (i >= tokens.Count || tokens[i].Kind is TokenKind.Mark or TokenKind.Stop || Word(i) is "and" or "then" or "but"
                || Word(i) == "by" && Word(i + 1) is "hand" or "hands"
                // "Two are taken out, four slackened".
                || Word(i) is "are" || IsDoneAlone(i)
                || Word(i) is "out" or "in" or "off" or "on" && (i + 1 >= tokens.Count || tokens[i + 1].Kind != TokenKind.Word || Trade.Conjunctions.Contains(Word(i + 1))));
            if (!(all || rest || alone || sign.Length > 0 && i < to && Trade.Relatives.Contains(Word(i)) || some is not null && some != 0 || count is not null
                && determined) || i == from) return null;
            return (Pronoun(from, i, after, "them", count is null or > 1, rest, count, all, isNew) with { Some = some, Distinct = distinct, IsOld = isOld }, i);
        }

        // "Every 20 cm": how far, and no thing; "20 mL of brake fluid" is.
        if (first > 0 && Word(last + 1) != "of" && tokens[first - 1].Kind == TokenKind.Number && Trade.Units.Contains(tokens[first].Text)
            && !names.IsHead(stems[^1])
            && Trade.NounOf([stems[^1]]) is not { Role: NounRole.Thing }) return null;
        // "Go over the nuts again cold": how.
        if (!determined && !isNew && stems.Count == 1 && tokens[last].Text is "cold" or "hot" or "warm" or "clean" or "fresh" && !names.IsHead(stems[0])) return null;
        // "Peened or glued up", "the number of turns you counted": a verb alone is no thing.
        if (!determined && !isNew && stems.Count > 1 && Enumerable.Range(first, last - first + 1).All(k => Trade.IsBase(tokens[k].Text) && Trade.NounOf([Stem.Of(tokens[k].Text)]) is null) && !names.IsHead(stems[^1])) return null;
        if (!determined && !isNew && stems.Count == 1 && !names.IsHead(stems[0]) && Trade.NounOf(stems) is null
            && !Trade.NounsInIng.Contains(tokens[last].Text) && Trade.VerbsOf(tokens[last].Text) is { Length: > 0 } verbs
            && (verbs.All(v => v.Form is Form.Ed or Form.Ing) || after is null
            && verbs.All(v => v.Form is Form.Base or Form.Ed or Form.S))) return null;
        if (named >= 0 && stems.Count > 0 && stems.TrueForAll(distinct.Contains) && !names.IsHead(stems[^1]))
        {
            // "The upper", "the lower pair": told apart, the name was said before.
            return (Pronoun(from, i, after, Word(last), count > 1 || plural, rest, count, all, isNew) with { Some = some, Distinct = distinct, Text = new Span(tokens[first].At.Start, tokens[last].At.End - tokens[first].At.Start).Of(text).ToLowerInvariant() }, i);
        }

        // "The lot", "all four corners": those that were spoken of.
        if (stems is ["lot"] && tokens[last].Text == "lot" && determined && !indefinite && (i >= to || !Continues(i, to) && Word(i) != "of"))
            return (Pronoun(from, i, after, "them", true, false, null, true, isNew), i);
        if (stems[^1] == "corner" && stems.TrueForAll(s => s == "corner" || distinct.Contains(s)) && (all || count is not null) && Word(i) != "of")
            return (Pronoun(from, i, after, "them", true, rest, count, all, isNew) with { Some = some }, i);

        // "All the bolts but the upper one": so many less.
        if (all && Word(i) is "but" or "except" && Read(i + 1, to, null, depth + 1) is { } left && (left.Phrase.IsPronoun || left.Phrase.Head == stems[^1]))
        {
            some = -(left.Phrase.Count ?? 1);
            all = false;
            i = left.Next;
        }

        // "The disc's screw", "the hub's nut": whose it is.
        List<string> owner = [];
        var ownerName = "";
        var nameFrom = first;
        for (var k = first; k < last; k++)
        {
            var word = tokens[k].Text;
            if (!word.EndsWith("'s", StringComparison.Ordinal)) continue;
            owner = [.. Enumerable.Range(first, k - first + 1).Select(x => Stem.Of(Bare(tokens[x].Text)))];
            ownerName = string.Join(' ', Enumerable.Range(first, k - first + 1).Select(x => Bare(Written(x))));
            nameFrom = count is not null && k + 2 <= last && NumberWords.Parse(tokens[k + 1].Text) is not null ? k + 2 : k + 1;
            // "The cover's M8 bolts".
            if (nameFrom < last && size.Length == 0 && Sized(tokens[nameFrom].Text)) size = tokens[nameFrom++].Text;
            stems = [.. Enumerable.Range(nameFrom, last - nameFrom + 1).Where(x => !Trade.Neutral.Contains(tokens[x].Text)
                || Trade.IsCompound(tokens[x].Text, Stem.Of(Word(x + 1)))).Select(x => Stem.Of(tokens[x].Text))];
            // "The tray's slots", "the cover's edge": a place on it is the thing itself.
            if (Trade.NounOf(stems) is { Role: NounRole.Words } || Trade.PlacesOn.Contains(stems[^1]) || Trade.Relational.Contains(stems[^1]))
            {
                (stems, owner, ownerName, nameFrom, last) = (owner, [], "", first, k);
                foreach (var x in Enumerable.Range(0, stems.Count)) stems[x] = Stem.Of(Bare(tokens[first + x].Text));
            }

            break;
        }

        // "The oil level" is the oil's, "the wheel nut torque" the nuts'.
        if (stems.Count > 1 && (stems[^1] is "level" or "function" or "operation"
            || tokens[last].Text is "torque" or "torques" or "tightness" && Trade.NounOf([.. stems[..^1]]) is { Kinds: [ThingKind.Joint, ..] }))
        {
            stems.RemoveAt(stems.Count - 1);
            last--;
        }

        if (its && stems.Count <= 2 && (Trade.PlacesOn.Contains(stems[^1]) || stems is ["end"]) || determined && count is null && stems.Count == 1
            && Trade.PlacesOn.Contains(stems[0]) && !names.IsHead(stems[0]) && Word(i) != "of")
            return (Pronoun(from, i, after, "it", plural: false, rest: false, null, false, false), i);
        var head = Bare(tokens[last].Text);
        plural |= head.EndsWith('s') && !head.EndsWith("ss", StringComparison.Ordinal) && stems[^1] != head;
        var at = new Span(tokens[nameFrom].At.Start, tokens[last].At.End - tokens[nameFrom].At.Start - (tokens[last].Text.Length - head.Length));
        // "Some of the bolts" is asked about as it is said.
        if (vague) at = new Span(tokens[from].At.Start, tokens[last].At.End - tokens[from].At.Start);
        // "The nuts of the wheel", "the bolts on the carrier", "the back of the hub".
        var next = i;
        if (depth < 2 && Word(i) == "of" && i + 1 < to && Read(i + 1, to, "of", depth + 1) is { Phrase: { IsPronoun: false } of, Next: var ofNext } && of.Stems.Count > 0
            && !SideWords.IsSide(of.At.Of(text)))
        {
            // "A length of chain", "a loop of wire": what it is of.
            if (stems[^1] is "mix" or "mixture" or "solution" or "length" or "loop" or "piece" or "strip" or "bit" or "turn"
                && !names.IsHead(stems[^1])) return (of with { After = after, IsIndefinite = true }, ofNext);
            var place = Trade.NounOf(stems) is { Role: NounRole.Place or NounRole.Words } || stems[^1] is "ring" or "length" or "line";
            // "The edge of the cover" is the cover; "the top half of the shroud" is no whole shroud.
            var compound = stems.Count > 1 && Trade.IsCompound(stems[^2], stems[^1]);
            if (!compound && (Trade.Relational.Contains(stems[^1]) || Trade.PlacesOn.Contains(stems[^1]))) return (of with { After = after }, ofNext);
            if (place && (of.Is(ThingKind.Consumable) || of.Is(ThingKind.Fluid))) return (of with { After = after }, ofNext);
            if (!place)
            {
                (owner, ownerName) = ([.. of.Stems], of.Name);
                isOld |= of.IsOld;
                next = ofNext;
            }
        }
        else if (owner.Count == 0 && (Word(i) is "on" or "off" or "from" or "at" || Trade.Holding.Contains(Word(i))
            || Word(i) is "in" or "around" or "round" or "along" or "through" or "for" && Word(i + 1) is "the" or "its")
            && (Trade.Hardware.Contains(stems[^1]) ? ThingKind.Joint : Trade.NounOf(stems)?.Kinds.FirstOrDefault(ThingKind.Fluid)) is var likely
                && (likely is ThingKind.Joint or ThingKind.Part
                // "The zip tie holding the harness".
                || Trade.Holding.Contains(Word(i)) && likely is ThingKind.Consumable or ThingKind.Connection or ThingKind.Aid)
            && (likely == ThingKind.Joint || Word(i).EndsWith("ing", StringComparison.Ordinal)) && depth < 2
            && Read(i + 1, to, Word(i), depth + 1) is { Phrase: { IsPronoun: false } on } && on.Stems.Count > 0
            && Trade.NounOf(on.Stems)?.Role is not (NounRole.Place or NounRole.Words or NounRole.Person)
            && (Word(i) is "on" or "off" or "from" or "at" or "in" || Trade.Holding.Contains(Word(i)) || on.Is(ThingKind.Part)
                || names.Resolve(on.Stems).One is Part))
        {
            // "The nuts off three of the bolts": the bolts, as many as are said.
            if (Word(i) == "off" && IsFastener(on) && (on.Some is not null || on.Count is not null || on.IsAll))
                return (on with { After = after, At = new Span(tokens[nameFrom].At.Start, on.At.End - tokens[nameFrom].At.Start) },
                i + 1 < to ? Read(i + 1, to, "off", depth + 1)!.Value.Next : i);
            // Whose it is, but still read as a place of its own.
            (owner, ownerName) = ([.. on.Stems], on.Name);
            // "The bolts attaching the valve to the bracket": told of the bolts, and nothing is done to it.
            if (Word(i).EndsWith("ing", StringComparison.Ordinal)) next = Read(i + 1, to, Word(i), depth + 1)!.Value.Next;
        }

        // "Four bolts a side".
        if (Word(next) is "a" or "per" or "each" && Word(next + 1) is "side" or "end" or "corner" && next + 2 <= to) next += 2;
        // "The bolts that hold the guard".
        if (owner.Count == 0 && depth < 2 && Word(i) is "that" or "which"
            && Trade.Holds.Contains(Word(i + 1))
            && Read(i + 2, to, "of", depth + 1) is { Phrase: { IsPronoun: false } held, Next: var past } && held.Stems.Count > 0)
            (owner, ownerName, next) = ([.. held.Stems], held.Name, past);
        var phrase = new NounPhrase(at, at.Of(text).ToLowerInvariant(), stems)
        {
            After = after,
            Name = NameOf(nameFrom, last),
            IsPlural = plural || count > 1,
            Count = count,
            Some = some,
            IsRest = rest,
            IsAll = all,
            IsNew = isNew,
            IsOld = isOld,
            IsIndefinite = indefinite || !determined && !isOld,
            Distinct = distinct,
            Owner = owner,
            OwnerName = ownerName,
            IsIts = its,
            Size = size,
            IsVague = vague,
            Sign = sign,
        };
        return (phrase, next);
    }

    // "… slackened", "… slackened only": what was done, and nothing it is done to stands behind.
    private bool IsDoneAlone(int i) => Trade.VerbsOf(Word(i)) is { Length: > 0 } forms && Array.TrueForAll(forms, f => f.Form == Form.Ed)
        && (i + 1 >= tokens.Count || tokens[i + 1].Kind is TokenKind.Mark or TokenKind.Stop || Trade.Conjunctions.Contains(Word(i + 1))
            || Word(i + 1) is "only" or "out" or "off" or "in" or "on" || Word(i + 1) == "by" && Word(i + 2) is "hand");

    private NounPhrase Pronoun(int from, int to, string? after, string word, bool plural, bool rest, int? count, bool all, bool isNew)
    {
        var at = new Span(tokens[from].At.Start, tokens[Math.Max(from, to - 1)].At.End - tokens[from].At.Start);
        return new NounPhrase(at, word, []) { After = after, IsPronoun = true, IsPlural = plural, IsRest = rest, Count = count, IsAll = all, IsNew = isNew };
    }

    // "The pump slides on without force": on, and no more is told of where.
    private bool GoesAway(int way, int to) => Word(way) is "on" or "in" && (way + 1 >= to || tokens[way + 1].Kind == TokenKind.Mark
        || Word(way + 1) is "without" or "with" or "by");

    // A past participle behind a noun, or a verb form before the end, is no part of the name: "its nut tightened to …".
    private bool Ends(int i, int to, bool determined)
    {
        var word = tokens[i].Text;
        var forms = Trade.VerbsOf(word);
        // "The fluid stands between the marks".
        if (forms.Any(f => f.Form == Form.S || f.Form == Form.Base && Trade.NounOf([Stem.Of(word)]) is not { Role: NounRole.Thing }
            && (i + 1 >= to || tokens[i + 1].Kind != TokenKind.Word || Trade.IsSmall(tokens[i + 1].Text)))
            && Trade.NounOf([Stem.Of(tokens[i - 1].Text)]) is { Kinds: [ThingKind.Fluid, ..] }) return true;
        if (forms.Length == 0 || names.IsHead(Stem.Of(word)) || Trade.NounsInIng.Contains(word)
            // "A wire loop".
            || i > 0 && Trade.IsCompound(tokens[i - 1].Text, Stem.Of(word))) return false;
        var next = i + 1 < to ? tokens[i + 1] : default;
        var noun = Trade.NounOf([Stem.Of(word)]) is { Kinds.Length: > 0 };
        // "The grease cap taps off": what is done with a tool of that name.
        if (noun && forms.Any(f => f.Form == Form.S) && Trade.NounOf([Stem.Of(word)]) is { Kinds: [ThingKind.Tool, ..] }
            && next.Kind == TokenKind.Word && next.Text is "off" or "out" or "in" or "on" or "home") return true;
        // "Let the hose bundle hang".
        if (forms.Any(f => f.Form == Form.Base) && !noun && !Trade.IsAlsoNoun(word) && Trade.NounOf([Stem.Of(tokens[i - 1].Text)]) is not { Role: NounRole.Words }
            && (next.Text is null || next.Kind is TokenKind.Mark or TokenKind.Stop)) return true;
        if (forms.Any(f => f.Form is Form.Ed or Form.Ing) && !noun) return next.Text is null || next.Kind != TokenKind.Word
            || Trade.IsSmall(next.Text) || Trade.Adverbs.Contains(next.Text)
                // "The bore wiped clean", "the wheel turned several times".
                || Trade.Qualities.Contains(next.Text) || Trade.Results.Contains(next.Text) || next.Text == "several"
                    || NumberWords.Parse(next.Text) is not null;
        if (forms.Any(f => f.Form is Form.S) && !noun && !Trade.IsAlsoNoun(Stem.Of(word)) && (next.Text is null || next.Kind == TokenKind.Mark)) return true;
        if (forms.Any(f => f.Form is Form.S) && !noun && next.Text is not null
            && next.Kind is TokenKind.Number or TokenKind.Angle or TokenKind.Torque or TokenKind.Time) return true;
        if (forms.Any(f => f.Form is Form.S) && !noun) return next.Text is not null && next.Kind == TokenKind.Word
            && (Trade.IsSmall(next.Text) || Trade.Adverbs.Contains(next.Text) || next.Text == "true") && !Trade.Conjunctions.Contains(next.Text)
            && (!Trade.IsAlsoNoun(Stem.Of(word)) || GoesAway(i + 1, to) || next.Text is not ("of" or "in" or "on" or "from" or "with" or "at"));
        // "With a deep socket take two of them off".
        if (forms.Any(f => f.Form is Form.Base) && !noun && !Trade.IsAlsoNoun(word) && next.Text is not null
            && (next.Kind is TokenKind.Number or TokenKind.Torque or TokenKind.Angle || next.Kind == TokenKind.Word
            && (Trade.Determiners.Contains(next.Text) || Trade.Pronouns.Contains(next.Text)
            || NumberWords.Parse(next.Text) is not null))) return true;
        // "Half the bolts turn on": a base form behind a plural.
        return i > 0 && tokens[i - 1].Text.EndsWith('s') && !noun && next.Text is not null && next.Kind == TokenKind.Word
            && (Trade.Paths.Contains(next.Text) || Trade.Determiners.Contains(next.Text) || next.Text is "it" or "them" || forms.Any(f => f.Form == Form.Base)
            && next.Text is "behind" or "under" or "beside" or "between" or "against");
    }

    private bool Continues(int i, int to) => i < to && (IsContent(i)
        || tokens[i].Kind is TokenKind.Number or TokenKind.Size && i + 1 < to && IsContent(i + 1)
        || tokens[i].Kind == TokenKind.Word && NumberWords.Parse(tokens[i].Text) is not null);

    private bool IsSizeUnit(int i, int to) => i < to && tokens[i].Kind == TokenKind.Word && tokens[i].Text is "mm" or "in" or "inch" or "-inch" or "\"" && i + 1 < to && IsContent(i + 1) && !Trade.IsSmall(tokens[i + 1].Text)
        // "To 75 in two goes".
        && !(tokens[i].Text == "in" && NumberWords.Parse(tokens[i + 1].Text) is not null);

    private static bool Sized(string word) => word.Length > 1 && (word[0] is 'm' or 't' or 'e' && char.IsAsciiDigit(word[1]))
        || word.Length > 1 && char.IsAsciiDigit(word[0]) && (word.EndsWith("mm", StringComparison.Ordinal) || word.Any(c => c is '/' or 'x' or '×'));

    private static string Bare(string word) => word.EndsWith("'s", StringComparison.Ordinal) || word.EndsWith("’s", StringComparison.Ordinal) ? word[..^2] : word;

    private string Written(int i)
    {
        // What was put in stands nowhere in the text.
        var word = tokens[i].At.Length == 0 ? tokens[i].Text : tokens[i].At.Of(text);
        if (Trade.InFull(word.ToLowerInvariant()) is { } full) return full;
        // "Rear pair", put as the rear bolts.
        if (word.ToLowerInvariant() is "pair" or "two" or "ones" && tokens[i].Text is not ("pair" or "two" or "ones")) return tokens[i].Text;
        // A capital that only begins the sentence is none of the name; "PTO" and "O-ring" are.
        var opens = i == 0 || tokens[i - 1].Kind == TokenKind.Stop;
        return opens && word.Length > 1 && char.IsUpper(word[0]) && word.Skip(1).All(c => !char.IsUpper(c)) && word[1] != '-' ? char.ToLowerInvariant(word[0]) + word[1..] : word.Length > 1 && word.All(c => char.IsUpper(c)) && text.All(c => !char.IsLower(c)) ? word.ToLowerInvariant() : word;
    }

    private string NameOf(int from, int to)
    {
        var name = new StringBuilder();
        for (var i = from; i <= to; i++)
        {
            // "Front two bolts": the number is none of the name.
            if (i > from && i < to && tokens[i - 1].Kind == TokenKind.Word && Trade.Distinct.Contains(tokens[i - 1].Text)
                && NumberWords.Parse(tokens[i].Text) is not null) continue;
            if (tokens[i].Kind == TokenKind.Word && (Trade.Neutral.Contains(tokens[i].Text) && !Trade.IsCompound(tokens[i].Text, Stem.Of(Word(i + 1)))
                || Trade.Conjunctions.Contains(tokens[i].Text)) && i < to) continue;
            if (name.Length > 0) name.Append(' ');
            name.Append(i == to ? Bare(Written(i)) : Written(i));
        }

        return name.ToString();
    }
}
