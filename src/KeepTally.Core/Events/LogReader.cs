using KeepTally.Core.Faults;

namespace KeepTally.Core.Events;

/// <summary>Reads a whole log, JSON Lines. Faults name their line, counted from 1. Source: docs/formats.md, section 2.</summary>
public static class LogReader
{
    /// <summary>The whole log, or every fault in it.</summary>
    public static Result<RunLog> Read(string text)
    {
        var faults = new List<Fault>();
        LogHead? head = null;
        var events = new List<LoggedEvent>();
        foreach (var (index, line) in text.Split('\n').Index())
        {
            if (string.IsNullOrWhiteSpace(line))
            {
                continue;
            }

            if (head is null && events.Count == 0 && faults.Count == 0)
            {
                head = Take(HeadReader.Read(line), index, faults);
            }
            else if (Take(EventReader.Read(line), index, faults) is { } runEvent)
            {
                events.Add(new LoggedEvent(index + 1, runEvent));
            }
        }

        if (head is null && faults.Count == 0)
        {
            faults.Add(new Fault("line 1", "the log is empty", $"begin with a head of format {HeadReader.Format}"));
        }

        return head is not null && faults.Count == 0 ? Result<RunLog>.Ok(new RunLog(head, events)) : Result<RunLog>.Fail(faults);
    }

    private static T? Take<T>(Result<T> reading, int index, List<Fault> faults)
        where T : class
    {
        faults.AddRange(reading.Faults.Select(fault => fault.OnLine(index + 1)));
        return reading.Value;
    }
}

/// <summary>A log as it was written, in the order of its lines.</summary>
public sealed record RunLog(LogHead Head, IReadOnlyList<LoggedEvent> Events);

/// <summary>An event and the line it stood on, from 1.</summary>
public readonly record struct LoggedEvent(int Line, RunEvent Event);
