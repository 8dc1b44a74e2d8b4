using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>
/// Puts a whole practice into what the run screen shows. Looked at again, whatever has not changed is the same object as
/// before, so that only the rest need be handed over.
/// </summary>
/// <param name="practice">The practice.</param>
/// <param name="habits">What is looked for all practice long.</param>
public sealed class RunPresenter(LivePractice practice, IReadOnlyList<string> habits)
{
    private readonly Dictionary<SheetId, PadPresenter> _pads = [];
    private readonly TapList _taps = new(practice);
    private readonly LoadWatch _loads = new(practice);
    private SheetView?[] _sheets = [];
    private ClockReading _reading;
    private ClockView? _clock;
    private IReadOnlyList<Duration>? _calls;
    private RunView? _shown;
    private LiveRun? _run;

    /// <summary>Where the coach has the time left called at moments of their own; null for the card's.</summary>
    public IReadOnlyList<Duration>? Calls
    {
        get => _calls;
        set => (_calls, _clock) = (value, null);
    }

    /// <summary>Whether results and scores are told in sentences; not on a players' board without them.</summary>
    public bool TellsResults { get; init; } = true;

    /// <summary>One event of a sheet in the coach's words; empty for what is not tapped, moved or changed.</summary>
    public static string Describe(SheetId sheet, Sheet live, RunEvent runEvent) => TapList.Words(sheet, live, runEvent);

    public PracticeView At(Instant at)
    {
        var current = practice.Current;
        var over = current >= practice.Runs.Count;
        _run = over ? null : practice.Runs[current];
        _shown = _run is null ? null : RunAt(_run, at);
        return new PracticeView(current, over, CanGoBack(current), _shown) { Result = over ? Over(at) : "" };
    }

    /// <summary>
    /// What a tap is judged by at a glance, the pads and the clock; all else is as it was last shown until it is looked at in full.
    /// </summary>
    public PracticeView GlanceAt(Instant at)
    {
        var current = practice.Current;
        if (_shown is null || current >= practice.Runs.Count || !ReferenceEquals(_run, practice.Runs[current]))
        {
            return At(at);
        }

        _shown = _shown with { Clock = ClockAt(_run, at), Sheets = SheetsOf(_run, [.. _run.OpenAt(at)], at) };
        return new PracticeView(current, false, CanGoBack(current), _shown);
    }

    /// <summary>A drill ended by mistake can be gone back to until the next one has begun.</summary>
    private bool CanGoBack(int current) => current > 0 && (current >= practice.Runs.Count || !practice.Runs[current].IsStarted);

    /// <summary>The result of the drill that ended last, until the next one begins.</summary>
    private string ResultBefore(int current, Instant at) =>
        TellsResults && practice.Runs.Take(current).LastOrDefault(run => run.IsEnded && run.IsStarted && !run.IsPause) is { } before
            ? Prompt.Outcome(before, at)
            : "";

    /// <summary>How the last drill ended, and what was not reached.</summary>
    private string Over(Instant at)
    {
        LiveRun[] left = [.. practice.Runs.Where(run => run is { IsStarted: false, IsPause: false })];
        string[] said = [ResultBefore(practice.Runs.Count, at), left.Length == 0 ? "" : $"Not reached: {Names(left)}."];
        return string.Join(' ', said.Where(words => words.Length > 0));
    }

    /// <summary>A drill's name may hold a comma.</summary>
    private static string Names(IEnumerable<LiveRun> runs) => string.Join("; ", runs.Select(run => run.Name));

    private RunView RunAt(LiveRun run, Instant at)
    {
        var clock = ClockAt(run, at);
        var last = practice.Current == practice.Runs.Count - 1;
        var taps = _taps.Of(run);
        var primary = clock.State switch
        {
            "ready" => "start",
            "over" => "end",
            "paused" => "resume",
            _ => "pause",
        };
        var open = run.OpenAt(at).ToArray();
        return new RunView(
            primary,
            primary switch
            {
                "start" => "Start",
                "end" => last ? "Finish" : "Next drill",
                "resume" => "Resume",
                _ => "Pause",
            },
            Prompt.Of(run, at, last, run.IsStarted ? "" : ResultBefore(practice.Current, at), TellsResults),
            LatenessWords.Of(Lateness.Of(practice, at), practice.Spare),
            clock,
            SheetsOf(run, open, at),
            run.Circuit is null ? [] : CircuitPresenter.Of(run, at),
            taps,
            TapList.ToUndo(taps),
            Array.Exists(open, each => each.Sheet.Stage.Moves.Count > 0 && !LiveRun.HasStood(each)),
            primary == "pause",
            ClockMoves.At(run, at),
            [
                .. open.SelectMany(each =>
                    each.Sheet.Floor.Contestants.Select(player => new ContestView(
                        each.Id.Value,
                        player.Value,
                        each.Sheet.CallNameOf(player)
                    ))
                ),
            ],
            Array.Exists(open, each => OwnCountPresenter.Takes(each.Sheet)),
            HalfWords.Note(run, at),
            LoadAt(at),
            [.. habits.Select(practice.Seen)],
            DuplicateAt(open, at),
            LastBall(at),
            practice.NotReached is { Count: > 0 } left ? $"Not reached yet: {Names(left)}." : ""
        );
    }

    private string LastBall(Instant at)
    {
        var names = practice.LastBallsAt(at).SelectMany(each => each.Ball.Units.Select(each.Sheet.Sheet.CallNameOf)).ToArray();
        return names.Length == 0 ? "" : $"Last ball: {string.Join(", ", names)}";
    }

    private string LoadAt(Instant at)
    {
        var near = _loads.At(at);
        return near.Count == 0
            ? ""
            : $"{string.Join("; ", near.Select(each => LoadWords.Now(_run!.CallNameOf(each.Allowance.Player), each.Allowance, each.Count)))}. {LoadWords.Defers}";
    }

    private static DuplicateTapView? DuplicateAt(RunSheet[] open, Instant at)
    {
        foreach (var each in open)
        {
            if (DuplicateTaps.In(each.Sheet, at) is { } twice)
            {
                var (device, n) = (twice.Second.Id.Device.Value, twice.Second.Id.N);
                return new DuplicateTapView(each.Id.Value, device, n, TapList.Words(each.Id, each.Sheet, twice.Second));
            }
        }

        return null;
    }

    /// <summary>The clock as it reads; how much of the interval is left is not worth new words.</summary>
    private ClockView ClockAt(LiveRun run, Instant at)
    {
        var reading = ClockReading.Of(run, at, out _);
        if (_clock is null || reading != _reading)
        {
            (_reading, _clock) = (reading, ClockPresenter.Of(run, at, _calls));
        }

        return _clock;
    }

    private SheetView?[] SheetsOf(LiveRun run, RunSheet[] open, Instant at)
    {
        var sheets = new SheetView?[run.Sheets.Count];
        var same = sheets.Length == _sheets.Length;
        for (var i = 0; i < sheets.Length; i++)
        {
            var each = run.Sheets[i];
            sheets[i] = Array.IndexOf(open, each) < 0 ? null : PadOf(each).At(at, AgainWays.Of(run, each, at));
            same = same && ReferenceEquals(sheets[i], _sheets[i]);
        }

        return same ? _sheets : _sheets = sheets;
    }

    private PadPresenter PadOf(RunSheet sheet)
    {
        if (!_pads.TryGetValue(sheet.Id, out var pad))
        {
            _pads[sheet.Id] = pad = new PadPresenter(sheet);
        }

        return pad;
    }
}
