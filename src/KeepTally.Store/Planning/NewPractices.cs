using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;

namespace KeepTally.Store.Planning;

/// <summary>Makes practices: one, or a row of them on the same days of the week until a day.</summary>
public sealed class NewPractices(TallyDb db, PlanBook plans)
{
    /// <summary>The most practices made at once: twice a week for a year.</summary>
    public const int Most = 104;

    /// <summary>Makes them, each with the short drill of every practice first; the first of them, or why they could not be made.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="plan">The sheet each begins with; its day is that of the first.</param>
    /// <param name="weekdays">The days of the week; empty for the one day alone.</param>
    /// <param name="until">The last day.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Result<int>> MakeAsync(
        int team,
        Plan plan,
        IReadOnlyCollection<DayOfWeek> weekdays,
        DateOnly until,
        CancellationToken cancellationToken = default
    )
    {
        var first = plan.Date!.Value;
        DateOnly[] days =
            weekdays.Count == 0
                ? [first]
                :
                [
                    .. Enumerable
                        .Range(0, Math.Max(0, until.DayNumber - first.DayNumber + 1))
                        .Select(first.AddDays)
                        .Where(day => weekdays.Contains(day.DayOfWeek))
                        .Take(Most + 1),
                ];
        if (days.Length is 0 or > Most)
        {
            return Result.Fail<int>(
                days.Length == 0
                    ? new Fault(
                        "until",
                        "no such day lies before the last one",
                        "choose a later last day, or other days of the week"
                    )
                    : new Fault("until", $"that is more than {Most} practices", "choose an earlier last day")
            );
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var series = days.Length > 1 ? Guid.CreateVersion7().ToString("N") : "";
        int? made = null;
        foreach (var day in days)
        {
            var one = await plans.NewAsync(team, plan with { Date = day }, series, cancellationToken);
            if (!one.IsOk)
            {
                return one;
            }

            made ??= one.Value;
        }

        await transaction.CommitAsync(cancellationToken);
        return Result.Ok(made!.Value);
    }
}
