using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.Logging;

namespace KeepTally.Web.Tests;

/// <summary>Counts the commands that an application sends to its database, by what it logs.</summary>
internal sealed class CommandCounter : ILoggerProvider, ILogger
{
    private readonly ConcurrentQueue<string> _commands = new();

    /// <summary>The commands since the last look, in order.</summary>
    internal IReadOnlyList<string> Take()
    {
        var taken = _commands.ToArray();
        _commands.Clear();
        return taken;
    }

    public ILogger CreateLogger(string categoryName) => this;

    public IDisposable? BeginScope<TState>(TState state)
        where TState : notnull => null;

    public bool IsEnabled(LogLevel logLevel) => true;

    public void Log<TState>(
        LogLevel logLevel,
        EventId eventId,
        TState state,
        Exception? exception,
        Func<TState, Exception?, string> formatter
    )
    {
        if (eventId.Id == RelationalEventId.CommandExecuted.Id)
        {
            // The line of the log and the text of the command: of that, what it is of says enough.
            var words = formatter(state, exception).Split('\n', 2)[^1];
            var from = words.IndexOf("FROM \"", StringComparison.Ordinal);
            _commands.Enqueue(from < 0 ? words.Split('\n')[0] : words[from..].Split('\n')[0]);
        }
    }

    public void Dispose() { }
}
