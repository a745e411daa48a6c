using System.Text;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Grids;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Import;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads a project folder: every fault of all its files is collected before anything is computed.</summary>
public static class ProjectReader
{
    /// <summary>The file that makes a folder a project.</summary>
    public const string FileName = "plinth.toml";

    /// <summary>The table of supports.</summary>
    public const string SupportsName = "supports.csv";

    /// <summary>Reads a project.</summary>
    /// <param name="directory">Its folder.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <param name="reactionsPath">A table of reactions in place of the project's own; null: its own.</param>
    /// <param name="elsewhere">Where the project's folder really stands, if a copy of it is read: files outside it are sought from
    /// there.</param>
    /// <param name="draft">What its files are read with, as if they said so; null: as they are.</param>
    /// <returns>The project; null if there are errors.</returns>
    public static LoadedProject? Read(string directory, DiagnosticBag bag, string? reactionsPath = null, string? elsewhere = null,
        ProjectDraft? draft = null)
    {
        ArgumentNullException.ThrowIfNull(bag);
        bag.Project ??= directory;
        if (reactionsPath is not null)
        {
            bag.Names(reactionsPath);
        }

        if (TextFile.Read(Path.Combine(directory, FileName), FileName, bag) is not { } text)
        {
            return null;
        }

        text += draft?.Added;
        if (string.IsNullOrWhiteSpace(text))
        {
            bag.Error(new FilePlace(FileName, 0, 0), "is empty; start one with: plinth new DIR");
            return null;
        }

        if (TomlTree.Parse(text, FileName, bag) is not { } root)
        {
            return null;
        }

        List<string> files = [Path.GetFullPath(Path.Combine(directory, FileName))];
        if (!OfficeFile.Under(root, directory, elsewhere, bag, files))
        {
            return null;
        }

        var log = new SettingsLog();
        var t = new TableReader(root, "", bag) { Log = log };
        t.Text(OfficeFile.Key);
        var (title, units, code) = Title(t.Inner("project"));
        var metric = code is null or { WrittenIn: UnitSystem.Metric };
        var load = t.Inner("loads");
        var standard = LoadsReader.Standard(load);
        var options = LoadsReader.Options(load, t.Inner("seismic"), standard, bag);
        var groundTable = t.Inner("ground");
        var design = LimitStateReader.Read(groundTable, t.Inner("annex"), standard, options, ref code);
        options = LimitStateReader.Settling(groundTable, options, design);
        var rules = Rules(t, groundTable, design, code, metric, bag);
        LoadsReader.Mixed(load, standard, design, code, bag);
        var groundLogs = new Dictionary<string, SettingsLog>(StringComparer.Ordinal);
        var grounds = Grounds(t, rules.Ground, groundLogs, bag);
        var reactionsName = load.Text("reactions") ?? "reactions.csv";
        reactionsName = reactionsPath is null ? reactionsName : Path.GetFullPath(reactionsPath);
        var asReaction = load.Choice("sense", true, ("reaction", true), ("action", false));
        load.Done();
        var casesTable = t.Inner("cases");
        var cases = CaseReader.Cases(casesTable, standard, options, bag);
        LimitStateReader.Agree(casesTable, cases, design);
        if (!t.Has("cases"))
        {
            t.Missing("[cases]", "DEAD = \"D\" under a line [cases]");
        }

        var raw = ImportReader.Read(t.Inner("import"), bag);
        var totals = CaseReader.Totals(t.Inner("totals"), cases, bag);
        var own = CombinationReader.Own(t.Each("combination"), cases, design is not null, bag);
        var site = SiteReader.Read(t.Inner("site"), bag);
        var carbon = RuleReader.Carbon(t.Inner("carbon"));
        var drawings = DrawingsReader.Read(t.Inner("drawings"), directory, elsewhere, bag, files);
        var leaves = new LeaveReader(bag);
        leaves.Read(t.Each("waive"), t.Each("accept"));
        var foundationTables = t.Each("foundation");
        var groundNames = grounds.Keys.Where(k => k.Length > 0).ToHashSet(StringComparer.Ordinal);
        var typed = TypedSupports.Read(t.Each("support"), cases, groundNames, asReaction, bag);
        t.Done();

        var supports = new List<(Support Support, FilePlace Place)>();
        IReadOnlyCollection<string> labels = [];
        var hasTable = typed.Count == 0 || File.Exists(Path.Combine(directory, SupportsName));
        if (hasTable && TextFile.Read(Path.Combine(directory, SupportsName), SupportsName, bag) is { } supportsText)
        {
            files.Add(Path.GetFullPath(Path.Combine(directory, SupportsName)));
            supports = SupportsReader.Read(supportsText, SupportsName, groundNames, bag, out labels);
        }

        // Those of the table have rows in reactions.csv; those typed here bring their own.
        var inTable = supports.ToDictionary(s => s.Support.Label, s => s.Place, StringComparer.Ordinal);
        foreach (var (support, place, _) in typed)
        {
            if (supports.Find(s => s.Support.Label == support.Label) is { Support: not null } other)
            {
                bag.Error(place, $"support \"{support.Label}\" stands twice: also at {other.Place}; labels must differ");
            }
            else
            {
                supports.Add((support, place));
            }
        }

        var byLabel = supports.ToDictionary(s => s.Support.Label, s => s, StringComparer.Ordinal);
        var adoptedText = "";
        var adoptedEncoding = (Encoding)new UTF8Encoding(false);
        var adopted = new Dictionary<string, AdoptedEntry>(StringComparer.Ordinal);
        if (File.Exists(Path.Combine(directory, AdoptedReader.FileName))
            || Directory.Exists(Path.Combine(directory, AdoptedReader.FileName)))
        {
            adoptedText = TextFile.Read(Path.Combine(directory, AdoptedReader.FileName), AdoptedReader.FileName, bag, out adoptedEncoding)
                ?? "";
            files.Add(Path.GetFullPath(Path.Combine(directory, AdoptedReader.FileName)));
            adoptedText = draft is null ? adoptedText : AdoptedEditor.Remove(adoptedText, draft.Without);
            adopted = AdoptedReader.Read(adoptedText, bag).ToDictionary(e => e.Mark, e => e, StringComparer.Ordinal);
        }

        var chosen = new CombinationChoice(bag);
        var reader = new FoundationReader(rules, grounds, byLabel, [.. supports.Select(s => s.Support.Label)], adopted, chosen, cases,
            bag)
        { Draft = draft, Units = units, Code = code };
        var foundations = reader.Read(foundationTables);
        if (foundations.Any(f => f.Places.Any(p => p.Ground.Surcharge > 0)))
        {
            cases.Add(standard?.Surcharge ?? new LoadCase(LoadCase.SurchargeName, LoadSymbol.L));
            if (cases.Find(c => c.Combined is not null) is { } combined)
            {
                bag.Warning(new FilePlace(FileName, 0, 0),
                    $"results combined beforehand (\"{combined.Name}\") hold no surcharge: it is left out of them");
            }
        }

        BehindWalls(foundations, standard, cases, own,
            foundationTables.FirstOrDefault(t => t.Has("retained"))?.PlaceOf("retained") ?? new FilePlace(FileName, 0, 0), bag);
        foreach (var f in foundations)
        {
            if (adopted.TryGetValue(f.Mark, out var entry) && entry.Kind == f.Kind)
            {
                adopted[f.Mark] = entry with { Design = f.Kind.Fitted(f, entry.Design) };
            }
        }

        var actions = new Dictionary<string, SupportAction[]>(StringComparer.Ordinal);
        var rowLines = new Dictionary<string, int[]>(StringComparer.Ordinal);
        if (inTable.Count > 0
            && TextFile.Read(Path.Combine(directory, reactionsName), Path.GetFileName(reactionsName), bag) is { } reactionsText)
        {
            files.Add(Path.GetFullPath(Path.Combine(directory, reactionsName)));
            actions = ReactionsReader.Read(reactionsText, Path.GetFileName(reactionsName), inTable, labels, cases, CaseWords.WithoutSymbol,
                asReaction, bag, out rowLines);
        }

        foreach (var (support, _, given) in typed)
        {
            var padded = given;
            Array.Resize(ref padded, cases.Count);
            actions[support.Label] = padded;
        }

        var stale = new HashSet<string>(StringComparer.Ordinal);
        if (!bag.HasErrors && code is not null && standard is not null)
        {
            stale = DesignFaults.Find(foundations, adopted, units, byLabel, bag);
        }

        if (bag.HasErrors || code is null || standard is null)
        {
            return null;
        }

        var combinations = CombinationBuilder.Build(standard, cases, options, own);
        if (combinations.Used.Length == 0)
        {
            bag.Error(new FilePlace(FileName, 0, 0), "leads to no combination; give each case its symbol, or write own combinations");
            return null;
        }

        foundations = leaves.Apply(chosen.Apply(foundations, combinations));
        if (bag.HasErrors)
        {
            return null;
        }

        var project = new Project(title, units, code, standard, cases, combinations, [.. supports.Select(s => s.Support)], actions,
            foundations)
        {
            Site = site,
            Carbon = carbon,
            Drawings = drawings,
            Category = options.Category,
            Sds = options.Sds,
            PartialLive = options.PartialLive,
            Design = design,
        };
        var casePlaces = new TableReader(root, "", new DiagnosticBag()).Inner("cases").All()
            .ToDictionary(c => c.Key, c => c.Place, StringComparer.Ordinal);
        var sources = new SourcePlaces(byLabel.ToDictionary(s => s.Key, s => s.Value.Place, StringComparer.Ordinal), casePlaces,
            Path.GetFileName(reactionsName), rowLines);
        var loaded = new LoadedProject(directory, project, adopted, adoptedText, adoptedEncoding, [.. bag.Sorted], sources, totals,
            new SettingsBook(log, groundLogs, reader.Logs))
        {
            Files = files,
            Raw = raw is null ? [] : [.. raw.Files.Select(f => Path.GetFullPath(Path.Combine(directory, f)))],
            Stale = stale
        };
        return loaded with { Project = GridCoupling.All(project, loaded.Own) };
    }

