using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Cuts a text into clauses: who is told to do what, under which proviso, and what is only said.</summary>
internal sealed class ClauseFinder
{
    private readonly string _text;
    private readonly NameIndex _names;
    private readonly List<Token> _tokens;
    private readonly NounFinder _nouns;
    private readonly List<Clause> _clauses = [];

    // Of the sentence being read: what holds for all that follows in it, and where it ends.
    private Proviso? _proviso;
    private Proviso? _carried;
    private int _end;

    public ClauseFinder(string text, NameIndex names)
    {
        (_text, _names) = (text, names);
        _tokens = Tokenizer.Tokenize(text, names);
        _nouns = new NounFinder(text, _tokens, names);
    }

    /// <summary>The tokens of the text.</summary>
    public IReadOnlyList<Token> Tokens => _tokens;

    /// <summary>The clauses of the text, in order. They cover every word of it.</summary>
    public List<Clause> Find()
    {
        for (var start = 0; start < _tokens.Count;)
        {
            var end = start;
            while (end < _tokens.Count && _tokens[end].Kind != TokenKind.Stop) end++;
            if (end > start) Sentence(start, end);
            start = end + 1;
        }

        return _clauses;
    }

    private void Sentence(int start, int end)
    {
        _end = end;
        _proviso = _carried;
        _carried = null;
        var asks = end < _tokens.Count && _tokens[end].Text.StartsWith('?');
        // "What holds the nut? A split pin": asked to be answered, and no sign of anything.
        if (asks && IsAsking(start))
        {
            _clauses.Add(Condition(start - 1, end));
            return;
        }

        if (asks)
        {
            // "Too low? Turn it over": the question is the sign for what follows.
            _carried = new Proviso(Words(start, end), false, Place(start, end));
            _clauses.Add(Condition(start - 1, end));
            return;
        }

        var first = _clauses.Count;
        var asked = _proviso;
        Clause? open = null;
        for (var i = start; i < end;)
        {
            var at = SkipLead(i);
            if (at >= end)
            {
                if (open is not null) open.To = end;
                break;
            }

            // "Flange nuts: with a socket take two of them off": what follows a colon begins anew.
            if (open is { Mood: Mood.Fragment } && at > start && Colon(at - 1) && _tokens[at].Kind == TokenKind.Word
                && Trade.Prepositions.Contains(_tokens[at].Text)) open = null;

            if (HingesOff(at) is { } hinged)
            {
                hinged.Proviso = _proviso;
                Add(hinged);
                open = hinged;
                i = hinged.To;
                continue;
            }

            // "On the left post the bolts are removed": where, then what.
            if (open is null && (at == i || Colon(at - 1)) && _tokens[at].Kind == TokenKind.Word && Trade.Prepositions.Contains(_tokens[at].Text)
                && !Trade.Temporals.Contains(_tokens[at].Text) && !IsPurposeAt(at) && !IsConditionAt(at) && !IsOtherTime(at)
                && _nouns.Read(at + 1, end, _tokens[at].Text) is { } where && where.Next < end
                && !(Is(at, "with") && (Trade.VerbsOf(_tokens[where.Next].Text).Any(f => f.Form == Form.Ed) || StateEnd(where.Next) is not null)))
            {
                // "From the pump take out the bolts": the verb is no part of the name.
                var ends = where.Next - at > 2 && Trade.IsBase(_tokens[where.Next - 1].Text) && _tokens[where.Next].Kind == TokenKind.Word
                    && Trade.Paths.Contains(_tokens[where.Next].Text) && Trade.NounOf([Stem.Of(_tokens[where.Next - 1].Text)]) is null
                    && _names.Resolve(where.Phrase.Stems).One is null ? where.Next - 1 : where.Next;
                var beside = new Clause(Mood.Beside, at, ends) { IsRemark = true };
                Fill(beside, at, ends);
                Add(beside);
                i = ends;
                continue;
            }

            // "(It weighs more than it looks)".
            if (_tokens[at - (at > i ? 1 : 0)] is { Kind: TokenKind.Mark, Text: "(" } && _tokens[at].Kind == TokenKind.Word && Closing(at) is { } closing
                && !(open is not null && SideWords.IsSide(Words(at, closing))))
            {
                Add(new Clause(Mood.Beside, at, closing) { IsRemark = true });
                open?.Gaps.Add((at, closing));
                i = closing + 1;
                continue;
            }

            var next = Begin(at, open, i) ?? (open is not null && at > i && IsUnheard(at) ? Unknown(at) : null);
            if (next is null)
            {
                // "Square it, then 45 N·m": not of what is squared.
                if (open is { Mood: Mood.Imperative, Verb: { } former } && at > start && IsBoundary(at - 1) && _tokens[at].Kind == TokenKind.Torque
                    && !Has(open.From, at, i => _tokens[i].Kind is TokenKind.Torque or TokenKind.Number)
                    && !former.Frames.Any(f => f.Sense is Sense.Torque or Sense.Retorque or Sense.TurnOn or Sense.BoltTorque or Sense.Start or Sense.On or Sense.Snug or Sense.Secure or Sense.Connect))
                {
                    open = new Clause(Mood.Fragment, at, NextBoundary(at + 1)) { Proviso = _proviso };
                    Add(open);
                }

                // Goes on with what is open; a sentence that begins with nothing known is said.
                if (open is null && (Has(at, end, i => _tokens[i].Kind is TokenKind.Torque or TokenKind.Angle)
                    || _tokens[NextBoundary(at) - 1].Kind == TokenKind.Number) && !Commands(at)
                    && !Has(at, Math.Min(end, at + 2), i => _tokens[i].Kind == TokenKind.Word && Trade.Auxiliaries.Contains(_tokens[i].Text)))
                {
                    open = new Clause(Mood.Fragment, i, NextBoundary(at)) { Proviso = _proviso };
                    Add(open);
                }
                else if (open is null)
                {
                    open = Commands(at) ? Unknown(at) : new Clause(Mood.Declarative, at, NextBoundary(at)) { IsRemark = Tells(at, NextBoundary(at)) };
                    Add(open);
                }

                else if (at > start && IsBoundary(at - 1) && Commands(at) && Trade.VerbsOf(_tokens[at].Text).Length == 0
                    && Trade.NounOf([Stem.Of(_tokens[at].Text)]) is null && !_tokens[at].Text.EndsWith("ing", StringComparison.Ordinal))
                {
                    // "… and frob the nut loose": told to do what nobody knows, and not passed over.
                    open = Unknown(at);
                    Add(open);
                }

                open.To = NextBoundary(at);
                i = open.To;
                if (i < end && i == at) i++;
                continue;
            }

            if (next.Proviso is null && next.Mood != Mood.Beside) next.Proviso = _proviso;
            Add(next);
            // "Leak at the joint: shut down and tighten it", "machines with a cab: …": a sign for what follows.
            if (next is { Mood: Mood.Fragment } && next.To < end && Colon(next.To)
                && (Trade.Trouble.Contains(_tokens[at].Text) || _tokens[at].Text is "too" or "still"
                    || _nouns.Read(at, next.To, null) is { Phrase: { IsPlural: true } of } && Trade.Versions.Contains(of.Head)))
            {
                _proviso = new Proviso(Words(at, next.To), false, Place(at, next.To));
                next.Proviso = null;
            }

            if (open is not null && (next.Mood == Mood.Beside || next.Negated)) open.Gaps.Add((next.From, next.To));
            if (next.Mood != Mood.Beside && !(next.Negated && open is not null)) open = next;
            i = Math.Max(next.To, at + 1);
        }

        // "Stuck? Do not pry; draw it": the sign holds until something is done.
        if (asked is not null && _clauses.Count > first && _clauses.Skip(first).All(c => c.Negated)) _carried = asked;
    }

    private bool IsAsking(int at)
    {
        if (Is(at, "now") || Is(at, "so") || Is(at, "and")) at++;
        return at < _end && _tokens[at].Text is "what" or "what's" or "who" or "why" or "which" or "how";
    }

    // "… and it hinges off".
    private Clause? HingesOff(int at)
    {
        var word = _tokens[at].Text;
        return word is "it" or "they" && at > 0 && (IsBoundary(at - 1) || Trade.Conjunctions.Contains(_tokens[at - 1].Text)) && at + 2 < _end
            && _tokens[at + 1].Kind == TokenKind.Word && _tokens[at + 2].Text is "off" or "out" or "away"
            && (at + 3 >= _end || _tokens[at + 3].Kind == TokenKind.Mark || _tokens[at + 3].Text == "and")
            && !Trade.Auxiliaries.Contains(_tokens[at + 1].Text) && _tokens[at + 1].Text.EndsWith('s') == (word == "it")
            ? new Clause(Mood.Imperative, at, at + 3) { VerbAt = at + 1, Verb = Trade.VerbsOf("remove")[0].Verb } : null;
    }

    private int? Closing(int from)
    {
        for (var i = from; i < _end; i++)
            if (_tokens[i] is { Kind: TokenKind.Mark, Text: ")" }) return i;
        return null;
    }

    private void Add(Clause clause) => _clauses.Add(clause);

    // Marks, "and", "then" and adverbs that lead a clause in.
    private int SkipLead(int i)
    {
        while (i < _end)
        {
            var t = _tokens[i];
            if (t.Kind == TokenKind.Mark || t.Kind == TokenKind.Word && (Trade.Conjunctions.Contains(t.Text) || IsLeadAdverb(i))) i++;
            else if (t.Kind == TokenKind.Word && LeadIn(i) is { } told) return told;
            else break;
        }

        return i;
    }

    // "Make sure you", "it is time to", "you will need to", "the technician should": the verb behind is what is told.
    private int? LeadIn(int at)
    {
        if (After(Trade.LeadIns, at) is { } behind && ToldAt(Behind(behind)) is { } said) return said;
        if (AskedToHelp(at) is { } helped) return helped;
        var i = Is(at, "the") && at + 1 < _end ? at + 1 : at;
        if (_tokens[i].Kind != TokenKind.Word || !Trade.ToldWho.Contains(_tokens[i].Text)) return null;
        var from = ++i;
        // "You and a helper".
        if (Is(i, "and") && _nouns.Read(i + 1, _end, null) is { } mate && Trade.NounOf(mate.Phrase.Stems) is { Role: NounRole.Person }
            && ToldAt(mate.Next) is { } both) return both;
        while (i < _end && _tokens[i].Kind == TokenKind.Word && Trade.ToldHow.Contains(_tokens[i].Text)) i++;
        // "You should be able to slide it in with one finger": how it ought to be.
        if (Has(from, i, j => Is(j, "should")) && Has(from, i, j => Is(j, "able"))) return null;
        // "It is time for the bolts to be removed".
        if (i > from && Is(i, "for") && i + 1 < _end && IsDetermined(i + 1) && _nouns.Read(i + 1, _end, null) is { } due
            && ToBeDone(due.Next) is not null) return i + 1;
        // "You can", "you must" alone are read as they stand; "you will" tells what comes, "it is to" what becomes of it.
        var isIt = _tokens[at].Text is "it" or "it's" or "it'll";
        var isWorth = !isIt || Has(from, i, j => Trade.Worth.Contains(_tokens[j].Text));
        var isTold = from - 1 > at || isWorth && Has(from, i, j => _tokens[j].Text == "to");
        return i > from && isTold ? ToldAt(i) : null;
    }

    // "Ask somebody to help you remove it": it is removed.
    private int? AskedToHelp(int at)
    {
        if (_tokens[at].Text is not ("ask" or "get" or "have" or "let") || _nouns.Read(at + 1, _end, null) is not { } who
            || Trade.NounOf(who.Phrase.Stems) is not { Role: NounRole.Person }) return null;
        var help = Is(who.Next, "to") ? who.Next + 1 : who.Next;
        if (!Is(help, "help")) return null;
        var told = Is(help + 1, "you") || Is(help + 1, "us") ? help + 2 : help + 1;
        return ToldAt(Is(told, "to") ? told + 1 : told);
    }

    // "… to be carefully removed": the verb.
    private int? ToBeDone(int at)
    {
        if (!Is(at, "to") || !Is(at + 1, "be")) return null;
        var verb = at + 2;
        while (verb < _end && _tokens[verb].Kind == TokenKind.Word && _tokens[verb].Text.EndsWith("ly", StringComparison.Ordinal)) verb++;
        return verb < _end && Done(verb) is not null ? verb : null;
    }

    // The token behind words that stand together; null where none of them begin here.
    private int? After(PhraseList phrases, int at)
    {
        if (at >= _end || _tokens[at].Kind != TokenKind.Word) return null;
        foreach (var words in phrases.From(_tokens[at].Text))
            if (at + words.Length <= _end && words.Index().All(w => Is(at + w.Index, w.Item))) return at + words.Length;
        return null;
    }

    // Past a comma: "after that, remove it".
    private int Behind(int at) => at + 1 < _end && _tokens[at] is { Kind: TokenKind.Mark, Text: "," } ? at + 1 : at;

    // The verb that is told, past adverbs, or what says that it is not to be done.
    private int? ToldAt(int i)
    {
        while (i < _end && _tokens[i].Kind == TokenKind.Word && !Trade.IsBase(_tokens[i].Text)
            && (Trade.Adverbs.Contains(_tokens[i].Text) || _tokens[i].Text.EndsWith("ly", StringComparison.Ordinal))) i++;
        if (i >= _end || _tokens[i].Kind != TokenKind.Word) return null;
        return Is(i, "never") || Is(i, "don't") || Is(i, "do") && Is(i + 1, "not")
            || Trade.IsBase(_tokens[i].Text) && (!Trade.Auxiliaries.Contains(_tokens[i].Text) || Is(i, "get") && i + 1 < _end && IsDetermined(i + 1))
            || IsUnheard(i) ? i : null;
    }

    // A word in a verb's place that nobody knows, with what it is done to behind it: "zork the cover".
    private bool IsUnheard(int i) => i < _end && Commands(i) && IsNoWordOfIt(_tokens[i].Text)
        && !_tokens[i].Text.EndsWith("ing", StringComparison.Ordinal) && _tokens[i].Text is not [.., not 's', 's'];

    // "After zorking the cover".
    private bool IsUnheardDoing(int i) => i < _end && Commands(i) && IsNoWordOfIt(_tokens[i].Text) && _tokens[i].Text is [_, _, _, .., 'i', 'n', 'g'];

    private bool IsNoWordOfIt(string word) => word.Length > 2 && !word.EndsWith("ly", StringComparison.Ordinal) && word.All(char.IsLetter)
        && Trade.VerbsOf(word).Length == 0 && Trade.NounOf([Stem.Of(word)]) is null && !_names.IsHead(Stem.Of(word));

    private bool IsLeadAdverb(int i)
    {
        var word = _tokens[i].Text;
        if (word.Length > 4 && word.EndsWith("ly", StringComparison.Ordinal) && Trade.VerbsOf(word).Length == 0 && word is not ("assembly" or "supply")
            && !IsConditionAt(i)) return true;
        // "Next the bolts: out", "first bolts out" of more than one.
        if (word is "first" or "next" && i + 1 < _end && _tokens[i + 1].Kind == TokenKind.Word && (i == 0 || IsBoundary(i - 1))
            && (_tokens[i + 1].Text == "the" || IsPlainNote(i + 1))) return true;
        // "First pass", "last bolt" belong to a noun; "first, …" leads in.
        if (word is "first" or "last" or "next" or "finally") return i + 1 < _end
            && (_tokens[i + 1].Kind == TokenKind.Mark || IsTeller(i + 1) || Trade.IsBase(_tokens[i + 1].Text)
            // "Last bolt out".
            && !(Trade.NounOf([_tokens[i + 1].Text]) is { Kinds: [ThingKind.Joint, ..] } && i + 2 < _end && Trade.Paths.Contains(_tokens[i + 2].Text)));
        // "a) remove it; b) fit it".
        if (word.Length == 1 && i + 1 < _end && _tokens[i + 1] is { Kind: TokenKind.Mark, Text: ")" } && (i == 0 || _tokens[i - 1].Kind != TokenKind.Word)
            && !(i > 0 && _tokens[i - 1] is { Kind: TokenKind.Mark, Text: "(" })) return true;
        return word is "then" or "always" or "now" or "also" or "again" or "please" or "meanwhile" or "lastly" or "afterwards" or "just" or "only"
            or "so" or "here" or "either" or "both" && i + 1 < _end && (Trade.IsBase(_tokens[i + 1].Text) || IsUnheard(i + 1) || word == "now"
            && _tokens[i + 1].Kind == TokenKind.Word && (Trade.Pronouns.Contains(_tokens[i + 1].Text) || Trade.Determiners.Contains(_tokens[i + 1].Text)));
    }

