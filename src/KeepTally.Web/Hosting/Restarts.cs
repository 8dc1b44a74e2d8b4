namespace KeepTally.Web.Hosting;

/// <summary>Starts the application anew within its process: a restored database is opened as at any start.</summary>
public sealed class Restarts(IHostApplicationLifetime lifetime)
{
    /// <summary>Whether it is to start anew once it has stopped.</summary>
    public bool Asked { get; private set; }

    /// <summary>Stops the application once this answer is out, to start it anew.</summary>
    /// <param name="response">The answer that is still to be sent.</param>
    public void After(HttpResponse response)
    {
        Asked = true;
        response.OnCompleted(() =>
        {
            lifetime.StopApplication();
            return Task.CompletedTask;
        });
    }
}
