using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Hoses, pipes and lines: parted by the unions that are undone, joined by those that are run on, plugged while they are off.
public sealed partial class SentenceReader
{
    // "Undo the unions and swing the lines clear": what a line is screwed on by, where the step has just undone it.
    private Joint? UnionOf(Connection line) => _actions.FindLast(a => a is { Verb: Verb.TakeOut, Some: null, Target: not null }) is { Target: { } id }
        && _refer.Find(id) is Joint union && NameIndex.NamesOf(union)[0] is var name
        && (name.Any(Trade.Unions.Contains) || name.Intersect(NameIndex.NamesOf(line)[0]).Any()) ? union : null;

    // "Start the union nuts of the new hoses": they are connected by that.
    private void ConnectBy(Clause clause, NounPhrase nuts)
    {
        if (nuts is not { IsPronoun: false, OwnerName.Length: > 0 }
            || !PlaceOf(clause).Of(_text).Contains($"new {nuts.OwnerName}", StringComparison.OrdinalIgnoreCase)) return;
        var line = new NounPhrase(nuts.At, nuts.OwnerName.ToLowerInvariant(), nuts.Owner) { Name = nuts.OwnerName, IsNew = true, IsPlural = nuts.IsPlural };
        if (_refer.Known(line) is { } known ? known is Connection : line.Is(ThingKind.Connection)) DoEach(clause, Sense.Connect, [line]);
    }

    // "Ease the pipes away and stick a plug in each": to keep the dirt out.
    private Thing? PluggedBy(NounPhrase phrase) =>
        phrase is { IsIndefinite: true, IsNew: false, Stems.Count: 1, Head: "plug" or "cap" or "bung" or "stopper" } && DoneLately.Any(LeavesOpenEnds)
            ? _refer.Called([phrase.Head]) as Aid ?? _refer.Assume(phrase, ThingKind.Aid, false, null, null) : null;

    private bool LeavesOpenEnds(StepAction action) => action.Verb == Verb.Disconnect || action is { Verb: Verb.Remove, Target: { } id }
        && _refer.Find(id) is { } line && NameIndex.NamesOf(line)[0][^1] is "pipe" or "hose" or "line" or "tube";
}
