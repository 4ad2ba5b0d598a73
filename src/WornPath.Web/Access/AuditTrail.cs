using WornPath.Core.Revisions;
using WornPath.Store;
using WornPath.Store.Entities;

namespace WornPath.Web.Access;

/// <summary>Writes down who was let in, who was not, and what administrators did: in the database, and in the log for who runs the server.</summary>
public sealed partial class AuditTrail(WornPathDb db, TimeProvider time, IHttpContextAccessor context, Measures measures, ILogger<AuditTrail> logger)
{
    /// <summary>Adds an entry; it is on the disk when this returns.</summary>
    /// <param name="kind">What happened.</param>
    /// <param name="who">Who did it; null for nobody who is known.</param>
    /// <param name="whom">To whom; null for nobody but who did it.</param>
    /// <param name="text">What else is to be said. Nothing a person typed in secret.</param>
    public async Task WriteAsync(AuditKind kind, Person? who, Person? whom = null, string text = "")
    {
        var entry = new AuditEntry
        {
            At = time.GetUtcNow().UtcDateTime,
            Kind = kind,
            Who = NameOf(who),
            Whom = NameOf(whom),
            Address = AddressOf(context.HttpContext),
            Text = text.Length > 400 ? text[..400] : text
        };
        db.Audit.Add(entry);
        await db.SaveChangesAsync();
        measures.Audited(kind);
        Written(logger, kind, who?.UserName, whom?.UserName, entry.Address, entry.Text);
    }

    /// <summary>The caller's address; "this machine" where nobody calls.</summary>
    public static string AddressOf(HttpContext? context) => context is null ? "this machine"
        : context.Connection.RemoteIpAddress is not { } address ? "unknown" : address.IsIPv4MappedToIPv6 ? address.MapToIPv4().ToString()
        : address.ToString();

    private static string NameOf(Person? person) => person is null ? "" : PersonName.InRecords(person.DisplayName, person.UserName!);

    [LoggerMessage(Level = LogLevel.Information, Message = "Access: {Kind} by {Who} to {Whom} from {Address} {Text}")]
    private static partial void Written(ILogger logger, AuditKind kind, string? who, string? whom, string address, string text);
}
