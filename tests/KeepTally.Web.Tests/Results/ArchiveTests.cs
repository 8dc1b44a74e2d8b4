using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using KeepTally.Core.Archive;
using KeepTally.Core.Reports;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Results;

/// <summary>A practice goes out whole, with its logs, and in again; what is told of it is worked out from them.</summary>
public sealed class ArchiveTests(PastPageTests.Club club) : IClassFixture<PastPageTests.Club>
{
    [Fact]
    public async Task A_result_corrected_exported_imported_and_replayed_gives_the_same_figures()
    {
        var (id, _) = await club.RunOfAsync("clean-or-not");
        await CorrectAsync(id);
        var visitor = club.Home.Visit();
        var text = await visitor.Http.GetStringAsync(new Uri($"/results/{id}?handler=Json", UriKind.Relative));
        var archive = ArchiveReader.Read(text).Require();
        var here = await ReportAsync(id);
        Assert.Contains(here.Drills, drill => drill.PutRight.Count > 0);

        // Replayed from the file alone.
        var alone = PracticeReport.Of(archive.Title, archive.Team, archive.Date, archive.Kept());
        Assert.Equal(ReportText.Of(here), ReportText.Of(alone));
        Assert.Equal(text, ArchiveWriter.Write(archive));

        // Imported for another team, where nobody is known yet.
        var other = await club.Home.WithAsync<TallyDb, Team>(db => db.Teams.SingleAsync(team => team.Name.Contains("hockey")));
        using var taken = await BringAsync(other.Id, text);
        Assert.Equal(HttpStatusCode.Redirect, taken.StatusCode);
        var there = await ReportAsync(int.Parse(taken.Headers.Location!.OriginalString.Split('/')[^1], null));
        Assert.Equal(other.Name, there.Team);
        Assert.Equal(ReportText.Of(here).Skip(2), ReportText.Of(there).Skip(2));
        Assert.Equal(here.Drills.SelectMany(drill => drill.PutRight), there.Drills.SelectMany(drill => drill.PutRight));

        using var again = await BringAsync(other.Id, text);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, again.StatusCode);
        Assert.Contains("is here already", await again.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_file_that_is_sent_several_times_at_once_is_taken_once_and_leaves_nothing_of_the_others()
    {
        var (id, _) = await club.RunOfAsync("minute-trios");
        var file = JsonNode.Parse(
            await club.Home.Visit().Http.GetStringAsync(new Uri($"/results/{id}?handler=Json", UriKind.Relative))
        )!;
        file["title"] = "Sent four times";

        var answers = await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => BringAsync(1, file.ToJsonString())));

