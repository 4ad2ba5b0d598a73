namespace WornPath.Core.Sheets;

/// <summary>What else a step may turn into, and the sign that tells: a plan B, or what follows where a check fails.</summary>
/// <param name="Sign">When it is gone: the writer's words between "if" and the colon.</param>
/// <param name="Instead">True where it is done in place of what the step says first; false where it is done besides.</param>
/// <param name="At">Where its line stands in the step's text.</param>
public sealed record Branch(string Sign, bool Instead, Span At);
