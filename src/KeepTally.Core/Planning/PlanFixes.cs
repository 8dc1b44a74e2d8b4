using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Text;

namespace KeepTally.Core.Planning;

/// <summary>
/// What fixes a warning: each was tried on the sheet, takes the warning away, and brings none that is worse. Those that bring
/// none at all stand first.
/// </summary>
/// <param name="plan">The plan of the timing sheet.</param>
/// <param name="shelf">The cards that the plan names.</param>
/// <param name="spares">Drills of the book that may be put in, by card, the best first.</param>
public sealed class PlanFixes(Plan plan, CardShelf shelf, IReadOnlyList<string> spares)
{
    private const int MostOffered = 3;
    private const double WaterMinutes = 2;

    private readonly Plan _plan = Keyed(plan);

    /// <summary>The fixes of a warning, the best first; none where no single change is enough.</summary>
    public IReadOnlyList<Fix> For(PlanWarning warning) =>
        Good(warning, Tried(warning)) is { Count: > 0 } good ? good : Good(warning, LastResort(warning));

    private IReadOnlyList<Fix> Good(PlanWarning warning, IEnumerable<IEnumerable<Fix>> ways)
    {
        var before = PlanCheck.Of(_plan, shelf);
        return
        [
            .. ways.SelectMany(way =>
                    way.Select(fix => (Fix: fix, After: PlanCheck.Of(fix.After, shelf)))
                        .Where(each => Fixes(warning, before, each.Fix.After, each.After))
                        .OrderBy(each => each.After.Count)
                        .Take(1)
                )
                .OrderBy(each => each.After.Count)
                .Take(MostOffered)
                .Select(each => each.Fix with { After = Unkeyed(each.Fix.After) }),
        ];
    }

    /// <summary>How bad a warning is, against others: a fix brings none that is worse than what it takes away.</summary>
    public static int Weight(WarningCode code) =>
        code switch
        {
            WarningCode.UnknownDrill => 10,
            WarningCode.ShortOf => 9,
            WarningCode.ShortOfCoaches => 8,
            WarningCode.GroupTooSmall => 7,
            WarningCode.NoWater => 6,
            WarningCode.GroupTooBig => 5,
            WarningCode.HardJump => 4,
            WarningCode.LongWait => 3,
            WarningCode.OverTime => 2,
            WarningCode.LongDrill => 1,
            WarningCode.NoReserve => 0,
            _ => throw new InvalidOperationException("A warning no format knows."),
        };

    private bool Fixes(PlanWarning warning, IReadOnlyList<PlanWarning> before, Plan fix, IReadOnlyList<PlanWarning> after)
    {
        var stood = before.Select(each => Identity(_plan, each)).ToHashSet();
        var stands = after.Select(each => Identity(fix, each)).ToArray();
        return !stands.Contains(Identity(_plan, warning))
            && after.Count <= before.Count
            && after.Zip(stands).All(each => stood.Contains(each.Second) || Weight(each.First.Code) <= Weight(warning.Code));
    }

    private static (WarningCode Code, int? Key, string? Station, string? Item) Identity(Plan plan, PlanWarning warning) =>
        (
            warning.Code,
            warning.Block is { } block ? plan.Blocks[block].Key : null,
            warning is { Block: { } at, Station: { } station } ? plan.Blocks[at].Cards[station] : null,
            warning.Item
        );

    /// <summary>Ways to fix a warning, each with its forms, the least change first: one form of a way is enough.</summary>
    private IEnumerable<IEnumerable<Fix>> Tried(PlanWarning warning)
    {
        var index = warning.Block ?? 0;
        return warning.Code switch
        {
            WarningCode.LongDrill => [Shorter(index, _plan.LongestDrill!.Value)],
            WarningCode.GroupTooBig or WarningCode.LongWait => [Regrouped(index, more: true)],
            WarningCode.GroupTooSmall => [Regrouped(index, more: false)],
            WarningCode.ShortOf => [Regrouped(index, more: false), .. InTurn(warning), Alone(Brought(warning))],
            WarningCode.ShortOfCoaches =>
            [
                Regrouped(index, more: false),
                .. InTurn(warning),
                Alone(
                    new Fix(
                        $"{Phrase.Capital(Phrase.Of(warning.Needed!.Value - warning.Have!.Value, "more coach"))} will help",
                        _plan with
                        {
                            Coaches = warning.Needed,
                        }
                    )
                ),
            ],
            WarningCode.NoWater => [Water(index), Shorter(index, ThirstAt(index))],
            WarningCode.HardJump => [Moved(index), InBetween(index)],
            WarningCode.UnknownDrill => [Alone(TakenOff(warning))],
            WarningCode.OverTime => IntoTime().Select(Alone),
            WarningCode.NoReserve => Reserved().Select(Alone),
            _ => throw new InvalidOperationException("A warning no format knows."),
        };
    }

