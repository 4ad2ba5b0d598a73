using WornPath.Core.Workshops;
using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using WornPath.Core.Findings;

namespace WornPath.Formats;

/// <summary>Findings as text, as JSON, and as SARIF 2.1.0 (OASIS), which code review tools read.</summary>
public static class FindingsReport
{
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Writes the findings of a procedure in a format: "text", "json" or "sarif".</summary>
    public static string Write(ProcedureFile file, IReadOnlyList<Finding> findings, string format, string path) => format switch
    {
        "json" => Json(file, findings).ToJsonString(Indented),
        "sarif" => SarifOf(findings, path),
        _ => Text(file, findings),
    };

    /// <summary>Findings as SARIF 2.1.0, of a procedure that is filed under a name.</summary>
    public static string SarifOf(IReadOnlyList<Finding> findings, string path) => Sarif(findings, path).ToJsonString(Indented);

    private static string Word(Severity severity) => severity switch { Severity.Stop => "stop", Severity.Warn => "warn", _ => "hint" };

    private static string Text(ProcedureFile file, IReadOnlyList<Finding> findings)
    {
        var lines = findings.Select(f => $"{(f.StepNumber is { } n ? $"step {n}" : "sheet"),-9}{Word(f.Severity),-6}{f.Rule}  {f.Said}");
        int stops = findings.Count(f => f.Severity == Severity.Stop), warnings = findings.Count(f => f.Severity == Severity.Warn);
        return string.Join('\n', lines.Append($"{file.Number} {file.Title}: {file.Sheet.Steps.Count()} steps, {stops} stop{(stops == 1 ? "" : "s")}, {warnings} warning{(warnings == 1 ? "" : "s")}, {findings.Count - stops - warnings} hints"));
    }

    private static JsonObject Json(ProcedureFile file, IReadOnlyList<Finding> findings) => new()
    {
        ["procedure"] = file.Number,
        ["title"] = file.Title,
        ["steps"] = file.Sheet.Steps.Count(),
        ["findings"] = new JsonArray([.. findings.Select(f => (JsonNode)new JsonObject
        {
            ["id"] = f.Rule,
            ["severity"] = Word(f.Severity),
            ["title"] = f.Title,
            ["message"] = f.Message,
            ["for"] = f.For.Length == 0 ? null : f.For,
            ["step"] = f.StepNumber,
            ["thing"] = f.Thing,
            ["thingName"] = f.Thing is { } id ? file.Sheet.Find(id)?.Name : null,
        })]),
    };

    private static JsonObject Sarif(IReadOnlyList<Finding> findings, string path)
    {
        var rules = Rules.All.Select(r => r.Info).OrderBy(r => r.Id, StringComparer.Ordinal).ToList();
        return new JsonObject
        {
            ["$schema"] = "https://docs.oasis-open.org/sarif/sarif/v2.1.0/os/schemas/sarif-schema-2.1.0.json",
            ["version"] = "2.1.0",
            ["runs"] = new JsonArray(new JsonObject
            {
                ["tool"] = new JsonObject
                {
                    ["driver"] = new JsonObject
                    {
                        ["name"] = "wornpath",
                        ["rules"] = new JsonArray([.. rules.Select(r => (JsonNode)new JsonObject
                        {
                            ["id"] = r.Id,
                            ["shortDescription"] = new JsonObject { ["text"] = r.Title },
                            ["defaultConfiguration"] = new JsonObject { ["level"] = Level(r.Severity) },
                        })]),
                    },
                },
                ["results"] = new JsonArray([.. findings.Select(f => (JsonNode)new JsonObject
                {
                    ["ruleId"] = f.Rule,
                    ["ruleIndex"] = rules.FindIndex(r => r.Id == f.Rule),
                    ["level"] = Level(f.Severity),
                    ["message"] = new JsonObject { ["text"] = f.Said },
                    ["locations"] = new JsonArray(new JsonObject
                    {
                        ["physicalLocation"] = new JsonObject { ["artifactLocation"] = new JsonObject { ["uri"] = Uri(path) } },
                        // A step is a place in the procedure, not a line of its file.
                        ["logicalLocations"] = new JsonArray(new JsonObject { ["fullyQualifiedName"] = Place(f) }),
                    }),
                    ["partialFingerprints"] = new JsonObject { ["wornpathKey/v1"] = f.Key },
                })]),
            }),
        };
    }

    private static string Uri(string path) => string.Join('/', path.Replace('\\', '/').Split('/').Select(System.Uri.EscapeDataString)).TrimStart('/');

    private static string Place(Finding finding) => string.Join('/', new[] { finding.StepNumber is { } n ? "step " + n.ToString(CultureInfo.InvariantCulture) : "sheet", finding.Thing }.OfType<string>());

    private static string Level(Severity severity) => severity switch { Severity.Stop => "error", Severity.Warn => "warning", _ => "note" };
}
