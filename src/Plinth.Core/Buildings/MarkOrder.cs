namespace Plinth.Core.Buildings;

/// <summary>Natural order of marks and labels: runs of digits compare by value, so F2 stands before F10.</summary>
public sealed class MarkOrder : IComparer<string>
{
    /// <summary>The one instance.</summary>
    public static readonly MarkOrder Natural = new();

    /// <inheritdoc/>
    public int Compare(string? x, string? y)
    {
        if (x is null || y is null)
        {
            return string.CompareOrdinal(x, y);
        }

        int i = 0, j = 0;
        while (i < x.Length && j < y.Length)
        {
            if (char.IsAsciiDigit(x[i]) && char.IsAsciiDigit(y[j]))
            {
                var a = Digits(x, ref i);
                var b = Digits(y, ref j);
                var order = a.Length != b.Length ? a.Length.CompareTo(b.Length) : a.SequenceCompareTo(b);
                if (order != 0)
                {
                    return order;
                }
            }
            else if (x[i] != y[j])
            {
                return x[i].CompareTo(y[j]);
            }
            else
            {
                i++;
                j++;
            }
        }

        var rest = (x.Length - i).CompareTo(y.Length - j);
        return rest != 0 ? rest : string.CompareOrdinal(x, y);
    }

    private static ReadOnlySpan<char> Digits(string text, ref int i)
    {
        while (i < text.Length - 1 && text[i] == '0' && char.IsAsciiDigit(text[i + 1]))
        {
            i++;
        }

        var start = i;
        while (i < text.Length && char.IsAsciiDigit(text[i]))
        {
            i++;
        }

        return text.AsSpan(start, i - start);
    }
}
