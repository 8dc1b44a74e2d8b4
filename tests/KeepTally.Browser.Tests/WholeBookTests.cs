using System.Globalization;
using System.Text.Json.Nodes;
using KeepTally.Core.Cards;
using KeepTally.Core.Chance;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Browser.Tests;

/// <summary>
/// Every shipped card is run once through the bridge with stand-in taps, and what the pad and the board say is held against a
/// replay of the very events that came out of it.
/// </summary>
[Collection("bridge")]
public sealed class WholeBookTests
{
    private static readonly string[] Names =
    [
        "Ada Fenwick",
        "Bea Marlowe",
        "Cleo Hart",
        "Dora Quill",
        "Esme Thorn",
        "Fay Ives",
        "Gwen Pike",
        "Hedy Lorne",
        "Iris Vale",
        "Juno Stead",
        "Kit Rowan",
        "Lena Moss",
        "Mina Crewe",
        "Nell Crane",
        "Orla Dunn",
        "Pia Holm",
    ];

    public static TheoryData<string, int> Stages
    {
        get
        {
            var all = new TheoryData<string, int>();
            foreach (var file in Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "shipped")).Order())
            {
                var card = CardReader.Read(File.ReadAllText(file)).Require();
                for (var stage = 0; stage < card.Stages.Count; stage++)
                {
                    all.Add(card.Id, stage);
                }
            }

