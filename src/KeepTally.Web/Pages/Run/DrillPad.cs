using KeepTally.Core.Cards;
using KeepTally.Core.Circuits;
using KeepTally.Core.Faults;
using KeepTally.Core.Floor;
using KeepTally.Core.Live;
using KeepTally.Core.Measures;
using KeepTally.Core.Places;
using KeepTally.Core.Planning;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Words;
using KeepTally.Screen.Views;
using KeepTally.Web.Pages.SetUp;

namespace KeepTally.Web.Pages.Run;

/// <summary>The pad of one drill.</summary>
/// <param name="Index">The position of the drill in the practice, from 0.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Minutes">The minutes it is given.</param>
/// <param name="Sheets">The sheets, in order.</param>
/// <param name="Rounds">In a circuit, the groups that go round; else none.</param>
/// <param name="Tabs">What a phone shows one at a time: groups, or the stations of a circuit; none where all is shown.</param>
public sealed record DrillPad(
    int Index,
    string Name,
    double Minutes,
    IReadOnlyList<SheetPad> Sheets,
    IReadOnlyList<PadTab> Tabs,
    int Rounds
)
{
    /// <summary>Up to so many lines of the pad stand on a phone together; with more, a group at a time is shown.</summary>
    private const int MostRowsTogether = 4;

    /// <summary>The same where each line is one row with its buttons beside the name.</summary>
    private const int MostShortRowsTogether = 7;

    /// <summary>The screen as it stands, where this is the drill under way; else null.</summary>
    public RunView? Now { get; init; }

    /// <summary>Drills of the practice that cannot be run since their card no longer reads, with what is wrong.</summary>
    public IReadOnlyList<(string Drill, Fault Fault)> Unreadable { get; init; } = [];

    /// <summary>A key that is unique on the page, wherever the drill is moved.</summary>
    public string Key { get; init; } = Index.ToString(System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Whether it is only tried with simulated players: nothing is kept.</summary>
    public bool IsTried { get; init; }

    public bool IsCircuit => Rounds > 0;

    public bool ByGroup => Tabs.Count > 0;

    /// <summary>Each line of the pad is one row, its buttons beside the name; one or two lines have room to be big.</summary>
    public bool ByRow =>
        !IsCircuit && Sheets.Count > 0 && Sheets.All(sheet => sheet.FitsRow) && Sheets.Sum(sheet => sheet.Rows) > 2;

    public bool InTurns => Sheets.Any(sheet => sheet.Stage.Play == Play.Turns);

    public bool IsMatch => Sheets.Any(sheet => sheet.IsMatch);

    /// <summary>Times are taken of more than one: they can be taken side by side.</summary>
    public bool CanRace => !IsTried && !IsCircuit && Sheets.Where(sheet => sheet.TakesTime).Sum(sheet => sheet.Rows) > 1;

    /// <summary>Cautions of all its drills, each once.</summary>
    public IReadOnlyList<string> Cautions =>
        [.. Sheets.SelectMany(sheet => CautionWords.Of(sheet.Card)).Select(caution => caution.Text).Distinct()];

    /// <summary>The set-up of every card of it that is drawn.</summary>
    public IReadOnlyList<SetUpViewModel> SetUps(Pacing pacing) =>
        [
            .. Cards
                .Where(card => card.Layout is not null)
                .Select((card, index) => new SetUpViewModel(card, $"{Key}-{index}", pacing)),
        ];

    /// <summary>The cards it is played by, each once.</summary>
    public IReadOnlyList<DrillCard> Cards => [.. Sheets.Select(sheet => sheet.Card).DistinctBy(card => card.Id)];

    public bool HasAbout => Cards.Any(card => About(card).Any());

    /// <summary>The parts of a card that a coach may want to read again during the drill.</summary>
    public static IEnumerable<(string Head, IReadOnlyList<string> Lines)> About(DrillCard card) =>
        new (string Head, IReadOnlyList<string> Lines)[]
        {
            ("Set-up", card.SetUp),
            ("Cues", card.Cues),
            ("What goes wrong", card.Faults),
        }.Where(part => part.Lines.Count > 0);

    /// <summary>The cues of its cards that a coach may pin.</summary>
    public IReadOnlyList<string> Cues =>
        [.. Sheets.SelectMany(sheet => sheet.Stage.Reminders.Concat(sheet.Card.Cues)).Distinct().Take(8)];

    public IReadOnlyList<string> Reminders => [.. Sheets.SelectMany(sheet => sheet.Stage.Reminders).Distinct()];

    /// <param name="index">The position, from 0.</param>
    /// <param name="name">The name.</param>
    /// <param name="minutes">The minutes.</param>
    /// <param name="sheets">Every sheet in its order, that which keeps a circuit's clock too.</param>
    public static DrillPad Of(int index, string name, double minutes, IReadOnlyList<RunSheet> sheets)
    {
        var stops = sheets.Where(sheet => sheet.Stop is not null).ToArray();
        var pads = sheets
            .Select((sheet, order) => SheetPad.Of(order, sheet))
            .Where(pad => stops.Length == 0 || pad.Stop is not null)
            // In a break nothing is counted.
            .Where(pad => pad.Card.Id != PauseCard.Id)
            .ToArray();
        PadTab[] tabs =
            stops.Length > 0
                ?
                [
                    .. stops
                        .Select(stop => stop.Stop!.Value.Station)
                        .Distinct()
                        .Order()
                        .Select(station => new PadTab(station, $"{station + 1}")),
                ]
            : pads.Length > 1
            && pads.Sum(pad => pad.Rows) > (Array.TrueForAll(pads, pad => pad.FitsRow) ? MostShortRowsTogether : MostRowsTogether)
                ? [.. pads.Select(pad => new PadTab(pad.Tab, pad.Name))]
            : [];
        return new DrillPad(index, name, minutes, pads, tabs, stops.Select(stop => stop.Stop!.Value.Group).Distinct().Count());
    }
}

/// <summary>One of what a phone shows one at a time.</summary>
public readonly record struct PadTab(int Index, string Name);

/// <param name="Order">The order among all sheets of the drill.</param>
/// <param name="Tab">The tab it stands under: its own, in a circuit that of its station.</param>
/// <param name="Id">The id of the sheet.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Drill">In a circuit, the drill of its station.</param>
/// <param name="Stage">The stage of the card.</param>
/// <param name="Card">The drill card.</param>
/// <param name="Stop">The station of a circuit; null elsewhere.</param>
/// <param name="Rows">How many units can be tapped at a time.</param>
/// <param name="People">How many people stand at places; 0 where nobody moves.</param>
/// <param name="Members">For each unit, its players' first names.</param>
public sealed record SheetPad(
    int Order,
    int Tab,
    string Id,
    string Name,
    string Drill,
    Stage Stage,
    DrillCard Card,
    CircuitStop? Stop,
    int Rows,
    int People,
    IReadOnlyList<string> Members
)
{
    private const int MostBeside = 3;
    private const int LongestBeside = 9;

    public bool IsMatch => Stage.Play == Play.Match;

    /// <summary>Whether the buttons are few and short enough to stand beside the name on a phone.</summary>
    public bool FitsRow =>
        Stage.Play == Play.Together
        && Stage.Targets is null
        && Stage.Tags.Count == 0
        && Stage.Asks is null
        && Stage.Outcomes.Where(outcome => outcome.Job is null).ToArray() is { Length: > 0 and <= MostBeside } beside
        && beside.SelectMany(outcome => outcome.Label.Split(' ')).All(word => word.Length <= LongestBeside);

    public bool TakesTime => Stage.Outcomes.Any(outcome => outcome.Reading == "s");

    /// <summary>Outcomes that are counted for the player who has a job.</summary>
    public IReadOnlyList<Outcome> Helpers => [.. Stage.Outcomes.Where(outcome => outcome.Job is not null)];

    /// <summary>One stands against one, and others wait.</summary>
    public bool IsOneOnOne => Stage.Places.Where(place => place.Kind == PlaceKind.Spot).All(place => place.Size == 1);

    /// <summary>Who stands in the first place is the one whose line of the pad stands above, and need not be named again.</summary>
    public bool FirstIsTapped => Stage is { Scores: Scorer.Player, Play: not Play.Turns, Places: [{ Scores: true }, ..] };

    internal static SheetPad Of(int order, RunSheet sheet)
    {
        var live = sheet.Sheet;
        return new SheetPad(
            order,
            sheet.Stop?.Station ?? order,
            sheet.Id.Value,
            sheet.Stop is { } stop ? $"{stop.Station + 1}" : sheet.Name,
            sheet.Name,
            live.Stage,
            live.Card,
            sheet.Stop,
            ScoringSlots.Count(live.Stage, live.Head.Units.Count),
            live.Stage.Moves.Count == 0 ? 0 : live.Head.Units.Sum(unit => unit.People.Count()),
            [.. live.Head.Units.Select(unit => string.Join(", ", unit.Players.Select(player => live.CallNameOf(player.Id))))]
        );
    }
}
