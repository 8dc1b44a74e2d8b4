using System.Diagnostics.CodeAnalysis;

namespace KeepTally.Core.Faults;

/// <summary>What came of reading a text a person wrote: the whole value, or every fault found in it. Nothing is half read.</summary>
public sealed class Result<T>
    where T : class
{
    private Result(T? value, IReadOnlyList<Fault> faults) => (Value, Faults) = (value, faults);

    /// <summary>The whole value, or null where there are faults.</summary>
    public T? Value { get; }

    /// <summary>Every fault found, in the order of the text; empty when the text was read.</summary>
    public IReadOnlyList<Fault> Faults { get; }

    /// <summary>Whether there is a value.</summary>
    [MemberNotNullWhen(true, nameof(Value))]
    public bool IsOk => Value is not null;

    /// <summary>The value, for a caller who has already made sure of the text.</summary>
    /// <exception cref="InvalidOperationException">The text did not read.</exception>
    public T Require() => Value ?? throw new InvalidOperationException(Faults[0].ToString());

    internal static Result<T> Ok(T value) => new(value, []);

    internal static Result<T> Fail(IReadOnlyList<Fault> faults) => new(null, faults);
}

/// <summary>Makes what came of reading, for rooms outside the core.</summary>
public static class Result
{
    /// <summary>A value without a fault.</summary>
    public static Result<T> Ok<T>(T value)
        where T : class => Result<T>.Ok(value);

    /// <summary>No value; at least one fault says why.</summary>
    public static Result<T> Fail<T>(IReadOnlyList<Fault> faults)
        where T : class => Result<T>.Fail(faults);
}
