namespace KeepTally.Store.Results;

/// <summary>
/// Whole practices come in one after the other: what two files have in common, a player or the practice itself, is then there when the
/// second one looks for it.
/// </summary>
public sealed class ImportTurn : IDisposable
{
    private readonly SemaphoreSlim _one = new(1);

    internal Task BeginAsync(CancellationToken cancellationToken) => _one.WaitAsync(cancellationToken);

    internal void End() => _one.Release();

    public void Dispose() => _one.Dispose();
}
