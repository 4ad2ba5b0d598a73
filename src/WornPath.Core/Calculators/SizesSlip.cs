using System.Collections.Immutable;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>The sizes that go with a thread: wrenches, keys, pin, washer.</summary>
public sealed class SizesSlip : Calculator
{
    public override string Id => "sizes";

    public override string Title => "Which wrench, key, pin and washer go with this thread?";

    public override ImmutableArray<SlipCell> Cells { get; } = [new("thread", "thread", "M12")];

    public override IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop) => joint.Fastener?.Thread is { } thread ? new Dictionary<string, string> { ["thread"] = thread.ToString() } : null;

    protected override Outcome<Slip> Work(CellReader cells, Workshop workshop)
    {
        var thread = cells.Read("thread", ThreadText.Parse);
        if (thread is null) return cells.Problem!;
        var numbers = ImmutableArray.CreateBuilder<SlipNumber>();
        foreach (var flats in AcrossFlats.Of(thread))
        {
            numbers.Add(new("s", flats.Habit switch { FlatsHabit.Older => "hexagon, older heads", FlatsHabit.Flange => "hexagon of a flange head", FlatsHabit.Small => "small hexagon", _ => "hexagon" }, flats.Size,
                flats.Habit switch { FlatsHabit.Older => "DIN 931, DIN 934", FlatsHabit.Flange => "DIN 6921, DIN 6923", FlatsHabit.Small => "JIS B 1180", _ => thread is InchThread ? "ASME B18.2.1" : "ISO 4014, ISO 4032" }));
        }

        foreach (var (form, name, source) in ((FastenerForm, string, string)[])[(FastenerForm.CapScrew, "socket cap screw", "ISO 4762, ISO 14579; ASME B18.3"), (FastenerForm.ButtonHeadScrew, "button head", "ISO 7380-1"), (FastenerForm.CountersunkScrew, "countersunk head", "ISO 10642"), (FastenerForm.PanHeadScrew, "pan head", "ISO 14583, ISO 7045")])
            foreach (var drive in DriveSizes.Usual(thread, form)) numbers.Add(new("", name, drive.Kind == DriveKind.Hexalobular && DriveSizes.HexalobularAcross(int.Parse(drive.Size.AsSpan(1))) is { } mm ? $"{drive}, {Show(mm)} mm over the lobes" : drive.ToString(), source));
        if (DriveSizes.ExternalHexalobular(thread) is { } outside) numbers.Add(new("", "external hexalobular head", outside.ToString(), "common practice, no source"));
        if (CastleNut.PinOf(thread) is { } pin) numbers.Add(new("", "cotter pin of a castle nut", pin, "ISO 1234, DIN 935; ASME B18.8.1"));
        if (Washer.Of(thread) is { } washer) numbers.Add(new("", "plain washer", $"{Show(washer.BoreMm)} × {Show(washer.OutsideMm)} × {Show(washer.ThicknessMm)} mm", "ISO 7089"));
        if (numbers.Count == 0) return new Problem($"The tables have nothing for {thread}.", "They go from M3 to M36 and from #4 to 1 1/2 in.", "thread");
        return new Slip("by table", "the standards beside each", numbers.ToImmutable(), [$"stress area {Show(thread.StressAreaMm2)} mm², pitch {Show(thread.PitchMm)} mm"],
            $"{thread}: {string.Join(", ", AcrossFlats.Of(thread).Select(f => f.Size).Distinct())} across flats.", "Measure the head before you buy the socket: makers differ.");
    }
}
