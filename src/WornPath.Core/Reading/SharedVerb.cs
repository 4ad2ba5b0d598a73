using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>
/// One verb for two things that go two ways: "take the cover off and the pump out of the frame", "get the tractor up on stands and the wheel out of the
/// way", or for one thing and later: "torque the nuts to 230 N·m and again after ten hours". It is said again before the second, before clauses are found.
/// </summary>
internal sealed class SharedVerb(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    protected override void Look(int i)
    {
        Again(i);
        if (At(i) is not "and" || !Trade.Determiners.Contains(At(i + 1)) || EndOfThing(i + 2) is not { } end || !IsWay(end)) return;
        var from = i;
        while (from > 0 && !TokenList.Begins(Tokens, from)) from--;
        // The verb, and the way of the first thing: "take the cover off and the pump out", but not "turn the bolts of the cover and the pump out".
        if (!Trade.VerbsOf(At(from)).Any(f => f.Form == Form.Base && Trade.GoesWays.Contains(f.Verb.Lemma)) || !HasWay(from + 1, i)) return;
        Put(i + 1, At(from));
    }

    // "…, then again at ten hours", "and once more after the first hour".
    private void Again(int i)
    {
        var after = At(i) is "again" ? i + 1 : At(i) is "once" && At(i + 1) is "more" ? i + 2 : i;
        if (after == i || At(after) is not ("after" or "at") || !(IsMark(i - 1, ",") || At(i - 1) is "and" or "then")
            || !(after + 1 < Tokens.Count && Tokens[after + 1].Kind == TokenKind.Time || At(after + 1) is "the" && At(after + 2) is "first"
                || NumberWords.Parse(At(after + 1)) is not null && (Trade.Later.Contains(At(after + 2)) || Trade.Later.Contains(At(after + 3))))) return;
        for (var k = i - 1; k >= 0 && Tokens[k].Kind != TokenKind.Stop; k--)
        {
            if (Tokens[k].Kind != TokenKind.Torque) continue;
            Put(i, after, "retorque", "them");
            return;
        }
    }

    // Where the name of a thing ends that begins there; null where what stands there is none.
    private int? EndOfThing(int from)
    {
        var at = from;
        while (at < from + Longest && At(at).Length > 0 && !Trade.Paths.Contains(At(at)) && Trade.VerbsOf(At(at)).All(f => f.Form != Form.S)) at++;
        return at > from && IsThing(At(at - 1)) ? at : null;
    }

    // "Out", "back on", "out of the way"; "into the frame" tells where to, and no more.
    private bool IsWay(int at) => Trade.Paths.Contains(At(at)) && At(at) is not ("to" or "into" or "onto" or "through" or "over" or "under");

    private bool HasWay(int from, int to) => Enumerable.Range(from, to - from).Any(k => Trade.Paths.Contains(At(k)));
}
