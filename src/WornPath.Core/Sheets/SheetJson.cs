using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

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
        options.AllowOutOfOrderMetadataProperties = true;
        if (!options.Converters.OfType<JsonStringEnumConverter>().Any())
            options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        return options;
    }

    /// <summary>The sheet as UTF-8 JSON.</summary>
    public static byte[] Write(Sheet sheet) => JsonSerializer.SerializeToUtf8Bytes(sheet, Options);

    /// <summary>A sheet from its JSON. Throws <see cref="JsonException"/> where it is none.</summary>
    public static Sheet Read(ReadOnlySpan<byte> json) => JsonSerializer.Deserialize<Sheet>(json, Options) ?? throw new JsonException("The sheet is null.");
}
