namespace KeepTally.Screen.Views;

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