    /// <summary>Where nothing smaller helps: the line is not done, or not here.</summary>
    private IEnumerable<IEnumerable<Fix>> LastResort(PlanWarning warning)
    {
        if (warning.Block is not { } index)
        {
            yield break;
        }

        if (_plan.Blocks[index] is PlanBlock.Circuit { Stations.Count: > 1 } circuit)
        {
            foreach (
                var (station, id) in circuit
                    .Stations.Index()
                    .Where(each => warning.Station is null || warning.Station == each.Index)
            )
            {
                string[] left = [.. circuit.Stations.Where((_, at) => at != station)];
                yield return Alone(
                    new Fix(
                        $"Remove {shelf.Find(id)?.Name ?? id} from the circuit",
                        _plan.With(index, circuit with { Stations = left, Groups = Math.Min(circuit.GroupCount, left.Length) })
                    )
                );
            }
        }

        yield return Alone(IntoReserve(index));
    }

    private Fix IntoReserve(int index) =>
        new(
            $"Move {shelf.NameOf(_plan.Blocks[index])} to reserve",
            _plan.Without(index) with
            {
                Reserve =
                [
                    .. _plan.Reserve.Concat(_plan.Blocks[index].Cards.Where(card => shelf.Find(card) is not null)).Distinct(),
                ],
            }
        );

    private static IEnumerable<Fix> Alone(Fix fix) => [fix];

    private IEnumerable<Fix> Reserved() =>
        NotOnSheet().Select(card => new Fix($"Add {card.Name} to reserve", _plan with { Reserve = [card.Id] }));

    /// <summary>Drills of the book that stand nowhere on the sheet, the best first.</summary>
    private IEnumerable<DrillCard> NotOnSheet() =>
        spares
            .Where(card => !_plan.Blocks.Any(block => block.Cards.Contains(card)))
            .Select(shelf.Find)
            .OfType<DrillCard>()
            .Take(MostOffered);

    private IEnumerable<Fix> Shorter(int index, double minutes)
    {
        var whole = Math.Floor(minutes / PlanEdits.Step) * PlanEdits.Step;
        if (whole < PlanEdits.Step)
        {
            yield break;
        }

        var block = _plan.Blocks[index].WithMinutes(whole);
        yield return new Fix(
            $"Shorten to {Figure(whole)} minutes{(block is PlanBlock.Circuit ? " at each" : "")}",
            _plan.With(index, Fitted(block))
        );
    }

    /// <summary>A drill with a clock keeps it to its new minutes.</summary>
    private PlanBlock Fitted(PlanBlock block) =>
        block is PlanBlock.Drill drill && BlockReport.StageOf(drill, shelf.Find(drill))?.Clock is not null
            ? drill with
            {
                FitsClock = true,
            }
            : block;

    /// <summary>Other numbers of groups, the nearest first.</summary>
    private IEnumerable<Fix> Regrouped(int index, bool more)
    {
        var groups = PlanEdits.GroupsOf(_plan.Blocks[index]);
        var most = Math.Min(_plan.Players, PlanReader.MostGroups);
        var counts = more
            ? Enumerable.Range(groups + 1, Math.Max(0, most - groups))
            : Enumerable.Range(1, Math.Max(0, groups - 1)).Reverse();
        return counts.Select(count => new Fix(
            $"Make {Phrase.Of(count, "group")}",
            _plan.With(index, _plan.Blocks[index].WithGroups(count))
        ));
    }

    /// <summary>Equipment that is short for all stations at once is enough for one after the other.</summary>
    private IEnumerable<IEnumerable<Fix>> InTurn(PlanWarning warning)
    {
        var index = warning.Block!.Value;
        return _plan.Blocks[index] is PlanBlock.Circuit { Stations.Count: > 1 } circuit
            ? circuit
                .Stations.Index()
                .Where(each => shelf.Find(each.Item) is { } card && Uses(card, warning))
                .Select(each => InTurn(index, circuit, each.Index))
            : [];
    }

    /// <summary>A station by itself after the circuit; the groups stay as many, or are as many as the stations that are left.</summary>
    private IEnumerable<Fix> InTurn(int index, PlanBlock.Circuit circuit, int station)
    {
        var card = shelf.Find(circuit.Stations[station])!;
        string[] left = [.. circuit.Stations.Where((_, at) => at != station)];
        var alone = new PlanBlock.Drill(card.Id, circuit.MinutesEach, 1) { ChangeSeconds = circuit.BetweenSeconds };
        var groups = SuggestedCount.For(_plan, card) ?? 1;
        return new[] { Math.Min(circuit.GroupCount, left.Length), circuit.GroupCount }.Select(count => new Fix(
            $"Run {card.Name} alone after the circuit",
            _plan.With(index, circuit with { Stations = left, Groups = count }).Inserted(index + 1, alone with { Groups = groups })
        ));
    }

