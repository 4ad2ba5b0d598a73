namespace WornPath.Core.Revisions;

/// <summary>Whose procedure it is: its owner, and the co-authors she has given it to. Everybody of the workshop reads it; these write.</summary>
/// <param name="Owner">The owner's id.</param>
/// <param name="OwnerName">The owner's name, to be told to who asks.</param>
/// <param name="CoAuthors">Ids of the co-authors.</param>
public sealed record Authorship(string Owner, string OwnerName, IReadOnlySet<string> CoAuthors)
{
    /// <summary>Whether a person may write on it, send it and revise it.</summary>
    public Problem? Write(string person) => person == Owner || CoAuthors.Contains(person) ? null
        : new Problem($"This procedure is {OwnerName}’s.", "Ask to write along, under Review; until then it is yours to read.");

    /// <summary>Whether a person may give it to others and take it back: its owner, and an administrator where the owner is gone.</summary>
    public Problem? Give(string person, bool isAdministrator) => person == Owner || isAdministrator ? null
        : new Problem($"This procedure is {OwnerName}’s.", "Its owner says who writes along.");

    /// <summary>Whether a person who is an author may ask to write along.</summary>
    public Problem? Ask(string person) => Write(person) is null ? new Problem("You write on this procedure already.", "Go on with it.") : null;
}
