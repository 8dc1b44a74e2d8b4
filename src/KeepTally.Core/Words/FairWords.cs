using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Whether everybody comes to every job as often as the others, for so many players, in words.</summary>
public static class FairWords
{
    /// <summary>Empty where places do not move, or where the turn or the play decides who does.</summary>
    public static string Of(Stage stage, int players)
    {
        if (!CanTell(stage, players))
        {
            return "";
        }

        var start = Start(stage, players);
        var fair = Fairness.Of(start, stage.Moves, stage.Rotate);
        return fair.Rotations is { } rotations && Uneven(stage.Places, fair).Length == 0
            ? $"{Who(players)}: after {Phrase.Of(rotations, "change")} everyone has done every job as often as the others.{ByTheClock(stage, start, fair, rotations)}"
            : $"{OverACycle(stage, players, fair)}{(fair.Rotations is { } uneven ? ByTheClock(stage, start, fair, uneven) : "")}";
    }

    /// <summary>Only what cannot be made even, however long it is done; empty where everyone gets the same.</summary>
    public static string Unevenness(Stage stage, int players)
    {
        if (!CanTell(stage, players))
        {
            return "";
        }

        var fair = Fairness.Of(Start(stage, players), stage.Moves, stage.Rotate);
        return fair.Rotations is not null && Uneven(stage.Places, fair).Length == 0 ? "" : OverACycle(stage, players, fair);
    }

    private static bool CanTell(Stage stage, int players)
    {
        var byTurn = stage.Play == Play.Turns && stage.Rotate?.On != RotateTrigger.Turn;
        return !byTurn && players > 1 && Fairness.CanTell(stage.Moves) && stage.Places.All(place => place.Side is null);
    }

    private static Placement Start(Stage stage, int players) =>
        Placement.Fill(stage.Places, Enumerable.Range(0, players).Select(n => new PlayerId($"{n}")));

    private static string Who(int players) => Phrase.Capital(Phrase.Of(players, "player"));

    private static string OverACycle(Stage stage, int players, Fairness fair) =>
        fair.Rotations is { } rotations
            ? $"{Who(players)}: {Uneven(stage.Places, fair)}, over {Phrase.Of(rotations, "change")}."
            : $"{Who(players)}: the places never come round to the start, so goes cannot be made even.";

    /// <summary>The effect of the rounds of the clock, where they are not a whole number of cycles.</summary>
    private static string ByTheClock(Stage stage, Placement start, Fairness cycle, int rotations)
    {
        if (stage is not { Rotate: { On: RotateTrigger.Round } rotate, Clock: { Rounds: > 1 } clock })
        {
            return "";
        }

        // The places do not move on after the last round.
        var goes = 1 + ((clock.Rounds - 1) / rotate.Every);
        Place[] jobs = [.. stage.Places.Where(place => place.Kind == PlaceKind.Spot)];
        var uneven = Uneven(jobs, Fairness.Over(goes, start, stage.Moves, rotate));
        return goes % rotations == 0 || uneven.Length == 0 || uneven == Uneven(jobs, cycle)
            ? ""
            : $" In the {Phrase.Count(clock.Rounds)} rounds of the clock {uneven}.";
    }

    /// <summary>The players who do a job more often than others; empty where none does.</summary>
    private static string Uneven(IEnumerable<Place> jobs, Fairness fair) =>
        Phrase.List([
            .. jobs.Select(place => place.Name)
                .Distinct()
                .Select(job => (Job: job, At: fair.At(job)))
                .Where(each => each.At.Most > each.At.Fewest)
                .GroupBy(each => each.At.Fewest == 0 ? 0 : each.At.Most - each.At.Fewest)
                .SelectMany(alike =>
                    alike.Select(
                        (each, index) =>
                            $"{Gets(alike.Key == 0 ? each.At.HaveAny : each.At.HaveMost, alike.Key, first: index == 0)} as {Phrase.Words(each.Job)}"
                    )
                ),
        ]);

    /// <summary>"only three of them get a go", "two of them get one more go"; after the first of its kind the number alone.</summary>
    /// <param name="count">The number of players.</param>
    /// <param name="more">How many goes more than others; 0 where others get none at all.</param>
    /// <param name="first">True for the first part of the sentence.</param>
    private static string Gets(int count, int more, bool first)
    {
        var gets = count == 1 ? "gets" : "get";
        return !first ? Phrase.Count(count)
            : more == 0 ? $"only {Phrase.Count(count)} of them {gets} a go"
            : $"{Phrase.Count(count)} of them {gets} {Phrase.Count(more)} more {Phrase.Plural(more, "go")}";
    }
}
