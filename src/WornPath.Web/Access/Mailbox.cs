using MimeKit;
using WornPath.Web.Hosting;

namespace WornPath.Web.Access;

/// <summary>A message that would have gone out.</summary>
/// <param name="To">To whom.</param>
/// <param name="Subject">About what.</param>
/// <param name="Text">The message.</param>
/// <param name="At">When.</param>
public sealed record Mail(string To, string Subject, string Text, DateTime At);

/// <summary>
/// A simulated outbox of mail: each message is written into the data folder as a file that mail programs open (RFC 5322). None is sent,
/// and none is in a backup.
/// </summary>
public sealed class Mailbox(DataFolder data, AccessOptions options, TimeProvider time)
{
    private const int MostShown = 50;

    private string Folder => Path.Combine(data.Path, "mail");

    /// <summary>Puts a message into the outbox.</summary>
    public void Put(string to, string name, string subject, string text)
    {
        var message = new MimeMessage(
            [new MailboxAddress("Worn Path", $"worn-path@{options.PublicUrl?.Host ?? "localhost"}")], [new MailboxAddress(name, to)],
                subject, new TextPart("plain") { Text = text })
        { Date = time.GetUtcNow() };
        Directory.CreateDirectory(Folder);
        message.WriteTo(Path.Combine(Folder, $"{time.GetUtcNow():yyyyMMddTHHmmssfff}-{Guid.NewGuid():N}.eml"));
    }

    /// <summary>Tells a person that something of her access has changed, where she has an address.</summary>
    public void Tell(Store.Entities.Person person, string subject, string text)
    {
        if (person.Email is not null) Put(person.Email, person.DisplayName, subject, $"{person.DisplayName},\n\n{subject}. {text}\n");
    }

    /// <summary>The last messages, the newest first.</summary>
    public IReadOnlyList<Mail> Last() => !Directory.Exists(Folder) ? []
        : [.. Directory.EnumerateFiles(Folder, "*.eml").OrderDescending(StringComparer.Ordinal).Take(MostShown).Select(Read)];

    /// <summary>Whether somebody can be written to at an address.</summary>
    public static bool IsAddress(string address) => MailboxAddress.TryParse(address, out var parsed) && parsed.Address.Contains('@')
        && string.IsNullOrEmpty(parsed.Name);

    private static Mail Read(string file)
    {
        using var message = MimeMessage.Load(file);
        return new Mail(message.To.ToString(), message.Subject ?? "", message.TextBody ?? "", message.Date.UtcDateTime);
    }
}
