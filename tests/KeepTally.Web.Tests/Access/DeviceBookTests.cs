using KeepTally.Store.People;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Time.Testing;

namespace KeepTally.Web.Tests.Access;

/// <summary>A device belongs to who claimed it first, after a restart and for a day, however many ids a caller makes up.</summary>
public sealed class DeviceBookTests : IAsyncLifetime
{
    private const string Coach = "coach/1";
    private const string Code = "code/1";
    private static readonly DateTimeOffset _noon = new(2026, 3, 14, 12, 0, 0, TimeSpan.Zero);

    private readonly Installation _home = new();
    private readonly FakeTimeProvider _clock = new(_noon);

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    /// <summary>The book as a server has it that has just started.</summary>
    private async Task<DeviceBook> StartAsync()
    {
        var book = new DeviceBook(_home.Services.GetRequiredService<IServiceScopeFactory>(), _clock);
        await book.LoadAsync();
        return book;
    }

    [Fact]
    public async Task After_a_restart_it_belongs_to_the_same()
    {
        var before = await StartAsync();
        Assert.Equal(Coach, before.ClaimedBy("coachdev", Coach));
        await before.KeepAsync();

        var after = await StartAsync();
        Assert.Equal(Coach, after.ClaimedBy("coachdev", Code));
        Assert.Equal(Code, after.ClaimedBy("patphone", Code));
    }

    [Fact]
    public async Task In_use_it_belongs_to_the_same_beyond_a_day_and_out_of_use_to_nobody()
    {
        var book = await StartAsync();
        Assert.Equal(Coach, book.ClaimedBy("used", Coach));
        Assert.Equal(Coach, book.ClaimedBy("left", Coach));
        for (var hours = 0; hours < 36; hours += 9)
        {
            _clock.Advance(TimeSpan.FromHours(9));
            Assert.Equal(Coach, book.ClaimedBy("used", Coach));
        }

        await book.KeepAsync();
        Assert.Equal(Coach, book.ClaimedBy("used", Code));
        Assert.Equal(Code, book.ClaimedBy("left", Code));
        Assert.Equal(Coach, (await StartAsync()).ClaimedBy("used", Code));
        await book.TidyAsync();
        await book.KeepAsync();
        Assert.Equal(Code, (await StartAsync()).ClaimedBy("left", Coach));
    }

    [Fact]
    public async Task Ids_made_up_without_end_take_nothing_from_a_coach()
    {
        var book = await StartAsync();
        for (var n = 0; n < 2000; n++)
        {
            Assert.Equal(Code, book.ClaimedBy($"made-up-{n}", Code, most: 500));
        }

        Assert.Equal(Coach, book.ClaimedBy("coachdev", Coach));
        Assert.Equal(Coach, book.ClaimedBy("coachdev", Code));
        // The last of them were never kept: they are still anyone's.
        Assert.Equal(Coach, book.ClaimedBy("made-up-1999", Coach));
        Assert.Equal(Code, book.ClaimedBy("made-up-0", Coach));
    }

    [Fact]
    public async Task A_coach_owns_each_of_a_thousand_pages_and_a_code_may_claim_anew_on_the_next_day()
    {
        var book = await StartAsync();
        for (var n = 0; n < 1000; n++)
        {
            Assert.Equal(Coach, book.ClaimedBy($"page-{n}", Coach));
            Assert.Equal(Coach, book.ClaimedBy($"page-{n}", Code, most: 500));
        }

        Assert.Equal(Code, book.ClaimedBy("first", Code, most: 1));
        Assert.Equal(Code, book.ClaimedBy("second", Code, most: 1));
        Assert.Equal(Coach, book.ClaimedBy("second", Coach));
        _clock.Advance(TimeSpan.FromHours(25));
        Assert.Equal(Code, book.ClaimedBy("third", Code, most: 1));
        Assert.Equal(Code, book.ClaimedBy("third", Coach));
    }
}
