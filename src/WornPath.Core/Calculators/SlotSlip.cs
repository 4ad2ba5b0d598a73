using System.Collections.Immutable;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Calculators;

/// <summary>The next slot of a castle nut, and the play a back-off leaves.</summary>
public sealed class SlotSlip : Calculator
{
    public override string Id => "slot";

    public override string Title => "How far to the next slot, and how much play does a back-off leave?";

    public override ImmutableArray<SlipCell> Cells { get; } = [new("thread", "thread", "M24x1.5"), new("slots", "slots of the nut", "6"), new("holes", "cross holes of the bolt", "1"), new("back", "backed off by", "30°")];

    public override IReadOnlyDictionary<string, string>? For(Joint joint, Workshop workshop) => joint is { Fastener.Thread: { } thread, Torque: { } spec } && (spec.ToNextSlot || spec.IsAdjustment || joint.Fastener.Form == FastenerForm.CastleNut)
        ? new Dictionary<string, string> { ["thread"] = thread.ToString(), ["slots"] = "6", ["holes"] = "1", ["back"] = $"{spec.SlotWithin ?? spec.Back ?? 30:0.##}°" }
        : null;

    protected override Outcome<Slip> Work(CellReader cells, Workshop workshop)
    {
        var thread = cells.Read("thread", ThreadText.Parse);
        var slots = (int)cells.Number("slots", 3, 24);
        var holes = (int)cells.Number("holes", 1, 2);
        var back = cells.Number("back", 0, 360);
        if (cells.Problem is { } bad) return bad;
        var pitch = new SlotAlignment(slots, holes * 2).PitchDegrees;
        var play = SlotAlignment.PlayMm(thread!.PitchMm, new Angle((decimal)back));
        return new Slip("360° / lcm(slots, openings);  play = P · α / 360°", "geometry",
            [new("slots", "of the nut", slots.ToString(), "DIN 935, ISO 7035: six to M39"), new("openings", "of the cross holes", (holes * 2).ToString(), "two a hole"), new("P", "pitch", $"{Show(thread.PitchMm)} mm", "the thread"), new("α", "backed off by", $"{Show(back)}°", "as entered")],
            [$"a slot meets a hole every {Show(pitch)}°: the nut is turned on by less than that", $"play = {Show(thread.PitchMm)} mm · {Show(back)}° / 360° = {Show(play)} mm"],
            $"On to the next slot is less than {Show(pitch)}°. Backing off {Show(back)}° leaves {Show(play)} mm of axial play.",
            "A clamping joint is turned on to the slot, never back. A bearing nut is never backed off further than its maker says; else begin again.");
    }
}
