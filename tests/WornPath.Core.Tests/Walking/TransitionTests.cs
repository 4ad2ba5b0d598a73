namespace WornPath.Core.Tests.Walking;

/// <summary>
/// What each verb makes of each state, in full tables: rows are states, columns verbs. Common practice, no source, but for the order of
/// tightening, which docs/computation.md tells.
/// </summary>
public class TransitionTests
{
    private static StepAction Do(Verb verb, string target = "J1") => new() { Verb = verb, Target = target };

    private static Walk Walked(Sheet things, params StepAction[] actions) => Walker.Run(things with
    {
        Phases = [new Phase { Id = "h", Name = "Work", Steps = [.. actions.Select((a, i) => new Step { Id = $"s{i}", Text = "x", Actions = [a] })] }],
    });

    // How a joint comes to each stage.
    private static readonly Dictionary<string, Verb[]> WayTo = new()
    {
        ["tight"] = [],
        ["broken"] = [Verb.BreakLoose],
        ["slack"] = [Verb.Loosen],
        ["out"] = [Verb.TakeOut],
        ["started"] = [Verb.TakeOut, Verb.Start],
        ["snug"] = [Verb.TakeOut, Verb.Start, Verb.Snug],
        ["pass"] = [Verb.TakeOut, Verb.Start, Verb.TorquePass],
        ["torqued"] = [Verb.TakeOut, Verb.Start, Verb.Torque],
        ["aligned"] = [Verb.TakeOut, Verb.Start, Verb.Torque, Verb.Align],
        ["locked"] = [Verb.TakeOut, Verb.Start, Verb.Torque, Verb.Lock],
        ["marked"] = [Verb.TakeOut, Verb.Start, Verb.Torque, Verb.Mark],
    };

    private static string Called(JointStage stage) => stage switch
    {
        JointStage.BrokenLoose => "broken",
        JointStage.BackedOut => "slack",
        _ => stage.ToString().ToLowerInvariant(),
    };

    private static readonly Verb[] OnJoints =
    [
        Verb.BreakLoose, Verb.Loosen, Verb.BackOff, Verb.TakeOut, Verb.Start, Verb.Snug, Verb.TorquePass, Verb.Torque, Verb.TurnOn, Verb.Align, Verb.Lock,
        Verb.Stake, Verb.InsertPin, Verb.Mark, Verb.Unlock, Verb.RemovePin, Verb.Treat, Verb.Retorque, Verb.Inspect, Verb.Clean,
    ];

    // breakLoose loosen backOff takeOut start snug pass torque turnOn align lock stake pin mark unlock unpin treat retorque inspect clean
    [Theory]
    [InlineData("tight", "broken slack slack out started snug pass torqued = = = = = = = = = = = =")]
    [InlineData("broken", "= slack slack out started snug pass torqued = = = = = = = = = = = =")]
    [InlineData("slack", "broken = = out started snug pass torqued = = = = = = = = = = = =")]
    [InlineData("out", "= = = = started snug pass torqued = = = = = = = = = = = =")]
    [InlineData("started", "broken slack slack out = snug pass torqued = = = = = = = = = = = =")]
    [InlineData("snug", "broken slack slack out started = pass torqued = = = = = = = = = = = =")]
    [InlineData("pass", "broken slack slack out started snug = torqued = = = = = = = = = = = =")]
    [InlineData("torqued", "broken slack slack out started snug pass = = aligned locked locked locked marked = = = = = =")]
    [InlineData("aligned", "broken slack slack out started snug pass torqued = = locked locked locked marked = = = = = =")]
    [InlineData("locked", "broken slack slack out started snug pass torqued = = = = = marked = = = = = =")]
    [InlineData("marked", "broken slack slack out started snug pass torqued = = = = = = = = = = = =")]
    public void A_joint_goes_from_each_stage_by_each_verb(string from, string row)
    {
        var sheet = Sheet.Empty with { Joints = [new Joint { Id = "J1", Name = "bolt", Count = 1 }] };
        var became = OnJoints.Select(verb => Called(Walked(sheet, [.. WayTo[from].Select(v => Do(v)), Do(verb)]).AtEnd("J1").Joint.Stage)).ToList();
        Called(Walked(sheet, [.. WayTo[from].Select(v => Do(v))]).AtEnd("J1").Joint.Stage).ShouldBe(from);
        became.ShouldBe(row.Split(' ').Select(s => s == "=" ? from : s));
    }

