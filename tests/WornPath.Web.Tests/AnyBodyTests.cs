using System.Diagnostics;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using WornPath.Core.Editing;

namespace WornPath.Web.Tests;

/// <summary>
/// Bodies made from the API's own description and damaged anywhere: members gone, null, of another type, doubled, enormous. None may be
/// the server's mistake, none may take long, and each refusal says what is wrong.
/// </summary>
public sealed class AnyBodyTests(ITestOutputHelper output)
{
    private const int Bodies = 5_000;

    [Fact]
    public async Task Five_thousand_damaged_bodies_give_no_500_and_none_takes_two_seconds()
    {
        await using var workshop = new Workshop();
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo"), admin = await workshop.As("admin"),
            marta = await workshop.As("marta");
        // Signing in with rubbish holds her off after a while, which is an answer as well.
        marta.SaysAgain = false;
        var document = JsonNode.Parse(await admin.Http.GetStringAsync("/openapi/v1.json"))!.AsObject();
        var draft = await ines.NewAsync("F-1");
        var phase = (await ines.RevisionAsync(draft)).Sheet.Phases!.Value[0].Id;
        await ines.EditAsync(draft, new AddThing(Core.Sheets.ThingKind.Joint, "cover bolts", false));
        await ines.EditAsync(draft, new InsertStep("s1", phase, null, "Torque the cover bolts to 22 N·m."));
        var operations = (from path in document["paths"]!.AsObject()
                          from operation in path.Value!.AsObject()
                          let schema = operation.Value!["requestBody"]?["content"]?["application/json"]?["schema"]
                          where schema is not null
                          select (Method: operation.Key, Path: path.Key, Schema: schema)).ToList();
        operations.Count.ShouldBeGreaterThan(15);
        var random = new Random(20261126);
        var make = new Maker(document, random, ["s1", "J1", "P1", phase, "S1", ""]);
        var statuses = new Dictionary<HttpStatusCode, int>();
        var slowest = TimeSpan.Zero;
        var bad = new List<string>();
        for (var i = 0; i < Bodies; i++)
        {
            // Edits are most of what is sent, and have the most shapes.
            var operation = i % 2 == 0 ? operations.First(o => o.Path.EndsWith("/edits", StringComparison.Ordinal)) : operations[random.Next(operations.Count)];
            var body = make.Damaged(make.Of(operation.Schema!, 0));
            var who = operation.Path.StartsWith("/api/workshop", StringComparison.Ordinal)
                || operation.Path.StartsWith("/api/people", StringComparison.Ordinal) ? admin
                : operation.Path.StartsWith("/api/session", StringComparison.Ordinal)
                    || operation.Path.StartsWith("/api/me", StringComparison.Ordinal)
                    || operation.Path.StartsWith("/api/join", StringComparison.Ordinal) ? marta
                : operation.Path.Contains("values") || operation.Path.Contains("waivers") || operation.Path.EndsWith("return", StringComparison.Ordinal) || operation.Path.EndsWith("withdraw", StringComparison.Ordinal) ? odo : ines;
            var address = operation.Path.Replace("{id}", operation.Path.Contains("calculators") ? "units"
                : (operation.Path.Contains("values") || operation.Path.Contains("waivers") ? 2 : draft).ToString())
                .Replace("{procedure}", "5").Replace("{waiver}", "1").Replace("{person}", "no-such-person");
            using var request = new HttpRequestMessage(new HttpMethod(operation.Method.ToUpperInvariant()), address) { Content = new StringContent(body, Encoding.UTF8, "application/json") };
            var watch = Stopwatch.StartNew();
            using var answer = await who.Http.SendAsync(request);
            var text = await answer.Content.ReadAsStringAsync();
            if (watch.Elapsed > slowest) slowest = watch.Elapsed;
            statuses[answer.StatusCode] = statuses.GetValueOrDefault(answer.StatusCode) + 1;
            var excerpt = $"{operation.Method} {operation.Path} {body[..Math.Min(body.Length, 300)]} → {(int)answer.StatusCode} {text[..Math.Min(text.Length, 300)]}";
            if ((int)answer.StatusCode >= 500) bad.Add(excerpt);
            else if (watch.Elapsed > TimeSpan.FromSeconds(2)) bad.Add($"{watch.Elapsed} {excerpt}");
            else if ((int)answer.StatusCode >= 400 && (JsonNode.Parse(text)?["title"]?.ToString() is not { Length: > 0 } || answer.Content.Headers.ContentType?.MediaType != "application/problem+json")) bad.Add(excerpt);
        }

        output.WriteLine($"{Bodies} bodies on {operations.Count} operations: {string.Join(", ", statuses.OrderBy(s => s.Key).Select(s => $"{(int)s.Key}: {s.Value}"))}; slowest {slowest.TotalMilliseconds:0} ms");
        bad.ShouldBeEmpty();
        statuses[HttpStatusCode.OK].ShouldBeGreaterThan(50, "some are sound, or the damage is all there is to see");
    }

