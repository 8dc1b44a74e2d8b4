using System.Diagnostics;

namespace KeepTally.Bench;

/// <summary>A disk of a few megabytes in memory, which can be full.</summary>
internal sealed class SmallDisk : IDisposable
{
    private SmallDisk(string path) => Path = path;

    internal string Path { get; }

    private string Filler => System.IO.Path.Combine(Path, "filler");

    /// <exception cref="MissingPart">Only the administrator of a machine may mount a disk.</exception>
    internal static SmallDisk Mount(int bytes)
    {
        var path = Directory.CreateTempSubdirectory("keep-tally-disk").FullName;
        using var mount = Process.Start(new ProcessStartInfo("mount", ["-t", "tmpfs", "-o", $"size={bytes}", "tmpfs", path]))!;
        mount.WaitForExit();
        return mount.ExitCode == 0
            ? new SmallDisk(path)
            : throw new MissingPart("A small disk cannot be mounted: run it as the administrator of the machine.");
    }

    internal void Fill()
    {
        using var file = new FileStream(Filler, FileMode.Create);
        var some = new byte[1 << 16];
        try
        {
            while (true)
            {
                file.Write(some);
                file.Flush();
            }
        }
        catch (IOException)
        {
            // Now it is full.
        }
    }

    internal void Free() => File.Delete(Filler);

    public void Dispose()
    {
        using var unmount = Process.Start(new ProcessStartInfo("umount", ["-l", Path]))!;
        unmount.WaitForExit();
        Directory.Delete(Path);
    }
}
