using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Building;

/// <summary>A line of the tool list.</summary>
/// <param name="What">The tool and its size.</param>
/// <param name="For">Ids of the joints it is for; empty where it is for a step.</param>
/// <param name="Steps">Numbers of the steps that need it, from 1.</param>
/// <param name="Lacking">True where the crib has none that would do; false where it has, or nobody has filled the crib.</param>
/// <param name="Note">What to know about it; empty for nothing.</param>
public sealed record ToolLine(string What, ImmutableArray<string> For, ImmutableArray<int> Steps, bool Lacking, string Note)
{
    /// <summary>True for a torque wrench, whichever the crib has for the value.</summary>
    [JsonIgnore]
    public bool IsTorqueTool { get; init; }
}

/// <summary>Compiles the tool list of a sheet from its fasteners, drives, values and actions. Nothing is listed that no step uses.</summary>
public sealed class ToolList
{
    private sealed class Entry
    {
        public List<string> For { get; } = [];

        public SortedSet<int> Steps { get; } = [];

        public bool Lacking { get; set; }

        public string Note { get; set; } = "";

        public int Order { get; init; }
    }

    private readonly Dictionary<string, Entry> _lines = new(StringComparer.OrdinalIgnoreCase);
    private readonly Workshop _workshop;
    private string? _stands;
    private bool _pan;

    private ToolList(Workshop workshop) => _workshop = workshop;

    /// <summary>The tool list of a walk in a workshop: torque tools, sockets and bits, other hand tools, the rest.</summary>
    public static ImmutableArray<ToolLine> Of(Walk walk, Workshop workshop) => Of([walk], workshop);

    /// <summary>The tool list of several walks of one sheet: what any of them needs.</summary>
    public static ImmutableArray<ToolLine> Of(IReadOnlyList<Walk> walks, Workshop workshop)
    {
        var list = new ToolList(workshop);
        foreach (var walk in walks)
        {
            list._stands = walk.Sheet.Aids.FirstOrDefault(a => a.Name.EndsWith("stands", StringComparison.OrdinalIgnoreCase)
                || a.Name.EndsWith("axle stand", StringComparison.OrdinalIgnoreCase))?.Name;
            // A pan of the sheet is the pan.
            list._pan = walk.Sheet.Aids.Any(a => Reading.Natures.Is(a, Reading.Trait.Pan) && walk.EventsOf(a.Id).Count > 0);
            foreach (var walked in walk.Events) list.Add(walked);
            foreach (var tool in walk.Sheet.Tools)
                for (var i = 0; i < walk.Steps.Count; i++)
                    if (walk.Steps[i].Uses.Contains(tool.Id) && !list.HasWrench(tool.Name, i + 1)) list.Put(tool.Name, 3, null, i + 1, "");
        }

        return [.. list._lines.OrderBy(l => l.Value.Order).ThenBy(l => SizeOf(l.Key)).ThenBy(l => l.Key, StringComparer.Ordinal)
            .Select(l => new ToolLine(l.Key, [.. l.Value.For.OrderBy(id => id.Length).ThenBy(id => id, StringComparer.Ordinal)], [.. l.Value.Steps],
                l.Value.Lacking, l.Value.Note) { IsTorqueTool = l.Value.Order == 0 })];
    }

    // "With the torque wrench": the one the value asks for.
    private bool HasWrench(string name, int step) => name.Equals("torque wrench", StringComparison.OrdinalIgnoreCase)
        && _lines.Values.Any(l => l.Order == 0 && l.Steps.Contains(step));

    private void Add(WalkEvent walked)
    {
        var step = walked.StepIndex + 1;
        if (walked.Action.With is { } with && walked.Thing?.Id != with && walked.Action.Verb != Verb.HangAside && with.StartsWith('T')) Put(with, 3, null, step, "");
        switch (walked.Thing)
        {
            case Joint joint when IsTurned(walked.Action.Verb):
                AddJoint(joint, walked.Action.Verb, step);
                break;
            case Joint joint:
                AddLock(joint, walked.Action.Verb, step);
                break;
            case Part part when walked.Action.Verb is Verb.Remove or Verb.Fit && IsRing(part.Name):
                Put("pliers for retaining rings", 2, null, step, "");
                break;
            case Aid aid when walked.Action.Verb == Verb.Place:
                Put(aid.Name, 3, null, step, "temporary, must come away");
                break;
        }

        switch (walked.Action.Verb)
        {
            case Verb.Raise when walked.Thing is null:
                Put(walked.After.Vehicle.Height == Height.OnLift ? "vehicle lift" : "jack", 3, null, step, "rated for the vehicle");
                break;
            case Verb.SetOnStands:
                // The stands the sheet names are the stands.
                Put(_stands ?? "axle stands", 3, null, step, "rated for the vehicle");
                break;
            case Verb.Drain when !_pan:
                Put("catch pan", 3, null, step, "");
                break;
        }
    }

    private static bool IsTurned(Verb verb) => verb is Verb.BreakLoose or Verb.Loosen or Verb.TakeOut or Verb.Start or Verb.Snug or Verb.TorquePass or Verb.Torque or Verb.Retorque or Verb.Align or Verb.BackOff;

    private static bool IsRing(string name) => name.Contains("snap ring", StringComparison.OrdinalIgnoreCase) || name.Contains("retaining ring", StringComparison.OrdinalIgnoreCase) || name.Contains("circlip", StringComparison.OrdinalIgnoreCase);

