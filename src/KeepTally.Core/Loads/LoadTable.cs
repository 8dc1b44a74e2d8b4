using System.Globalization;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Loads;

/// <summary>
/// The limits a club goes by: what it has written down itself, or what is suggested until then. As text a line each:
/// <c>throw 9-10: 75; 21=1 36=2</c> is seventy-five throws a day at nine and ten, from twenty-one on one day of rest, from thirty-six on two.
/// </summary>
/// <param name="Rows">By kind and age.</param>
/// <param name="IsOwn">The club has written them down itself.</param>
public sealed record LoadTable(IReadOnlyList<LoadRow> Rows, bool IsOwn)
{
    private const int MostLines = 100;
    private const int Oldest = 99;
    private const int MostOfDay = 10_000;
    private const int MostRest = 30;

    /// <summary>What is suggested to a club that has written down nothing.</summary>
    public static LoadTable Suggested { get; } =
        new([.. LoadLimits.Throws.Select(limit => new LoadRow("throw", limit))], IsOwn: false);

    /// <summary>Where the limits are from.</summary>
    public string Source => IsOwn ? "the club's own limits" : LoadLimits.Suggested;

    /// <summary>The limit for a kind of load and an age; null where there is none. Who is younger than the youngest has the limit of those.</summary>
    /// <param name="kind">What is counted, as <c>throw</c> on a card.</param>
    /// <param name="age">The age in years; null where it is not known.</param>
    public LoadLimit? For(string kind, int age)
    {
        var limits = Rows.Where(row => row.Kind == kind).Select(row => row.Limit).OrderBy(limit => limit.FromAge).ToArray();
        return limits.Length == 0 ? null
            : age < limits[0].FromAge ? limits[0]
            : Array.Find(limits, limit => age >= limit.FromAge && age <= limit.ToAge);
    }

    /// <summary>As a coach writes them, a line each.</summary>
    public override string ToString() => string.Join('\n', Rows.Select(Line));

    /// <summary>The club's own limits, or every fault in them.</summary>
    public static Result<LoadTable> Read(string text)
    {
        var (rows, faults) = (new List<LoadRow>(), new List<Fault>());
        foreach (var (index, line) in text.ReplaceLineEndings("\n").Split('\n').Index())
        {
            if (string.IsNullOrWhiteSpace(line))
            {
                continue;
            }

            if (Row(line.Trim()) is { } row)
            {
                rows.Add(row);
            }
            else
            {
                faults.Add(
                    new Fault(
                        $"line {index + 1}",
                        $"\"{line.Trim()}\" is no limit",
                        "write it as throw 9-10: 75; 21=1 36=2, more and more rest"
                    )
                );
            }
        }

        if (rows.Count > MostLines)
        {
            faults.Add(new Fault("", "these are too many lines", $"write {MostLines} at most"));
        }

        foreach (var (first, second) in Overlaps(rows))
        {
            faults.Add(
                new Fault(
                    "",
                    $"{first.Kind} {first.Limit.FromAge}-{first.Limit.ToAge} and {second.Limit.FromAge}-{second.Limit.ToAge} speak of the same age",
                    "give each age one line"
                )
            );
        }

        return faults.Count > 0 ? Result<LoadTable>.Fail(faults) : Result<LoadTable>.Ok(new LoadTable(rows, IsOwn: true));
    }

    private static IEnumerable<(LoadRow, LoadRow)> Overlaps(List<LoadRow> rows) =>
        rows.SelectMany(
            (row, index) =>
                rows.Skip(index + 1)
                    .Where(other =>
                        other.Kind == row.Kind && other.Limit.FromAge <= row.Limit.ToAge && row.Limit.FromAge <= other.Limit.ToAge
                    )
                    .Select(other => (row, other))
        );

    private static string Line(LoadRow row)
    {
        var rest = string.Join(
            ' ',
            row.Limit.Rest.Where(step => step.Days > 0)
                .Select(step => string.Create(CultureInfo.InvariantCulture, $"{step.From}={step.Days}"))
        );
        return string.Create(CultureInfo.InvariantCulture, $"{row.Kind} {row.Limit.FromAge}-{row.Limit.ToAge}: {row.Limit.PerDay}")
            + (rest.Length > 0 ? $"; {rest}" : "");
    }

    private static LoadRow? Row(string line)
    {
        var head = line.Split(':', 2, StringSplitOptions.TrimEntries);
        var words = head[0].Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var ages = words.Length == 2 ? words[1].Split('-', 2) : [];
        var figures = head.Length == 2 ? head[1].Split(';', 2, StringSplitOptions.TrimEntries) : [];
        if (
            ages.Length != 2
            || figures.Length == 0
            || !words[0].All(letter => char.IsAsciiLetterLower(letter) || letter == '-')
            || Whole(ages[0], 0, Oldest) is not { } from
            || Whole(ages[1], from, Oldest) is not { } to
            || Whole(figures[0], 1, MostOfDay) is not { } perDay
        )
        {
            return null;
        }

        var steps = new List<RestStep> { new(1, 0) };
        foreach (var step in figures.Length == 2 ? figures[1].Split(' ', StringSplitOptions.RemoveEmptyEntries) : [])
        {
            var parts = step.Split('=');
            if (
                parts.Length != 2
                || Whole(parts[0], steps[^1].From, MostOfDay) is not { } least
                || Whole(parts[1], steps[^1].Days + 1, MostRest) is not { } days
            )
            {
                return null;
            }

            steps.Add(new RestStep(least, days));
        }

        return new LoadRow(words[0], new LoadLimit(from, to, perDay, steps));
    }

    private static int? Whole(string text, int least, int most) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number >= least && number <= most
            ? number
            : null;
}

/// <summary>A limit of one kind of load.</summary>
/// <param name="Kind">What is counted, as <c>throw</c> on a card.</param>
/// <param name="Limit">The limit of load.</param>
public sealed record LoadRow(string Kind, LoadLimit Limit);
