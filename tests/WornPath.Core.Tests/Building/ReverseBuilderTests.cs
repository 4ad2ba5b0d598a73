using System.Collections.Immutable;
using CsCheck;
using WornPath.Core.Building;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Building;

public class ReverseBuilderTests
{
    private static string[] Refit(Written sheet) => [.. ReverseBuilder.Propose(sheet.Walk(), "h1")];

    // The proposal written into the sheet and walked again.
    private static Written Built(Written sheet) => sheet.Do(ReverseBuilder.EditFor(sheet.Walk(), "h1")!);

    private static void ShouldWalkClean(Written sheet)
    {
        sheet.Findings().Where(f => f.Severity > Severity.Hint).Select(f => $"{f.StepNumber}: {f.Rule} {f.Message}").ShouldBeEmpty();
        sheet.Sheet.Steps.SelectMany(s => s.Questions).ShouldBeEmpty();
    }

    [Fact]
    public void What_came_off_goes_on_in_reverse_new_for_what_is_replaced_nothing_for_what_is_discarded()
    {
        var sheet = new Written().Part("cover").Part("oil seal", fate: "replace", behind: "cover").Part("old bracket", fate: "discard")
            .Joint("cover bolts", "22 N·m", holds: "cover").Joint("old bracket bolts", holds: "old bracket").Thing(ThingKind.Connection, "lamp lead").Thing(ThingKind.Aid, "rag")
            .Steps("Unplug the lamp lead.", "Remove the old bracket bolts and the old bracket.", "Remove the cover bolts and the cover.", "Remove the oil seal and stuff the rag into the bore.");
        Refit(sheet).ShouldBe(
        [
            "Take away the rag. Fit the new oil seal.",
            "Fit the cover. Start the cover bolts by hand. Torque the cover bolts to 22 N·m.",
            "Connect the lamp lead.",
        ]);
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void When_the_removal_changes_later_what_its_author_has_made_of_the_refit_is_kept()
    {
        var sheet = new Written().Part("cover").Part("filter").Joint("cover bolts", "22 N·m", holds: "cover").Thing(ThingKind.Connection, "lamp lead").Steps("Unplug the lamp lead.", "Remove the cover bolts.", "Remove the cover.");
        sheet = Built(sheet);
        var refit = sheet.Sheet.Phases[1];
        // The lead goes on before the bolts are torqued: the author's exception.
        sheet.Do(new MoveStep(refit.Steps.Single(s => s.Text.StartsWith("Connect", StringComparison.Ordinal)).Id, refit.Id, null));
        Refit(sheet).ShouldBeEmpty("all of it is back");
        sheet.Do(new InsertStep(null, "h1", sheet.Sheet.Phases[0].Steps[^1].Id, "Remove the filter."));
        Refit(sheet).ShouldBe(["Fit the filter."]);
        sheet.Do(Core.Building.ReverseBuilder.EditFor(sheet.Walk(), "h1")!);
        sheet.Sheet.Phases[1].Steps[0].Text.ShouldBe("Connect the lamp lead.");
        Refit(sheet).ShouldBeEmpty();
    }

    [Fact]
    public void A_wheel_is_snugged_in_the_air_and_torqued_on_the_ground_where_it_was_first_loosened()
    {
        var sheet = new Written().Part("front wheel").Joint("wheel nuts", "130 N·m", holds: "front wheel").Set("wheel nuts", "count", "5").Set("wheel nuts", "pattern", "circle").Thing(ThingKind.Aid, "axle stands")
            .Thing(ThingKind.Aid, "chocks")
            .Steps("Chock the rear wheels with the chocks.", "Loosen the wheel nuts half a turn.", "Raise the tractor.",
                "Support the tractor on the axle stands.", "Remove the wheel nuts and the front wheel.");
        var refit = Refit(sheet);
        refit[0].ShouldBe("Fit the front wheel. Start the wheel nuts by hand. Snug the wheel nuts in the order drawn.");
        refit.ShouldContain("Torque the wheel nuts to 130 N·m.");
        refit.IndexOf("Take away the chocks.").ShouldBeGreaterThan(refit.IndexOf("Lower the vehicle to the ground."),
            "what keeps it from rolling stays until it is down");
        refit[^1].ShouldBe("After the first use or 100 km (60 mi), retorque the wheel nuts to 130 N·m.");
        refit.ShouldContain("Lower the vehicle to the ground.");
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void Pins_treatments_marks_slots_and_bearings_come_where_they_belong()
    {
        var sheet = new Written().Part("hub").Part("caliper").Joint("hub nut", "seat 40 N·m, back 90°, set 8 N·m + next slot", fastener: "M24x1.5 castle nut", holds: "hub", locking: "cotter pin")
            .Joint("caliper bolts", "95 N·m", holds: "caliper").Set("caliper bolts", "treatment", "threadlocker, medium").Set("caliper bolts", "mark", "yes").Thing(ThingKind.Aid, "wire hook")
            .Steps("Remove the caliper bolts and hang the caliper from the beam with the wire hook.", "Pull the cotter pin from the hub nut and remove the hub nut.", "Remove the hub.");
        Refit(sheet).ShouldBe(
        [
            "Fit the hub.",
            "Start the hub nut by hand. Torque the hub nut to 40 N·m in the first pass while you turn it. Back off the hub nut 90°. Torque the hub nut to 8 N·m. Turn the hub nut on to the next slot, never back. Insert a new cotter pin in the hub nut.",
            "Take the caliper off the wire hook. Remove the wire hook. Fit the caliper. Clean the caliper bolts. Apply medium threadlocker to the caliper bolts. Start the caliper bolts by hand. Torque the caliper bolts to 95 N·m. Mark the caliper bolts.",
            "Let the medium threadlocker cure 28 hours before the vehicle is used.", "Pump the brake pedal until it is firm.",
            "Have a qualified person check the caliper bolts before the vehicle is used.",
        ]);
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void What_comes_with_the_kit_is_fitted_before_the_vehicle_comes_down_and_fluids_are_filled_and_checked()
    {
        var sheet = new Written().Part("valve cover").Part("valve slice", kit: true).Part("lever bracket", kit: true).Thing(ThingKind.Fluid, "hydraulic oil")
            .Joint("stud nuts", "24 lbf·ft", holds: "valve cover, valve slice").Joint("bracket screws", "9 N·m", kit: true, holds: "lever bracket")
            .Steps("Drain the hydraulic oil.", "Remove the stud nuts and the valve cover.");
        Refit(sheet).ShouldBe(
        [
            "Fit the valve cover. Fit the valve slice. Start the stud nuts by hand. Torque the stud nuts to 24 lbf·ft.",
            "Fit the lever bracket. Start the bracket screws by hand. Torque the bracket screws to 9 N·m.",
            "Fill the hydraulic oil.",
            "Check the level of the hydraulic oil.",
        ]);
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void What_is_back_already_is_not_put_back_again() =>
        Refit(new Written().Part("cover").Joint("cover bolts", "22 N·m", holds: "cover").Steps("Remove the cover bolts and the cover.", "Fit the cover, start the cover bolts and torque them to 22 N·m.")).ShouldBeEmpty();

    [Fact]
    public void What_comes_with_the_kit_and_goes_under_what_came_off_is_fitted_first()
    {
        var sheet = new Written().Part("drum").Part("spacer", kit: true, behind: "drum").Part("shim", kit: true, behind: "spacer").Joint("spacer bolts", "80 N·m", kit: true, holds: "spacer").Joint("clamp bolts", "130 N·m", holds: "drum")
            .Steps("Remove the clamp bolts and the drum.");
        Refit(sheet).ShouldBe(
        [
            "Fit the shim.",
            "Fit the spacer. Start the spacer bolts by hand. Torque the spacer bolts to 80 N·m.",
            "Fit the drum. Start the clamp bolts by hand. Torque the clamp bolts to 130 N·m.",
        ]);
        ShouldWalkClean(Built(sheet));
    }

    // What came off made room: the kit goes on before it comes back, and a gasket before what it is named after.
    [Fact]
    public void What_comes_with_the_kit_goes_on_before_what_was_taken_off_to_make_room()
    {
        var sheet = new Written().Part("bumper").Part("hitch bar", kit: true).Part("pump").Part("pump gasket", kit: true).Joint("bumper bolts", "45 N·m", holds: "bumper")
            .Joint("bar bolts", "80 N·m", kit: true, holds: "hitch bar").Joint("pump bolts", "20 N·m", holds: "pump").Thing(ThingKind.Connection, "battery lead")
            .Steps("Disconnect the battery lead.", "Remove the bumper bolts and the bumper.", "Remove the pump bolts and the pump.");
        Refit(sheet).ShouldBe(
        [
            "Fit the pump gasket.",
            "Fit the pump. Start the pump bolts by hand. Torque the pump bolts to 20 N·m.",
            "Fit the hitch bar. Start the bar bolts by hand. Torque the bar bolts to 80 N·m.",
            "Fit the bumper. Start the bumper bolts by hand. Torque the bumper bolts to 45 N·m.",
            "Connect the battery lead.",
            "Have a qualified person check the bar bolts before the vehicle is used.",
        ]);
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void What_is_torqued_loaded_waits_until_the_vehicle_is_down_and_the_chocks_are_last()
    {
        var sheet = new Written().Part("trailing arm").Joint("arm bolt", "130 N·m", holds: "trailing arm").Set("arm bolt", "condition", "suspension loaded")
            .Thing(ThingKind.Aid, "chocks").Thing(ThingKind.Aid, "axle stands").Thing(ThingKind.Fluid, "axle oil").Thing(ThingKind.Aid, "drain pan")
            .Steps("Chock the wheels with the chocks.", "Raise the tractor and set it on the axle stands.", "Place the drain pan and drain the axle oil.", "Remove the arm bolt and the trailing arm.");
        Refit(sheet).ShouldBe(
        [
            "Fit the trailing arm. Start the arm bolt by hand.",
            "Take away the drain pan.",
            "Take away the axle stands. Lower the vehicle to the ground. Torque the arm bolt to 130 N·m.",
            "Fill the axle oil.",
            "Check the level of the axle oil.",
            "Have the wheel alignment checked.",
            "Take away the chocks.",
        ]);
    }

    [Fact]
    public void What_the_job_shut_or_let_go_is_opened_and_set_and_a_bearing_is_packed()
    {
        var sheet = new Written().Part("hub").Part("outer bearing", fate: "replace").Thing(ThingKind.Consumable, "bearing grease").Joint("hub nut", "80 N·m", holds: "hub")
            .Steps("Shut the fuel tap.", "Release the parking brake.", "Open the hood.", "Remove the hub nut and the hub.", "Remove the outer bearing.");
        Refit(sheet).ShouldBe(
        [
            "Pack the new outer bearing with bearing grease. Fit the new outer bearing.",
            "Fit the hub. Start the hub nut by hand. Torque the hub nut to 80 N·m.",
            "Shut the hood.",
            "Set the parking brake.",
            "Open the fuel tap.",
        ]);
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void What_has_no_value_by_its_kind_gets_none()
    {
        var sheet = new Written().Part("lever").Part("spring").Joint("lever clip", holds: "lever").Joint("U-bolts", fastener: "M12 U-bolt", holds: "spring")
            .Joint("U-bolt nuts", "60 N·m", fastener: "M12 nut 8", holds: "spring")
            .Steps("Take out the lever clip and remove the lever.", "Remove the U-bolt nuts and the U-bolts. Remove the spring.");
        string.Join(' ', Refit(sheet)).ShouldNotContain("Torque the lever clip");
        string.Join(' ', Refit(sheet)).ShouldNotContain("Torque the U-bolts");
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void What_becomes_of_what_came_off_is_asked_and_an_answer_changes_the_refit()
    {
        var sheet = new Written().Part("cover").Part("old bracket").Part("new bracket", kit: true).Joint("cover bolts", "22 N·m", holds: "cover").Joint("bracket bolts", "22 N·m", holds: "old bracket")
            .Joint("long bolts", "30 N·m", kit: true, holds: "new bracket").Steps("Remove the cover bolts and the cover.", "Remove the bracket bolts and the old bracket.");
        var choices = ReverseBuilder.Choices(sheet.Walk(), "h1");
        choices.Select(c => c.Label).ShouldBe(["P1 cover", "P2 old bracket", "J1 cover bolts", "J2 bracket bolts"]);
        choices.ShouldAllBe(c => c.Ways.Count(w => w.Edit == null) == 1);
        choices[3].Ways.Select(w => w.Label).ShouldBe(["go back", "stay out, thrown away", "stay out", "J3 long bolts take their place"]);
        Refit(sheet).ShouldContain("Fit the old bracket. Start the bracket bolts by hand. Torque the bracket bolts to 22 N·m.");
        sheet.Do(choices[1].Ways.Single(w => w.Label == "stays off, thrown away").Edit!).Do(choices[3].Ways.Single(w => w.Label.StartsWith("J3", StringComparison.Ordinal)).Edit!);
        Refit(sheet).ShouldBe(
        [
            "Fit the new bracket. Start the long bolts by hand. Torque the long bolts to 30 N·m.",
            "Fit the cover. Start the cover bolts by hand. Torque the cover bolts to 22 N·m.",
        ]);
        ReverseBuilder.Choices(sheet.Walk(), "h1")[1].Ways.Single(w => w.Edit == null).Label.ShouldBe("stays off, thrown away");
        ShouldWalkClean(Built(sheet));
    }

    [Fact]
    public void One_bolt_is_asked_about_as_one()
    {
        var sheet = new Written().Part("bracket").Joint("pivot bolt", "60 N·m", holds: "bracket").Joint("long bolt", "70 N·m", kit: true, holds: "bracket").Steps("Remove the pivot bolt.");
        ReverseBuilder.Choices(sheet.Walk(), "h1").ShouldHaveSingleItem().Ways.Select(w => w.Label)
            .ShouldBe(["goes back", "stays out, thrown away", "stays out", "J2 long bolt takes its place"]);
    }

    [Fact]
    public void Where_nothing_tells_the_order_of_the_kit_it_is_said()
    {
        Written Kit() => new Written().Part("cover").Part("plate", kit: true).Part("winch", kit: true).Steps("Remove the cover.");
        ReverseBuilder.Unsure(Kit().Walk(), "h1").ShouldHaveSingleItem().ShouldContain("P2 plate, P3 winch");
        ReverseBuilder.Unsure(Kit().Set("plate", "behind", "winch").Walk(), "h1").ShouldBeEmpty();
        ReverseBuilder.Unsure(new Written().Part("cover").Part("plate", kit: true).Steps("Remove the cover.").Walk(), "h1").ShouldBeEmpty();
    }

    private static Written TwoHold() => new Written().Header("variants", "side: left, right").Part("bracket").Joint("upper bolts", "48 N·m", holds: "bracket").Joint("lower nut", "80 N·m", holds: "bracket", locking: "cotter pin")
        .Steps("Pull the cotter pin from the lower nut.", "Remove the lower nut.", "Left: remove the upper bolts and the bracket.");

    [Fact]
    public void Joints_that_hold_one_part_are_all_started_before_one_is_torqued()
    {
        var sheet = TwoHold();
        Refit(sheet).ShouldBe(
        [
            "Left: fit the bracket. Left: start the upper bolts by hand.",
            "Start the lower nut by hand. Torque the lower nut to 80 N·m. Left: torque the upper bolts to 48 N·m.",
            "Insert a new cotter pin in the lower nut.",
        ]);
        ShouldWalkClean(Built(new Written().Part("bracket").Joint("upper bolts", "48 N·m", holds: "bracket").Joint("lower nut", "80 N·m", holds: "bracket", locking: "cotter pin")
            .Steps("Remove the upper bolts.", "Pull the cotter pin from the lower nut. Remove the lower nut and the bracket.")));
    }

    [Fact]
    public void A_house_that_torques_each_as_it_is_fitted_gets_its_refit_so()
    {
        var sheet = TwoHold().In(new Workshop { Rules = new HouseRules { Schools = ImmutableSortedDictionary<string, string>.Empty.Add(School.WhenToTorque.Key, "as fitted") } });
        Refit(sheet)[0].ShouldBe("Left: fit the bracket. Left: start the upper bolts by hand. Left: torque the upper bolts to 48 N·m.");
        ShouldWalkClean(Built(sheet));
    }

    // Covers behind covers, each held by its bolts and some by a clamp besides, a wheel, a lead, a plug, what is replaced and what is thrown away: taken off in an
    // order that walks clean, the proposal puts it back so that nothing is left to find.
    [Fact]
    public void Any_clean_removal_is_put_back_without_a_stop_or_a_warning() => Gen
        .Select(Gen.Int[1, 8], Gen.Int[0, 5].Array[8], Gen.Int[0, 3].Array[8], Gen.Bool, Gen.Bool)
        .Sample((count, kinds, clamps, raised, loosenedFirst) =>
        {
            var sheet = new Written().Thing(ThingKind.Connection, "lamp lead").Thing(ThingKind.Aid, "rag").Thing(ThingKind.Aid, "axle stands");
            if (raised) sheet.Part("front wheel").Joint("wheel nuts", "130 N·m", holds: "front wheel");
            var steps = new List<string>();
            if (raised) steps.AddRange(["Chock the rear wheels.", loosenedFirst ? "Loosen the wheel nuts."
                : "Break the wheel nuts loose by half a turn.", "Raise the tractor.", "Support the tractor on the axle stands.",
                "Remove the wheel nuts and the front wheel."]);
            for (var i = 0; i < count; i++)
            {
                var name = $"{(char)('a' + i)}plate";
                sheet.Part(name, fate: kinds[i] == 1 ? "replace" : kinds[i] == 2 ? "discard" : "refit", behind: i > 0 && kinds[i - 1] != 2 ? $"{(char)('a' + i - 1)}plate" : "")
                    .Joint($"{name} bolts", kinds[i] == 3 ? "snug" : "22 N·m", holds: name, locking: kinds[i] == 4 ? "cotter pin" : "none", reuse: kinds[i] == 5 ? "renew" : "reuse");
                // A clamp that comes off before the bolts, in a step of its own or not, or after them; a part thrown away takes its own along.
                var (before, after) = clamps[i] switch { 1 => ($"Remove the {name} clamp. ", ""), 2 => ("", $"Remove the {name} clamp. "), _ => ("", "") };
                if (clamps[i] > 0) sheet.Joint($"{name} clamp", "12 N·m", holds: name, locking: clamps[i] == 2 ? "cotter pin" : "none");
                if (clamps[i] == 3) steps.Add($"Remove the {name} clamp.");
                if (clamps[i] == 2) after = $"Pull the cotter pin from the {name} clamp. {after}";
                steps.Add(before + (kinds[i] == 4 ? $"Pull the cotter pin from the {name} bolts. " : "") + $"Remove the {name} bolts. {after}Remove the {name}.");
                if (i == 0) steps.Add("Unplug the lamp lead.");
            }

            steps.Add("Stuff the rag into the bore.");
            ShouldWalkClean(Built(sheet.Steps([.. steps])));
        });
}
