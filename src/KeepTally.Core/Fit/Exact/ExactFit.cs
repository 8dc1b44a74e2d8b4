using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Core.Fit.Exact;

/// <summary>What can be reckoned of a drill without playing it.</summary>
/// <param name="Reps">The reps to be expected.</param>
/// <param name="Wins">In a match the chance of each side; else empty.</param>
public sealed record ExactAnswer(double Reps, IReadOnlyList<(PlayerId Unit, double Chance)> Wins);

/// <summary>
/// Finds the answer by formula or by reckoning every way a drill can go, where its rules are of a kind that has one. It stands
/// beside what was played ahead, and the two must agree.
/// </summary>
public static class ExactFit
{
    /// <summary>The answer for a stage and a skill; null where only playing tells, as with a clock or effects.</summary>
    public static ExactAnswer? Of(Stage stage, Skill skill) =>
        stage.Clock is not null || stage.Limits.Count > 0 || stage.Outcomes.Any(outcome => outcome.Does.Count > 0)
            ? null
            : skill switch
            {
                Skill.Own { Units: [{ Record: null } unit] } => OfOne(stage, unit),
                Skill.Rally rally => OfRace(stage, rally),
                Skill.Own or Skill.Ball => null,
                _ => throw new InvalidOperationException("The kinds of skill are a closed set."),
            };

    private static ExactAnswer? OfOne(Stage stage, UnitSkill unit)
    {
        if (stage.Targets is { } targets)
        {
            return stage.Until.Count == 0 ? new ExactAnswer(targets.Asked, []) : null;
        }

        double Chance(OutcomeResult result) =>
            unit
                .Outcomes.Where(each => stage.Outcomes.First(outcome => outcome.Id == each.Outcome).Result == result)
                .Sum(each => each.Chance);
        var (made, tried) = (Chance(OutcomeResult.Success), 1 - Chance(OutcomeResult.Neutral));
        if (made <= 0 || tried <= 0)
        {
            return null;
        }

        // A go that is no attempt is a rep all the same.
        var attempts = (stage.Ladder, stage.Until) switch
        {
            ({ } ladder, []) => OfLadder(ladder, stage, made / tried),
            (null, [AttemptsEnding ending]) => ending.Count,
            (null, [SuccessesEnding ending]) => ExpectedTries.ForSuccesses(ending.Count, made / tried),
            (null, [StreakEnding ending]) => InARow(stage, ending.Count, made / tried),
            (null, [TapsEnding ending]) => ending.Count * tried,
            _ => (double?)null,
        };
        return attempts is { } goes && double.IsFinite(goes) ? new ExactAnswer(goes / tried, []) : null;
    }

    private static double? OfLadder(Ladder ladder, Stage stage, double chance)
    {
        if (ladder.Rungs.Count is not { } rungs)
        {
            return null;
        }

        double? each = ladder.Pass switch
        {
            Pass.Makes makes => ExpectedTries.ForSuccesses(makes.Successes, chance),
            Pass.InARow run => InARow(stage, run.Streak, chance),
            // Windows that are lost are begun again, at the same step: so many of them as it takes for one to be passed.
            Pass.Window window when ladder.Fail is WindowShort.Retry or WindowShort.Out => WindowOdds.Of(window, chance) is var odds
                ? odds.Goes / odds.Passes
                : null,
            _ => null,
        };
        return each * rungs * ladder.Laps;
    }

    private static double InARow(Stage stage, int count, double chance) =>
        stage.Streak == StreakMiss.Hold ? ExpectedTries.ForSuccesses(count, chance) : ExpectedTries.InARow(count, chance);

    private static ExactAnswer? OfRace(Stage stage, Skill.Rally rally)
    {
        if (
            stage is not { Play: Play.Match, Sides: [var first, var second], Until: [PointsEnding ending] }
            || stage.Ladder is not null
        )
        {
            return null;
        }

        var rallies = new List<(int First, int Second, double Chance)>();
        foreach (var each in rally.Outcomes)
        {
            var (one, other) = (0.0, 0.0);
            foreach (var award in stage.Outcomes.First(outcome => outcome.Id == each.Outcome).Points)
            {
                var toFirst = award.To switch
                {
                    Recipient.Self => each.Unit.Value == first,
                    Recipient.Other => each.Unit.Value != first,
                    Recipient.Named named => named.Unit == first,
                    _ => throw new InvalidOperationException("The kinds of recipient are a closed set."),
                };
                (one, other) = toFirst ? (one + award.Points, other) : (one, other + award.Points);
            }

            rallies.Add(((int)one, (int)other, each.Chance));
            if (one != (int)one || other != (int)other || one < 0 || other < 0)
            {
                return null;
            }
        }

        return
            ending.AtLeast == (int)ending.AtLeast
            && ending.Lead == (int)ending.Lead
            && Race.Of((int)ending.AtLeast, (int)ending.Lead, rallies) is { } race
            ? new ExactAnswer(race.Rallies, [(new PlayerId(first), race.FirstWins), (new PlayerId(second), 1 - race.FirstWins)])
            : null;
    }
}
