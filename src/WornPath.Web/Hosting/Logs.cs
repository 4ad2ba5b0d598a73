namespace WornPath.Web.Hosting;

/// <summary>The log, with the time of each line in UTC: as text, or as one JSON object a line where <c>WornPath:Logs</c> says json.</summary>
public static class Logs
{
    private const string Time = "yyyy-MM-ddTHH:mm:ss.fffZ ";

    public static void AddConsoleOf(this ILoggingBuilder logging, IConfiguration configuration)
    {
        logging.ClearProviders();
        if (configuration["WornPath:Logs"] == "json") logging.AddJsonConsole(o => (o.TimestampFormat, o.UseUtcTimestamp) = (Time.Trim(), true));
        else logging.AddSimpleConsole(o => (o.TimestampFormat, o.UseUtcTimestamp, o.SingleLine) = (Time, true, true));
    }
}
