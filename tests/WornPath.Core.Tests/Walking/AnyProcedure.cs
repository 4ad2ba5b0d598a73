using CsCheck;

namespace WornPath.Core.Tests.Walking;

/// <summary>Procedures nobody would write, from numbers: things of every kind, and sentences about them in any order, some for one side or on a plan B.</summary>
internal static class AnyProcedure
{
    private static readonly string[] Sentences =
    [
        "Remove the cover bolts.", "Loosen the cover bolts.", "Start the cover bolts by hand.", "Snug the cover bolts.", "Torque the cover bolts to 22 N·m.", "Remove the cover.", "Fit the cover.", "Fit the new seal.", "Remove the seal.",
        "Unplug the lamp lead.", "Connect the lamp lead.", "Drain the gear oil.", "Fill the gear oil.", "Check the level of the gear oil.", "Stuff the rag into the bore.", "Take away the rag.", "Raise the tractor.", "Support the tractor on stands.",
        "Lower the tractor to the ground.", "Remove the caliper.", "Fit the caliper.", "Pump the brake pedal.", "Torque the hub nut to 80 N·m.", "Insert a new cotter pin in the hub nut.", "Pull the cotter pin from the hub nut.", "Loosen the hub nut.",
        "Torque the cover bolts to 11 N·m in the first pass.", "Clean the cover.", "Inspect the seal.", "Hang the caliper aside with the hook.", "Snug the clip.", "Remove the clip.", "Mark the cover bolts.",
    ];

    private static readonly string[] Leads = ["", "", "", "", "Left: ", "Right: "];

    /// <summary>Sheets of up to forty steps.</summary>
    public static readonly Gen<Written> Any = Gen.Select(Gen.Int[0, Sentences.Length - 1], Gen.Int[0, Leads.Length - 1], Gen.Int[0, 9]).Array[1, 40].Select(Of);

    private static Written Of((int Sentence, int Lead, int Branch)[] numbers)
    {
        var sheet = new Written().Header("variants", "side: left, right").Part("cover").Part("seal", fate: "replace", behind: "cover").Part("caliper").Part("bracket", kit: true)
            .Joint("cover bolts", "22 N·m", holds: "cover").Joint("hub nut", "80 N·m", locking: "cotter pin").Joint("clip", "snug").Joint("bracket bolts", "95 N·m", kit: true, holds: "bracket")
            .Thing(ThingKind.Connection, "lamp lead").Thing(ThingKind.Fluid, "gear oil").Thing(ThingKind.Aid, "rag").Thing(ThingKind.Aid, "hook");
        // A few turn out otherwise; more would multiply the walks.
        var turns = 0;
        string Text((int Sentence, int Lead, int Branch) n)
        {
            var said = Sentences[n.Sentence];
            var lead = Leads[n.Lead];
            if (lead.Length > 0) said = lead + char.ToLowerInvariant(said[0]) + said[1..];
            return n.Branch == 0 && turns++ < 2 ? $"{said}\nOr, if it sits fast: {char.ToLowerInvariant(Sentences[(n.Sentence + 5) % Sentences.Length][0])}{Sentences[(n.Sentence + 5) % Sentences.Length][1..]}" : said;
        }

        return sheet.Steps([.. numbers.Select(Text)]);
    }
}
