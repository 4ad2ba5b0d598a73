using WornPath.Core.Workshops;
namespace WornPath.Core.Tests.Findings;

/// <summary>Each finding that was once missing, by name, in a sheet of its own: a Stop or a Warn at the step that is wrong.</summary>
public class NamedFindingTests
{
    private static Written Hub(params string[] steps) => new Written().Part("wheel").Part("hub").Joint("axle nut",
        "seat 50 N·m, back 90°, set 6 N·m + next slot within 30°", holds: "hub",
        fastener: "M24×1.5 castle nut, 36 mm", locking: "cotter pin").Steps(["Pull the cotter pin out and unscrew the axle nut.",
            "Start the axle nut by hand.", .. steps]);

    private static Written Bolts(string treatment, params string[] steps) => new Written().Part("cover").Joint("cover bolts", "22 N·m",
        holds: "cover", fastener: "M8×25 8.8 bolt, 13 mm")
        .Set("cover bolts", "count", "4").Set("cover bolts", "pattern", "circle").Set("cover bolts", "treatment", treatment)
            .Steps(["Remove the cover bolts and the cover.", "Fit the cover.", .. steps]);

    private static Written Wheel(params string[] steps) => new Written().Part("wheel").Joint("wheel nuts", "140 N·m", holds: "wheel",
        fastener: "M14×1.5 10.9 nut, 21 mm")
        .Set("wheel nuts", "count", "5").Set("wheel nuts", "pattern", "circle").Set("wheel nuts", "condition", "tyre touching").Thing(ThingKind.Aid,
            "axle stands").Thing(ThingKind.Aid, "chocks").Steps(steps);

    private static Written Brake(params string[] steps) => new Written().Part("caliper").Part("brake disc").Part("brake pads").Joint("caliper bolts",
        "90 N·m", holds: "caliper", fastener: "M12×1.5×35 10.9 bolt, 18 mm")
        .Thing(ThingKind.Aid, "wire hook").Steps(steps);

    private static Written Oil(params string[] steps) => new Written().Thing(ThingKind.Fluid, "axle oil").Joint("drain plug", "35 N·m",
        fastener: "M18×1.5 plug, 17 mm").Joint("fill plug", "35 N·m", fastener: "M18×1.5 plug, 17 mm")
        .Set("drain plug", "tell", "the lower one").Set("fill plug", "tell", "the upper one").Thing(ThingKind.Aid, "drain pan").Steps(steps);

    private static Written Plain(string step) => new Written().Part("cover").Joint("cover bolts", "22 N·m", holds: "cover",
        fastener: "M8×25 8.8 bolt, 13 mm").Set("cover bolts", "count", "4")
        .Set("cover bolts", "pattern", "circle").Steps("Remove the cover bolts and the cover.", "Fit the cover. Start the cover bolts by hand.", step);

