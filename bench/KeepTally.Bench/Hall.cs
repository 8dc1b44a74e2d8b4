using System.Diagnostics;
using System.Text.Json;

namespace KeepTally.Bench;

/// <summary>The hall: the server, and its clock as devices know it.</summary>
internal sealed class Hall(Server server, int speed)
{
    private long _served;
    private long _measured;

    internal HttpClient Http => server.Http;

    /// <summary>The server's time now, in milliseconds since 1970.</summary>
    internal long Now => _served + (long)(Stopwatch.GetElapsedTime(_measured).TotalMilliseconds * speed);

    internal async Task MeasureClockAsync()
    {
        try
        {
            using var answer = JsonDocument.Parse(await Http.GetStringAsync(new Uri("/api/time", UriKind.Relative)));
            (_served, _measured) = (answer.RootElement.GetProperty("now").GetInt64(), Stopwatch.GetTimestamp());
        }
        catch (HttpRequestException)
        {
            // It is measured again after the next kill.
        }
    }
}
