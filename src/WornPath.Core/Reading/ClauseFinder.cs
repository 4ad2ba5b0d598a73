using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Cuts a sentence into clauses: which words are verbs, and which noun phrases each has.</summary>
internal sealed class ClauseFinder(string text, NameIndex names)
{
    private readonly List<Token> _tokens = Tokenizer.Tokenize(text);

    /// <summary>The clauses of the text, in order.</summary>
    public List<Clause> Find()
    {
        var clauses = new List<Clause>();
        for (var start = 0; start < _tokens.Count;)
        {
            var end = start;
            while (end < _tokens.Count && _tokens[end].Kind != TokenKind.Stop) end++;
            FindInSentence(start, end, clauses);
            start = end + 1;
        }

        return clauses;
    }

    private void FindInSentence(int start, int end, List<Clause> clauses)
    {
        var verbs = new List<int>();
        for (var i = start; i < end; i++)
            if (IsVerbAt(i, start, end)) verbs.Add(i);

        for (var v = 0; v < verbs.Count; v++)
        {
            var at = verbs[v];
            var to = v + 1 < verbs.Count ? verbs[v + 1] : end;
            var word = _tokens[at].Text;
            var negated = at > start && _tokens[at - 1].Text is "not" or "never" or "don't" or "don’t" || word is "don't" or "don’t";
            bool InClause(string w) => Enumerable.Range(at + 1, to - at - 1).Any(i => _tokens[i].Text == w);
            // A verb that is one only with a companion ("knock … out") and stands without it says nothing that is known.
            var sense = Lexicon.SenseOf(word, InClause) ?? Sense.Say;
            var clause = new Clause(word, negated ? Sense.Say : sense, _tokens[at].At, negated);
            // What stands before the first verb ("With the wheel on the ground, torque …") sets a condition and is no object.
            Fill(clause, at + 1, to);
            clauses.Add(clause);
            // "Do not remove …": the verb after "do not" is said, too.
            if (negated || word is "do") return;
        }
    }

    private bool IsVerbAt(int at, int start, int end)
    {
        var token = _tokens[at];
        if (token.Kind != TokenKind.Word || !Lexicon.IsVerb(token.Text)) return false;
        var before = Previous(at, start);
        var opens = before < start || _tokens[before].Kind == TokenKind.Mark && _tokens[before].Text is not ("%" or "+")
            || Words.Conjunctions.Contains(_tokens[before].Text) || _tokens[before].Text is "please"
            // "Remove the plug to drain the oil": the oil runs out.
            || _tokens[before].Text == "to" && token.Text == "drain";
        if (!opens) return false;
        if (before < start) return true;
        if (!Lexicon.IsAlsoNoun(token.Text)) return true;
        // In a list, "plug" or "clamp" is the verb only where an object follows that is no part of its own name.
        var after = at + 1;
        if (after >= end) return false;
        var next = _tokens[after];
        if (next.Kind == TokenKind.Number && names.IsNumbered(Stem.Of(token.Text), next.Text)) return false;
        return next.Kind == TokenKind.Number || Words.Determiners.Contains(next.Text) || Words.New.Contains(next.Text) || Words.Pronouns.Contains(next.Text)
            || Words.Particles.Contains(next.Text) || next.Text is "to" or "by" || FollowsName(after, end);
    }

    // True where the words from here name a thing, and would not with the verb before them.
    private bool FollowsName(int from, int end)
    {
        var stems = new List<string>();
        for (var i = from; i < end && IsContent(_tokens[i]); i++) stems.Add(Stem.Of(_tokens[i].Text));
        return stems.Count > 0 && names.Resolve(stems).One is not null && names.Resolve([Stem.Of(_tokens[from - 1].Text), .. stems]).One is null;
    }

    // The token before, adverbs passed over.
    private int Previous(int at, int start)
    {
        var before = at - 1;
        while (before >= start && _tokens[before].Kind == TokenKind.Word && (Words.Adverbs.Contains(_tokens[before].Text) || _tokens[before].Text.EndsWith("ly", StringComparison.Ordinal) || _tokens[before].Text == "do"))
            before--;
        return before;
    }

    private static bool IsContent(Token token) =>
        token.Kind == TokenKind.Word
        && !Words.Determiners.Contains(token.Text) && !Words.Prepositions.Contains(token.Text) && !Words.Particles.Contains(token.Text)
        && !Words.Conjunctions.Contains(token.Text) && !Words.Pronouns.Contains(token.Text) && !Words.Adverbs.Contains(token.Text)
        && !(token.Text.EndsWith("ly", StringComparison.Ordinal) && token.Text.Length > 4 && token.Text is not ("assembly" or "supply"));

