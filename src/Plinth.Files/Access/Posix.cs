using System.Buffers.Binary;
using System.Runtime.InteropServices;
using Microsoft.Win32.SafeHandles;

namespace Plinth.Files.Access;

/// <summary>What a file is, as far as it matters here.</summary>
/// <param name="Mode">Kind and permissions, as statx(2) gives them.</param>
/// <param name="Links">Names that it has.</param>
/// <param name="Owner">User.</param>
/// <param name="Group">Group.</param>
/// <param name="Device">File system on which it lies.</param>
/// <param name="Inode">Its number there.</param>
/// <param name="Size">Length in bytes.</param>
public readonly record struct FileFacts(int Mode, uint Links, uint Owner, uint Group, (uint Major, uint Minor) Device, ulong Inode,
    long Size)
{
    private const int KindMask = 0xF000;
    private const int Regular = 0x8000;
    private const int Directory = 0x4000;

    /// <summary>Whether it is a regular file.</summary>
    public bool IsRegular => (Mode & KindMask) == Regular;

    /// <summary>Its kind in words.</summary>
    public string Kind => (Mode & KindMask) switch
    {
        Regular => "a regular file",
        Directory => "a folder",
        0x1000 => "a pipe",
        0x2000 or 0x6000 => "a device",
        0xC000 => "a socket",
        _ => "no regular file",
    };

    /// <summary>Permissions alone.</summary>
    public UnixFileMode Permissions => (UnixFileMode)(Mode & 0xFFF);

    /// <summary>Whether nobody may write it.</summary>
    public bool ReadOnly => (Mode & 0x92) == 0;

    /// <summary>Whether both are names of one file.</summary>
    public bool Same(FileFacts other) => Inode == other.Inode && Device == other.Device;
}

/// <summary>
/// The few calls of the system that the class library does not have: opening without waiting, kind of a file, locks, owners.
/// </summary>
public static partial class Posix
{
    // Values of Linux on x64 and arm64 alike.
    private const int ReadWrite = 2;
    private const int NonBlocking = 0x800;
    private const int GetFlags = 1;
    private const int CloseOnExec = 0x80000;
    private const int AtCurrentFolder = -100;
    private const int EmptyPath = 0x1000;
    private const uint BasicFacts = 0x7FF;
    private const int Exclusive = 2;
    private const int WithoutWaiting = 4;
    private const int WouldBlock = 11;
    private const int NotPermitted = 1;

    /// <summary>Opens a file or folder to read. A pipe or device is opened at once, without waiting for its other end.</summary>
    /// <exception cref="IOException">It cannot be opened.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be opened.</exception>
    public static SafeFileHandle OpenToRead(string path)
    {
        var handle = new SafeFileHandle(Open(Path.GetFullPath(path), NonBlocking | CloseOnExec, 0), ownsHandle: true);
        return handle.IsInvalid ? throw Fault(path, Marshal.GetLastPInvokeError()) : handle;
    }

    /// <summary>What an open file is.</summary>
    /// <param name="handle">The open file.</param>
    /// <exception cref="IOException">The system does not tell.</exception>
    public static FileFacts Of(SafeFileHandle handle)
    {
        ArgumentNullException.ThrowIfNull(handle);
        return Facts((int)handle.DangerousGetHandle(), "", EmptyPath)
            ?? throw new IOException("cannot be looked at: " + Marshal.GetPInvokeErrorMessage(Marshal.GetLastPInvokeError()));
    }

    /// <summary>What stands at a path, links followed; null: nothing that can be seen.</summary>
    public static FileFacts? At(string path) => Facts(AtCurrentFolder, Path.GetFullPath(path), 0);

    /// <summary>Takes the lock of an open folder, which ends with its process.</summary>
    /// <returns>False if another process has it; null where the file system has no locks.</returns>
    public static bool? TryLock(SafeFileHandle handle)
    {
        ArgumentNullException.ThrowIfNull(handle);
        return FLock((int)handle.DangerousGetHandle(), Exclusive | WithoutWaiting) == 0 ? true
            : Marshal.GetLastPInvokeError() == WouldBlock ? false
            : null;
    }

    /// <summary>Gives a file to an owner.</summary>
    /// <returns>False if that is not allowed.</returns>
    public static bool TryGive(SafeFileHandle handle, uint owner, uint group)
    {
        ArgumentNullException.ThrowIfNull(handle);
        return FChown((int)handle.DangerousGetHandle(), owner, group) == 0;
    }

    /// <summary>Whether a process runs on this machine.</summary>
    public static bool IsAlive(int process) => Kill(process, 0) == 0 || Marshal.GetLastPInvokeError() == NotPermitted;

    /// <summary>
    /// Opens what takes the place of standard streams that were closed, so that no file of the project gets their numbers. Results written
    /// to a closed output fail.
    /// </summary>
    public static void OpenStandardStreams()
    {
        for (var stream = 0; stream <= 2; stream++)
        {
            if (FCntl(stream, GetFlags) < 0)
            {
                _ = Open("/dev/null", stream == 1 ? 0 : ReadWrite, 0);
            }
        }
    }

    private static FileFacts? Facts(int folder, string path, int flags)
    {
        // struct statx is laid out alike on every architecture.
        Span<byte> b = stackalloc byte[256];
        return StatX(folder, path, flags, BasicFacts, b) != 0
            ? null
            : new FileFacts(
                BinaryPrimitives.ReadUInt16LittleEndian(b[28..]),
                BinaryPrimitives.ReadUInt32LittleEndian(b[16..]),
                BinaryPrimitives.ReadUInt32LittleEndian(b[20..]),
                BinaryPrimitives.ReadUInt32LittleEndian(b[24..]),
                (BinaryPrimitives.ReadUInt32LittleEndian(b[136..]), BinaryPrimitives.ReadUInt32LittleEndian(b[140..])),
                BinaryPrimitives.ReadUInt64LittleEndian(b[32..]),
                (long)BinaryPrimitives.ReadUInt64LittleEndian(b[40..]));
    }

    private static Exception Fault(string path, int error) => error switch
    {
        2 or 20 => new FileNotFoundException($"there is no file {path}", path),
        1 or 13 => new UnauthorizedAccessException($"access to {path} is denied"),
        _ => new IOException(Marshal.GetPInvokeErrorMessage(error)),
    };

    [LibraryImport("libc", EntryPoint = "open", StringMarshalling = StringMarshalling.Utf8, SetLastError = true)]
    private static partial int Open(string path, int flags, uint mode);

    [LibraryImport("libc", EntryPoint = "fcntl", SetLastError = true)]
    private static partial int FCntl(int file, int command);

    [LibraryImport("libc", EntryPoint = "statx", StringMarshalling = StringMarshalling.Utf8, SetLastError = true)]
    private static partial int StatX(int folder, string path, int flags, uint mask, Span<byte> facts);

    [LibraryImport("libc", EntryPoint = "flock", SetLastError = true)]
    private static partial int FLock(int file, int operation);

    [LibraryImport("libc", EntryPoint = "fchown", SetLastError = true)]
    private static partial int FChown(int file, uint owner, uint group);

    [LibraryImport("libc", EntryPoint = "kill", SetLastError = true)]
    private static partial int Kill(int process, int signal);
}
