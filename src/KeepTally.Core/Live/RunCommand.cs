namespace KeepTally.Core.Live;

/// <summary>A command to a drill as a whole.</summary>
public enum RunCommand
{
    /// <summary>The clock begins to run.</summary>
    Start,

    /// <summary>The clock stands.</summary>
    Pause,

    /// <summary>The clock goes on.</summary>
    Resume,

    /// <summary>A teaching stop, for a reason.</summary>
    Freeze,

    /// <summary>Places move on.</summary>
    Rotate,

    /// <summary>The turn passes to the next.</summary>
    Turn,

    /// <summary>The clock of one rep begins.</summary>
    Whistle,

    /// <summary>The work under way, or that was last, goes on for another moment.</summary>
    Add,

    /// <summary>The work under way is over a moment sooner.</summary>
    Take,

    /// <summary>The work, the change-over or the break under way is over now.</summary>
    Skip,

    /// <summary>The work under way, or that was last, has all its time again.</summary>
    Repeat,

    /// <summary>The clock has one more round.</summary>
    Another,

    /// <summary>The drill is over; the next one is under way.</summary>
    End,

    /// <summary>The practice is over: the drill under way and all that were not reached are ended.</summary>
    EndPractice,

    /// <summary>The drill before, or the practice, was ended too soon.</summary>
    Back,
}
