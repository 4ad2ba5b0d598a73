using WornPath.Score;

namespace WornPath.Core.Tests.Reading;

/// <summary>Ways of telling (tests/tellings): each is read as it is meant, but for those that are marked as not read so yet.</summary>
public class TellingsTests
{
    private static readonly string _folder = Path.Combine(Repository.Root, "tests", "tellings");

    public static TheoryData<string> Files => [.. Directory.EnumerateFiles(_folder, "*.txt").Select(f => Path.GetFileNameWithoutExtension(f)).Order()];

    [Theory]
    [MemberData(nameof(Files))]
    public void Each_way_of_telling_is_read_as_it_is_meant(string file)
    {
        var all = Told.In(File.ReadLines(Path.Combine(_folder, file + ".txt"))).ToList();
        all.Count.ShouldBeGreaterThan(10);
        var otherwise = all.Select(told => (Told: told, told.Read().Said)).Where(t => t.Said != t.Told.Meant).ToList();
        otherwise.Where(t => !t.Told.IsOpen).Select(t => $"{string.Join(" | ", t.Told.Steps)} means {t.Told.Meant}, was read as {t.Said}").ShouldBeEmpty();
        // Who mends one takes its mark away.
        all.Where(t => t.IsOpen && !otherwise.Exists(o => o.Told == t)).Select(t => string.Join(" | ", t.Steps))
            .ShouldBeEmpty("read right now, and still marked");
    }
}
