using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Core.Json;

namespace KeepTally.Core.Planning;

/// <summary>Reads <c>keep-tally/plan@1</c>. Source: docs/formats.md, section 5.</summary>
public static class PlanReader
{
    /// <summary>The name and version of the format.</summary>
    public const string Format = "keep-tally/plan@1";

    /// <summary>The most lines a sheet has.</summary>
    public const int MostBlocks = 60;

    /// <summary>The most groups a line falls into.</summary>
    public const int MostGroups = 40;

    /// <summary>The most minutes a practice or a line takes.</summary>
    public const double MostMinutes = 600;

    /// <summary>The most seconds between two things.</summary>
    public const double MostSeconds = 3600;

    /// <summary>The most stations of a circuit.</summary>
    public const int MostStations = 12;

    /// <summary>The longest title, place or name of a line.</summary>
    public const int LongestName = 120;

    internal const int MostPlayers = 500;
    internal const int MostThings = 9999;

    private const int Longest = 200_000;
    private const double LeastMinutes = 0.1;

    /// <summary>Reads a sheet, or tells every fault of it.</summary>
    public static Result<Plan> Read(string json)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        if (document is null)
        {
            return Result.Fail<Plan>(faults);
        }

        if (json.Length > Longest)
        {
            return Result.Fail<Plan>(
                new Fault("", $"the sheet has {json.Length} characters", $"a sheet has at most {Longest}: remove some lines")
            );
        }

