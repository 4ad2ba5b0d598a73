using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>A field of a thing as a cell of a table: its text form, both ways.</summary>
/// <param name="Name">How it is addressed.</param>
/// <param name="Label">How a person is told of it.</param>
/// <param name="Get">Its text.</param>
/// <param name="Set">The thing with the field set from text, or why not.</param>
/// <param name="Choices">The texts it can have; empty where it is free.</param>
public sealed record Field<T>(string Name, string Label, Func<T, string> Get, Func<Sheet, T, string, Outcome<T>> Set, IReadOnlyList<string> Choices);
