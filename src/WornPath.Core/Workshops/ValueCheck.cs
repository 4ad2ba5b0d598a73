using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>What second persons have said of a value.</summary>
public enum ValueStanding
{
    /// <summary>Nobody but its author has read it from the source.</summary>
    [JsonStringEnumMemberName("unverified")] Unverified,

    /// <summary>The last who read it there read the same.</summary>
    [JsonStringEnumMemberName("verified")] Verified,

    /// <summary>The last who read it there read something else.</summary>
    [JsonStringEnumMemberName("differs")] Differs,
}

/// <summary>A value of the sheet with the source it was taken from: a joint's own, the one for some variants, or that of a pass on the way to it.</summary>
/// <param name="Joint">The joint.</param>
/// <param name="When">The variants and sides it holds for, in words; empty for all.</param>
/// <param name="Torque">The value.</param>
public sealed record StatedValue(Joint Joint, string When, TorqueSpec Torque)
{
    /// <summary>Where it is the value of a pass before the final one, which the steps state: its number from 1; null for the value itself.</summary>
    public int? Pass { get; init; }

    /// <summary>
    /// What a check holds for: this value of this joint from this source in this edition, for this fastener, number, treatment and
    /// condition. A check falls away as soon as one of them is another.
    /// </summary>
    public string Seal => SealOf(Joint, Torque);

    /// <summary>The seal that checks of before covered: the value and its source alone. It holds for what was released under it.</summary>
    public string FormerSeal => Hash($"{Joint.Id}\n{Torque}\n{Joint.Source}");

    /// <summary>The seal of a value of a joint.</summary>
    public static string SealOf(Joint joint, TorqueSpec torque) => Mark + Hash(string.Join('\n',
        joint.Id, torque, joint.Source, joint.Fastener, joint.Count, EnumWord.Of(joint.Treatment), EnumWord.Of(joint.Condition), EnumWord.Of(joint.Stated)))[Mark.Length..];

    /// <summary>True for a seal of before, which covers the value and its source alone.</summary>
    public static bool IsFormer(string seal) => !seal.StartsWith(Mark, StringComparison.Ordinal);

    private const string Mark = "2-";

    private static string Hash(string text) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..32];

    /// <summary>Every value of a sheet that has a source to be read in, in the order of the sheet.</summary>
    public static IEnumerable<StatedValue> Of(Sheet sheet)
    {
        var passes = PassesOf(sheet);
        return sheet.Joints.SelectMany(j => Of(j, passes[j.Id]));
    }

    /// <summary>The values of passes that the steps state, by the joint's id. A pass given in percent, or by the house rules, is no value of a source.</summary>
    public static ILookup<string, TorqueSpec> PassesOf(Sheet sheet) => sheet.Steps.SelectMany(s => s.Actions).Where(a => a.Target is not null)
        .SelectMany(a => PassesOf(a).Select(torque => (a.Target, torque))).ToLookup(x => x.Target!, x => x.torque);

    private static ImmutableArray<TorqueSpec> PassesOf(StepAction action) =>
        action.Passes?.Torques ?? (action is { Verb: Verb.TorquePass, Torque: { } own } ? [own] : []);

    /// <summary>The values of a joint that have a source to be read in; like ones are one.</summary>
    /// <param name="joint">The joint.</param>
    /// <param name="passes">The values of its passes, as the steps state them.</param>
    public static IEnumerable<StatedValue> Of(Joint joint, IEnumerable<TorqueSpec> passes)
    {
        if (string.IsNullOrWhiteSpace(joint.Source)) return [];
        IEnumerable<(string When, TorqueSpec Torque)> values = joint.Variants.Select(v => (v.When, v.Torque));
        if (joint.Torque is { } own) values = values.Prepend(("", own));
        static string When(IEnumerable<(string When, TorqueSpec Torque)> like) => string.Join(", ", like.Select(v => v.When).Where(w => w.Length > 0));
        List<StatedValue> stated = [.. values.GroupBy(v => v.Torque).Select(like => new StatedValue(joint, When(like), like.Key))];
        var others = passes.Distinct().Where(p => stated.TrueForAll(v => v.Torque != p));
        return stated.Concat(others.Select((p, i) => new StatedValue(joint, "", p) { Pass = i + 1 }));
    }
}

/// <summary>
/// A value as a second person read it from its source, without the author's entry in sight. Kept for good, also where it was
/// not the same: the last for a value counts.
/// </summary>
/// <param name="Joint">The joint's id.</param>
/// <param name="Seal">What it was given for (<see cref="StatedValue.Seal"/>).</param>
/// <param name="Read">What was read.</param>
/// <param name="Agrees">Whether that is the value of the sheet.</param>
/// <param name="Who">Who read it.</param>
/// <param name="At">When, in UTC.</param>
public sealed record ValueCheck(string Joint, string Seal, TorqueSpec Read, bool Agrees, string Who, DateTime At);

