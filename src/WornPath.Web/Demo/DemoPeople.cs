using WornPath.Core.Revisions;

namespace WornPath.Web.Demo;

/// <summary>
/// Whether the sample workshop is served. Its people, with a password that everybody can read, are only in a database that was made as a
/// demo (<see cref="WornPath.Store.DatabaseKind"/>); what the start asks for makes one of an empty database and of no other.
/// </summary>
/// <param name="isWanted">A new database is to be a demo.</param>
/// <param name="folder">Where the sample workshop's files are.</param>
public sealed class DemoMode(bool isWanted, string folder)
{
    public bool IsWanted => isWanted;

    public string Folder => folder;

    /// <summary>The database is a demo.</summary>
    public bool IsOn { get; private set; }

    /// <summary>The database has been asked.</summary>
    public void Settle(bool isDemo) => IsOn = isDemo;
}

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
