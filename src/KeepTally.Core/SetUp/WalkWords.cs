using KeepTally.Core.Measures;
using KeepTally.Core.Text;

namespace KeepTally.Core.SetUp;

/// <summary>A walk in plain words, as a coach would be told it.</summary>
/// <param name="unit">What the distances are told in; paces are told in any case.</param>
/// <param name="stride">Whose paces.</param>
/// <param name="marker">What corners and ends are marked with.</param>
public sealed class WalkWords(LengthUnit unit, Stride stride, string marker = ToPlace.Marker)
{
    /// <summary>Where the walk begins: "Stand at the near left corner, and look toward the far side."</summary>
    public static string Start(WalkList walk) =>
        walk.Legs.SelectMany(leg => leg.Stretches).Select(stretch => (Facing?)stretch.Facing).FirstOrDefault() is { } facing
            ? $"Stand at {walk.Start.Name} and look toward {Toward(facing)}."
            : $"Stand at {walk.Start.Name}.";

    /// <summary>One leg: "Four paces, a foot short (2.7 m), turn left, two paces (1.5 m): a cone for left."</summary>
    public string Leg(WalkLeg leg)
    {
        var way = string.Join(", ", leg.Stretches.Select(Said));
        return way.Length == 0 ? $"On that spot: {Put(leg.Place)}." : $"{Phrase.Capital(way)}: {Put(leg.Place)}.";
    }

    /// <summary>How far it is in all, and what is carried: "21 m in all, 28 paces; carry 3 cones."</summary>
    public string Sum(WalkList walk)
    {
        if (walk.Legs.Count == 0)
        {
            return "Nothing to put down: the lines and goals of the floor are enough.";
        }

        var carried = walk.Legs.GroupBy(leg => Thing(leg.Place)).Select(things => Phrase.Of(things.Count(), things.Key)).ToArray();
        var paces = (int)Math.Round(walk.Metres / stride.Metres, MidpointRounding.AwayFromZero);
        var length = unit == LengthUnit.Paces ? LengthUnit.Metres : unit;
        return $"Carry {Phrase.List(carried)}. It is a walk of {Phrase.Of(paces, "pace")}, {DistanceWords.In(walk.Metres, length, stride)}.";
    }

    private string Said(Stretch stretch) =>
        stretch.Turn switch
        {
            Turn.On => "",
            Turn.Left => "turn left, ",
            Turn.Right => "turn right, ",
            Turn.About => "turn round, ",
            _ => throw new InvalidOperationException("A turn nobody knows."),
        } + DistanceWords.Both(stretch.Metres, unit, stride);

    /// <summary>Corners are marked with what the drill brings.</summary>
    private string Thing(ToPlace place) => place.Thing == ToPlace.Marker ? marker : place.Thing;

    private string Put(ToPlace place)
    {
        var thing = $"a {Thing(place)}";
        return place.Name.Length == 0 || place.Name == place.Thing ? thing : $"{thing} for {place.Name}";
    }

    private static string Toward(Facing facing) =>
        facing switch
        {
            Facing.RightEnd => "the right end",
            Facing.FarSide => "the far side",
            Facing.LeftEnd => "the left end",
            Facing.NearSide => "the near side",
            _ => throw new InvalidOperationException("A side nobody knows."),
        };
}
