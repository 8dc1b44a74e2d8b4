namespace KeepTally.Core.Planning;

/// <summary>The minutes of sheets by skill and by effort.</summary>
/// <param name="Skills">Minutes each skill is trained, the most first; a drill of several skills shares its minutes among them.</param>
/// <param name="Efforts">Minutes at each effort, 1 to 5.</param>
public sealed record Balance(IReadOnlyList<(string Skill, double Minutes)> Skills, IReadOnlyList<double> Efforts)
{
    /// <summary>Effort goes from 1 to so much.</summary>
    public const int MostEffort = 5;

    /// <summary>Adds sheets up; at a circuit each station counts for as long as a group is there.</summary>
    public static Balance Of(IEnumerable<Plan> plans, CardShelf shelf)
    {
        var skills = new Dictionary<string, double>(StringComparer.Ordinal);
        var efforts = new double[MostEffort];
        foreach (var block in plans.SelectMany(plan => plan.Blocks))
        {
            var seconds = block is PlanBlock.Circuit circuit ? circuit.WorkSeconds : block.Seconds;
            foreach (var card in block.Cards.Select(id => block is PlanBlock.Drill drill ? shelf.Find(drill) : shelf.Find(id)))
            {
                if (card is null)
                {
                    continue;
                }

                efforts[card.Intensity - 1] += seconds / 60;
                foreach (var skill in card.Skills)
                {
                    skills[skill] = skills.GetValueOrDefault(skill) + (seconds / 60 / card.Skills.Count);
                }
            }
        }

        return new Balance(
            [
                .. skills
                    .OrderByDescending(each => each.Value)
                    .ThenBy(each => each.Key, StringComparer.Ordinal)
                    .Select(each => (each.Key, each.Value)),
            ],
            efforts
        );
    }
}
