namespace KeepTally.Cli.Tests;

/// <summary><c>tally report</c>, as a user calls it. The figures were counted by hand from the log.</summary>
public sealed class ReportTests : IDisposable
{
    private const string Practice = """
        {"format":"keep-tally/practice@1","title":"Evening","team":"Terns","date":"2026-10-03","start":"17:30","origin":1790000000000,
         "blocks":[{"minutes":3,"changeSeconds":60,
          "card":{"format":"keep-tally/drill@1","id":"steps","name":"Steps","load":{"kind":"throw","per":"attempt"},
           "stages":[{"play":"together","outcomes":[{"id":"make","label":"Make","result":"success","points":1},{"id":"miss","label":"Miss","result":"failure"},{"id":"wide","label":"Wide","result":"failure","points":-2}],
            "ladder":{"rungs":["near","far"],"pass":{"successes":2}},
            "places":[{"id":"shoot","kind":"spot","size":1,"active":true,"scores":true},{"id":"line","kind":"line"}]}]},
          "sheets":[{"name":"","head":{"format":"keep-tally/log@1","drill":"steps","stage":0,"options":{},"units":[{"id":"a","name":"Ada"},{"id":"b","name":"Bea"}]},
           "events":[
            {"device":"x","n":1,"at":1000,"type":"start"},
            {"device":"x","n":2,"at":11000,"type":"tap","unit":"a","outcome":"make"},
            {"device":"x","n":3,"at":21000,"type":"tap","unit":"a","outcome":"wide"},
            {"device":"x","n":4,"at":31000,"type":"tap","unit":"a","outcome":"make"},
            {"device":"x","n":5,"at":41000,"type":"tap","unit":"a","outcome":"miss"},
            {"device":"x","n":6,"at":46000,"type":"freeze","reason":"spacing"},
            {"device":"x","n":7,"at":66000,"type":"resume"},
            {"device":"x","n":8,"at":71000,"type":"note","text":"stand square","unit":"b"},
            {"device":"x","n":9,"at":81000,"type":"end"}]}]}]}
        """;

    private readonly string _file = Path.GetTempFileName();

    public void Dispose() => File.Delete(_file);

    [Fact]
    public void A_practice_is_told_from_its_logs_alone()
    {
        File.WriteAllText(_file, Practice);

        var (exit, output, error) = Tally.Run("report", "--practice", _file);

        Assert.Equal((0, ""), (exit, error));
        string[] told =
        [
            "Evening",
            "Terns, Saturday 3 October 2026",
            "",
            "Ran 1:20; 3:00 was planned for the drills that were started.",
            "Four goes: 50 % made (2 of 4).",
            "Four throws counted for players.",
            "Players were busy for 50 % of the running work.",
            "Teaching stops: spacing once, 0:20; 0:20 in all.",
            "",
            "Steps",
            "  Ran 1:20 of 3:00 planned. Players were busy for 50 % of the running work.",
            "  Four goes: 50 % made (2 of 4).",
            "  Only Ada had a go.",
            "  Errors, the worst first: wide once (2 points), miss once.",
            "  Near: three goes, cleared once (on average 3 goes, 0:30).",
            "  Far: one go, never cleared.",
            "",
            "Players",
            "  Ada: four goes, 2 made; four throws; busy 1:00 of 1:00",
            "  Bea: busy 0:00 of 1:00",
            "",
            "Notes",
            "  Steps, Bea: stand square",
        ];
        Assert.Equal(told, output.TrimEnd().ReplaceLineEndings("\n").Split('\n'));
    }

    [Fact]
    public void What_is_wrong_is_told_with_its_place()
    {
        File.WriteAllText(_file, Practice.Replace("\"at\":41000", "\"at\":-1", StringComparison.Ordinal));

        var (exit, _, error) = Tally.Run("report", "--practice", _file);

        Assert.Equal(2, exit);
        Assert.Contains("blocks[0].sheets[0].events[4].at", error, StringComparison.Ordinal);
    }
}