    // "Bolts out", "bracket bolts off": more than one of what is named, and no more than the way.
    private bool IsPlainNote(int i)
    {
        var past = i;
        while (past < _end && past < i + 4 && _tokens[past].Kind == TokenKind.Word && !Trade.IsSmall(_tokens[past].Text)) past++;
        return past > i && past < _end && Trade.Comes.Contains(_tokens[past].Text) && _tokens[past - 1].Text.EndsWith('s')
            && Trade.NounOf([Stem.Of(_tokens[past - 1].Text)]) is { Role: NounRole.Thing };
    }

    // The clause that begins at a token; null where the words there go on with what is open.
    private Clause? Begin(int at, Clause? open, int from)
    {
        var word = _tokens[at].Kind == TokenKind.Word ? _tokens[at].Text : "";
        if (After(Trade.LeftAlone, at) is { } alone) return LeftAlone(at, alone);
        if (word == "after" && Is(at + 1, "which") && at + 2 < _end) return Said(at + 2, null, at + 2);
        // "Then it's 48 N·m on the first round": a value is no remark.
        if (Trade.Contractions.Contains(word) && Has(at, NextBoundary(at + 1), i => _tokens[i].Kind == TokenKind.Torque))
            return new Clause(Mood.Fragment, at, NextBoundary(at + 1));
        // "Being careful not to spill it", "careful not to bend the tab": how, and to the end of the sentence.
        if (word == "being" || word == "taking" && Is(at + 1, "care") || word == "careful" && at > 0 && _tokens[at - 1].Kind == TokenKind.Mark)
            return new Clause(Mood.Beside, at, SubordinateEnd(at)) { IsRemark = true };
        // "Nobody stands underneath".
        if (word is "nobody" or "no-one") return new Clause(Mood.Beside, at, NextBoundary(at + 1)) { IsRemark = true, Negated = true };
        if (Trade.Contractions.Contains(word)) return new Clause(Mood.Declarative, at, NextBoundary(at + 1)) { IsRemark = true };
        // "There is not much room".
        if (word == "there" && at + 1 < _end && Trade.Auxiliaries.Contains(_tokens[at + 1].Text))
            return new Clause(Mood.Declarative, at, NextBoundary(at + 2)) { VerbAt = at + 1, IsRemark = true };
        if (open is not null && MannerEnd(at) is { } how) return new Clause(Mood.Beside, at, how) { IsRemark = true };
        if (IsWithout(at)) return new Clause(Mood.Beside, at, NextBoundary(at + 2)) { IsRemark = true, Negated = true };
        if (BeginBy(at) is { } begun) return begun;
        if (Turned(at, open) is { } turned) return turned;
        if (MadeSure(at) is { } sure) return sure;
        if (IsOtherTime(at) || IsToldElsewhere(at)) return new Clause(Mood.Beside, at, _end) { IsRemark = true };
        if ((Is(at, "failure") || Is(at, "failing")) && Is(at + 1, "to") || Is(at, "else") && Is(at - 1, "or"))
            return new Clause(Mood.Beside, at, _end) { IsRemark = true };
        if (IsTooMuch(at) || IsBoundary(at - 1) && IsLookUp(at)) return new Clause(Mood.Beside, at, NextBoundary(at + 1)) { IsRemark = true };
        if (IsAlsoDone(at) is { } more) return new Clause(Mood.Imperative, at, NextBoundary(more + 1)) { VerbAt = more, Verb = DoneBy(more) };
        // "Using a torque wrench set to 25 N·m": how the tool is.
        if (word == "set" && at > 0 && !IsBoundary(at - 1) && (Is(at + 1, "to") || Is(at + 1, "at")) && _clauses is [.., { Mood: Mood.Beside }])
            return new Clause(Mood.Beside, at, NextBoundary(at + 2)) { IsRemark = true };
        // "Off with the four nuts", "on with the cover".
        // "Up and out with a drift": no more than the way.
        var goesOnSo = open is { Mood: Mood.Imperative } && Is(at - 1, "and") && at > 1 && _tokens[at - 2].Kind == TokenKind.Word
            && Trade.Paths.Contains(_tokens[at - 2].Text);
        if (!goesOnSo && word is "off" or "out" or "on" or "away" && Is(at + 1, "with") && at + 2 < _end)
            return new Clause(Mood.Imperative, at, NextBoundary(at + 2)) { VerbAt = at + 1, Verb = Trade.VerbsOf(word == "on" ? "fit" : "remove")[0].Verb };
        if (IsByDoing(at) && Participle(at + 1, open, from) is { } means) return means;
        if (Purpose(at, open) is { } purpose) return purpose;
        if (DoneByThen(at, SubordinateEnd(at), open) is { } before) return before;
        // "… before torquing it to 18 N·m": told by the way.
        if (word == "before" && open is not null && at + 1 < _end && DoneBy(at + 1) is { } next
            && Has(at + 2, SubordinateEnd(at), i => _tokens[i].Kind == TokenKind.Torque)
            && !Has(at + 2, _end, i => Is(i, "step") || Is(i, "steps") || Is(i, "later")))
            return new Clause(Mood.Imperative, at, NextBoundary(at + 2)) { VerbAt = at + 1, Verb = next };
        if (Subordinate(at, open) is { } sub) return sub;
        // "All the way down, stand out".
        if (word is "all-the-way" or "right" && Is(at + 1, "down") && (at + 2 >= _end || _tokens[at + 2].Kind == TokenKind.Mark)
            && IsBoundary(at - 1)) return new Clause(Mood.Imperative, at, at + 2) { VerbAt = at, Verb = Trade.VerbsOf("lower")[0].Verb };
        if (word is "otherwise" or "else")
        {
            _proviso = new Proviso("otherwise", true, _tokens[at].At);
            // "…, otherwise the drum won't come": a clause of its own.
            return open is not null && at + 1 < _end && SkipLead(at + 1) < _end ? Begin(SkipLead(at + 1), null, at) : null;
        }

        if (Negative(at, open) is { } not) return not;
        // "The pins are greased and fitted", "… and, if worn, pressed out and replaced": more that is done to the same.
        if (word.Length > 0 && IsBoundary(at - 1) && (Subject(open) || open is { Mood: Mood.Passive, Negated: false } && Is(at - 1, "and"))
            && !_nouns.IsThingAt(at)
            && Trade.VerbsOf(word) is { Length: > 0 } done && Array.Find(done, f => f.Form == Form.Ed) is { Verb: { } also }
            // "The axle is lifted and put down on stands": as the words behind it tell.
            && (!Array.Exists(done, f => f.Form == Form.Base) || Subject(open) && at + 1 < _end && _tokens[at + 1].Kind == TokenKind.Word
                && !IsDetermined(at + 1) && (Trade.Paths.Contains(_tokens[at + 1].Text) || Trade.Prepositions.Contains(_tokens[at + 1].Text)))
            && !Trade.NounsInIng.Contains(word))
            return new Clause(Mood.Passive, at, NextBoundary(at + 1)) { VerbAt = at, Verb = also, IsFull = open!.IsFull, Of = open.Of ?? open };
        // "The bolts stay in place, but are to be checked": of them.
        if (word is "is" or "are" && IsBoundary(at - 1) && open is { Mood: Mood.Declarative or Mood.Passive, Negated: false } && ToBeDone(at + 1) is { } still)
            return new Clause(Mood.Passive, at, NextBoundary(still + 1)) { VerbAt = still, Verb = Done(still), IsFull = true, Of = open.Of ?? open };
        // "With the trailer standing on its wheels and empty, …": how it stands.
        if (Trade.Qualities.Contains(word) && Is(at - 1, "and") && (at + 1 >= _end || _tokens[at + 1].Kind == TokenKind.Mark)
            && _clauses.Count > 0 && _clauses[^1] is { Mood: Mood.Beside, IsRemark: true }) return new Clause(Mood.Beside, at, at + 1) { IsRemark = true };
        if (IsBoundary(at - 1) && Trade.IsBase(word) && ToldBelow(at) is { } below) return new Clause(Mood.Beside, at, below) { IsRemark = true };
        if (Causative(at) is { } caused) return caused;
        if (Imperative(at, open, from) is { } told) return told;
        if (Participle(at, open, from) is { } beside) return beside;
        return Said(at, open, from);
    }

    // "In the usual way", "in a cross pattern", "according to the manual": how, and not where it goes. The end of these words.
    private int? MannerEnd(int i)
    {
        if (Is(i, "according") && Is(i + 1, "to")) return _nouns.Read(i + 2, _end, "to")?.Next;
        return (Is(i, "in") || Is(i, "by")) && i + 1 < _end && IsDetermined(i + 1) && _nouns.Read(i + 1, _end, _tokens[i].Text) is { } manner
            && Trade.Manners.Contains(manner.Phrase.Head) && manner.Phrase.Owner.Count == 0
            // "In the way it came out".
            && !(manner.Phrase.Head == "way" && Is(manner.Next, "the"))
            ? manner.Next < _end && _tokens[manner.Next] is { Kind: TokenKind.Word, Text: "it" or "they" or "you" or "that" }
                ? SubordinateEnd(manner.Next) : manner.Next : null;
    }

    // "Later the bolts will be tightened", "in step 20 we tighten them": not now.
    private bool IsOtherTime(int at) => IsBoundary(at - 1) && (Is(at, "later") && (Is(at + 1, "on") ? at + 2 : at + 1) is var told && told < _end
        && (_tokens[told].Kind == TokenKind.Mark && !Colon(told) || IsDetermined(told) || IsTeller(told)) || Is(at, "in") && Is(at + 1, "step")
        || Is(at, "in") && (Is(at + 1, "a") || Is(at + 1, "the")) && (Is(at + 2, "later") || Is(at + 2, "next")) && Is(at + 3, "step"));

    // "Install valve 2 as described below": told there. The end of these words.
    private int? ToldBelow(int at)
    {
        var near = Math.Min(_end - 2, at + LongestList);
        for (var i = at + 1; i < near; i++)
            if (Is(i, "as") && Trade.ToldOf.Contains(_tokens[i + 1].Text) && !Is(i + 1, "shown")
                && _tokens[i + 2].Text is "below" or "overleaf" or "hereafter" or "later") return i + 3;
        return null;
    }

    // "How to tighten them is shown on page 12", "see page 12 for …", "for tightening them see page 12", "earlier editions said to …",
    // "the tightening of the bolts is described later": told elsewhere.
    private bool IsToldElsewhere(int at)
    {
        if (!IsBoundary(at - 1) || _tokens[at].Kind != TokenKind.Word) return false;
        if (Is(at, "how") && Is(at + 1, "to")) return true;
        if (Is(at, "for") && DoneBy(at + 1) is not null && Has(at + 2, _end, IsLookUp)) return true;
        if (Trade.IsBase(_tokens[at].Text) && !IsDetermined(at)) return false;
        for (var i = at + 1; i < _end && i < at + 6 && _tokens[i].Kind == TokenKind.Word; i++)
        {
            // "The torque specified is …", "bolts recommended by the maker": which, and nobody says anything.
            if (Trade.SaidOnce.Contains(_tokens[i].Text))
                return !Is(i - 1, "as") && (Is(i + 1, "to") || Is(i + 1, "that") || i + 1 < _end && _tokens[i + 1].Kind == TokenKind.Torque);
            if (Trade.Auxiliaries.Contains(_tokens[i].Text)) break;
        }

        return NamedWork.Names(_tokens, at) && Has(at, _end, i => (Is(i, "is") || Is(i, "are")) && i + 1 < _end && Trade.ToldOf.Contains(_tokens[i + 1].Text));
    }

    // "See page 12", "refer to section 4".
    private bool IsLookUp(int i) => (Is(i, "see") || Is(i, "consult") || Is(i, "refer") && Is(i + 1, "to"))
        && Has(i + 1, Math.Min(_end, i + 4), k => _tokens[k].Kind == TokenKind.Word && Trade.Passages.Contains(_tokens[k].Text));

    // "More than 25 N·m would strip them", "anything over 25 N·m will …".
    private bool IsTooMuch(int at)
    {
        if (!IsBoundary(at - 1)) return false;
        var i = Is(at, "anything") ? at + 1 : at;
        i = (Is(i, "more") || Is(i, "less")) && Is(i + 1, "than") ? i + 2 : Is(i, "over") || Is(i, "above") || Is(i, "below") || Is(i, "under") ? i + 1 : _end;
        return i + 1 < _end && _tokens[i].Kind == TokenKind.Torque && _tokens[i + 1].Text is "would" or "will" or "can" or "may" or "might" or "could";
    }

    // "Followed by removing the cover": the verb of what is also done.
    private int? IsAlsoDone(int i) => After(Trade.AlsoDone, i) is { } at && DoneBy(at) is not null ? at : null;

    // "As well as the hose": the thing it is also done to. But "together with the hub": that comes along.
    private int? ToMore(int i) => After(Trade.AlsoDone, i) is { } at && at < _end && IsDetermined(at) && !Is(at - 1, "with") ? at : null;

    private TradeVerb? DoneBy(int at) => at >= _end || Trade.NounsInIng.Contains(_tokens[at].Text) ? null
        : Array.Find(Trade.VerbsOf(_tokens[at].Text), f => f.Form == Form.Ing && IsWork(f.Verb)).Verb;

    // What changes something, or is put on it.
    private static bool IsWork(TradeVerb verb) => Trade.MayChange(verb) || verb.Frames.Any(f => f.Sense == Sense.Treat);

    // "Avoid turning the hub", "resist the temptation to pry it off": said, not done.
    private Clause LeftAlone(int at, int verb)
    {
        // "There is no need to remove the hose and drain the oil": neither. "Avoid contact with the oil and remove the hose": that is told.
        var end = _tokens[verb - 1].Text is "to" or "not" or "should" or "needn't" ? NegativeEnd(verb) : SubordinateEnd(verb - 1);
        var clause = new Clause(Mood.Imperative, at, end) { Negated = true, VerbAt = Math.Min(verb, _end - 1) };
        Fill(clause, verb + 1, clause.To);
        return clause;
    }

    private bool IsTeller(int i) => i < _end && _tokens[i].Kind == TokenKind.Word && _tokens[i].Text is "you" or "we" or "i" or "he" or "she";

    // "Without scratching the paint", "no matter how dirty": how, and nothing that is done.
    private bool IsWithout(int i) => Is(i, "no") && Is(i + 1, "matter")
        || Is(i, "without") && i + 1 < _end && _tokens[i + 1].Kind == TokenKind.Word
            && _tokens[i + 1].Text.EndsWith("ing", StringComparison.Ordinal)
            // "Without marking the shaft".
            && (!Trade.NounsInIng.Contains(_tokens[i + 1].Text) || i + 2 < _end && IsDetermined(i + 2));

    // "Begin by removing the cover", "finish with tightening the bolts".
    private Clause? BeginBy(int at)
    {
        if (_tokens[at].Kind != TokenKind.Word || !Trade.Begins.Contains(_tokens[at].Text)) return null;
        var by = Is(at + 1, "off") || Is(at + 1, "up") ? at + 2 : at + 1;
        return (Is(by, "by") || Is(by, "with")) && by + 2 < _end && _tokens[by + 1].Kind == TokenKind.Word
            && Array.Find(Trade.VerbsOf(_tokens[by + 1].Text), f => f.Form == Form.Ing) is { Verb: { } doing }
            ? new Clause(Mood.Imperative, at, NextBoundary(by + 2)) { VerbAt = by + 1, Verb = doing }
            : (Is(by, "by") || Is(by, "with")) && IsUnheardDoing(by + 1)
                ? new Clause(Mood.Imperative, at, NextBoundary(by + 2)) { VerbAt = by + 1, IsUnknown = true } : null;
    }

    // "Now are the bolts removed", "only then may the cover be lifted off".
    private Clause? Turned(int at, Clause? open)
    {
        var verb = at;
        while (verb < _end && _tokens[verb].Text is "only" or "now" or "then" or "next" or "afterwards") verb++;
        if (open is not null || verb == at && !(Is(at - 1, "then") || Is(at - 1, "next") || Is(at - 1, "now")) || verb + 1 >= _end
            || _tokens[verb].Text is not ("is" or "are" or "can" or "may" or "must") || !IsDetermined(verb + 1)
            || _nouns.Read(verb + 1, _end, null) is not { } what) return null;
        var done = what.Next;
        while (done < _end && (Is(done, "be") || _tokens[done].Text.EndsWith("ly", StringComparison.Ordinal))) done++;
        return done < _end && Done(done) is { } passive
            ? new Clause(Mood.Passive, verb + 1, NextBoundary(done + 1)) { VerbAt = done, Verb = passive, IsFull = true } : null;
    }

    // "Make sure that the bolts are removed", "see to it that the cover is off": done by then; where it was not before, it is told here.
    private Clause? MadeSure(int at)
    {
        if (After(Trade.MakesSure, at) is not { } what || what >= _end || !IsDetermined(what) || _nouns.Read(what, _end, null) is not { } noun
            || noun.Phrase.Is(ThingKind.Control) || _names.Resolve(noun.Phrase.Stems).One is Control
            || noun.Next >= _end || _tokens[noun.Next].Text is not ("is" or "are" or "has" or "have")) return null;
        var verb = noun.Next + 1;
        while (verb < _end && (Is(verb, "been") || Is(verb, "all") || Is(verb, "both") || _tokens[verb].Text.EndsWith("ly", StringComparison.Ordinal))) verb++;
        return verb < _end && Done(verb) is { } done
            ? new Clause(Mood.Passive, what, NextBoundary(verb + 1)) { VerbAt = verb, Verb = done, IsFull = true, IfNotYet = true } : null;
    }

