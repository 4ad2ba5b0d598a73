namespace WornPath.Core.Findings;

/// <summary>A reviewer's reason to let a warning stand. It holds as long as what it was given for stays the same.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Key">The finding's key and the combination it holds for.</param>
/// <param name="Seal">What the step and the thing were when it was given (<c>Waivers.SealOf</c>).</param>
/// <param name="Who">Who gave it.</param>
/// <param name="At">When, in UTC.</param>
/// <param name="Why">The reason.</param>
public sealed record Waiver(int Id, string Key, string Seal, string Who, DateTime At, string Why);
