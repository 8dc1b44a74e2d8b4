using KeepTally.Core.Cards;
using KeepTally.Core.Places;

namespace KeepTally.Core.Sheets;

/// <summary>
/// Who stands where as a run goes on: the fold of the same events as the sheet over the places of the stage.
/// Rotations that a tap calls for follow from the tap; those the clock or a coach calls for are said as events.
/// </summary>
public sealed class Floor
{
    private readonly Stage _stage;
    private readonly IReadOnlyList<Unit> _units;
    private int _counted;

    public Floor(Stage stage, IReadOnlyList<Unit> units)
    {
        _stage = stage;
        _units = units;
        var sides = units
            .SelectMany(unit => unit.People.Select(player => (player.Id, Unit: unit.Id)))
            .ToLookup(each => each.Id, each => each.Unit);
        Now = Placement.Fill(stage.Places, sides.Select(player => player.Key), player => sides[player].First());
        Before = Now;
    }

    public Placement Now { get; private set; }

    /// <summary>How everyone stood before the last rotation; the same as <see cref="Now"/> before the first.</summary>
    public Placement Before { get; private set; }

    /// <summary>How often places have moved on.</summary>
    public int Rotations { get; private set; }

    /// <summary>How everyone will stand after the next rotation, as far as it can be told now.</summary>
    public Placement Next => Rotation.Once(Now, _stage.Moves, default);

    /// <summary>Takes an event with what the sheet made of it.</summary>
    public void Apply(RunEvent said, Verdict verdict)
    {
        if (verdict.TurnPassed && _stage.Rotate?.On == RotateTrigger.Turn)
        {
            CountToward(null);
        }

        switch (said)
        {
            case RunEvent.Rotate rotate:
                Rotate(new Rotation.Named(rotate.Winner, rotate.Loser, rotate.Actor));
                break;
            case RunEvent.Sub sub:
                Mend(sub);
                break;
            case RunEvent.Tap when verdict.Kind == VerdictKind.Counted && Triggers(verdict):
                CountToward(_units[verdict.Unit].Id);
                break;
        }
    }

    private bool Triggers(Verdict verdict) =>
        _stage.Rotate?.On switch
        {
            RotateTrigger.Tap => true,
            RotateTrigger.Success => verdict.Attempt == true,
            RotateTrigger.Failure => verdict.Attempt == false,
            RotateTrigger.Attempts => verdict.Attempt is not null,
            _ => false,
        };

    private void CountToward(string? actor)
    {
        if (++_counted % _stage.Rotate!.Every == 0)
        {
            Rotate(new Rotation.Named(null, null, actor));
        }
    }

    private void Rotate(Rotation.Named named)
    {
        Before = Now;
        Now = Rotation.Once(Now, _stage.Moves, named);
        Rotations++;
    }

    /// <summary>Who comes in takes the place of who goes out; alone, the shortest line, else a free spot, else waits.</summary>
    private void Mend(RunEvent.Sub sub)
    {
        Now = Now.With(
            (standing, waiting) =>
            {
                var arrives = sub.In is { } player && Now.Of(player) is null && !waiting.Contains(player) ? player : null;
                var left = standing.Values.Append(waiting).FirstOrDefault(list => sub.Out is { } gone && list.Contains(gone));
                var index = left?.IndexOf(sub.Out!) ?? -1;
                left?.RemoveAt(index);
                if (arrives is null)
                {
                    return;
                }

                if (left is not null)
                {
                    left.Insert(index, arrives);
                    return;
                }

                var line = _stage
                    .Places.Where(place => place.Kind == PlaceKind.Line)
                    .Select(place => standing[place.Id])
                    .MinBy(list => list.Count);
                var spot = _stage
                    .Places.Where(place => place.Kind == PlaceKind.Spot && standing[place.Id].Count < place.Size)
                    .Select(place => standing[place.Id])
                    .FirstOrDefault();
                (spot ?? line ?? waiting).Add(arrives);
            }
        );
    }
}
