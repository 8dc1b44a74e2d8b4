using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>
/// What a person does with an armful of cones: where to begin, then from each thing put down to the next, along and across, in
/// the shortest order.
/// </summary>
/// <param name="Start">How the spot is called where it begins, and where it is.</param>
/// <param name="Legs">The way to each thing, in order.</param>
public sealed record WalkList((string Name, Spot At) Start, IReadOnlyList<WalkLeg> Legs)
{
    /// <summary>A piece shorter than this is not walked, in metres.</summary>
    private const double Nothing = 0.05;

    /// <summary>How far it is in all, in metres.</summary>
    public double Metres => Legs.Sum(leg => leg.Metres);

    /// <summary>The walk that sets out a layout.</summary>
    public static WalkList Of(Scene scene)
    {
        var places = ToPlace.Of(scene);
        var landmarks = scene.Surface.Landmarks;
        var (start, order) = ShortestRound.Of([.. landmarks.Select(mark => mark.At)], [.. places.Select(place => place.At)]);
        var legs = new List<WalkLeg>();
        var at = landmarks[start].At;
        Facing? facing = null;
        foreach (var index in order)
        {
            var place = places[index];
            var stretches = Stretches(at, place.At, ref facing);
            legs.Add(new WalkLeg(at, place, stretches));
            at = place.At;
        }

        return new WalkList((landmarks[start].Name, landmarks[start].At), legs);
    }

    /// <summary>Along and across, so that as little as can be is turned; the first look is free.</summary>
    private static List<Stretch> Stretches(Spot from, Spot to, ref Facing? facing)
    {
        var pieces = new List<(Facing Facing, double Metres)>();
        if (Math.Abs(to.X - from.X) > Nothing)
        {
            pieces.Add((to.X > from.X ? Facing.RightEnd : Facing.LeftEnd, Math.Abs(to.X - from.X)));
        }

        if (Math.Abs(to.Y - from.Y) > Nothing)
        {
            pieces.Add((to.Y > from.Y ? Facing.FarSide : Facing.NearSide, Math.Abs(to.Y - from.Y)));
        }

        // What lies ahead is walked first, what lies behind last.
        if (facing is { } looks)
        {
            pieces =
            [
                .. pieces.OrderBy(piece =>
                    Between(looks, piece.Facing) switch
                    {
                        Turn.On => 0,
                        Turn.About => 2,
                        _ => 1,
                    }
                ),
            ];
        }

        var stretches = new List<Stretch>();
        foreach (var (next, metres) in pieces)
        {
            stretches.Add(new Stretch(facing is { } before ? Between(before, next) : Turn.On, next, metres));
            facing = next;
        }

        return stretches;
    }

    private static Turn Between(Facing from, Facing to) =>
        ((to - from + 4) % 4) switch
        {
            0 => Turn.On,
            1 => Turn.Left,
            2 => Turn.About,
            _ => Turn.Right,
        };
}