        var plan = ReadPlan(JsonPlace.Root(document.RootElement, faults));
        return faults.Count == 0 ? Result.Ok(plan) : Result.Fail<Plan>(faults);
    }

    private static Plan ReadPlan(JsonPlace root)
    {
        root.Only(
            "format",
            "title",
            "date",
            "start",
            "place",
            "minutes",
            "players",
            "coaches",
            "age",
            "equipment",
            "caps",
            "blocks",
            "reserve"
        );
        root.Need("format", $"\"format\": \"{Format}\"")?.OneOf((Format, true));
        return new Plan
        {
            Title = Name(root, "title"),
            Date = root.Find("date") is { } date ? ReadDate(date) : null,
            Start = root.Need("start", "when it begins, such as \"17:30\"") is { } start ? ReadTime(start) : default,
            Place = Name(root, "place"),
            Minutes = root.Need("minutes", "how many minutes there are")?.Number(1, MostMinutes) ?? 0,
            Players = root.Need("players", "how many players there are")?.Whole(0, MostPlayers) ?? 0,
            Coaches = root.Find("coaches")?.Whole(0, MostPlayers),
            Age = root.Find("age")?.Whole(1, 120),
            Equipment = root.Find("equipment") is { } things ? ReadThings(things) : null,
            Caps = ReadCaps(root),
            Blocks = ReadBlocks(root),
            Reserve = root.Texts("reserve"),
        };
    }

    private static string Name(JsonPlace place, string name)
    {
        var text = place.TextOr(name, "");
        if (text.Length > LongestName)
        {
            place.Find(name)?.Wrong($"this has {text.Length} characters", $"write {LongestName} at most");
        }

        return text;
    }

    private static DateOnly? ReadDate(JsonPlace place)
    {
        var text = place.Text();
        if (DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date))
        {
            return date;
        }

        if (place.IsText)
        {
            place.Wrong($"\"{text}\" is no day", "write it as 2026-09-03");
        }

        return null;
    }

    private static TimeOnly ReadTime(JsonPlace place)
    {
        var text = place.Text();
        if (
            TimeOnly.TryParseExact(text, ["HH:mm", "HH:mm:ss"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var time)
            || !place.IsText
        )
        {
            return time;
        }

        place.Wrong($"\"{text}\" is no time of day", "write it as 17:30");
        return default;
    }

    private static Dictionary<string, int> ReadThings(JsonPlace place) =>
        place
            .Properties()
            .Select(each => (each.Name, Count: each.Value.Whole(0, MostThings)))
            .ToDictionary(each => each.Name, each => each.Count, StringComparer.Ordinal);

    private static Caps ReadCaps(JsonPlace root)
    {
        if (root.Find("caps") is not { } caps)
        {
            return Caps.Usual;
        }

        caps.Only("drillMinutes", "waitSeconds", "groupSize");
        return new Caps(
            caps.Find("drillMinutes")?.Number(LeastMinutes, MostMinutes),
            caps.Find("waitSeconds")?.Number(0, MostSeconds),
            caps.Find("groupSize")?.Whole(1, MostPlayers)
        );
    }

    private static PlanBlock[] ReadBlocks(JsonPlace root)
    {
        if (root.Need("blocks", "what is done, in order; [] for nothing yet") is not { } list)
        {
            return [];
        }

        PlanBlock[] blocks = [.. list.Items().Select(ReadBlock)];
        if (blocks.Length > MostBlocks)
        {
            list.Wrong($"there are {blocks.Length} lines", $"write {MostBlocks} at most");
        }

        return blocks;
    }

    private static PlanBlock ReadBlock(JsonPlace place)
    {
        PlanBlock read =
            place.Find("circuit") is not null ? ReadCircuit(place)
            : place.Find("break") is not null ? ReadBreak(place)
            : place.Find("talk") is not null ? ReadTalk(place)
            : ReadDrill(place);
        return read with { ChangeSeconds = place.Find("change")?.Number(0, MostSeconds) ?? 0, Takes = place.Texts("takes") };
    }

    private static PlanBlock.Drill ReadDrill(JsonPlace place)
    {
        place.Only("drill", "minutes", "groups", "change", "takes", "stage", "options", "fitsClock", "versus");
        return new PlanBlock.Drill(
            place.NeedText("drill", "the id of its card, or a circuit, a break or a talk"),
            Minutes(place, "minutes"),
            place.Find("groups")?.Whole(1, MostGroups) ?? 1
        )
        {
            Stage = place.Find("stage")?.Whole(0, 50),
            Options =
                place
                    .Find("options")
                    ?.Properties()
                    .ToDictionary(each => each.Name, each => each.Value.Text(), StringComparer.Ordinal)
                ?? [],
            FitsClock = place.Find("fitsClock")?.Boolean() ?? false,
            Versus = place.Find("versus")?.Whole(1, 20),
        };
    }

    private static PlanBlock.Circuit ReadCircuit(JsonPlace place)
    {
        place.Only(
            "circuit",
            "minutesEach",
            "groups",
            "changeSeconds",
            "changeInside",
            "change",
            "takes",
            "reverse",
            "coachesMove"
        );
        var stations = place.Texts("circuit");
        if (stations.Count is 0 or > MostStations)
        {
            place.Find("circuit")?.Wrong($"there are {stations.Count} stations", $"write from 1 to {MostStations}");
        }

        var circuit = new PlanBlock.Circuit(stations, Minutes(place, "minutesEach"), place.Find("groups")?.Whole(1, MostGroups))
        {
            BetweenSeconds = place.Find("changeSeconds")?.Number(0, MostSeconds) ?? 0,
            ChangeInside = place.Find("changeInside")?.Boolean() ?? false,
            Reverse = place.Find("reverse")?.Boolean() ?? false,
            CoachesMove = place.Find("coachesMove")?.Boolean() ?? false,
        };
        if (circuit.Stations.Count > 0 && !circuit.HasWork)
        {
            place
                .Find("changeSeconds")
                ?.Wrong("the walks take all of the time at the stations", "write fewer seconds, or more minutes at each station");
        }

        return circuit;
    }

    private static PlanBlock.Break ReadBreak(JsonPlace place)
    {
        place.Only("break", "minutes", "change", "takes");
        return new PlanBlock.Break(Said(place, "break", "Water"), Minutes(place, "minutes"));
    }

    private static PlanBlock.Talk ReadTalk(JsonPlace place)
    {
        place.Only("talk", "minutes", "change", "takes");
        return new PlanBlock.Talk(Said(place, "talk", "The gates"), Minutes(place, "minutes"));
    }

    private static string Said(JsonPlace place, string name, string example)
    {
        place.NeedText(name, $"what it is called, such as \"{example}\"");
        return Name(place, name);
    }

    private static double Minutes(JsonPlace place, string name) =>
        place.Need(name, "how many minutes it takes")?.Number(LeastMinutes, MostMinutes) ?? 1;
}
