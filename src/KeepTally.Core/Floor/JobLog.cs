using KeepTally.Core.Clock;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;
using KeepTally.Core.Time;

namespace KeepTally.Core.Floor;

/// <summary>The jobs of all players with their times, updated as players move.</summary>
/// <param name="plan">The clock of the stage, or null: without one all time that runs is work.</param>
internal sealed class JobLog(ClockPlan? plan)
{
    /// <summary>The clock, with what coaches have added to it.</summary>
    internal ClockPlan? Plan { get; set; } = plan;

    private readonly Dictionary<PlayerId, List<JobTime>> _done = [];
    private readonly Dictionary<PlayerId, Post> _now = [];

    /// <summary>Where a player stands, since when, and how many reps there were before.</summary>
    private readonly record struct Post(string Place, string Job, ClockTime Since, int RepsBefore);

    private int _reps;

    /// <summary>The same log, that goes its own way from here.</summary>
    internal JobLog Copy()
    {
        var copy = new JobLog(Plan) { _reps = _reps };
        foreach (var (player, jobs) in _done)
        {
            copy._done[player] = [.. jobs];
        }

        foreach (var (player, post) in _now)
        {
            copy._now[player] = post;
        }

        return copy;
    }

    /// <summary>Everyone who has had a job.</summary>
    internal IReadOnlyCollection<PlayerId> Players => _done.Keys;

    /// <summary>A tap was counted: a rep for everyone who stands somewhere.</summary>
    internal void CountRep() => _reps++;

    /// <summary>Everyone stands as a placement has it from a moment on.</summary>
    internal void Stand(Placement placement, ClockTime now)
    {
        foreach (var place in placement.Places)
        {
            foreach (var player in placement.At(place.Id))
            {
                if (_now.TryGetValue(player, out var post) && post.Place == place.Id)
                {
                    continue;
                }

                Leave(player, now);
                _now[player] = new Post(place.Id, place.Name, now, _reps);
                Add(player, new JobTime(place.Name, 0, Duration.Zero));
            }
        }

        foreach (var player in _now.Keys.Where(player => placement.Of(player) is null).ToArray())
        {
            Leave(player, now);
            _now.Remove(player);
        }
    }

    /// <summary>The clock begins anew, and everyone stands where they stood.</summary>
    /// <param name="over">What it read at the last.</param>
    internal void BeginAgain(ClockTime over)
    {
        foreach (var (player, post) in _now.ToArray())
        {
            Leave(player, over);
            _now[player] = post with { Since = ClockTime.Zero, RepsBefore = _reps };
        }
    }

    /// <summary>Returns the jobs of a player by a moment, in the order they came to them.</summary>
    internal IReadOnlyList<JobTime> Of(PlayerId player, ClockTime now)
    {
        var jobs = _done.GetValueOrDefault(player) ?? [];
        return _now.TryGetValue(player, out var post)
            ? [.. jobs.Select(job => job.Job == post.Job ? Sum(job, Since(post, now)) : job)]
            : [.. jobs];
    }

    private void Leave(PlayerId player, ClockTime now)
    {
        if (_now.TryGetValue(player, out var post))
        {
            Add(player, Since(post, now));
        }
    }

    private JobTime Since(in Post post, ClockTime now) => new(post.Job, _reps - post.RepsBefore, Worked(post.Since, now));

    private Duration Worked(ClockTime from, ClockTime to) => Plan is null ? to - from : Plan.WorkBy(to) - Plan.WorkBy(from);

    private void Add(PlayerId player, JobTime more)
    {
        if (!_done.TryGetValue(player, out var jobs))
        {
            _done[player] = jobs = [];
        }

        var index = jobs.FindIndex(job => job.Job == more.Job);
        if (index < 0)
        {
            jobs.Add(more);
        }
        else
        {
            jobs[index] = Sum(jobs[index], more);
        }
    }

    private static JobTime Sum(JobTime one, JobTime more) => new(one.Job, one.Reps + more.Reps, one.Time + more.Time);
}
