namespace WornPath.Core.Tests.Reading;

/// <summary>Passes, angles, backing off and going over once more: however the tightening is told, the walk hears the same values in the same order.</summary>
public class WaysOfTighteningTests
{
    [Theory]
    [InlineData("Torque the head bolts in three passes: 20, 40 and 60 N·m.")]
    [InlineData("Torque the head bolts in three passes to 20, 40 and 60 N·m.")]
    [InlineData("Torque the head bolts in three steps: 20 N·m, 40 N·m, 60 N·m.")]
    [InlineData("Torque the head bolts in three stages of 20, 40 and 60 N·m.")]
    [InlineData("Tighten the head bolts in stages to 20, 40 and finally 60 N·m.")]
    [InlineData("Tighten the head bolts first to 20 N·m, then to 40 N·m, then to 60 N·m.")]
    [InlineData("Tighten the head bolts to 20 N·m, then 40 N·m, then 60 N·m.")]
    [InlineData("Tighten the head bolts to 20 N·m, then to 40 and finally to 60 N·m.")]
    [InlineData("Tighten the head bolts to 20 N·m. Then to 40 N·m. Then to 60 N·m.")]
    [InlineData("Tighten the head bolts to 20 N·m, go round again at 40 N·m and finish at 60 N·m.")]
    [InlineData("Tighten the head bolts to 20 N·m in the first pass, 40 N·m in the second and 60 N·m in the third.")]
    [InlineData("Tighten the head bolts crosswise: first pass 20 N·m, second pass 40 N·m, third pass 60 N·m.")]
    [InlineData("First pass: head bolts to 20 N·m. Second pass: 40 N·m. Third pass: 60 N·m.")]
    [InlineData("Head bolts 20, 40, 60 N·m.")]
    [InlineData("Head bolts: 20 N·m, 40 N·m, 60 N·m.")]
    [InlineData("Head bolts crosswise to 20 N·m, then 40 N·m, then 60 N·m.")]
    [InlineData("The head bolts are torqued in three passes: 20 N·m, 40 N·m and 60 N·m.")]
    [InlineData("The head bolts are tightened first to 20 N·m, then to 40 N·m and finally to 60 N·m.")]
    [InlineData("Torque the head bolts evenly to 20 N·m, then to 40 N·m, and finally to their full 60 N·m.")]
    [InlineData("Bring the head bolts up to 60 N·m in three passes: 20, 40, 60.")]
    [InlineData("Pull the head bolts down in three passes: 20 N·m, 40 N·m, 60 N·m.")]
    public void In_passes(string sentence) => Told(sentence, "J1 20 40 60");

    [Theory]
    [InlineData("Torque the head bolts to 30 N·m, then turn them a further 90°.")]
    [InlineData("Torque the head bolts to 30 N·m plus 90°.")]
    [InlineData("Torque the head bolts to 30 N·m + 90°.")]
    [InlineData("Torque the head bolts to 30 N·m and turn them another 90 degrees.")]
    [InlineData("Torque the head bolts to 30 N·m, then a quarter turn.")]
    [InlineData("Torque the head bolts to 30 N·m, then tighten a further 90°.")]
    [InlineData("Torque the head bolts to 30 N·m. Then turn each one a further 90°.")]
    [InlineData("Torque the head bolts to 30 N·m, followed by a further 90°.")]
    [InlineData("Torque the head bolts to 30 N·m and then through a further 90°.")]
    [InlineData("Torque the head bolts to 30 N·m, mark them, and turn them a further 90°.")]
    [InlineData("Torque the head bolts to 30 N·m and from there turn them 90° more.")]
    [InlineData("Head bolts 30 N·m + 90°.")]
    [InlineData("Head bolts 30 N·m, then 90°.")]
    [InlineData("Head bolts: 30 N·m and a quarter turn.")]
    [InlineData("Head bolts to 30 N·m, plus a quarter turn.")]
    [InlineData("The head bolts are torqued to 30 N·m and then turned a further 90°.")]
    [InlineData("The head bolts are tightened to 30 N·m plus 90°.")]
    [InlineData("Tighten the head bolts to 30 N·m, then angle-tighten them by 90°.")]
    [InlineData("Tighten the head bolts to 30 N·m, then with an angle gauge another 90°.")]
    [InlineData("Tighten the head bolts to 30 N·m; final turn 90°.")]
    public void And_turned_on(string sentence) => Told(sentence, "J1 30 on 90°");

    [Theory]
    [InlineData("Torque the hub nut to 80 N·m, back it off a quarter turn and torque it to 25 N·m.")]
    [InlineData("Torque the hub nut to 80 N·m, back it off 90° and torque it to 25 N·m.")]
    [InlineData("Torque the hub nut to 80 N·m. Back it off a quarter turn. Torque it to 25 N·m.")]
    [InlineData("Torque the hub nut to 80 N·m, loosen it a quarter turn and retighten it to 25 N·m.")]
    [InlineData("Torque the hub nut to 80 N·m, slacken it by a quarter turn, then torque it to 25 N·m.")]
    [InlineData("Torque the hub nut to 80 N·m, turn it back a quarter turn and tighten it to 25 N·m.")]
    [InlineData("Torque the hub nut to 80 N·m while turning the hub, then back it off a quarter turn and torque it to 25 N·m.")]
    [InlineData("The hub nut is torqued to 80 N·m, backed off a quarter turn and torqued to 25 N·m.")]
    [InlineData("Hub nut 80 N·m, back a quarter turn, then 25 N·m.")]
    [InlineData("Hub nut to 80 N·m, back off a quarter turn, then 25 N·m.")]
    [InlineData("Hub nut: 80 N·m, back off 90°, 25 N·m.")]
    [InlineData("Tighten the hub nut to 80 N·m to seat the bearings, back it off a quarter turn, and bring it up to 25 N·m.")]
    public void Backed_off_between(string sentence) => Told(sentence, "J2 80 back 90° 25");

    private static void Told(string sentence, string expected)
    {
        var written = new Written().Joint("head bolts").Set("head bolts", "count", "6").Joint("hub nut").Part("hub")
            .Steps("Start the head bolts and the hub nut by hand.", sentence);
        var step = written.Step(2);
        // As it is felt in the hand: 20, 40, 60; 30 and 90° on; 80, back by 90°, 25.
        var said = step.Actions.Where(a => a.Verb is not (Verb.Inspect or Verb.Clean or Verb.Treat or Verb.Mark or Verb.Seat)).SelectMany(a =>
            a.Verb switch
        {
            Verb.Torque => Of(a),
            Verb.TurnOn => [$"on {a.Angle:0.#}°"],
            Verb.BackOff => [$"back {a.Angle:0.#}°"],
            _ => (string[])[$"{a.Verb}"],
        }).Prepend(step.Actions.FirstOrDefault(a => a.Target is not null)?.Target ?? "");
        ((step.Questions.Length > 0 ? "asked " : "") + string.Join(" ", said)).Trim().ShouldBe(expected, sentence);
    }

    private static IEnumerable<string> Of(StepAction action)
    {
        foreach (var pass in action.Passes?.Torques ?? []) yield return $"{pass.Target.NewtonMetres:0.#}";
        if (action.Torque is not { } torque) yield break;
        if (torque.Seat is { } seat) yield return $"{seat.NewtonMetres:0.#}";
        if (torque.Back is { } back) yield return $"back {back:0.#}°";
        yield return $"{torque.Target.NewtonMetres:0.#}";
        if (torque.ThenAngle is { } on) yield return $"on {on:0.#}°";
    }
}
