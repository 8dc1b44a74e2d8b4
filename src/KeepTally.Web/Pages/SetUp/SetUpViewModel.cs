using KeepTally.Core.Cards;
using KeepTally.Core.Courts;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;
using KeepTally.Core.Words;
using KeepTally.Web.Drawing;

namespace KeepTally.Web.Pages.SetUp;

/// <summary>The set-up of a drill as it is shown: the picture, the walk, the order of events and what to be careful of.</summary>
/// <param name="Card">The drill card.</param>
/// <param name="Key">Tells it from other set-ups of the page.</param>
/// <param name="Pacing">The reader's units and stride.</param>
public sealed record SetUpViewModel(DrillCard Card, string Key, Pacing Pacing)
{
    /// <summary>The numbers on each side the card can be played with; empty where it has one way only.</summary>
    public IReadOnlyList<int> Ways { get; private init; } = [];

    /// <summary>The number that is shown, where there are more.</summary>
    public int? Way { get; private init; }

    /// <summary>The set-up of a card with so many on each side; as the card is written where it has no such way.</summary>
    public static SetUpViewModel Of(DrillCard card, int? way, string key, Pacing pacing)
    {
        var stage = card.Stages.ToList().FindIndex(each => each.Versus.Count > 0);
        if (stage < 0)
        {
            return new SetUpViewModel(card, key, pacing);
        }

        var ways = VersusChoice.Numbers(card.Stages[stage]);
        var shown = way is { } number && ways.Contains(number) ? number : VersusChoice.AsWritten(card.Stages[stage]);
        return new SetUpViewModel(VersusChoice.Played(card, stage, shown), key, pacing) { Ways = ways, Way = shown };
    }

    /// <summary>The layout in metres; none where the card has none.</summary>
    public Scene? Scene { get; } = Card.Layout?.By(Pacing.Stride);

    public RepDrawing? Drawing => Scene is { } scene ? new RepDrawing(scene, Key, Pacing) : null;

    public WalkList? Walk => Scene is { } scene ? WalkList.Of(scene) : null;

    public WalkWords Words => new(Pacing.Unit, Pacing.Stride, Marker);

    private static readonly string[] Flat = ["cone", "disc"];

    /// <summary>Corners are marked with what the drill brings.</summary>
    private string Marker => Flat.FirstOrDefault(item => Card.Equipment.Any(each => each.Item == item)) ?? ToPlace.Marker;

    public IReadOnlyList<Caution> Cautions => CautionWords.Of(Card);

    /// <summary>The floor in a line: what it is, how large, and where its size comes from.</summary>
    public string Floor
    {
        get
        {
            var surface = Scene!.Surface;
            var size = $"{Size(surface.Length)} by {Size(surface.Width)}";
            if (Card.Layout!.Floor.Court is not { } court)
            {
                return $"A space of {size}.";
            }

            var part = Card.Layout.Floor.Part switch
            {
                CourtPart.Whole => court.Name,
                CourtPart.Half => $"{court.Name}, one half",
                CourtPart.Third => $"{court.Name}, one third",
                _ => throw new InvalidOperationException("A part nobody knows."),
            };
            var varies =
                court.Length.Varies || court.Width.Varies ? $" It allows {Range(court.Length)} by {Range(court.Width)}." : "";
            return $"{part}: {size}. Sizes after {court.Source}: check them against your own court.{varies}";
        }
    }

    private string Range(Extent extent) => extent.Varies ? $"{Size(extent.Least)} to {Size(extent.Most)}" : Size(extent.Usual);

    private string Size(double metres) =>
        DistanceWords.In(metres, Pacing.Unit == LengthUnit.Paces ? LengthUnit.Metres : Pacing.Unit, Pacing.Stride);
}