        Assert.Single(answers, answer => answer.StatusCode == HttpStatusCode.Redirect);
        Assert.Equal(3, answers.Count(answer => answer.StatusCode == HttpStatusCode.UnprocessableEntity));
        Array.ForEach(answers, answer => answer.Dispose());
        Assert.Equal(
            0,
            await club.Home.WithAsync<TallyDb, int>(db =>
                db.Events.CountAsync(row => !db.Sheets.Any(sheet => sheet.Id == row.SheetId))
            )
        );
    }

    [Fact]
    public async Task Two_of_one_name_stay_two()
    {
        var (id, _) = await club.RunOfAsync("minute-trios");
        var text = await club.Home.Visit().Http.GetStringAsync(new Uri($"/results/{id}?handler=Json", UriKind.Relative));
        var team = await club.Home.WithAsync<TallyDb, Team>(db => db.Teams.SingleAsync(each => each.Name.Contains("under-16")));
        using var taken = await BringAsync(team.Id, text.Replace("Bea Marlowe", "Dora Quill", StringComparison.Ordinal));
        var there = await ReportAsync(int.Parse(taken.Headers.Location!.OriginalString.Split('/')[^1], null));
        var here = await ReportAsync(id);

        Assert.Equal(2, there.Players.Count(player => player.Name == "Dora Quill"));
        Assert.Equal(
            here.Players.Select(player => player.Own).OrderBy(own => own.Of).ThenBy(own => own.Made),
            there.Players.Select(player => player.Own).OrderBy(own => own.Of).ThenBy(own => own.Made)
        );
    }

    [Theory]
    [InlineData("\"name\":\"A\",\"head\"", "\"name\":\"A\",\"round\":1,\"station\":0,\"group\":0,\"head\"", "circuit has stations")]
    [InlineData("\"type\":\"tap\"", "\"type\":\"tip\"", "no type of event")]
    [InlineData("\"format\":\"keep-tally/practice@1\"", "\"format\":\"keep-tally/plan@1\"", "not a whole practice")]
    [InlineData("\"outcome\":\"miss\"", "\"outcome\":\"mess\"", "outcome")]
    public async Task What_does_not_read_is_told_with_its_place_and_nothing_is_taken(string right, string wrong, string words)
    {
        var (id, _) = await club.RunOfAsync("clean-or-not");
        var text = await club.Home.Visit().Http.GetStringAsync(new Uri($"/results/{id}?handler=Json", UriKind.Relative));
        var at = text.IndexOf(right, StringComparison.Ordinal);
        var practices = await CountAsync();

        using var answer = await BringAsync(1, text[..at] + wrong + text[(at + right.Length)..]);

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(words, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(practices, await CountAsync());
    }

    [Fact]
    public async Task The_report_adds_up_to_the_results()
    {
        var (id, _) = await club.RunOfAsync("three-gates");
        var report = await ReportAsync(id);
        var page = (await club.Home.Visit().OpenAsync($"/results/{id}/report")).QuerySelector("main")!.TextContent;

        Assert.All(report.Players, player => Assert.Contains(player.Name, page, StringComparison.Ordinal));
        Assert.Contains($"made ({report.Goes.Made} of {report.Goes.Of})", page, StringComparison.Ordinal);
        // Goes of players, and of no side, are a player's own.
        Assert.Equal(
            report.Drills.Where(drill => drill.Stage.Scores == Core.Cards.Scorer.Player).Sum(drill => drill.Goes.Of),
            report.Players.Sum(player => player.Own.Of)
        );
        // Every go at a ladder is a go at one of its steps, and steps cleared are what players cleared.
        var gates = report.Drills.Single(drill => drill.Card.Id == "three-gates");
        Assert.Equal(gates.Goes.Of, gates.Rungs.Sum(rung => rung.Goes));
        Assert.Equal(gates.Rows.Sum(row => row.Report.Cleared), gates.Rungs.Sum(rung => rung.Cleared));
        Assert.InRange(report.BusyShare!.Value, 0.2, 1);
        // In threes, each at one of three places where something is done: all are busy all the time. Common practice.
        Assert.Equal(1, report.Drills.Single(drill => drill.Card.Id == "minute-trios").BusyShare);
        Assert.True(report.Took > report.Drills[0].Took);
    }

    private static async Task<HttpResponseMessage> SendAsync(Visitor visitor, int team, string text)
    {
        var form = await visitor.OpenAsync("/results/import");
        using var content = new MultipartFormDataContent
        {
            {
                new StringContent(form.QuerySelector("main input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
            { new StringContent($"{team}"), "team" },
            { new ByteArrayContent(Encoding.UTF8.GetBytes(text)), "file", "practice.json" },
        };
        return await visitor.Http.PostAsync(new Uri("/results/import", UriKind.Relative), content);
    }

    private Task<HttpResponseMessage> BringAsync(int team, string text) => SendAsync(club.Home.Visit(), team, text);

    private Task<int> CountAsync() => club.Home.WithAsync<TallyDb, int>(db => db.Practices.CountAsync());

    private async Task CorrectAsync(int id)
    {
        var visitor = club.Home.Visit();
        var results = await visitor.OpenAsync($"/results/{id}");
        var sheet = results
            .QuerySelectorAll("a")
            .First(link => link.GetAttribute("href")!.Contains("/correct/", StringComparison.Ordinal));
        var all = await visitor.OpenAsync(sheet.GetAttribute("href")!);
        var miss = all.QuerySelectorAll("ol.taps-kept li")
            .First(line => line.TextContent.Contains("Miss", StringComparison.Ordinal));
        var open = await visitor.OpenAsync(miss.QuerySelector("a.chip")!.GetAttribute("href")!);
        using var said = await visitor.SendAsync(open, "#amend", ("outcome", "clean"));
        Assert.Equal(HttpStatusCode.Redirect, said.StatusCode);
    }

    private async Task<PracticeReport> ReportAsync(int id)
    {
        var practice = await club.Home.WithAsync<PracticeBook, Practice?>(book => book.FindAsync(id));
        return await club.Home.WithAsync<PracticeResults, PracticeReport>(async results => await results.ReportAsync(practice!));
    }
}
