using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Core.Places;
using KeepTally.Core.Planning;
using KeepTally.Core.Scoring;

namespace KeepTally.Core.Tests;

/// <summary>The check cases that came with the formats: every one is run.</summary>
public sealed class CheckCases
{
    public static TheoryData<string> Replays => [.. CheckCase.With("log.jsonl")];

    public static TheoryData<string> Plans => [.. CheckCase.With("plan.json")];

    public static TheoryData<string> Rotations => [.. CheckCase.With("ask.json")];

    [Theory]
    [MemberData(nameof(Replays))]
    public void A_log_replays_to_the_sheet_written_beside_it(string name)
    {
        var given = new CheckCase(name);
        var log = LogReader.Read(given.Log).Require();
        var live = Sheet.Open(CardReader.Read(given.Card, log.Head.Options).Require(), log.Head).Require();
        foreach (var (_, runEvent) in log.Events)
        {
            Assert.Null(live.Add(runEvent));
        }

        var replayed = JsonDocument.Parse(ReplayWriter.Write(live.Score.Report(live.Log.LastAt))).RootElement;

        Assert.Null(CheckCase.Difference(given.Expected, replayed));
    }

    [Theory]
    [MemberData(nameof(Rotations))]
    public void Places_move_on_as_written_beside_them(string name)
    {
        var given = new CheckCase(name);
        var stage = CardReader.Read(given.Card).Require().Stages[0];
        var standing = Placement.Fill(stage.Places, Given.Players(given.Ask.GetProperty("players").GetString()!.Split(',')));
        foreach (var expected in given.Expected.EnumerateArray())
        {
            foreach (var place in expected.EnumerateObject())
            {
                Assert.Equal(
                    place.Value.EnumerateArray().Select(player => player.GetString()),
                    standing.At(place.Name).Select(id => id.Value)
                );
            }

            standing = Rotation.Once(standing, stage.Moves, default);
        }
    }

    [Theory]
    [MemberData(nameof(Plans))]
    public void A_timing_sheet_is_worked_out_as_written_beside_it(string name)
    {
        var given = new CheckCase(name);
        var shelf = CardShelf.Of(given.Cards.Select(card => CardReader.Read(card).Require()));
        var report = PlanReport.Of(PlanReader.Read(given.Plan).Require(), shelf);
        var printed = JsonNode.Parse(PlanReportWriter.Write(report, shelf))!;
        foreach (var warning in printed["warnings"]!.AsArray())
        {
            // The words of a warning are the application's own.
            Assert.NotEmpty(warning!["text"]!.GetValue<string>());
            warning.AsObject().Remove("text");
        }

        using var worked = JsonDocument.Parse(printed.ToJsonString());
        Assert.Null(CheckCase.Difference(given.Expected, worked.RootElement));
    }

    [Fact]
    public void No_case_is_passed_over() => Assert.Equal(CheckCase.All.Count(), Replays.Count + Rotations.Count + Plans.Count);
}