    // What has been said of somebody, in full: "the pins are greased".
    private static bool Subject(Clause? open) => open is { Mood: Mood.Passive, IsFull: true, Negated: false };

    // "To settle them", "to protect the threads": why; "to drain the oil": it runs out.
    private Clause? Purpose(int at, Clause? open)
    {
        // "Use a pry bar to zork the cover".
        if (Is(at, "to") && IsUnheard(at + 1) && open?.Verb?.Lemma is "use" or "need")
            return new Clause(Mood.Imperative, at, NextBoundary(at + 2)) { VerbAt = at + 1, IsUnknown = true };
        if (!IsPurposeAt(at)) return null;
        var verb = Trade.VerbsOf(_tokens[at + 1].Text).First(f => f.Form == Form.Base).Verb;
        // "Get ready to lift it off", "prepare to lower it": not yet.
        var isAhead = Is(at - 1, "ready") || IsFarEnough(at) || open?.Verb?.Lemma == "prepare";
        // "You will need a pry bar to remove it", "it takes two people to lift it".
        var needs = open is { Mood: Mood.Declarative, IsRemark: true } && (IsTeller(open.From) || Is(open.From, "it"))
            && Has(open.From, at, i => _tokens[i].Text is "need" or "needs" or "takes");
        if (!isAhead && (needs || verb.Lemma == "drain" || open?.Verb?.Lemma is "use" or "make" or "remember" or "take" or "need" or "be" or "try"
            || open is { Mood: Mood.Imperative }
            && (Has(at + 2, NextBoundary(at + 2), i => _tokens[i].Text is "out" or "off") || Takes(verb) && (Is(at - 1, "enough") || Is(at + 2, "it") || Is(at + 2, "them")))))
            return new Clause(Mood.Imperative, at, NextBoundary(at + 2)) { VerbAt = at + 1, Verb = verb, IsNeed = needs || open?.Verb?.Lemma == "need" };
        var clause = new Clause(Mood.Beside, at, NextBoundary(at + 2)) { VerbAt = at + 1, IsRemark = true };
        Fill(clause, at + 2, clause.To);
        return clause;
    }

    // "Raise it high enough to get the wheel off": so far, and that is not done yet.
    private bool IsFarEnough(int at) => at > 0 && _tokens[at - 1].Kind == TokenKind.Word
        && _tokens[at - 1].Text.EndsWith("-enough", StringComparison.Ordinal);

    // "Turn it to remove it", "lower it just enough to take out the spring": done in the same go.
    private static bool Takes(TradeVerb verb) => verb.Frames[^1].Sense is Sense.Off or Sense.On or Sense.Disconnect or Sense.Connect or Sense.Loosen or Sense.BreakLoose;

    private bool IsPurposeAt(int at) => Is(at, "to") && at + 2 < _end && _tokens[at + 1].Kind == TokenKind.Word && Trade.IsBase(_tokens[at + 1].Text)
        && (_tokens[at + 2].Kind == TokenKind.Word && (Trade.Determiners.Contains(_tokens[at + 2].Text)
            || Trade.Pronouns.Contains(_tokens[at + 2].Text)) || !Trade.IsAlsoNoun(_tokens[at + 1].Text) && _tokens[at + 2].Kind == TokenKind.Word
            && !Trade.IsSmall(_tokens[at + 2].Text));

    // "Or lift it off with a hoist": another way to do what stands before.
    private Proviso? Otherwise(int from, int at, Clause? open)
    {
        if (open is null) return null;
        for (var i = from; i < at; i++)
            if (_tokens[i].Kind == TokenKind.Word && _tokens[i].Text == "or") return new Proviso("done the other way", true, Place(at, NextBoundary(at)));
        return null;
    }

    // --- if, when, which: what is said of another clause
    private Clause? Subordinate(int at, Clause? open)
    {
        var token = _tokens[at];
        if (token.Kind != TokenKind.Word) return null;
        var word = token.Text;
        var conditional = Trade.Conditionals.Contains(word) || IsConditionAt(at) && (open is null || word != "assuming")
            || word == "should" && (open is null || _tokens[Math.Max(0, at - 1)].Kind == TokenKind.Mark)
            || word == "where" && (at + 1 < _end && Trade.Trouble.Contains(_tokens[at + 1].Text)
                || Has(at + 1, Math.Min(_end, at + 4), i => Trade.Trouble.Contains(_tokens[i].Text)))
            || (word == "when" || word == "where" && IsBoundary(at - 1)) && SpeaksOfTrouble(at + 1, SubordinateEnd(at)) || IsWhereItIs(at);
        var temporal = IsTemporalAt(at) || word == "that" && Is(at - 1, "now") || word == "so" && Is(at + 1, "that") || word == "in" && Is(at + 1, "order");
        if (Discarded(at, open) is { } thrown) return thrown;
        if (Trade.Relatives.Contains(word) && open is not null && (word != "that" || at + 1 < _end && IsFinite(at + 1))) temporal = true;
        if (word == "with" && open is null && !_nouns.IsThingAt(at + 1)) temporal = true;
        if (word is "after" or "before" && open is not null && !IsBoundary(at - 1) && !Has(at, SubordinateEnd(at), IsFinite)
            && !(at + 1 < _end && _tokens[at + 1].Text is "you" or "anybody" or "anyone" or "they" or "we")) return null;
        if (!conditional && !temporal) return null;
        var end = BoundEnd(at) ?? SubordinateEnd(at);
        // "After 20 minutes go round once more": no more than the time.
        if (!conditional && word is "after" or "before" && at + 1 < _end && !Has(at + 1, end, i => _tokens[i].Kind == TokenKind.Word && Trade.Pronouns.Contains(_tokens[i].Text)))
        {
            var upTo = _tokens[at + 1].Kind == TokenKind.Time ? at + 2 : _nouns.Read(at + 1, _end, word)?.Next ?? end;
            while (upTo < end && _tokens[upTo].Kind == TokenKind.Time) upTo++;
            if (upTo < end && upTo > at + 1 && open is null && _tokens[upTo].Kind == TokenKind.Word
                && Trade.Determiners.Contains(_tokens[upTo].Text)) end = upTo;
            if (upTo < end && _tokens[upTo].Kind == TokenKind.Word && Trade.IsBase(_tokens[upTo].Text)) end = upTo;
        }

        if (!conditional)
        {
            // "Before you start", "as it comes off": said. But "after 20 minutes" and "while turning the hub" are read.
            // "While you bring the nut up to 40 N·m" tightens it.
            // "… while you pull up on it and it comes off".
            if (word is "while" or "as" && at + 2 < _end && _tokens[at + 1].Text is "you" && Trade.VerbsOf(_tokens[at + 2].Text) is { Length: > 0 } forms)
            {
                var comes = _tokens.FindIndex(at + 3, Math.Max(0, end - at - 4), t => t is { Kind: TokenKind.Word, Text: "and" });
                if (comes > 0 && _tokens[comes + 1].Text is "it" or "they") end = comes;
                return new Clause(Mood.Imperative, at + 2, end) { VerbAt = at + 2, Verb = forms[0].Verb };
            }

            // "Hold the spring while a helper draws the bolt out".
            if (word == "while" && _nouns.Read(at + 1, end, null) is var (who, does) && does < end
                // "One of you holds the spring while the other drives the pin out".
                && (Trade.NounOf(who.Stems) is { Role: NounRole.Person } || who is { IsPronoun: true, IsRest: true } && open is not null
                    && Has(Math.Max(0, open.From - 3), at, i => Is(i, "one") && Is(i + 1, "of")))
                && Array.Find(Trade.VerbsOf(_tokens[does].Text), f => f.Form is Form.S or Form.Base) is { Verb: { } helping } && Trade.MayChange(helping))
                return new Clause(Mood.Imperative, does, end) { VerbAt = does, Verb = helping, HasHelper = true };
            // "…, while the hub nuts get 80 N·m": told of them.
            if (word is "while" or "whereas" && open is not null && Has(at + 1, end, i => _tokens[i].Kind == TokenKind.Torque)
                && _nouns.Read(at + 1, end, null) is { } others && _nouns.IsFastener(others.Phrase)) return new Clause(Mood.Fragment, at + 1, end);
            // "Hold the stud while removing the nut": that is what is done.
            if (word == "while" && at + 2 < _end && open is { Mood: Mood.Imperative, Verb: { } steadied }
                && (Trade.Steadies.Contains(steadied.Lemma) || !Trade.Changes(steadied))
                && Trade.VerbsOf(_tokens[at + 1].Text).FirstOrDefault(f => f.Form == Form.Ing) is { Verb: { } meanwhile } && Trade.MayChange(meanwhile)
                && (Trade.Changes(meanwhile) || NeedsWay(meanwhile) && Has(at + 2, end, i => Trade.Comes.Contains(_tokens[i].Text))))
                return new Clause(Mood.Imperative, at + 1, end) { VerbAt = at + 1, Verb = meanwhile };
            var clause = new Clause(Mood.Beside, at, end) { IsRemark = true };
            Fill(clause, at + 1, end);
            if (open is not null && word is "until" or "till" or "so" or "as" or "where" or "when") open.Reach = end;
            return clause;
        }

        if (IsDoneAnyway(at, end)) return new Clause(Mood.Beside, at, end) { IsRemark = true };
        var or = at > 0 && Is(at - 1, "or");
        var sign = SignOf(at, end);
        var proviso = new Proviso(sign, or, Place(at, end));
        // "Using a pry bar if necessary, remove it": so much for the bar.
        if (open is null && !IsBoundary(at - 1) && _clauses is [.., { Mood: Mood.Beside, IsRemark: true } beside] && beside.To == at) return Condition(at, end);
        // Before what it holds for, or after it: "tighten it slightly if the slots do not line up".
        var leads = open is null || IsBoundary(at - 1) && Goes(end);
        if (!leads && IsOfTheMeans(at)) return Condition(at, end);
        if (leads) _proviso = proviso;
        else
        {
            // "Topping it up if it is low": done under that condition alone.
            if (_clauses[^1] is { Mood: Mood.Beside, Verb: not null } trailing && Trade.Changes(trailing.Verb) && trailing.From > open!.From
                && IsBoundary(trailing.From - 1))
            {
                _clauses[^1] = new Clause(Mood.Imperative, trailing.From, trailing.To) { VerbAt = trailing.VerbAt, Verb = trailing.Verb, Proviso = proviso };
                return Condition(at, end);
            }

            for (var i = _clauses.Count - 1; i >= 0 && ReferenceEquals(open, _clauses[i]) is var last; i--)
            {
                _clauses[i].Proviso = proviso;
                if (last) break;
            }
        }

        return Condition(at, end);
    }

    // "Remove the gasket, which is then discarded": told of it.
    private Clause? Discarded(int at, Clause? open)
    {
        if (open is not { Mood: Mood.Imperative, Negated: false } || !Is(at, "which") || !IsBoundary(at - 1) || !(Is(at + 1, "is")
            || Is(at + 1, "are"))) return null;
        var verb = at + 2;
        while (verb < _end && (Trade.Adverbs.Contains(_tokens[verb].Text) || Is(verb, "to") || Is(verb, "be"))) verb++;
        return verb < _end && Array.Find(Trade.VerbsOf(_tokens[verb].Text), f => f.Form == Form.Ed).Verb is { } done
            && done.Frames.Any(f => f.Sense == Sense.Discard)
            ? new Clause(Mood.Passive, verb, NextBoundary(verb + 1)) { VerbAt = verb, Verb = done, IsFull = true, Of = open } : null;
    }

    // "After removing the bolts, …", "once you have removed them, …", "… once the bolts are removed", "with the bolts removed": that is
    // done by then; where it was not before, it is told here.
    private Clause? DoneByThen(int at, int end, Clause? open)
    {
        var from = Is(at, "as") && Is(at + 1, "soon") && Is(at + 2, "as") ? at + 3 : at + 1;
        // "When the bolts are out" tells of fasteners alone; "take care when the cover is removed" tells nothing.
        var when = Is(at, "when") && (open is null || open is { IsRemark: false, Verb: { } opened } && Trade.MayChange(opened) && _clauses[^1] == open
            && !Has(open.From, open.To, i => Is(i, "care")));
        if (!(Is(at, "after") || Is(at, "once") || when || from > at + 1 || Is(at, "with") && open is null) || from >= end) return null;
        Clause Told(Mood mood, int verbAt, TradeVerb verb, int begins, bool isOn = false) => new(mood, begins, end)
        {
            VerbAt = verbAt,
            Verb = verb,
            IsFull = mood == Mood.Passive,
            IfNotYet = true,
            IfOff = isOn,
            ComesFirst = open is not null,
        };
        if (Is(at, "after") && DoneBy(from) is { } doing) return Told(Mood.Imperative, from, doing, from);
        if (Is(at, "after") && IsUnheardDoing(from)) return new Clause(Mood.Imperative, from, end) { VerbAt = from, IsUnknown = true };
        // "Once you have removed them", "once you have them out".
        if (IsTeller(from) && Is(from + 1, "have") && from + 2 < end && Done(from + 2) is { } have) return Told(Mood.Imperative, from + 2, have, from);
        if (Is(at, "after") && IsTeller(from) && from + 1 < end
            && Array.Find(Trade.VerbsOf(_tokens[from + 1].Text), f => f.Form == Form.Base && Trade.MayChange(f.Verb)).Verb is { } does)
            return Told(Mood.Imperative, from + 1, does, from);
        // "Once they're out it lifts off": no comma between.
        var state = _tokens[from].Text is "they're" or "it's" or "that's" ? from + 1
            : _tokens[from].Text is "they" or "it" or "that" or "both" or "these" or "those"
            && (Is(from + 1, "is") || Is(from + 1, "are")) ? from + 2 : -1;
        if (open is null && state > 0 && StateEnd(state) is { } behind && behind < end
            && (IsDetermined(behind) || Is(behind, "it") || Is(behind, "they"))
            && Has(behind, end, IsFinite)) return new Clause(Mood.Beside, at, behind) { IsRemark = true };
        var got = IsTeller(from) && (Is(from + 1, "have") || Is(from + 1, "get"));
        if (got) from += 2;
        if (from >= end || !IsDetermined(from) || _nouns.Read(from, end, null) is not { } what) return null;
        if (when && !_nouns.IsFastener(what.Phrase)) return null;
        var be = what.Next < end && _tokens[what.Next].Text is "is" or "are" or "has" or "have";
        var verb = be ? what.Next + 1 : what.Next;
        if (Is(verb, "been")) verb++;
        // "Once its bolts are out", "with the cover in place".
        if ((be || got || Is(at, "with")) && StateEnd(verb) is { } past && (past == end || past < end && IsDetermined(past) && Has(past, end, IsFinite)))
        {
            end = past;
            var off = Trade.Comes.Contains(_tokens[verb].Text);
            return Told(Mood.Passive, verb, Trade.VerbsOf(off ? "remove" : "fit")[0].Verb, from, !off);
        }

        if (verb >= end || !(be || got || Is(at, "with")) || Done(verb) is not { } passive) return null;
        // "Once the bolts are removed the cover can be lifted off".
        if (verb + 1 < end && IsDetermined(verb + 1) && Has(verb + 2, end, IsFinite)) end = verb + 1;
        return Told(Mood.Passive, verb, passive, from);
    }

    // Behind the words that tell where something is: "out", "back on", "in place".
    private int? StateEnd(int at)
    {
        if (at >= _end || _tokens[at].Kind != TokenKind.Word) return null;
        if (Trade.Comes.Contains(_tokens[at].Text)) return at + 1;
        if (Is(at, "in") && (Is(at + 1, "place") || Is(at + 1, "position"))) return at + 2;
        return Is(at, "back") && (Is(at + 1, "on") || Is(at + 1, "in")) ? at + 2 : null;
    }

    private TradeVerb? Done(int at) => _tokens[at].Kind == TokenKind.Word
        ? Array.Find(Trade.VerbsOf(_tokens[at].Text), f => f.Form == Form.Ed && IsWork(f.Verb)).Verb : null;

    // What a condition says, without the words that lead it in; all of it where they are all it is: "as needed", "in that case".
    private string SignOf(int at, int end)
    {
        if (_tokens[at].Text is "should" or "unless" || IsVersion(at)) return Words(at, end);
        if (_tokens[at].Text == "as" && !Is(at + 1, "long")) return Words(at + 1, end);
        var from = After(Trade.Conditions, at) ?? at + 1;
        if (Is(from, "of") || Is(from, "that")) from++;
        return from < end && Words(from, end) is { Length: > 0 } sign ? sign : Words(at, end);
    }

