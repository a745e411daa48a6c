using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;

namespace Plinth.Core.Sizing;

/// <summary>A part of a layer whose bars are sought: so many of one size, or at whole spacings where those are asked.</summary>
/// <param name="trial">The trial by whose sizes it lies.</param>
/// <param name="held">What is held; null: open.</param>
/// <param name="get">Its bars.</param>
/// <param name="set">Sets them.</param>
internal sealed class SoughtZone(Trial trial, BarSpec? held, Func<BarLayer> get, Action<BarLayer> set)
{
    // No strength is taken to grow slower with the number of bars than by so much a power: shear grows by the third.
    private const double LeastPower = 0.3;

    private readonly RuleSet rules = trial.Rules;
    private int fewest;
    private int most;
    private (Check? Check, Subject? Subject, int Count, double Over) before;

    /// <summary>Its breadth across the bars, m: of a band it follows from the depth of its bars.</summary>
    public required Func<double> Breadth { get; init; }

    /// <summary>The same where it is narrowest, m; of a zone within others not asked for.</summary>
    public double Narrow { get; init; }

    /// <summary>Length of its bars, m.</summary>
    public required double Length { get; init; }

    /// <summary>Step of its spacing where bars stand by whole spacings, m; null: they stand by number.</summary>
    public double? Step { get; init; } = trial.Rules.Steel.SpacingStep;

    /// <summary>Area that its bars need in any case, m2.</summary>
    public double LeastArea { get; init; }

    /// <summary>Whether its edges are no edges of the base: each bar stands in the middle of an equal strip.</summary>
    public bool Inner { get; init; }

    /// <summary>Whether what a check looks at has these bars.</summary>
    public Func<Subject, bool> Is { get; init; } = _ => true;

    /// <summary>What is held; null: open.</summary>
    public BarSpec? Held => held;

    /// <summary>Its bars.</summary>
    public BarLayer Layer => get();

    /// <summary>Mass of its bars, kg.</summary>
    public double Mass => Layer.Size is { } size ? Layer.Count * size.MassPerMetre * Length : 0;

    /// <summary>Sets its bars.</summary>
    public void Set(BarLayer layer) => set(layer);

    /// <summary>The held bars, else the fewest of a size that spacing allows; whether it allows any.</summary>
    public bool Start(BarSize size)
    {
        before = default;
        if (held is not null)
        {
            Set(Inner ? held.ResolveWithin(Breadth()) : held.Resolve(Breadth(), rules.Concrete.CoverSide));
            return true;
        }

        if (Breadth() <= 1e-6)
        {
            Set(BarLayer.None);
            return true;
        }

        Bound(size);
        Set(Spaced(new BarLayer(fewest, size)));
        return Layer.Count <= most;
    }

    /// <summary>Takes bars of a size that was tried before others.</summary>
    public void Take(BarLayer layer)
    {
        if (held is null && layer.Size is { } size)
        {
            Bound(size);
        }

        Set(layer);
    }

    private void Bound(BarSize size)
    {
        var closest = Math.Max(rules.Steel.LeastSpacing, trial.Code.LeastClear(size.Diameter, rules.Concrete.Aggregate) + size.Diameter);
        (fewest, most) = Inner
            ? (Math.Max(1, Up(Breadth() / Widest)), Math.Max(1, Down(Breadth() / closest)))
            : (Math.Max(2, Up((Breadth() - Cover(size)) / Widest) + 1), Down((Narrow - Cover(size)) / closest) + 1);
        fewest = Math.Max(fewest, Up(LeastArea / size.Area));
    }

    /// <summary>More bars for what a check finds lacking, or hooks at their ends; whether it could.</summary>
    /// <param name="check">The check.</param>
    /// <param name="subject">What it looked at.</param>
    /// <param name="over">How many times what there is it asks for; 1: not told.</param>
    public bool Answer(Check check, Subject subject, double over)
    {
        var count = Layer.Count;
        if (check.Decides.What == Decisions.Ends)
        {
            // Hooked bars need no less length for being more, unless only what is called on is anchored.
            if (Layer.Hooked && !rules.Steel.AnchorageExcess && trial.Code is not Concrete.Codes.ITieAnchorage)
            {
                return false;
            }

            if (!Layer.Hooked)
            {
                Set(Layer with { Hooked = true });
                return true;
            }
        }

        // Strength never grows faster than steel; where it was found to grow slower, so many more are wanted.
        var slower = over > 1 && before.Check == check && before.Subject == subject && count > before.Count;
        var power = slower ? Math.Log(before.Over / over) / Math.Log((double)count / before.Count) : 1;
        var wanted = Math.Ceiling((count * Math.Pow(over, 1 / Math.Clamp(power, LeastPower, 1))) - 1e-6);
        before = (check, subject, count, over);

        // So reckoned it may be more than are needed: the most that spacing allows are tried.
        wanted = Math.Max(count + 1, power < 1 ? Math.Min(wanted, most) : wanted);
        var more = Spaced(Layer with { Count = (int)Math.Min(int.MaxValue, wanted) });
        if (more.Count > most)
        {
            return false;
        }

        Set(more);
        return true;
    }

    /// <summary>A bar less, or the next wider spacing; whether there is one.</summary>
    public bool Shrink()
    {
        var less = Layer.Spacing > 0
            ? At(Layer, Math.Round(Layer.Spacing + Step!.Value, 9))
            : Layer with { Count = Layer.Count - 1 };
        if (!Layer.Any || less.Count < fewest || less.Spacing > Widest + 1e-9)
        {
            return false;
        }

        Set(less);
        return true;
    }

    private double Widest => Math.Min(rules.Steel.MostSpacing, trial.Code.MostSpacing(trial.Body.Thickness));

    private double Cover(BarSize size) => (2 * rules.Concrete.CoverSide) + size.Diameter;

    private static int Up(double value) => (int)Math.Ceiling(value - 1e-9);

    private static int Down(double value) => (int)Math.Floor(value + 1e-9);

    // At the widest whole step of spacing that makes so many bars.
    private BarLayer Spaced(BarLayer layer)
    {
        if (Step is not { } step)
        {
            return layer;
        }

        var even = Inner ? Breadth() / layer.Count : (Breadth() - Cover(layer.Size!)) / (layer.Count - 1);
        var spacing = Math.Round(Math.Min(Down(even / step), Down(Widest / step)) * step, 9);
        return spacing <= layer.Diameter ? layer : At(layer, spacing);
    }

    private BarLayer At(BarLayer layer, double spacing) => layer with
    {
        Spacing = spacing,
        Count = Inner ? Up(Breadth() / spacing) : Up((Breadth() - Cover(layer.Size!)) / spacing) + 1,
    };
}
