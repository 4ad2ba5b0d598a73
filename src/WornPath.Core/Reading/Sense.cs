using System.Collections.Frozen;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>What a verb of a sentence asks for, before it is known what kind of thing it is done to.</summary>
internal enum Sense
{
    /// <summary>Known, and no change of the vehicle: keep, hold, note.</summary>
    Say,
    Loosen,
    BreakLoose,
    TakeOff,
    Hang,
    Disconnect,
    Drain,
    Raise,
    Support,
    Lower,
    Inspect,
    Measure,
    Clean,
    Apply,
    PutOn,
    Secure,
    Start,
    Snug,
    Torque,
    Stake,
    Mark,
    Connect,
    Fill,
    CheckLevel,
    Pump,
    Wait,
    FunctionCheck,
    Place,
    Align,
    BackOff,
    Seat,
    Replace,
}

/// <summary>Which kinds a sense is done to, and what it then is.</summary>
internal static class Senses
{
    private static readonly FrozenDictionary<(Sense, ThingKind), Verb> Verbs = new Dictionary<(Sense, ThingKind), Verb>
    {
        [(Sense.Loosen, ThingKind.Joint)] = Verb.Loosen,
        [(Sense.BreakLoose, ThingKind.Joint)] = Verb.BreakLoose,
        [(Sense.TakeOff, ThingKind.Joint)] = Verb.TakeOut,
        [(Sense.TakeOff, ThingKind.Part)] = Verb.Remove,
        [(Sense.TakeOff, ThingKind.Aid)] = Verb.TakeAway,
        [(Sense.TakeOff, ThingKind.Connection)] = Verb.Disconnect,
        [(Sense.Hang, ThingKind.Part)] = Verb.HangAside,
        [(Sense.Disconnect, ThingKind.Connection)] = Verb.Disconnect,
        [(Sense.Disconnect, ThingKind.Joint)] = Verb.TakeOut,
        [(Sense.Drain, ThingKind.Fluid)] = Verb.Drain,
        [(Sense.Inspect, ThingKind.Joint)] = Verb.Inspect,
        [(Sense.Inspect, ThingKind.Part)] = Verb.Inspect,
        [(Sense.Inspect, ThingKind.Connection)] = Verb.Inspect,
        [(Sense.Inspect, ThingKind.Fluid)] = Verb.Inspect,
        [(Sense.Measure, ThingKind.Part)] = Verb.Measure,
        [(Sense.Measure, ThingKind.Joint)] = Verb.Measure,
        [(Sense.Clean, ThingKind.Joint)] = Verb.Clean,
        [(Sense.Clean, ThingKind.Part)] = Verb.Clean,
        [(Sense.Clean, ThingKind.Connection)] = Verb.Clean,
        [(Sense.Apply, ThingKind.Joint)] = Verb.Treat,
        [(Sense.Apply, ThingKind.Part)] = Verb.Treat,
        [(Sense.PutOn, ThingKind.Joint)] = Verb.Start,
        [(Sense.PutOn, ThingKind.Part)] = Verb.Fit,
        [(Sense.PutOn, ThingKind.Aid)] = Verb.Place,
        [(Sense.PutOn, ThingKind.Connection)] = Verb.Connect,
        [(Sense.Secure, ThingKind.Joint)] = Verb.Start,
        [(Sense.Start, ThingKind.Joint)] = Verb.Start,
        [(Sense.Snug, ThingKind.Joint)] = Verb.Snug,
        [(Sense.Torque, ThingKind.Joint)] = Verb.Torque,
        [(Sense.Stake, ThingKind.Joint)] = Verb.Stake,
        [(Sense.Mark, ThingKind.Joint)] = Verb.Mark,
        [(Sense.Connect, ThingKind.Connection)] = Verb.Connect,
        [(Sense.Connect, ThingKind.Part)] = Verb.Fit,
        [(Sense.Fill, ThingKind.Fluid)] = Verb.Fill,
        [(Sense.CheckLevel, ThingKind.Fluid)] = Verb.CheckLevel,
        [(Sense.Place, ThingKind.Aid)] = Verb.Place,
        [(Sense.Place, ThingKind.Part)] = Verb.Fit,
        [(Sense.Align, ThingKind.Joint)] = Verb.Align,
        [(Sense.BackOff, ThingKind.Joint)] = Verb.BackOff,
        [(Sense.Seat, ThingKind.Part)] = Verb.Seat,
        [(Sense.FunctionCheck, ThingKind.Part)] = Verb.FunctionCheck,
        [(Sense.FunctionCheck, ThingKind.Connection)] = Verb.FunctionCheck,
        [(Sense.Replace, ThingKind.Part)] = Verb.Fit,
        [(Sense.Replace, ThingKind.Joint)] = Verb.Start,
    }.ToFrozenDictionary();

    /// <summary>The senses whose object changes state: an object the sheet does not know must be asked about.</summary>
    public static bool Changes(Sense sense) => sense is Sense.Loosen or Sense.BreakLoose or Sense.TakeOff or Sense.Hang or Sense.Disconnect or Sense.Drain or Sense.PutOn
        or Sense.Secure or Sense.Start or Sense.Snug or Sense.Torque or Sense.Stake or Sense.Connect or Sense.Fill or Sense.CheckLevel or Sense.Place or Sense.Align or Sense.BackOff or Sense.Replace;

    /// <summary>The action a sense is for a kind of thing; null where it is not done to that kind.</summary>
    public static Verb? For(Sense sense, ThingKind kind) => Verbs.TryGetValue((sense, kind), out var verb) ? verb : null;

    /// <summary>True where the sense is done to that kind.</summary>
    public static bool Accepts(Sense sense, ThingKind kind) => Verbs.ContainsKey((sense, kind));
}
