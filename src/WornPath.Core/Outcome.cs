using System.Diagnostics.CodeAnalysis;

namespace WornPath.Core;

/// <summary>
/// What a person can get wrong, said so that it can be put right: what happened, to what, and what to do.
/// </summary>
/// <param name="What">What happened, with the value as it was entered.</param>
/// <param name="WhatToDo">The next move.</param>
/// <param name="Where">The thing, field or place it happened to; null when the caller knows it better.</param>
public sealed record Problem(string What, string WhatToDo, string? Where = null)
{
    /// <summary>Two people's values for the same thing, where that is the problem.</summary>
    public Clash? Clash { get; init; }

    /// <summary>True where the same, sent again, may go through: two met, and nobody's value stands in the way.</summary>
    public bool Again { get; init; }

    /// <summary>The same problem, placed.</summary>
    public Problem At(string where) => this with { Where = Where is null ? where : $"{where}, {Where}" };

    /// <summary>One line for a person.</summary>
    public override string ToString() => Where is null ? $"{What} {WhatToDo}" : $"{Where}: {What} {WhatToDo}";
}

/// <summary>Two values for one thing: the one that stands, and the one that was refused. Neither is lost.</summary>
/// <param name="Theirs">The value that stands.</param>
/// <param name="Yours">The value that was not taken.</param>
public sealed record Clash(string Theirs, string Yours);

/// <summary>A value, or the <see cref="Problem"/> that kept it from being one. Errors a user can cause are outcomes, not exceptions.</summary>
public readonly struct Outcome<T>
{
    private readonly T? _value;

    private Outcome(T? value, Problem? problem)
    {
        _value = value;
        Problem = problem;
    }

    /// <summary>Why there is no value; null when there is one.</summary>
    public Problem? Problem { get; }

    /// <summary>True when there is a value.</summary>
    [MemberNotNullWhen(false, nameof(Problem))]
    public bool IsGood => Problem is null;

    /// <summary>The value. Throws <see cref="InvalidOperationException"/> when there is none: ask <see cref="IsGood"/> first.</summary>
    public T Value => Problem is null ? _value! : throw new InvalidOperationException(Problem.ToString());

    /// <summary>The same outcome of another value.</summary>
    public Outcome<TOther> Map<TOther>(Func<T, TOther> map) => Problem is null ? map(_value!) : Problem;

    /// <summary>The same outcome, its problem placed.</summary>
    public Outcome<T> At(string where) => Problem is null ? this : Problem.At(where);

    public static implicit operator Outcome<T>(T value) => new(value, null);

    public static implicit operator Outcome<T>(Problem problem) => new(default, problem);
}