    [Theory]
    [InlineData("""{"clientId":"12345678","edit":{"do":"addFilled","kind":"joint","name":"x","fields":[null]}}""", "$.edit.fields")]
    [InlineData("""{"clientId":"12345678","edit":{"do":"addFilled","kind":"joint","name":"x"}}""", "fields")]
    [InlineData("""{"clientId":"12345678","edit":{"do":"several","label":"x","edits":null}}""", "$.edit.edits")]
    [InlineData("""{"clientId":"12345678","edit":{"do":"setField","id":null,"field":"count","before":"","after":""}}""", "$.edit.id")]
    [InlineData("""{"clientId":"12345678","edit":{"do":"writeCaution","step":"s1","hazard":"","caution":null}}""", "$.edit.caution")]
    [InlineData("""{"clientId":"12345678","edit":{"id":"s1"}}""", "“do” is missing")]
    [InlineData("""{"clientId":"12345678","edit":{"do":"addThing","kind":7,"name":"x","fromKit":false}}""", "$.edit.kind")]
    public async Task What_is_missing_or_null_is_told_with_its_place(string body, string place)
    {
        await using var workshop = new Workshop();
        var ines = await workshop.As("ines");
        var problem = await Somebody.ProblemOf(await ines.Http.PostAsync("/api/revisions/1/edits", new StringContent(body, Encoding.UTF8, "application/json")), HttpStatusCode.BadRequest);
        problem.GetProperty("title").GetString()!.ShouldContain(place);
    }

    /// <summary>Makes JSON of a schema, and damages it.</summary>
    private sealed class Maker(JsonObject document, Random random, string[] ids)
    {
        private static readonly string[] Texts = ["", "x", "Remove the cover bolts.", "45 N·m", "22–28 N·m", "-4", "1e999", "left: 40 N·m; right: 45 N·m", "M8 8.8 bolt", "\u202E\u0000\uFFFD", "'; DROP TABLE Edits; --", "0", "4", "renew", "P1, P2"];

        public JsonNode? Of(JsonNode schema, int depth)
        {
            if (schema["$ref"] is { } reference) return Of(document["components"]!["schemas"]![reference.ToString().Split('/')[^1]]!, depth);
            foreach (var word in (string[])["anyOf", "oneOf", "allOf"])
                if (schema[word] is JsonArray { Count: > 0 } choices)
                {
                    var chosen = choices[random.Next(choices.Count)]!;
                    var made = Of(chosen, depth);
                    if (schema["discriminator"]?["mapping"] is JsonObject mapping && made is JsonObject fields && mapping.FirstOrDefault(m => m.Value!.ToString() == chosen["$ref"]?.ToString()).Key is { } key) fields[schema["discriminator"]!["propertyName"]!.ToString()] = key;
                    return made;
                }

            if (schema["enum"] is JsonArray { Count: > 0 } words) return words[random.Next(words.Count)]?.DeepClone();
            var type = schema["type"] switch { JsonArray types => types.Select(t => t!.ToString()).First(t => t != "null"), { } one => one.ToString(), _ => schema["properties"] is null ? "string" : "object" };
            switch (type)
            {
                case "object":
                    var result = new JsonObject();
                    foreach (var (name, property) in schema["properties"]?.AsObject() ?? [])
                        if (depth < 6 && random.Next(40) > 0) result[name] = name == "clientId" ? Guid.NewGuid().ToString() : Of(property!, depth + 1);
                    if (schema["additionalProperties"] is JsonObject more)
                        for (var i = random.Next(3); i > 0; i--) result[Texts[random.Next(Texts.Length)]] = Of(more, depth + 1);
                    return result;
                case "array":
                    return depth > 5 || schema["items"] is null ? new JsonArray() : new JsonArray([.. Enumerable.Range(0, random.Next(4)).Select(_ => Of(schema["items"]!, depth + 1))]);
                case "integer": return random.Next(-2, 12);
                case "number": return random.Next(4) == 0 ? random.NextDouble() * 1e12 : random.Next(-2, 300) / 2.0;
                case "boolean": return random.Next(2) == 0;
                default: return random.Next(3) == 0 ? ids[random.Next(ids.Length)] : Texts[random.Next(Texts.Length)];
            }
        }

        public string Damaged(JsonNode? body)
        {
            for (var n = random.Next(3); n > 0; n--) body = Damage(body);
            var text = body?.ToJsonString() ?? "null";
            return random.Next(60) switch { 0 => text[..(text.Length / 2)], 1 => text + text, 2 => new string('[', 3000), 3 => "", _ => text };
        }

        private JsonNode? Damage(JsonNode? node)
        {
            if (node is JsonObject { Count: > 0 } fields)
            {
                var name = fields.ElementAt(random.Next(fields.Count)).Key;
                switch (random.Next(5))
                {
                    case 0: fields.Remove(name); break;
                    case 1: fields[name] = null; break;
                    case 2: fields[name] = Other(); break;
                    default:
                        var inner = fields[name];
                        fields[name] = null;
                        fields[name] = Damage(inner);
                        break;
                }

                return fields;
            }

            if (node is JsonArray { Count: > 0 } items)
            {
                var at = random.Next(items.Count);
                if (random.Next(3) == 0) items[at] = null;
                else if (random.Next(3) == 0) items.Insert(at, Other());
                else
                {
                    var inner = items[at];
                    items[at] = null;
                    items[at] = Damage(inner);
                }

                return items;
            }

            return random.Next(2) == 0 ? Other() : node;
        }

        private JsonNode? Other() => random.Next(8) switch
        {
            0 => null,
            1 => new string('x', random.Next(1, 20_000)),
            2 => random.NextInt64(),
            3 => 1e300,
            4 => new JsonArray(null, 1, "x"),
            5 => new JsonObject { ["do"] = "several", ["x"] = null },
            6 => true,
            _ => string.Concat(Enumerable.Repeat("((the bolts and the ", 200)),
        };
    }
}