    private static bool Uses(DrillCard card, PlanWarning warning) =>
        warning.Code == WarningCode.ShortOfCoaches
            ? card.Coaches > 0
            : card.Equipment.Any(each => each.Item == warning.Item && each.Count > 0);

    private Fix Brought(PlanWarning warning)
    {
        var missing = warning.Needed!.Value - warning.Have!.Value;
        return new Fix(
            $"Borrow {Phrase.Of(missing, warning.Item!)}",
            _plan with
            {
                Equipment = new Dictionary<string, int>(_plan.Equipment!) { [warning.Item!] = warning.Needed.Value },
            }
        );
    }

    /// <summary>The minutes of a line that players can do without a break; at a circuit those at each station.</summary>
    private double ThirstAt(int index) =>
        PlanCheck.ThirstyMinutes / (_plan.Blocks[index] is PlanBlock.Circuit circuit ? circuit.Turns : 1);

    private IEnumerable<Fix> Water(int index)
    {
        var water = new PlanBlock.Break("Water", WaterMinutes);
        for (var before = index; before > 0; before--)
        {
            var watered = _plan.Inserted(before, water);
            var label = $"Add water before {shelf.NameOf(_plan.Blocks[before])}";
            yield return new Fix(label, watered);
            if (watered.Blocks.Sum(block => block.ChangeSeconds + block.Seconds) > watered.Minutes * 60)
            {
                yield return new Fix($"{label}, shorten the rest", FitToTime.Of(watered, shelf));
            }
        }
    }

    /// <summary>Another place on the sheet, the nearest first.</summary>
    private IEnumerable<Fix> Moved(int index) =>
        Enumerable
            .Range(0, _plan.Blocks.Count)
            .Where(to => to != index)
            .OrderBy(to => Math.Abs(to - index))
            .Select(to => new Fix(
                $"Move {(to < index ? "before" : "after")} {shelf.NameOf(_plan.Blocks[to])}",
                _plan.Moved(index, to)
            ));

    private IEnumerable<Fix> InBetween(int index) =>
        NotOnSheet().Where(card => IsStepTo(index, card)).Select(card => StepBefore(index, card));

    /// <summary>A drill of an effort between the one before and the one that jumps.</summary>
    private bool IsStepTo(int index, DrillCard card)
    {
        var before = _plan.Blocks.Take(index).Select(shelf.EffortOf).LastOrDefault(effort => effort is not null);
        return card.Intensity > before && card.Intensity < shelf.EffortOf(_plan.Blocks[index]);
    }

    private Fix StepBefore(int index, DrillCard card) =>
        new(
            $"Add {card.Name} in between",
            _plan.Inserted(
                index,
                _plan.NewDrill(card) with
                {
                    Minutes = CardSense.Of(card, _plan).Least,
                    ChangeSeconds = _plan.Blocks[index].ChangeSeconds,
                }
            )
        );

    private Fix TakenOff(PlanWarning warning)
    {
        if (warning.Block is not { } index)
        {
            return new Fix(
                $"Remove {warning.Item} from the reserve",
                _plan with
                {
                    Reserve = [.. _plan.Reserve.Where(card => card != warning.Item)],
                }
            );
        }

        var repaired =
            _plan.Blocks[index] is PlanBlock.Circuit { Stations.Count: > 1 } circuit && warning.Station is { } station
                ? _plan.With(index, circuit with { Stations = [.. circuit.Stations.Where((_, at) => at != station)] })
                : _plan.Without(index);
        return new Fix($"Remove {warning.Item}", repaired);
    }

    private IEnumerable<Fix> IntoTime()
    {
        yield return new Fix("Shorten all drills to fit", FitToTime.Of(_plan, shelf));
        foreach (var (index, block) in _plan.Blocks.Index().Reverse())
        {
            if (block is PlanBlock.Drill)
            {
                yield return IntoReserve(index);
            }
        }

        var minutes = Math.Ceiling(_plan.Blocks.Sum(block => block.ChangeSeconds + block.Seconds) / 60);
        var end = _plan.Start.Add(TimeSpan.FromMinutes(minutes));
        yield return new Fix($"Extend to {end.ToString("HH:mm", CultureInfo.InvariantCulture)}", _plan with { Minutes = minutes });
    }

    /// <summary>Every line is known by something while changes are tried; new ones by nothing.</summary>
    private static Plan Keyed(Plan plan) =>
        plan with
        {
            Blocks = [.. plan.Blocks.Select((block, index) => block.Key is null ? block with { Key = -1 - index } : block)],
        };

    private static Plan Unkeyed(Plan plan) =>
        plan with
        {
            Blocks = [.. plan.Blocks.Select(block => block.Key < 0 ? block with { Key = null } : block)],
        };

    private static string Figure(double minutes) => minutes.ToString("0.##", CultureInfo.InvariantCulture);
}