    // o all of it is out, a any of it is out, s it is slack.
    [Theory]
    [InlineData("tight", null, "-")]
    [InlineData("broken", null, "s")]
    [InlineData("slack", null, "s")]
    [InlineData("out", null, "oa")]
    [InlineData("started", null, "s")]
    [InlineData("snug", null, "s")]
    [InlineData("pass", null, "s")]
    [InlineData("torqued", null, "-")]
    [InlineData("aligned", null, "-")]
    [InlineData("locked", null, "-")]
    [InlineData("marked", null, "-")]
    [InlineData("tight", "TakeOut", "as")]
    [InlineData("torqued", "TakeOut", "as")]
    [InlineData("out", "Start", "as")]
    [InlineData("torqued", "Loosen", "s")]
    public void A_stage_holds_or_does_not(string stage, string? thenOne, string says)
    {
        var sheet = Sheet.Empty with { Joints = [new Joint { Id = "J1", Name = "bolts", Count = 3 }] };
        StepAction[] one = thenOne is null ? [] : [Do(Enum.Parse<Verb>(thenOne)) with { Some = 1 }];
        var state = Walked(sheet, [.. WayTo[stage].Select(v => Do(v)), .. one]).AtEnd("J1").Joint;
        var told = $"{(state.IsOut ? "o" : "")}{(state.AnyOut ? "a" : "")}{(state.IsSlack ? "s" : "")}";
        (told.Length == 0 ? "-" : told).ShouldBe(says);
    }

    // Whether it may be left so, of each kind of joint: x may not. tight broken slack out started snug pass torqued aligned locked marked
    [Theory]
    [InlineData("22 N·m", "", "", "- x x x x x x - - - -")]
    [InlineData("snug", "", "", "- x x x x - x - - - -")]
    [InlineData("22 N·m", "mark", "yes", "- x x x x x x x x x -")]
    [InlineData("22 N·m", "locking", "stake", "- x x x x x x x x - -")]
    [InlineData("22 N·m", "locking", "cotter pin", "- x x x x x x x x x x")]
    [InlineData("22 N·m", "becomes", "left off", "- x x - x x x - - - -")]
    public void A_joint_may_be_left_at_a_stage_or_not(string torque, string cell, string value, string row)
    {
        var written = new Written().Joint("bolt", torque);
        if (cell.Length > 0) written = written.Set("bolt", cell, value);
        var joint = written.Sheet.Joints.Single();
        WayTo.Values.Select(way => Walked(written.Sheet, [.. way.Select(v => Do(v))]))
            .Select(walk => Openness.IsOpen(walk, joint, walk.AtEnd("J1")) ? "x" : "-").ShouldBe(row.Split(' '));
    }

