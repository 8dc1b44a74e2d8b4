using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>One rep as it is played on the layout: who and what is where, step by step.</summary>
/// <param name="Pieces">Everybody and every ball, with where they begin.</param>
/// <param name="Beats">What happens, in order, the changes of place last where the layout has them last.</param>
public sealed record RepPlay(IReadOnlyList<Piece> Pieces, IReadOnlyList<Beat> Beats)
{
    /// <summary>How fast things go, in metres a second. Source: common practice, for players who are no adults.</summary>
    private static double SpeedOf(Travel travel) =>
        travel switch
        {
            Travel.Run => 4,
            Travel.Carry => 3.2,
            Travel.Pass => 9,
            Travel.Shot => 16,
            Travel.Rotate => 1.8,
            _ => throw new InvalidOperationException("A way nobody knows."),
        };

    /// <summary>Nothing is seen that is over sooner, in seconds.</summary>
    private const double ShortestMove = 0.4;

    /// <summary>How long a step without a way stands, in seconds.</summary>
    private const double StillStep = 1.5;

    /// <summary>The rep of a layout.</summary>
    public static RepPlay Of(Scene scene)
    {
        var pieces = Cast(scene);
        var at = pieces.Select(piece => piece.Start).ToArray();
        var stands = pieces.Select(piece => piece.Mark).ToArray();
        var last = Math.Max(scene.Steps.Count, scene.Ways.Select(way => way.Step).DefaultIfEmpty(0).Max());
        var first = scene.Ways.Any(way => way.Step == 0) ? 0 : 1;
        var beats = new List<Beat>();
        for (var step = first; step <= last; step++)
        {
            var said = step >= 1 && step <= scene.Steps.Count ? scene.Steps[step - 1] : null;
            var moves = Moves(scene, step, pieces, at, stands);
            var seconds = said?.Seconds ?? moves.Select(move => move.Seconds).DefaultIfEmpty(StillStep).Max();
            beats.Add(new Beat(step, said?.Text ?? InWords(scene, step), seconds, moves));
            foreach (var move in moves)
            {
                at[move.Piece] = move.To;
            }
        }

        return new RepPlay(pieces, beats);
    }

    /// <summary>The text of a step where none was written: "pass from feeder to shooter".</summary>
    private static string InWords(Scene scene, int step) =>
        Text.Phrase.Sentence(
            string.Join(
                "; ",
                scene
                    .Ways.Where(way => way.Step == step)
                    .Select(way => $"{Verb(way.As)} from {scene.Find(way.From)?.Name} to {scene.Find(way.To)?.Name}")
            )
        );

    /// <summary>A way as a word.</summary>
    public static string Verb(Travel travel) =>
        travel switch
        {
            Travel.Run => "run",
            Travel.Carry => "run with the ball",
            Travel.Pass => "pass",
            Travel.Shot => "shot",
            Travel.Rotate => "change places",
            _ => throw new InvalidOperationException("A way nobody knows."),
        };

    private static List<Move> Moves(Scene scene, int step, List<Piece> pieces, Spot[] at, string[] stands)
    {
        var moves = new List<Move>();
        // All of a step happens at once: who stands where is asked of how it was before.
        var before = (string[])stands.Clone();
        foreach (var way in scene.Ways.Where(way => way.Step == step))
        {
            if (way.As != Travel.Pass && way.As != Travel.Shot)
            {
                Go(way, PieceKind.Player);
            }

            if (way.As is Travel.Pass or Travel.Shot or Travel.Carry)
            {
                Go(way, PieceKind.Ball);
            }
        }

        return moves;

        void Go(Way way, PieceKind kind)
        {
            var piece = pieces.FindIndex(each =>
                each.Kind == kind && before[each.Index] == way.From && moves.All(move => move.Piece != each.Index)
            );
            if (piece < 0 || scene.End(way.To) is not { } end)
            {
                return;
            }

            var to = end.ReachedFrom(at[piece]);
            moves.Add(new Move(piece, way.As, at[piece], to, Math.Max(ShortestMove, at[piece].To(to) / SpeedOf(way.As))));
            stands[piece] = way.To;
        }
    }

    /// <summary>The participants and balls: all that are drawn, and those the paths need.</summary>
    private static List<Piece> Cast(Scene scene)
    {
        var pieces = new List<Piece>();
        foreach (var mark in scene.OnFloor.Where(mark => mark.Kind is MarkKind.Player or MarkKind.Coach or MarkKind.Ball))
        {
            Add(mark.Kind == MarkKind.Ball ? PieceKind.Ball : PieceKind.Player, mark);
        }

        var (people, balls) = (Ids(PieceKind.Player), Ids(PieceKind.Ball));
        foreach (var way in scene.Ways.Index().OrderBy(each => each.Item.Step).ThenBy(each => each.Index).Select(each => each.Item))
        {
            var moves = way.As is Travel.Run or Travel.Carry or Travel.Rotate;
            Needs(people, PieceKind.Player, way.From);
            if (way.As is Travel.Pass or Travel.Shot or Travel.Carry)
            {
                Needs(balls, PieceKind.Ball, way.From);
                balls.Add(way.To);
            }

            if (way.As is Travel.Pass)
            {
                Needs(people, PieceKind.Player, way.To);
            }

            if (moves)
            {
                people.Add(way.To);
            }
        }

        return pieces;

        HashSet<string> Ids(PieceKind kind) => [.. pieces.Where(piece => piece.Kind == kind).Select(piece => piece.Mark)];

        // Nobody has come there by now, so a player stands there from the start; nobody stands in a goal, on a line or zone.
        void Needs(HashSet<string> there, PieceKind kind, string id)
        {
            if (scene.End(id) is { } mark && (kind == PieceKind.Ball || mark.IsStoodAt) && there.Add(id))
            {
                Add(kind, mark);
            }
        }

        void Add(PieceKind kind, Placed mark) =>
            pieces.Add(new Piece(pieces.Count, kind, mark.Id, kind == PieceKind.Player ? mark.Label : "", mark.Middle));
    }
}