/// <summary>What second persons have said of a joint's values.</summary>
/// <param name="Standing">How they stand: as the gravest of them.</param>
/// <param name="Who">Who read them; empty where nobody has.</param>
/// <param name="At">When the last was read, in UTC.</param>
public sealed record JointCheck(ValueStanding Standing, string Who, DateTime? At);

/// <summary>Holds the values of a sheet against what second persons have read.</summary>
public static class ValueChecks
{
    /// <summary>The last check of a value; null where there is none for what it is now.</summary>
    public static ValueCheck? Last(this ImmutableArray<ValueCheck> checks, StatedValue value)
    {
        string seal = value.Seal, former = value.FormerSeal;
        for (var i = checks.Length - 1; i >= 0; i--)
            if (checks[i].Seal == seal || checks[i].Seal == former) return checks[i];
        return null;
    }

    /// <summary>
    /// Of all checks given, those that hold for a revision: not of somebody who has written on it since, and where it is still
    /// open, none whose seal is of before and does not cover the fastener.
    /// </summary>
    public static ImmutableArray<ValueCheck> Standing(IEnumerable<(ValueCheck Check, string Person)> given, bool isOpen, IReadOnlyCollection<string> writers) =>
        [.. given.Where(g => !writers.Contains(g.Person) && (!isOpen || !StatedValue.IsFormer(g.Check.Seal))).Select(g => g.Check)];

    /// <summary>True while a value of the sheet is still to be read from its source, for the first time or again.</summary>
    public static bool AnyToRead(Sheet sheet, ImmutableArray<ValueCheck> checks) => StatedValue.Of(sheet).Any(v => checks.Last(v).Standing() != ValueStanding.Verified);

    /// <summary>How a value stands after its last check.</summary>
    public static ValueStanding Standing(this ValueCheck? last) => last is null ? ValueStanding.Unverified : last.Agrees ? ValueStanding.Verified : ValueStanding.Differs;

    /// <summary>What was said of all values of a joint; null where it has none with a source.</summary>
    public static JointCheck? Of(Joint joint, IEnumerable<TorqueSpec> passes, ImmutableArray<ValueCheck> checks)
    {
        List<ValueCheck?> last = [.. StatedValue.Of(joint, passes).Select(v => checks.Last(v))];
        if (last.Count == 0) return null;
        var differ = last.OfType<ValueCheck>().Where(c => !c.Agrees).ToList();
        if (differ.Count == 0 && last.Contains(null)) return new JointCheck(ValueStanding.Unverified, "", null);
        var said = differ.Count > 0 ? differ : [.. last.OfType<ValueCheck>()];
        return new JointCheck(differ.Count > 0 ? ValueStanding.Differs : ValueStanding.Verified, Names(said), said.Max(c => c.At));
    }

    /// <summary>Who verified the values of a sheet; empty where one is not verified, or there is none.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="checks">What was read.</param>
    /// <param name="isOpen">False for what is released: it may be from before passes were read a second time.</param>
    public static string VerifiedBy(Sheet sheet, ImmutableArray<ValueCheck> checks, bool isOpen = true)
    {
        var read = StatedValue.Of(sheet).Select(v => (v.Pass, Check: checks.Last(v)));
        List<ValueCheck?> last = [.. read.Where(r => isOpen || r.Pass is null || r.Check is not null).Select(r => r.Check)];
        return last.TrueForAll(c => c.Standing() == ValueStanding.Verified) ? Names(last.OfType<ValueCheck>()) : "";
    }

    private static string Names(IEnumerable<ValueCheck> checks) => string.Join(", ", checks.Select(c => c.Who).Distinct());

    /// <summary>
    /// Whether what was read is the value of the sheet. In the same unit it is to the last digit; where the source has another
    /// unit than the sheet, the sheet's is what was read within half the last digit the sheet states.
    /// </summary>
    public static bool Agrees(TorqueSpec sheet, TorqueSpec read)
    {
        if (sheet.Unit == read.Unit) return sheet == read;
        return sheet.IsTolerance == read.IsTolerance && sheet.ThenAngle == read.ThenAngle && sheet.Back == read.Back && sheet.ToNextSlot == read.ToNextSlot && sheet.SlotWithin == read.SlotWithin
            && Near(sheet.Low, sheet.Unit, read.Low, read.Unit) && Near(sheet.High, sheet.Unit, read.High, read.Unit)
            && (sheet.Seat is { } a ? read.Seat is { } b && Near(a.Amount, a.Unit, b.Amount, b.Unit) : read.Seat is null);
    }

    private static bool Near(decimal sheet, TorqueUnit sheetUnit, decimal read, TorqueUnit readUnit)
    {
        var (inSheet, inRead) = (sheetUnit.InNewtonMetres(), readUnit.InNewtonMetres());
        return Math.Abs((double)sheet * inSheet - (double)read * inRead) <= HalfDigit(sheet) * inSheet * (1 + 1e-9);
    }

    // Half of the last digit a number states: 0.5 of 48, 0.05 of 47.5.
    private static double HalfDigit(decimal number) => 0.5 * Math.Pow(10, -(number / 1.000000000000000000000000000000m).Scale);
}
