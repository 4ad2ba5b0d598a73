namespace WornPath.Core.Tests;

/// <summary>The checkout the tests were built in, found by its solution.</summary>
internal static class Repository
{
    public static string Root { get; } = Find();

    private static string Find()
    {
        for (var folder = new DirectoryInfo(AppContext.BaseDirectory); folder is not null; folder = folder.Parent)
            if (File.Exists(Path.Combine(folder.FullName, "WornPath.slnx"))) return folder.FullName;
        throw new InvalidOperationException("The tests run outside their checkout.");
    }
}
