using System.Text.Json.Serialization;

namespace KeepTally.Screen;

/// <summary>Everything the run screen shows, as values ready to be put on the page.</summary>
/// <param name="Block">The drill under way, from 0; the number of drills once all are over.</param>
/// <param name="Over">True once the practice has ended.</param>
/// <param name="CanGoBack">True where the drill before can be opened again.</param>
/// <param name="Run">The drill under way, or null once all are over.</param>
public sealed record PracticeView(int Block, bool Over, bool CanGoBack, RunView? Run)
{
    /// <summary>Once all drills are over, what came of the last of them and what was not reached; else empty.</summary>
    public string Result { get; init; } = "";
}

/// <param name="Primary">What the big button does now: start, pause, resume or end.</param>
/// <param name="PrimaryLabel">The label of the main button.</param>
/// <param name="Late">How practice stands to its timing sheet; empty within a minute.</param>
/// <param name="Clock">The clock, as it is shown.</param>
/// <param name="Taps">The last taps, the newest first.</param>
/// <param name="Last">The last tap that stands: what the undo button takes back.</param>
/// <param name="Sheets">Each sheet in the order of the page; null where it is not tapped now.</param>
/// <param name="Round">In a circuit, where each group is and goes next.</param>
/// <param name="CanMove">The drill has places that move on.</param>
/// <param name="Contest">Of whom the coach says who won, so that places can move on.</param>
/// <param name="Moves">What can be said to the clock besides starting and stopping it.</param>
/// <param name="CanStop">The clock runs, so it can be stopped to teach.</param>
/// <param name="OwnCounts">Units can say themselves how many they had.</param>
/// <param name="Load">Who is near or over the day's limit of throws and the like; empty where nobody is.</param>
/// <param name="NoteNow">In a break, what a button says that opens a note; else empty.</param>
/// <param name="Habits">How often each habit was seen all practice long, in the order of the team's list.</param>
/// <param name="Prompt">What the coach should do or say now; empty where there is nothing.</param>
/// <param name="Duplicate">The tap that may have been made twice; null for none.</param>
/// <param name="LastBall">What a button says that counts the last ball of the round before; empty where there is none.</param>
/// <param name="NotReached">What ending the practice now would leave out, as a sentence; empty where that is nothing.</param>
public sealed record RunView(
    string Primary,
    string PrimaryLabel,
    string Prompt,
    string Late,
    ClockView Clock,
    IReadOnlyList<SheetView?> Sheets,
    IReadOnlyList<RoundView> Round,
    IReadOnlyList<TapView> Taps,
    TapView? Last,
    bool CanMove,
    bool CanStop,
    ClockMovesView Moves,
    IReadOnlyList<ContestView> Contest,
    bool OwnCounts,
    string NoteNow,
    string Load,
    IReadOnlyList<int> Habits,
    DuplicateTapView? Duplicate,
    string LastBall,
    string NotReached
);

/// <summary>The same tap from two devices at nearly the same moment; the later one is undone where it was one tap.</summary>
public sealed record DuplicateTapView(string Sheet, string Device, int N, string Text);

/// <summary>A player who may have won the duel under way.</summary>
public sealed record ContestView(string Sheet, string Player, string Name);

/// <param name="Add">The work under way, or that was last, can be given another moment.</param>
/// <param name="Take">The work under way can be made shorter.</param>
/// <param name="Skip">What is skipped, as a button says it; empty where nothing is.</param>
/// <param name="Repeat">What is done again, as a button says it; empty where nothing is.</param>
/// <param name="Another">There can be one more round.</param>
public sealed record ClockMovesView(bool Add, bool Take, string Skip, string Repeat, bool Another);

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

/// <param name="Id">The id of the sheet.</param>
/// <param name="Done">True once the sheet is over.</param>
/// <param name="Result">The result in a sentence; empty while it is not over.</param>
/// <param name="Aim">What is played for, as it stands; empty where the clock shows it.</param>
/// <param name="Versus">How many of each side are at work, such as "3 v 3"; empty where there are no sides, or all is over.</param>
/// <param name="Games">Which game of several this is, and who won those before; empty in the first.</param>
/// <param name="Again">How it can be played again; null while it is not played out.</param>
/// <param name="Clock">In a circuit, where the station's own clock stands; else empty.</param>
/// <param name="Group">In a circuit, the group that is here; else empty.</param>
/// <param name="Rows">The rows, in order.</param>
/// <param name="Helpers">The helpers of the sheet.</param>
/// <param name="People">The players with their places.</param>
public sealed record SheetView(
    string Id,
    bool Done,
    string Result,
    string Aim,
    string Versus,
    string Games,
    AgainView? Again,
    string Clock,
    string Group,
    IReadOnlyList<RowView> Rows,
    IReadOnlyList<HelperView> Helpers,
    IReadOnlyList<PersonView> People
);

