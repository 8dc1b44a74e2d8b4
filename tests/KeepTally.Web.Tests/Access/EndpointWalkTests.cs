using System.Net;
using System.Text;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Web.Tests.Access;

/// <summary>
/// Walks every endpoint there is, from the endpoint table itself, as everybody who has no business there, and expects that
/// nobody gets in. A new endpoint is walked without being named here.
/// </summary>
public sealed class EndpointWalkTests(EndpointWalkTests.Club club) : IClassFixture<EndpointWalkTests.Club>
{
    /// <summary>What any player may open, signed in or not: how one comes in, and what is the same for all.</summary>
    private static readonly string[] Open =
    [
        "/signin",
        "/first",
        "/join",
        "/invite",
        "/watch/{token}",
        "/calendar/{token}",
        "/import",
        "/error",
        "/offline",
        "/kept",
        "/trust",
        "/formats/{name}",
        "/api/{documentName}.json",
        "/devices",
        "/health/live",
        "/health/ready",
    ];

    /// <summary>What is the same for all who have come in, by whatever door.</summary>
    private static readonly string[] OfNobody = ["/api/time", "/phones"];

    /// <summary>What belongs to one team, by its route: everything else a coach sees is of their own teams or of no team.</summary>
    private static readonly Dictionary<string, Func<Club, string>> OfTheOtherTeam = new()
    {
        ["/run/{id:int}"] = club => $"/run/{club.Practice}",
        ["/wait/{id:int}"] = club => $"/wait/{club.Practice}",
        ["/board/{id:int}"] = club => $"/board/{club.Practice}",
        ["/door/{id:int}"] = club => $"/door/{club.Practice}",
        ["/groups/{id:int}"] = club => $"/groups/{club.Practice}",
        ["/plan/{id:int}"] = club => $"/plan/{club.Practice}",
        ["/plan/{id:int}/offers"] = club => $"/plan/{club.Practice}/offers",
        ["/plan/{id:int}/ahead"] = club => $"/plan/{club.Practice}/ahead",
        ["/plan/{id:int}/before"] = club => $"/plan/{club.Practice}/before",
        ["/plan/{id:int}/print"] = club => $"/plan/{club.Practice}/print",
        ["/results/{id:int}"] = club => $"/results/{club.Practice}",
        ["/results/{id:int}/report"] = club => $"/results/{club.Practice}/report",
        ["/results/{id:int}/rescore/{run:int}"] = club => $"/results/{club.Practice}/rescore/{club.Run}",
        ["/results/{id:int}/correct/{sheet}"] = club => $"/results/{club.Practice}/correct/{club.Sheet}",
        ["/players/{id:int}"] = club => $"/players/{club.Player}",
        ["/circuit/{block:int}/{handler?}"] = club => $"/circuit/{club.Block}",
        ["/api/practices/{practice:int}/events"] = club => $"/api/practices/{club.Practice}/events",
        ["/api/practices/{practice:int}/guests"] = club => $"/api/practices/{club.Practice}/guests",
        ["/api/practices/{practice:int}/here"] = club => $"/api/practices/{club.Practice}/here",
        ["/api/sheets/{sheet}/events"] = club => $"/api/sheets/{club.Sheet}/events",
    };

