using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR013: grease, oil or a paste on what holds by friction: a brake disc, drum, pad or shoe, a taper.</summary>
public sealed class GreaseOnFriction : Rule
{
    public override RuleInfo Info { get; } = new("THR013", Severity.Stop, "Grease on a friction face");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var put in walk.Doing(Verb.Treat))
        {
            // Also what the sheet keeps no count of: then the words of the clause tell what goes on it.
            var name = put.Thing?.Name ?? put.Action.Words ?? "";
            if (put.Thing is not (Part or null) || !(put.Thing is { } thing ? Natures.Is(thing, Trait.Friction) : Natures.Is(name, Trait.Friction))) continue;
            var what = put.Thing is null && put.Action.With is null ? Clause(put) : Applied.What(walk, put);
            if (!Applied.IsSlippery(what) || SaysWhere(put)) continue;
            yield return At(put, $"{put.Thing?.Label ?? Sentences.Capital(name)} gets {(put.Thing is null ? "something slippery" : what)} here: what "
                + "holds by friction holds dry. Clean it, and put nothing on it.");
        }
    }

    // "A film of paste on the back of the pads" is where it belongs.
    private static bool SaysWhere(WalkEvent put) => Trade.Says(Clause(put), Trade.BackOf);

    private static string Clause(WalkEvent put) => put.Action.In.Length > 0 ? put.Action.In.Of(put.Step.Text) : put.Step.Text;
}
