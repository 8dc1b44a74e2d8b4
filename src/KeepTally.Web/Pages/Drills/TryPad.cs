using System.Text.Json;
using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Web.Pages.Run;

namespace KeepTally.Web.Pages.Drills;

/// <summary>A stage of a card on the pad of the run screen, with made-up players: nothing tapped there is kept.</summary>
/// <param name="Pad">The pad.</param>
/// <param name="PracticeJson">The practice for the core in the browser.</param>
/// <param name="Stage">The position of the stage on the card, from 0.</param>
/// <param name="Players">The number of made-up players.</param>
public sealed record TryPad(DrillPad Pad, string PracticeJson, int Stage, int Players)
{
    private static readonly string[] Names =
    [
        "Wren",
        "Tarn",
        "Sorrel",
        "Bryn",
        "Lark",
        "Fern",
        "Rowan",
        "Piper",
        "Isla",
        "Jory",
        "Mabel",
        "Orla",
    ];

    private static readonly JsonSerializerOptions Camel = new(JsonSerializerDefaults.Web);

    /// <param name="card">The drill card.</param>
    /// <param name="json">The text of the card.</param>
    /// <param name="stage">The position of the stage on the card, from 0.</param>
    /// <param name="players">How many made-up players; as many as the card likes best where that is 0.</param>
    public static TryPad Of(DrillCard card, string json, int stage, int players)
    {
        stage = Math.Clamp(stage, 0, card.Stages.Count - 1);
        var count = Math.Clamp(players > 0 ? players : card.Players.Best, 1, Names.Length);
        var rules = card.Stages[stage];
        var made = Names.Take(count).Select((name, index) => new Member(new PlayerId($"p{index + 1}"), name)).ToArray();
        var (name, head) = StageDealer.Deal(card, stage, made, GroupsOf(rules, count))[0];
        var live = Sheet.Open(card, head).Require();
        var pad = DrillPad.Of(0, $"{card.Name}: {rules.Name}", card.Minutes, [new RunSheet(new SheetId("try"), "", live)]) with
        {
            IsTried = true,
        };
        return new TryPad(
            pad,
            JsonSerializer.Serialize(
                new
                {
                    Runs = new[]
                    {
                        new
                        {
                            card.Name,
                            Card = json,
                            Sheets = new[]
                            {
                                new
                                {
                                    Id = "try",
                                    Name = name,
                                    Head = HeadReader.Write(head),
                                    Events = Array.Empty<string>(),
                                },
                            },
                        },
                    },
                },
                Camel
            ),
            stage,
            count
        );
    }

    /// <summary>Where groups score, two of them are enough to see who leads.</summary>
    private static int GroupsOf(Stage stage, int players) => stage.Scores is Scorer.Group ? Math.Min(2, players) : 1;
}
