namespace KeepTally.Web.Operating;

/// <summary>
/// What takes a core for a while, one piece at a time: passwords, files that are read, simulations. However many people want it at
/// once, the other core is left for practice.
/// </summary>
public sealed class OneAtATime : IDisposable
{
    private readonly SemaphoreSlim _one = new(1);

    /// <summary>Waits for the turn; disposing ends it.</summary>
    /// <param name="cancellationToken">Gives the wait up.</param>
    public async Task<IDisposable> EnterAsync(CancellationToken cancellationToken)
    {
        await _one.WaitAsync(cancellationToken);
        return new Turn(_one);
    }

    private sealed class Turn(SemaphoreSlim one) : IDisposable
    {
        public void Dispose() => one.Release();
    }

    public void Dispose() => _one.Dispose();
}