    [Fact]
    public async Task Nobody_gets_in_anywhere_without_signing_in()
    {
        foreach (var (route, method) in club.Endpoints().Where(each => !Open.Contains(each.Route)))
        {
            using var answer = await Club.AskAsync(club.Home.VisitAsNobody().Http, club.Address(route), method);
            var turnedAway =
                answer.StatusCode is HttpStatusCode.Unauthorized or HttpStatusCode.BadRequest
                || (
                    answer.StatusCode == HttpStatusCode.Redirect
                    && answer.Headers.Location!.OriginalString.StartsWith("/signin", StringComparison.Ordinal)
                );
            Assert.True(turnedAway, $"{method} {route} answered {answer.StatusCode} to nobody");
            Assert.DoesNotContain("Ada", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }
    }

    [Fact]
    public void What_a_player_may_open_is_said_in_one_list()
    {
        var open = club
            .Home.Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(endpoint => endpoint.Metadata.GetMetadata<IAllowAnonymous>() is not null && !IsFile(endpoint))
            .Select(Route)
            .Distinct();
        Assert.Equal(Open.Order(), open.Order());
    }

    [Theory]
    [InlineData("assistant of another team")]
    [InlineData("joiner of another practice")]
    [InlineData("board of another practice")]
    [InlineData("device of another team")]
    public async Task Nobody_sees_anything_of_a_team_that_is_not_theirs(string who)
    {
        var routes = club.Endpoints().Select(each => each.Route).Where(route => !Open.Contains(route)).ToHashSet();
        // Whatever has a place in its address belongs to a team, or to the drill book, which is for all.
        Assert.Equal(
            OfTheOtherTeam.Keys.Order(),
            routes.Where(route => route.Contains('{') && !route.StartsWith("/drills", StringComparison.Ordinal)).Order()
        );
        var stranger = await club.StrangerAsync(who);
        foreach (var (route, method) in club.Endpoints().Where(each => OfTheOtherTeam.ContainsKey(each.Route)))
        {
            using var answer = await Club.AskAsync(stranger, OfTheOtherTeam[route](club), method);
            Assert.True(
                answer.StatusCode
                    is HttpStatusCode.NotFound
                        or HttpStatusCode.Forbidden
                        or HttpStatusCode.Unauthorized
                        or HttpStatusCode.BadRequest,
                $"{method} {route} answered {answer.StatusCode} to the {who}"
            );
        }
    }

    [Theory]
    [InlineData("joiner of another practice")]
    [InlineData("board of another practice")]
    [InlineData("device of another team")]
    public async Task Who_is_no_coach_comes_to_no_page_but_their_own(string who)
    {
        var stranger = await club.StrangerAsync(who);
        foreach (
            var (route, method) in club.Endpoints().Where(each => !Open.Contains(each.Route) && !OfNobody.Contains(each.Route))
        )
        {
            using var answer = await Club.AskAsync(stranger, club.Address(route), method);
            if (route == "/api/device/now" && answer.IsSuccessStatusCode)
            {
                // A device asks how its own team's practice stands: that of another is none.
                Assert.Contains("\"practice\":null", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
                continue;
            }

            Assert.True((int)answer.StatusCode is >= 400 and < 500, $"{method} {route} answered {answer.StatusCode} to the {who}");
        }
    }

    [Fact]
    public async Task An_assistant_of_another_team_finds_no_player_of_this_one_on_any_page()
    {
        var stranger = await club.StrangerAsync("assistant of another team");
        var addresses = club.Endpoints()
            .Where(each =>
                each.Method == HttpMethod.Get
                && !Open.Contains(each.Route)
                && !each.Route.StartsWith("/api", StringComparison.Ordinal)
            )
            .Select(each => club.Address(each.Route))
            .Concat([
                "/squad?team=1",
                "/squad?edit=1",
                "/?practice=1",
                "/squad?handler=Csv&team=1",
                "/squad?handler=Player&edit=1",
            ]);
        foreach (var address in addresses)
        {
            using var answer = await Club.AskAsync(stranger, address, HttpMethod.Get);
            var text = await answer.Content.ReadAsStringAsync();
            Assert.DoesNotContain("Fenwick", text, StringComparison.Ordinal);
            Assert.DoesNotContain("under-14", text, StringComparison.Ordinal);
        }
    }

    private static bool IsFile(RouteEndpoint endpoint) =>
        endpoint.Metadata.GetMetadata<PageActionDescriptor>() is null
        && !Route(endpoint).StartsWith("/api", StringComparison.Ordinal)
        && !Route(endpoint).StartsWith("/formats", StringComparison.Ordinal)
        && !Route(endpoint).StartsWith("/calendar", StringComparison.Ordinal)
        && !Route(endpoint).StartsWith("/health", StringComparison.Ordinal);

    private static string Route(RouteEndpoint endpoint) => "/" + endpoint.RoutePattern.RawText!.TrimStart('/');

    /// <summary>The made-up club with a practice of its first team under way, and one of another team.</summary>
    public sealed class Club : IAsyncLifetime
    {
        public Installation Home { get; } = new();

        public int Practice { get; private set; }

        public int Block { get; private set; }

        public string Sheet { get; private set; } = "";

        public int Player { get; private set; }

        public int Run { get; private set; }

        /// <summary>A practice of the team that those who have no business here belong to.</summary>
        private int Other { get; set; }

        private int OtherTeam { get; set; }

        public async ValueTask InitializeAsync()
        {
            await Home.InitializeAsync();
            Practice = await Home.PracticeAsync();
            Sheet = (await Home.BegunAsync())[0];
            OtherTeam = await Home.WithAsync<TallyDb, int>(db =>
                db.Teams.Where(team => team.Name.Contains("hockey")).Select(team => team.Id).SingleAsync()
            );
            Run = await Home.WithAsync<TallyDb, int>(db =>
                db.Runs.Where(run => run.Block!.PracticeId == Practice).Select(run => run.Id).FirstAsync()
            );
            Player = await Home.WithAsync<TallyDb, int>(db =>
                db.Players.Where(player => player.Name == "Ada Fenwick").Select(player => player.Id).SingleAsync()
            );
            Block = await Home.WithAsync<TallyDb, int>(db => db.Blocks.Select(block => block.Id).FirstAsync());
            Other = (await Home.WithAsync<BlockWriter, int?>(blocks => blocks.BeginAsync(OtherTeam)))!.Value;
        }

        public ValueTask DisposeAsync() => Home.DisposeAsync();

        /// <summary>Every page and every call there is, with each of its methods.</summary>
        public IEnumerable<(string Route, HttpMethod Method)> Endpoints() =>
            Home
                .Services.GetRequiredService<EndpointDataSource>()
                .Endpoints.OfType<RouteEndpoint>()
                .Where(endpoint => !IsFile(endpoint))
                .SelectMany(endpoint =>
                    (
                        endpoint.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods is { Count: > 0 } methods
                            ? methods.Select(method => HttpMethod.Parse(method))
                            : [HttpMethod.Get, HttpMethod.Post]
                    ).Select(method => (Route(endpoint), method))
                )
                .Distinct();

        /// <summary>An address of a route that is there for anyone who may see it.</summary>
        public string Address(string route) =>
            OfTheOtherTeam.TryGetValue(route, out var known)
                ? known(this)
                : string.Join(
                    '/',
                    route.Split('/').Where(part => !part.Contains('?')).Select(part => part.Contains('{') ? "three-gates" : part)
                );

        public static async Task<HttpResponseMessage> AskAsync(HttpClient http, string address, HttpMethod method)
        {
            using var request = new HttpRequestMessage(method, new Uri(address, UriKind.Relative));
            if (
                method == HttpMethod.Post
                && address.StartsWith("/api", StringComparison.Ordinal)
                && !address.EndsWith("/events", StringComparison.Ordinal)
            )
            {
                request.Content = new StringContent(
                    """{"device":"x","sheet":"","name":"Nia"}""",
                    Encoding.UTF8,
                    "application/json"
                );
            }
            else if (method == HttpMethod.Post && address.StartsWith("/api", StringComparison.Ordinal))
            {
                request.Content = new StringContent(
                    """{"device":"x","n":1,"at":0,"type":"start"}""",
                    Encoding.UTF8,
                    "application/x-ndjson"
                );
            }
            else if (method == HttpMethod.Post)
            {
                request.Content = new FormUrlEncodedContent([]);
            }

            return await http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
        }

        public async Task<HttpClient> StrangerAsync(string who)
        {
            var nobody = Home.VisitAsNobody();
            switch (who)
            {
                case "assistant of another team":
                    return Home.VisitAs("Lou Dunlin").Http;
                case "joiner of another practice":
                    Assert.True(await Home.WithAsync<DoorBook, bool>(doors => doors.OpenAsync(Other)));
                    var code = (await Home.WithAsync<DoorBook, PracticeDoor?>(doors => doors.OfAsync(Other)))!.JoinCode;
                    using (
                        var joined = await nobody.SendAsync(
                            await nobody.OpenAsync("/join"),
                            "form",
                            "/join",
                            ("code", code),
                            ("name", "Pat")
                        )
                    )
                    {
                        Assert.Equal($"/run/{Other}", joined.Headers.Location!.OriginalString);
                    }

                    return nobody.Http;
                case "board of another practice":
                    Assert.True(await Home.WithAsync<DoorBook, bool>(doors => doors.LinkBoardAsync(Other)));
                    var link = (await Home.WithAsync<DoorBook, PracticeDoor?>(doors => doors.OfAsync(Other)))!.BoardToken;
                    using (var shown = await nobody.Http.GetAsync(new Uri($"/watch/{link}", UriKind.Relative)))
                    {
                        Assert.Equal($"/board/{Other}", shown.Headers.Location!.OriginalString);
                    }

                    return nobody.Http;
                default:
                    var key = await Home.WithAsync<KeyBook, KeepTally.Core.Faults.Result<string>>(keys =>
                        keys.AddAsync(OtherTeam, "A pad")
                    );
                    nobody.Http.DefaultRequestHeaders.Add("Authorization", $"Bearer {key.Require()}");
                    return nobody.Http;
            }
        }
    }
}
