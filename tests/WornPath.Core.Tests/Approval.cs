namespace WornPath.Core.Tests;

/// <summary>
/// What the core says of sheets, in files under tests/judgement that somebody has read as a technician would. Where it says otherwise now, the
/// new text is written beside it: read what changed, and put it in its place if it is right.
/// </summary>
internal static class Approval
{
    public static void ShouldBeAsApproved(string now, string name)
    {
        var path = Path.Combine(Repository.Root, "tests", "judgement", name);
        var approved = File.Exists(path) ? File.ReadAllText(path) : "";
        if (approved == now) return;
        File.WriteAllText(path + ".new", now);
        var (was, said) = (approved.Split('\n'), now.Split('\n'));
        var at = Enumerable.Range(0, Math.Min(was.Length, said.Length)).FirstOrDefault(i => was[i] != said[i], Math.Min(was.Length, said.Length));
        Assert.Fail($"Line {at + 1} of tests/judgement/{name} is not what is said now; all of it stands in {name}.new.\n"
            + $"approved: {was.ElementAtOrDefault(at)}\nnow:      {said.ElementAtOrDefault(at)}");
    }
}