/// <summary>Anyone who an outcome that belongs to a job is counted for now.</summary>
/// <param name="Unit">The player; null where nobody has the job, or all is over.</param>
/// <param name="Name">The player's name.</param>
public sealed record HelperView(string? Unit, string Name);

/// <param name="Ends">Sides may change ends first.</param>
/// <param name="Moves">Those who wait may come on first.</param>
public sealed record AgainView(bool Ends, bool Moves);

/// <summary>The places of a sheet as they are drawn, in units of the board.</summary>
/// <param name="Sheet">The id of the sheet.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Width">The width of the floor.</param>
/// <param name="Height">The height of the floor.</param>
/// <param name="Places">The places, in the order of the card.</param>
/// <param name="Bibs">The bibs, one for each player.</param>
/// <param name="Scores">How everybody who carries a score stands, in their order; none where nobody does.</param>
/// <param name="Moving">The places are moving on now.</param>
public sealed record BoardView(
    string Sheet,
    string Name,
    double Width,
    double Height,
    IReadOnlyList<BoardBox> Places,
    IReadOnlyList<BibView> Bibs,
    IReadOnlyList<BoardScore> Scores,
    bool Moving
)
{
    /// <summary>The lead as it went, drawn as SVG; empty where no lead is told.</summary>
    [JsonIgnore]
    public string Lead { get; init; } = "";

    /// <summary>The scores, the lead, and the board drawn as SVG.</summary>
    public string Picture => BoardDrawing.Of(this);
}

/// <param name="Name">The name, as it is shown.</param>
/// <param name="Figure">The figure that the pad shows.</param>
/// <param name="Leads">True for the unit that leads.</param>
/// <param name="Turn">It is this one's turn, or this side has the ball.</param>
public sealed record BoardScore(string Name, string Figure, bool Leads, bool Turn);

public sealed record BoardBox(double X, double Y, double W, double H, string Name, bool Line, bool Active);

/// <summary>A player's bib: where it stands, and where it goes next.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Letters">The letters on the bib.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Pattern">Which of the four bibs.</param>
/// <param name="X">The left edge, as a share of the width.</param>
/// <param name="Y">The upper edge, as a share of the height.</param>
/// <param name="Size">The size, as a share of the width.</param>
/// <param name="ToX">The left edge after the rotation.</param>
/// <param name="ToY">The upper edge after the rotation.</param>
/// <param name="ToSize">The size after the rotation.</param>
/// <param name="Arrow">The way there as an SVG path; empty for who stays at the place.</param>
public sealed record BibView(
    string Id,
    string Letters,
    string Name,
    int Pattern,
    double X,
    double Y,
    double Size,
    double ToX,
    double ToY,
    double ToSize,
    string Arrow
);

/// <summary>The players of a drill, and those who may come in.</summary>
public sealed record WhoView(IReadOnlyList<GroupView> Groups, IReadOnlyList<BenchView> Bench);

/// <param name="Sheet">The sheet on which a player who joins the group comes in.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Players">The players, in order.</param>
public sealed record GroupView(string Sheet, string Name, IReadOnlyList<OnView> Players);

/// <param name="Id">The id of the player.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Call">What they are called in passing.</param>
/// <param name="Goes">How often at each job so far; empty where nobody moves.</param>
public sealed record OnView(string Id, string Name, string Call, string Goes);

/// <param name="Id">The id of the player.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Call">What they are called in passing.</param>
/// <param name="Note">Why not in the drill under way; empty where they may come in.</param>
public sealed record BenchView(string Id, string Name, string Call, string Note);