    private static readonly (string Name, string Found, Func<Written> Sheet)[] Missing =
    [
        ("back-off skipped", "TRQ019 4", () => Hub("Torque the axle nut to 50 N·m while you turn the hub.", "Torque the axle nut to 6 N·m.",
            "Fit a new cotter pin.")),
        ("backed off before it is seated", "TRQ019 3", () => Hub("Back the axle nut off 90°.",
            "Torque the axle nut to 50 N·m while you turn the hub.", "Torque the axle nut to 6 N·m.", "Fit a new cotter pin.")),
        ("turned on instead of back", "TRQ019 4", () => Hub("Torque the axle nut to 50 N·m while you turn the hub.", "Turn the axle nut on by 90°.",
            "Torque the axle nut to 6 N·m.", "Fit a new cotter pin.")),
        ("pin before the torque", "TRQ020 3", () => new Written().Joint("tie rod nut", "60 N·m", locking: "cotter pin",
            fastener: "M12×1.25 castle nut, 18 mm").Steps("Pull the cotter pin and unscrew the tie rod nut.", "Start the tie rod nut by hand.",
            "Fit a new cotter pin to the tie rod nut.", "Torque the tie rod nut to 60 N·m.")),
        ("nut taken off with its pin in", "ORD015 1", () => new Written().Joint("tie rod nut", "60 N·m", locking: "cotter pin",
            fastener: "M12×1.25 castle nut, 18 mm").Steps("Unscrew the tie rod nut.",
            "Start the tie rod nut by hand. Torque the tie rod nut to 60 N·m and turn it on to the next slot.",
            "Fit a new cotter pin to the tie rod nut.")),
        ("pin in a plain nut", "CLO011 2", () => new Written().Joint("tie rod nut", "60 N·m", locking: "cotter pin", fastener: "M12×1.25 nut, 18 mm")
            .Steps("Pull the cotter pin and unscrew the tie rod nut.",
            "Start the tie rod nut by hand and torque it to 60 N·m. Fit a new cotter pin.")),
        ("angle lost", "AGR006 3", () => new Written().Part("cap").Joint("cap bolts", "40 N·m + 90°", holds: "cap",
            fastener: "M10×60 10.9 bolt, 16 mm").Steps("Remove the cap bolts and the cap.", "Fit the cap. Start the cap bolts by hand.",
            "Torque the cap bolts to 40 N·m.")),
        ("oil where a locker belongs", "AGR004 3", () => Bolts("threadlocker, medium", "Oil the cover bolts and start them by hand.",
            "Torque the cover bolts to 22 N·m.")),
        ("old and new of different size without two tools", "TOO005 1", () => new Written().Part("cover").Joint("cover bolts", "42 N·m", holds: "cover",
            fastener: "M10×30 8.8 bolt, 16 mm", kit: true).Joint("old bolts", holds: "cover").Set("old bolts", "becomes", "superseded by J1")
            .Steps("Take out the old bolts and lift the cover off.", "Put the cover back and start the cover bolts by hand.",
                "Torque the cover bolts to 42 N·m.")),
        ("another strength", "AGR004 3", () => Bolts("threadlocker, medium",
            "Apply high strength threadlocker to the cover bolts and start them by hand.", "Torque the cover bolts to 22 N·m.")),
        ("none given, and applied", "AGR004 3", () => Bolts("none", "Apply anti-seize to the cover bolts and start them by hand.",
            "Torque the cover bolts to 22 N·m.")),
        ("applied after they are started", "THR011 4", () => Bolts("threadlocker, medium", "Start the cover bolts by hand.",
            "Apply medium threadlocker to the cover bolts.", "Torque the cover bolts to 22 N·m.")),
        ("oil before locker", "THR008 3", () => Bolts("threadlocker, medium",
            "Oil the cover bolts. Apply medium threadlocker to the cover bolts and start them by hand.", "Torque the cover bolts to 22 N·m.")),
        ("oil on wheel nuts", "AGR004 2", () => Wheel("Undo the wheel nuts and lift the wheel off.",
            "Lift the wheel on. Oil the wheel nuts and start them by hand.")),
        ("grease on a brake disc", "THR013 1", () => Brake("Smear grease on the brake disc.")),
        ("oil on brake pads", "THR013 1", () => Brake("Oil the brake pads.")),
        ("bearing fitted dry", "THR014 2", () => new Written().Part("wheel bearing", fate: "replace").Thing(ThingKind.Consumable, "bearing grease")
            .Steps("Drive the wheel bearing out.", "Drive the new wheel bearing in.")),
        ("bearing packed with something else", "THR014 2", () => new Written().Part("wheel bearing", fate: "replace").Thing(ThingKind.Consumable,
            "bearing grease").Steps("Drive the wheel bearing out.", "Pack the new wheel bearing with copper paste and drive it in.")),
        ("compound on one of several", "THR012 3", () => Bolts("threadlocker, medium",
            "Apply medium threadlocker to one of the cover bolts. Start all cover bolts by hand.", "Torque the cover bolts to 22 N·m.")),
        ("lowered before the stands are away", "HAZ008 2", () => Wheel("Raise the front and set it on axle stands.",
            "Lower the tractor to the ground.", "Take the axle stands away.")),
        ("lowered on hand-started nuts", "HAZ008 4", () => Wheel("Raise the front.", "Undo the wheel nuts and lift the wheel off.",
            "Lift the wheel on. Start the wheel nuts by hand.", "Lower the tractor to the ground.", "Torque the wheel nuts to 140 N·m in a star.")),
        ("wheel nuts first broken loose in the air", "HAZ009 2", () => Wheel("Raise the front and set it on axle stands.",
            "Break the wheel nuts loose.", "Undo the wheel nuts.")),
        ("chocks at the raised axle", "HAZ007 1", () => Wheel("Chock the front wheels.", "Raise the front and set it on axle stands.",
            "Take the axle stands away. Lower the tractor to the ground.", "Take the chocks away.")),
        ("chocks away before it is lowered", "HAZ007 3", () => Wheel("Chock the rear wheels.", "Raise the front and set it on axle stands.",
            "Take the chocks away.", "Take the axle stands away. Lower the tractor to the ground.")),
        ("chocks away only after the drive", "HAZ007 4", () => Wheel("Chock the rear wheels.", "Raise the front and set it on axle stands.",
            "Take the axle stands away. Lower the tractor to the ground.", "Drive slowly and try the brakes.", "Take the chocks away.")),
        ("one stand for an axle", "HAZ010 1", () => Wheel("Raise the whole front axle and set it on one axle stand.")),
        ("work on a slope", "HAZ011 1", () => Wheel("Park on the slope and chock the rear wheels.", "Raise the front and set it on axle stands.")),
        ("parking brake on where its caliper comes off", "HAZ015 3", () => new Written().Part("rear caliper").Joint("caliper bolts", "90 N·m",
            holds: "rear caliper").Thing(ThingKind.Control, "parking brake").Thing(ThingKind.Aid, "wire hook").Steps("Set the parking brake.",
            "Raise the rear and set it on axle stands.", "Take out the caliper bolts. Hang the rear caliper from the frame with the wire hook.")),
        ("caliper hung by its hose", "HAZ013 1", () => Brake("Take out the caliper bolts. Lift the caliper off and let it hang by its hose.")),
        ("caliper hung from nothing", "HAZ013 1", () => Brake("Take out the caliper bolts. Lift the caliper off.")),
        ("pedal pressed with the caliper off", "HAZ014 2",
            () => Brake("Take out the caliper bolts. Hang the caliper from the frame with the wire hook.", "Press the brake pedal.",
            "Take the caliper off the wire hook and fit it. Remove the wire hook.")),
        ("spring nut off before the spring is held", "HAZ012 1", () => new Written().Part("top mount").Part("coil spring", behind: "top mount")
            .Joint("centre nut", "60 N·m", holds: "top mount").Thing(ThingKind.Aid, "spring compressors")
            .Steps("Unscrew the centre nut and lift the top mount off.", "Lift the coil spring off.")),
        ("compressor never released", "CLO004 1", () => new Written().Part("coil spring").Thing(ThingKind.Aid, "spring compressors")
            .Steps("Put the spring compressors on the coil spring.", "Lift the coil spring off.", "Push the coil spring on.")),
        ("subframe unbolted with nothing under it", "HAZ017 1", () => new Written().Part("subframe").Joint("subframe bolts", "120 N·m",
            holds: "subframe").Steps("Take out the subframe bolts. Lift the subframe out.")),
        ("pressure not relieved: return pipe", "HAZ004 1", () => new Written().Thing(ThingKind.Connection, "hydraulic return pipe")
            .Steps("Disconnect the hydraulic return pipe.", "Connect the hydraulic return pipe.")),
        ("pressure not relieved: fuel union", "HAZ004 1", () => new Written().Joint("fuel union", "25 N·m").Steps("Unscrew the fuel union.",
            "Start the fuel union by hand and torque it to 25 N·m.")),
        ("driven before the brakes are pumped", "HAZ018 3",
            () => Brake("Take out the caliper bolts. Hang the caliper from the frame with the wire hook.",
            "Take the caliper off the wire hook and fit it. Remove the wire hook. Start the caliper bolts by hand and torque them to 90 N·m.",
            "Drive slowly and try the brakes.", "Pump the brake pedal until it is firm. Have a qualified person check the brakes.")),
        ("driven before the check is made", "HAZ019 3",
            () => Brake("Take out the caliper bolts. Hang the caliper from the frame with the wire hook.",
            "Take the caliper off the wire hook and fit it. Remove the wire hook. Start the caliper bolts by hand and torque them to 90 N·m. Pump the brake pedal until it is firm.",
            "Drive slowly and try the brakes.",
            "Have a qualified person check the caliper bolts.")),
        ("pan after it is opened", "FLO001 1", () => Oil("Unscrew the drain plug and drain the axle oil.", "Slide the drain pan underneath.",
            "Take the drain pan away. Start the drain plug by hand and torque it to 35 N·m.")),
        ("drained through a closed plug", "FLO002 2", () => Oil("Slide the drain pan underneath.", "Drain the axle oil.", "Unscrew the drain plug.",
            "Take the drain pan away. Start the drain plug by hand and torque it to 35 N·m.")),
        ("filled before it is closed", "FLO003 3", () => Oil("Slide the drain pan underneath. Unscrew the drain plug and drain the axle oil.",
            "Unscrew the fill plug.", "Fill the axle with axle oil.", "Start the drain plug by hand and torque it to 35 N·m.",
            "Take the drain pan away. Start the fill plug by hand and torque it to 35 N·m.")),
        ("level checked before it is filled", "CLO009 3",
            () => Oil("Slide the drain pan underneath. Unscrew the drain plug and drain the axle oil. Start the drain plug by hand and torque it to 35 N·m.",
                "Check the level of the axle oil.", "Fill the axle oil.", "Take the drain pan away.")),
        ("tried before it is cured", "THR009 4", () => Bolts("threadlocker, medium",
            "Apply medium threadlocker to the cover bolts and start them by hand.", "Torque the cover bolts to 22 N·m.",
            "Run the engine for five minutes.")),
        ("connected to something else", "ORD016 2", () => new Written().Thing(ThingKind.Connection, "sensor lead").Set("sensor lead", "goesTo",
            "axle housing").Steps("Unplug the sensor lead.", "Plug the sensor lead into the frame socket.")),
        ("level checked in another position", "FLO006 2", () => new Written().Thing(ThingKind.Fluid, "hydraulic oil").Set("hydraulic oil", "fillTo",
            "upper line, loader down").Steps("Fill the hydraulic oil.", "Check the level of the hydraulic oil with the loader raised.")),
        ("table row upside down", "INS003 1", () => new Written()
            .Steps("Measure the drawbar height.\n| drawbar height | pin hole |\n| 410–380 mm | A |\n| 411–440 mm | B |",
            "Fit the pin into the chosen pin hole.")),
        ("limits crossed", "INS007 1", () => new Written().Part("disc").Steps("Measure the disc: from 12.0 mm to 9.0 mm.")),
        ("limit without a unit", "INS005 1", () => new Written().Part("disc").Steps("Measure the disc: at least 9. If it is thinner, replace the disc.")),
        ("any hole", "WRD010 2", () => new Written().Part("pin")
            .Steps("Measure the drawbar height.\n| drawbar height | pin hole |\n| 380–410 mm | A |\n| 411–440 mm | B |",
            "Fit the pin into any pin hole.")),
        ("a measurement nobody uses", "INS001 1", () => new Written().Part("disc").Steps("Measure the disc.", "Fit the disc.")),
        ("torqued again before the first use", "TRQ022 4", () => Wheel("Raise the front.", "Undo the wheel nuts and lift the wheel off.",
            "Lift the wheel on. Run the wheel nuts on by hand and snug them in a star.", "Torque the wheel nuts again after fifty kilometres.",
            "Lower the tractor to the ground. Torque the wheel nuts to 140 N·m in a star.")),
        ("bolt too short for its hole", "TRQ026 3", () => new Written().Part("bracket").Joint("bracket bolts", "45 N·m", holds: "bracket",
            fastener: "M10×12 8.8 bolt, 16 mm").Set("bracket bolts", "into", "cast aluminium, 18 mm")
            .Steps("Take out the bracket bolts. Lift the bracket off.", "Fit the bracket. Start the bracket bolts by hand.",
            "Torque the bracket bolts to 45 N·m.")),
        ("one-time bolts used again", "PRT001 2", () => new Written().Part("cap").Joint("cap bolts", "40 N·m + 90°", holds: "cap",
            fastener: "M10×60 10.9 bolt, 16 mm", reuse: "renew").Steps("Remove the cap bolts and the cap.",
            "Fit the cap. Start the cap bolts by hand.", "Torque the cap bolts to 40 N·m. Turn the cap bolts on by 90°.")),
        ("bonnet left open", "CLO013 1", () => new Written().Thing(ThingKind.Control, "bonnet").Part("air filter", fate: "replace")
            .Steps("Open the bonnet.", "Take the air filter out.", "Fit the new air filter.")),
        ("one side never done", "CLO003 2", () => new Written().Part("wheel").Part("seal", fate: "replace")
            .Steps("Lift the wheel off. Pry the seal out.", "Repeat step 1 on the right-hand side.",
            "Drive the new seal in on the left-hand side. Lift the wheel on, on both sides.")),
        ("gear left as it should not be", "CLO014 1", () => new Written().Thing(ThingKind.Control, "gear lever").Part("drive shaft")
            .Steps("Put the gear lever in neutral.", "Pull the drive shaft out.", "Push the drive shaft in.")),
        ("adjustment not looked at again after the torque", "TRQ023 3", () => new Written().Part("adjuster").Joint("lock nut", "40 N·m",
            fastener: "M12 nut, 18 mm").Steps("Loosen the lock nut.", "Set the brake lever free play to 20 mm.", "Torque the lock nut to 40 N·m.")),
        ("no alignment after steering came apart", "INS006 2", () => new Written().Part("tie rod end", fate: "replace").Joint("tie rod nut",
            "60 N·m", holds: "tie rod end", locking: "cotter pin", fastener: "M12×1.25 castle nut, 18 mm")
            .Steps("Pull the cotter pin and unscrew the tie rod nut. Take the tie rod end off.",
            "Fit the new tie rod end. Start the tie rod nut by hand. Torque the tie rod nut to 60 N·m and turn it on to the next slot. Fit a new cotter pin.",
            "Have a qualified person check the steering.")),
        ("hedge: about", "WRD010 3", () => Plain("Torque the cover bolts to about 22 N·m.")),
        ("hedge: by feel", "WRD010 3", () => Plain("Tighten the cover bolts by feel.")),
        ("hedge: at least", "WRD010 3", () => Plain("Torque the cover bolts to at least 22 N·m.")),
        ("half of them", "CLO002 3", () => Plain("Torque half of the cover bolts to 22 N·m.")),
        ("hedge: if there is time", "WRD010 3", () => Plain("If there is time, torque the cover bolts to 22 N·m.")),
        ("hedge: unless they feel tight", "WRD010 3", () => Plain("Torque the cover bolts to 22 N·m unless they feel tight.")),
        ("hedge: except one", "CLO002 3", () => Plain("Torque the cover bolts except one to 22 N·m.")),
        ("hedge: later", "WRD010 3", () => Plain("Torque the cover bolts to 22 N·m later.")),
    ];

