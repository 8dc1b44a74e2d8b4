using System.Text.Json.Nodes;
using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;

namespace KeepTally.Browser.Tests;

/// <summary>
/// At every change-over of every shipped card with a clock: who the banner and the chips say comes next is who has the turn and
/// stands there once the work begins.
/// </summary>
[Collection("bridge")]
public sealed class WhoIsNextTests
{
    private static readonly string[] Names = ["Ada", "Bea", "Cleo", "Dora", "Esme", "Fay", "Gwen", "Hedy"];

    public static TheoryData<string, int> Stages
    {
        get
        {
            var all = new TheoryData<string, int>();
            foreach (var (id, stage) in WholeBookTests.Stages.Select(each => each.Data))
            {
                var plan = CardReader.Read(Screen.Shipped(id)).Require().Stages[stage].Clock;
                if (plan is { Rounds: > 1 } && plan.Change.TotalSeconds > 0)
                {
                    all.Add(id, stage);
                }
            }

            return all;
        }
    }

    [Theory]
    [MemberData(nameof(Stages))]
    public void What_is_announced_is_what_comes(string id, int stage)
    {
        var text = Screen.Shipped(id);
        var card = CardReader.Read(text).Require();
        var plan = card.Stages[stage].Clock!;
        Open(card, text, stage);
        Screen.Say("start", 0);
        Screen.Look(0);
        var now = plan.CountIn.TotalSeconds;
        for (var round = 1; round < Math.Min(plan.Rounds, 5); round++)
        {
            now += plan.WorkOf(round).TotalSeconds;
            Screen.Look(now + 0.5);
            var told = Screen.View(now + 0.5)["run"]!;
            if ((string)told["clock"]!["state"]! == "over")
            {
                return;
            }

            // The board draws the same: an arrow for each who moves, and for nobody else.
            Assert.Equal(
                told["sheets"]!.AsArray().SelectMany(Movers).Order(),
                Screen
                    .Boards(now + 0.5)
                    .SelectMany(board => board!["bibs"]!.AsArray())
                    .Where(bib => ((string)bib!["arrow"]!).Length > 0)
                    .Select(bib => (string)bib!["name"]!)
                    .Order()
            );
            now = End(now + 0.5);
            Screen.Look(now + 0.2);
            var came = Screen.View(now + 0.2)["run"]!;
            foreach (var (before, after) in told["sheets"]!.AsArray().Zip(came["sheets"]!.AsArray()))
            {
                // What moves by taps alone stays where it is while nobody taps.
                Assert.Equal(Moves(before) ? Next(before) : Here(before), Here(after));
            }

            foreach (var name in Announced((string)told["prompt"]!))
            {
                Assert.Contains(came["sheets"]!.AsArray(), sheet => Turn(sheet) == name);
            }
        }
    }

    /// <summary>When the rest that is under way ends.</summary>
    private static double End(double now)
    {
        for (var step = 0; step < 1200; step++)
        {
            if ((string)Screen.View(now)["run"]!["clock"]!["state"]! is "work" or "over")
            {
                return now;
            }

            now += 0.5;
        }

        throw new InvalidOperationException("The rest never ends.");
    }

    private static string[] Next(JsonNode? sheet) =>
        sheet?["people"] is JsonArray people ? [.. people.Select(each => $"{each!["name"]} {each["next"]}").Order()] : [];

    private static string[] Here(JsonNode? sheet) =>
        sheet?["people"] is JsonArray people ? [.. people.Select(each => $"{each!["name"]} {each["here"]}").Order()] : [];

    private static IEnumerable<string> Movers(JsonNode? sheet) =>
        sheet?["people"] is JsonArray people
            ? people.Where(each => (string)each!["here"]! != (string)each["next"]!).Select(each => (string)each!["name"]!)
            : [];

    private static bool Moves(JsonNode? sheet) =>
        sheet?["people"] is JsonArray people && people.Any(each => (bool)each!["moving"]!);

    /// <summary>Whose turn it is: the others wait.</summary>
    private static string? Turn(JsonNode? sheet) =>
        sheet?["rows"] is JsonArray rows && rows.Any(row => (bool)row!["waits"]!)
            ? rows.Where(row => !(bool)row!["waits"]!).Select(row => (string)row!["name"]!).FirstOrDefault()
            : null;

    private static string[] Announced(string prompt) =>
        prompt.IndexOf(" Then ", StringComparison.Ordinal) is >= 0 and var at
            ? prompt[(at + 6)..].TrimEnd('.').Split([", ", " and "], StringSplitOptions.RemoveEmptyEntries)
            : [];

    private static void Open(DrillCard card, string text, int stage)
    {
        var players = Names
            .Take(Math.Clamp(card.Players.Best * 2, 4, Names.Length))
            .Select(name => new Member(new PlayerId(Screen.Id(name)), name))
            .ToArray();
        var groups = StageDealer
            .Groups(
                card.Stages[stage],
                players,
                2,
                (all, count) => Core.Faults.Result.Ok<IReadOnlyList<IReadOnlyList<Member>>>(Split.Listed(all, count))
            )
            .Require();
        Screen.Open(
            new RunFile(
                card.Name,
                text,
                [
                    .. StageDealer
                        .Sheets(card, stage, groups)
                        .Select((sheet, index) => new SheetFile($"s{index}", sheet.Name, HeadReader.Write(sheet.Head), [])),
                ]
            )
        );
    }
}
