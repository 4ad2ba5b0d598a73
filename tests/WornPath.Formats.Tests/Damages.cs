using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;

namespace WornPath.Formats.Tests;

/// <summary>One damage.</summary>
/// <param name="Kind">What was done.</param>
/// <param name="Where">To what, for the table.</param>
/// <param name="Sheet">The sheet after it.</param>
/// <param name="Step">Number of the step it was done at; 0 for the tables.</param>
/// <param name="Things">Ids it is about.</param>
public sealed record Damage(string Kind, string Where, Sheet Sheet, int Step, ImmutableHashSet<string> Things);

/// <summary>Everything that is damaged on a clean sheet, one place at a time.</summary>
public sealed partial class Damages(string name, Sheet whole)
{
    // What is done to a thing and changes its state; the rest of a sentence may go without harm to the vehicle.
    private static readonly Verb[] Matters =
    [
        Verb.TakeOut, Verb.Start, Verb.Torque, Verb.InsertPin, Verb.Remove, Verb.Fit, Verb.HangAside, Verb.Disconnect, Verb.Connect, Verb.Place, Verb.TakeAway, Verb.SetOnStands, Verb.Lower, Verb.PumpBrakes, Verb.Treat, Verb.Fill, Verb.CheckLevel, Verb.Wait,
    ];

    [GeneratedRegex(@"(?<to>\bto )(?<n>\d+(?:\.\d+)?) (?<u>N·m|lb-ft|in-lb)")]
    private static partial Regex Value();

    [GeneratedRegex(@"(?<to>Back off [^.]*? )(?<n>\d+)°")]
    private static partial Regex Angle();

    [GeneratedRegex(@"cure \d+ hours")]
    private static partial Regex Cure();

