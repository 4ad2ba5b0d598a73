using WornPath.Core.Revisions;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Revisions;

/// <summary>How many sign a sheet, by what is worked on, and who has to. Common practice, no source.</summary>
public class SigningTests
{
    [Theory]
    [InlineData("brake caliper", 2)]
    [InlineData("steering arm", 2)]
    [InlineData("drawbar", 2)]
    [InlineData("roll bar", 2)]
    [InlineData("rear wheel", 2)]
    [InlineData("steering wheel", 2)]
    [InlineData("flywheel", 1)]
    [InlineData("tray cover", 1)]
    public void Two_sign_where_lives_hang_on_what_a_joint_holds(string part, int needed)
    {
        var written = new Written().Part(part).Joint("bolts", holds: part);
        Signing.Needed(written.Sheet, new HouseRules()).ShouldBe(needed);
        Signing.Needed(written.Sheet, new HouseRules { Signatures = 3, SafetySignatures = 3 }).ShouldBe(3);
        (Signing.Why(written.Sheet, new HouseRules()).Length > 0).ShouldBe(needed > 1);
        Signing.Why(written.Sheet, new HouseRules { SafetySignatures = 1 }).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(1, "", true)]
    [InlineData(2, "", false)]
    [InlineData(2, "odo", false)]
    [InlineData(2, "marta", true)]
    [InlineData(3, "marta", false)]
    [InlineData(3, "marta,tilde", true)]
    public void Who_releases_it_counts_once(int needed, string signed, bool may) =>
        (Signing.Release("odo", signed.Split(',', StringSplitOptions.RemoveEmptyEntries), needed) is null).ShouldBe(may);

    [Theory]
    [InlineData(0, 2, false)]
    [InlineData(1, 1, true)]
    [InlineData(2, 1, false)]
    [InlineData(1, 6, false)]
    public void A_house_asks_for_one_to_five_and_no_fewer_where_lives_hang_on_it(int usual, int safety, bool good) =>
        HouseRules.Check(new HouseRules { Signatures = usual, SafetySignatures = safety }, new Dictionary<string, Severity>()).IsGood.ShouldBe(good);
}