    public static TheoryData<string> MissingNames => [.. Missing.Select(m => m.Name)];

    [Theory]
    [MemberData(nameof(MissingNames))]
    public void What_was_missed_is_found_where_it_is_wrong(string name)
    {
        var (_, found, sheet) = Missing.Single(m => m.Name == name);
        sheet().Findings().Where(f => f.Severity != Severity.Hint).Select(f => $"{f.Rule} {f.StepNumber}").ShouldContain(found);
    }

    private static readonly (string Name, string[] Rules, Func<Written> Sheet)[] False =
    [
        ("on a lift nobody asks for stands", ["HAZ001", "HAZ007", "HAZ010", "HAZ017"], () => new Written().Part("silencer").Thing(ThingKind.Aid,
            "trolley").Steps("Drive the tractor onto the lift. Raise the lift.",
            "Support the silencer with the trolley. Lift the silencer off with a helper.",
            "Lift the silencer on with a helper. Take the trolley away.", "Lower the lift.")),
        ("strapped on a work stand it is held", ["HAZ"], () => new Written().Part("guard")
            .Steps("Lift the mower onto the work stand and strap it down.", "Take the guard off.", "Fit the guard.")),
        ("a star is a pattern", ["TRQ010"], () => Plain("Torque the cover bolts to 22 N·m in a star.")),
        ("clamps of a hose have no pattern", ["TRQ010"], () => new Written().Part("hose").Joint("hose clamps", "4 N·m", holds: "hose",
            fastener: "M6 8.8 screw, 8 mm").Set("hose clamps", "count", "4").Steps("Remove the hose clamps and the hose.",
            "Fit the hose. Start the hose clamps by hand.", "Torque the hose clamps to 4 N·m.")),
        ("a superseded fastener does not go back", ["CLO"], () => new Written().Part("bracket").Joint("long bolts", "45 N·m", holds: "bracket")
            .Joint("short bolts", "45 N·m", holds: "bracket").Set("short bolts", "becomes", "superseded by long bolts").Set("long bolts", "origin",
            "kit").Steps("Take out the short bolts. Lift the bracket off.",
            "Fit the bracket. Start the long bolts by hand and torque them to 45 N·m.")),
        ("what is thrown away does not go back", ["CLO"], () => new Written().Part("old shield", fate: "discard").Joint("shield screws", "5 N·m",
            holds: "old shield").Set("shield screws", "becomes", "discard")
            .Steps("Take out the shield screws. Lift the old shield off. Throw the old shield and the shield screws away.")),
        ("a bearing nut is not judged by its preload", ["TRQ003", "TRQ004", "TRQ008"], () => new Written().Joint("axle nut",
            "seat 50 N·m, back 90°, set 6 N·m", fastener: "M24×1.5 nut of class 8, 36 mm").Steps("Loosen the axle nut.")),
        ("a plug is not judged by its preload", ["TRQ003", "TRQ004", "TRQ008"], () => new Written().Joint("drain plug", "25 N·m",
            fastener: "M18×1.5 8.8 plug, 17 mm").Steps("Loosen the drain plug.")),
        ("a jam nut is not judged by its preload", ["TRQ003", "TRQ004", "TRQ008"], () => new Written().Joint("jam nut", "15 N·m",
            fastener: "M16 8.8 nut, 24 mm").Steps("Loosen the jam nut.")),
        ("a set screw is not judged by its preload", ["TRQ003", "TRQ004", "TRQ008"], () => new Written().Joint("set screw", "8 N·m",
            fastener: "M10 set screw, 5 mm key").Steps("Loosen the set screw.")),
        ("backed off as it should be, it is not left loose", ["CLO002"], () => Hub("Torque the axle nut to 50 N·m while you turn the hub.",
            "Back the axle nut off 90°.", "Torque the axle nut to 6 N·m and turn it on to the next slot.", "Fit a new cotter pin.")),
        ("an axle nut that a key holds is no wheel nut", ["HAZ001", "TRQ002"], () => new Written().Part("drive wheel").Joint("axle nut", "60 N·m",
            holds: "drive wheel", fastener: "M16×1.5 nut of class 8, 24 mm").Set("axle nut", "heldBy", "key in the shaft")
            .Steps("Raise the rear and set it on axle stands.", "Unscrew the axle nut and pull the drive wheel off.",
            "Push the drive wheel on. Start the axle nut by hand and torque it to 60 N·m.")),
        ("safety glasses stay on", ["CLO004"], () => new Written().Part("blade").Steps("Put safety glasses on.", "Take the blade off.", "Fit the blade.")),
        ("plan B is walked as plan B", ["CLO", "ORD"], () => new Written().Part("bush", fate: "replace")
            .Steps("Press the bush out.\nIf it will not move: cut it through with a saw and drive it out.", "Press the new bush in.")),
        ("twelve o'clock is no limit", ["INS"], () => new Written().Part("cover")
            .Steps("Measure nothing here. Inspect the cover: the mark stands at 12 o'clock.")),
        ("the right way round is no side", ["ORD018", "WRD007"], () => new Written().Part("seal", fate: "replace").Steps("Pry the seal out.",
            "Fit the new seal the right way round.")),
        ("once more is no condition", ["CLO", "ORD"], () => Plain("Torque the cover bolts to 22 N·m in a star, then go round once more.")),
        ("33 mm on M22", ["TOO"], () => Sized("M22×1.5 10.9 nut, 33 mm")),
        ("21 mm wheel nuts", ["TOO"], () => Sized("M14×1.5 10.9 nut, 21 mm")),
        ("17 mm wheel bolts", ["TOO"], () => Sized("M12×1.5×40 10.9 bolt, 17 mm")),
        ("36 mm axle nut", ["TOO"], () => Sized("M24×1.5 nut of class 10, 36 mm", "axle nut")),
        ("6 mm key in an M8 cap screw", ["TOO"], () => Sized("M8×30 8.8 cap screw, 6 mm key", "cover screws")),
        ("10 mm on an M8 flange bolt", ["TOO"], () => Sized("M8×25 8.8 flange bolt, 10 mm", "cover bolts")),
        ("13 mm on an M10 flange bolt", ["TOO"], () => Sized("M10×30 8.8 flange bolt, 13 mm", "cover bolts")),
        ("the new one that was cleaned is still the new one", ["PRT001"], () => new Written().Part("disc", fate: "replace")
            .Thing(ThingKind.Consumable, "brake cleaner").Steps("Pull the disc off.", "Clean the new disc with brake cleaner.", "Push the disc on.")),
        ("unplugged and unclipped is one lead", ["ORD013", "ORD008"], () => new Written().Thing(ThingKind.Connection, "sensor lead")
            .Steps("Unplug the sensor lead and unclip it.", "Clip the sensor lead in and plug it in.")),
        ("a sealant needs no cure of threadlocker", ["THR006", "THR009"], () => Bolts("sealant",
            "Apply sealant to the cover bolts and start them by hand.", "Torque the cover bolts to 22 N·m.")),
        ("a cable clip is no seal", ["PRT002"], () => new Written().Part("cable clip").Steps("Take the cable clip off.", "Fit the cable clip.")),
    ];

