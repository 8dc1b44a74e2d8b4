using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Browser;

/// <summary>A drill that is open on this device, by what it is known by on the page.</summary>
internal sealed record OpenRun(string Id, LiveRun Live);

/// <summary>The id on record of a guest who joined on this device alone, without a network.</summary>
internal readonly record struct Settled(PlayerId From, PlayerId To);

/// <summary>Opens the drills of a practice as the server hands it over.</summary>
internal static class PracticeOpener
{
    /// <param name="file">The practice as it was read.</param>
    /// <param name="open">What is open already, where the practice is opened anew; its sheets go on.</param>
    /// <param name="settled">A player who has been written down since: what was said of them is said of who they are on record.</param>
    internal static Result<IReadOnlyList<OpenRun>> Open(PracticeFile file, IReadOnlyList<OpenRun>? open, Settled? settled = null)
    {
        var known = (open ?? []).SelectMany(run => run.Live.Sheets).ToDictionary(sheet => sheet.Id);
        var runs = new List<OpenRun>();
        var cards = new CardShelf();
        foreach (var run in file.Runs)
        {
            var sheets = new List<RunSheet>();
            foreach (var sheet in run.Sheets)
            {
                var id = new SheetId(sheet.Id);
                if (known.TryGetValue(id, out var live) && settled is null && !HasNewcomer(live.Sheet, sheet))
                {
                    sheets.Add(live with { Bests = BestsOf(sheet) });
                    continue;
                }

                var opened = Open(run, sheet, cards);
                if (!opened.IsOk)
                {
                    return Result.Fail<IReadOnlyList<OpenRun>>(new Fault("", $"{run.Name}: {opened.Faults[0]}", "reload the page"));
                }

                // A player joined for today: the sheet goes on with all that was said on it.
                opened.Value.AddAll([.. (live?.Sheet.Log.Events ?? []).Select(Told)]);
                sheets.Add(new RunSheet(id, sheet.Name, opened.Value, sheet.Stop) { Bests = BestsOf(sheet) });
            }

            var planned = run.Minutes > 0 ? Duration.FromMinutes(run.Minutes) : (Duration?)null;
            runs.Add(
                new OpenRun(
                    run.Id,
                    new LiveRun(run.Name, sheets, planned) { PlannedStart = run.Due is { } due ? new Instant(due) : null }
                )
            );
        }

        RunEvent Told(RunEvent said) => settled is { } who ? Renaming.Of(said, who.From, who.To) : said;

        // After what has begun elsewhere, before what is still to come.
        var begun = (open ?? []).Where(run => run.Live.IsStarted && runs.TrueForAll(other => other.Id != run.Id));
        runs.InsertRange(runs.FindLastIndex(run => run.Live.IsStarted) + 1, begun);
        return Result.Ok<IReadOnlyList<OpenRun>>(runs);
    }

    /// <summary>The same drills with one more who may come in, written down on this device alone.</summary>
    internal static IReadOnlyList<OpenRun> With(IReadOnlyList<OpenRun> open, Member guest) =>
        [
            .. open.Select(run =>
                run with
                {
                    Live = new LiveRun(run.Live.Name, [.. run.Live.Sheets.Select(sheet => With(sheet, guest))], run.Live.Planned)
                    {
                        PlannedStart = run.Live.PlannedStart,
                    },
                }
            ),
        ];

    private static RunSheet With(RunSheet sheet, Member guest)
    {
        var head = sheet.Sheet.Head;
        if (head.Everyone.Any(member => member.Id == guest.Id))
        {
            return sheet;
        }

        var opened = Sheet.Open(sheet.Sheet.Card, head with { Bench = [.. head.Bench ?? [], guest] }).Require();
        opened.AddAll([.. sheet.Sheet.Log.Events]);
        return new RunSheet(sheet.Id, sheet.Name, opened, sheet.Stop) { Bests = sheet.Bests };
    }

    private static bool HasNewcomer(Sheet live, SheetFile sheet) =>
        HeadReader.Read(sheet.Head) is { IsOk: true } head
        && head.Value.Everyone.Any(member => live.Head.Everyone.All(known => known.Id != member.Id));

    private static PastBests BestsOf(SheetFile sheet) =>
        sheet.Bests is { } bests
            ? new PastBests(bests.Own.ToDictionary(own => new PlayerId(own.Key), own => own.Value), bests.Squad)
            : PastBests.None;

    private static Result<Sheet> Open(RunFile run, SheetFile sheet, CardShelf cards)
    {
        var head = HeadReader.Read(sheet.Head);
        var card = cards.Read(CardOf(run, sheet), head.Value?.Options ?? new Dictionary<string, string>());
        return head.IsOk && card.IsOk ? Sheet.Open(card.Value, head.Value) : Result.Fail<Sheet>([.. head.Faults, .. card.Faults]);
    }

    private static string CardOf(RunFile run, SheetFile sheet) =>
        sheet.Card ?? run.Sheets.FirstOrDefault(other => other.Id == sheet.CardOf)?.Card ?? run.Card;
}
