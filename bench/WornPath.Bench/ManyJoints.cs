using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Bench;

/// <summary>Five hundred joints of many kinds, and a workshop to judge them in.</summary>
internal static class ManyJoints
{
    private static readonly (string Fastener, string Torque, string Count, string Pattern)[] Kinds =
    [
        ("M8×25 8.8 flange bolt, 13 mm", "22–26 N·m", "8", "circle"),
        ("M12×1.25×40 10.9 bolt with nut 10, 18 mm", "95 N·m", "4", "rectangle 2×2"),
        ("3/8-16 UNC grade 8 nut, 9/16 in", "24 lbf·ft", "3", "row"),
        ("M6×16 8.8 cap screw, hex socket 5 mm", "9 N·m", "12", "grid 2×6"),
        ("M14×1.5 castle nut, 19 mm", "60 N·m + next slot", "1", ""),
        ("M10×30 8.8 bolt, 16 mm", "40 N·m + 90°", "2", ""),
    ];

    /// <summary>A sheet of so many joints.</summary>
    public static Sheet Of(int count)
    {
        var sheet = Sheet.Empty;
        for (var i = 0; i < count; i++)
        {
            var (fastener, torque, many, pattern) = Kinds[i % Kinds.Length];
            var fields = ImmutableArray.Create<FieldText>(new("count", many), new("fastener", fastener), new("torque", torque), new("source", "Sample manual, p. 12"), new("treatment", i % 5 == 0 ? "threadlocker, medium" : "none"));
            if (pattern.Length > 0) fields = fields.Add(new("pattern", pattern));
            if (i % 4 == 0) fields = fields.Add(new("into", "cast aluminium, 18 mm"));
            sheet = Editor.Apply(sheet, new AddFilled(ThingKind.Joint, $"cover {i} bolts", fields)).Value.Sheet;
        }

        return sheet;
    }

    /// <summary>A crib of five.</summary>
    public static readonly Workshop Shop = new()
    {
        Today = new DateOnly(2026, 6, 1),
        Crib = [Tool(2, 12, "1/4 in"), Tool(10, 60, "3/8 in"), Tool(20, 110, "1/2 in"), Tool(40, 200, "1/2 in"), Tool(100, 550, "3/4 in")],
    };

    private static Wrench Tool(int min, int max, string drive) => new() { Name = $"TW-{max}", Min = min, Max = max, Unit = TorqueUnit.NewtonMetre, Step = 0.5m, Drive = drive, LengthMm = 300, Calibrated = new DateOnly(2026, 1, 1) };

    /// <summary>Judges all of them anew: preload, stripping, unit, wrench, passes, pattern, advice; a number so that nothing is left out.</summary>
    public static int Judge(Sheet sheet, IReadOnlyDictionary<string, Thing> things)
    {
        var sum = 0;
        foreach (var joint in sheet.Joints)
        {
            var judgement = JointJudgement.Judge(joint, Shop);
            sum += judgement.Passes.Length + judgement.Order.Length + TreatmentAdvice.For(joint, things, Shop.Rules).Why.Length;
        }

        return sum;
    }
}
