using KeepTally.Store.Practices;

namespace KeepTally.Web.Pages.Run;

/// <summary>The run screen: laid out once here; the values come from the core in the browser.</summary>
public sealed class IndexModel(PracticeBook book, LiveRecord record) : LivePageModel(book, record)
{
    public IReadOnlyList<DrillPad> Drills { get; private set; } = [];

    protected override void LayOut(IReadOnlyList<RecordedRun> runs) => Drills = [.. runs.Select(PadOf)];

    private DrillPad PadOf(RecordedRun recorded, int index)
    {
        var block = Practice.Blocks.First(each => each.Id == recorded.Run.BlockId);
        return DrillPad.Of(index, block.Title, block.Minutes, recorded.Fold());
    }
}
