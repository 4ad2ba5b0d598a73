using System.Collections.Frozen;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>The small words of a sentence, and the nouns that tell what kind of thing is named.</summary>
internal static class Words
{
    public static readonly FrozenSet<string> Determiners = Set("the a an all both each every this that these those its their your some any x × no");

    public static readonly FrozenSet<string> Prepositions = Set(
        "from with onto into to at under over behind between through against by for of until near around across along using without before after while when if so that because beside above below inside outside past during as like than where which who once unless per clear");

    /// <summary>Words that are particles of a verb ("take off") or prepositions ("off the hub"), by where they stand.</summary>
    public static readonly FrozenSet<string> Particles = Set("off out on in up down back away aside apart loose together upside");

    public static readonly FrozenSet<string> Conjunctions = Set("and or then but plus");

    public static readonly FrozenSet<string> Pronouns = Set("it them they one ones everything anything nothing something what there you he she we i");

    /// <summary>Adjectives that do not tell one thing from another.</summary>
    public static readonly FrozenSet<string> Neutral = Set("old remaining other same clean dry original whole complete existing same used loose fresh own entire good");

    /// <summary>Words that say before "of" how many of them are meant.</summary>
    public static readonly FrozenSet<string> Quantities = Set("all both each every any rest remainder half most some few several one");

    /// <summary>Words that say the thing is new.</summary>
    public static readonly FrozenSet<string> New = Set("new replacement");

    /// <summary>Adverbs without -ly, and other words that end a noun phrase.</summary>
    public static readonly FrozenSet<string> Adverbs = Set(
        "good plenty nice real pretty now again next first last finally round times time also just only still here always never not square flush firm fully halfway home straight crosswise hand-tight finger-tight tight right-side is are was were be been has have had will can must may should does do did comes come goes go moves move turns sits hangs free by-hand hard slowly twice once-again clockwise anticlockwise counterclockwise");

    public static readonly FrozenSet<string> Vehicle = Set("vehicle tractor machine car truck trailer implement axle front rear end corner chassis side beam body");

    public static readonly FrozenSet<string> Pins = Set("cotter split");

    private static readonly FrozenSet<string> JointHeads = Set("bolt screw nut stud fitting fastener capscrew setscrew locknut plug-bolt union clamp-bolt");
    private static readonly FrozenSet<string> ConnectionHeads = Set("connector lead plug hose cable line pipe harness wire terminal coupling coupler earth ground");
    private static readonly FrozenSet<string> FluidHeads = Set("oil coolant fluid fuel water antifreeze");
    private static readonly FrozenSet<string> AidHeads = Set("stand hanger rag wedge chock jack bungee bucket tray");

    /// <summary>The kinds a new thing of this head noun is likely to be, for an action; the likeliest first.</summary>
    public static IReadOnlyList<ThingKind> LikelyKinds(string headStem, Sense sense)
    {
        var first = JointHeads.Contains(headStem) ? ThingKind.Joint
            : ConnectionHeads.Contains(headStem) && sense is not Sense.Hang ? ThingKind.Connection
            : FluidHeads.Contains(headStem) ? ThingKind.Fluid
            : AidHeads.Contains(headStem) ? ThingKind.Aid
            : sense switch
            {
                Sense.Loosen or Sense.BreakLoose or Sense.Start or Sense.Snug or Sense.Torque or Sense.Stake or Sense.Align or Sense.BackOff => ThingKind.Joint,
                Sense.Disconnect or Sense.Connect => ThingKind.Connection,
                Sense.Drain or Sense.Fill or Sense.CheckLevel => ThingKind.Fluid,
                Sense.Place => ThingKind.Aid,
                _ => ThingKind.Part,
            };
        var others = new[] { ThingKind.Part, ThingKind.Joint, ThingKind.Connection, ThingKind.Aid, ThingKind.Fluid };
        return [first, .. others.Where(k => k != first).Where(k => Senses.Accepts(sense, k))];
    }

    private static FrozenSet<string> Set(string words) => words.Split(' ').ToFrozenSet(StringComparer.Ordinal);
}