    [Fact]
    public void Tools_stuff_and_controls_are_left_as_they_are_and_what_hangs_flows_or_stands_in_the_way_is_not()
    {
        static bool Left(Thing thing, params Verb[] verbs)
        {
            var walk = Walked(new Written().Sheet with
            {
                Parts = [.. new[] { thing }.OfType<Part>()],
                Connections = [.. new[] { thing }.OfType<Connection>()],
                Fluids = [.. new[] { thing }.OfType<Fluid>()],
                Aids = [.. new[] { thing }.OfType<Aid>()],
                Controls = [.. new[] { thing }.OfType<Control>()],
            }, [.. verbs.Select(v => Do(v, thing.Id))]);
            return Openness.IsOpen(walk, thing, verbs.Length == 0 ? Walker.AtBeginning(thing, false) : walk.AtEnd(thing.Id));
        }

        Left(new Tool { Id = "T1", Name = "socket" }).ShouldBeFalse();
        Left(new Consumable { Id = "K1", Name = "grease" }).ShouldBeFalse();
        Left(new Control { Id = "L1", Name = "parking brake" }, Verb.Set).ShouldBeFalse();
        foreach (var (verbs, open) in new (Verb[], bool)[] { ([], false), ([Verb.Remove], true), ([Verb.HangAside], true), ([Verb.Remove, Verb.Fit], false) })
            Left(new Part { Id = "P1", Name = "guard" }, verbs).ShouldBe(open);
        Left(new Part { Id = "P1", Name = "old guard", Fate = Fate.Discard }, Verb.Remove).ShouldBeFalse();
        Left(new Part { Id = "P1", Name = "old guard", Fate = Fate.Spare }, Verb.Remove).ShouldBeFalse();
        Left(new Part { Id = "P1", Name = "old guard", Fate = Fate.Discard }, Verb.HangAside).ShouldBeTrue();
        Left(new Connection { Id = "C1", Name = "hose" }, Verb.Disconnect).ShouldBeTrue();
        Left(new Connection { Id = "C1", Name = "hose" }, Verb.Disconnect, Verb.Connect).ShouldBeFalse();
        Left(new Aid { Id = "A1", Name = "rag" }, Verb.Place).ShouldBeTrue();
        Left(new Aid { Id = "A1", Name = "rag" }, Verb.Place, Verb.TakeAway).ShouldBeFalse();
        Left(new Fluid { Id = "F1", Name = "oil" }, Verb.Drain).ShouldBeTrue();
        Left(new Fluid { Id = "F1", Name = "oil" }, Verb.Drain, Verb.Fill).ShouldBeTrue();
        Left(new Fluid { Id = "F1", Name = "oil" }, Verb.Drain, Verb.Fill, Verb.CheckLevel).ShouldBeFalse();
        Left(new Fluid { Id = "F1", Name = "oil" }, Verb.CheckLevel).ShouldBeFalse();
    }

    // What is told beside the stage: w was out, n new, t treated, p pin in, L locked, l its lock undone, - nothing of it.
    [Theory]
    [InlineData("", "p")]
    [InlineData("RemovePin", "-")]
    [InlineData("Unlock", "l")]
    [InlineData("TakeOut", "w")]
    [InlineData("TakeOut Treat", "wt")]
    [InlineData("TakeOut Treat Start", "wt")]
    [InlineData("TakeOut Treat Start TakeOut", "w")]
    [InlineData("TakeOut Start*", "wn")]
    [InlineData("TakeOut Start Torque*", "wn")]
    [InlineData("TakeOut Start* TakeOut Start", "w")]
    [InlineData("TakeOut Start Torque InsertPin*", "wnp")]
    [InlineData("TakeOut Start Torque InsertPin", "wp")]
    [InlineData("TakeOut Start Torque InsertPin* RemovePin", "w")]
    [InlineData("TakeOut Start Torque Lock", "wL")]
    [InlineData("TakeOut Start Torque Stake Unlock", "wl")]
    [InlineData("Renew", "np")]
    [InlineData("Mark", "p")]
    public void What_is_known_of_a_joint_beside_its_stage(string verbs, string says)
    {
        var sheet = Sheet.Empty with { Joints = [new Joint { Id = "J1", Name = "axle nut", Count = 1, Locking = Locking.CotterPin }] };
        var actions = verbs.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(v => Do(Enum.Parse<Verb>(v.TrimEnd('*'))) with { New = v.EndsWith('*') });
        var state = Walked(sheet, [.. actions]).AtEnd("J1").Joint;
        var told = $"{(state.WasOut ? "w" : "")}{(state.Renewed ? "n" : "")}{(state.Treated ? "t" : "")}{(state.PinIn ? "p" : "")}"
            + (state.Lock == LockState.On ? "L" : state.Lock == LockState.Off ? "l" : "");
        (told.Length == 0 ? "-" : told).ShouldBe(says);
    }

    [Theory]
    [InlineData(0, 1)]
    [InlineData(2, 2)]
    [InlineData(99, 99)]
    [InlineData(1000, 99)]
    public void The_pass_last_done_is_known(int said, int pass)
    {
        var sheet = Sheet.Empty with { Joints = [new Joint { Id = "J1", Name = "bolt", Count = 1 }] };
        var walk = Walked(sheet, Do(Verb.TorquePass) with { Pass = said == 0 ? null : said }, Do(Verb.Torque));
        walk.AfterStep("J1", 0).Joint.Pass.ShouldBe((byte)pass);
        walk.AtEnd("J1").Joint.Pass.ShouldBe((byte)0);
    }

    private static readonly Verb[] OnParts = [Verb.Remove, Verb.HangAside, Verb.SetAside, Verb.Fit, Verb.Discard, Verb.Clean, Verb.Inspect, Verb.Renew, Verb.Treat];

