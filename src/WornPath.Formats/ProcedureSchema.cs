using System.Collections.Frozen;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Formats;

/// <summary>
/// The JSON Schema (2020-12) of a procedure file, made from the records it is read into and what their comments say. What a type does not
/// tell, how long a name may be or which numbers there are, is said here, beside the names the core holds it against.
/// </summary>
public static partial class ProcedureSchema
{
    private static readonly JsonSerializerOptions Options = SheetJson.Configure(new JsonSerializerOptions
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        WriteIndented = true,
    });

    private static readonly FrozenDictionary<string, string> Comments = new[] { typeof(Sheet), typeof(ProcedureFile) }
        .Select(t => Path.ChangeExtension(t.Assembly.Location, ".xml")).Where(File.Exists)
        .SelectMany(file => XDocument.Load(file).Descendants("member"))
        .Select(m => (Name: (string)m.Attribute("name")!, Text: Plain(m.Element("summary"))))
        .Where(m => m.Text.Length > 0).GroupBy(m => m.Name).ToFrozenDictionary(m => m.Key, m => m.First().Text);

    // The bounds of numbers, texts and lists, as "record.property".
    private static readonly FrozenDictionary<string, (string Keyword, JsonNode Value)[]> Bounds = new Dictionary<string, (string, JsonNode)[]>
    {
        ["ProcedureFile.number"] = [("minLength", 1), ("maxLength", 40)],
        ["ProcedureFile.title"] = [("minLength", 1), ("maxLength", 200)],
        ["ProcedureFile.platform"] = [("maxLength", 200)],
        ["Sheet.reader"] = [("minimum", 1)],
        ["Sheet.phases"] = [("maxItems", SheetSize.MostPhases)],
        ["SheetHeader.difficulty"] = [("minimum", 0), ("maximum", 5)],
        ["SheetHeader.people"] = [("minimum", 1)],
        ["SheetHeader.variants"] = [("maxItems", Factor.Most)],
        ["Factor.options"] = [("minItems", 2), ("maxItems", Factor.MostOptions)],
        ["Part.quantity"] = [("minimum", 1)],
        ["Part.spares"] = [("minimum", 0)],
        ["Part.leadDays"] = [("minimum", 0)],
        ["Joint.count"] = [("minimum", 1)],
        ["Phase.id"] = [("maxLength", 24)],
        ["Phase.name"] = [("maxLength", Names.Longest)],
        ["Step.id"] = [("maxLength", 24)],
        ["Step.text"] = [("maxLength", SheetSize.LongestStep)],
        ["Step.people"] = [("minimum", 1)],
        ["Step.hands"] = [("minimum", 1)],
        ["Step.shows"] = [("maxItems", SheetSize.MostFiguresOfStep)],
        ["Figure.id"] = [("maxLength", 24)],
        ["Figure.alt"] = [("maxLength", Figuring.LongestAlt)],
        ["Figure.caption"] = [("maxLength", Figuring.LongestCaption)],
        ["Figure.balloons"] = [("maxItems", Figuring.MostMarks)],
        ["Figure.arrows"] = [("maxItems", Figuring.MostMarks)],
        ["FigurePicture.width"] = [("minimum", 1), ("maximum", FigurePicture.LargestSide)],
        ["FigurePicture.height"] = [("minimum", 1), ("maximum", FigurePicture.LargestSide)],
        ["FigurePoint.x"] = [("minimum", 0), ("maximum", FigurePoint.Whole)],
        ["FigurePoint.y"] = [("minimum", 0), ("maximum", FigurePoint.Whole)],
        ["FigureArea.x"] = [("minimum", 0), ("maximum", FigurePoint.Whole)],
        ["FigureArea.y"] = [("minimum", 0), ("maximum", FigurePoint.Whole)],
        ["FigureArea.width"] = [("minimum", Figuring.SmallestPart), ("maximum", FigurePoint.Whole)],
        ["FigureArea.height"] = [("minimum", Figuring.SmallestPart), ("maximum", FigurePoint.Whole)],
        ["FigureBalloon.says"] = [("maxLength", Figuring.LongestSays)],
        ["StepAction.pass"] = [("minimum", 1)],
        ["StepAction.some"] = [("minimum", 1)],
        ["StepAction.branch"] = [("minimum", 0)],
        ["Span.start"] = [("minimum", 0)],
        ["Span.length"] = [("minimum", 0)],
    }.ToFrozenDictionary();

    /// <summary>The schema as text, a line feed at its end.</summary>
    public static string Text()
    {
        var schema = JsonSchemaExporter.GetJsonSchemaAsNode(Options, typeof(ProcedureFile), new JsonSchemaExporterOptions
        {
            TreatNullObliviousAsNonNullable = true,
            TransformSchemaNode = Transform,
        }).AsObject();
        var whole = new JsonObject
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["$id"] = $"urn:wornpath:procedure:{ProcedureFile.NewestVersion}",
            ["title"] = $"Worn Path procedure, format version {ProcedureFile.NewestVersion}",
        };
        foreach (var (name, value) in schema.ToList())
        {
            schema.Remove(name);
            whole[name] = value;
        }

        // The head says what the file is; no reader takes one without.
        whole["required"] = new JsonArray("format", "version", "number", "title");
        return whole.ToJsonString(Options).ReplaceLineEndings("\n") + "\n";
    }

    private static JsonNode Transform(JsonSchemaExporterContext context, JsonNode node)
    {
        var type = context.TypeInfo.Type;
        // What stands in JSON as the text people write for it.
        if (node is not JsonObject schema || IsText(context.TypeInfo.Converter))
        {
            var mayBeNull = node is JsonObject { } known && known["type"] is JsonArray types && types.Any(t => t?.GetValue<string>() == "null")
                || context.PropertyInfo is { IsGetNullable: true };
            schema = new JsonObject { ["type"] = mayBeNull ? new JsonArray("string", "null") : "string" };
        }

        // What may be null is left out where it is.
        if (schema["required"] is JsonArray required)
        {
            var optional = context.TypeInfo.Properties.Where(p => p.AssociatedParameter is { IsNullable: true }).Select(p => p.Name).ToHashSet();
            foreach (var name in required.ToList().Where(n => optional.Contains(n!.GetValue<string>()))) required.Remove(name);
        }

        if (context.PropertyInfo is { } property)
        {
            var of = property.DeclaringType;
            var member = of.GetProperties().FirstOrDefault(p => JsonNamingPolicy.CamelCase.ConvertName(p.Name) == property.Name);
            if (member is not null && (CommentOf(member) ?? CommentOf(member.PropertyType)) is { } says) schema["description"] = says;
            foreach (var name in new[] { $"{of.Name}.{property.Name}", $"{member?.DeclaringType?.Name}.{property.Name}" }.Distinct())
                if (Bounds.TryGetValue(name, out var bounds))
                    foreach (var (keyword, value) in bounds) schema[keyword] = value.DeepClone();
            if (typeof(Thing).IsAssignableFrom(of) && property.Name == "id") schema["pattern"] = $"^{LetterOf(context.Path)}[0-9]{{1,6}}$";
            if (typeof(Thing).IsAssignableFrom(of) && property.Name == "name") schema["maxLength"] = Names.Longest;
            if (of == typeof(ProcedureFile) && property.Name == "format") schema["const"] = ProcedureFile.FormatName;
            if (of == typeof(ProcedureFile) && property.Name == "version") (schema["minimum"], schema["maximum"]) = (1, ProcedureFile.NewestVersion);
        }
        else if (CommentOf(type) is { } about && schema["properties"] is not null)
        {
            schema["description"] = about;
        }

        return schema;
    }

    private static bool IsText(JsonConverter converter)
    {
        for (var type = converter.GetType(); type is not null; type = type.BaseType)
            if (type.IsGenericType && type.GetGenericTypeDefinition() == typeof(TextJsonConverter<>)) return true;
        return false;
    }

    // Each kind of thing stands in a list of its own: "… joints, items, properties, id".
    private static string LetterOf(ReadOnlySpan<string> path) => Thing.Letter(Enum.Parse<ThingKind>(path[^4].TrimEnd('s'), ignoreCase: true));

    private static string? CommentOf(PropertyInfo property) =>
        Comments.GetValueOrDefault($"P:{property.DeclaringType!.FullName}.{property.Name}");

    // Of a text or a word nothing is said where it stands: what it is, is said of its type.
    private static string? CommentOf(Type type) => Comments.GetValueOrDefault($"T:{(Nullable.GetUnderlyingType(type) ?? type).FullName}");

    // The words of a comment without its marks: "see cref" is the name it points at.
    private static string Plain(XElement? summary)
    {
        if (summary is null) return "";
        var words = string.Concat(summary.Nodes().Select(n => n switch
        {
            XText text => text.Value,
            XElement { Name.LocalName: "see" } see => ((string?)see.Attribute("cref") ?? "").Split('.', '(').Last(p => p.Length > 0),
            XElement other => other.Value,
            _ => "",
        }));
        return Spaces().Replace(words, " ").Trim();
    }

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
