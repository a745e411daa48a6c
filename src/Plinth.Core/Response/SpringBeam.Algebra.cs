namespace Plinth.Core.Response;

/// <content>The algebra: loads on nodes, what is out of balance with its tangent, the potential, the shapes.</content>
public sealed partial class SpringBeam
{
    private void Move(double[] step, double share)
    {
        var (down, slope) = (step[0], step[1]);
        (sinks, tilts) = (sinks + (share * down), tilts + (share * slope));
        for (var i = 0; i < nodes.Length; i++)
        {
            u[2 * i] += share * (step[2 * i] - down - (slope * (nodes[i] - nodes[0])));
            u[(2 * i) + 1] += share * (step[(2 * i) + 1] - slope);
        }

        u[^1] += share * step[^1];
    }

    // Loads on nodes: by the work that they do on each shape.
    private void Lay(ReadOnlySpan<BeamLoad> loads, double line)
    {
        var load = mesh.Load;
        Array.Clear(load);
        turnLoad = 0;
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            var length = nodes[e + 1] - nodes[e];
            var (half, turn) = (line * length / 2, line * length * length / 12);
            (load[2 * e], load[(2 * e) + 1]) = (load[2 * e] + half, load[(2 * e) + 1] + turn);
            (load[(2 * e) + 2], load[(2 * e) + 3]) = (load[(2 * e) + 2] + half, load[(2 * e) + 3] - turn);
        }

