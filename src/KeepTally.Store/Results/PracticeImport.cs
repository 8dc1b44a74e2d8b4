using KeepTally.Core.Archive;
using KeepTally.Core.Cards;
using KeepTally.Core.Circuits;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Results;

/// <summary>
/// Brings a whole practice in: as one that was. Players of the same name are the same; any other player is written down as who is not
/// in the squad. Drills whose card the book does not have come with it, archived.
/// </summary>
public sealed class PracticeImport(TallyDb db, EventStaging staging, ImportTurn turn)
{
    /// <summary>Takes it in for a team, all of it or nothing; its id.</summary>
    public async Task<Result<int>> TakeAsync(int team, PracticeArchive archive, CancellationToken cancellationToken = default)
    {
        if (!await db.Teams.AnyAsync(each => each.Id == team, cancellationToken))
        {
            return Result.Fail<int>(new Fault("team", "there is no such team", "choose one"));
        }

        await turn.BeginAsync(cancellationToken);
        try
        {
            return await IsHereAsync(team, archive, cancellationToken)
                ? Result.Fail<int>(
                    new Fault("", $"{archive.Title} of {archive.Date:yyyy-MM-dd} is here already", "read it under Results")
                )
                : Result.Ok(await WriteAsync(team, archive, cancellationToken));
        }
        finally
        {
            turn.End();
        }
    }

    private Task<bool> IsHereAsync(int team, PracticeArchive archive, CancellationToken cancellationToken)
    {
        var title = archive.Title;
        return db.Runs.AnyAsync(
            run =>
                run.Origin == archive.Origin
                && db.Practices.Any(each => each.Id == run.Block!.PracticeId && each.TeamId == team && each.Title == title),
            cancellationToken
        );
    }

    /// <summary>Events first, then all that makes them visible in one transaction.</summary>
    private async Task<int> WriteAsync(int team, PracticeArchive archive, CancellationToken cancellationToken)
    {
        var newcomers = new List<Player>();
        var who = await PlayersAsync(team, archive, newcomers, cancellationToken);
        var sheets = archive
            .Blocks.SelectMany(block => block.Sheets)
            .Select(sheet => (Id: Guid.CreateVersion7().ToString("N"), Sheet: sheet))
            .ToArray();
        try
        {
            await staging.WriteAsync(
                sheets.SelectMany(each => EventsOf(each.Id, each.Sheet, who)).OrderBy(row => row.At),
                cancellationToken
            );
            return await ShowAsync(
                team,
                archive,
                who,
                newcomers,
                new Queue<string>(sheets.Select(each => each.Id)),
                cancellationToken
            );
        }
        catch
        {
            await staging.RemoveAsync([.. sheets.Select(each => each.Id)]);
            throw;
        }
    }

    /// <summary>Writes everything but the events, in one transaction: the practice is there, or nothing of it.</summary>
    private async Task<int> ShowAsync(
        int team,
        PracticeArchive archive,
        Dictionary<PlayerId, PlayerId> who,
        List<Player> newcomers,
        Queue<string> ids,
        CancellationToken cancellationToken
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        db.Players.AddRange(newcomers);
        var practice = new Practice
        {
            TeamId = team,
            Title = archive.Title,
            Date = archive.Date,
            Start = archive.Start,
            Minutes = (int)Math.Ceiling(archive.Blocks.Sum(block => block.Minutes + (block.ChangeSeconds / 60.0))),
        };
        foreach (var (order, block) in archive.Blocks.Index())
        {
            practice.Blocks.Add(await BlockAsync(order, block, who, ids, archive, cancellationToken));
        }

        db.Practices.Add(practice);
        await db.SaveChangesAsync(cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        return practice.Id;
    }

    /// <summary>The events of a sheet with the ids that players have here. A group or a side keeps its id.</summary>
    private static IEnumerable<EventRow> EventsOf(string sheet, ArchivedSheet kept, Dictionary<PlayerId, PlayerId> who)
    {
        var groups = kept.Head.Units.Where(unit => unit.Players.Count > 0).Select(unit => unit.Id).ToHashSet();
        return kept.Events.Select(said =>
            EventRow.Of(new SheetId(sheet), Renaming.Of(said, id => groups.Contains(id) ? id : who.GetValueOrDefault(id, id)))
        );
    }

    /// <summary>The ids that its players have here: two of one name are two.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="archive">The practice.</param>
    /// <param name="newcomers">Takes the players who are not here yet, each with the id they will have.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    private async Task<Dictionary<PlayerId, PlayerId>> PlayersAsync(
        int team,
        PracticeArchive archive,
        List<Player> newcomers,
        CancellationToken cancellationToken
    )
    {
        var members = archive
            .Blocks.SelectMany(block => block.Sheets, (block, sheet) => (sheet.Head, Stage: StageOf(block, sheet)))
            .SelectMany(each => People(each.Head, each.Stage))
            .DistinctBy(member => member.Id)
            .ToArray();
        var squad = await db.Players.Where(player => player.TeamId == team).ToListAsync(cancellationToken);
        var found = new Dictionary<PlayerId, Player>();
        foreach (var member in members)
        {
            var player = squad
                .OrderBy(each => each.Archived)
                .FirstOrDefault(each => each.Name == member.Name && !found.ContainsValue(each));
            if (player is null)
            {
                player = new Player
                {
                    TeamId = team,
                    Name = member.Name,
                    Archived = true,
                    Notes = "From an imported practice",
                };
                squad.Add(player);
                newcomers.Add(player);
            }

            found[member.Id] = player;
        }

        await ReserveAsync(newcomers, cancellationToken);
        return found.ToDictionary(each => each.Key, each => each.Value.UnitId);
    }

