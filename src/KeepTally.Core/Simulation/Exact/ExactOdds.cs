using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Core.Simulation.Exact;

/// <summary>
/// Finds the answer by formula or by adding up every way a drill can go, where its rules are of a kind that has one. It stands
/// beside what was played ahead, and the two must agree.
/// </summary>
public static class ExactOdds
{
    /// <summary>The answer for a stage and a skill; null where only playing tells, as with a clock or effects.</summary>
    public static ExactAnswer? Of(Stage stage, Skill skill) =>
        stage.Clock is not null || stage.Limits.Count > 0 || stage.Outcomes.Any(outcome => outcome.Does.Count > 0)
            ? null
            : skill switch
            {
                Skill.Own { Units: [{ Record: null } unit] } => OfOne(stage, unit),
                Skill.Rally rally => stage.Until.Count == 1 ? OfRace(stage, rally) : null,
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
            unit.Outcomes.Where(each => ResultOf(stage, each.Outcome) == result).Sum(each => each.Chance);
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

    /// <summary>A go of which nothing is tapped is no attempt.</summary>
    private static OutcomeResult ResultOf(Stage stage, string id) =>
        stage.Outcomes.FirstOrDefault(outcome => outcome.Id == id)?.Result ?? OutcomeResult.Neutral;

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

    private static ExactAnswer? OfRace(Stage stage, Skill.Rally rally) =>
        RaceOf(stage, rally) is { } race && Race.Of(race.Target, race.Lead, race.Rallies) is { } answer
            ? new ExactAnswer(
                answer.Rallies,
                [(new PlayerId(stage.Sides[0]), answer.FirstWins), (new PlayerId(stage.Sides[1]), 1 - answer.FirstWins)]
            )
            : null;

    /// <summary>The race a match is, where it is one of two sides to so many points; else null.</summary>
    internal static RaceTerms? RaceOf(Stage stage, Skill.Rally rally)
    {
        if (
            stage is not { Play: Play.Match, Sides: [var first, _], Until: [PointsEnding ending, ..] }
            || stage.Ladder is not null
            || stage.Until.Any(each => each is not PointsEnding and not TimeEnding)
            || ending.AtLeast != (int)ending.AtLeast
            || ending.AtLeast < 1
            || ending.Lead != (int)ending.Lead
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

            if (one != (int)one || other != (int)other || one < 0 || other < 0)
            {
                return null;
            }

            rallies.Add(((int)one, (int)other, each.Chance));
        }

        return new RaceTerms((int)ending.AtLeast, (int)ending.Lead, rallies);
    }
}

/// <summary>To what two sides race, and what a rally may give each of them.</summary>
internal sealed record RaceTerms(int Target, int Lead, IReadOnlyList<(int First, int Second, double Chance)> Rallies)
{
    /// <summary>The chance of the first side with so many points at the start.</summary>
    internal double FirstWins(int head, int start) => Race.Of(Target, Lead, Rallies, head, start)?.FirstWins ?? 0.5;
}
