using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Workshops;

public class HandToolSetTests
{
    [Theory]
    [InlineData("18 mm socket", true)]
    [InlineData("33 mm socket", false)]
    [InlineData("18 mm deep socket", false)]
    [InlineData("9/16 in socket", false)]
    [InlineData("E10 socket", false)]
    [InlineData("T30 bit", true)]
    [InlineData("T10 bit", false)]
    [InlineData("1/2 in ratchet or bar", true)]
    [InlineData("1 in ratchet or bar", false)]
    [InlineData("PH2 screwdriver", true)]
    [InlineData("6 mm blade screwdriver", true)]
    [InlineData("pliers for retaining rings", true)]
    [InlineData("pliers for hose clamps", false)]
    [InlineData("torque wrench for 45 N·m, 1/2 in", false)]
    [InlineData("bearing puller", false)]
    public void A_set_has_what_is_written_in_it(string tool, bool has) =>
        new HandToolSet("Trolley", "sockets 8–32 mm; T20-T60 bits, ratchets or bars 1/4, 3/8, 1/2 in, screwdrivers, pliers for retaining rings").Has(tool).ShouldBe(has);

    [Theory]
    [InlineData("Trolley", "8–32 mm", "size without a tool")]
    [InlineData("Trolley", "sockets 32–8 mm", "runs downwards")]
    [InlineData("", "sockets", "has a name")]
    [InlineData("Trolley", " ", "1 to 1000")]
    public void What_cannot_be_meant_is_said(string name, string holds, string says) =>
        HandToolSet.Check(new HandToolSet(name, holds)).Problem!.What.ShouldContain(says);

    [Fact]
    public void The_usual_set_is_one() => HandToolSet.Check(HandToolSet.Usual).IsGood.ShouldBeTrue();
}
