using System.Diagnostics.CodeAnalysis;

namespace KeepTally.Core.Faults;

/// <summary>
/// What came of something a person may have got wrong, such as a text they wrote: the whole value, or every fault found.
/// Nothing is half done.
/// </summary>
/// <typeparam name="T">The value where nothing was wrong.</typeparam>
public sealed class Result<T>
    where T : notnull
{
    private Result(T? value, IReadOnlyList<Fault> faults) => (Value, Faults) = (value, faults);

    /// <summary>The whole value; none where there are faults.</summary>
    public T? Value { get; }

    /// <summary>Every fault found, in the order of the text; empty when the text was read.</summary>
    public IReadOnlyList<Fault> Faults { get; }

    /// <summary>The first fault found; null where there is a value.</summary>
    public Fault? FirstFault => Faults.Count > 0 ? Faults[0] : null;

    /// <summary>Whether there is a value.</summary>
    [MemberNotNullWhen(true, nameof(Value))]
    public bool IsOk => Faults.Count == 0;

    /// <summary>The value, for a caller who has already made sure of the text.</summary>
    /// <exception cref="InvalidOperationException">The text did not read.</exception>
    public T Require() => IsOk ? Value : throw new InvalidOperationException(Faults[0].ToString());

    /// <summary>No value, for one fault.</summary>
    public static implicit operator Result<T>(Fault fault) => Result.Fail<T>(fault);

    internal static Result<T> Ok(T value) => new(value, []);

    internal static Result<T> Fail(IReadOnlyList<Fault> faults) => new(default, faults);
}

/// <summary>Makes results.</summary>
public static class Result
{
    /// <summary>A change was made, and gives nothing back.</summary>
    public static Result<Done> Ok() => Result<Done>.Ok(default);

    /// <summary>A value without a fault.</summary>
    public static Result<T> Ok<T>(T value)
        where T : notnull => Result<T>.Ok(value);

    /// <summary>No value; at least one fault says why.</summary>
    public static Result<T> Fail<T>(IReadOnlyList<Fault> faults)
        where T : notnull => Result<T>.Fail(faults);

    /// <summary>No value, for one fault.</summary>
    public static Result<T> Fail<T>(Fault fault)
        where T : notnull => Result<T>.Fail([fault]);
}
