namespace Plinth.Files.Access;

/// <summary>Where a path leads once every link on the way is followed.</summary>
public static class RealPath
{
    // As the system: more links than this on one way are a circle.
    private const int MostLinks = 40;

    /// <summary>
    /// The whole path without links; parts that are not there yet stand as they are written. Points are taken out before links are
    /// followed, as the class library opens files.
    /// </summary>
    /// <param name="path">A path, from the current folder where it is not whole.</param>
    /// <exception cref="IOException">Links lead in a circle.</exception>
    public static string Of(string path)
    {
        var rest = new Stack<string>(Path.GetFullPath(path).Split('/', StringSplitOptions.RemoveEmptyEntries).Reverse());
        var at = "/";
        for (var links = 0; rest.TryPop(out var part);)
        {
            switch (part)
            {
                case "" or ".":
                    continue;
                case "..":
                    at = Path.GetDirectoryName(at) ?? "/";
                    continue;
            }

            var next = Path.Combine(at, part);
            if (new FileInfo(next).LinkTarget is not { } target)
            {
                at = next;
                continue;
            }

            if (++links > MostLinks)
            {
                throw new IOException($"{path}: links lead in a circle");
            }

            at = Path.IsPathRooted(target) ? "/" : at;
            foreach (var p in target.Split('/', StringSplitOptions.RemoveEmptyEntries).Reverse())
            {
                rest.Push(p);
            }
        }

        return at;
    }
}