/// <summary>One line of the pad: whom a tap there means, and how that unit stands.</summary>
/// <param name="Unit">The unit's id, or null where nobody stands.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Score">The score, in words.</param>
/// <param name="Strokes">The score as strokes.</param>
/// <param name="Detail">How the unit stands besides its score.</param>
/// <param name="Gate">The open window of a ladder: <c>h</c> a hit, <c>m</c> a miss, <c>-</c> still to come.</param>
/// <param name="Streak">The successes in a row.</param>
/// <param name="Done">True once it is over.</param>
/// <param name="Leads">True for the unit that leads.</param>
/// <param name="Asked">The zone asked next, or empty.</param>
/// <param name="Barred">What a tap may not carry again now, each as <c>tag=value</c> on a line of its own.</param>
/// <param name="Said">What the next tap carries until the coach says otherwise, written likewise.</param>
/// <param name="Waits">It is another's turn.</param>
/// <param name="Ball">This side has the ball.</param>
/// <param name="Withheld">Outcomes that are not this unit's to be tapped for now, each on a line of its own.</param>
/// <param name="Members">Who makes up the group or side now, by first names.</param>
/// <param name="Last">Whether this is the last ball of a round that is over.</param>
public sealed record RowView(
    string? Unit,
    string Name,
    string Score,
    int Strokes,
    string Detail,
    string Gate,
    string Streak,
    bool Done,
    bool Last,
    bool Leads,
    string Asked,
    string Barred,
    string Said,
    bool Waits,
    bool Ball,
    string Withheld,
    string Members
)
{
    /// <summary>The line of a place where nobody stands.</summary>
    public static RowView Nobody { get; } =
        new(null, "Nobody here", "", 0, "", "", "", false, false, false, "", "", "", false, false, "", "");
}

/// <summary>A group on its way round a circuit.</summary>
/// <param name="Letter">The letter of the group.</param>
/// <param name="Pattern">Which of the four bibs.</param>
/// <param name="Players">The names of the players.</param>
/// <param name="Here">The station where it is, by number and name.</param>
/// <param name="Next">Where it goes next; empty in the last round.</param>
/// <param name="Moving">It is on its way there now.</param>
public sealed record RoundView(string Letter, int Pattern, string Players, string Here, string Next, bool Moving);

/// <param name="Name">The name, as it is shown.</param>
/// <param name="Here">The place the player stands at.</param>
/// <param name="Next">The place the player goes to next.</param>
/// <param name="Moving">The places are moving on now: from here to there.</param>
public sealed record PersonView(string Name, string Here, string Next, bool Moving);

/// <param name="Sheet">The id of the sheet.</param>
/// <param name="Device">The device it came from.</param>
/// <param name="N">The number of the event on its device.</param>
/// <param name="Text">The tap, in words.</param>
/// <param name="Undone">True once it was undone.</param>
/// <param name="Move">Places moved on; not a tap.</param>
/// <param name="Note">Empty, or why the tap did not count.</param>
public sealed record TapView(string Sheet, string Device, int N, string Text, bool Undone, bool Move, string Note)
{
    /// <summary>Who, what or where it was can be put right.</summary>
    public bool CanChange { get; init; }

    /// <summary>Why the undo button asks before it takes this back, as it stands before the text: "Other device"; empty where it does so at once.</summary>
    public string Ask { get; init; } = "";
}

/// <summary>The properties of a tap that can be corrected.</summary>
/// <param name="Text">The tap as it reads now.</param>
/// <param name="Late">It does not count because it came late, and can be counted by hand.</param>
/// <param name="Units">Whose it may have been; none where it can be nobody else's.</param>
/// <param name="Outcomes">The outcomes that can be chosen.</param>
/// <param name="Zones">The zones that can be chosen.</param>
/// <param name="Tags">The tags that can be chosen.</param>
public sealed record AmendView(
    string Text,
    bool Late,
    IReadOnlyList<PickView> Units,
    IReadOnlyList<PickView> Outcomes,
    IReadOnlyList<PickView> Zones,
    IReadOnlyList<TagPickView> Tags
);

/// <summary>A kind of tag of a tap, with its values.</summary>
/// <param name="Tag">The id of the kind of tag.</param>
/// <param name="Name">What the tag is called.</param>
/// <param name="Picks">The choices.</param>
public sealed record TagPickView(string Tag, string Name, IReadOnlyList<PickView> Picks);

/// <summary>One of several that can be picked.</summary>
/// <param name="Id">The id of the choice.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="On">It is what stands now.</param>
public sealed record PickView(string Id, string Name, bool On);
