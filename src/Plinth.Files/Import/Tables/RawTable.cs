using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <summary>Rows of a raw table, one after the other: cells of text or numbers, with the place of each.</summary>
internal abstract class RawTable : IDisposable
{
    /// <summary>What is longest in a preview.</summary>
    public const int PreviewRows = 60;

    /// <summary>Its name in messages.</summary>
    public abstract string Name { get; }

    /// <summary>Number of the current row, as a spreadsheet or editor counts it.</summary>
    public abstract int Line { get; }

    /// <summary>Cells of the current row.</summary>
    public abstract int Count { get; }

    /// <summary>Moves to the next row.</summary>
    public abstract bool Next();

    /// <summary>Text of a cell, trimmed; empty where there is none.</summary>
    public abstract ReadOnlySpan<char> Text(int cell);

    /// <summary>Number of a cell.</summary>
    public abstract bool TryNumber(int cell, out RawNumber number);

    /// <summary>Why a cell can be neither text nor number, with the way to mend it; null: it can.</summary>
    public virtual string? Fault(int cell) => null;

    /// <summary>Where a cell stands.</summary>
    public virtual FilePlace Place(int cell) => new(Name, Line, cell + 1);

    /// <summary>Whether all cells of the row are empty.</summary>
    public bool IsBlank
    {
        get
        {
            for (var i = 0; i < Count; i++)
            {
                if (!Text(i).IsEmpty || Fault(i) is not null)
                {
                    return false;
                }
            }

            return true;
        }
    }

    /// <inheritdoc/>
    public virtual void Dispose()
    {
    }
}
