namespace WornPath.Core.Reading;

/// <summary>What a thing is to the work, as its name tells. The names stand in Reading/Trade/traits.txt.</summary>
public enum Trait
{
    /// <summary>Lets the pedal go soft when it is moved.</summary>
    BrakePart,

    /// <summary>A brake caliper.</summary>
    Caliper,

    /// <summary>A road wheel.</summary>
    RoadWheel,

    /// <summary>A wheel the vehicle does not run on.</summary>
    OtherWheel,

    /// <summary>Protects in a roll-over.</summary>
    Protective,

    /// <summary>Steers or carries a wheel.</summary>
    Guides,

    /// <summary>Tows or is towed by.</summary>
    Tows,

    /// <summary>Sets how a wheel stands.</summary>
    Aligns,

    /// <summary>Holds by friction, dry.</summary>
    Friction,

    /// <summary>Of a brake that the parking brake works.</summary>
    RearBrake,

    /// <summary>A bearing.</summary>
    Bearing,

    /// <summary>A spring that is kept compressed.</summary>
    CoilSpring,

    /// <summary>Hot long after the engine stopped.</summary>
    Hot,

    /// <summary>More than one person catches.</summary>
    Heavy,

    /// <summary>Driven by the engine.</summary>
    Driven,

    /// <summary>A fluid runs out where it is off.</summary>
    KeepsFluidIn,

    /// <summary>What an engine must not run without.</summary>
    EngineNeeds,

    /// <summary>Holds a road wheel.</summary>
    WheelFastener,

    /// <summary>Of a wheel, a hub or an axle.</summary>
    WheelHardware,

    /// <summary>The nut of an axle or spindle.</summary>
    AxleNut,

    /// <summary>A nut, whose threads are on studs or bolts.</summary>
    Nut,

    /// <summary>A cap behind which hot coolant stands under pressure.</summary>
    PressureCap,

    /// <summary>A clip or a pin that is pushed in and not turned.</summary>
    PushedIn,

    /// <summary>What lets a fluid or a current through.</summary>
    LetsThrough,

    /// <summary>A stud.</summary>
    Stud,

    /// <summary>Turned against what it locks.</summary>
    JamNut,

    /// <summary>Keeps an adjustment once it is set.</summary>
    LocksAdjustment,

    /// <summary>Lets a fluid out.</summary>
    DrainPlug,

    /// <summary>Lets a fluid in.</summary>
    FillPlug,

    /// <summary>A fluid is in it.</summary>
    CarriesFluid,

    /// <summary>Brings the fluid to a brake.</summary>
    BrakeLine,

    /// <summary>Under pressure by its name.</summary>
    Pressed,

    /// <summary>A fluid that stands under pressure.</summary>
    UnderPressure,

    /// <summary>Without it the engine does not start.</summary>
    StartsEngine,

    /// <summary>A raised vehicle is set down on it.</summary>
    Stand,

    /// <summary>Keeps a wheel from rolling.</summary>
    Chock,

    /// <summary>Takes the weight of a part.</summary>
    Carrier,

    /// <summary>Put under what is raised.</summary>
    Under,

    /// <summary>Catches what runs out.</summary>
    Pan,

    /// <summary>Holds a spring.</summary>
    Compressor,

    /// <summary>Hangs on its hydraulics or its lever.</summary>
    Implement,

    /// <summary>Part of a brake, of whatever kind.</summary>
    Brakes,

    /// <summary>Opened to work behind it.</summary>
    Opens,

    /// <summary>A clamp that holds by itself, whatever the others do.</summary>
    OwnClamp,

    /// <summary>Came off, and is used as a tool.</summary>
    OldPart,

    /// <summary>There is one of it on a vehicle, and not one a side.</summary>
    OneOnly,

    /// <summary>At the front by its name.</summary>
    AtFront,

    /// <summary>At the rear by its name.</summary>
    AtRear,

    /// <summary>On the left by its name.</summary>
    AtLeft,

    /// <summary>On the right by its name.</summary>
    AtRight,
}
