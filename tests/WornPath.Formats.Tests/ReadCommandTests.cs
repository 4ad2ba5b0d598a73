using System.Text.Json;
using WornPath.Cli;

namespace WornPath.Formats.Tests;

public sealed class ReadCommandTests : IDisposable
{
    private readonly string _file = Path.GetTempFileName();

    private async Task<(int Code, string Output, string Trouble)> ReadAsync(string text, string format = "text")
    {
        await File.WriteAllTextAsync(_file, text);
        var (output, trouble) = (new StringWriter(), new StringWriter());
        var code = await ReadCommand.RunAsync(new FileInfo(_file), format, output, trouble);
        return (code, output.ToString(), trouble.ToString());
    }

    [Fact]
    public async Task A_plain_text_is_read_as_it_would_be_typed()
    {
        var (code, output, _) = await ReadAsync("# Removal\nZip the two bracket bolts out with an impact wrench and lift the bracket off.\nIf it sticks,\n  tap it with a soft mallet.\n\n# Refit\nBracket back on, bolts in finger-tight, 95 N·m.\n");
        code.ShouldBe(0);
        output.ShouldContain("take out J1 bracket bolts");
        output.ShouldContain("remove P1 bracket");
        output.ShouldContain("# Refit");
        output.ShouldContain("torque J1 bracket bolts to 95 N·m");
        output.ShouldContain("impact wrench, tool");
        // The indented line goes on with its step.
        output.ShouldContain("2  If it sticks,");
        output.ShouldNotContain("4  ");
    }

    [Fact]
    public async Task What_is_asked_sets_the_exit_code_and_stands_in_the_json()
    {
        var (code, output, _) = await ReadAsync("Frobnicate the bracket.", "json");
        code.ShouldBe(1);
        var step = JsonDocument.Parse(output).RootElement.GetProperty("steps").EnumerateArray().ShouldHaveSingleItem();
        step.GetProperty("questions").EnumerateArray().Single().GetString()!.ShouldContain("frobnicate the bracket");
        step.GetProperty("residue").EnumerateArray().Single().GetString().ShouldBe("Frobnicate the bracket");
        File.Delete(_file);
        (await ReadAsync(new string('x', 5000))).ShouldSatisfyAllConditions(r => r.Code.ShouldBe(3), r => r.Trouble.ShouldContain("line 1"));
    }

    public void Dispose() => File.Delete(_file);
}
