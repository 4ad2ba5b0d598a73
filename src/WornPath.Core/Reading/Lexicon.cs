using System.Collections.Frozen;

namespace WornPath.Core.Reading;

/// <summary>
/// The verbs of the trade. A verb is a word, sometimes with a particle or two more words further on
/// ("break … loose", "start … by hand", "take … off"). To add one, add a row: the word, what must stand with it, its sense.
/// </summary>
internal static class Lexicon
{
    /// <summary>One row: the verb, words that must stand in its clause (any one of the alternatives parted by |; empty for none), its sense.</summary>
    private static readonly (string Verbs, string With, Sense Sense)[] Rows =
    [
        ("break crack", "loose", Sense.BreakLoose),
        ("crack", "", Sense.BreakLoose),
        ("loosen slacken", "", Sense.Loosen),
        ("take", "aside", Sense.Hang),
        ("take", "off|out|away|down|up", Sense.TakeOff),
        ("remove undo unscrew unbolt withdraw extract detach dismount dismantle", "", Sense.TakeOff),
        ("press depress", "pedal", Sense.Pump),
        ("pop slip", "off|out", Sense.TakeOff),
        ("pull pry prise knock drive drift tap lift slide lever press unhook get ease draw work", "off|out|away", Sense.TakeOff),
        ("pull unhook pry prise draw", "", Sense.TakeOff),
        ("hang suspend", "", Sense.Hang),
        ("tie set lay put move swing hold", "aside", Sense.Hang),
        ("tie", "", Sense.Hang),
        ("disconnect unplug unclip uncouple", "", Sense.Disconnect),
        ("drain bleed-off", "", Sense.Drain),
        ("raise jack", "", Sense.Raise),
        ("support", "", Sense.Support),
        ("set rest put lower place", "stand|stands", Sense.Support),
        ("lower", "", Sense.Lower),
        ("let", "down", Sense.Lower),
        ("check", "level|levels", Sense.CheckLevel),
        ("check test", "function|operation|works", Sense.FunctionCheck),
        ("inspect check examine look feel verify confirm", "", Sense.Inspect),
        ("measure gauge", "", Sense.Measure),
        ("clean wipe degrease wash chase brush blow", "", Sense.Clean),
        ("apply coat smear grease oil lubricate", "", Sense.Apply),
        ("put", "drop|smear|film|bead", Sense.Apply),
        ("spin slide slip pop", "on|onto|over|into", Sense.PutOn),
        ("start run screw thread spin turn", "hand|fingers", Sense.Start),
        ("run", "in|down|up|finger-tight", Sense.Start),
        ("start screw thread", "", Sense.Start),
        ("tighten fit install", "hand|hand-tight|finger-tight|fingers|finger", Sense.Start),
        ("hand-tighten finger-tighten", "", Sense.Start),
        ("tighten nip", "snug", Sense.Snug),
        ("snug", "", Sense.Snug),
        ("torque tighten re-torque retorque final-torque", "", Sense.Torque),
        ("slide", "under|beneath", Sense.Place),
        ("put slide push press fit lift screw hook", "back|on|in", Sense.PutOn),
        ("fit refit install reinstall mount remount attach insert locate assemble reassemble", "", Sense.PutOn),
        ("push bend", "", Sense.PutOn),
        ("secure fasten", "", Sense.Secure),
        ("bolt", "", Sense.Secure),
        ("stake peen", "", Sense.Stake),
        ("mark paint", "", Sense.Mark),
        ("plug connect reconnect hook couple clip", "in|back|up|to|on|into", Sense.Connect),
        ("connect reconnect couple", "", Sense.Connect),
        ("plug cap cover stuff block wedge", "", Sense.Place),
        ("place chock stuff stand", "", Sense.Place),
        ("put", "", Sense.Place),
        ("top", "up", Sense.Fill),
        ("fill refill replenish", "", Sense.Fill),
        ("pump", "", Sense.Pump),
        ("wait", "", Sense.Wait),
        ("let leave allow", "cure|cool|dry|set", Sense.Wait),
        ("function-check test operate cycle road-test test-drive", "", Sense.FunctionCheck),
        ("align", "", Sense.Align),
        ("turn tighten", "slot", Sense.Align),
        ("back", "off", Sense.BackOff),
        ("turn rotate spin seat", "", Sense.Seat),
        ("replace renew", "", Sense.Replace),
        ("keep note hold discard catch avoid use make move press release switch set have leave let do don't don’t bin throw tell ask read see refer record write repeat go open close engage park stop straighten bend take try work break lift slide give protect allow ensure", "", Sense.Say),
    ];

    private static readonly FrozenDictionary<string, (string[] With, Sense Sense)[]> ByVerb = Rows
        .SelectMany(r => r.Verbs.Split(' ').Select(v => (Verb: v, With: r.With.Length == 0 ? [] : r.With.Split('|'), r.Sense)))
        .GroupBy(r => r.Verb)
        .ToFrozenDictionary(g => g.Key, g => g.Select(r => (r.With, r.Sense)).ToArray());

    /// <summary>Words that are nouns as often as verbs: in the middle of a list they are verbs only before a determiner or a count.</summary>
    private static readonly FrozenSet<string> AlsoNouns =
        "plug drain clamp mark pin fill support measure seal stake torque bolt clip pump seat level check lock cap wedge chock oil grease screw thread paint hook stand cover block tap brush press set spin turn work drive note use hold catch top back test cycle couple release switch move stop tie".Split(' ').ToFrozenSet(StringComparer.Ordinal);

    /// <summary>True where the word can be a verb.</summary>
    public static bool IsVerb(string word) => ByVerb.ContainsKey(word);

    /// <summary>True where the word is a noun as often as a verb.</summary>
    public static bool IsAlsoNoun(string word) => AlsoNouns.Contains(word);

    /// <summary>The sense of a verb in a clause: the first row whose companion words stand in it.</summary>
    public static Sense? SenseOf(string verb, Predicate<string> inClause)
    {
        if (!ByVerb.TryGetValue(verb, out var rows)) return null;
        foreach (var (with, sense) in rows)
            if (with.Length == 0 || Array.Exists(with, inClause)) return sense;
        return null;
    }
}
