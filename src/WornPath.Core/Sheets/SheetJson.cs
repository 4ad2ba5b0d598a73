using System.Collections;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace WornPath.Core.Sheets;

/// <summary>How sheets and their parts stand as JSON, in the store, in files and over the wire: one shape everywhere.</summary>
public static class SheetJson
{
    /// <summary>The shared options: camel case, enums as their words, what is empty left out by its default.</summary>
    public static readonly JsonSerializerOptions Options = Configure(new JsonSerializerOptions());

    /// <summary>Sets options of another serializer alike.</summary>
    public static JsonSerializerOptions Configure(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull;
        // Text is never put into a page unencoded; "N·m" and "×" stay readable in files.
        options.Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { NothingMissing } };
        options.AllowOutOfOrderMetadataProperties = true;
        if (!options.Converters.OfType<JsonStringEnumConverter>().Any())
            options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        return options;
    }

    // What a record cannot be made without must be there, and a list holds no null: else a gap in the input becomes a null in the core.
    private static void NothingMissing(JsonTypeInfo type)
    {
        foreach (var property in type.Properties)
            if (property is { Set: not null, AssociatedParameter: { HasDefaultValue: false, IsNullable: false } }) property.IsRequired = true;
        // Without the word that says which it is, it is none of them.
        if (type is { PolymorphismOptions: { } options, Type.IsAbstract: true }) type.CreateObject = () => throw new JsonException($"“{options.TypeDiscriminatorPropertyName}” is missing: it does not say what is to be done");
        if (type.Kind == JsonTypeInfoKind.Enumerable && ElementOf(type.Type) is { IsValueType: false })
        {
            type.OnDeserialized = static list =>
            {
                foreach (var element in (IEnumerable)list)
                    if (element is null) throw new JsonException("A list holds null where something must stand.");
            };
        }
        else if (type.Kind == JsonTypeInfoKind.Dictionary)
        {
            type.OnDeserialized = static table =>
            {
                if (table is not IDictionary entries) return;
                foreach (var value in entries.Values)
                    if (value is null) throw new JsonException("A table holds null where something must stand.");
            };
        }
    }

    private static Type? ElementOf(Type list) => list.IsArray ? list.GetElementType()
        : list.GetInterfaces().Append(list).FirstOrDefault(i => i.IsGenericType && i.GetGenericTypeDefinition() == typeof(IEnumerable<>))?.GetGenericArguments()[0];

    /// <summary>The sheet as UTF-8 JSON.</summary>
    public static byte[] Write(Sheet sheet) => JsonSerializer.SerializeToUtf8Bytes(sheet, Options);

    /// <summary>A sheet from its JSON. Throws <see cref="JsonException"/> where it is none.</summary>
    public static Sheet Read(ReadOnlySpan<byte> json) => JsonSerializer.Deserialize<Sheet>(json, Options) ?? throw new JsonException("The sheet is null.");
}
