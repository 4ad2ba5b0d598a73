namespace WornPath.Core.Reading;

/// <summary>What a verb of a sentence asks for, before it is known what kind of thing it is done to. Reading/Trade/senses.txt says what each comes to.</summary>
internal enum Sense
{
    /// <summary>Known, and nothing changes: keep, note, watch.</summary>
    Say,
    Off,
    On,

    /// <summary>Moved, and the way does not tell whether off or on: what it was before tells.</summary>
    Move,

    /// <summary>The same, and what nothing was done to before comes off.</summary>
    MoveOff,

    /// <summary>The same; what is on and no new thing is only held or shifted.</summary>
    MoveSay,

    /// <summary>Tilted, folded away: it comes off by that where its fasteners are out.</summary>
    MoveFree,
    BreakLoose,

    /// <summary>Its fasteners come out, and it comes off.</summary>
    Unbolt,
    Loosen,
    Start,
    Secure,

    /// <summary>Bolted up to a value: what is bolted is fitted, its fasteners are torqued.</summary>
    BoltTorque,
    Snug,
    Torque,
    Retorque,
    TurnOn,
    Align,
    BackOff,
    Stake,
    Lock,
    Unlock,
    PinIn,
    PinOut,
    Disconnect,
    Connect,
    Drain,
    Fill,
    Level,
    Place,
    Away,
    Hang,
    Aside,
    Along,
    Discard,
    Replace,

    /// <summary>From the old to the new: off where it is not off yet, and on.</summary>
    Transfer,

    Mark,
    Look,
    Measure,
    Clean,
    Treat,
    Seat,
    Function,
    Adjust,
    Wait,
    Set,

    /// <summary>The jack is let down: the vehicle comes down where it was up.</summary>
    JackDown,

    /// <summary>Chocked, capped, wedged: the verb names the aid, its object only where it goes.</summary>
    PlaceOwn,

    /// <summary>Uncapped: the cap that was put there comes away.</summary>
    TakeOwn,

    /// <summary>Taken off what it hangs on: the hook comes away.</summary>
    Unhang,

    /// <summary>Tried again: what was done before it, once more.</summary>
    Again,
    Raise,
    Stands,
    Touch,
    Lower,

    /// <summary>Something is lowered that may be the vehicle or not.</summary>
    VehicleMoves,

    /// <summary>Something is supported: an aid comes under it.</summary>
    Support,
    Pump,
    Repeat,
}
