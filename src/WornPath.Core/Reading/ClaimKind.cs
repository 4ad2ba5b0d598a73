namespace WornPath.Core.Reading;

/// <summary>What words can say beside what is done. The words for each stand in Reading/Trade/claims.txt.</summary>
internal enum ClaimKind
{
    /// <summary>A bearing is turned.</summary>
    Turning,

    /// <summary>Something else is done while it turns.</summary>
    WhileTurning,

    /// <summary>With the tyres just touching the ground.</summary>
    TyreTouching,

    /// <summary>With the weight of the vehicle on its suspension.</summary>
    SuspensionLoaded,

    /// <summary>A compound sets.</summary>
    Cures,

    /// <summary>A qualified or a second person looks at it.</summary>
    Qualified,

    /// <summary>Pressure is let off.</summary>
    Relieved,

    /// <summary>A joint is torqued or checked again, on purpose.</summary>
    Again,

    /// <summary>After so much use: hours, distance, the first drive.</summary>
    AfterUse,

    /// <summary>What is done where a value is beyond its limits.</summary>
    OnAFail,

    /// <summary>Goes by what was measured or chosen before.</summary>
    GoesBy,

    /// <summary>Warns of what is done already.</summary>
    Late,

    /// <summary>A hoist, a jack or a second person takes the weight.</summary>
    Lifted,

    /// <summary>A second person is with whoever does it.</summary>
    Helped,

    /// <summary>It is done by one person alone.</summary>
    Alone,

    /// <summary>A tool that is not in every box.</summary>
    SpecialTool,

    /// <summary>"Good and tight".</summary>
    Vague,

    /// <summary>"This one here".</summary>
    Pointing,

    /// <summary>Left or right.</summary>
    Sided,

    /// <summary>From where left and right are seen.</summary>
    SeenFrom,

    /// <summary>A cleaner or a solvent is used.</summary>
    Solvent,

    /// <summary>A spring is compressed.</summary>
    SpringLoad,

    /// <summary>Something is heated.</summary>
    Heat,

    /// <summary>Something is cooled to shrink.</summary>
    Cold,

    /// <summary>Something is pressed.</summary>
    Press,

    /// <summary>Brake dust.</summary>
    BrakeDust,

    /// <summary>A hammer, a drift, a chisel is used.</summary>
    Hammering,

    /// <summary>The size of a socket, wrench or key.</summary>
    ToolSize,

    /// <summary>A property class or grade.</summary>
    Class,

    /// <summary>At the front end.</summary>
    AtFront,

    /// <summary>At the rear end.</summary>
    AtRear,

    /// <summary>On the left side.</summary>
    AtLeft,

    /// <summary>On the right side.</summary>
    AtRight,

    /// <summary>The vehicle stands on a lift.</summary>
    OnLift,

    /// <summary>The vehicle is driven.</summary>
    Drives,

    /// <summary>The engine is run.</summary>
    RunsEngine,

    /// <summary>It stands on a slope.</summary>
    OnSlope,

    /// <summary>What is hot cools down first.</summary>
    Cooled,

    /// <summary>A part hangs by its hose or lead.</summary>
    ByItsHose,

    /// <summary>A part is brought level, straight or square.</summary>
    Levelled,

    /// <summary>A castle nut is turned back to a slot.</summary>
    BackToSlot,

    /// <summary>An instruction or a value that leaves it to whoever reads it.</summary>
    Hedged,

    /// <summary>A single stand.</summary>
    OneStand,

    /// <summary>The whole axle, not one corner of it.</summary>
    WholeAxle,

    /// <summary>Wheel alignment: toe, camber, track.</summary>
    Alignment,

    /// <summary>A part comes down by itself.</summary>
    Falls,

    /// <summary>The chocked wheel is the one that is raised.</summary>
    SideRaised,

    /// <summary>What was adjusted is looked at once more.</summary>
    Adjusts,

    /// <summary>An implement is left up.</summary>
    ImplementUp,

    /// <summary>Somebody is under something.</summary>
    UnderIt,

    /// <summary>Something protective is worn.</summary>
    Wears,

    /// <summary>On the left and on the right alike.</summary>
    BothSides,

    /// <summary>The suspension is loaded by a jack under it.</summary>
    Loads,

    /// <summary>A lead or hose is tied where it runs.</summary>
    Secures,

    /// <summary>Something comes down on what is there to bear it.</summary>
    Onto,

    /// <summary>One thing after the other.</summary>
    Then,

    /// <summary>The old one, and no new one.</summary>
    TheOld,

    /// <summary>The words point at a figure.</summary>
    AsShown,
}