    // Soil behind walls has cases of its own, by the load standard's symbols.
    private static void BehindWalls(IReadOnlyList<Foundation> foundations, LoadStandard? standard, List<LoadCase> cases,
        IReadOnlyList<OwnCombination> own, FilePlace at, DiagnosticBag bag)
    {
        if (foundations.FirstOrDefault(f => f.Wall.Retained is not null) is not { } first || standard is null)
        {
            return;
        }

        if (standard is En1990 && first.Rules.Ground.Design is null)
        {
            bag.Error(at, $"the soil behind the wall of {first.Mark} has a friction angle that {standard.Name} divides by a partial factor "
                + $"of its own in some combinations; write [ground] design = \"{LimitStateDesign.Id}\", or give its pressure as cases of "
                + "the reactions, without retained");
            return;
        }

        var soils = foundations.Where(f => f.Wall.Retained is not null).Select(f => f.Wall.Retained!).ToList();
        var behind = standard.BehindWalls.Where(c => c.Name switch
        {
            LoadCase.WaterName => soils.Exists(s => s.WaterDepth is not null),
            LoadCase.BehindName => soils.Exists(s => s.Surcharge > 0),
            _ => true,
        }).ToList();
        if (cases.Find(c => behind.Any(b => b.Name == c.Name)) is { } taken)
        {
            bag.Error(at,
                $"[cases] {taken.Name}: the soil behind the wall of {first.Mark} has this name; give the analysis's case another one");
            return;
        }

        if (cases.Find(c => c.Combined is not null) is { } combined)
        {
            bag.Error(at,
                $"results combined beforehand (\"{combined.Name}\") hold no soil behind walls, which {first.Mark} has (retained); give the "
                    + "results of cases, or the soil's pressure among them without retained");
        }

        foreach (var c in own.Where(c => !behind.Any(b => c.CaseFactors.ContainsKey(b.Name)
            || (b.Symbol is { } symbol && c.SymbolFactors.ContainsKey(symbol) && b.Name == LoadCase.EarthName))))
        {
            bag.Error(at,
                $"[[combination]] {c.Name} has no factor for {behind[0].Symbol}, and so none for the soil behind the wall of {first.Mark}; "
                    + $"give it one, 0 where the soil does not act: factors = {{ …, {behind[0].Symbol} = 1.6 }}");
        }

        cases.AddRange(behind);
    }

