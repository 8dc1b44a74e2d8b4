using KeepTally.Core.Faults;
using KeepTally.Store.Book;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>The cards a run is kept by, as they were when practice began.</summary>
internal static class RunCards
{
    /// <summary>Why one of them no longer reads, or null where all do.</summary>
    internal static Fault? FaultOf(Run run, TextCache texts) =>
        run
            .Sheets.Select(sheet => texts.Read(sheet.CardJson ?? run.CardJson, texts.Head(sheet.HeadJson).Options))
            .FirstOrDefault(read => !read.IsOk)
            ?.Faults[0];
}
