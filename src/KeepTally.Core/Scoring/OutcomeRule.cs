using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Effects;

namespace KeepTally.Core.Scoring;

/// <summary>An outcome as the fold takes it: what can be told before any tap is told once.</summary>
internal sealed class OutcomeRule(Outcome outcome)
{
    /// <summary>True a success, false a failure, null neither; what is counted of a job is never an attempt.</summary>
    internal bool? Attempt { get; } =
        outcome switch
        {
            { Job: not null } => null,
            { Result: OutcomeResult.Success } => true,
            { Result: OutcomeResult.Failure } => false,
            _ => null,
        };

    /// <summary>Points of the unit tapped.</summary>
    internal double OwnPoints { get; } = outcome.Points.Where(award => award.To is Recipient.Self).Sum(award => award.Points);

    /// <summary>Points that go elsewhere.</summary>
    internal Award[] OtherPoints { get; } = [.. outcome.Points.Where(award => award.To is not Recipient.Self)];

    internal Effect[] Does { get; } = [.. outcome.Does.Cast<Effect>()];

    /// <summary>It is of the player who has a job, and no rep of its own.</summary>
    internal bool IsOfJob { get; } = outcome.Job is not null;

    internal bool TakesReading { get; } = outcome.Reading is not null;
}
