using System.Text.Json;
using KeepTally.Core.Dealing;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Writes what differs between a sheet as it was and as it is to be.</summary>
public sealed class PlanRowWriter(TallyDb db)
{
    /// <summary>
    /// Whether a change of a line changes how it is dealt out or what its clock does, so that once practice runs it is another
    /// line: its tally sheets are made anew.
    /// </summary>
    public static bool IsDealtAnew(PlanBlock before, PlanBlock after) =>
        (before, after) switch
        {
            (PlanBlock.Drill one, PlanBlock.Drill other) => one.Card != other.Card
                || one.Groups != other.Groups
                || one.Stage != other.Stage
                || one.FitsClock != other.FitsClock
                || one.Versus != other.Versus
                || (other.FitsClock && one.Minutes != other.Minutes)
                || !Same(one.Options, other.Options),
            (PlanBlock.Circuit one, PlanBlock.Circuit other) => !one.Stations.SequenceEqual(other.Stations)
                || one.Seconds != other.Seconds
                || one.WorkSeconds != other.WorkSeconds
                || one.GroupCount != other.GroupCount
                || one.Reverse != other.Reverse
                || one.CoachesMove != other.CoachesMove,
            (PlanBlock.Break one, PlanBlock.Break other) => one.Name != other.Name || one.Minutes != other.Minutes,
            (PlanBlock.Talk one, PlanBlock.Talk other) => one.Name != other.Name || one.Minutes != other.Minutes,
            _ => true,
        };

    /// <summary>Writes it; the version of the sheet then, or why it could not be written.</summary>
    internal async Task<Result<int>> WriteAsync(OpenPlan open, Plan plan, CancellationToken cancellationToken)
    {
        if (FaultOf(plan) is { } fault)
        {
            return fault;
        }

        var practice = await db
            .Practices.Include(each => each.Blocks.Where(block => !block.Dropped))
                .ThenInclude(block => block.Circuit!.Stations)
            .Include(each => each.Blocks)
                .ThenInclude(block => block.Run)
            .SingleAsync(each => each.Id == open.Practice.Id, cancellationToken);
        WriteHead(practice, open.Plan, plan);
        var written = await WriteLinesAsync(practice, open.Plan, plan, cancellationToken);
        if (!written.IsOk)
        {
            return Result.Fail<int>(written.Faults);
        }

        practice.SheetVersion++;
        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok(practice.SheetVersion);
    }

    private static Fault? FaultOf(Plan plan) =>
        plan.Blocks.Count > PlanReader.MostBlocks
            ? new Fault("blocks", $"a sheet has {PlanReader.MostBlocks} lines at most", "take some off first")
        : plan.Blocks.OfType<PlanBlock.Circuit>().FirstOrDefault(circuit => !circuit.HasWork) is { } walked
            ? new Fault(
                "changeSeconds",
                "the walks take all of the time at the stations",
                $"write fewer than {walked.MinutesEach * 60:0} seconds, or more minutes at each station"
            )
        : null;

    /// <summary>Lines that stay are changed where they stand, new ones are made, and those that are not there any more go.</summary>
    private async Task<Result<Done>> WriteLinesAsync(Practice practice, Plan before, Plan plan, CancellationToken cancellationToken)
    {
        var was = before.Blocks.ToDictionary(block => block.Key!.Value);
        var rows = practice.Blocks.Where(block => !block.Dropped).ToDictionary(block => block.Id);
        var order = 0;
        var kept = new HashSet<int>();
        foreach (var line in plan.Blocks)
        {
            var known = line.Key is { } key && rows.TryGetValue(key, out var found) && was.ContainsKey(key) ? found : null;
            if (known is not null && (!IsDealtAnew(was[known.Id], line) || CanUpdate(known, was[known.Id], line)))
            {
                kept.Add(known.Id);
                Update(known, was[known.Id], line);
                known.Order = order++;
                continue;
            }

            var made = await MakeAsync(line, cancellationToken);
            if (!made.IsOk)
            {
                return Result.Fail<Done>(made.Faults);
            }

            foreach (var block in made.Value)
            {
                block.Order = order++;
                practice.Blocks.Add(block);
            }
        }

        // What another coach has put in since the sheet was opened is none of this edit: it stays, at the end.
        foreach (var other in rows.Values.Where(row => !was.ContainsKey(row.Id)).OrderBy(row => row.Order))
        {
            other.Order = order++;
        }

        Remove(rows.Values.Where(row => was.ContainsKey(row.Id) && !kept.Contains(row.Id)));
        return Result.Ok();
    }