    private static Written Sized(string fastener, string name = "wheel nuts") => new Written().Joint(name, "60 N·m", fastener: fastener).Steps($"Loosen the {name}.");

    public static TheoryData<string> FalseNames => [.. False.Select(m => m.Name)];

    [Theory]
    [MemberData(nameof(FalseNames))]
    public void What_was_found_and_is_right_is_found_no_more(string name)
    {
        var (_, rules, sheet) = False.Single(m => m.Name == name);
        sheet().Findings().Where(f => rules.Any(r => f.Rule.StartsWith(r, StringComparison.Ordinal)) && (f.Severity != Severity.Hint || f.Rule == "PRT002")).Select(f => $"{f.Rule} {f.StepNumber} {f.Message}").ShouldBeEmpty();
    }

    // What mends a chock left, a pump or a check left out, goes where it belongs.
    [Theory]
    [InlineData("CLO004", "Drive slowly and try the brakes.", "Lower the tractor to the ground.")]
    [InlineData("CLO006", "Drive slowly and try the brakes.", "Lower the tractor to the ground.")]
    [InlineData("HAZ003", "Drive slowly and try the brakes.", "Lower the tractor to the ground.")]
    public void A_fix_goes_behind_the_lowering_and_before_the_drive(string rule, string drive, string lower)
    {
        var sheet = new Written().Part("caliper").Joint("caliper bolts", "90 N·m", holds: "caliper").Thing(ThingKind.Aid, "wire hook")
            .Thing(ThingKind.Aid, "chocks")
            .Steps("Chock the rear wheels.", "Raise the front.", "Take out the caliper bolts. Hang the caliper from the frame with the wire hook.",
                "Take the caliper off the wire hook and fit it. Remove the wire hook. Start the caliper bolts by hand and torque them to 90 N·m.",
                    lower, drive);
        var fix = sheet.Findings().First(f => f.Rule == rule).Fixes[0];
        sheet.Do(fix.Edit);
        var texts = sheet.Sheet.Steps.Select(s => s.Text).ToList();
        var put = texts.FindIndex(t => t is not ("Chock the rear wheels." or "Raise the front.") && !t.StartsWith("Take",
            StringComparison.Ordinal) && t != lower && t != drive
            || t.StartsWith("Take away", StringComparison.Ordinal));
        put.ShouldBeGreaterThan(texts.IndexOf(lower), string.Join(" / ", texts));
        put.ShouldBeLessThan(texts.IndexOf(drive), string.Join(" / ", texts));
    }
}
