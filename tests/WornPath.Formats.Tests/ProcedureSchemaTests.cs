using System.Text.Json;

namespace WornPath.Formats.Tests;

/// <summary>The published schema is the one the records make; that files keep to it is tried in the browser tests, with a validator.</summary>
public class ProcedureSchemaTests
{
    [Fact]
    public void The_published_schema_is_what_the_program_reads() =>
        ProcedureSchema.Text().ShouldBe(File.ReadAllText(Path.Combine(ProcedureFileTests.Demo, "..", "docs", "formats", "wornpath-procedure.schema.json")),
            "run ./wornpath schema > docs/formats/wornpath-procedure.schema.json");

    [Fact]
    public void It_names_each_kind_of_thing_its_bounds_and_what_must_be_there()
    {
        using var schema = JsonDocument.Parse(ProcedureSchema.Text());
        JsonElement At(params string[] path) => path.Aggregate(schema.RootElement, (at, name) => at.GetProperty(name));
        At("required").EnumerateArray().Select(r => r.GetString()).ShouldBe(["format", "version", "number", "title"]);
        At("additionalProperties").GetBoolean().ShouldBeFalse();
        foreach (var (list, letter) in new[] { ("parts", 'P'), ("joints", 'J'), ("controls", 'L'), ("consumables", 'K') })
            At("properties", "sheet", "properties", list, "items", "properties", "id", "pattern").GetString()![1].ShouldBe(letter);
        var action = At("properties", "sheet", "properties", "phases", "items", "properties", "steps", "items", "properties", "actions", "items");
        action.GetProperty("properties").GetProperty("side").GetProperty("enum").EnumerateArray().Select(e => e.ToString()).ShouldBe(["left", "right", "other", ""]);
        action.GetProperty("properties").GetProperty("steps").GetProperty("type").EnumerateArray().Select(e => e.GetString()).ShouldBe(["string", "null"]);
        action.GetProperty("required").EnumerateArray().Select(e => e.GetString()).ShouldBe(["verb"]);
    }
}