    // remove hang setAside fit discard clean inspect renew treat
    [Theory]
    [InlineData("on", "bench hung hung on bench on on on on")]
    [InlineData("bench", "bench hung bench on bench bench bench bench bench")]
    [InlineData("hung", "bench hung hung on hung hung hung hung hung")]
    public void A_part_goes_from_each_place_by_each_verb(string from, string row)
    {
        var sheet = Sheet.Empty with { Parts = [new Part { Id = "P1", Name = "guard" }] };
        Verb[] way = from switch { "bench" => [Verb.Remove], "hung" => [Verb.HangAside], _ => [] };
        OnParts.Select(verb => Walked(sheet, [.. way.Append(verb).Select(v => Do(v, "P1"))]).AtEnd("P1").Part.Place)
            .ShouldBe(row.Split(' ').Select(p => p == "bench" ? PartPlace.OnBench : Enum.Parse<PartPlace>(p, ignoreCase: true)));
    }

    // What is told beside the place: o was off, n new, c cleaned, i inspected.
    [Theory]
    [InlineData("", "-")]
    [InlineData("Remove", "o")]
    [InlineData("Remove Clean", "oc")]
    [InlineData("Remove Clean Inspect", "oci")]
    [InlineData("Remove Measure", "oi")]
    [InlineData("Clean Remove", "o")]
    [InlineData("Inspect Remove", "oi")]
    [InlineData("Remove Fit", "o")]
    [InlineData("Remove Fit*", "on")]
    [InlineData("Remove Fit* Remove", "o")]
    [InlineData("Remove Clean* Fit", "onc")]
    [InlineData("Remove Clean Inspect Renew", "on")]
    [InlineData("HangAside", "o")]
    [InlineData("SetAside", "o")]
    [InlineData("Discard", "o")]
    public void What_is_known_of_a_part_beside_its_place(string verbs, string says)
    {
        var sheet = Sheet.Empty with { Parts = [new Part { Id = "P1", Name = "guard" }] };
        var actions = verbs.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(v => Do(Enum.Parse<Verb>(v.TrimEnd('*')), "P1") with { New = v.EndsWith('*') });
        var state = Walked(sheet, [.. actions]).AtEnd("P1").Part;
        var told = $"{(state.WasOff ? "o" : "")}{(state.IsNew ? "n" : "")}{(state.Cleaned ? "c" : "")}{(state.Inspected ? "i" : "")}";
        (told.Length == 0 ? "-" : told).ShouldBe(says);
    }

    [Fact]
    public void What_comes_from_elsewhere_begins_off_and_new()
    {
        var sheet = Sheet.Empty with
        {
            Parts = [new Part { Id = "P1", Name = "bracket", Origin = Origin.Kit }],
            Joints = [new Joint { Id = "J1", Name = "bolts", Count = 2, Origin = Origin.Kit }, new Joint { Id = "J2", Name = "nut", Count = 1, Locking = Locking.CotterPin }],
            Connections = [new Connection { Id = "C1", Name = "lead", Origin = Origin.Kit }, new Connection { Id = "C2", Name = "hose" }],
            Fluids = [new Fluid { Id = "F1", Name = "oil" }],
            Aids = [new Aid { Id = "A1", Name = "rag" }],
        };
        var start = Walked(sheet);
        (start.AtEnd("P1").Part.Place, start.AtEnd("P1").Part.IsNew).ShouldBe((PartPlace.InBox, true));
        (start.AtEnd("J1").Joint.Stage, start.AtEnd("J1").Joint.Renewed, start.AtEnd("J1").Joint.WasOut).ShouldBe((JointStage.Out, true, false));
        (start.AtEnd("J2").Joint.Stage, start.AtEnd("J2").Joint.PinIn).ShouldBe((JointStage.Tight, true));
        (start.AtEnd("C1").Connected, start.AtEnd("C2").Connected).ShouldBe((false, true));
        (start.AtEnd("F1").Fluid, start.AtEnd("F1").LevelChecked, start.AtEnd("A1").InPlace).ShouldBe((FluidState.AtLevel, true, false));
        // One that is taken off before it was fitted is the old one's place.
        var replaced = Walked(sheet, Do(Verb.Inspect, "P1"), Do(Verb.Remove, "P1"), Do(Verb.Fit, "P1"));
        replaced.AfterStep("P1", 0).Part.Place.ShouldBe(PartPlace.On);
        (replaced.AtEnd("P1").Part.Place, replaced.AtEnd("P1").Part.IsNew).ShouldBe((PartPlace.On, true));
    }

