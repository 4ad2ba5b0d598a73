using System.Diagnostics.Metrics;
using WornPath.Store.Entities;

namespace WornPath.Web;

/// <summary>What is counted for who runs the server, beside what the framework counts by itself.</summary>
public sealed class Measures : IDisposable
{
    public const string Name = "WornPath";

    private readonly Meter _meter = new(Name);
    private readonly Counter<long> _audited;
    private readonly Counter<long> _edits;
    private readonly Histogram<double> _edit;

    public Measures()
    {
        _audited = _meter.CreateCounter<long>("wornpath.access", description: "Entries of the audit trail: sign-ins, failures, administration.");
        _edits = _meter.CreateCounter<long>("wornpath.edits", description: "Edits, by whether they were taken.");
        _edit = _meter.CreateHistogram<double>("wornpath.edit.duration", "s", "Time from an edit's arrival until it is on the disk and judged.");
    }

    /// <summary>Something is counted as it stands when it is asked for.</summary>
    public void Gauge(string name, string description, Func<int> value) => _meter.CreateObservableGauge(name, value, description: description);

    public void Audited(AuditKind kind) => _audited.Add(1, new KeyValuePair<string, object?>("kind", kind.ToString()));

    public void Edited(bool isTaken, TimeSpan took)
    {
        _edits.Add(1, new KeyValuePair<string, object?>("taken", isTaken ? "true" : "false"));
        _edit.Record(took.TotalSeconds);
    }

    public void Dispose() => _meter.Dispose();
}
