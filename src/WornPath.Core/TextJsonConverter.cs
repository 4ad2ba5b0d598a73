using System.Text.Json;
using System.Text.Json.Serialization;

namespace WornPath.Core;

/// <summary>Keeps a value in JSON as the text people write for it, read back by the same reader that reads what they type.</summary>
public abstract class TextJsonConverter<T>(Func<string, Outcome<T>> parse) : JsonConverter<T>
    where T : class
{
    public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.String) throw new JsonException("A text is expected here.");
        var read = parse(reader.GetString()!);
        return read.IsGood ? read.Value : throw new JsonException(read.Problem.ToString());
    }

    public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(value.ToString());
}
