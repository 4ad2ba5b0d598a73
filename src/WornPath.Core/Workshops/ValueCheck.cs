using System.Collections.Immutable;
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

/// <summary>
/// A value as a second person read it from its source, without the author's entry in sight. Kept for good, also where it was
/// not the same: the last for a value counts.
/// </summary>
/// <param name="Id">Id of the joint, the fluid or the step it is of.</param>
/// <param name="Seal">What it was given for (<see cref="StatedValue.Seal"/>).</param>
/// <param name="Read">What was read.</param>
/// <param name="Agrees">Whether that is the value of the sheet.</param>
/// <param name="Who">Who read it.</param>
/// <param name="At">When, in UTC.</param>
public sealed record ValueCheck(string Id, string Seal, string Read, bool Agrees, string Who, DateTime At);

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
    public static bool AnyToRead(Sheet sheet, ImmutableArray<ValueCheck> checks) => StatedValue.All(sheet).Any(v => checks.Last(v).Standing() != ValueStanding.Verified);

    /// <summary>How a value stands after its last check.</summary>
    public static ValueStanding Standing(this ValueCheck? last) => last is null ? ValueStanding.Unverified : last.Agrees ? ValueStanding.Verified : ValueStanding.Differs;

    /// <summary>What was said of all values of a joint; null where it has none with a source.</summary>
    public static JointCheck? Of(Joint joint, IEnumerable<TorqueSpec> passes, ImmutableArray<ValueCheck> checks)
    {
        List<ValueCheck?> last = [.. StatedTorque.Of(joint, passes).Select(v => checks.Last(v))];
        if (last.Count == 0) return null;
        var differ = last.OfType<ValueCheck>().Where(c => !c.Agrees).ToList();
        if (differ.Count == 0 && last.Contains(null)) return new JointCheck(ValueStanding.Unverified, "", null);
        var said = differ.Count > 0 ? differ : [.. last.OfType<ValueCheck>()];
        return new JointCheck(differ.Count > 0 ? ValueStanding.Differs : ValueStanding.Verified, Names(said), said.Max(c => c.At));
    }

    /// <summary>Who verified the values of a sheet; empty where one is not verified, or there is none.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="checks">What was read.</param>
    /// <param name="isOpen">False for what is released: it may be from before passes, limits and amounts were read a second time.</param>
    public static string VerifiedBy(Sheet sheet, ImmutableArray<ValueCheck> checks, bool isOpen = true)
    {
        var read = StatedValue.All(sheet).Select(v => (v.IsOfOld, Check: checks.Last(v)));
        List<ValueCheck?> last = [.. read.Where(r => isOpen || r.IsOfOld || r.Check is not null).Select(r => r.Check)];
        return last.TrueForAll(c => c.Standing() == ValueStanding.Verified) ? Names(last.OfType<ValueCheck>()) : "";
    }

    private static string Names(IEnumerable<ValueCheck> checks) => string.Join(", ", checks.Select(c => c.Who).Distinct());
}
