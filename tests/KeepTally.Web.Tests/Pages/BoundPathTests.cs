using System.Globalization;
using AngleSharp.Dom;
using KeepTally.Core.Faults;
using KeepTally.Screen.Views;
using KeepTally.Store.Planning;

namespace KeepTally.Web.Tests.Pages;

/// <summary>
/// A page names by a path what the script puts there, such as <c>run.clock.rep</c>. One that leads nowhere would stay as it was drawn,
/// without a word.
/// </summary>
public sealed class BoundPathTests : IAsyncLifetime
{
    private static readonly string[] Attributes = ["text", "count", "marks", "show", "moving", "helper", "list"];

    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task Every_path_on_the_run_screen_leads_to_something_the_core_hands_over()
    {
        var practice = await _home.PracticeAsync();
        var circuit = new CircuitLine(practice, ["minute-trios", "three-gates", "habit-pairs"], 3.5, 30, 4, false, false);
        (await _home.WithAsync<CircuitWriter, Result<int>>(sheet => sheet.AddAsync(circuit))).Require();
        await _home.BegunAsync();

        var paths = PathsOf(await _home.Visit().OpenAsync($"/run/{practice}"));

        Assert.True(paths.Count > 100, $"Only {paths.Count} paths were found.");
        Assert.Contains("run.round.0.here", paths);
        Assert.DoesNotContain(paths, path => !Leads(path));
    }

    [Theory]
    [InlineData("run.clock.rep", true)]
    [InlineData("run.habits.3", true)]
    [InlineData("run.clock.reps", false)]
    [InlineData("sheets.0.rows.2.score", true)]
    [InlineData("sheets.0.again.moves", true)]
    [InlineData("sheets.0.score", false)]
    [InlineData("sheets.rows", false)]
    public void A_path_is_followed_by_the_names_of_the_format(string path, bool leads) => Assert.Equal(leads, Leads(path));

    private static HashSet<string> PathsOf(IDocument page) =>
        [
            .. page.QuerySelectorAll("#run *")
                .SelectMany(element => Attributes.Select(name => element.GetAttribute($"data-{name}")))
                .OfType<string>()
                .Where(path => path.Contains('.', StringComparison.Ordinal)),
        ];

    private static bool Leads(string path)
    {
        var steps = path.Split('.');
        var type = steps[0] == "run" ? typeof(RunView) : typeof(RunView).GetProperty(nameof(RunView.Sheets))!.PropertyType;
        foreach (var step in steps.Skip(1))
        {
            var isPlace = int.TryParse(step, NumberStyles.None, CultureInfo.InvariantCulture, out _);
            var next = isPlace
                ? type.IsGenericType
                    ? type.GetGenericArguments()[0]
                    : null
                : type.IsGenericType
                    ? null
                    : type.GetProperty(char.ToUpperInvariant(step[0]) + step[1..])?.PropertyType;
            if (next is null)
            {
                return false;
            }

            type = next;
        }

        return steps[0] is "run" or "sheets";
    }
}
