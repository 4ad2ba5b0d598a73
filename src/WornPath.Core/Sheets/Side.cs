using System.Text.Json.Serialization;

namespace WornPath.Core.Sheets;

/// <summary>The side of the vehicle something is done on, where the words say one.</summary>
public enum Side : byte
{
    [JsonStringEnumMemberName("left")] Left,
    [JsonStringEnumMemberName("right")] Right,

    /// <summary>"The other side": the one that was not yet done.</summary>
    [JsonStringEnumMemberName("other")] Other,
}
