using KeepTally.Core.Cards;
using KeepTally.Core.Places;

namespace KeepTally.Core.Words;

/// <summary>Whether everybody comes to every job as often as the others, for so many players, in words.</summary>
public static class FairWords
{
    /// <summary>Empty where places do not move, or where the turn or the play decides who does.</summary>
    public static string Of(Stage stage, int players)
    {
        var byTurn = stage.Play == Play.Turns && stage.Rotate?.On != RotateTrigger.Turn;
        if (byTurn || !Fairness.CanTell(stage.Moves) || stage.Places.Any(place => place.Side is not null) || players < 1)
        {
            return "";
        }

        var fair = Fairness.Of(
            Placement.Fill(stage.Places, Enumerable.Range(0, players).Select(n => $"{n}")),
            stage.Moves,
            stage.Rotate
        );
        var who = Phrase.Capital(Phrase.Of(players, "player"));
        if (fair.Rotations is not { } rotations)
        {
            return $"{who}: the places never come round to the start, so goes cannot be made even.";
        }

        var uneven = stage
            .Places.Select(place => place.Name)
            .Distinct()
            .Select(job => (Job: job, At: fair.At(job)))
            .Where(each => each.At.Most > each.At.Fewest)
            .Select(each =>
                each.At.Fewest == 0
                    ? $"only {Phrase.Count(each.At.HaveMost)} of them {Verb(each.At.HaveMost)} to be {Phrase.Words(each.Job)}"
                    : $"{Phrase.Count(each.At.HaveMost)} of them will be {Phrase.Words(each.Job)} {Phrase.Of(each.At.Most - each.At.Fewest, "time")} more"
            )
            .ToArray();
        return uneven.Length == 0
            ? $"{who}: after {Phrase.Of(rotations, "change")} everyone has done every job as often as the others."
            : $"{who}: {Phrase.List(uneven)}, over {Phrase.Of(rotations, "change")}.";
    }

    private static string Verb(int count) => count == 1 ? "comes" : "come";
}