    // "Slide it off, with a puller if it is tight", "… using a puller if necessary": so much for the tool, and it comes off anyway.
    private bool IsOfTheMeans(int at)
    {
        var with = at - 1;
        while (with > 0 && at - with < 7 && _tokens[with].Kind == TokenKind.Word && !Is(with, "with") && !Is(with, "using")) with--;
        return (Is(with, "using") || Is(with, "with") && (IsBoundary(with - 1) || IsAsNeeded(at + 1)))
            && _nouns.Read(with + 1, at, "with") is { } means && means.Next == at && means.Phrase.Is(ThingKind.Tool);
    }

    private bool IsAsNeeded(int at) => Is(at, "necessary") || Is(at, "needed") || Is(at, "required");

    // "If you have not already done so", "if not already done": no condition, the step tells it anyway. But "if the cover is not
    // already off" is one.
    private bool IsDoneAnyway(int at, int end) => (Is(end - 1, "already") && Has(at, end, IsTeller)
        || (Has(at, end, i => Is(i, "already")) || !Has(at, end, i => IsDetermined(i) && !Is(i, "this") && !Is(i, "that"))) && Has(at, end, i => Is(i, "done")))
        && Has(at, end, i => _tokens[i].Kind == TokenKind.Word
            && (Trade.Negations.Contains(_tokens[i].Text) || _tokens[i].Text is "haven't"));

    // "In case of damage", "provided that it is straight", "as needed", "on machines with a cab", "over 2 mm:".
    private bool IsConditionAt(int at) => After(Trade.Conditions, at) is not null && !IsWhileOff(at) && !(Is(at, "in")
        && IsPrecaution(at)) && !IsOptionalThing(at)
        || IsVersion(at) || BoundEnd(at) is not null;

    // "Where the seal is hard, fit a new one": where it is so. But "where the hose is clipped": a place.
    private bool IsWhereItIs(int at) => Is(at, "where") && IsBoundary(at - 1) && at + 1 < _end && IsDetermined(at + 1)
        && _nouns.Read(at + 1, _end, null) is { } what
        && what.Next + 2 < _end && _tokens[what.Next].Text is "is" or "are" && _tokens[what.Next + 1].Kind == TokenKind.Word
        && _tokens[what.Next + 2] is { Kind: TokenKind.Mark, Text: "," } && Trade.VerbsOf(_tokens[what.Next + 1].Text).Length == 0
        && !Trade.IsSmall(_tokens[what.Next + 1].Text);

    // "As long as the pump is out": while it is.
    private bool IsWhileOff(int at) => Is(at, "as") && Is(at + 1, "long") && SubordinateEnd(at) is var end && Trade.Comes.Contains(_tokens[end - 1].Text);

    // "Fit the optional bracket": which one.
    private bool IsOptionalThing(int at) => Is(at, "optional") && !(IsBoundary(at - 1) && (at + 1 >= _end || _tokens[at + 1].Kind == TokenKind.Mark));

    // "Wear gloves in case of splinters": what might be, and no condition; "replace it in case of damage" is one.
    private bool IsPrecaution(int at) => at > 0 && _tokens[at - 1].Kind != TokenKind.Stop && !SpeaksOfTrouble(at + 2, SubordinateEnd(at));

    // "On machines with a cab", "for the wide version": which of them it is told of.
    private bool IsVersion(int at) => _tokens[at].Text is "on" or "for" && _nouns.Read(at + 1, _end, _tokens[at].Text) is { Phrase: var of }
        && HeadOf(of) is { } head && Trade.Versions.Contains(head)
        && ((of.IsPlural || of.Text.Contains(head + "s", StringComparison.Ordinal))
            && !(Trade.Determiners.Contains(_tokens[at + 1].Text) && !Is(at + 1, "some")) || head is "model" or "version" or "variant");

    // "Tractors built before 2019": the tractors.
    private static string? HeadOf(NounPhrase phrase) => phrase.Stems.LastOrDefault(s => Trade.Versions.Contains(s) || Trade.NounOf([s]) is not null);

    // "Over 2 mm: fit a shim", "with more than 0.5 mm of play replace it": where it ends; null where it is none.
    private int? BoundEnd(int at)
    {
        var with = Is(at, "with");
        if (!IsBoundary(at - 1) || After(Trade.Bounds, with ? at + 1 : at) is not { } end || end >= _end
            || _tokens[end].Kind != TokenKind.Number) return null;
        while (end < _end && (_tokens[end].Kind == TokenKind.Number || Trade.Units.Contains(_tokens[end].Text))) end++;
        if (with) return Is(end, "of") && _nouns.Read(end + 1, _end, "of") is { } what ? what.Next : end;
        return end < _end && _tokens[end] is { Kind: TokenKind.Mark, Text: ":" or "→" or "–" or "—" or "," } ? end : null;
    }

    private Clause Condition(int at, int end)
    {
        var said = new Clause(Mood.Beside, Math.Max(at, 0), end) { IsRemark = true, IsProviso = true };
        Fill(said, at + 1, end);
        return said;
    }

    // True where words follow that a proviso can lead: the sentence does not end with it.
    private bool Goes(int end) => end < _end && SkipLead(end) < _end;

    private int SubordinateEnd(int at)
    {
        // "In that case undo the union".
        if (Is(at, "in") && Is(at + 2, "case") && IsImperativeAt(at + 3, afterMark: true)) return at + 3;
        for (var i = at + 1; i < _end; i++)
        {
            // "If necessary use a mallet".
            if (i == at + 2 && IsAsNeeded(at + 1) && IsImperativeAt(i, afterMark: true)) return i;
            // "While it's apart pull the bearing", "if it is worn replace it".
            // "Once it's on the floor give them 190".
            if (i > at + 2 && (IsState(i - 1) || Is(i - 1, "floor") || Is(i - 1, "ground") || Is(i - 1, "wheels") && Is(i - 2, "its"))
                && IsImperativeAt(i, afterMark: true) && i + 1 < _end && (IsDetermined(i + 1)
                || Trade.New.Contains(_tokens[i + 1].Text) || _tokens[i + 1].Text is "it" or "them" or "both" or "all")) return i;
            if (_tokens[i].Kind == TokenKind.Mark && _tokens[i].Text is not ("%" or "+" or "(" or ")"))
            {
                // "If the slots, or the hole, do not line up": a comma before more of the same is passed over only for lists of nouns.
                return i;
            }

            if (_tokens[i].Kind == TokenKind.Word && _tokens[i].Text is "and" or "then" or "but" && i + 1 < _end)
            {
                var next = SkipLead(i);
                if (next < _end && IsImperativeAt(next, afterMark: false)) return i;
            }
        }

        return _end;
    }

    // "Off", "apart", "open", "worn": how something is, with "is" before it or the name it is told of.
    private bool IsState(int i) => _tokens[i].Kind == TokenKind.Word && (Trade.Comes.Contains(_tokens[i].Text) || Trade.Qualities.Contains(_tokens[i].Text)
        || Trade.Trouble.Contains(_tokens[i].Text) || Trade.Spoilt.Contains(_tokens[i].Text)
            || _tokens[i].Text is "apart" or "there" or "down" or "up" or "cold");

    // "Once it moves" leads in; "once more", "once round" does not.
    // "When", "as", "the way the old one ran".
    // "The way it came", "the way your picture says".
    private bool IsTemporalAt(int i) => Is(i, "way") && Is(i - 1, "the") && i + 2 < _end
            && _tokens[i + 1].Text is "the" or "it" or "they" or "your" or "my" or "our" or "his" or "this" or "that" or "you" or "we" or "i"
        || Trade.Temporals.Contains(_tokens[i].Text) && !(_tokens[i].Text == "once" && (i + 1 >= _end || _tokens[i + 1].Kind != TokenKind.Word
        || _tokens[i + 1].Text is "more" or "again" or "round" or "around" or "and"));

    // A sign that something is wrong: negation, or a word of trouble.
    private bool SpeaksOfTrouble(int from, int to)
    {
        for (var i = from; i < to; i++)
            if (_tokens[i].Kind == TokenKind.Word && (Trade.Negations.Contains(_tokens[i].Text) || _tokens[i].Text.EndsWith("n't", StringComparison.Ordinal) || Trade.Trouble.Contains(_tokens[i].Text))) return true;
        return false;
    }

    // --- do not, never
    private Clause? Negative(int at, Clause? open)
    {
        var word = _tokens[at].Text;
        var verb = word is "don't" or "never" ? at + 1 : word is "do" && Is(at + 1, "not") || word == "not" && Is(at + 1, "to") ? at + 2
            : word == "not" ? at + 1 : -1;
        if (verb < 0 || word == "not" && !(verb < _end && _tokens[verb].Kind == TokenKind.Word
            && (Trade.VerbsOf(_tokens[verb].Text).Length > 0 || _tokens[verb].Text.EndsWith("ing", StringComparison.Ordinal)))) return null;
        // "Don't forget to fit the washer", "don't forget the chocks": told to.
        if (verb < _end && _tokens[verb].Text == "forget")
        {
            if (Is(verb + 1, "to") && verb + 2 < _end && Trade.IsBase(_tokens[verb + 2].Text)) return new Clause(Mood.Imperative, at, NextBoundary(verb + 3)) { VerbAt = verb + 2, Verb = Trade.VerbsOf(_tokens[verb + 2].Text).First(f => f.Form == Form.Base).Verb };
            return new Clause(Mood.Imperative, at, NextBoundary(verb + 1)) { VerbAt = verb, Verb = Trade.VerbsOf("forget")[0].Verb };
        }

        // A comma ends it: "don't pull the wheel: turn one sleeve out" goes on with what is done.
        var end = NegativeEnd(verb);
        // "Loosen, but do not remove, the six bolts": what is loosened stands behind it.
        if (open is { Mood: Mood.Imperative } && open.To == open.VerbAt + 1
            && Enumerable.Range(verb, end - verb).FirstOrDefault(i => _tokens[i] is { Kind: TokenKind.Mark, Text: "," }) is var comma and > 0) end = comma;
        var clause = new Clause(Mood.Imperative, at, end) { Negated = true, VerbAt = Math.Min(verb, _end - 1) };
        Fill(clause, verb + 1, clause.To);
        return clause;
    }

    // What "do not" reaches: to the next mark behind which somebody is told something else, or "but".
    private int NegativeEnd(int from)
    {
        for (var i = from; i < _end; i++)
        {
            if (_tokens[i].Kind == TokenKind.Mark && _tokens[i].Text is ":" or "–" or "—") return i;
            if (_tokens[i].Kind == TokenKind.Word && _tokens[i].Text is "but") return i;
            if (_tokens[i].Kind == TokenKind.Mark && _tokens[i].Text == ",")
            {
                var next = SkipLead(i);
                if (next < _end && IsImperativeAt(next, afterMark: true) && !Is(next - 1, "or")) return i;
                // "On to the next slot, never back, new cotters".
                if (next < _end && i <= from + 2 && Trade.New.Contains(_tokens[next].Text)) return i;
            }
        }

        return _end;
    }

    // --- remove the bolts
    private Clause? Imperative(int at, Clause? open, int from)
    {
        // "The faces are clean and free of paint", "until it is dry and clear".
        if (Trade.Qualities.Contains(_tokens[at].Text) && (_tokens[at].Text is "free" or "clear" && at + 1 < _end && _tokens[at + 1].Text is "of" or "from"
            || at > 1 && Is(at - 1, "and") && Trade.Qualities.Contains(_tokens[at - 2].Text) && open is not null
                && Has(open.From, at, i => _tokens[i].Kind == TokenKind.Word && Trade.Auxiliaries.Contains(_tokens[i].Text)))) return null;
        if (!IsImperativeAt(at, at == 0 || open is null || !Trade.Conjunctions.Contains(_tokens[at - 1].Text))) return null;
        var verb = Trade.VerbsOf(_tokens[at].Text).First(f => f.Form == Form.Base).Verb;
        // "Make sure the bolts are torqued to 25 N·m": what has to be so is said behind it.
        if (verb.Lemma == "make" && Is(at + 1, "sure") && at + 3 < _end && IsDetermined(at + 2)
            && Has(at + 3, NextBoundary(at + 3), i => _tokens[i].Kind == TokenKind.Torque))
            return new Clause(Mood.Imperative, at, at + 2) { VerbAt = at, Verb = Trade.VerbsOf("ensure")[0].Verb, Proviso = Otherwise(from, at, open) };
        // "Finish removing the nuts", "begin tightening them".
        if (GoingOn(at) is { } going)
            return new Clause(Mood.Imperative, at, NextBoundary(at + 2)) { VerbAt = at + 1, Verb = going, Proviso = Otherwise(from, at, open) };
        // "Loosen but do not remove the two bolts".
        if (Is(at + 1, "but") && Is(at + 2, "do") && Is(at + 3, "not") && at + 5 < _end
            && _tokens[at + 4].Kind == TokenKind.Word && Trade.IsBase(_tokens[at + 4].Text)
            && _nouns.Read(at + 5, _end, null) is not null)
        {
            var partly = new Clause(Mood.Imperative, at, NextBoundary(at + 5)) { VerbAt = at, Verb = verb, Proviso = Otherwise(from, at, open) };
            partly.Gaps.Add((at + 1, at + 5));
            return partly;
        }

        // "Remove and discard the gasket".
        var second = SkipLead(at + 1);
        if (Is(at + 1, "and") && second + 1 < _end && _tokens[second].Kind == TokenKind.Word && Trade.IsBase(_tokens[second].Text)
            && IsImperativeAt(second, afterMark: true) && _nouns.Read(second + 1, _end, null) is not null)
            return new Clause(Mood.Imperative, at, at + 1) { VerbAt = at, Verb = verb, Shares = true, Proviso = Otherwise(from, at, open) };
        // "Let it never be the tube": said, not done.
        var not = Has(at + 1, Math.Min(_end, at + 4), i => _tokens[i].Text is "never" or "not") && !Has(at + 1, Math.Min(_end, at + 3), i => _tokens[i].Kind == TokenKind.Mark);
        // "Crank until it spits", "tighten until no play can be felt".
        var alone = at + 2 < _end && _tokens[at + 1].Text is "until" or "till" && verb.Lemma != "wait";
        var end = alone ? at + 1 : NextBoundary(at + 1);
        // "…, but first undo the bolts".
        var first = open is { Mood: Mood.Imperative or Mood.Passive } && Is(at - 1, "first") && Is(at - 2, "but");
        return new Clause(Mood.Imperative, at, end) { VerbAt = at, Verb = verb, Negated = not, Proviso = Otherwise(from, at, open), ComesFirst = first };
    }

    // "Finish removing": what goes on; null where it is no such thing.
    private TradeVerb? GoingOn(int at) => Trade.GoesOn.Contains(_tokens[at].Text) && at + 2 < _end && _tokens[at + 1].Kind == TokenKind.Word
        && !_nouns.IsThingAt(at + 1) ? Array.Find(Trade.VerbsOf(_tokens[at + 1].Text), f => f.Form == Form.Ing && Trade.MayChange(f.Verb)).Verb : null;

    // "Have a helper hold the brake", "get somebody to steady the pump".
    private Clause? Causative(int at)
    {
        // "Get both bolts started", "have the battery disconnected".
        if (_tokens[at].Text is "get" or "have" && _nouns.Read(at + 1, _end, null) is var (what, then) && then < _end
            && _tokens[then].Kind == TokenKind.Word && Trade.NounOf(what.Stems)?.Role is null or NounRole.Thing
            && Trade.VerbsOf(_tokens[then].Text).FirstOrDefault(f => f.Form == Form.Ed) is { Verb: { } done })
            return new Clause(Mood.Passive, at + 1, NextBoundary(then + 1)) { VerbAt = then, Verb = done };
        if (_tokens[at].Text is not ("have" or "get" or "ask" or "let") || _nouns.Read(at + 1, _end, null) is not var (person, next) || Trade.NounOf(person.Stems) is not { Role: NounRole.Person }) return null;
        if (Is(next, "to")) next++;
        // "Have a helper stand by", "… stand underneath": nobody stands anything.
        if (next < _end && _tokens[next].Text is "stand" or "wait" or "stay" && (next + 1 >= _end
            || _nouns.Read(next + 1, NextBoundary(next + 1), null) is null))
            return new Clause(Mood.Beside, at, NextBoundary(next + 1)) { IsRemark = true, HasHelper = true };
        return next < _end && _tokens[next].Kind == TokenKind.Word && Trade.VerbsOf(_tokens[next].Text).FirstOrDefault(f => f.Form == Form.Base) is { Verb: { } verb }
            ? new Clause(Mood.Imperative, at, NextBoundary(next + 1)) { VerbAt = next, Verb = verb, HasHelper = true }
            : IsUnheard(next) ? new Clause(Mood.Imperative, at, NextBoundary(next + 1)) { VerbAt = next, IsUnknown = true, HasHelper = true } : null;
    }

