using System.Text;
using System.Text.Json.Nodes;

namespace WornPath.Core.Tests;

/// <summary>RFC 8785, JSON Canonicalization Scheme: its examples and its appendix B, from memory.</summary>
public class CanonicalJsonTests
{
    // IEEE 754 bits and text, appendix B.
    [Theory]
    [InlineData(0x0000000000000000, "0")]
    [InlineData(0x8000000000000000, "0")]
    [InlineData(0x0000000000000001, "5e-324")]
    [InlineData(0x8000000000000001, "-5e-324")]
    [InlineData(0x7fefffffffffffff, "1.7976931348623157e+308")]
    [InlineData(0x4340000000000000, "9007199254740992")]
    [InlineData(0xc340000000000000, "-9007199254740992")]
    [InlineData(0x4430000000000000, "295147905179352830000")]
    [InlineData(0x44b52d02c7e14af5, "9.999999999999997e+22")]
    [InlineData(0x44b52d02c7e14af6, "1e+23")]
    [InlineData(0x44b52d02c7e14af7, "1.0000000000000001e+23")]
    [InlineData(0x444b1ae4d6e2ef4e, "999999999999999700000")]
    [InlineData(0x444b1ae4d6e2ef4f, "999999999999999900000")]
    [InlineData(0x444b1ae4d6e2ef50, "1e+21")]
    [InlineData(0x3eb0c6f7a0b5ed8c, "9.999999999999997e-7")]
    [InlineData(0x3eb0c6f7a0b5ed8d, "0.000001")]
    [InlineData(0x41b3de4355555553, "333333333.3333332")]
    [InlineData(0x41b3de4355555557, "333333333.33333343")]
    [InlineData(0xbecbf647612f3696, "-0.0000033333333333333333")]
    [InlineData(0x43143ff3c1cb0959, "1424953923781206.2")]
    public void A_number_is_written_as_ECMAScript_writes_it(ulong bits, string text) =>
        CanonicalJson.Number(BitConverter.UInt64BitsToDouble(bits)).ShouldBe(text);

    // Section 3.2.2 and 3.2.3.
    [Fact]
    public void Texts_numbers_and_the_order_of_members_are_those_of_the_standard()
    {
        var source = """
            {
              "numbers": [333333333.33333329, 1E30, 4.50, 2e-3, 0.000000000000000000000000001],
              "string": "\u20ac$\u000F\u000aA'\u0042\u0022\u005c\\\"\/",
              "literals": [null, true, false]
            }
            """;
        Encoding.UTF8.GetString(CanonicalJson.Of(JsonNode.Parse(source))).ShouldBe(
            """{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\u000f\nA'B\"\\\\\"/"}""");
        var sorted = JsonNode.Parse("""{"\u20ac":"Euro Sign","\r":"Carriage Return","\ufb33":"Hebrew","1":"One","\ud83d\ude00":"Emoji","\u0080":"Control","\u00f6":"o"}""");
        Encoding.UTF8.GetString(CanonicalJson.Of(sorted)).ShouldBe(
            "{\"\\r\":\"Carriage Return\",\"1\":\"One\",\"\u0080\":\"Control\",\"ö\":\"o\",\"€\":\"Euro Sign\",\"😀\":\"Emoji\",\"\ufb33\":\"Hebrew\"}");
    }

    [Fact]
    public void Any_number_comes_back_from_its_text()
    {
        var random = new Random(8785);
        for (var i = 0; i < 20_000; i++)
        {
            var value = BitConverter.Int64BitsToDouble(random.NextInt64(long.MinValue, long.MaxValue));
            if (!double.IsFinite(value)) continue;
            double.Parse(CanonicalJson.Number(value), System.Globalization.CultureInfo.InvariantCulture).ShouldBe(value);
        }
    }

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    public void What_is_no_number_is_refused(double value) => Should.Throw<ArgumentException>(() => CanonicalJson.Number(value));
}