    [GeneratedRegex(@"\bthe (?:two|three|four|five|six|eight) |\bboth (?=\w+s\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Count();

    private readonly List<Step> _steps = [.. whole.Steps];

    /// <summary>All of them.</summary>
    public IEnumerable<Damage> All() => Steps().Concat(Actions()).Concat(Moves()).Concat(Swaps()).Concat(Words()).Concat(Variants()).Concat(Joints()).Concat(Parts());

    private Damage Of(string kind, string where, Sheet sheet, int step, IEnumerable<string> things) => new(kind, $"{name} {where}", sheet, step, [.. things]);

    private static Sheet Map(Sheet sheet, Func<Step, Step?> change) => sheet with { Phases = [.. sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(change).OfType<Step>()] })] };

    private static IEnumerable<string> ThingsOf(IEnumerable<StepAction> actions) => actions.SelectMany(a => new[] { a.Target, a.With }).OfType<string>();

    private int Number(Step step) => _steps.IndexOf(step) + 1;

    private IEnumerable<Damage> Steps()
    {
        foreach (var step in _steps)
            if (step.Actions.Any(a => Matters.Contains(a.Verb)) || step.Text.Contains("qualified", StringComparison.Ordinal))
            {
                yield return Of("a step dropped", $"{Number(step)}", Map(whole, s => s.Id == step.Id ? null : s), Number(step), ThingsOf(step.Actions));
                if (step.Actions.Any(a => a.Verb is Verb.Remove or Verb.Fit or Verb.TakeOut or Verb.Connect or Verb.Disconnect))
                    yield return Of("a step done twice", $"{Number(step)}", whole with { Phases = [.. whole.Phases.Select(p => p with { Steps = [.. p.Steps.SelectMany(s => s.Id == step.Id ? [s, s with { Id = "again" }] : new[] { s })] })] }, Number(step) + 1, ThingsOf(step.Actions));
            }
    }

    [GeneratedRegex(@"[^.;\n]+(?:\.(?=\d)[^.;\n]+)*[.;]?\s*")]
    private static partial Regex Sentence();

    [GeneratedRegex(@"\b(?<verb>[Tt]orque|[Tt]ighten) (?<what>.+?) to \d[^.]*?(?=[.,]| in a star| with |$)")]
    private static partial Regex Tightening();

    // What the words of a step say is done, in other words or not at all: the text is damaged, and read as whoever types it would have it.
    private IEnumerable<Damage> Actions()
    {
        foreach (var step in _steps)
        {
            Damage? Written(string kind, string text, IEnumerable<StepAction> about) => text != step.Text
                && Editor.Apply(whole, new WriteStep(step.Id, step.Text, text)) is { IsGood: true } done
                ? Of(kind, $"{Number(step)} “{text.ReplaceLineEndings(" / ")}”", done.Value.Sheet, Number(step), ThingsOf(about)) : null;
            var told = step.Actions.Where(a => a.Verb != Verb.Wait && Matters.Contains(a.Verb)).ToList();
            var done = new List<Damage?>();
            // One sentence of several dropped; one of two things that are done in one sentence.
            foreach (Match sentence in Sentence().Matches(step.Table is null ? step.Text : ""))
            {
                var within = told.Where(a => a.At.Start >= sentence.Index && a.At.End <= sentence.Index + sentence.Length).ToList();
                if (within.Count == 0) continue;
                var plan = within[0].Branch > 0 ? " of plan B" : "";
                if (sentence.Length < step.Text.Length) done.Add(Written($"a sentence{plan} dropped", step.Text.Remove(sentence.Index, sentence.Length).Trim(), within));
                if (within is [var one, var other] && one.At.End <= other.At.Start && step.Text[one.At.End..other.At.Start] is " and the ")
                {
                    done.Add(Written("one of two things dropped", step.Text[..one.At.End] + step.Text[other.At.End..], [other]));
                    done.Add(Written("one of two things dropped", step.Text[..one.At.Start] + step.Text[other.At.Start..], [one]));
                }
            }

            foreach (var torque in told.Where(a => a is { Verb: Verb.Torque, Target: not null }))
            {
                done.Add(Written("snug instead of torque", Tightening().Replace(step.Text, "Snug ${what}", 1), [torque]));
                if (whole.Find(torque.Target!) is Joint { Count: > 2 } set)
                    done.Add(Written("one of the set forgotten", Tightening().Replace(step.Text,
                        m => m.Value.Replace(m.Groups["what"].Value, $"{set.Count - 1} of {m.Groups["what"].Value}", StringComparison.Ordinal), 1), [torque]));
                if (whole.Joints.FirstOrDefault(j => j.Id != torque.Target
                    && j.Torque is not null) is { } another) done.Add(Written("another joint torqued",
                        step.Text.Replace(whole.Find(torque.Target!)!.Name, another.Name, StringComparison.Ordinal), [torque]));
            }

            if (told.Exists(a => a.Verb == Verb.InsertPin)) done.Add(Written("an old pin goes in", step.Text.Replace("a new cotter pin", "the old cotter pin", StringComparison.Ordinal), told));
            if (told.Exists(a => a is { Verb: Verb.Fit, New: true })) done.Add(Written("an old part goes on", step.Text.Replace("the new ", "the old ", StringComparison.Ordinal), told));
            if (told.Exists(a => a.Verb == Verb.Lower)) done.Add(Written("raised instead of lowered", step.Text.Replace("Lower ", "Raise ", StringComparison.Ordinal).Replace(" to the ground", "", StringComparison.Ordinal), told));
            if (step is { Table: null } && step.Actions.FirstOrDefault(a => a is { Verb: Verb.Measure, Limits: not null }) is { } measured) done.Add(Written("the limits taken out", step.Text.Replace(": at least 42 mm", "", StringComparison.Ordinal), [measured]));
            foreach (var sided in told.Where(a => a.Only is not null))
            {
                done.Add(Written("a side mark dropped", step.Text.Replace("Left: ", "", StringComparison.Ordinal).Replace("With steel wheels: ", "", StringComparison.Ordinal), [sided]));
                if (sided.Verb != Verb.Torque || sided.Target != "J1") done.Add(Written("a side mark turned", step.Text.Replace("Left: ", "Right: ", StringComparison.Ordinal).Replace("With steel wheels: ", "With cast wheels: ", StringComparison.Ordinal), [sided]));
            }

            foreach (var damage in done.OfType<Damage>()) yield return damage;
        }
    }

    // A step moved where it does not belong.
    private IEnumerable<Damage> Moves()
    {
        Damage Move(string kind, Step step, Step? before)
        {
            var order = _steps.Where(s => s.Id != step.Id).ToList();
            var to = before is null ? order.Count : order.IndexOf(before);
            order.Insert(to, step);
            return Of(kind, $"{Number(step)} to {to + 1}", whole with { Phases = [whole.Phases[0] with { Steps = [.. order] }] }, to + 1, ThingsOf(step.Actions));
        }

        var firstOff = _steps.First(s => s.Actions.Any(a => a.Verb is Verb.Remove or Verb.TakeOut));
        var firstOn = _steps.First(s => s.Actions.Any(a => a.Verb is Verb.Fit));
        var lowering = _steps.Find(s => s.Actions.Any(a => a.Verb is Verb.Lower or Verb.LowerToTouch));
        foreach (var step in _steps)
        {
            if (step != _steps[^1] && step.Actions.Any(a => a is { Branch: 0, Verb: Verb.Remove or Verb.TakeOut or Verb.Disconnect or Verb.Raise or Verb.Place })) yield return Move("a removal left to the end", step, null);
            if (step != _steps[0] && step.Actions.Any(a => a is { Branch: 0, Verb: Verb.Fit or Verb.Connect or Verb.Start or Verb.TakeAway })) yield return Move("a refit before all else", step, _steps[0]);
            if (step != firstOff && step.Actions.FirstOrDefault(a => a.Verb is Verb.Remove or Verb.HangAside) is { Target: { } off } && whole.Find(off) is Part { Behind.Length: > 0 }) yield return Move("a part off before what covers it", step, firstOff);
            if (step != firstOn && step.Actions.FirstOrDefault(a => a.Verb == Verb.Fit) is { Target: { } on } && whole.Parts.Any(p => p.Behind.Contains(on))) yield return Move("a part on before what goes under it", step, firstOn);
            if (lowering is not null && _steps.IndexOf(step) > _steps.IndexOf(lowering) && step.Actions.Any(a => a.Verb == Verb.Torque && whole.Find(a.Target!) is Joint j && j.Condition == TighteningCondition.TyreTouching)) yield return Move("wheel nuts torqued before lowering", step, lowering);
        }
    }

    // Two neighbours swapped of which the second needs the first: the fastener and what it holds, the thing that was just put on or off.
    private IEnumerable<Damage> Swaps()
    {
        for (var i = 1; i < _steps.Count; i++)
        {
            var (first, second) = (_steps[i - 1], _steps[i]);
            var taken = first.Actions.Where(a => a.Verb is Verb.TakeOut && whole.Find(a.Target ?? "") is Joint).SelectMany(a => ((Joint)whole.Find(a.Target!)!).Holds);
            var started = first.Actions.Where(a => a.Verb is Verb.Start or Verb.Fit or Verb.SetOnStands or Verb.Fill).Select(a => a.Target ?? "vehicle");
            var needs = second.Actions.Where(a => a.Verb is Verb.Remove or Verb.Torque or Verb.CheckLevel or Verb.Start or Verb.Snug).Select(a => a.Target ?? "");
            var needed = taken.Concat(started).Concat(started.SelectMany(id => whole.Joints.Where(j => j.Holds.Contains(id)).Select(j => j.Id)));
            if (!needs.Intersect(needed).Any()) continue;
            var order = _steps.ToList();
            (order[i - 1], order[i]) = (second, first);
            yield return Of("two steps swapped", $"{i} and {i + 1}", whole with { Phases = [whole.Phases[0] with { Steps = [.. order] }] }, i, ThingsOf(first.Actions.Concat(second.Actions)));
        }
    }

    // The words themselves, read anew.
    private IEnumerable<Damage> Words()
    {
        foreach (var step in _steps)
        {
            Damage? Written(string kind, string text) => text != step.Text && Editor.Apply(whole, new WriteStep(step.Id, step.Text, text)) is { IsGood: true } done
                ? Of(kind, $"{Number(step)}", done.Value.Sheet, Number(step), ThingsOf(step.Actions)) : null;
            Damage?[] done =
            [
                Written("a value turned into words", Value().Replace(step.Text, "good and tight")),
                Written("a unit left out", Value().Replace(step.Text, "${to}${n}")),
                Written("another value said", Value().Replace(step.Text, m => $"to {decimal.Parse(m.Groups["n"].Value, System.Globalization.CultureInfo.InvariantCulture) * 2:0.#} {m.Groups["u"].Value}")),
                Written("another angle said", Angle().Replace(step.Text, "${to}${n}5°")),
                Written("a shorter cure", Cure().Replace(step.Text, "cure 1 hour")),
                Written("another count said", Count().Replace(step.Text, "the seven ", 1)),
                step.Text.Contains("\nIf ", StringComparison.Ordinal) ? Written("no word on a fail", step.Text[..step.Text.IndexOf("\nIf ", StringComparison.Ordinal)]) : null,
                step.Table is { Rows.Length: > 2 } ? Written("a row of the table dropped", string.Join('\n', step.Text.Split('\n').Where(l => !l.Contains(step.Table.Rows[1].Choice + " |", StringComparison.Ordinal)))) : null,
                step.Table is { Rows: [{ Within.High: { } high }, ..] } ? Written("rows of the table overlap", step.Text.Replace($"{high}", $"{high + 5}", StringComparison.Ordinal)) : null,
                step.Actions.FirstOrDefault(a => a.Verb is Verb.Remove or Verb.Fit or Verb.TakeOut) is { At: { Length: > 0 } at } ? Written("a name turned into a finger", $"{step.Text[..at.Start]}this thing here{step.Text[at.End..]}") : null,
            ];
            foreach (var damage in done.OfType<Damage>()) yield return damage;
        }

        foreach (var lead in whole.Connections.Where(c => c.Origin == Origin.Vehicle && _steps.Any(s => s.Actions.Any(a => a.Target == c.Id && a.Verb == Verb.Disconnect))))
            yield return Of("a lead in the kit, and comes off", lead.Id, whole with { Connections = [.. whole.Connections.Select(c => c == lead ? c with { Origin = Origin.Kit } : c)] }, 0, [lead.Id]);
        foreach (var tool in whole.Tools.Where(t => t.Name == "slide hammer")) yield return Of("a tool off the list", tool.Id, whole with { Tools = whole.Tools.Remove(tool) }, _steps.FindIndex(s => s.Text.Contains(tool.Name, StringComparison.Ordinal)) + 1, [tool.Id]);
    }

    private IEnumerable<Damage> Variants()
    {
        foreach (var thing in whole.Joints.Where(j => j.Only is not null))
            yield return Of("limited to no such variant", thing.Id, whole with { Joints = [.. whole.Joints.Select(j => j == thing ? j with { Only = Limit.Of(["with nothing"]) } : j)] }, 0, [thing.Id]);
        foreach (var part in whole.Parts.Where(p => p.Only is null && whole.Header.Variants.Length > 0 && p.Origin == Origin.Vehicle))
            yield return Of("a part there on one side alone", part.Id, whole with { Parts = [.. whole.Parts.Select(p => p == part ? p with { Only = Limit.Of(["left"]) } : p)] }, 0, [part.Id]);
        foreach (var joint in whole.Joints.Where(j => j.Variants.Length > 0))
        {
            yield return Of("ten times a variant's value", joint.Id, Put(joint with { Variants = [.. joint.Variants.Select(v => v with { Torque = TorqueSpec.Create(v.Torque.Low * 10, v.Torque.High * 10, v.Torque.Unit).Value })] }), 0, [joint.Id]);
            yield return Of("a variant's value no wrench covers", joint.Id, Put(joint with { Variants = [.. joint.Variants.Select(v => v with { Torque = TorqueSpec.Create(v.Torque.Low + 30, v.Torque.High + 30, v.Torque.Unit).Value })] }), 0, [joint.Id]);
        }
    }

    private Sheet Put(Joint joint) => whole with { Joints = [.. whole.Joints.Select(j => j.Id == joint.Id ? joint : j)] };

    private IEnumerable<Damage> Joints()
    {
        foreach (var joint in whole.Joints)
        {
            Damage Done(string kind, Joint changed) => Of(kind, joint.Id, Put(changed), 0, [joint.Id]);
            TorqueSpec? Times(decimal factor, TorqueUnit? unit = null) => joint.Torque is { } torque && TorqueSpec.Create(torque.Low * factor, torque.High * factor, unit ?? torque.Unit) is { IsGood: true } made ? made.Value : null;
            if (joint.Torque is null) continue;
            yield return Done("the source taken out", joint with { Source = "" });
            if (joint.Source.Contains("3rd ed.", StringComparison.Ordinal)) yield return Done("the source of an older edition", joint with { Source = joint.Source.Replace("3rd ed.", "2nd ed.", StringComparison.Ordinal) });
            yield return Done("the value taken out", joint with { Torque = null });
            if (joint is { Reuse: ReuseRule.Reuse, Origin: Origin.Vehicle } && _steps.Any(s => s.Actions.Any(a => a.Target == joint.Id && a.Verb == Verb.TakeOut))) yield return Done("to be renewed, and is not", joint with { Reuse = ReuseRule.Renew });
            if (joint.Treatment == Treatment.None) yield return Done("a treatment no step applies", joint with { Treatment = Treatment.ThreadlockerMedium });
            if (joint.Locking == Locking.None) yield return Done("a stake no step makes", joint with { Locking = Locking.Stake });
            else yield return Done("another treatment than is applied", joint with { Treatment = joint.Treatment == Treatment.ThreadlockerHigh ? Treatment.Grease : Treatment.ThreadlockerHigh });
            if (joint.Locking == Locking.CotterPin) yield return Done("a pin in a nut that takes none", joint with { Locking = Locking.None });
            if (!joint.Mark) yield return Done("a mark no step makes", joint with { Mark = true });
            if (joint.HeldBy.Length == 0 && whole.Aids.FirstOrDefault(a => a.Name == "rag") is { } rag) yield return Done("held by what is not in place", joint with { HeldBy = rag.Name });
            if (joint.Reuse == ReuseRule.Renew && _steps.Any(s => s.Actions.Any(a => a.Target == joint.Id && a.New))) yield return Done("new ones on, old ones on the list", joint with { Reuse = ReuseRule.Reuse });
            if (joint.Condition == TighteningCondition.None && _steps.Any(s => s.Actions.Any(a => a.Target == joint.Id && a.Verb == Verb.Torque))) yield return Done("a condition no step meets", joint with { Condition = TighteningCondition.Turning });
            if (joint.Pattern is { Shape: PatternShape.Rectangle or PatternShape.Grid } || _steps.Any(s => s.Actions.Any(a => a.Target == joint.Id && Core.Reading.CountSaid.Of(s.Text, a.At) is not null))) yield return Done("one more on the list than is said or drawn", joint with { Count = joint.Count + 1 });
            if (joint.Pattern is not null && joint.Count >= 4) yield return Done("the pattern taken out", joint with { Pattern = null });
            if (joint.Treatment != Treatment.None) yield return Done("a value stated for dry threads", joint with { Stated = StatedFor.Dry });
            if (joint.Fastener is { Drive: { Kind: DriveKind.Hexagon } } fastener) yield return Done("a wrong head", joint with { Fastener = fastener with { Drive = new Drive(DriveKind.Hexagon, "33 mm") } });
            // Without a class nothing can be said of a value.
            if (joint.Fastener is not { Thread: not null, Class: not null } || joint.Torque is { IsAdjustment: true }) continue;
            if (Times(10) is { } ten) yield return Done("ten times the value", joint with { Torque = ten });
            if (Times(0.1m) is { } tenth) yield return Done("a tenth of the value", joint with { Torque = tenth });
            if (joint.Torque.Unit == TorqueUnit.NewtonMetre && Times(1, TorqueUnit.KilogramForceMetre) is { } kgf) yield return Done("kgf·m instead of N·m", joint with { Torque = kgf });
            if (joint.Torque.Unit != TorqueUnit.PoundForceInch && Times(1, TorqueUnit.PoundForceInch) is { } inch) yield return Done("lbf·in instead of the unit", joint with { Torque = inch });
            if (joint.Torque.Unit == TorqueUnit.PoundForceInch && Times(1, TorqueUnit.PoundForceFoot) is { } foot) yield return Done("lbf·ft instead of lbf·in", joint with { Torque = foot });
            if (joint.Fastener.Class is "8.8" or "10.9") yield return Done("a soft fastener", joint with { Fastener = joint.Fastener with { Class = "4.6" } });
            yield return Done("tapped into foil", joint with { Into = TappedHole.Parse("cast aluminium, 2 mm").Value });
        }
    }

    private IEnumerable<Damage> Parts()
    {
        Sheet PutPart(Part part) => whole with { Parts = [.. whole.Parts.Select(p => p.Id == part.Id ? part : p)] };
        foreach (var part in whole.Parts)
        {
            if (part.Fate == Fate.Refit && part.Origin == Origin.Vehicle) yield return Of("to be replaced, and is not", part.Id, PutPart(part with { Fate = Fate.Replace }), 0, [part.Id]);
            if (part.Fate == Fate.Replace) yield return Of("new on, old on the list", part.Id, PutPart(part with { Fate = Fate.Refit }), 0, [part.Id]);
            var comesOff = _steps.Any(s => s.Actions.Any(a => a.Target == part.Id && a.Verb == Verb.Remove));
            if (part is { Fate: Fate.Refit, Origin: Origin.Vehicle } && comesOff)
            {
                yield return Of("to be thrown away, and goes on", part.Id, PutPart(part with { Fate = Fate.Discard }), 0, [part.Id]);
                yield return Of("to be kept as a spare, and goes on", part.Id, PutPart(part with { Fate = Fate.Spare }), 0, [part.Id]);
                yield return Of("in the kit, and comes off", part.Id, PutPart(part with { Origin = Origin.Kit }), 0, [part.Id]);
            }

            if (part.MassKg is null && part.Origin == Origin.Vehicle) yield return Of("heavy, and one person", part.Id, PutPart(part with { MassKg = 60 }), 0, [part.Id]);
            if (part.Behind.Length > 0) yield return Of("a circle of covers", part.Id, whole with { Parts = [.. whole.Parts.Select(p => p.Id == part.Behind[0] ? p with { Behind = p.Behind.Add(part.Id) } : p)] }, 0, [part.Id, part.Behind[0]]);
        }
    }
}