    private bool IsImperativeAt(int at, bool afterMark)
    {
        var token = _tokens[at];
        if (token.Kind != TokenKind.Word || !Trade.IsBase(token.Text)) return false;
        // "Fit only the lower bolts".
        var behind = at + 2 < _end && (Is(at + 1, "only") || Is(at + 1, "just")) && (IsDetermined(at + 2)
            || NumberWords.Parse(_tokens[at + 2].Text) is not null) ? at + 2 : at + 1;
        var next = behind < _tokens.Count && behind < _end ? _tokens[behind] : default;
        var stem = Stem.Of(token.Text);
        // "Jack up, stand under": it goes up.
        if (token.Text == "jack" && next.Text == "up") return true;
        // "Back at the frame there's a bolt": where.
        if (token.Text == "back" && next.Text is "at" or "under" or "inside" or "behind") return false;
        // "Lever up a notch": the control of that name; but "lever up the cover".
        if (next.Kind == TokenKind.Word && next.Text is "up" or "down" or "in" or "out" or "forward" or "back" && _names.IsHead(stem)
            && _names.Resolve([stem]).One is Control && !(at + 2 < _end && (Is(at + 2, "the") || Is(at + 2, "it") || Is(at + 2, "them")))) return false;
        // "Lead the loom along the frame"; but "lead off its post".
        if (Trade.NounsFirst.Contains(token.Text) && !(next.Kind == TokenKind.Word && next.Text is not null && Trade.Determiners.Contains(next.Text))) return false;
        // "Cover on the frame", "cover down over the dowels": what is covered would be named first; but "cover up the opening".
        if (token.Text == "cover" && next.Kind == TokenKind.Word && Trade.Paths.Contains(next.Text!)
            && !(next.Text == "up" && at + 2 < _end && IsDetermined(at + 2))) return false;
        if (next.Kind == TokenKind.Word && next.Text is not null)
        {
            // "Lock nut", "drain plug", "cover bolts": the first word of a name is no verb.
            if (Trade.NounOf([stem]) is { Role: NounRole.Thing } && Trade.NounOf([Stem.Of(next.Text)]) is { Role: NounRole.Thing, Kinds: [ThingKind.Joint, ..] }) return false;
            if (Trade.IsCompound(stem, Stem.Of(next.Text)) || _names.Begins(stem, Stem.Of(next.Text)))
                return !Trade.Determiners.Contains(next.Text) && _names.Resolve([Stem.Of(next.Text)]).One is not null && afterMark && !_names.Begins(stem, Stem.Of(next.Text)) && !Trade.IsCompound(stem, Stem.Of(next.Text));
        }

        if (IsNamedNote(at, stem)) return false;
        // "…, open end down": how it stands.
        if (token.Text == "open" && next.Kind == TokenKind.Word && next.Text is "end" or "ends" or "side") return false;
        // "Mark and remove the shaft": two verbs and one object.
        if (next.Kind == TokenKind.Word && next.Text is "and" && IsBoundary(at - 1) && at + 3 < _end && _tokens[at + 2].Kind == TokenKind.Word
            && Trade.IsBase(_tokens[at + 2].Text) && _tokens[at + 3].Kind == TokenKind.Word
            && (Trade.Determiners.Contains(_tokens[at + 3].Text) || Trade.New.Contains(_tokens[at + 3].Text) || _tokens[at + 3].Text is "it" or "them"))
            return true;
        // "Finish removing the nuts".
        if (GoingOn(at) is not null) return true;
        // "The upper and lower studs".
        if (Trade.Distinct.Contains(token.Text) && at > 1 && Is(at - 1, "and")
            && _tokens[at - 2].Kind == TokenKind.Word && Trade.Distinct.Contains(_tokens[at - 2].Text)
            && !Trade.Adverbs.Contains(_tokens[at - 2].Text)) return false;
        // "Upper bolt first, then lower".
        if (token.Text == "lower" && next.Text is null && Has(Math.Max(0, at - 6), at, i => _tokens[i].Text is "upper" or "top")) return false;
        // "Top two first": which, not what is done; but "top up".
        if (Trade.Distinct.Contains(token.Text) && !(next.Kind == TokenKind.Word
            && (Trade.Paths.Contains(next.Text) || Trade.Determiners.Contains(next.Text) || Trade.Pronouns.Contains(next.Text) && next.Text != "one"
            || next.Text is "both" || token.Text == "lower" && next.Text is not ("first" or "last" or "next")
            && NumberWords.Parse(next.Text ?? "") is null))) return false;
        if (next.Kind == TokenKind.Number && next.Text is not null && _names.IsNumbered(stem, next.Text)) return false;
        if (Headed(at)) return false;
        // "…, flush to 0.5 mm below the face": how, not what is done.
        if (Trade.Adverbs.Contains(token.Text) && next.Text is not null
            && (next.Kind is TokenKind.Number or TokenKind.Mark || next.Text is "to" or "with" or "against")) return false;
        if (next.Text is null) return at == 0 || !Trade.IsAlsoNoun(token.Text);
        if (next.Kind == TokenKind.Mark && next.Text == ":" && Trade.IsAlsoNoun(token.Text)) return false;
        // "Spring clip", "pump oil: …": a noun where nothing follows that a verb takes.
        if (!Trade.IsAlsoNoun(token.Text)) return next.Kind != TokenKind.Word || !Trade.Auxiliaries.Contains(next.Text) || next.Text is "get" or "do";
        // "Then oil to the upper mark": the oil.
        if (next.Text == "to" && Trade.NounOf([stem]) is { Kinds: [ThingKind.Fluid, ..] }) return false;
        if (next.Kind == TokenKind.Word && (Trade.Relatives.Contains(next.Text) || next.Text is "how" or "whether")) return IsBoundary(at - 1);
        // "A drop of oil", "dust seal on": what such a verb is done to goes nowhere.
        if (next.Text == "of") return false;
        // "…, screw on until it touches", "… and screw on hand tight".
        if (token.Text is "screw" or "spin" or "thread" && next.Text is "on" or "in" && at + 2 < _end && _tokens[at + 2].Kind == TokenKind.Word
            && _tokens[at + 2].Text is "until" or "till" or "hand" or "hand-tight" or "finger" or "finger-tight" or "by" && at > 0) return true;
        if (IsNoteOfPart(at)) return false;
        // "Sensor in, bolt 8 N·m": the bolt.
        if (next.Kind == TokenKind.Torque && Trade.NounOf([stem]) is { Role: NounRole.Thing, Kinds: [ThingKind.Joint, ..] }) return false;
        // "Oil 1.2 l to the level plug": the oil.
        if (next.Kind == TokenKind.Number && Trade.NounOf([stem]) is { Kinds: [ThingKind.Fluid, ..] } && at + 2 < _end
            && _tokens[at + 2].Text is "l" or "litre" or "litres" or "liter" or "liters" or "ml" or "qt" or "quart" or "quarts" or "pint"
            or "pints") return false;
        // "Cover 25 N·m, pump 45 N·m": what is held by the bolts that get it.
        if (next.Kind == TokenKind.Torque && _names.Resolve([stem]).One is Part
            && !Trade.VerbsOf(token.Text).Any(f => f.Verb.Frames.Any(r => r.Sense is Sense.Torque or Sense.BoltTorque))) return false;
        if (next.Kind is TokenKind.Number or TokenKind.Torque or TokenKind.Angle) return true;
        // "Pull straight out".
        if (next.Kind == TokenKind.Word && Trade.Adverbs.Contains(next.Text) && at + 2 < _end
            && _tokens[at + 2].Text is "out" or "off" or "up" or "away" or "down"
            && Trade.NounOf([stem]) is not { Role: NounRole.Thing } && IsBoundary(at - 1)) return true;
        if (next.Kind == TokenKind.Mark) return at == 0 && next.Text != ":";
        // "Plug at 40": the plug.
        if (next.Text is "at" or "to" && at + 2 < _end && _tokens[at + 2].Kind is TokenKind.Number or TokenKind.Torque
            && Trade.NounOf([stem]) is { Kinds: [ThingKind.Joint, ..] }) return false;
        // "Drain about ten litres".
        if (next.Text is "about" or "roughly" or "nearly" or "approximately" or "almost" or "around" && at + 2 < _end && IsNumberAt(at + 2)) return true;
        if (Trade.Determiners.Contains(next.Text) || Trade.New.Contains(next.Text) || Trade.Pronouns.Contains(next.Text) || NumberWords.Parse(next.Text) is not null || next.Text is "old" || Trade.Distinct.Contains(next.Text)) return true;
        if (Trade.Auxiliaries.Contains(next.Text)) return false;
        if (Trade.Prepositions.Contains(next.Text) || Trade.Paths.Contains(next.Text))
        {
            // "Back off", "screw in the bolts": a particle; but "bolts in" was no base form, and "key in, pulley on" is a fragment.
            // Past "back on": "pump back on, …" is the pump, "bolt back up the bracket" tells.
            var past = at + 2;
            while (past < _end && _tokens[past].Kind == TokenKind.Word && Trade.Paths.Contains(_tokens[past].Text)) past++;
            var after = past < _end ? _tokens[past] : default;
            // "Start up, …" tells; "bolt in, …" is a bolt.
            var thing = Trade.NounOf([stem]) is { Role: NounRole.Thing, Kinds: not [ThingKind.Control] };
            if (!thing && (after.Text is null || after.Kind == TokenKind.Mark || after.Kind == TokenKind.Word
                && Trade.Conjunctions.Contains(after.Text)) && IsBoundary(at - 1)) return true;
            if (thing && after.Kind == TokenKind.Word && (Trade.Adverbs.Contains(after.Text!) || Trade.Conjunctions.Contains(after.Text)
                || (Trade.Prepositions.Contains(after.Text!) || Trade.Temporals.Contains(after.Text!)) && !Trade.Paths.Contains(after.Text!))
                    || thing && after.Kind is TokenKind.Torque) return false;
            return after.Text is not null && after.Kind != TokenKind.Mark && !(after.Kind == TokenKind.Word && Trade.Conjunctions.Contains(after.Text));
        }

        if (next.Kind != TokenKind.Word) return true;
        // "Oil both threads", "plug ports": the words that follow are a thing of their own.
        return at == 0 || IsBoundary(at - 1) ? !_nouns.IsNameWith(at) && _nouns.ReadsAsObject(at + 1) : false;
    }

    // "Dust seal on", "oil filter out": a part by its name and its way, where the verb moves nothing.
    private bool IsNoteOfPart(int at)
    {
        if (Trade.VerbsOf(_tokens[at].Text).Any(f => f.Form == Form.Base
            && f.Verb.Frames.Any(r => r.Sense is Sense.Off or Sense.On or Sense.Disconnect or Sense.Connect or Sense.Place
            or Sense.PlaceOwn or Sense.Start))) return false;
        var past = at + 1;
        while (past < _end && past < at + 4 && _tokens[past].Kind == TokenKind.Word && !Trade.IsSmall(_tokens[past].Text)) past++;
        return past > at + 1 && past < _end && _tokens[past].Kind == TokenKind.Word && Trade.Paths.Contains(_tokens[past].Text)
            && (past + 1 >= _end || _tokens[past + 1].Kind == TokenKind.Mark || IsBoundary(past + 1) || Is(past + 1, "for") || Is(past + 1, "to"))
                && Trade.IsThing(_tokens[past - 1].Text);
    }

    // "Cover comes off", "clamp in place", "cover over the studs": what a note names, and no verb: something moves there, or the sheet has one.
    private bool IsNamedNote(int at, string stem)
    {
        if (!Trade.IsAlsoNoun(_tokens[at].Text) || at + 1 >= _end) return false;
        var next = _tokens[at + 1];
        var known = _names.Resolve([stem]).One is Part or Connection;
        if (next.Kind == TokenKind.Mark) return known || next.Text is "–" or "—" && Trade.NounOf([stem]) is { Role: NounRole.Thing };
        if (next.Kind != TokenKind.Word) return false;
        if (Trade.VerbsOf(next.Text).Any(f => f.Form == Form.S) && Trade.NounOf([Stem.Of(next.Text)]) is not { Role: NounRole.Thing } && at + 2 < _end
            && Trade.Paths.Contains(_tokens[at + 2].Text)) return true;
        if (!known) return false;
        var way = at + 1;
        while (way < _end && (Is(way, "back") || Is(way, "straight") || Is(way, "now"))) way++;
        return way < _end && _tokens[way].Kind == TokenKind.Word && (_tokens[way].Text is "in" or "into" && (Is(way + 1, "place") || Is(way + 1, "position"))
            || _tokens[way].Text is "over" or "onto" or "into" or "under" or "behind" or "between" or "against"
                && !Has(way, NextBoundary(at + 1), i => Is(i, "with") || Is(i, "using")));
    }

    // "Tie rod nut: 55 N·m", "pump oil: …": a heading.
    private bool Headed(int at)
    {
        for (var i = at + 1; i < _end && i < at + 5; i++)
        {
            if (_tokens[i].Kind == TokenKind.Mark) return _tokens[i].Text == ":" && i > at;
            if (_tokens[i].Kind is not (TokenKind.Word or TokenKind.Number) || Trade.IsSmall(_tokens[i].Text)) return false;
        }

        return false;
    }

    // --- turning the hub, holding the bolt
    private Clause? Participle(int at, Clause? open, int from)
    {
        var token = _tokens[at];
        if (token.Kind != TokenKind.Word || !token.Text.EndsWith("ing", StringComparison.Ordinal)) return null;
        // "Having first slackened its adjuster": that is done before.
        if (token.Text == "having")
        {
            var then = at + 1;
            while (then < _end && _tokens[then].Kind == TokenKind.Word && Trade.Adverbs.Contains(_tokens[then].Text)) then++;
            if (then < _end && _tokens[then].Kind == TokenKind.Word
                && Trade.VerbsOf(_tokens[then].Text).FirstOrDefault(f => f.Form == Form.Ed) is { Verb: { } before })
                return new Clause(Mood.Imperative, at, NextBoundary(then + 1)) { VerbAt = then, Verb = before, ComesFirst = open is not null };
        }

        if (open is null && !Trade.VerbsOf(token.Text).Any(f => f.Form == Form.Ing)) return null;
        // "Tightening torque of the nuts 60 N·m": what is named so.
        if (at + 1 < _end && Is(at + 1, "torque") && !Has(at + 2, Math.Min(at + 3, _end), IsDetermined)) return null;
        // "Locking plate on with its bolt": the first word of a name.
        if (open is null && at + 1 < _end && _tokens[at + 1].Kind == TokenKind.Word && !Trade.IsSmall(_tokens[at + 1].Text)
            && !Trade.Adverbs.Contains(_tokens[at + 1].Text) && Trade.NounOf([Stem.Of(_tokens[at + 1].Text)]) is { Role: NounRole.Thing }) return null;
        if (!Trade.VerbsOf(token.Text).Any(f => f.Form == Form.Ing) && !(token.Text.Length > 5 && IsBoundary(at - 1) && !_nouns.IsThingAt(at))) return null;
        // "…, marking which is which", "…, coupling them as they were".
        var leads = open is not null && IsBoundary(at - 1) && at + 1 < _end && _tokens[at + 1].Kind == TokenKind.Word
            && Trade.VerbsOf(token.Text).Any(f => f.Form == Form.Ing) && (Trade.Relatives.Contains(_tokens[at + 1].Text)
            || Trade.Determiners.Contains(_tokens[at + 1].Text) || Trade.Pronouns.Contains(_tokens[at + 1].Text) || _tokens[at + 1].Text is "where" or "how");
        if (!leads && !IsByDoing(at - 1) && (_nouns.IsThingAt(at) || Trade.NounOf([Stem.Of(token.Text)]) is not null) || at + 1 < _end
            && Trade.IsCompound(Stem.Of(token.Text), Stem.Of(_tokens[at + 1].Text))) return null;
        var doing = Trade.VerbsOf(token.Text).FirstOrDefault(f => f.Form == Form.Ing).Verb;
        // "Drain it by taking out the plug": taken out.
        // "Remove the duct by loosening its clamps": that is done first.
        // "… by pulling it forward and unplugging the connector": both.
        var alsoBy = Is(at - 1, "and") && open is { ComesFirst: true, From: > 0 } && Is(open.From - 1, "by") && !Is(at + 1, "it") && !Is(at + 1, "them");
        if (doing is not null && at > 0 && (Is(at - 1, "by") || alsoBy)
            && (open?.Verb?.Lemma == "drain" || open is { Mood: Mood.Imperative, Verb: { } whole }
                && (Trade.Changes(whole) || NeedsWay(whole) || Trade.LetsGo.Contains(whole.Lemma))
                    && Trade.MayChange(doing)
                || open is { Mood: Mood.Passive, IsFull: true, Verb: { } told }
                    && (Trade.Changes(told) || Trade.LetsGo.Contains(told.Lemma)) && Trade.MayChange(doing)))
            return new Clause(Mood.Imperative, at, NextBoundary(at + 1)) { VerbAt = at, Verb = doing, ComesFirst = open?.Verb?.Lemma != "drain" };
        // "…, tightening its bolts to 25 N·m": tightened.
        if (leads && doing is not null && doing.Frames.Any(f => f.Sense == Sense.Torque)
            && Has(at, NextBoundary(at + 1), i => _tokens[i].Kind == TokenKind.Torque))
            return new Clause(Mood.Imperative, at, NextBoundary(at + 1)) { VerbAt = at, Verb = doing };
        // "Catching the bearing as it comes": it comes off.
        if (doing?.Lemma == "catch") return new Clause(Mood.Imperative, at, NextBoundary(at + 1)) { VerbAt = at, Verb = doing };
        var clause = new Clause(Mood.Beside, at, NextBoundary(at + 1)) { VerbAt = at, IsRemark = true, Verb = doing };
        Fill(clause, at + 1, clause.To);
        return clause;
    }

