namespace KeepTally.Core.Courts;

/// <summary>Every court and field whose sizes are known here.</summary>
public static class CourtList
{
    /// <summary>All of them, those of the shipped drills first.</summary>
    public static IReadOnlyList<Court> All { get; } =
    [
        HallCourts.Handball,
        FieldCourts.FieldHockey,
        HallCourts.Netball,
        HallCourts.Floorball,
        FieldCourts.Ultimate,
        NetCourts.Badminton,
        FieldCourts.Football,
        HallCourts.Futsal,
        FieldCourts.Rugby,
        NetCourts.Tennis,
        NetCourts.Volleyball,
        NetCourts.BeachVolleyball,
        HallCourts.Basketball,
        NetCourts.Pickleball,
        FieldCourts.GaelicFootball,
        YardCourts.AmericanFootball,
        YardCourts.MenLacrosse,
        YardCourts.WomenLacrosse,
        YardCourts.CricketField,
        YardCourts.CricketPitch,
        YardCourts.Baseball,
        YardCourts.YouthBaseball,
        YardCourts.Softball,
        YardCourts.YouthSoftball,
    ];

    private static readonly Dictionary<string, Court> ById = All.ToDictionary(court => court.Id, StringComparer.OrdinalIgnoreCase);

    /// <summary>The court of an id, or null where its size is not known here.</summary>
    public static Court? Find(string id) => ById.GetValueOrDefault(id);
}
