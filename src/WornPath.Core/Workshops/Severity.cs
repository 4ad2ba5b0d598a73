using System.Text.Json.Serialization;

namespace WornPath.Core.Workshops;

/// <summary>How much a finding weighs.</summary>
public enum Severity
{
    /// <summary>Worth a look.</summary>
    [JsonStringEnumMemberName("hint")] Hint,

    /// <summary>A reviewer should have a reason to let it stand.</summary>
    [JsonStringEnumMemberName("warn")] Warn,

    /// <summary>The sheet cannot be released.</summary>
    [JsonStringEnumMemberName("stop")] Stop,
}
