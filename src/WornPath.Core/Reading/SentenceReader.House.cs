using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// The words the workshop taught come before those of the trade.
public sealed partial class SentenceReader
{
    // What a noun names in this workshop: the whole of it, or its last words.
    private ThingKind? HouseKind(NounPhrase phrase)
    {
        foreach (var word in _sheet.Header.Words)
        {
            if (word.Kind is not { } kind) continue;
            var stems = NameIndex.StemsOf(word.Word);
            if (stems.Length <= phrase.Stems.Count && phrase.Stems.Skip(phrase.Stems.Count - stems.Length).SequenceEqual(stems)) return kind;
        }

        return null;
    }

    // What the verb of a clause comes to in this workshop: "nip up" is said with its particle anywhere in the clause.
    private Sense? HouseSense(Clause clause)
    {
        if (_sheet.Header.Words.IsEmpty || clause.VerbAt < 0) return null;
        var said = _finder.Tokens[clause.VerbAt].Text;
        foreach (var word in _sheet.Header.Words)
        {
            if (word.Verb is not { } verb) continue;
            var parts = word.Word.Split(' ');
            if (English.FormsOf(parts[0], []).Any(f => f.Word == said) && parts.Skip(1).All(p => Has(clause, p)) && SenseOf(verb) is { } sense) return sense;
        }

        return null;
    }

    /// <summary>Whether a word can be taught to always mean a verb.</summary>
    public static bool CanBeTaught(Verb verb) => SenseOf(verb) is not null;

    /// <summary>What a verb that is taught comes to, whatever it is done to; null where it cannot be taught.</summary>
    internal static Sense? SenseOf(Verb verb) => verb switch
    {
        Verb.Remove or Verb.TakeOut or Verb.Disconnect or Verb.TakeAway => Sense.Off,
        Verb.Fit or Verb.Connect => Sense.On,
        Verb.Inspect => Sense.Look,
        Verb.SetAside => Sense.Aside,
        Verb.HangAside => Sense.Hang,
        Verb.FunctionCheck => Sense.Function,
        Verb.CheckLevel => Sense.Level,
        Verb.InsertPin => Sense.PinIn,
        Verb.RemovePin => Sense.PinOut,
        Verb.Start or Verb.Snug or Verb.Torque or Verb.Retorque or Verb.Loosen or Verb.BreakLoose or Verb.BackOff or Verb.TurnOn or Verb.Align or Verb.Stake or Verb.Lock or Verb.Unlock
            or Verb.Discard or Verb.Seat or Verb.Drain or Verb.Fill or Verb.Place or Verb.Clean or Verb.Treat or Verb.Measure or Verb.Mark or Verb.Adjust or Verb.Set => Enum.Parse<Sense>(verb.ToString()),
        _ => null,
    };
}
