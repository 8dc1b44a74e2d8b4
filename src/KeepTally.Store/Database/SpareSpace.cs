namespace KeepTally.Store.Database;

/// <summary>
/// A file that holds a little of the disk. On a full disk a start gives it up: opening the database needs a few pages, and with
/// them what is stored can be read.
/// </summary>
public sealed class SpareSpace(DataFolder data)
{
    /// <summary>Enough for the index of the write-ahead log and what a sign-in adds to it.</summary>
    private const int Bytes = 1 << 20;

    private string File => Path.Combine(data.Path, ".spare");

    /// <summary>Takes the space where it is not held yet and there is enough beside it.</summary>
    public void Hold()
    {
        try
        {
            if (!System.IO.File.Exists(File) && !DiskSpace.IsShort(data.Path))
            {
                // Written out, since a file that is only made longer takes no space.
                System.IO.File.WriteAllBytes(File, new byte[Bytes]);
            }
        }
        catch (IOException)
        {
            // It was taken meanwhile.
            Release();
        }
    }

    /// <summary>Gives the space up.</summary>
    public void Release() => System.IO.File.Delete(File);
}