    private static (ProjectTitle Title, UnitSystem Units, ConcreteCode? Code) Title(TableReader t)
    {
        var name = t.Text("name");
        if (name is null ? !t.Has("name") : string.IsNullOrWhiteSpace(name))
        {
            t.Missing("name", "\"Wherry Lane Archive\"");
        }
        else if (name is not null)
        {
            SupportsReader.Label(name, "name", t.PlaceOf("name"), t.Bag);
        }

        ConcreteCode? code = null;
        if (t.Text("code") is { } id)
        {
            code = ConcreteCodes.Find(id);
            if (code is null)
            {
                t.Fault("code", $"code = \"{id}\" is not known; {Nearest.OneOf(id, ConcreteCodes.Ids)}");
            }
        }
        else if (!t.Has("code"))
        {
            t.Missing("code", "\"aci318m-19\"");
        }

        var byCode = code?.WrittenIn ?? UnitSystem.Metric;
        var units = t.Choice("units", byCode, ("metric", UnitSystem.Metric), ("us", UnitSystem.Us));
        if (code?.Annex is not null)
        {
            t.Choice("annex", true, ("recommended", true));
            if (units == UnitSystem.Us)
            {
                t.Fault("units", $"{code.Name} is written in SI units alone; delete units, or write units = \"metric\"");
            }
        }

        string Named(string key) =>
            t.Text(key) is { Length: > 0 } text && SupportsReader.Label(text, key, t.PlaceOf(key), t.Bag) ? text : "";
        var title = new ProjectTitle(name?.Trim() ?? "", Named("number"), Named("client"), Named("site"), Named("engineer"),
            Named("checker"), Named("date"));
        t.Done();
        return (title, units, code);
    }

