export const HELP = `Zenith Spine without a screen

  spine import FILE --kind levels|grid|columns [--unit mm|cm|m|inch|ft] [--layer NAME]
               [--open IN.spine.json] --save OUT.spine.json | --dry-run
      Takes a level table (CSV, XLSX, IFC), or grid lines or columns from a drawing (DXF).
      --unit says the unit where the file does not, or says it wrongly. What a table has no column for
      stays as it is. --dry-run says what would change, and writes nothing.

  spine run SCRIPT.json [--open IN.spine.json] [--save OUT.spine.json]
      Runs a JSON array of { "command": …, "input": … }, one after the other.

  spine report FILE.spine.json [--out REPORT.json]
      Solves and checks the framework and prints every number of it.

  spine export FILE.spine.json [--ifc OUT.ifc] [--levels OUT.csv|OUT.xlsx]
               [--plan OUT.pdf|OUT.svg|OUT.dxf --level NAME [--scale 100]]
      Writes the framework as IFC4, its level table, or the setting-out plan of a level.

  spine passes [FILE.spine.json] [--json]
      Lists the passes that work a framework out (the demo where none is given), in their order, with what each reads.

  spine commands
      Lists every command with the JSON schema of its input.

Exit code: 0 clean; 1 with findings of severity error; 2 bad input, nothing written.
`;
