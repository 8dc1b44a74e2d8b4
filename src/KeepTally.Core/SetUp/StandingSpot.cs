using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Places;

namespace KeepTally.Core.SetUp;

/// <summary>Where on a drawn floor the places of a stage are.</summary>
public static class StandingSpot
{
    /// <summary>The middle of the mark that has the place's id, else its role as id or label; null where none has.</summary>
    public static Spot? Of(Scene scene, Place place) =>
        (scene.Find(place.Id) ?? (place.Role is { } role ? scene.Find(role) ?? Labelled(scene, role) : null))?.Middle;

    private static Placed? Labelled(Scene scene, string role) => scene.Marks.FirstOrDefault(mark => mark.Label == role);
}
