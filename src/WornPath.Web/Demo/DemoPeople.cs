using WornPath.Core.Revisions;

namespace WornPath.Web.Demo;

/// <summary>Whether the sample workshop is served. Its people, with a password that everybody can read, are made in demo mode only.</summary>
public sealed record DemoMode(bool IsOn, string Folder);

/// <summary>Somebody of the invented workshop.</summary>
public sealed record DemoPerson(string UserName, string Name, IReadOnlyList<string> Roles);

/// <summary>The people of the invented workshop.</summary>
public static class DemoPeople
{
    /// <summary>The password of all of them.</summary>
    public const string Password = "orchard-demo-1";

    public static readonly IReadOnlyList<DemoPerson> All =
    [
        new("ines", "Ines Aldaro", [Roles.Author]),
        new("marta", "Marta Holm", [Roles.Author, Roles.Reviewer]),
        new("odo", "Odo Brandt", [Roles.Reviewer, Roles.Approver]),
        new("tilde", "Tilde Rask", [Roles.Installer]),
        new("admin", "Workshop office", [Roles.Administrator]),
    ];
}
