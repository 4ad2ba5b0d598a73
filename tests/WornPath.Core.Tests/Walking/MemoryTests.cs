using WornPath.Core.Reading;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Walking;

/// <summary>What is worked out of a thing or a step is kept with it, and never shows.</summary>
public class MemoryTests
{
    [Fact]
    public void A_copy_of_a_part_is_judged_by_its_own_name_and_is_equal_whatever_was_worked_out()
    {
        var cover = new Part { Id = "P1", Name = "cover" };
        var untouched = cover with { };
        Natures.Of(cover).ShouldBe(PartNature.Plain);
        untouched.ShouldBe(cover);
        untouched.GetHashCode().ShouldBe(cover.GetHashCode());

        var caliper = cover with { Name = "front caliper" };
        Natures.Of(caliper).ShouldBe(PartNature.Brake);
        Natures.Of(caliper with { Name = "cover" }).ShouldBe(PartNature.Plain);
        Natures.Of(cover).ShouldBe(PartNature.Plain);
    }

    [Fact]
    public void A_joint_is_judged_anew_in_another_workshop_and_once_in_the_same()
    {
        var sheet = new Written().Joint("cover bolts", torque: "24 N·m", fastener: "M8×25 8.8 bolt, 13 mm").Sheet;
        var joint = sheet.Joints[0];
        var bare = new Workshop();
        var shop = new Workshop { Crib = [new Wrench { Name = "TW-1", Min = 10, Max = 60, Unit = TorqueUnit.NewtonMetre, Step = 0.5m, Drive = "3/8 in", LengthMm = 300 }] };
        JointJudgement.Of(joint, bare).Wrench.ShouldBeNull();
        JointJudgement.Of(joint, shop).Wrench.ShouldNotBeNull().Wrench.ShouldNotBeNull().Name.ShouldBe("TW-1");
        JointJudgement.Of(joint, shop).ShouldBeSameAs(JointJudgement.Of(joint, shop));
        JointJudgement.Of(joint, bare).Wrench.ShouldBeNull();
    }
}
