using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>A player or coach, or a ball, that takes part in a rep.</summary>
/// <param name="Index">Its place among all of them.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Mark">The id of the mark it begins at.</param>
/// <param name="Name">Who it is, as it is written beside that mark; empty for a ball.</param>
/// <param name="Start">Where it begins.</param>
public sealed record Piece(int Index, PieceKind Kind, string Mark, string Name, Spot Start);

/// <summary>A participant of a rep.</summary>
public enum PieceKind
{
    /// <summary>A person: a player, or a coach who plays.</summary>
    Player,

    /// <summary>A ball, shuttle or disc.</summary>
    Ball,
}

/// <summary>One step of a rep.</summary>
/// <param name="Step">Its number, from 1 on; nought is before the first.</param>
/// <param name="Text">What happens, in plain words.</param>
/// <param name="Seconds">How long it takes.</param>
/// <param name="Moves">Who and what goes where, all at once.</param>
public sealed record Beat(int Step, string Text, double Seconds, IReadOnlyList<Move> Moves);

/// <summary>A piece that goes somewhere.</summary>
/// <param name="Piece">Its index.</param>
/// <param name="As">How it goes.</param>
/// <param name="From">Where it leaves.</param>
/// <param name="To">Where it arrives.</param>
/// <param name="Seconds">How long it takes.</param>
public readonly record struct Move(int Piece, Travel As, Spot From, Spot To, double Seconds);
