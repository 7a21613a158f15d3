export const HELP = `Zenith Spine without a screen

  spine import FILE --kind levels|grid|columns [--unit mm|cm|m|inch|ft] [--layer NAME]
               [--building NAME] [--existing keep|change] [--open IN.spine.json] --save OUT.spine.json | --dry-run
      Takes a level table (CSV, XLSX, IFC), or grid lines or columns from a drawing (DXF) or an IFC file.
      --unit says the unit where the file does not, or says it wrongly. What a table has no column for
      stays as it is. Where there are several buildings, --building says which it goes into. Columns that stand
      there already are not taken twice; --existing says what becomes of those that differ. --dry-run says what
      would change, and writes nothing.

  spine run SCRIPT.json [--open IN.spine.json] [--save OUT.spine.json]
      Runs a JSON array of { "command": …, "input": … }, one after the other.

  spine report FILE.spine.json [--building NAME] [--out REPORT.json]
      Solves and checks the framework and prints every number of it, or of one building.

  spine export FILE.spine.json [--ifc OUT.ifc] [--levels OUT.csv|OUT.xlsx]
               [--plan OUT.pdf|OUT.svg|OUT.dxf --level NAME [--scale 100] [--axes building|site|survey]]
               [--building NAME]
      Writes the framework as IFC4, its level table (of all buildings where none is named), or the setting-out plan of a
      level. All that is asked for is written, or nothing is. --axes says whose coordinates a plan is drawn in.

  spine solve-stair --form FORM --height MM [--well LxW|free] [--width MM] [--rules public|general|private]
                    [--risers N] [--going MM]
      Prints every way to climb a storey in a form of stair, best first, as JSON; [] where there is none. Forms: straight,
      straightLanding, quarterLanding, quarterWinders, halfLanding, halfWinders, threeFlight, fourFlight, spiral, circular.
      L is lengthwise as one enters, --width that of a flight. Risers and going that are typed are judged.

  spine solve-ramp --rise MM [--rules public|general|sliding] [--run MM]
      Prints ramps of equal flights with landings between them, best first; with --run how steep they are in it, and whether
      they may be.

  spine solve-roof --outline "x,y x,y …" --slopes "40,35,gable,…" [--hole "x,y x,y …"] [--overhang MM] [--eaves MM]
      Prints the faces of a pitched roof as JSON, in the order of the edges they rise from: slope, true area, corners in
      millimetres. An edge has degrees, 1:1.5, 60%, gable, or wall where it meets a higher one; one alone is that of all. From a
      height over the eaves on it may go on otherwise: 70>2400>30, gable>2000>45. Holes are courtyards.

  spine demo --save OUT.spine.json
      Writes the demo, Tidewater Yard.

  spine passes [FILE.spine.json] [--json]
      Lists the passes that work a framework out (the demo where none is given), in their order, with what each reads.

  spine commands
      Lists every command with the JSON schema of its input.

Exit code: 0 clean; 1 with findings of severity error; 2 bad input, nothing written.
`;