        foreach (var l in loads)
        {
            turnLoad += l.Across;
            if (l.To - l.From < 1e-9)
            {
                Stand(l.From, l.Force, l.Turns);
                continue;
            }

            for (var e = 0; e < nodes.Length - 1; e++)
            {
                var (from, to) = (Math.Max(nodes[e], l.From), Math.Min(nodes[e + 1], l.To));
                for (var g = 0; g < 4 && to > from; g++)
                {
                    var share = GaussOf[g] / 2 * (to - from) / (l.To - l.From);
                    Stand(((from + to) / 2) + (GaussAt[g] * (to - from) / 2), share * l.Force, share * l.Turns);
                }
            }
        }
    }

    private void Stand(double x, double down, double turns)
    {
        var (load, (e, t, length)) = (mesh.Load, Element(x));
        Span<double> n = stackalloc double[4];
        Span<double> slope = stackalloc double[4];
        Shapes(t, length, n);
        Slopes(t, length, slope);
        for (var i = 0; i < 4; i++)
        {
            load[(2 * e) + i] += (down * n[i]) + (turns * slope[i]);
        }
    }

    // To what its ends bend by what they sink and turn with it as a rigid plane.
    private void AddRigid(int e, double length, Span<double> own)
    {
        var down = sinks + (tilts * (nodes[e] - nodes[0]));
        (own[0], own[1], own[2], own[3]) = (own[0] + down, own[1] + tilts, own[2] + down + (tilts * length), own[3] + tilts);
    }

    // Moment for a turn about its axis of one while it bears wholly.
    private double TurnStiffness()
    {
        var sum = 0.0;
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            sum += mesh.Moduli[e] * (nodes[e + 1] - nodes[e]);
        }

        return sum * mesh.Breadth * mesh.Breadth * mesh.Breadth / 12;
    }

    // What is out of balance, and the tangent: bending, and springs where they are pressed.
    private (double Residual, double Stiffness) Assemble()
    {
        var (matrix, residual, coupling, breadth) = (mesh.Matrix, mesh.Residual, mesh.Coupling, mesh.Breadth);
        matrix.Take(mesh.Bent);
        mesh.Load.CopyTo(residual, 0);
        Array.Clear(coupling);
        var (turn, turnStiffness) = (turnLoad, 0.0);
        Span<double> own = stackalloc double[4];
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            var length = nodes[e + 1] - nodes[e];
            u.AsSpan(2 * e, 4).CopyTo(own);
            Take(mesh.Bending(e), own, residual.AsSpan(2 * e, 4));
            var bears = Bearing(e, length);
            if (bears == Bears.Wholly)
            {
                // No integration: springs alike all over the element are one matrix.
                AddRigid(e, length, own);
                var k = mesh.Springs(e);
                Take(k, own, residual.AsSpan(2 * e, 4));
                matrix.AddElement(2 * e, k);
                var turns = mesh.Moduli[e] * length * breadth * breadth * breadth / 12;
                (turn, turnStiffness) = (turn - (turns * Turn), turnStiffness + turns);
            }
            else if (bears == Bears.Partly)
            {
                var (off, stiff) = Integrate(e, length, own);
                (turn, turnStiffness) = (turn - off, turnStiffness + stiff);
            }
        }

        return (turn, turnStiffness);
    }

    private static void Take(ReadOnlySpan<double> k, ReadOnlySpan<double> own, Span<double> from)
    {
        for (var i = 0; i < 4; i++)
        {
            from[i] -= (k[4 * i] * own[0]) + (k[(4 * i) + 1] * own[1]) + (k[(4 * i) + 2] * own[2]) + (k[(4 * i) + 3] * own[3]);
        }
    }

    // The springs of an element that bears in part; what it turns about the beam's axis, and how stiffly.
    private (double Turns, double Stiffness) Integrate(int e, double length, ReadOnlySpan<double> own)
    {
        var (modulus, half, turns, stiffness) = (mesh.Moduli[e], mesh.Breadth / 2, 0.0, 0.0);
        var (down, slope) = (sinks + (tilts * (nodes[e] - nodes[0])), tilts * length);
        Span<double> k = stackalloc double[16];
        Span<double> pushed = stackalloc double[4];
        Span<double> coupled = stackalloc double[4];
        k.Clear();
        pushed.Clear();
        coupled.Clear();
        for (var of = Points(e, length); of.Length > 0; of = of[PerPoint..])
        {
            var (t, weight) = (of[0], of[1] * length);
            var (n0, n1, n2, n3) = (of[2], of[3] * length, of[4], of[5] * length);
            var w = down + (slope * t) + (n0 * own[0]) + (n1 * own[1]) + (n2 * own[2]) + (n3 * own[3]);
            var (p, py, wide, one, two) = Pressed(e, w, -half, half);
            if (wide == 0)
            {
                continue;
            }

            (turns, stiffness) = (turns + (weight * py), stiffness + (weight * modulus * two));
            var (push, couple, stiff) = (weight * p, weight * modulus * one, weight * modulus * wide);
            (pushed[0], pushed[1], pushed[2], pushed[3]) =
                (pushed[0] + (push * n0), pushed[1] + (push * n1), pushed[2] + (push * n2), pushed[3] + (push * n3));
            (coupled[0], coupled[1], coupled[2], coupled[3]) =
                (coupled[0] + (couple * n0), coupled[1] + (couple * n1), coupled[2] + (couple * n2), coupled[3] + (couple * n3));
            k[0] += stiff * n0 * n0;
            (k[4], k[5]) = (k[4] + (stiff * n1 * n0), k[5] + (stiff * n1 * n1));
            (k[8], k[9], k[10]) = (k[8] + (stiff * n2 * n0), k[9] + (stiff * n2 * n1), k[10] + (stiff * n2 * n2));
            (k[12], k[13], k[14], k[15]) =
                (k[12] + (stiff * n3 * n0), k[13] + (stiff * n3 * n1), k[14] + (stiff * n3 * n2), k[15] + (stiff * n3 * n3));
        }

        mesh.Matrix.AddElement(2 * e, k);
        for (var i = 0; i < 4; i++)
        {
            mesh.Residual[(2 * e) + i] -= pushed[i];
            mesh.Coupling[(2 * e) + i] += coupled[i];
        }

        return (turns, stiffness);
    }

    private double Energy()
    {
        var (sum, load) = (-turnLoad * Turn, mesh.Load);
        for (var i = 0; i < nodes.Length; i++)
        {
            sum -= (load[2 * i] * (u[2 * i] + sinks + (tilts * (nodes[i] - nodes[0])))) + (load[(2 * i) + 1] * (u[(2 * i) + 1] + tilts));
        }

        for (var e = 0; e < nodes.Length - 1; e++)
        {
            var length = nodes[e + 1] - nodes[e];
            var bending = mesh.Bending(e);
            for (var i = 0; i < 4; i++)
            {
                for (var j = 0; j < 4; j++)
                {
                    sum += u[(2 * e) + i] * bending[(4 * i) + j] * u[(2 * e) + j] / 2;
                }
            }

            if (Bearing(e, length) == Bears.Nowhere)
            {
                continue;
            }

            for (var of = Points(e, length); of.Length > 0; of = of[PerPoint..])
            {
                var w = At(e, of, length);
                var (p, py, _, _, _) = Pressed(e, w, -mesh.Breadth / 2, mesh.Breadth / 2);
                sum += of[1] * length / 2 * ((p * w) + (py * Turn));
            }
        }

        return sum;
    }

    private (int Element, double T, double Length) Element(double x)
    {
        var e = Array.BinarySearch(nodes, x) is var at && at < 0 ? ~at - 1 : at;
        e = Math.Clamp(e, 0, nodes.Length - 2);
        var length = nodes[e + 1] - nodes[e];
        return (e, Math.Clamp((x - nodes[e]) / length, 0, 1), length);
    }

    private double Shape(int e, double t, double length)
    {
        Span<double> n = stackalloc double[4];
        Shapes(t, length, n);
        return sinks + (tilts * (nodes[e] - nodes[0] + (t * length)))
            + (n[0] * u[2 * e]) + (n[1] * u[(2 * e) + 1]) + (n[2] * u[(2 * e) + 2]) + (n[3] * u[(2 * e) + 3]);
    }

    private static void Shapes(double t, double length, Span<double> n)
    {
        (n[0], n[1]) = (1 - (3 * t * t) + (2 * t * t * t), length * t * (1 - t) * (1 - t));
        (n[2], n[3]) = ((3 * t * t) - (2 * t * t * t), length * t * t * (t - 1));
    }

    private static void Slopes(double t, double length, Span<double> n)
    {
        (n[0], n[1]) = (6 * t * (t - 1) / length, (1 - t) * (1 - (3 * t)));
        (n[2], n[3]) = (6 * t * (1 - t) / length, t * ((3 * t) - 2));
    }
}
