using System.Globalization;
using Microsoft.Data.Sqlite;

namespace KeepTally.Store.Database;

/// <summary>A disk that is full: what is said of it, and how much is needed.</summary>
public static class DiskSpace
{
    /// <summary>The disk space for a start and an evening of practice, with room for the write-ahead log.</summary>
    private const int NeededMegabytes = 50;

    /// <summary>Whether less is free than an evening of practice may need.</summary>
    /// <param name="folder">A folder on the disk.</param>
    public static bool IsShort(string folder) => FreeBytes(folder) < NeededMegabytes * 1024L * 1024;

    /// <summary>Whether so little is free that taps cannot be stored any more.</summary>
    /// <param name="folder">A folder on the disk.</param>
    public static bool IsUsedUp(string folder) => FreeBytes(folder) < 64 * 1024;

    /// <summary>"No space left on device" and "disk quota exceeded" (errno 28 and 122 on Linux).</summary>
    internal static bool IsFull(IOException failure) => (failure.HResult & 0xFFFF) is 28 or 122 || failure.HResult is 28 or 122;

    /// <summary>SQLite result codes, "SQLITE_FULL".</summary>
    internal static bool IsFull(SqliteException failure) => failure.SqliteErrorCode == 13;

    /// <summary>Whether a failure comes from a full disk, by itself or by what caused it.</summary>
    /// <param name="failure">The failure; null for none.</param>
    public static bool IsFull(Exception? failure) =>
        failure switch
        {
            null => false,
            SqliteException sqlite when IsFull(sqlite) => true,
            IOException io when IsFull(io) => true,
            _ => IsFull(failure.InnerException),
        };

    /// <summary>What is said where a start needs space that is not there.</summary>
    /// <param name="folder">A folder on the disk.</param>
    /// <param name="failure">The failure it came to.</param>
    public static DataFolderException Needed(string folder, Exception failure) =>
        new(
            $"The disk that holds {folder} is full{Free(folder)}: {NeededMegabytes} MB are needed. Free some space on it and start again; leave everything in the folder as it is.",
            failure
        );

    private static string Free(string folder) =>
        FreeBytes(folder) is { } free ? string.Create(CultureInfo.InvariantCulture, $" ({free / (1024 * 1024)} MB are free)") : "";

    /// <summary>The free bytes of a disk; null where the system does not tell.</summary>
    public static long? FreeBytes(string folder)
    {
        try
        {
            return new DriveInfo(folder).AvailableFreeSpace;
        }
        catch (Exception unknown) when (unknown is IOException or ArgumentException or UnauthorizedAccessException)
        {
            return null;
        }
    }
}
