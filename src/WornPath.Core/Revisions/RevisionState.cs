using System.Text.Json.Serialization;

namespace WornPath.Core.Revisions;

/// <summary>Where a revision is in its life.</summary>
public enum RevisionState
{
    [JsonStringEnumMemberName("draft")] Draft,
    [JsonStringEnumMemberName("in review")] InReview,
    [JsonStringEnumMemberName("released")] Released,
    [JsonStringEnumMemberName("superseded")] Superseded,
    [JsonStringEnumMemberName("withdrawn")] Withdrawn,
}

/// <summary>What a person may do. Somebody can have more than one role.</summary>
public static class Roles
{
    public const string Author = "author";
    public const string Reviewer = "reviewer";
    public const string Approver = "approver";
    public const string Installer = "installer";
    public const string Administrator = "administrator";

    /// <summary>All roles.</summary>
    public static readonly IReadOnlyList<string> All = [Author, Reviewer, Approver, Installer, Administrator];

    /// <summary>Those who see sheets that are not released.</summary>
    public static readonly IReadOnlyList<string> SeeDrafts = [Author, Reviewer, Approver, Administrator];

    /// <summary>Those who keep the crib and answer for the house rules.</summary>
    public static readonly IReadOnlyList<string> KeepWorkshop = [Approver, Administrator];
}
