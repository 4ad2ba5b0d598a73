using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What does not come is tried another way: "if it sticks, use a puller", "stuck? slide hammer", "if it won't shift, heat it and try again".
public sealed partial class SentenceReader
{
    // Under a condition, what the step was about is done once more, by what the clause tells.
    private void TryAnotherWay(Clause clause, int from)
    {
        if (_branch == 0 || clause.Negated || clause.IsProviso) return;
        var sign = _branches[_branch - 1];
        if (Tried(sign, from) is not { } tried) return;
        // "If rust holds it, knock it loose from behind": it comes off so.
        var freed = _actions.FindIndex(from, a => a.Verb == Verb.BreakLoose && a.Target == tried.Target);
        if (freed >= 0 && tried.Verb == Verb.Remove) _actions[freed] = _actions[freed] with { Verb = Verb.Remove };
        if (freed >= 0 || !Resists(sign.Sign) || !TriesHarder(clause)) return;
        bool IsOnlyMeans(StepAction a) => a.Verb == Verb.Place && _refer.Find(a.Target ?? "") is Tool;
        if (_actions.Skip(from).Any(a => a.Verb is not (Verb.Treat or Verb.Wait) && !IsOnlyMeans(a))
            || _actions.Exists(a => a.Branch == _branch && a.Target == tried.Target)) return;
        _actions.RemoveAll(a => a.Branch == _branch && IsOnlyMeans(a) && PlaceOf(clause).Meets(a.At));
        _questions.RemoveAll(q => PlaceOf(clause).Begins(q.At));
        _residue.RemoveAll(PlaceOf(clause).Meets);
        Redo(clause, tried);
    }

    // "Warm it and try again": what was tried before it, once more; under a condition, if what goes before has not told it yet.
    private void Again(Clause clause)
    {
        if ((_actions.FindLast(a => a is { Branch: 0, Target: not null, Verb: not (Verb.Treat or Verb.Wait or Verb.Clean) })
            ?? (_branch > 0 && Resists(_branches[_branch - 1].Sign) ? Tried(_branches[_branch - 1], 0) : null)) is { } tried
            && !(_branch > 0 && _actions.Exists(a => a.Branch == _branch && a.Verb == tried.Verb && a.Target == tried.Target))) Redo(clause, tried);
    }

    private void Redo(Clause clause, StepAction tried) => _actions.Add(tried with { Branch = 0, Only = null, At = PlaceOf(clause), In = default });

    // By what is driven, pulled or levered, or simply again.
    private bool TriesHarder(Clause clause) => Has(clause, "again") && clause.Verb?.Lemma is "press" or "pull" or "push" or "go"
        || clause.Nouns.Any(n => n is { IsPronoun: false } && Trade.Forces.Contains(Stem.Of(n.Head)));

    // What was done last to what the condition names, or last of all; what it names alone where nothing was done to it yet.
    private StepAction? Tried(Branch sign, int from)
    {
        static bool Frees(StepAction a) => a is { Target: not null, Branch: 0, Verb: Verb.Remove or Verb.TakeOut or Verb.Disconnect or Verb.BreakLoose };
        var done = (Before?.Actions.Where(Frees) ?? []).Concat(_actions.Take(from).Where(Frees)).ToList();
        var named = _clauses.Where(c => c.IsProviso && sign.At.Meets(PlaceOf(c))).SelectMany(c => c.Nouns).Where(n => !n.IsPronoun)
            .Select(n => _refer.Known(n)).FirstOrDefault(t => t is Part or Joint or Connection);
        if (named is null) return done.LastOrDefault();
        return done.FindLast(a => a.Target == named.Id) ?? (named is Part ? new StepAction { Verb = Verb.Remove, Target = named.Id } : done.LastOrDefault());
    }

    // "It sticks", "rusted on", "the taper doesn't pop", "not": it does not come.
    private static bool Resists(string sign)
    {
        var words = sign.ToLowerInvariant().Split([' ', ',', '-'], StringSplitOptions.RemoveEmptyEntries);
        static bool Denies(string word) => Trade.Negations.Contains(word) || word.EndsWith("n't", StringComparison.Ordinal)
            || word.EndsWith("n’t", StringComparison.Ordinal);
        return Array.Exists(words, Denies) && !Array.Exists(words, Trade.Sticks.Contains)
            ? words.Length > 0 && Denies(words[^1]) || Array.Exists(words, Trade.Budges.Contains) : Array.Exists(words, Trade.Sticks.Contains);
    }
}
