using KeepTally.Core.Floor;
using KeepTally.Core.Live;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>The jobs players had, by time where a clock runs and by reps where none does.</summary>
public static class JobWords
{
    /// <summary>"shooter 2:00, rebounder 1:00", or "shooter 12 reps"; empty for who has had no job.</summary>
    public static string Of(Sheet sheet, IReadOnlyList<JobTime> jobs) =>
        string.Join(", ", jobs.Select(job => $"{Phrase.Words(job.Job)} {Amount(sheet, job)}"));

    /// <summary>The same of what was really done: a job that was come to as it ended was not.</summary>
    public static string Done(Sheet sheet, IReadOnlyList<JobTime> jobs) =>
        Of(sheet, [.. jobs.Where(job => sheet.Stage.Clock is null ? job.Reps > 0 : job.Time > Duration.Zero)]);

    private static string Amount(Sheet sheet, JobTime job) =>
        sheet.Stage.Clock is null ? $"{job.Reps} {Phrase.Plural(job.Reps, "rep")}" : Phrase.Clock(job.Time);
}