    // --- the bolts are removed; the hose goes on; bolts in; bolts: 95 N·m
    private Clause? Said(int at, Clause? open, int from)
    {
        var noun = _nouns.Read(at, _end, null);
        if (noun is null) return null;
        var next = noun.Value.Next;
        // "The bolts on the carrier are …": what belongs to the subject is passed over.
        var subjects = new List<NounPhrase> { noun.Value.Phrase };
        var asides = new List<(int From, int To)>();
        while (next < _end)
        {
            // "The bolts (at the rear) are removed", "the bolts, which are easy to reach, can be removed".
            if (open is null && AsideOf(next) is { } told && IsFinite(told))
            {
                asides.Add((next, told));
                next = told;
                continue;
            }

            if (_tokens[next].Kind == TokenKind.Word && _tokens[next].Text is "and" or "or" && _nouns.Read(next + 1, _end, null) is { } more && !IsImperativeAt(next + 1, false))
            {
                subjects.Add(more.Phrase);
                next = more.Next;
                continue;
            }

            // "The blade, its washer and the spacer come off".
            if (_tokens[next] is { Kind: TokenKind.Mark, Text: "," } && ListTo(next, subjects) is { } past)
            {
                next = past;
                continue;
            }

            if (_tokens[next].Kind == TokenKind.Word && Trade.Prepositions.Contains(_tokens[next].Text)
                && _nouns.Read(next + 1, _end, _tokens[next].Text) is { } placed && placed.Next < _end
                && _tokens[placed.Next].Kind == TokenKind.Word && (IsFinite(placed.Next) || Trade.Holds.Contains(_tokens[placed.Next].Text)))
            {
                next = placed.Next;
                continue;
            }

            break;
        }

        // "Take the bearing, the seal and the spacer off": off goes with "take", which is nothing without it.
        if (open is { Mood: Mood.Imperative, Negated: false, Verb: { } taking } && NeedsWay(taking) && next < _end
            && Trade.Paths.Contains(_tokens[next].Text) && !Has(open.VerbAt, at, i => Trade.Paths.Contains(_tokens[i].Text)
                || _tokens[i].Kind == TokenKind.Torque)
            && (next + 1 >= _end || !IsDetermined(next + 1))) return null;

        // "The bolts that hold the cover are removed", "any that are scored must be replaced": past what tells which ones.
        if (next < _end && _tokens[next].Kind == TokenKind.Word && Trade.Relatives.Contains(_tokens[next].Text) && MainVerbAfter(next) is { } main)
        {
            var which = (SpeaksOfTrouble(next, main) || Is(at, "any"))
                && subjects is [{ IsIndefinite: true } or { IsPronoun: true, Text: "one" or "ones" or "them" }]
                    ? new Proviso(Words(at, main), false, Place(at, main)) : null;
            var said = Finite(at, main, subjects, open, from);
            said.Gaps.Add((next, main));
            said.Proviso ??= which;
            return said;
        }

        if (open is null && !Is(at, "no") && ToBeDone(next) is { } due)
            return new Clause(Mood.Passive, at, NextBoundary(due + 1)) { VerbAt = due, Verb = Done(due), IsFull = true };

        // "… or the studs pull out": what comes of it.
        if (at > 0 && Is(at - 1, "or") && open is not null && next < _end && _tokens[next].Kind == TokenKind.Word && Has(at, next, IsDetermined)
            && Trade.VerbsOf(_tokens[next].Text).Any(f => f.Form is Form.Base or Form.S) && !Trade.Paths.Contains(_tokens[next].Text))
            return new Clause(Mood.Declarative, at, NextBoundary(next)) { IsRemark = true };
        // "… first, or you will shear it off".
        if (at > 0 && Is(at - 1, "or") && open is not null && IsTeller(at)) return new Clause(Mood.Declarative, at, NextBoundary(next)) { IsRemark = true };
        // "It saves the threads", "they matter": whoever it is, nothing is told.
        if (subjects.TrueForAll(s => s.IsPronoun) && next < _end && _tokens[next].Kind == TokenKind.Word && !Trade.IsSmall(_tokens[next].Text) && Trade.VerbsOf(_tokens[next].Text).Length == 0 && !Trade.Adverbs.Contains(_tokens[next].Text) && subjects[0].Text is "it" or "they" or "this" or "you" or "that")
            return new Clause(Mood.Declarative, at, NextBoundary(next)) { IsRemark = true };
        var adverb = next;
        while (adverb < _end && _tokens[adverb].Kind == TokenKind.Word && (Trade.Adverbs.Contains(_tokens[adverb].Text) && !Trade.Paths.Contains(_tokens[adverb].Text) || _tokens[adverb].Text.EndsWith("ly", StringComparison.Ordinal))) adverb++;
        var person = (Trade.NounOf(subjects[0].Stems) is { Role: NounRole.Person } || subjects[0].IsPronoun
            && subjects[0].Text is "it" or "they" or "you" or "we" or "i" || subjects[0].IsPlural && adverb < _end
            && (_tokens[adverb].Text is "go" or "come" or "fit" or "sit" || Trade.Holds.Contains(_tokens[adverb].Text)
            && adverb + 1 < _end && (IsDetermined(adverb + 1) || Is(adverb + 1, "it") || Is(adverb + 1, "them")))) && adverb < _end
            && Trade.VerbsOf(_tokens[adverb].Text).Any(f => f.Form is Form.Base or Form.S);
        if (adverb < _end && _tokens[adverb].Kind == TokenKind.Word && (person || IsFinite(adverb))
            && !(open is { Mood: Mood.Imperative } && from > 0 && Is(from, "and") && !IsTeller(at)
            && !Trade.Auxiliaries.Contains(_tokens[adverb].Text) && !Has(at, adverb, IsDetermined)))
        {
            var finite = Finite(at, adverb, subjects, open, from);
            finite.Gaps.AddRange(asides);
            return finite;
        }

        return Fragment(at, next, adverb, subjects, open, from);
    }

    // Behind what is said of a noun beside: in brackets, or between commas.
    private int? AsideOf(int at)
    {
        if (_tokens[at] is { Kind: TokenKind.Mark, Text: "(" } && Closing(at + 1) is { } closing && closing + 1 < _end) return closing + 1;
        if (_tokens[at] is not { Kind: TokenKind.Mark, Text: "," } || at + 2 >= _end || !Trade.Relatives.Contains(_tokens[at + 1].Text)) return null;
        var comma = _tokens.FindIndex(at + 2, _end - at - 2, t => t.Kind == TokenKind.Mark);
        return comma > 0 && _tokens[comma].Text == "," && comma + 1 < _end ? comma + 1 : null;
    }

    // Nobody does one thing to more things in one breath; what is longer is read in pieces, in time in proportion to its length.
    private const int LongestList = 12;

    // "Take" is nothing without "off".
    private static bool NeedsWay(TradeVerb verb) => verb.Frames[^1].Sense == Sense.Say
        && verb.Frames.Any(f => Array.Exists(f.Conditions, c => Array.Exists(c.Tests, t => t.Looks == Looks.Way)));

    // The end of a list that goes on with a comma and closes with "and", where a verb or a way follows that holds for all of it.
    private int? ListTo(int comma, List<NounPhrase> subjects)
    {
        var more = new List<NounPhrase>();
        for (var i = comma; i < _end && more.Count < LongestList;)
        {
            var and = _tokens[i] is { Kind: TokenKind.Word, Text: "and" } || _tokens[i] is { Kind: TokenKind.Mark, Text: "," } && Is(i + 1, "and");
            if (!and && _tokens[i] is not { Kind: TokenKind.Mark, Text: "," }) return null;
            var from = _tokens[i].Kind == TokenKind.Mark && and ? i + 2 : i + 1;
            if (from >= _end || _nouns.Read(from, _end, null) is not { } noun || noun.Phrase.IsPronoun || IsImperativeAt(from, true)) return null;
            more.Add(noun.Phrase);
            i = noun.Next;
            var isWay = i < _end && Trade.Paths.Contains(_tokens[i].Text)
                && (i + 1 >= _end || _tokens[i + 1].Kind == TokenKind.Mark || MannerEnd(i + 1) is not null);
            // "Spacer, seal, bearing on": three make a list without an "and".
            if (!and && !(more.Count > 1 && isWay)) continue;
            if (i >= _end || _tokens[i].Kind != TokenKind.Word || !IsFinite(i) && !isWay) return null;
            subjects.AddRange(more);
            return i;
        }

        return null;
    }

    // The verb of the sentence behind a relative clause: the first auxiliary after the relative's own verb.
    private int? MainVerbAfter(int relative)
    {
        var own = false;
        for (var i = relative + 1; i < _end && _tokens[i].Kind != TokenKind.Mark; i++)
        {
            if (_tokens[i].Kind != TokenKind.Word) continue;
            if (own && Trade.Auxiliaries.Contains(_tokens[i].Text) && !Trade.Auxiliaries.Contains(_tokens[i - 1].Text)) return i;
            own |= IsFinite(i) || Trade.VerbsOf(_tokens[i].Text).Length > 0;
        }

        return null;
    }

    private bool IsThird(int i) => _tokens[i].Kind == TokenKind.Word && Trade.VerbsOf(_tokens[i].Text).Any(f => f.Form == Form.S);

    private bool IsDetermined(int i) => _tokens[i].Kind == TokenKind.Word && Trade.Determiners.Contains(_tokens[i].Text);

    private bool IsFinite(int i)
    {
        if (_tokens[i].Kind != TokenKind.Word) return false;
        var word = _tokens[i].Text;
        if (Trade.Auxiliaries.Contains(word) || IsDoneByIt(i) || IsGoing(i)) return true;
        return Trade.VerbsOf(word).Length > 0 && !Trade.Paths.Contains(word) && !Trade.Adverbs.Contains(word)
            && !_nouns.IsThingAt(i) && !(Trade.IsAlsoNoun(word) && Trade.VerbsOf(word).All(f => f.Form is Form.Base or Form.S));
    }

    // "The idler drops down": no drops of anything.
    private bool IsGoing(int i) => i > 0 && i + 1 < _end && _tokens[i - 1].Kind == TokenKind.Word && Trade.IsAlsoNoun(_tokens[i].Text)
        && Array.Exists(Trade.VerbsOf(_tokens[i].Text), f => f.Form == Form.S && Trade.MayChange(f.Verb))
        && (_tokens[i + 1].Text is "down" or "free" || Trade.Comes.Contains(_tokens[i + 1].Text)) && !Is(i - 1, "the") && !Is(i - 1, "of");

    // "The circlip holds the roller": of one thing, and of another behind it.
    private bool IsDoneByIt(int i) => i > 0 && i + 1 < _end && IsDetermined(i + 1) && _tokens[i - 1] is { Kind: TokenKind.Word, Text: not [.., 's'] }
        && Trade.VerbsOf(_tokens[i].Text) is { Length: > 0 } forms && Array.TrueForAll(forms, f => f.Form == Form.S) && !Trade.Paths.Contains(_tokens[i].Text);

    private Clause Finite(int at, int verbAt, List<NounPhrase> subjects, Clause? open, int from)
    {
        // Past the auxiliaries and adverbs: "is then slid back off".
        var i = verbAt;
        var modal = "";
        var negated = false;
        var aux = false;
        while (i < _end && _tokens[i].Kind == TokenKind.Word && (Trade.Auxiliaries.Contains(_tokens[i].Text) || Trade.Negations.Contains(_tokens[i].Text) || Trade.Adverbs.Contains(_tokens[i].Text) || _tokens[i].Text == "to" || (_tokens[i].Text.EndsWith("ly", StringComparison.Ordinal) && Trade.VerbsOf(_tokens[i].Text).Length == 0)))
        {
            if (Trade.Negations.Contains(_tokens[i].Text) || _tokens[i].Text.EndsWith("n't", StringComparison.Ordinal)) negated = true;
            if (Trade.Auxiliaries.Contains(_tokens[i].Text))
            {
                aux = true;
                modal += " " + _tokens[i].Text;
            }

            i++;
        }

        var forms = i < _end && _tokens[i].Kind == TokenKind.Word ? Trade.VerbsOf(_tokens[i].Text) : [];
        var to = NextBoundary(i);
        if (aux && modal.Contains(" get", StringComparison.Ordinal) && forms.Length == 0)
        {
            // "The frame bolts get 110 lb-ft."
            var given = new Clause(Mood.Passive, at, to) { VerbAt = verbAt, Verb = Trade.VerbsOf("give")[0].Verb, Negated = negated };
            return given;
        }

        // "It may only be removed by a qualified person", "the hose can come off under pressure": who may, and what might be.
        if (modal.StartsWith(" may", StringComparison.Ordinal) && Has(verbAt, i, k => Is(k, "only")) && Has(i, to, k => Is(k, "by"))
            || modal is " can" or " may" or " could" or " might" && Has(i, to, k => Is(k, "under") && Is(k + 1, "pressure")))
            return new Clause(Mood.Declarative, at, to) { VerbAt = verbAt, IsRemark = true };
        // "Was", "had" and "has been" tell what was; what is to be done is told by is, are, be, must, should.
        var past = modal.Contains("was", StringComparison.Ordinal) || modal.Contains("were", StringComparison.Ordinal) || modal.Contains("had", StringComparison.Ordinal)
            || (modal.Contains("have", StringComparison.Ordinal) || modal.Contains("has", StringComparison.Ordinal)) && !Has(verbAt, i, j => _tokens[j].Text == "to");
        // "The cover needs removing".
        if (Array.Find(forms, f => f.Form == Form.Ing) is { Verb: { } due } && _tokens[i - 1].Text is "need" or "needs" or "want" or "wants")
            return new Clause(Mood.Passive, at, to) { VerbAt = i, Verb = due, Negated = negated, IsFull = true, Proviso = Otherwise(from, at, open) };
        // "Two persons lift the pump": who does it is told what to do.
        var persons = subjects.TrueForAll(s => !s.IsPronoun && Trade.NounOf(s.Stems) is { Role: NounRole.Person });
        // "Some people take it off now": others, and nobody who is told.
        if (persons && _tokens[at].Text is "some" or "many" or "most" or "few") return new Clause(Mood.Beside, at, to) { VerbAt = verbAt, IsRemark = true };
        // "One of you feeds the loom in, the other draws it through", "while one person holds the pump, the other removes its bolts".
        persons |= subjects is [{ IsPronoun: true, IsRest: true }] && _nouns.Read(i + 1, _end, null) is { } done
            && (done.Phrase is { IsPronoun: true, Text: "it" or "them" } || OneOfTwo(at));
        var you = persons || subjects.TrueForAll(s => s.IsPronoun && s.Text is "you" or "we" or "i" or "he" or "she");
        // "They will be tightened in step 20", "they are removed later": not now.
        if ((modal.StartsWith(" will", StringComparison.Ordinal) || modal is " is" or " are") && Has(verbAt, to, k => Is(k, "later")
            && !Is(k + 1, "than")
            || Is(k, "in") && (Is(k + 1, "step") || Is(k + 2, "step") || Is(k + 3, "step"))))
            return new Clause(Mood.Beside, at, to) { VerbAt = verbAt, IsRemark = true };
        // "Some fuel will run out": what comes of it.
        if (modal is " will" && subjects.TrueForAll(s => s.Is(ThingKind.Fluid)))
            return new Clause(Mood.Declarative, at, to) { VerbAt = verbAt, IsRemark = true };
        var passive = forms.FirstOrDefault(f => f.Form == Form.Ed);
        // "Cracked and spun off": two things that are done.
        if (passive.Verb is not null && Is(i + 1, "and") && i + 2 < _end && _tokens[i + 2].Kind == TokenKind.Word && !_nouns.IsThingAt(i + 2)
            && Trade.VerbsOf(_tokens[i + 2].Text) is { Length: > 0 } also && !Array.Exists(also, f => f.Form == Form.Base)
                && Array.Exists(also, f => f.Form == Form.Ed)) to = i + 1;
        // "The socket will fit from above": what is both forms is done to nothing without "be".
        var itself = Array.Exists(forms, f => f.Form == Form.Base) && modal is " will" or " can" or " may" or " must" or " should";
        if (aux && passive.Verb is not null && !past && !you && !itself)
            return new Clause(Mood.Passive, at, to) { VerbAt = i, Verb = passive.Verb, Negated = negated, IsFull = true, Proviso = Otherwise(from, at, open) };
        var runOn = open is null or { Mood: Mood.Fragment } && i + 1 < _end && _tokens[i + 1].Kind == TokenKind.Word && Trade.Paths.Contains(_tokens[i + 1].Text);
        // "The bolts are removed and the cover put aside": "is" holds for both.
        var shared = Subject(open) && Is(at - 1, "and");
        if (!aux && passive.Verb is not null && (forms.All(f => f.Form == Form.Ed) || runOn || shared) && !you)
            return new Clause(Mood.Passive, at, to) { VerbAt = i, Verb = passive.Verb, Proviso = Otherwise(from, at, open) };
        var plain = forms.FirstOrDefault(f => f.Form is Form.S or Form.Base);
        if (plain.Verb is not null && !past && (!aux || modal is " should" or " can" or " must" or " will" or " may"))
        {
            if (you) return new Clause(Mood.Imperative, at, to)
            {
                VerbAt = i,
                Verb = plain.Verb,
                Negated = negated,
                IsRemark = aux && modal is not (" can" or " may" or " must" or " should")
                    // "You will now tighten the bolts": told. "You will break it": what would come of it.
                    && !(modal == " will" && Has(Math.Max(0, at - 2), i, k => _tokens[k].Text is "now" or "next" or "then" or "first")),
                People = persons ? Math.Max(1, subjects[0].Count ?? 1) : 0
            };
            // "It cuts the hose": what something does to another is no instruction.
            var does = i + 1 < _end && _tokens[i + 1].Kind == TokenKind.Word && !Trade.Paths.Contains(_tokens[i + 1].Text)
                && !Trade.Prepositions.Contains(_tokens[i + 1].Text) && _nouns.Read(i + 1, _end, null) is { Phrase: var hit }
                && (hit.IsPronoun || Trade.NounOf(hit.Stems) is { Role: NounRole.Thing });
            // "The socket will fit from above": what a tool does.
            does |= subjects.TrueForAll(s => s.Is(ThingKind.Tool));
            return new Clause(Mood.Declarative, at, to) { VerbAt = i, Verb = plain.Verb, Negated = negated, IsRemark = does };
        }

        // "You must zork the cover", "the cover must be zorked": told to do what nobody knows.
        if (aux && !past && !negated && forms.Length == 0 && i < _end && (you ? IsUnheard(i)
            && modal is not (" do" or " may" or " might" or " could" or " would") : IsUnheardDone(i, at, modal, verbAt, subjects)))
            return new Clause(you ? Mood.Imperative : Mood.Passive, at, to) { VerbAt = i, IsUnknown = true };
        return new Clause(Mood.Declarative, at, to) { VerbAt = verbAt, IsRemark = true };
    }