    private static RuleSet Rules(TableReader t, TableReader groundTable, LimitStateDesign? design, ConcreteCode? code, bool metric,
        DiagnosticBag bag)
    {
        var basis = Defaults.Ground(metric);
        var ground = GroundReader.Read(groundTable, design is null ? basis : basis with { Design = design, Friction = double.NaN }, "");
        if (design is null && double.IsNaN(ground.Bearing) && !groundTable.Has("bearing") && !groundTable.Has("strength")
            && !groundTable.Has("bearing-by-side"))
        {
            groundTable.Missing("bearing", "\"200 kPa\", or [ground.strength], or bearing-by-side");
        }

        if (ground.FoundingDepth is null && ground.TopDepth is null && !groundTable.Has("founding-depth") && !groundTable.Has("top-depth"))
        {
            groundTable.Missing("founding-depth (or top-depth)", "\"1.5 m\"");
        }

        var concreteTable = t.Inner("concrete");
        var eurocode = CodeReader.IsEurocode(code);
        var concrete = RuleReader.Concrete(concreteTable, eurocode ? Defaults.EuropeanConcrete : Defaults.Concrete(metric));
        if (double.IsNaN(concrete.Strength) && !concreteTable.Has("strength"))
        {
            concreteTable.Missing("strength", "\"30 MPa\"");
        }

        var steelTable = t.Inner("steel");
        var steel = RuleReader.Steel(steelTable, eurocode ? Defaults.EuropeanSteel : Defaults.Steel(metric), bag);
        CodeReader.Agree(concreteTable, steelTable, code);
        CodeReader.Covers(concreteTable, concrete, steel, code, bag);
        if (double.IsNaN(steel.Yield) && !steelTable.Has("yield"))
        {
            steelTable.Missing("yield", "\"420 MPa\"");
        }

        var piles = PileReader.Read(t.Inner("piles"), Defaults.Piles(metric));
        ground = ground with { Piles = piles };
        return new RuleSet(
            ground,
            LimitStateReader.Stability(t.Inner("stability"),
                design is null ? new StabilityRules() : LimitStateReader.Shares, design),
            concrete,
            steel,
            RuleReader.Sizing(t.Inner("sizing"), Defaults.Sizing(metric)),
            RuleReader.Rates(t.Inner("rates"), new RateRules()))
        {
            Column = ColumnReader.Column(t.Inner("column"), Defaults.Column(metric)),
            Pedestal = ColumnReader.Socket(t.Inner("socket"), ColumnReader.Pedestal(t.Inner("pedestal"), Defaults.Pedestal(metric))),
            Piles = piles,
        };
    }

    private static Dictionary<string, (GroundRules Rules, TomlTable? Table)> Grounds(TableReader t, GroundRules basis,
        Dictionary<string, SettingsLog> logs, DiagnosticBag bag)
    {
        var result = new Dictionary<string, (GroundRules, TomlTable?)>(StringComparer.Ordinal) { [""] = (basis, null) };
        var grounds = t.Inner("grounds");
        foreach (var (name, _, node) in grounds.All())
        {
            if (!SupportsReader.Label(name, "ground", node.Place, bag))
            {
                continue;
            }

            if (node.Value is TomlTable table)
            {
                logs[name] = new SettingsLog();
                result[name] = (GroundReader.Read(new TableReader(table, $"[grounds.{name}]", bag) { Log = logs[name] }, basis, name),
                    table);
            }
            else
            {
                bag.Error(node.Place, $"grounds.{name} must be a table; write [grounds.{TomlText.Key(name)}] on a line of its own");
            }
        }

        return result;
    }
}
