using WornPath.Core;
using WornPath.Core.Revisions;

namespace WornPath.Web.Access;

/// <summary>How people are let in here, from the settings (docs/operating.md has them all).</summary>
/// <param name="PublicUrl">The address people open, as they write it; null where none was given.</param>
/// <param name="Session">A session's longest life.</param>
/// <param name="Idle">How long a session lives in which nothing is done.</param>
/// <param name="Link">How long a link for choosing a password can be used.</param>
/// <param name="FactorFor">Roles that need a second factor.</param>
/// <param name="FirstAdministrator">Account of the first administrator, for whom a link is made in a database without one.</param>
public sealed record AccessOptions(Uri? PublicUrl, TimeSpan Session, TimeSpan Idle, TimeSpan Link, IReadOnlyList<string> FactorFor,
    string FirstAdministrator)
{
    /// <summary>True where people open an https address: cookies are for https alone, and browsers are told to keep to it.</summary>
    /// <summary>The address people open: as it was given, else as they came.</summary>
    public Uri Address(HttpRequest request) => PublicUrl ?? new Uri($"{request.Scheme}://{request.Host}");

    public bool IsHttps => PublicUrl?.Scheme == Uri.UriSchemeHttps;

    /// <summary>Reads the settings; the problem where one of them says nothing sensible.</summary>
    public static Outcome<AccessOptions> Read(IConfiguration configuration)
    {
        Uri? publicUrl = null;
        if (configuration["WornPath:PublicUrl"] is { Length: > 0 } url
            && (!Uri.TryCreate(url, UriKind.Absolute, out publicUrl) || publicUrl.Scheme is not ("http" or "https") || publicUrl.PathAndQuery != "/"))
            return new Problem($"WornPath__PublicUrl is “{url}”.", "Give the address people open, without a path: https://sheets.example.");
        var (hours, idle, link) = (Number("SessionHours", 12, 24 * 30), Number("IdleMinutes", 30, 60 * 24), Number("LinkHours", 72, 24 * 14));
        foreach (var number in (Outcome<int>[])[hours, idle, link])
            if (!number.IsGood) return number.Problem;
        var roles = (configuration["WornPath:FactorFor"] ?? Roles.Administrator)
            .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (roles.Except(Roles.All).FirstOrDefault() is { } unknown
            && unknown != "nobody") return new Problem($"WornPath__FactorFor names “{unknown}”.", $"Choose among {string.Join(", ", Roles.All)}, or say nobody.");
        return new AccessOptions(publicUrl, TimeSpan.FromHours(hours.Value), TimeSpan.FromMinutes(idle.Value),
            TimeSpan.FromHours(link.Value), roles, configuration["WornPath:FirstAdministrator"] ?? "admin");

        Outcome<int> Number(string name, int usual, int most)
        {
            if (configuration[$"WornPath:{name}"] is not { Length: > 0 } text) return usual;
            return int.TryParse(text, out var number) && number >= 1 && number <= most ? number
                : new Problem($"WornPath__{name} is “{text}”.", $"Give a number from 1 to {most}.");
        }
    }
}