    // "One of you …", "one person …" stands before it in the sentence.
    private bool OneOfTwo(int at)
    {
        for (var i = at - 1; i >= Math.Max(0, at - 20) && _tokens[i].Kind != TokenKind.Stop; i--)
            if (Is(i, "one") && (Is(i + 1, "of") && IsTeller(i + 2) || _nouns.Read(i, at, null) is { } who
                && Trade.NounOf(who.Phrase.Stems) is { Role: NounRole.Person })) return true;
        return false;
    }

    // "The cover must be zorked", "… is then zorked", "… is zorked off". "The cover is dented" only tells how it is.
    private bool IsUnheardDone(int i, int at, string modal, int verbAt, List<NounPhrase> subjects)
    {
        if (_tokens[i].Kind != TokenKind.Word || _tokens[i].Text is not [_, _, _, .., 'e', 'd'] || !IsNoWordOfIt(_tokens[i].Text)
            || Trade.Trouble.Contains(_tokens[i].Text)
            || !subjects.Exists(s => !s.IsPronoun && (Trade.NounOf(s.Stems) is { Role: NounRole.Thing }
                || _names.Resolve(s.Stems).One is not null))) return false;
        return (modal + " ").Contains(" be ", StringComparison.Ordinal) && !modal.Contains(" may", StringComparison.Ordinal)
            || Has(verbAt, i, j => _tokens[j].Text is "then" or "now" or "next")
            || Is(at - 1, "next") || i + 1 < _end && _tokens[i + 1].Text is "off" or "out" or "away" or "in" or "on" or "back" or "up" or "down";
    }

    private Clause? Fragment(int at, int next, int adverb, List<NounPhrase> subjects, Clause? open, int from)
    {
        var follows = adverb < _end ? _tokens[adverb] : default;
        var way = follows.Kind == TokenKind.Word && Trade.Paths.Contains(follows.Text ?? "");
        var value = Colon(next) || follows.Kind is TokenKind.Torque or TokenKind.Angle || follows.Kind == TokenKind.Word && follows.Text is "to" or "at" && adverb + 1 < _end && _tokens[adverb + 1].Kind is TokenKind.Torque;
        // "…, plug at 40": of a fastener, without a unit.
        value |= follows.Kind == TokenKind.Word && follows.Text is "at" or "to" && adverb + 1 < _end && _tokens[adverb + 1].Kind == TokenKind.Number
            && (adverb + 2 >= _end || _tokens[adverb + 2].Kind == TokenKind.Mark) && _nouns.IsFastener(subjects[0]);
        // "Wheel on, lugs snug in a star".
        value |= follows.Kind == TokenKind.Word && follows.Text is "snug" or "finger-tight" or "hand-tight" && _nouns.IsFastener(subjects[0]);
        // "Key out, chocks at the back wheels".
        value |= open is { Mood: Mood.Fragment } && follows.Kind == TokenKind.Word
            && follows.Text is "at" or "behind" or "under" or "beneath" or "between" or "fore-and-aft" or "each" or "both" or "either" or "before"
            && subjects is [{ IsPronoun: false } aid] && aid.Is(ThingKind.Aid);
        // "Close the tap, drip tray under the tank".
        var under = open is { Mood: Mood.Imperative } && IsBoundary(at - 1) && follows.Kind == TokenKind.Word
            && follows.Text is "under" or "beneath" or "underneath" or "below" && subjects is [{ IsPronoun: false, Count: null } put]
            && !IsDetermined(at) && (put.Is(ThingKind.Aid) || put.Is(ThingKind.Consumable)) && !put.Is(ThingKind.Part);
        if (under) return new Clause(Mood.Fragment, at, NextBoundary(Math.Max(adverb, at + 1))) { Proviso = Otherwise(from, at, open) };
        // "Handbrake off, chocks fore and aft".
        value |= adverb > next && _tokens[adverb - 1].Text == "fore-and-aft" && subjects is [{ IsPronoun: false } wedged] && wedged.Is(ThingKind.Aid);
        var ends = adverb >= _end || follows.Kind == TokenKind.Mark;
        // "Let it idle, cap off, until it is hot": how it is meanwhile.
        if (open is { Mood: Mood.Imperative } && IsBoundary(at - 1) && way && NextBoundary(adverb) is var closed && closed + 1 < _end
            && Is(closed + 1, "until")) return new Clause(Mood.Beside, at, closed) { IsRemark = true };
        // "Ribs up", "posts to the rear", "closed end leading": how what is named before it stands.
        if (open is not null && IsBoundary(at - 1) && _nouns.Stands(subjects[0], next, _end)) return null;
        // "Then oil to the upper mark".
        value |= follows.Kind == TokenKind.Word && follows.Text == "to" && subjects.Count == 1 && subjects[0].Is(ThingKind.Fluid);
        if (open is { Mood: Mood.Imperative } or { Mood: Mood.Passive or Mood.Declarative, IsRemark: false, IsFull: true })
        {
            // "… and the disc off": goes on with the verb; ", bolts in with a dab of threadlocker": a clause of its own.
            var afterAnd = from < at && Enumerable.Range(from, at - from).Any(i => _tokens[i].Kind == TokenKind.Word && _tokens[i].Text is "and" or "or");
            // "…, line up the slot, new split pin".
            if (!way && !value && subjects is [{ IsNew: true, IsPronoun: false }] && ends && at > 0
                && _tokens[at - 1] is { Kind: TokenKind.Mark, Text: "," }) return new Clause(Mood.Fragment, at, next);
            if (!way && !value) return null;
            // "Torque the upper bolts and the lower bolts to 30 N·m": both of them.
            if (afterAnd && value && open is { Mood: Mood.Imperative, Verb: { } tightens } && tightens.Frames.Any(f => f.Sense == Sense.Torque)
                && !Has(open.VerbAt + 1, at, i => _tokens[i].Kind is not TokenKind.Word
                    || !Trade.Conjunctions.Contains(_tokens[i].Text) && Trade.Paths.Contains(_tokens[i].Text))) return null;
            if (afterAnd && !value && !(way && Opposes(open, follows.Text!))) return null;
            if (way)
            {
                var after = adverb + 1;
                while (after < _end && _tokens[after].Kind == TokenKind.Word && Trade.Paths.Contains(_tokens[after].Text)) after++;
                var closes = after >= _end || _tokens[after].Kind is TokenKind.Mark or TokenKind.Torque || _tokens[after].Kind == TokenKind.Word && (_tokens[after].Text is "with" or "and" or "finger-tight" or "again" or "by" || Trade.Adverbs.Contains(_tokens[after].Text));
                // "Mind the ring, piston off toward the end": of a verb that does nothing.
                closes |= !afterAnd && after < _end && _tokens[after].Text is "to" or "toward" or "towards" or "from"
                    && open.Verb is { Frames: [{ Sense: Sense.Say }] };
                if (!closes) return null;
            }

            if (value && !Colon(next) && !_nouns.IsFastener(subjects[0]) && follows.Text != "to") return null;
        }
        else if (open is { Mood: Mood.Fragment } && !way && !value)
        {
            return null;
        }
        else if (open is null && !way && !value && !ends && (follows.Kind != TokenKind.Word || Trade.Determiners.Contains(follows.Text!) || Trade.Pronouns.Contains(follows.Text!)))
        {
            return null;
        }

        return new Clause(Mood.Fragment, at, NextBoundary(Math.Max(adverb, at + 1))) { Proviso = Otherwise(from, at, open) };
    }

    // "Press the bearing out and the new one in".
    private bool Opposes(Clause open, string way)
    {
        bool Says(params string[] words) => Has(open.From, open.To, i => _tokens[i].Kind == TokenKind.Word && words.Contains(_tokens[i].Text));
        // "Take the bolts out and the cover off": a way of its own.
        return way is "off" or "out" && Says("off", "out") && !Says(way) || way is "in" && Says("on", "onto") && !Says(way) || way is "in" or "on"
            && Says("out", "off") || way is "out" or "off"
            && Says("in", "on", "into", "onto");
    }

    private bool Colon(int i) => i < _end && _tokens[i].Kind == TokenKind.Mark && _tokens[i].Text == ":";

    private static bool Has(int from, int to, Predicate<int> test)
    {
        for (var i = from; i < to; i++)
            if (test(i)) return true;
        return false;
    }

    // A sentence of which nothing is known begins with a word in the place of a command.
    private bool Commands(int at)
    {
        var token = _tokens[at];
        if (token.Kind != TokenKind.Word || Trade.IsSmall(token.Text) || Trade.Adverbs.Contains(token.Text) || at + 1 >= _end
            || NumberWords.Parse(token.Text) is not null) return false;
        var next = _tokens[at + 1];
        return next.Kind == TokenKind.Word && (Trade.Determiners.Contains(next.Text) || Trade.Pronouns.Contains(next.Text) && next.Text is "it" or "them");
    }

    private Clause Unknown(int at) => new(Mood.Imperative, at, NextBoundary(at + 1)) { VerbAt = at, IsUnknown = true };

    private bool Tells(int from, int to) => Has(from, to, i => _tokens[i].Kind == TokenKind.Word && Trade.Auxiliaries.Contains(_tokens[i].Text));

    // --- marks
    private bool IsBoundary(int i) => i < 0 || _tokens[i].Kind is TokenKind.Mark or TokenKind.Stop || _tokens[i].Kind == TokenKind.Word && Trade.Conjunctions.Contains(_tokens[i].Text);

    private bool IsNumberAt(int i) =>
        _tokens[i].Kind == TokenKind.Number || _tokens[i].Kind == TokenKind.Word && NumberWords.Parse(_tokens[i].Text) is not null;

    // The next place at which a clause may begin: a mark, "and", "or", "then", "but", or a word that leads in what is said beside it.
    private int NextBoundary(int from)
    {
        for (var i = from; i < _end; i++)
        {
            var t = _tokens[i];
            if (t.Kind == TokenKind.Mark && t.Text is not ("%" or "+" or "(" or ")")) return i;
            if (t is { Kind: TokenKind.Mark, Text: "(" } && i + 1 < _end && _tokens[i + 1].Kind == TokenKind.Word && (_nouns.Read(i + 1, _end, null) is { Phrase.IsPronoun: true }
                || Closing(i + 1) is { } closes && Has(i + 1, Math.Min(closes, i + 5), j => Trade.Auxiliaries.Contains(_tokens[j].Text)))) return i;
            if (t.Kind != TokenKind.Word) continue;
            if (i > from && ToMore(i) is { } more)
            {
                i = more;
                continue;
            }

            // "In two or three steps": about how many.
            if (t.Text == "or" && i > from && i + 1 < _end && IsNumberAt(i - 1) && IsNumberAt(i + 1)) continue;
            // "All but one": so many less.
            if (t.Text == "but" && Is(i - 1, "all")) continue;
            // "Straight up and out": one way.
            // "Fully forward and fully back three times".
            if (t.Text == "and" && i > from && i + 2 < _end && Is(i + 1, "fully") && _tokens[i - 1].Kind == TokenKind.Word
                && Trade.Paths.Contains(_tokens[i - 1].Text)) continue;
            if (t.Text == "and" && i > from && i + 1 < _end && _tokens[i - 1].Kind == TokenKind.Word && _tokens[i + 1].Kind == TokenKind.Word
                && Trade.Paths.Contains(_tokens[i - 1].Text) && Trade.Paths.Contains(_tokens[i + 1].Text)
                && (i + 2 >= _end || _tokens[i + 2].Kind == TokenKind.Mark || _tokens[i + 2].Text is "of" or "from")) continue;
            if (Trade.Conjunctions.Contains(t.Text) && i > from || i > from && (IsPurposeAt(i) || Is(i, "to") && IsUnheard(i + 1))) return i;
            if (i > from && (IsByDoing(i) || IsWithout(i) || MannerEnd(i) is not null || IsAlsoDone(i) is not null)) return i;
            // "The bolts that hold the guard": which bolts.
            if (i > from && t.Text is "that" or "which" && i + 1 < _end && Trade.Holds.Contains(_tokens[i + 1].Text)) continue;
            // "Replace if worn": the condition stands right behind the verb.
            if (t.Text is "if" or "unless" || i > from && IsConditionAt(i)
                || t.Text is "as" or "where" or "when" && i + 1 < _end
                    && _tokens[i + 1].Text is "needed" or "required" or "necessary" or "fitted" or "present" or "provided" or "equipped" or "installed") return i;
            if (i > from && (Trade.Conditionals.Contains(t.Text) || Trade.Relatives.Contains(t.Text) && (t.Text != "that" || i + 1 < _end && IsFinite(i + 1)) || IsTemporalAt(i) || t.Text == "so" && Is(i + 1, "that"))) return i;
        }

        return _end;
    }

    // "By loosening its clamps".
    private bool IsByDoing(int i) => Is(i, "by") && i + 2 < _end && _tokens[i + 1].Kind == TokenKind.Word
        && _tokens[i + 1].Text.EndsWith("ing", StringComparison.Ordinal)
        && !Trade.NounsInIng.Contains(_tokens[i + 1].Text) && Trade.VerbsOf(_tokens[i + 1].Text).Any(f => f.Form == Form.Ing && Trade.MayChange(f.Verb));

    private bool Is(int i, string word) => i >= 0 && i < _tokens.Count && _tokens[i].Kind == TokenKind.Word && _tokens[i].Text == word;

    private string Words(int from, int to) => from >= to ? "" : Place(from, to).Of(_text).Trim();

    private Span Place(int from, int to) => from >= to ? new Span(_tokens[Math.Min(from, _tokens.Count - 1)].At.Start, 0) : TokenList.Place(_tokens, from, to);

    /// <summary>Reads what a clause consists of: noun phrases with what leads them in, ways and values.</summary>
    public void Fill(Clause clause) => Fill(clause, clause.Mood is Mood.Imperative ? clause.VerbAt + 1 : clause.From, clause.To);

