using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using WornPath.Core.Revisions;
using WornPath.Web.Access;

namespace WornPath.Web.Drafting;

/// <summary>
/// What waits for a person, and what falls due, as a calendar her own program fetches (RFC 5545): what waits stands on today until it is done, what
/// is to be looked at again and what is to be calibrated on its day.
/// </summary>
public sealed class CalendarFeed(Desk desk, WorkshopBook book, TimeProvider time)
{
    /// <summary>The calendar of a person.</summary>
    /// <param name="roles">Her roles.</param>
    /// <param name="address">Where the sheets are.</param>
    public async Task<string> OfAsync(string personId, IReadOnlyCollection<string> roles, Uri address)
    {
        var calendar = new Calendar { ProductId = "-//Worn Path//Desk//EN" };
        calendar.AddProperty("X-WR-CALNAME", "Worn Path");
        var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
        foreach (var line in await desk.ForAsync(personId, roles))
            Add($"waits-{Hashes.Of($"{line.RevisionId} {line.Says}")[..24]}", today, $"{line.Sheet}: {line.Says}", $"/r/{line.RevisionId}/review");
        if (roles.Any(Roles.SeeDrafts.Contains))
            foreach (var due in (await desk.LookAgainAsync(personId)).Where(d => d.By > today))
                Add($"again-{due.RevisionId}", due.By, $"{due.Sheet}: to be looked at again", $"/r/{due.RevisionId}/review");
        if (roles.Any(Roles.KeepWorkshop.Contains))
        {
            var workshop = (await book.NowAsync()).Workshop;
            foreach (var wrench in workshop.Crib)
                if (wrench.DueOn(workshop.Rules) is { } day)
                    Add($"tool-{Hashes.Of(wrench.Name)[..24]}", day, $"{wrench.Name}: calibration due", "/workshop");
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? "";

        void Add(string uid, DateOnly day, string says, string path) => calendar.Events.Add(new CalendarEvent
        {
            Uid = $"{uid}@{address.Host}",
            Summary = says,
            Start = new CalDateTime(day),
            End = new CalDateTime(day.AddDays(1)),
            DtStamp = new CalDateTime(time.GetUtcNow().UtcDateTime),
            Url = new Uri(address, path),
            Transparency = TransparencyType.Transparent,
        });
    }
}
