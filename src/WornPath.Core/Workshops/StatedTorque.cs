using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>A torque with the source it was taken from: a joint's own, the one for some variants, or that of a pass on the way to it.</summary>
/// <param name="Joint">The joint.</param>
/// <param name="When">The variants and sides it holds for, in words; empty for all.</param>
/// <param name="Torque">The value.</param>
public sealed record StatedTorque(Joint Joint, string When, TorqueSpec Torque) : StatedValue(Joint.SheetId, Joint.SheetId, Joint.Name, Joint.Source)
{
    /// <summary>Where it is the value of a pass before the final one, which the steps state: its number from 1; null for the value itself.</summary>
    public int? Pass { get; init; }

    public override string About => string.Join(" · ", ((string[])[Pass is { } pass ? $"pass {pass}" : "", Joint.Fastener?.ToString() ?? "", When.Length > 0 ? $"for {When}" : ""]).Where(t => t.Length > 0));

    public override string Stands => Torque.ToString();

    /// <summary>This value of this joint from this source in this edition, for this fastener, number, treatment and condition.</summary>
    public override string Seal => SealOf(Joint.SheetId, Torque, Joint.Source, Joint.Fastener, Joint.Count, EnumWord.Of(Joint.Treatment), EnumWord.Of(Joint.Condition), EnumWord.Of(Joint.Stated));

    public override string FormerSeal => Hash($"{Joint.SheetId}\n{Torque}\n{Joint.Source}");

    public override bool IsOfOld => Pass is null;

    // With its unit, as it stands there: a bare number would be read in the sheet's.
    public override Outcome<(string Read, bool Agrees)> Hold(string read) => TorqueText.Parse(read).Map(torque => (torque.ToString(), Agrees(Torque, torque)));

    /// <summary>The values of passes that the steps state, by the joint's id. A pass given in percent, or by the house rules, is no value of a source.</summary>
    public static ILookup<string, TorqueSpec> PassesOf(Sheet sheet) => sheet.Steps.SelectMany(s => s.Actions).Where(a => a.Target is not null)
        .SelectMany(a => PassesOf(a).Select(torque => (a.Target, torque))).ToLookup(x => x.Target!, x => x.torque);

    private static ImmutableArray<TorqueSpec> PassesOf(StepAction action) =>
        action.Passes?.Torques ?? (action is { Verb: Verb.TorquePass, Torque: { } own } ? [own] : []);

    /// <summary>The values of a joint that have a source to be read in; like ones are one.</summary>
    /// <param name="joint">The joint.</param>
    /// <param name="passes">The values of its passes, as the steps state them.</param>
    public static IEnumerable<StatedTorque> Of(Joint joint, IEnumerable<TorqueSpec> passes)
    {
        if (string.IsNullOrWhiteSpace(joint.Source)) return [];
        IEnumerable<(string When, TorqueSpec Torque)> values = joint.Variants.Select(v => (v.When, v.Torque));
        if (joint.Torque is { } own) values = values.Prepend(("", own));
        static string When(IEnumerable<(string When, TorqueSpec Torque)> like) => string.Join(", ", like.Select(v => v.When).Where(w => w.Length > 0));
        List<StatedTorque> stated = [.. values.GroupBy(v => v.Torque).Select(like => new StatedTorque(joint, When(like), like.Key))];
        var others = passes.Distinct().Where(p => stated.TrueForAll(v => v.Torque != p));
        return stated.Concat(others.Select((p, i) => new StatedTorque(joint, "", p) { Pass = i + 1 }));
    }

    /// <summary>Whether what was read is the value of the sheet, in its unit or in another (<see cref="ReadAlike.Near"/>).</summary>
    public static bool Agrees(TorqueSpec sheet, TorqueSpec read)
    {
        if (sheet.Unit == read.Unit) return sheet == read;
        return sheet.IsTolerance == read.IsTolerance && sheet.ThenAngle == read.ThenAngle && sheet.Back == read.Back && sheet.ToNextSlot == read.ToNextSlot && sheet.SlotWithin == read.SlotWithin
            && Near(sheet.Low, sheet.Unit, read.Low, read.Unit) && Near(sheet.High, sheet.Unit, read.High, read.Unit)
            && (sheet.Seat is { } a ? read.Seat is { } b && Near(a.Amount, a.Unit, b.Amount, b.Unit) : read.Seat is null);
    }

    private static bool Near(decimal sheet, TorqueUnit sheetUnit, decimal read, TorqueUnit readUnit) => ReadAlike.Near(sheet, sheetUnit.InNewtonMetres(), read, readUnit.InNewtonMetres());
}