            return all;
        }
    }

    [Theory]
    [MemberData(nameof(Stages))]
    public void What_the_screen_says_is_what_happened(string id, int stage)
    {
        var walk = new Walk(id, stage);
        walk.Run();
        Assert.True(walk.Taps > 0 || walk.Stage.Outcomes.Count == 0, "nothing could be tapped");
    }

    /// <summary>One run of a stage by a stand-in thumb.</summary>
    private sealed class Walk
    {
        private readonly SeededDraw _draw;
        private readonly LivePractice _replay;
        private readonly DealtSheet[] _sheets;
        private double _now;

        internal Walk(string id, int stage)
        {
            var text = Screen.Shipped(id);
            var card = CardReader.Read(text).Require();
            Stage = card.Stages[stage];
            _draw = new SeededDraw(id.Length + stage, 7);
            var players = Names.Take(Math.Min(Names.Length, Math.Max(card.Players.Best, 2) * 2)).Select(Member).ToArray();
            var groups = StageDealer
                .Groups(
                    Stage,
                    players,
                    2,
                    (all, count) => Core.Faults.Result.Ok<IReadOnlyList<IReadOnlyList<Member>>>(Split.Listed(all, count))
                )
                .Require();
            _sheets = [.. StageDealer.Sheets(card, stage, groups)];
            Screen.Open(
                new RunFile(
                    card.Name,
                    text,
                    [.. _sheets.Select((sheet, index) => new SheetFile($"s{index}", sheet.Name, HeadReader.Write(sheet.Head), []))]
                )
            );
            _replay = new LivePractice(
                new DeviceId("replay"),
                [
                    new LiveRun(
                        card.Name,
                        [
                            .. _sheets.Select(
                                (sheet, index) =>
                                    new RunSheet(new SheetId($"s{index}"), sheet.Name, Sheet.Open(card, sheet.Head).Require())
                            ),
                        ]
                    ),
                ]
            );
        }

        internal Stage Stage { get; }

        internal int Taps { get; private set; }

        private static Member Member(string name) => new(new PlayerId(Screen.Id(name)), name);

        private Instant Now => new((long)(_now * 1000));

        private LiveRun Replayed => _replay.Runs[0];

        internal void Run()
        {
            Look();
            Hear(Screen.Say("start", _now));
            var length = Stage.Clock is { } clock ? clock.Total.TotalSeconds + 5 : 240;
            var pace = Math.Max(1.5, length / 90);
            string? gone = null;
            while (_now < length && !Replayed.IsDone(Now))
            {
                _now += pace;
                Look();
                gone ??= _now > length / 3 ? Leave() : null;
                if (gone is { Length: > 0 } && _now > 2 * length / 3)
                {
                    Hear(Screen.Change(null, gone, _now));
                    gone = "";
                }

                for (var sheet = 0; sheet < _sheets.Length; sheet++)
                {
                    _now += 0.05;
                    Touch(sheet);
                }

                if (Stage.Moves.Count > 0 && Stage.Rotate?.On == Core.Places.RotateTrigger.Manual && _draw.Below(6) == 0)
                {
                    Hear(Screen.Say("rotate", _now));
                }

                Look();
            }

            PlayAgain();
            Hear(Screen.Say("end", _now));
            Assert.True(Replayed.IsEnded);
        }

        /// <summary>What is played out is played again for a while, as the pad offers it.</summary>
        private void PlayAgain()
        {
            _now += 1;
            for (var index = 0; index < _sheets.Length; index++)
            {
                var again = Screen.Sheet(index, _now)["again"];
                var sheet = Replayed.Sheets[index];
                Assert.Equal(AgainWays.Of(Replayed, sheet, Now).Same, again is not null);
                if (again is not null)
                {
                    Hear(Screen.Heard(Bridge.Again($"s{index}", (bool)again["ends"]!, (bool)again["moves"]!, _now * 1000)));
                }
            }

            for (var step = 0; step < 12; step++)
            {
                _now += 3;
                Look();
                for (var index = 0; index < _sheets.Length; index++)
                {
                    _now += 0.05;
                    Touch(index);
                }
            }
        }

        /// <summary>A player limps off; anyone who it was.</summary>
        private string Leave()
        {
            var on = Replayed.Sheets[0].Sheet.Score.Roster.Everyone.ToArray();
            var name = Replayed.NameOf(on[_draw.Below(on.Length)]);
            Hear(Screen.Change(name, null, _now));
            return name;
        }

        private void Hear(JsonNode said)
        {
            foreach (var made in said["events"]!.AsArray())
            {
                var read = EventReader.Read((string)made!["line"]!).Require();
                Assert.Null(_replay.Receive(new SheetId((string)made["sheet"]!), read));
            }
        }

        /// <summary>A thumb on one of the rows that are open, at anything it offers.</summary>
        private void Touch(int index)
        {
            var rows = Screen.Sheet(index, _now)["rows"]!.AsArray().Where(row => row!["unit"] is not null && !(bool)row["done"]!);
            var open = rows.Where(row => !(bool)row!["waits"]!).ToArray();
            if (open.Length == 0 || Stage.Outcomes.Count == 0)
            {
                return;
            }

            var row = open[_draw.Below(open.Length)]!;
            var withheld = ((string)row["withheld"]!).Split('\n');
            var outcomes = Stage.Outcomes.Where(outcome => !withheld.Contains(outcome.Id)).ToArray();
            if (outcomes.Length == 0)
            {
                return;
            }

            var outcome = outcomes[_draw.Below(outcomes.Length)];
            var zone = Stage.Targets is { } targets ? targets.Names[(int)_draw.Below(targets.Names.Count)] : null;
            var unit = new PlayerId((string)row["unit"]!);
            var sheet = Replayed.Sheets[index].Sheet;
            var before = sheet.ReportAt(Now).Units.Single(each => each.Id == unit);
            var said = Screen.Heard(
                Bridge.Tap(
                    $"s{index}",
                    unit.Value,
                    zone is null ? outcome.Id : null,
                    zone,
                    TagsOf(),
                    outcome.Reading is null ? double.NaN : 5 + _draw.Below(20),
                    outcome.Reading == "s" ? "2.5,2.75" : "",
                    double.NaN,
                    _now * 1000
                )
            );
            Assert.Null((string?)said["refused"]);
            Taps++;
            Hear(said);
            var result = sheet.ResultOf(sheet.Log.Events[^1].Id)!.Value;
            Said((string)said["why"]!);
            if (Phrase.Capital((string)said["why"]!).Contains("does not count", StringComparison.Ordinal))
            {
                Assert.True(result.Kind is EventResultKind.Late or EventResultKind.Void, (string)said["why"]!);
                var after = sheet.ReportAt(sheet.Log.LastAt).Units.Single(each => each.Id == unit);
                Assert.Equal(before.Points, after.Points);
            }

            // A line of the pad does not change hands without a word.
            var now = Screen.Sheet(index, _now)["rows"]!
                .AsArray()
                .Select(each => (string?)each!["unit"])
                .OfType<string>()
                .ToArray();
            if (now.Length > 0 && !now.Contains(unit.Value) && !Replayed.Sheets[index].Sheet.Score.IsDoneAt(Now))
            {
                Assert.EndsWith("next.", (string)said["why"]!, StringComparison.Ordinal);
            }

            var top = Screen.View(_now)["run"]!["taps"]![0]!;
            Assert.Contains(sheet.CallNameOf(unit), (string)top["text"]!, StringComparison.Ordinal);
        }

        private string TagsOf() =>
            Stage.Tags.Count == 0
                ? ""
                : new JsonObject(
                    Stage.Tags.Select(tag =>
                        KeyValuePair.Create(tag.Id, (JsonNode?)tag.Values[(int)_draw.Below(tag.Values.Count)].Key)
                    )
                ).ToJsonString();

        /// <summary>Everything on the screen, held against the replay.</summary>
        private void Look()
        {
            foreach (var due in Screen.Due(_now))
            {
                var read = EventReader.Read((string)due!["line"]!).Require();
                Assert.Null(_replay.Receive(new SheetId((string)due["sheet"]!), read));
            }

            var view = Screen.View(_now)["run"]!;
            Said((string)view["prompt"]!);
            for (var index = 0; index < _sheets.Length; index++)
            {
                Held(view["sheets"]![index]!, Replayed.Sheets[index].Sheet);
            }

            foreach (var (board, each) in Screen.Boards(_now).Zip(Replayed.OpenAt(Now)))
            {
                Assert.Equal(
                    each.Sheet.Score.Roster.Everyone.Select(player => player.Value).Order(),
                    board!["bibs"]!.AsArray().Select(bib => (string)bib!["id"]!).Order()
                );
            }
        }

        private void Held(JsonNode pad, Sheet sheet)
        {
            var report = sheet.ReportAt(Now);
            Assert.Equal(report.Done, (bool)pad["done"]!);
            Said((string)pad["result"]!);
            if (report.Done)
            {
                Assert.Equal(VerdictWords.Of(sheet.VerdictAt(Now)), (string)pad["result"]!);
            }

            if (report is { Done: true, Winner: { } winner, Units.Count: > 1, Earlier.Count: 0 })
            {
                Assert.StartsWith(sheet.Head.NameOf(winner), (string)pad["result"]!, StringComparison.Ordinal);
            }

            foreach (var row in pad["rows"]!.AsArray())
            {
                if (row!["unit"] is not { } id)
                {
                    continue;
                }

                var unit = report.Units.Single(each => each.Id.Value == (string)id!);
                Assert.Equal(sheet.Head.NameOf(unit.Id), (string)row["name"]!);
                Assert.Equal(unit.Done, (bool)row["done"]!);
                Assert.Equal(report.Turn is { } turn && turn != unit.Id, (bool)row["waits"]!);
                var first = Stage.Measures[0].By;
                var figure = first.IsCount || first.IsReading ? unit.Value(first) : unit.Points;
                Assert.Equal(
                    figure is { } value ? value.ToString("0.##", CultureInfo.InvariantCulture) : "–",
                    (string)row["score"]!
                );
                if ((bool)row["last"]!)
                {
                    Assert.False(unit.Done);
                }
            }

            var standing = pad["people"]!.AsArray().Select(person => (string)person!["name"]!).ToArray();
            Assert.Equal(standing.Length, standing.Distinct().Count());
        }

        /// <summary>Words a coach can read: no gaps, no doubled words, no "an one", and an end to every sentence.</summary>
        private static void Said(string words)
        {
            Assert.DoesNotContain("  ", words, StringComparison.Ordinal);
            Assert.DoesNotMatch(@"\b(\w+) \1\b", words);
            Assert.DoesNotMatch(@"\ban? (one|\d|an?)\b", words);
            Assert.DoesNotMatch(@"\b1 for a[n]? one\b", words);
            Assert.DoesNotMatch(@"[{}\[\]]", words);
        }
    }
}
