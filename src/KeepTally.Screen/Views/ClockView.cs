namespace KeepTally.Screen.Views;

/// <param name="State">The form of the band: ready, countIn, work, change, break, over, paused.</param>
/// <param name="Word">The word beside the clock: work, rest, get ready.</param>
/// <param name="Left">What is left of the interval as the coach reads it, <c>0:43</c>.</param>
/// <param name="Share">What is left of the interval, from 0 to 1.</param>
/// <param name="Round">The round, in words.</param>
/// <param name="Next">What comes next, in words.</param>
/// <param name="Notches">Where the calls come on the band, as shares of the interval.</param>
/// <param name="Urgent">The last five seconds of work.</param>
/// <param name="Rep">What is left of the rep, in whole seconds; empty where reps have no clock.</param>
/// <param name="Whistle">A whistle begins a rep now.</param>
/// <param name="More">The work that was last can be given another moment.</param>
public sealed record ClockView(
    string State,
    string Word,
    string Left,
    double Share,
    string Round,
    string Next,
    IReadOnlyList<double> Notches,
    bool Urgent,
    string Rep,
    bool Whistle,
    bool More
);
