using System.Text.Json;
using KeepTally.Core.Cards;
using KeepTally.Core.Groups;
using KeepTally.Core.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Planning;

/// <summary>Reads the sheet of a practice from its rows.</summary>
public static class PlanRows
{
    private const string Ball = "ball";

    /// <summary>A practice as a sheet.</summary>
    /// <param name="practice">The practice.</param>
    /// <param name="squad">Everyone of the team.</param>
    /// <param name="gear">What the club has.</param>
    /// <param name="shelf">Finds the cards, where groups follow from them.</param>
    public static Plan Of(Practice practice, IReadOnlyList<Player> squad, IReadOnlyList<Gear> gear, CardShelf shelf)
    {
        var absent = PracticeBook.Absent(practice);
        var here = squad.Count(player => !absent.Contains(player.Id));
        return new Plan
        {
            Title = practice.Title,
            Date = practice.Date,
            Start = practice.Start,
            Place = practice.Place,
            Minutes = practice.Minutes,
            Players = here,
            Coaches = practice.Coaches,
            Age = practice.Age ?? AgeOf(practice.Date.Year, squad),
            Equipment = EquipmentOf(practice, gear),
            Caps = new Caps(practice.LongestDrill, practice.LongestWait, practice.LargestGroup),
            Blocks = [.. practice.Blocks.OrderBy(block => block.Order).Select(block => Of(block, practice, here, shelf))],
            Reserve = Lines(practice.Reserve),
        };
    }

    /// <summary>Names or ids as they are stored, one a line.</summary>
    public static IReadOnlyList<string> Lines(string text) =>
        text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);

    /// <summary>The borrowed equipment of a practice, by item.</summary>
    public static IReadOnlyDictionary<string, int> Borrowed(Practice practice) =>
        JsonSerializer.Deserialize<Dictionary<string, int>>(practice.BroughtJson)!;

    /// <summary>How old most of a squad turn in a year; null where no year of birth is known.</summary>
    private static int? AgeOf(int year, IReadOnlyList<Player> squad)
    {
        int[] born = [.. squad.Select(player => player.BirthYear).OfType<int>().Order()];
        return born.Length == 0 || year <= born[born.Length / 2] ? null : year - born[born.Length / 2];
    }

    /// <summary>The equipment of the club with the borrowed; null where the club's equipment is not recorded.</summary>
    private static Dictionary<string, int>? EquipmentOf(Practice practice, IReadOnlyList<Gear> gear)
    {
        if (gear.Count == 0)
        {
            return null;
        }

        var things = gear.ToDictionary(each => each.Item, each => each.Count, StringComparer.Ordinal);
        if (practice.Balls is { } balls)
        {
            things[Ball] = balls;
        }

        foreach (var (item, more) in Borrowed(practice))
        {
            things[item] = things.GetValueOrDefault(item) + more;
        }

        return things;
    }

    private static PlanBlock Of(Block block, Practice practice, int here, CardShelf shelf)
    {
        PlanBlock line = block switch
        {
            { Pause: Pause.Break } => new PlanBlock.Break(block.PauseName, block.Minutes),
            { Pause: Pause.Talk } => new PlanBlock.Talk(block.PauseName, block.Minutes),
            { Circuit: { } circuit } => new PlanBlock.Circuit(
                [.. circuit.Stations.OrderBy(station => station.Order).Select(station => station.CardVersion!.CardId)],
                circuit.MinutesEach,
                block.Groups
            )
            {
                BetweenSeconds = circuit.ChangeSeconds,
                ChangeInside = circuit.ChangeInside,
                Reverse = circuit.Reverse,
                CoachesMove = circuit.CoachesMove,
            },
            _ => new PlanBlock.Drill(block.CardVersion!.CardId, block.Minutes, 1)
            {
                Stage = block.Part.Length > 0 ? block.Stage : null,
                Options = ChosenRules.Of(block),
                FitsClock = block.FitsClock,
                Versus = block.Versus,
            },
        };
        if (line is PlanBlock.Drill drill)
        {
            line = drill with { Groups = GroupsOf(block, shelf.Find(drill), here, practice) };
        }

        return line with
        {
            Key = block.Id,
            ChangeSeconds = block.ChangeSeconds,
            Takes = Lines(block.Takes),
        };
    }

    /// <summary>How many groups a drill falls into with who is here.</summary>
    internal static int GroupsOf(Block block, DrillCard? card, int here, Practice practice) =>
        block.GroupsBy switch
        {
            GroupsBy.Number => Math.Clamp(block.Groups, 1, PlanReader.MostGroups),
            GroupsBy.Size => GroupCount.OfSize(here, block.Groups),
            GroupsBy.Most when card is not null => GroupCount
                .Most(card, here, new Resources(practice.Balls, practice.Courts, practice.Coaches))
                .Groups,
            _ => 1,
        };
}