    /// <summary>
    /// Gives players the ids under which they will be written: taken and given back at once, since an id is never given twice
    /// (SQLite documentation, "AUTOINCREMENT").
    /// </summary>
    private async Task ReserveAsync(List<Player> newcomers, CancellationToken cancellationToken)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        db.Players.AddRange(newcomers);
        await db.SaveChangesAsync(cancellationToken);
        var ids = newcomers.Select(player => player.Id).ToArray();
        await db.Players.Where(player => ids.Contains(player.Id)).ExecuteDeleteAsync(cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        db.ChangeTracker.Clear();
    }

    /// <summary>The people a head names: units that are players, the players of groups and sides, and who may come in.</summary>
    private static IEnumerable<Member> People(LogHead head, Stage stage) =>
        head
            .Units.SelectMany(unit =>
                unit.Players.Count > 0 ? unit.Players
                : stage.Scores == Scorer.Player ? [new Member(unit.Id, unit.Name)]
                : []
            )
            .Concat(head.Bench ?? []);

    private static Stage StageOf(ArchivedBlock block, ArchivedSheet sheet) => sheet.Card(block.CardJson).Stages[sheet.Head.Stage];

    private async Task<Block> BlockAsync(
        int order,
        ArchivedBlock block,
        Dictionary<PlayerId, PlayerId> who,
        Queue<string> ids,
        PracticeArchive archive,
        CancellationToken cancellationToken
    )
    {
        var card = CardReader.Read(block.CardJson, block.Sheets[0].Head.Options).Require();
        var stations = block.Sheets.Where(sheet => sheet.Stop is not null).GroupBy(sheet => sheet.Stop!.Value.Station).ToArray();
        var versions = new List<int>();
        foreach (var station in stations.OrderBy(each => each.Key))
        {
            versions.Add(await VersionAsync(station.First().CardJson ?? block.CardJson, station.First(), cancellationToken));
        }

        var head = block.Sheets[0].Head;
        return new Block
        {
            Order = order,
            Minutes = block.Minutes,
            ChangeSeconds = block.ChangeSeconds,
            Pause = card.Id == PauseCard.Id ? Pause.Break : null,
            PauseName = card.Id == PauseCard.Id ? card.Name : "",
            Stage = head.Stage,
            Part = card.Stages.Count > 1 ? card.Stages[head.Stage].Name : "",
            Groups = Math.Max(1, stations.Length > 0 ? block.Sheets.Max(sheet => sheet.Stop?.Group + 1 ?? 1) : block.Sheets.Count),
            CardVersionId =
                card.Id == PauseCard.Id ? null
                : stations.Length > 0 ? versions[0]
                : await VersionAsync(block.CardJson, block.Sheets[0], cancellationToken),
            Circuit =
                card.Id == CircuitCard.Id
                    ? new CircuitBlock
                    {
                        MinutesEach = card.Stages[0].Clock?.Work.TotalSeconds / 60 ?? 0,
                        ChangeSeconds = (int)(card.Stages[0].Clock?.Change.TotalSeconds ?? 0),
                        Stations =
                        [
                            .. versions.Select(
                                (version, index) =>
                                    new Station
                                    {
                                        Order = index,
                                        CardVersionId = version,
                                        Stage = stations.First(each => each.Key == index).First().Head.Stage,
                                    }
                            ),
                        ],
                    }
                    : null,
            Run = new Run
            {
                CardJson = block.CardJson,
                Origin = archive.Origin,
                Sheets = [.. block.Sheets.Select((sheet, index) => RowOf(ids.Dequeue(), sheet, index, who, StageOf(block, sheet)))],
            },
        };
    }

    private static SheetRow RowOf(string id, ArchivedSheet sheet, int order, Dictionary<PlayerId, PlayerId> who, Stage stage)
    {
        return new SheetRow
        {
            Id = id,
            Order = order,
            Name = sheet.Name,
            HeadJson = HeadReader.Write(
                sheet.Head with
                {
                    Units =
                    [
                        .. sheet.Head.Units.Select(unit =>
                            unit with
                            {
                                Id = stage.Scores == Scorer.Player ? who.GetValueOrDefault(unit.Id, unit.Id) : unit.Id,
                                Players = [.. unit.Players.Select(Named)],
                            }
                        ),
                    ],
                    Bench = sheet.Head.Bench is { } bench ? [.. bench.Select(Named)] : null,
                }
            ),
            CardJson = sheet.CardJson,
            Round = sheet.Stop?.Round,
            Station = sheet.Stop?.Station,
            Group = sheet.Stop?.Group,
        };

        Member Named(Member member) => member with { Id = who[member.Id] };
    }

    /// <summary>The latest version of the card in the book; where the book has none, the card as it came, archived.</summary>
    private async Task<int> VersionAsync(string json, ArchivedSheet sheet, CancellationToken cancellationToken)
    {
        var card = CardReader.Read(json, sheet.Head.Options).Require();
        var known = await db
            .CardVersions.Where(version => version.CardId == card.Id)
            .OrderByDescending(version => version.Version)
            .FirstOrDefaultAsync(cancellationToken);
        if (known is null)
        {
            known = new CardVersion
            {
                CardId = card.Id,
                Name = card.Name,
                Json = json,
            };
            db.Cards.Add(
                new Card
                {
                    Id = card.Id,
                    Archived = true,
                    Versions = [known],
                }
            );
            await db.SaveChangesAsync(cancellationToken);
        }

        return known.Id;
    }
}
