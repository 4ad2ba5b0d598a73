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
        // The plain hexagon first, then what heads and nuts of other forms have beside it, each width of a habit once.
        IEnumerable<FastenerForm?> forms = thread is InchThread ? [null, FastenerForm.Nut] : [null, FastenerForm.FlangeBolt, FastenerForm.FlangeNut];
        foreach (var flats in forms.SelectMany(f => AcrossFlats.Of(thread, f)).Distinct())
        {
            var (name, source) = Of(flats.Habit, thread is InchThread);
            numbers.Add(new("s", name, flats.Size, source));
        }

        foreach (var (form, name, source) in ((FastenerForm, string, string)[])[(FastenerForm.CapScrew, "socket cap screw", "ISO 4762, ISO 14579; ASME B18.3"), (FastenerForm.ButtonHeadScrew, "button head", "ISO 7380-1"), (FastenerForm.CountersunkScrew, "countersunk head", "ISO 10642"), (FastenerForm.PanHeadScrew, "pan head", "ISO 14583, ISO 7045")])
            foreach (var drive in DriveSizes.Usual(thread, form)) numbers.Add(new("", name, drive.Kind == DriveKind.Hexalobular && DriveSizes.HexalobularAcross(int.Parse(drive.Size.AsSpan(1))) is { } mm ? $"{drive}, {Show(mm)} mm over the lobes" : drive.ToString(), source));
        if (string.Join(" or ", DriveSizes.ExternalHexalobular(thread).Select(d => d.Size)) is { Length: > 0 } outside) numbers.Add(new("", "external hexalobular head", outside, "common practice, no source"));
        if (CastleNut.PinOf(thread) is { } pin) numbers.Add(new("", "cotter pin of a castle nut", pin, "ISO 1234, DIN 935; ASME B18.8.1"));
        if (Washer.Of(thread) is { } washer) numbers.Add(new("", "plain washer", $"{Show(washer.BoreMm)} × {Show(washer.OutsideMm)} × {Show(washer.ThicknessMm)} mm", "ISO 7089"));
        if (numbers.Count == 0) return new Problem($"The tables have nothing for {thread}.", "They go from M2.5 to M64 and from #4 to 1 1/2 in.", "thread");
        return new Slip("by table", "the standards beside each", numbers.ToImmutable(), [$"stress area {Show(thread.StressAreaMm2)} mm², pitch {Show(thread.PitchMm)} mm"],
            $"{thread}: {string.Join(", ", AcrossFlats.Of(thread).Select(f => f.Size).Distinct())} across flats.", "Measure the head before you buy the socket: makers differ.");
    }

    private static (string Name, string Source) Of(FlatsHabit habit, bool isInch) => habit switch
    {
        FlatsHabit.Standard => ("hexagon", isInch ? "ASME B18.2.1, B18.2.2" : "ISO 4014, ISO 4032"),
        FlatsHabit.Older => ("hexagon, older heads", "DIN 931, DIN 934"),
        FlatsHabit.Flange => ("hexagon of a flange head", "DIN 6921"),
        FlatsHabit.SmallFlange => ("hexagon of a small flange head", "ISO 15071"),
        FlatsHabit.FlangeNut => ("hexagon of a flange nut", "DIN 6923, ISO 4161"),
        FlatsHabit.Small => ("small hexagon", "JIS B 1180"),
        FlatsHabit.Wheel => ("hexagon of wheel and axle hardware", "common practice, no source"),
        _ => throw new ArgumentOutOfRangeException(nameof(habit)),
    };
}