    // "The delivery and bypass hoses": the delivery hose and the bypass hose.
    private static void ShareHeads(Clause clause)
    {
        for (var i = 0; i + 1 < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i].Noun is not { IsPronoun: false, Stems.Count: 1, IsIndefinite: false } first || clause.Pieces[i + 1].Noun is not { IsPronoun: false, Stems.Count: > 1, IsIndefinite: true, IsPlural: true } second || first.After != second.After) continue;
            if (Trade.NounOf(second.Stems) is not { Kinds: [ThingKind.Connection or ThingKind.Part, ..] } || Trade.NounOf(first.Stems) is { Role: NounRole.Thing }) continue;
            var head = second.Head;
            NounPhrase One(NounPhrase phrase, IReadOnlyList<string> stems, string name) => phrase with { Stems = stems, Name = name, Text = name.ToLowerInvariant(), IsPlural = false, Count = null, IsIndefinite = false };
            var left = string.Join(' ', second.Name.Split(' ')[..^1]);
            clause.Pieces[i] = clause.Pieces[i] with { Noun = One(first, [.. first.Stems, head], $"{first.Name} {head}") };
            clause.Pieces[i + 1] = clause.Pieces[i + 1] with { Noun = One(second, second.Stems, $"{left} {head}") };
        }
    }

    // A list that goes on behind a comma, to an "and" with nothing but nouns before it.
    private bool Lists(int comma, int to)
    {
        for (var (i, many) = (comma, 0); i < to && many < LongestList && _tokens[i] is { Kind: TokenKind.Mark, Text: "," }; many++)
        {
            if (_nouns.Read(i + 1, to, null) is not { } noun || noun.Phrase.IsPronoun) return false;
            i = noun.Next;
            if (Is(i, "and")) return _nouns.Read(i + 1, to, null) is { Phrase.IsPronoun: false };
        }

        return false;
    }

    private void Fill(Clause clause, int from, int to)
    {
        if (clause.Pieces.Count > 0) return;
        string? after = null;
        var explains = false;
        for (var i = from; i < to;)
        {
            var token = _tokens[i];
            if (clause.Gaps.FindIndex(g => g.From <= i && i < g.To) is >= 0 and var gap && clause.Gaps[gap].To > i)
            {
                i = clause.Gaps[gap].To;
                after = null;
                continue;
            }

            if (i == clause.VerbAt)
            {
                after = null;
                i++;
                continue;
            }

            switch (token.Kind)
            {
                case TokenKind.Torque or TokenKind.Angle or TokenKind.Time:
                    clause.Pieces.Add(new Piece(token.At) { Value = token });
                    after = null;
                    i++;
                    continue;
                case TokenKind.Mark when token.Text == "(" && Closing(i) is { } closing && closing > i + 1
                    && Place(i + 1, closing) is var aside && SideWords.IsSide(aside.Of(_text)):
                    clause.Pieces.Add(new Piece(aside) { Noun = new NounPhrase(aside, aside.Of(_text), []) { After = "at", IsPronoun = true } });
                    i = closing + 1;
                    continue;
                case TokenKind.Mark:
                    // "Round the crank, the pump and the fan", "with the four bolts, washers and nuts".
                    if (token.Text is ":" or "(" or ")" or "–" or "—" || token.Text == ","
                        && !(clause.Pieces is [.., { Noun.After: "round" or "around" or "between" or "with" or "using" }] && Lists(i, to))) after = null;
                    else if (token.Text == ",") after = clause.Pieces[^1].Noun!.After;
                    // What follows a colon explains ("inspect the stub: no scoring"); it is no further object.
                    if (token.Text == ":" && clause.Mood == Mood.Imperative) explains = true;
                    i++;
                    continue;
            }

            // "The bolts that you can see from below", "the cover you took off earlier": which.
            if (token.Kind == TokenKind.Word && i > clause.VerbAt && clause.Pieces.Exists(p => p.Noun is not null)
                && (after is null && IsTeller(i) || token.Text is "that" or "which" && IsTeller(i + 1)))
            {
                while (i < to && _tokens[i].Kind != TokenKind.Mark) i++;
                after = null;
                continue;
            }

            // "Remove the cover as well as the hose": both.
            if (clause.Pieces.Exists(p => p.Noun is not null) && ToMore(i) is { } also && also < to)
            {
                i = also;
                after = null;
                continue;
            }

            // "At the back of the machine": where, and no way.
            if (token is { Kind: TokenKind.Word, Text: "at" or "from" } && Is(i + 1, "the") && Is(i + 2, "back")
                && (i + 3 >= to || Is(i + 3, "of") || _tokens[i + 3].Kind == TokenKind.Mark))
            {
                i = Is(i + 3, "of") && _nouns.Read(i + 4, to, "of") is { } whole ? whole.Next : i + 3;
                after = null;
                continue;
            }

            if (LeftOutAt(i, to) is { } but)
            {
                after = "except";
                i = but;
                continue;
            }

            // "3 mm off the belt": how far from it.
            if (token is { Kind: TokenKind.Word, Text: "off" or "away" or "clear" or "from" } && i > from + 1 && Trade.Units.Contains(_tokens[i - 1].Text)
                && _tokens[i - 2].Kind == TokenKind.Number && i + 1 < to && (IsDetermined(i + 1) || Is(i + 1, "from") || Is(i + 1, "of")))
            {
                after = "beside";
                i += IsDetermined(i + 1) ? 1 : 2;
                continue;
            }

            // "Into the opening the plate leaves": which.
            if (after is null && i > from && IsDetermined(i) && clause.Mood == Mood.Imperative
                && clause.Pieces is [.., { Noun: { After: not null, IsPronoun: false } led }]
                && led.At.End == _tokens[i - 1].At.End && _nouns.Read(i, to, null) is { Phrase.IsPronoun: false } leaves
                && (leaves.Next < to && IsThird(leaves.Next) || leaves.Phrase.Stems.Count > 1 && IsThird(leaves.Next - 1)))
            {
                while (i < to && _tokens[i].Kind != TokenKind.Mark) i++;
                continue;
            }

            if (token.Kind == TokenKind.Word && (Trade.Prepositions.Contains(token.Text) || Trade.Paths.Contains(token.Text)
                || token.Text is "after" or "before"))
            {
                if (Trade.Paths.Contains(token.Text)) clause.Pieces.Add(new Piece(token.At) { Way = token.Text });
                after = token.Text == "of" && after is not null ? after : token.Text;
                i++;
                continue;
            }

            if (token.Kind == TokenKind.Word && (Trade.Contractions.Contains(token.Text) || Trade.Auxiliaries.Contains(token.Text)
                || Trade.Conjunctions.Contains(token.Text) || Trade.Negations.Contains(token.Text)))
            {
                // "Wheels on and nuts finger-tight": "on" leads no nuts in.
                if (after is not null && i > from && token.Text is "and" or "then" && _tokens[i - 1].Text == after && Trade.Paths.Contains(after)
                    && i + 1 < to && (IsDetermined(i + 1) || clause.Mood == Mood.Fragment && Trade.IsThing(_tokens[i + 1].Text))) after = null;
                i++;
                continue;
            }

            // "With both thumbs holding the bearing in": what goes on beside.
            if (after is null && clause.Mood is Mood.Imperative or Mood.Fragment && token.Kind == TokenKind.Word && i > clause.VerbAt + 1
                && clause.Pieces is [.., { Noun.After: "with" or "without" }] && token.Text.EndsWith("ing", StringComparison.Ordinal)
                && !Trade.NounsInIng.Contains(token.Text) && Trade.VerbsOf(token.Text).Any(f => f.Form == Form.Ing))
            {
                while (i < to && _tokens[i].Kind != TokenKind.Mark) i++;
                continue;
            }

            // "Rather than hammer the shaft", "instead of a nut": not done.
            if (token.Kind == TokenKind.Word && (token.Text is "rather" && Is(i + 1, "than") || token.Text is "instead" && Is(i + 1, "of")))
            {
                while (i < to && _tokens[i].Kind != TokenKind.Mark) i++;
                after = null;
                continue;
            }

            // "Two bolts, one on each side": where they are.
            if (Is(i, "one") && i > from && IsBoundary(i - 1) && Has(i + 1, Math.Min(to, i + 3), k => _tokens[k].Text is "each" or "either" or "per"))
            {
                while (i < to && _tokens[i].Kind != TokenKind.Mark) i++;
                continue;
            }

            if (_nouns.Read(i, to, after) is { } noun)
            {
                // "The one line to the pump and the other to the valve", "the pipe at the pump and the hose at the tank": what is led in anew is done to.
                if (after is "to" or "onto" or "into" or "in" or "on" or "at" or "from" or "off" && i > from && Is(i - 1, "and")
                    && Is(noun.Next, after)
                    && noun.Next + 1 < to) noun = (noun.Phrase with { After = null }, noun.Next);
                // "Pull the plug off the pump and the two hoses with it", "put the gland on the rod and the piston after it": they, too.
                if (after is not null && i > from && Is(i - 1, "and") && noun.Next + 1 < to && _tokens[noun.Next].Text is "with" or "after" or "behind"
                    && _tokens[noun.Next + 1].Text is "it" or "them") noun = (noun.Phrase with { After = null }, noun.Next);
                // "… on the rod and then the piston".
                if (after is not null && i > from + 1 && Is(i - 1, "then") && Is(i - 2, "and")) noun = (noun.Phrase with { After = null }, noun.Next);
                // "Nut off (LH)", "nut 120 N·m LH": a left-hand thread, and no side.
                if (after is null && noun.Phrase.Text.ToLowerInvariant() is "lh" or "rh"
                    && clause.Pieces.FindLast(p => p.Noun is not null)?.Noun is { } threaded && threaded.Is(ThingKind.Joint))
                {
                    i = noun.Next;
                    continue;
                }

                // "The bolts (left)", "the bolts, left-hand side": on which side.
                if (after is null && i > from && _tokens[i - 1] is { Kind: TokenKind.Mark, Text: "," or "(" } && clause.Pieces.Exists(p => p.Noun is not null)
                    && SideWords.IsSide(noun.Phrase.At.Of(_text)) && !Is(noun.Next, "and")) noun = (noun.Phrase with { After = "at" }, noun.Next);
                // "Tapped bosses outward", "shaft and all": how it stands, no further object.
                var comma = i > from && _tokens[i - 1].Kind == TokenKind.Mark && _tokens[i - 1].Text == ",";
                // "Slide it in, tubes through the grommets".
                var passes = clause.Mood == Mood.Imperative && Is(noun.Next, "through")
                    && noun.Phrase is { IsIndefinite: true, IsPronoun: false } && !_nouns.IsFastener(noun.Phrase);
                var stands = noun.Next < to && _tokens[noun.Next].Kind == TokenKind.Word && (passes
                    || Trade.Stances.Contains(_tokens[noun.Next].Text) || _tokens[noun.Next].Text == "and" && Is(noun.Next + 1, "all"));
                // "The tails through the grommet, the longer one to the right".
                stands |= noun.Phrase is { IsPronoun: true, IsRest: false, Distinct.Count: > 0 } && noun.Next < to
                    && _tokens[noun.Next].Text is "to" or "at" or "on" or "in" && clause.Mood != Mood.Fragment;
                // "Bolt them to the frame, nuts on the outside".
                stands |= clause.Mood == Mood.Imperative && _nouns.IsFastener(noun.Phrase) && noun.Phrase is { IsIndefinite: true, IsPronoun: false }
                    && (Is(noun.Next, "on") || Is(noun.Next, "to")) && Is(noun.Next + 1, "the") && noun.Next + 2 < to
                    && Trade.NounOf([Stem.Of(_tokens[noun.Next + 2].Text)]) is { Role: NounRole.Place };
                // "Slide it onto its plate, four bolts up from below": with them.
                if (comma && clause.Mood == Mood.Imperative && _nouns.IsFastener(noun.Phrase) && noun.Phrase is { IsIndefinite: true, Count: not null }
                    && noun.Next + 1 < to && _tokens[noun.Next].Text is "up" or "in" or "down" or "through" && Is(noun.Next + 1, "from"))
                {
                    clause.Pieces.Add(new Piece(noun.Phrase.At) { Noun = noun.Phrase with { After = "with" } });
                    for (i = noun.Next; i < to && _tokens[i].Kind == TokenKind.Word; i++) ;
                    after = "with";
                    continue;
                }

                stands = stands && comma || i > from && IsBoundary(i - 1) && _nouns.Stands(noun.Phrase, noun.Next, to);
                var phrase = explains ? noun.Phrase with { After = "beside" } : stands && clause.Pieces.Count > 0
                    && (clause.Mood != Mood.Fragment || _nouns.Stands(noun.Phrase, noun.Next, to)) ? noun.Phrase with { After = "beside" } : noun.Phrase;
                // "On both sides", "on the left": where, and no way.
                if (phrase.After == "on" && clause.Pieces is [.., { Way: "on" }] && (phrase.Head == "side" || SideWords.IsSide(phrase.At.Of(_text))))
                {
                    clause.Pieces.RemoveAt(clause.Pieces.Count - 1);
                    phrase = phrase with { After = "at" };
                }

                clause.Pieces.Add(new Piece(phrase.At) { Noun = phrase });
                i = Math.Max(noun.Next, i + 1);
                // "A few turns each".
                if (i < to && _tokens[i] is { Kind: TokenKind.Word, Text: "each" or "apiece" }
                    && (i + 1 >= to || _tokens[i + 1].Kind != TokenKind.Word || Trade.IsSmall(_tokens[i + 1].Text)
                    && _tokens[i + 1].Text != "of")) i++;
                if (phrase.After == "beside" && !explains && _nouns.Stands(noun.Phrase, noun.Next, to))
                    while (i < to && _tokens[i].Kind == TokenKind.Word) i++;
                if (phrase.After == "beside" && i + 1 < to && _tokens[i].Text == "and" && _tokens[i + 1].Text == "all") i += 2;
                // "The nut and the bolt off the stud": what leads in one noun leads in those coordinated with it.
                if (i < to && !(_tokens[i].Kind == TokenKind.Word && Trade.Conjunctions.Contains(_tokens[i].Text))) after = null;
                continue;
            }

            if (token.Kind == TokenKind.Number) clause.Pieces.Add(new Piece(token.At) { Value = token });
            i++;
        }

        ShareHeads(clause);
        ValuesBehind(clause);
        OnlySome(clause);
    }

    // "… but one", "… apart from the last two": where how many are left out is told.
    private int? LeftOutAt(int i, int to)
    {
        var many = Is(i, "but") ? i + 1 : (Is(i, "apart") || Is(i, "aside")) && Is(i + 1, "from") ? i + 2 : to;
        return many < to && _nouns.Read(many, to, "except") is { Phrase: { IsPronoun: true } left, Next: var next } && (left.Count is not null || left.Text == "one")
            && (next >= to || _tokens[next].Kind != TokenKind.Word) ? many : null;
    }

    // "25 N·m on the tray bolts and 80 N·m on the hub nuts": each value behind what it is told of.
    private static void ValuesBehind(Clause clause)
    {
        // "25 N·m for the one, 45 for the other": the unit is said once.
        var told = clause.Pieces.FindAll(p => p.Noun is not null || p.Value is { Kind: TokenKind.Torque or TokenKind.Angle }
            || p.Value is { Kind: TokenKind.Number } && clause.Pieces.Find(o => o.Value is not null)?.Value is { Kind: TokenKind.Torque });
        // "Torque: 25 N·m for …": the word for it is none of them.
        if (told is [{ Noun: { } lead }, ..] && lead.Head is "torque" or "value") told.RemoveAt(0);
        if (told.Count < 4 || told.Count % 2 > 0) return;
        for (var i = 0; i < told.Count; i += 2)
            if (told[i].Value is null || told[i + 1].Noun is not { After: "on" or "to" or "for" or "at" or "beside" }) return;
        var unit = told[0].Value is { Kind: TokenKind.Torque, Torque.IsGood: true } first ? first.Torque.Value.Unit : (TorqueUnit?)null;
        clause.Pieces.Clear();
        for (var i = 0; i < told.Count; i += 2)
            if (told[i].Value is { Kind: TokenKind.Number } bare && unit is { } of && TorqueText.Parse(bare.Text, of) is { IsGood: true } read)
                told[i] = new Piece(told[i].At) { Value = bare with { Kind = TokenKind.Torque, Torque = read } };
        for (var i = 0; i < told.Count; i += 2) clause.Pieces.AddRange(told[i + 1] with { Noun = told[i + 1].Noun! with { After = null } }, told[i]);
    }

    // "The bolts, but only two of them": so many of what stands before.
    private static void OnlySome(Clause clause)
    {
        for (var i = 1; i < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i].Noun is not { IsPronoun: true, After: null, Some: { } some }) continue;
            var of = clause.Pieces.FindLastIndex(i - 1, p => p.Noun is { After: null });
            if (of < 0 || clause.Pieces[of].Noun is not { IsPronoun: false, IsPlural: true, Some: null } whole) continue;
            clause.Pieces[of] = clause.Pieces[of] with { Noun = whole with { Some = some, Count = null, IsAll = false } };
            clause.Pieces.RemoveAt(i--);
        }
    }
}