    /// <summary>What was run already is kept, out of the sheet.</summary>
    private void Remove(IEnumerable<Block> lines)
    {
        foreach (var gone in lines)
        {
            if (gone.Run is null)
            {
                db.Blocks.Remove(gone);
            }
            else
            {
                gone.Dropped = true;
            }
        }
    }

    private static void WriteHead(Practice practice, Plan before, Plan plan)
    {
        practice.Title = plan.Title;
        practice.Date = plan.Date ?? practice.Date;
        practice.Start = plan.Start;
        practice.Place = plan.Place;
        practice.Minutes = (int)Math.Ceiling(plan.Minutes);
        practice.Coaches = plan.Coaches;
        practice.Age = plan.Age == before.Age ? practice.Age : plan.Age;
        practice.LongestDrill = plan.Caps.DrillMinutes;
        practice.LongestWait = plan.Caps.WaitSeconds;
        practice.LargestGroup = plan.Caps.GroupSize;
        practice.Reserve = string.Join('\n', plan.Reserve.Distinct());
        if (plan.Equipment is not { } things || before.Equipment is not { } old)
        {
            return;
        }

        var borrowed = new SortedDictionary<string, int>(
            PlanRows.Borrowed(practice).ToDictionary(each => each.Key, each => each.Value),
            StringComparer.Ordinal
        );
        foreach (var (item, count) in things)
        {
            borrowed[item] = borrowed.GetValueOrDefault(item) + count - old.GetValueOrDefault(item);
            if (borrowed[item] <= 0)
            {
                borrowed.Remove(item);
            }
        }

        practice.BroughtJson = JsonSerializer.Serialize(borrowed);
    }

    /// <summary>A line that was not dealt out yet is changed where it stands, as long as it is of the same cards.</summary>
    private static bool CanUpdate(Block row, PlanBlock before, PlanBlock line) =>
        row.Run is null
        && before.GetType() == line.GetType()
        && before.Cards.SequenceEqual(line.Cards)
        && (before as PlanBlock.Drill)?.Stage == (line as PlanBlock.Drill)?.Stage;

    private static void Update(Block row, PlanBlock before, PlanBlock line)
    {
        row.ChangeSeconds = (int)line.ChangeSeconds;
        row.Takes = string.Join('\n', line.Takes);
        switch (line)
        {
            case PlanBlock.Drill drill:
                row.Minutes = drill.Minutes;
                row.FitsClock = drill.FitsClock;
                row.Versus = drill.Versus;
                row.OptionsJson = ChosenRules.Write(drill.Options);
                if (drill.Groups != ((PlanBlock.Drill)before).Groups)
                {
                    (row.Groups, row.GroupsBy, row.ByHandJson) = (drill.Groups, GroupsBy.Number, "");
                }

                break;
            case PlanBlock.Circuit circuit:
                Update(row.Circuit!, circuit);
                row.Minutes = circuit.Seconds / 60;
                if (circuit.GroupCount != row.Groups)
                {
                    (row.Groups, row.GroupsBy, row.ByHandJson) = (circuit.GroupCount, GroupsBy.Number, "");
                }

                break;
            case PlanBlock.Break rest:
                (row.PauseName, row.Minutes) = (rest.Name, rest.Minutes);
                break;
            case PlanBlock.Talk talk:
                (row.PauseName, row.Minutes) = (talk.Name, talk.Minutes);
                break;
            default:
                throw new InvalidOperationException("A line no sheet knows.");
        }
    }

    private static void Update(CircuitBlock row, PlanBlock.Circuit circuit)
    {
        row.MinutesEach = circuit.MinutesEach;
        row.ChangeSeconds = (int)circuit.BetweenSeconds;
        row.ChangeInside = circuit.ChangeInside;
        row.Reverse = circuit.Reverse;
        row.CoachesMove = circuit.CoachesMove;
    }

    /// <summary>The rows of a new line: one, or for a whole card of several parts one for each part.</summary>
    private async Task<Result<IReadOnlyList<Block>>> MakeAsync(PlanBlock line, CancellationToken cancellationToken)
    {
        switch (line)
        {
            case PlanBlock.Drill drill:
                return await MakeAsync(drill, cancellationToken);
            case PlanBlock.Circuit circuit:
                return await MakeAsync(circuit, cancellationToken);
            case PlanBlock.Break rest:
                return Result.Ok<IReadOnlyList<Block>>([MakePause(Pause.Break, rest.Name, rest)]);
            case PlanBlock.Talk talk:
                return Result.Ok<IReadOnlyList<Block>>([MakePause(Pause.Talk, talk.Name, talk)]);
            default:
                throw new InvalidOperationException("A line no sheet knows.");
        }
    }

