using KeepTally.Core.Events;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Live;

/// <summary>An event and the sheet it is of.</summary>
public readonly record struct SheetEvent(SheetId Sheet, RunEvent Event);