    private void AddJoint(Joint joint, Verb verb, int step)
    {
        // Started by hand: no tool.
        if (verb == Verb.Start) return;
        var judgement = JointJudgement.Of(joint, _workshop);
        var usual = joint.Fastener is { Thread: { } thread, Form: { } form } && joint.Fastener.Drive is null ? DriveSizes.Usual(thread, form) is [var likeliest, ..] ? likeliest : null : null;
        // A nut that is turned takes the socket, and its head the spanner.
        var nut = joint.Stack?.Nut is { Size.Length: > 0 } far ? far : null;
        var own = joint.Fastener?.Drive ?? usual;
        if ((nut is { IsTurned: true } ? new Drive(DriveKind.Hexagon, nut.Size) : own) is { } drive)
        {
            var crow = joint.Adapter is not null && verb is Verb.Torque or Verb.TorquePass or Verb.Retorque;
            var what = crow && drive.Kind == DriveKind.Hexagon ? $"{drive.Size} crow-foot, {joint.Adapter}" : IsDeep(joint, drive) ? $"{drive.Size} deep socket" : drive.Tool;
            Put(what, 1, joint, step, usual is null ? "" : "size by the table, not yet looked at");
            if (verb is not (Verb.Torque or Verb.TorquePass or Verb.Retorque) && !drive.Tool.Contains("screwdriver", StringComparison.Ordinal))
                Put($"{Wrench.UsualDrive(judgement.Target?.NewtonMetres ?? 20)} ratchet or bar", 2, null, step, "");
        }

        if (joint.HeldBy.Length > 0)
        {
            Put(joint.HeldBy, 2, joint, step, "holds it from turning");
        }
        else if (nut is not null)
        {
            if (nut is { IsTurned: false } || own is { Kind: DriveKind.Hexagon })
                Put($"{(nut.IsTurned ? own!.Size : nut.Size)} spanner", 2, joint, step, $"holds the {(nut.IsTurned ? "head" : "nut")} from turning");
        }
        else if (joint.Fastener is { NutClass: not null, Drive: { Kind: DriveKind.Hexagon } head } && !FastenerText.IsNut(joint.Fastener.Form))
        {
            Put($"{head.Size} spanner", 2, joint, step, "holds the nut from turning");
        }

        if (verb is not (Verb.Torque or Verb.TorquePass or Verb.Retorque)) return;
        if (joint.Torque is { ThenAngle: { } degrees }) Put("angle gauge, or a mark on the flats", 2, joint, step, degrees % 60 == 0 ? $"{degrees / 60:0} flat{(degrees == 60 ? "" : "s")} of the hexagon" : "");
        if (judgement.Target is not { } target) return;
        if (judgement.Wrench is { Wrench: { } wrench })
            Put($"torque wrench {wrench.Name}, {wrench.Drive}", 0, joint, step, judgement.Wrench.Overdue ?? "");
        else
            Put($"torque wrench for {target}, {Wrench.UsualDrive(target.NewtonMetres)}", 0, joint, step, judgement.Wrench is null ? "" : "none in the crib covers it", judgement.Wrench is not null);
    }

    // A nut far down its stud, a U-bolt's leg.
    private static bool IsDeep(Joint joint, Drive drive) => drive.Kind == DriveKind.Hexagon && joint.Fastener?.Form is FastenerForm.Nut or FastenerForm.LockNut
        && (joint.Pattern?.Shape == PatternShape.UBolts || joint.Name.Contains("stud", StringComparison.OrdinalIgnoreCase) || joint.Name.Contains("U-bolt", StringComparison.OrdinalIgnoreCase));

    private void AddLock(Joint joint, Verb verb, int step)
    {
        switch (verb)
        {
            case Verb.InsertPin or Verb.RemovePin:
                Put("pliers for cotter pins", 2, joint, step, joint.Fastener?.Thread is { } thread && CastleNut.PinOf(thread) is { } pin ? $"pin {pin}" : "");
                break;
            case Verb.Stake:
                Put("punch for staking", 2, joint, step, "");
                break;
            case Verb.Mark:
                Put("paint marker", 2, joint, step, "");
                break;
        }
    }

    private void Put(string what, int order, Joint? joint, int step, string note, bool lacking = false)
    {
        if (!_lines.TryGetValue(what, out var entry)) _lines[what] = entry = new Entry { Order = order };
        if (joint is not null && !entry.For.Contains(joint.SheetId)) entry.For.Add(joint.SheetId);
        entry.Steps.Add(step);
        entry.Lacking |= lacking;
        if (note.Length > 0 && !entry.Note.Contains(note, StringComparison.Ordinal)) entry.Note = entry.Note.Length == 0 ? note : $"{entry.Note}; {note}";
    }

    // Sockets stand in the order of their sizes: 8 before 10.
    private static double SizeOf(string what)
    {
        var digits = new string([.. what.SkipWhile(c => !char.IsAsciiDigit(c)).TakeWhile(c => char.IsAsciiDigit(c) || c is '.' or '/')]);
        return Fraction.Parse(digits) is { IsGood: true } size ? (double)size.Value * (what.Contains(" in", StringComparison.Ordinal) ? 25.4 : 1) : double.MaxValue;
    }
}
