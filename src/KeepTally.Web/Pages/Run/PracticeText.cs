using System.Text.Json;
using KeepTally.Core.Dealing;
using KeepTally.Core.Live;
using KeepTally.Core.Loads;
using KeepTally.Core.Time;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages.Run;

/// <summary>A practice as the core in the browser opens it: every run with its card, its sheets and their events.</summary>
internal static class PracticeText
{
    /// <summary>
    /// Texts stand in texts here, so that a quotation mark is written as short as can be: a phone reads it all before the practice
    /// stands. What could end the script it stands in is seen to by <see cref="SafeInScript"/>.
    /// </summary>
    private static readonly JsonSerializerOptions Camel = new(JsonSerializerDefaults.Web)
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <param name="practice">The practice as it is stored.</param>
    /// <param name="runs">The runs, in order.</param>
    /// <param name="habits">What is looked for all practice long.</param>
    /// <param name="times">When each block is to begin by the timing sheet, and what that leaves over.</param>
    /// <param name="bests">The best results of earlier practices, by sheet; none where they are nobody's business.</param>
    /// <param name="loads">What players may do of a kind today; none where they are nobody's business.</param>
    /// <param name="hidesScores">Whether the device it is for leaves out scores and results.</param>
    /// <param name="limits">Whether it holds what players may not do today: the players' board has no business with it.</param>
    internal static string Of(
        Practice practice,
        IReadOnlyList<StoredRun> runs,
        IReadOnlyList<string> habits,
        bool limits,
        (IReadOnlyDictionary<int, Instant> Due, Duration Spare) times,
        IReadOnlyDictionary<string, PastBests> bests,
        IReadOnlyList<LoadAllowance> loads,
        bool hidesScores
    ) =>
        SafeInScript(
            JsonSerializer.Serialize(
                new
                {
                    Habits = habits,
                    Spare = times.Spare.Milliseconds,
                    HidesScores = hidesScores,
                    Limits = limits
                        ? practice
                            .Attendance.Where(each => each.Limits != Restrictions.None)
                            .ToDictionary(each => Player.UnitIdOf(each.PlayerId).Value, each => each.Limits)
                        : [],
                    Loads = loads.Select(load => new
                    {
                        Player = load.Player.Value,
                        load.Kind,
                        load.Before,
                        load.Most,
                        load.Rests,
                    }),
                    Runs = runs.Select(run => new
                    {
                        Id = KeyOf(run),
                        Name = practice.Blocks.First(block => block.Id == run.Run.BlockId).Title,
                        practice.Blocks.First(block => block.Id == run.Run.BlockId).Minutes,
                        Due = times.Due[run.Run.BlockId].Milliseconds,
                        Card = run.Run.CardJson,
                        Sheets = run.Sheets.Select(sheet => new
                        {
                            sheet.Row.Id,
                            sheet.Row.Name,
                            Head = sheet.Row.HeadJson,
                            Events = sheet.Events.Select(row => row.Line),
                            Card = Brings(run, sheet) == sheet ? sheet.Row.CardJson : null,
                            CardOf = Brings(run, sheet)?.Row.Id,
                            sheet.Row.Stop,
                            Bests = bests.GetValueOrDefault(sheet.Row.Id) is { Squad: not null } best
                                ? new { Own = best.Own.ToDictionary(own => own.Key.Value, own => own.Value), best.Squad }
                                : null,
                        }),
                    }),
                },
                Camel
            )
        );

    /// <summary>A less-than sign stands in the texts of JSON alone, where it can be written otherwise.</summary>
    private static string SafeInScript(string json) => json.Replace("<", "\\u003c", StringComparison.Ordinal);

    /// <summary>The first sheet of its run with the same card of its own; none where it is kept by the run's.</summary>
    private static StoredSheet? Brings(StoredRun run, StoredSheet sheet) =>
        sheet.Row.CardJson is { } card ? run.Sheets.First(other => other.Row.CardJson == card) : null;

    /// <summary>The id of a run on the page.</summary>
    internal static string KeyOf(StoredRun run) => run.Run.Id.ToString(System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>The last event that stands in the text; listening goes on from there.</summary>
    internal static long LastSequence(IReadOnlyList<StoredRun> runs) =>
        runs.SelectMany(run => run.Sheets).SelectMany(sheet => sheet.Events).Select(row => row.Sequence).DefaultIfEmpty().Max();
}