    private void Fill(Clause clause, int from, int to)
    {
        string? after = null;
        var atVerb = true;
        int? part = null;
        for (var i = from; i < to; i++)
        {
            var token = _tokens[i];
            clause.All.Add(token.Text);
            switch (token.Kind)
            {
                case TokenKind.Torque or TokenKind.Angle or TokenKind.Time:
                    clause.Values.Add(token);
                    atVerb = false;
                    continue;
                case TokenKind.Mark:
                    // What follows a colon explains ("inspect the stub: no scoring"); it is no further object.
                    if (token.Text == ":") return;
                    if (token.Text == ",") after = null;
                    continue;
                case TokenKind.Number:
                    if (IsQuantity(i, to))
                    {
                        part = i++;
                        continue;
                    }

                    // A size before its noun ("13 mm socket") or a value whose unit is not known; both are seen by who reads the clause.
                    clause.Values.Add(token);
                    continue;
            }

            // "All of the bolts" are the bolts; "two of the bolts" are asked about.
            if (IsQuantity(i, to))
            {
                if (token.Text is not ("all" or "both" or "each" or "every")) part = i;
                i++;
                continue;
            }

            if (Words.Particles.Contains(token.Text))
            {
                // Right behind the verb it belongs to the verb; further on, before an object, it says where.
                if (!atVerb && i + 1 < to && (Words.Determiners.Contains(_tokens[i + 1].Text) || IsContent(_tokens[i + 1]))) after = token.Text;
                continue;
            }

            if (Words.Prepositions.Contains(token.Text))
            {
                after = token.Text;
                atVerb = false;
                continue;
            }

            if (Words.Pronouns.Contains(token.Text) || token.Text is "both" or "all" && !LeadsPhrase(i + 1, to))
            {
                clause.Phrases.Add(new Phrase([], token.At, token.Text, after, false) { IsPronoun = true });
                atVerb = false;
                continue;
            }

            if (!IsContent(token)) continue;
            atVerb = false;
            var phrases = clause.Phrases.Count;
            i = ReadPhrase(clause, i, to, after);
            if (part is { } begins && clause.Phrases.Count > phrases)
            {
                var span = new Span(_tokens[begins].At.Start, clause.Phrases[^1].At.End - _tokens[begins].At.Start);
                clause.Phrases[^1] = clause.Phrases[^1] with { IsPart = true, Count = Quantities.NumberWords.Parse(_tokens[begins].Text), At = span, Text = span.Of(text).ToLowerInvariant() };
            }

            part = null;
        }
    }

    // "Two of the bolts", "all of them", "the rest of the screws": how many, and then of what.
    private bool IsQuantity(int at, int to) =>
        at + 1 < to && _tokens[at + 1].Text == "of"
        && (_tokens[at].Kind == TokenKind.Number || Words.Quantities.Contains(_tokens[at].Text) || Quantities.NumberWords.Parse(_tokens[at].Text) is not null);

    private bool LeadsPhrase(int from, int to)
    {
        for (var i = from; i < to; i++)
        {
            if (IsContent(_tokens[i])) return true;
            if (_tokens[i].Kind != TokenKind.Number && !Words.Determiners.Contains(_tokens[i].Text) && _tokens[i].Text is not "of") return false;
        }

        return false;
    }

    // "Cover 2 bolts": the number belongs to the name where a name of the sheet has it there.
    private bool IsNameNumber(int at, List<string> stems) => _tokens[at].Kind == TokenKind.Number && stems.Count > 0 && names.IsNumbered(stems[^1], _tokens[at].Text);

    // Reads the noun phrase that begins at a token; returns the index of its last token.
    private int ReadPhrase(Clause clause, int from, int to, string? after)
    {
        var isNew = false;
        var stems = new List<string>();
        int first = -1, last = from;
        for (var i = from; i < to && (IsContent(_tokens[i]) || IsNameNumber(i, stems)); i++)
        {
            var word = _tokens[i].Text;
            // A count behind a noun begins something else: "each lever five times".
            if (stems.Count > 0 && _tokens[i].Kind != TokenKind.Number && Quantities.NumberWords.Parse(word) is not null) break;
            last = i;
            clause.All.Add(word);
            if (Words.New.Contains(word) && stems.Count == 0)
            {
                isNew = true;
                continue;
            }

            if (Words.Neutral.Contains(word) && stems.Count == 0 && i + 1 < to && IsContent(_tokens[i + 1])) continue;
            if (Quantities.NumberWords.Parse(word) is not null && stems.Count == 0) continue;
            if (first < 0) first = i;
            stems.Add(Stem.Of(word));
        }

        if (stems.Count == 0)
        {
            // "Fit new ones": the pronoun that follows carries on. "One, two, three" is a count and names nothing.
            if ((last + 1 < to && Words.Pronouns.Contains(_tokens[last + 1].Text)) || !isNew) return last;
            clause.Phrases.Add(new Phrase([], _tokens[from].At, _tokens[from].Text, after, isNew) { IsPronoun = true });
            return last;
        }

        var start = _tokens[first].At.Start;
        var span = new Span(start, _tokens[last].At.End - start);
        clause.Phrases.Add(new Phrase(stems, span, span.Of(text).ToLowerInvariant(), after, isNew));
        return last;
    }
}
