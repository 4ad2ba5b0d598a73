using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Where the author has said what a clause comes to, that is what it comes to.
public sealed partial class SentenceReader
{
    private readonly HashSet<AuthorsWord> _said = [];

    // The author's word on the clause at a place; null where there is none, or where it is about something that is gone.
    private AuthorsWord? SaidOf(Span at)
    {
        if (_step.Said.IsEmpty) return null;
        var words = at.Of(_text);
        return _step.Said.FirstOrDefault(s => words.Equals(s.Words, StringComparison.OrdinalIgnoreCase) && s.Stands(_sheet));
    }

    private void Say(AuthorsWord said, Span at)
    {
        _said.Add(said);
        _told = true;
        foreach (var action in said.Actions)
        {
            var thing = action.Target is { } id ? _refer.Find(id) : null;
            _actions.Add(action with
            {
                At = action.At with { Start = at.Start + action.At.Start },
                In = at,
                IsSaid = true,
                Only = _only,
                Branch = action.Branch > 0 ? _branch : 0
            });
            if (thing is null) Spoken.Moved(action.Verb, WhichEnd.Of(at.Of(_text)));
            else
            {
                Spoken.Did(thing, action.Verb);
                Spoken.Hand([thing]);
            }
        }
    }

    // Nothing is done there, and what it speaks of may be "them" in what follows.
    private void Speak(Clause clause)
    {
        _finder.Fill(clause);
        if (clause.Pieces.Find(p => p.Noun is { After: null, IsPronoun: false })?.Noun is not { } noun) return;
        if (_refer.Known(noun) is { } known) Spoken.Hand([known]);
        else if (Trade.NounOf(noun.Stems) is { Role: NounRole.Vehicle }) Spoken.Vehicle = true;
        else _unnamed = noun;
    }

    // Words that still stand and are no clause of their own any more, because the text around them or the reader changed: what the
    // author said of them holds, and what was read there does not.
    private void SayElsewhere()
    {
        foreach (var said in _step.Said)
        {
            if (_said.Contains(said) || !said.Stands(_sheet) || _text.IndexOf(said.Words, StringComparison.OrdinalIgnoreCase) is var start
                && start < 0) continue;
            var at = new Span(start, said.Words.Length);
            var before = _actions.FindLastIndex(a => a.At.Start < at.Start);
            var read = _actions.FindIndex(a => at.Begins(a.At));
            (_only, _branch) = read >= 0 ? (_actions[read].Only, _actions[read].Branch) : (null, 0);
            _actions.RemoveAll(a => at.Begins(a.At));
            _questions.RemoveAll(q => at.Begins(q.At));
            _residue.RemoveAll(r => at.Begins(r));
            var from = _actions.Count;
            Say(said, at);
            var added = _actions[from..];
            _actions.RemoveRange(from, added.Count);
            _actions.InsertRange(Math.Min(before + 1, _actions.Count), added);
        }
    }
}
