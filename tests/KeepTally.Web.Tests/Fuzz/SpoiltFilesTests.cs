using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using KeepTally.Core.Chance;
using KeepTally.Core.Tests.Fuzz;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Fuzz;

/// <summary>Files that are spoilt never give a 500 or half an import, and break no page.</summary>
public sealed class SpoiltFilesTests : IAsyncLifetime
{
    private const int Each = 60;

    private readonly Installation _home = new();
    private string _token = "";

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        var page = await _home.Visit().OpenAsync("/squad/import");
        _token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
    }

    public async ValueTask DisposeAsync() => await _home.DisposeAsync();

    /// <summary>The number of rows of every table that an import writes to.</summary>
    private Task<string> RowsAsync() =>
        _home.WithAsync<TallyDb, string>(async db =>
            string.Join(
                ' ',
                await db.Practices.CountAsync(),
                await db.Players.CountAsync(),
                await db.Sheets.CountAsync(),
                await db.Events.CountAsync(),
                await db.Cards.CountAsync(),
                await db.CardVersions.CountAsync()
            )
        );

    private async Task<HttpResponseMessage> SendAsync(string path, string file, params (string Name, string Value)[] fields)
    {
        using var form = new MultipartFormDataContent
        {
            { new StringContent(_token), "__RequestVerificationToken" },
            { new ByteArrayContent(Encoding.UTF8.GetBytes(file)), "file", "file.txt" },
        };
        foreach (var (name, value) in fields)
        {
            form.Add(new StringContent(value), name);
        }

        return await _home.Visit().Http.PostAsync(new Uri(path, UriKind.Relative), form);
    }

    private async Task PagesStandAsync(params string[] more)
    {
        foreach (var page in more.Concat(["/", "/squad", "/drills", "/results", "/plan"]))
        {
            using var answer = await _home.Visit().Http.GetAsync(new Uri(page, UriKind.Relative));
            Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.Redirect, $"{page}: {answer.StatusCode}");
        }
    }

    /// <param name="from">The first seed of a third of them.</param>
    [Theory]
    [InlineData(0)]
    [InlineData(Each / 3)]
    [InlineData(2 * Each / 3)]
    public async Task Archives(int from)
    {
        var sheet = (await _home.BegunAsync())[0];
        using (
            var said = new StringContent(
                """{"device":"one","n":1,"at":0,"type":"note","text":"Feet"}""",
                Encoding.UTF8,
                "application/x-ndjson"
            )
        )
        {
            (await _home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), said)).Dispose();
        }

        var practice = await _home.PracticeAsync();
        var whole = await _home.Visit().Http.GetStringAsync(new Uri($"/results/{practice}?handler=Json", UriKind.Relative));
        var taken = new List<string>();
        for (var seed = from; seed < from + (Each / 3); seed++)
        {
            var before = await RowsAsync();
            // A practice that is here already would be refused for that.
            var other = JsonNode.Parse(whole)!;
            other["origin"] = (long)other["origin"]! - (86_400_000L * (seed + 1));
            using var answer = await SendAsync("/results/import", JsonMutation.Of(other.ToJsonString(), seed), ("team", "1"));
            Assert.True((int)answer.StatusCode < 500, $"seed {seed}: {answer.StatusCode}");
            if (answer.StatusCode == HttpStatusCode.Redirect)
            {
                taken.Add(answer.Headers.Location!.ToString());
            }
            else
            {
                Assert.Equal(before, await RowsAsync());
            }
        }

        Assert.InRange(taken.Count, 1, (Each / 3) - 1);
        await PagesStandAsync([.. taken]);
    }

    [Fact]
    public async Task Books()
    {
        var cards = ShippedCards.All.Values.ToArray();
        var answers = new HashSet<HttpStatusCode>();
        for (var seed = 0; seed < Each; seed++)
        {
            var before = await RowsAsync();
            var book =
                $$"""{"format":"keep-tally/book@1","cards":[{{cards[seed % cards.Length]}},{{cards[(seed + 7) % cards.Length]}}]}""";
            using var answer = await SendAsync("/drills/import", JsonMutation.Of(book, seed));
            answers.Add(answer.StatusCode);
            Assert.True((int)answer.StatusCode < 500, $"seed {seed}: {answer.StatusCode}");
            if (answer.StatusCode == HttpStatusCode.UnprocessableEntity)
            {
                Assert.Equal(before, await RowsAsync());
            }
        }

        Assert.Superset(new HashSet<HttpStatusCode> { HttpStatusCode.OK, HttpStatusCode.UnprocessableEntity }, answers);
        var ids = await _home.WithAsync<TallyDb, List<string>>(db => db.Cards.Select(card => card.Id).ToListAsync());
        await PagesStandAsync([.. ids.TakeLast(12).Select(id => $"/drills/{id}")]);
    }

    [Fact]
    public async Task Squads()
    {
        const string Squad = "name,number,positions,born,notes\nAda Rill,7,wing,2011,\nBea Fenn,9,\"back, pivot\",2012,left hand\n";
        var previewed = 0;
        for (var seed = 0; seed < Each; seed++)
        {
            var draw = new SeededDraw(seed);
            var text = new StringBuilder(Squad);
            for (var left = 1 + draw.Below(6); left > 0; left--)
            {
                var at = (int)draw.Below(text.Length);
                _ = draw.Below(3) switch
                {
                    0 => text.Remove(at, 1),
                    1 => text.Insert(at, "\",;\t\n\0ß'"[(int)draw.Below(8)]),
                    _ => text.Insert(at, text.ToString(at, (int)draw.Below(text.Length - at))),
                };
            }

            var before = await RowsAsync();
            using var answer = await SendAsync("/squad/import", text.ToString());
            previewed += (await answer.Content.ReadAsStringAsync()).Contains("Ada Rill", StringComparison.Ordinal) ? 1 : 0;
            Assert.True((int)answer.StatusCode < 500, $"seed {seed}: {answer.StatusCode}");
            // A preview writes nothing.
            Assert.Equal(before, await RowsAsync());
        }

        Assert.InRange(previewed, 1, Each);
        await PagesStandAsync();
    }

    [Fact]
    public async Task Events()
    {
        var sheet = (await _home.BegunAsync())[0];
        var answers = new HashSet<HttpStatusCode>();
        const string Start = """{"device":"fuzz","n":0,"at":0,"type":"start"}""";
        var head = await _home.WithAsync<TallyDb, string>(db =>
            db.Sheets.Where(each => each.Id == sheet).Select(each => each.HeadJson).SingleAsync()
        );
        var tap = new JsonObject
        {
            ["device"] = "fuzz",
            ["n"] = 1,
            ["at"] = 0,
            ["type"] = "tap",
            ["unit"] = (string)JsonNode.Parse(head)!["units"]![0]!["id"]!,
            ["outcome"] = "clean",
        }.ToJsonString();
        for (var seed = 0; seed < 4 * Each; seed++)
        {
            using var content = new StringContent(
                $"{JsonMutation.Of(Start, seed)}\n{JsonMutation.Of(tap, seed)}",
                Encoding.UTF8,
                "application/x-ndjson"
            );
            var before = await RowsAsync();
            using var answer = await _home
                .Visit()
                .Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
            Assert.True((int)answer.StatusCode < 500, $"seed {seed}: {answer.StatusCode}");
            answers.Add(answer.StatusCode);
            if (answer.StatusCode != HttpStatusCode.OK)
            {
                Assert.Equal(before, await RowsAsync());
            }
        }

        Assert.Superset(new HashSet<HttpStatusCode> { HttpStatusCode.OK, HttpStatusCode.UnprocessableEntity }, answers);
        await PagesStandAsync($"/run/{await _home.PracticeAsync()}", $"/results/{await _home.PracticeAsync()}");
    }
}
