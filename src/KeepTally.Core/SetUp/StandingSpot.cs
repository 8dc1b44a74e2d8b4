using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Places;
using KeepTally.Core.Text;

namespace KeepTally.Core.SetUp;

/// <summary>Where on a drawn floor the places and steps of a stage are.</summary>
public static class StandingSpot
{
    /// <summary>The middle of the mark that has the place's id, else its role as id or label; null where none has.</summary>
    public static Spot? Of(Scene scene, Place place) =>
        (scene.Find(place.Id) ?? (place.Role is { } role ? scene.Find(role) ?? Labelled(scene, role) : null))?.Middle;

    /// <summary>
    /// The middle of the mark on the floor that a go is told from: of the place of that id, else the mark whose id or label is the
    /// step's name ("left edge", "8 m"); null where there is none.
    /// </summary>
    /// <param name="scene">The floor.</param>
    /// <param name="places">The places of the stage.</param>
    /// <param name="name">The id of a place, or a step of the ladder as it is called.</param>
    public static Spot? Of(Scene scene, IEnumerable<Place> places, string name) =>
        places.FirstOrDefault(place => place.Id == name) is { } place && Of(scene, place) is { } spot
            ? spot
            : scene
                .OnFloor.FirstOrDefault(mark => mark.Id.Length > 0 && Phrase.Words(mark.Id) == name || mark.Label == name)
                ?.Middle;

    private static Placed? Labelled(Scene scene, string role) => scene.Marks.FirstOrDefault(mark => mark.Label == role);
}
