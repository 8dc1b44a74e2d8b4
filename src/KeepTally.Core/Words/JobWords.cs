using KeepTally.Core.Floor;
using KeepTally.Core.Live;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Who has had which job, told by time where a clock runs and by reps where none does.</summary>
public static class JobWords
{
    /// <summary>"shooter 2:00, rebounder 1:00", or "shooter 12 reps"; empty for who has had no job.</summary>
    public static string Of(Sheet sheet, IReadOnlyList<JobTime> jobs) =>
        string.Join(", ", jobs.Select(job => $"{Phrase.Words(job.Job)} {Amount(sheet, job)}"));

    private static string Amount(Sheet sheet, JobTime job) =>
        sheet.Stage.Clock is null ? $"{job.Reps} {Phrase.Plural(job.Reps, "rep")}" : Phrase.Clock(job.Time);
}
