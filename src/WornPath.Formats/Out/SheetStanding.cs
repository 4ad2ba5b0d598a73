using WornPath.Core.Quantities;
using WornPath.Core.Revisions;

namespace WornPath.Formats.Out;

/// <summary>Whether a sheet may be worked from, as a sentence for paper and files.</summary>
public static class SheetStanding
{
    /// <summary>Of a file that was written by hand or saved before: nothing in it says.</summary>
    public const string Unknown = "From a file: nothing in it says whether it is released. Ask the workshop that keeps it before you work from it.";

    /// <summary>Of a released revision in an archive of a workshop.</summary>
    public const string ReleasedThen = "Released when the workshop was taken out. Ask the workshop whether it still is before you work from it.";

    /// <summary>A bulletin against it, as a sentence.</summary>
    /// <param name="about">What it is about; empty for the sheet.</param>
    public static string Bulletin(DateTime at, string who, string about, string text) =>
        $"BULLETIN {Days.Written(at)}, {who}{(about.Length > 0 ? $", on {about}" : "")}: {text}";

    /// <summary>Of a revision.</summary>
    /// <param name="released">Who released it and when; null where nobody has.</param>
    /// <param name="author">Who wrote it.</param>
    /// <param name="verified">Who read its values from their sources; empty where nobody has.</param>
    public static string Of(RevisionState state, (string Who, DateTime At)? released, string author, string verified) => state switch
    {
        RevisionState.Released when released is var (who, at) =>
            $"Released {Days.Written(at)} by {who}; written by {author}{(verified.Length > 0 ? $"; values read from their sources by {verified}" : "")}.",
        RevisionState.Superseded => "SUPERSEDED – NO LONGER VALID. Not for use on a vehicle.",
        RevisionState.Withdrawn => "WITHDRAWN – NO LONGER VALID. Not for use on a vehicle.",
        RevisionState.InReview => "IN REVIEW – NOT RELEASED. Not for use on a vehicle.",
        _ => "DRAFT – NOT RELEASED. Not for use on a vehicle.",
    };
}
