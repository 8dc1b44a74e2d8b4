using KeepTally.Store.Practices;
using KeepTally.Web.Pages.Run;

namespace KeepTally.Web.Pages.Board;

/// <summary>The board the players see: the clock, who is where, and who goes where next. It says nothing itself.</summary>
public sealed class IndexModel(PracticeBook book, LiveRecord record) : LivePageModel(book, record);