    [Theory]
    [InlineData("Drain", FluidState.Drained, false)]
    [InlineData("Drain Fill", FluidState.Filled, false)]
    [InlineData("Drain Fill CheckLevel", FluidState.Filled, true)]
    [InlineData("CheckLevel", FluidState.AtLevel, true)]
    [InlineData("Fill", FluidState.Filled, false)]
    [InlineData("Fill CheckLevel Drain", FluidState.Drained, false)]
    [InlineData("Inspect", FluidState.AtLevel, true)]
    public void A_fluid_is_drained_filled_and_its_level_looked_at(string verbs, FluidState state, bool isChecked)
    {
        var end = Walked(Sheet.Empty with { Fluids = [new Fluid { Id = "F1", Name = "oil" }] }, [.. verbs.Split(' ').Select(v => Do(Enum.Parse<Verb>(v), "F1"))]).AtEnd("F1");
        (end.Fluid, end.LevelChecked).ShouldBe((state, isChecked));
    }

    [Fact]
    public void Connections_and_aids_come_and_go_by_their_verbs_alone()
    {
        var sheet = Sheet.Empty with { Connections = [new Connection { Id = "C1", Name = "hose" }], Aids = [new Aid { Id = "A1", Name = "rag" }] };
        var walk = Walked(sheet, Do(Verb.Inspect, "C1"), Do(Verb.Disconnect, "C1"), Do(Verb.Clean, "C1"), Do(Verb.Connect, "C1"));
        Enumerable.Range(0, 4).Select(i => walk.AfterStep("C1", i).Connected).ShouldBe([true, false, false, true]);
        var aid = Walked(sheet, Do(Verb.Place, "A1"), Do(Verb.Inspect, "A1"), Do(Verb.TakeAway, "A1"));
        Enumerable.Range(0, 3).Select(i => aid.AfterStep("A1", i).InPlace).ShouldBe([true, true, false]);
    }

    // Of six bolts in these states, which a verb done to some means: those it leads further, the nearest first.
    [Theory]
    [InlineData("TakeOut:2", "2 out, 4 tight")]
    [InlineData("TakeOut:2 TakeOut:3", "5 out, 1 tight")]
    [InlineData("TakeOut:2 TakeOut:9", "6 out")]
    [InlineData("TakeOut:2 Start:1", "1 out, 1 started, 4 tight")]
    [InlineData("TakeOut Start:4 Snug:2", "2 out, 2 started, 2 snug")]
    [InlineData("TakeOut Start:4 Snug:2 Torque:3", "2 out, 1 started, 3 torqued")]
    [InlineData("TakeOut:2 TakeOut:rest", "6 out")]
    [InlineData("Loosen:2 BreakLoose:2", "2 slack, 2 broken, 2 tight")]
    [InlineData("Loosen:2 TakeOut:3", "3 out, 3 tight")]
    [InlineData("TakeOut Start Torque:2 Loosen:1", "1 slack, 4 started, 1 torqued")]
    public void Of_several_those_are_meant_that_it_leads_further(string told, string says)
    {
        var sheet = Sheet.Empty with { Joints = [new Joint { Id = "J1", Name = "bolts", Count = 6 }] };
        var actions = told.Split(' ').Select(t => t.Split(':')).Select(t => Do(Enum.Parse<Verb>(t[0])) with
        {
            Some = t.Length > 1 && t[1] != "rest" ? int.Parse(t[1], System.Globalization.CultureInfo.InvariantCulture) : null,
            Rest = t.Length > 1 && t[1] == "rest",
        });
        var state = Walked(sheet, [.. actions]).AtEnd("J1").Joint;
        var groups = state.Counts is { } counts ? counts.Groups.Select(g => (g.Count, g.State)).ToList() : [(6, state)];
        string.Join(", ", groups.Select(g => $"{g.Item1} {Called(g.Item2.Stage)}")).Split(", ").Order().ShouldBe(says.Split(", ").Order());
    }
}
