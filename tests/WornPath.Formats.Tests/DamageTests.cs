using System.Collections.Immutable;
using System.Text;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Workshops;

namespace WornPath.Formats.Tests;

/// <summary>
/// The finished procedure of the demo, damaged in one place at a time. The walk must find each: with a Stop or a Warn that was
/// not there before, about the thing that was damaged or at the step beside it.
/// </summary>
public class DamageTests(ITestOutputHelper output)
{
    private static readonly Workshop Shop = new() { Crib = CribCsv.Read(File.ReadAllText(Path.Combine(ProcedureFileTests.Demo, "crib.csv"))).Value };

    private static readonly Sheet Whole = ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, "front-hub-bearing.json"))).Value.Sheet;

    /// <summary>One damage.</summary>
    /// <param name="Kind">What was done.</param>
    /// <param name="Where">To what, for the table.</param>
    /// <param name="Sheet">The sheet after it.</param>
    /// <param name="Step">Number of the step it was done at; 0 for the tables.</param>
    /// <param name="Things">Ids it is about.</param>
    private sealed record Damage(string Kind, string Where, Sheet Sheet, int Step, ImmutableHashSet<string> Things);

    // What is done to a thing and changes its state; the rest of a sentence may go without harm to the vehicle.
    private static readonly Verb[] Matters =
    [
        Verb.TakeOut, Verb.Start, Verb.Torque, Verb.InsertPin, Verb.Remove, Verb.Fit, Verb.HangAside, Verb.Disconnect, Verb.Connect, Verb.Place, Verb.TakeAway, Verb.SetOnStands, Verb.Lower, Verb.PumpBrakes, Verb.Treat,
    ];

    private static Sheet Map(Sheet sheet, Func<Step, Step?> change) => sheet with { Phases = [.. sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(change).OfType<Step>()] })] };

    private static Sheet Put(Joint joint) => Whole with { Joints = [.. Whole.Joints.Select(j => j.Id == joint.Id ? joint : j)] };

    private static ImmutableHashSet<string> ThingsOf(IEnumerable<StepAction> actions) => [.. actions.SelectMany(a => new[] { a.Target, a.With }).OfType<string>()];

    private static IEnumerable<Damage> All() => Steps().Concat(Actions()).Concat(Moves()).Concat(Tables());

    private static IEnumerable<Damage> Steps()
    {
        var number = 0;
        foreach (var step in Whole.Steps)
        {
            number++;
            if (step.Actions.Any(a => Matters.Contains(a.Verb)))
                yield return new Damage("a step dropped", $"{number}", Map(Whole, s => s.Id == step.Id ? null : s), number, ThingsOf(step.Actions));
        }
    }

    private static IEnumerable<Damage> Actions()
    {
        var number = 0;
        foreach (var step in Whole.Steps)
        {
            number++;
            foreach (var action in step.Actions)
            {
                Sheet With(Func<StepAction, StepAction?> change) => Map(Whole, s => s.Id == step.Id ? s with { Actions = [.. s.Actions.Select(a => ReferenceEquals(a, action) ? change(a) : a).OfType<StepAction>()] } : s);
                Damage Done(string kind, Sheet sheet) => new(kind, $"{number} {action.Verb} {action.Target}", sheet, number, ThingsOf([action]));
                if (step.Actions.Length > 1 && Matters.Contains(action.Verb)) yield return Done($"an action dropped: {action.Verb}", With(_ => null));
                if (action.Verb == Verb.InsertPin) yield return Done("an old pin goes in", With(a => a with { New = false }));
                if (action is { Verb: Verb.Fit, New: true }) yield return Done("an old part goes on", With(a => a with { New = false }));
                if (action.Verb == Verb.Torque) yield return Done("snug instead of torque", With(a => a with { Verb = Verb.Snug, Torque = null }));
                if (action.Verb == Verb.Lower) yield return Done("raised instead of lowered", With(a => a with { Verb = Verb.Raise }));
            }
        }
    }

    // A step moved where it does not belong.
    private static IEnumerable<Damage> Moves()
    {
        var steps = Whole.Steps.ToList();
        Damage Move(string kind, Step step, int to)
        {
            var order = steps.Where(s => s.Id != step.Id).ToList();
            order.Insert(to, step);
            return new Damage(kind, $"{steps.IndexOf(step) + 1} to {to + 1}", Whole with { Phases = [Whole.Phases[0] with { Steps = [.. order] }] }, to + 1, ThingsOf(step.Actions));
        }

        foreach (var step in steps)
        {
            var at = steps.IndexOf(step);
            // Off before what holds or covers it: to the very beginning.
            if (step.Actions.FirstOrDefault(a => a.Verb is Verb.Remove or Verb.HangAside) is { Target: { } off } && Whole.Find(off) is Part { Behind.Length: > 0 }) yield return Move("a part off before what covers it", step, 5);
            // On before what goes under it: in front of the first that is fitted.
            if (step.Actions.FirstOrDefault(a => a.Verb == Verb.Fit) is { Target: { } on } && Whole.Parts.Any(p => p.Behind.Contains(on))) yield return Move("a part on before what goes under it", step, 19);
            if (step.Actions.Any(a => a is { Verb: Verb.Torque, Target: "J1" })) yield return Move("wheel nuts torqued before lowering", step, at - 1);
        }
    }

    private static IEnumerable<Damage> Tables()
    {
        foreach (var joint in Whole.Joints)
        {
            Damage Done(string kind, Joint changed) => new(kind, joint.Id, Put(changed), 0, [joint.Id]);
            TorqueSpec? Times(decimal factor, TorqueUnit? unit = null) => TorqueSpec.Create(joint.Torque!.Low * factor, joint.Torque.High * factor, unit ?? joint.Torque.Unit) is { IsGood: true } made ? made.Value : null;
            yield return Done("the source taken out", joint with { Source = "" });
            yield return Done("the value taken out", joint with { Torque = null });
            if (joint.Reuse == ReuseRule.Reuse) yield return Done("to be renewed, and is not", joint with { Reuse = ReuseRule.Renew });
            if (joint.Treatment == Treatment.None) yield return Done("a treatment no step applies", joint with { Treatment = Treatment.ThreadlockerMedium });
            if (joint.Locking == Locking.None) yield return Done("a stake no step makes", joint with { Locking = Locking.Stake });
            if (!joint.Mark) yield return Done("a mark no step makes", joint with { Mark = true });
            if (joint.Pattern is not null && joint.Count >= 4) yield return Done("the pattern taken out", joint with { Pattern = null });
            if (joint.Treatment != Treatment.None) yield return Done("a value stated for dry threads", joint with { Stated = StatedFor.Dry });
            if (joint.Fastener is { Drive: { Kind: DriveKind.Hexagon } } fastener) yield return Done("a wrong head", joint with { Fastener = fastener with { Drive = new Drive(DriveKind.Hexagon, "33 mm") } });
            // Without a class nothing can be said of a value.
            if (joint.Fastener is not { Thread: not null, Class: not null } || joint.Torque is { IsAdjustment: true }) continue;
            if (Times(10) is { } ten) yield return Done("ten times the value", joint with { Torque = ten });
            if (Times(0.1m) is { } tenth) yield return Done("a tenth of the value", joint with { Torque = tenth });
            if (Times(1, TorqueUnit.KilogramForceMetre) is { } kgf) yield return Done("kgf·m instead of N·m", joint with { Torque = kgf });
            if (Times(1, TorqueUnit.PoundForceInch) is { } inch) yield return Done("lbf·in instead of N·m", joint with { Torque = inch });
            if (joint.Fastener.Class is "8.8" or "10.9") yield return Done("a soft fastener", joint with { Fastener = joint.Fastener with { Class = "4.6" } });
            yield return Done("tapped into foil", joint with { Into = Core.Tightening.TappedHole.Parse("cast aluminium, 2 mm").Value });
        }

        foreach (var part in Whole.Parts.Where(p => p.Fate == Fate.Refit))
            yield return new Damage("to be replaced, and is not", part.Id, Whole with { Parts = [.. Whole.Parts.Select(p => p.Id == part.Id ? p with { Fate = Fate.Replace } : p)] }, 0, [part.Id]);
    }

    private static ImmutableArray<Finding> Grave(Sheet sheet) => [.. WalkSet.Run(sheet, Shop).Findings.Where(f => f.Severity > Severity.Hint)];

    [Fact]
    public void Whatever_is_damaged_in_one_place_is_found_there()
    {
        Grave(Whole).ShouldBeEmpty("the undamaged procedure is clean");
        var cases = All().ToList();
        var found = cases.Select(d => (Damage: d, Findings: Grave(d.Sheet))).ToList();
        bool Near(Damage damage, Finding f) => (f.Thing is { } thing && damage.Things.Contains(thing)) || (damage.Step > 0 && f.StepNumber is { } n && Math.Abs(n - damage.Step) <= 1) || (damage.Step == 0 && f.Thing is null) || f.Rule is "CLO006" or "CLO007" or "HAZ001";
        var table = new StringBuilder();
        foreach (var kind in found.GroupBy(f => f.Damage.Kind).OrderBy(g => g.Key, StringComparer.Ordinal))
            table.AppendLine($"{kind.Key,-40}{kind.Count(),5} cases{kind.Count(f => f.Findings.Length > 0),5} found{kind.Count(f => f.Findings.Any(x => Near(f.Damage, x))),5} at the place");
        var at = found.Count(f => f.Findings.Any(x => Near(f.Damage, x)));
        table.AppendLine($"{cases.Count} cases of {found.Select(f => f.Damage.Kind).Distinct().Count()} kinds, {at} found at the place ({100.0 * at / cases.Count:0.0} %)");
        foreach (var (damage, _) in found.Where(f => !f.Findings.Any(x => Near(f.Damage, x)))) table.AppendLine($"  not found: {damage.Kind}: {damage.Where}");
        output.WriteLine(table.ToString());
        cases.Count.ShouldBeGreaterThanOrEqualTo(200);
        ((double)at / cases.Count).ShouldBeGreaterThanOrEqualTo(0.98, table.ToString());
    }
}
