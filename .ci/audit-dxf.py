"""Audits DXF files by an independent library: opened as they are, nothing to repair, dimensions that measure what they say."""
import sys

import ezdxf

for name in sys.argv[1:]:
    document = ezdxf.readfile(name)
    audit = document.audit()
    problems = [e.message for e in audit.errors + audit.fixes]
    for dimension in document.modelspace().query("DIMENSION"):
        text, measured = dimension.dxf.text, dimension.get_measurement() * dimension.override().get("dimlfac", 1.0)
        if document.units == ezdxf.units.MM and abs(float(text) - measured) > 0.5:
            problems.append(f"a dimension says {text} and measures {measured}")
    print(f"{name}: {document.dxfversion}, {len(document.modelspace())} entities, {len(problems)} problems")
    for problem in problems:
        print("  " + problem)
    if problems:
        sys.exit(1)
