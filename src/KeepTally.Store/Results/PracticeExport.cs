using KeepTally.Core.Archive;
using KeepTally.Core.Events;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Results;

/// <summary>A practice that was run, whole, with its cards and logs: to be kept elsewhere, replayed, or imported again.</summary>
public sealed class PracticeExport(RunStore runStore)
{
    /// <summary>The practice; null where nothing of it was run. A drill whose card no longer reads is left out.</summary>
    public async Task<PracticeArchive?> OfAsync(Practice practice, CancellationToken cancellationToken = default)
    {
        var runs = (await runStore.OfAsync(practice.Id, cancellationToken)).Where(run => run.Fault is null).ToArray();
        return runs.Length == 0
            ? null
            : new PracticeArchive(
                practice.Title,
                practice.Team!.Name,
                practice.Date,
                practice.Start,
                runs[0].Run.Origin,
                [.. runs.Select(Of)]
            );
    }

    private static ArchivedBlock Of(StoredRun run) =>
        new(
            run.Run.Block!.Minutes,
            run.Run.Block.ChangeSeconds,
            run.Run.CardJson,
            [
                .. run.Sheets.Select(sheet => new ArchivedSheet(
                    sheet.Row.Name,
                    sheet.Row.CardJson,
                    sheet.Row.Stop,
                    sheet.Head,
                    [
                        .. sheet
                            .Events.Select(row => EventReader.Read(row.Line))
                            .Where(read => read.IsOk)
                            .Select(read => read.Require()),
                    ]
                )),
            ]
        );
}
