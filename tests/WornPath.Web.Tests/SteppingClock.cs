namespace WornPath.Web.Tests;

/// <summary>A clock that is put forward by hand: the one on the wall, and the one that only goes forward.</summary>
internal sealed class SteppingClock : TimeProvider
{
    private TimeSpan _off;

    public void Forward(TimeSpan by) => _off += by;

    public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + _off;

    public override long GetTimestamp() => base.GetTimestamp() + (long)(_off.TotalSeconds * TimestampFrequency);
}