    private static Block MakePause(Pause pause, string name, PlanBlock line) =>
        new()
        {
            Pause = pause,
            PauseName = name,
            Minutes = line.Seconds / 60,
            ChangeSeconds = (int)line.ChangeSeconds,
            Takes = string.Join('\n', line.Takes),
        };

    private async Task<Result<IReadOnlyList<Block>>> MakeAsync(PlanBlock.Drill drill, CancellationToken cancellationToken)
    {
        var found = await NewestAsync(drill.Card, cancellationToken);
        if (!found.IsOk)
        {
            return Result.Fail<IReadOnlyList<Block>>(found.Faults);
        }

        var read = CardReader.Read(found.Value.Json, drill.Options);
        if (!read.IsOk)
        {
            return Result.Fail<IReadOnlyList<Block>>(read.Faults[0].For("the card does not read with these house rules"));
        }

        var card = read.Value;
        int[] stages = drill.Stage is { } one && one < card.Stages.Count ? [one] : [.. Enumerable.Range(0, card.Stages.Count)];
        if (stages.Select(stage => StageDealer.Unfit(card, stage)).FirstOrDefault(fault => fault is not null) is { } why)
        {
            return Result.Fail<IReadOnlyList<Block>>(why.For($"{card.Name} cannot be run yet"));
        }

        return Result.Ok<IReadOnlyList<Block>>([
            .. stages.Select(
                (stage, index) =>
                    new Block
                    {
                        CardVersionId = found.Value.Id,
                        Stage = stage,
                        Part = card.Stages.Count > 1 ? card.Stages[stage].Name : "",
                        Minutes = Math.Round(drill.Minutes / stages.Length, 1),
                        FitsClock = drill.FitsClock,
                        Versus = drill.Versus,
                        Groups = drill.Groups,
                        ChangeSeconds = (int)drill.ChangeSeconds,
                        Takes = string.Join('\n', drill.Takes),
                        OptionsJson = ChosenRules.Write(drill.Options),
                    }
            ),
        ]);
    }

    private async Task<Result<IReadOnlyList<Block>>> MakeAsync(PlanBlock.Circuit line, CancellationToken cancellationToken)
    {
        var stations = new List<Station>();
        foreach (var (order, id) in line.Stations.Index())
        {
            var found = await NewestAsync(id, cancellationToken);
            if (!found.IsOk)
            {
                return Result.Fail<IReadOnlyList<Block>>(found.Faults[0].For($"station {order + 1}"));
            }

            var read = CardReader.Read(found.Value.Json);
            if (!read.IsOk)
            {
                return Result.Fail<IReadOnlyList<Block>>(
                    read.Faults[0].For($"station {order + 1}, {found.Value.Name}: the card cannot be read")
                );
            }

            if (StageDealer.Unfit(read.Value, 0) is { } unfit)
            {
                return Result.Fail<IReadOnlyList<Block>>(unfit.For($"station {order + 1}, {found.Value.Name}, cannot be run yet"));
            }

            stations.Add(new Station { Order = order, CardVersionId = found.Value.Id });
        }

        var circuit = new CircuitBlock { Stations = stations };
        Update(circuit, line);
        return Result.Ok<IReadOnlyList<Block>>([
            new Block
            {
                CardVersionId = stations[0].CardVersionId,
                Circuit = circuit,
                Minutes = line.Seconds / 60,
                Groups = line.GroupCount,
                ChangeSeconds = (int)line.ChangeSeconds,
                Takes = string.Join('\n', line.Takes),
            },
        ]);
    }

    private async Task<Result<CardVersion>> NewestAsync(string card, CancellationToken cancellationToken) =>
        await db
            .CardVersions.AsNoTracking()
            .Where(version => version.CardId == card)
            .OrderByDescending(version => version.Version)
            .FirstOrDefaultAsync(cancellationToken)
            is { } version
            ? Result.Ok(version)
            : Result.Fail<CardVersion>(new Fault("drill", $"there is no drill \"{card}\" in the book", "choose another"));

    private static bool Same(IReadOnlyDictionary<string, string> one, IReadOnlyDictionary<string, string> other) =>
        one.Count == other.Count && one.All(each => other.GetValueOrDefault(each.Key) == each.Value);
}
