import type { IfcClass, Product } from '@/core/kinds/ifc';
import type { Ref, StepLines } from './step';

/** How elements of one sort look, and the layer they are on. */
export interface Look {
  layer: string;
  /** Red, green and blue from 0 to 1. */
  colour: readonly [number, number, number];
  transparency?: number;
}

const CONCRETE = [0.72, 0.73, 0.74] as const;

const LOOKS: Record<IfcClass, Look> = {
  IFCBEAM: { layer: 'Beams', colour: [0.62, 0.66, 0.7] },
  IFCBUILDINGELEMENTPROXY: { layer: 'Other elements', colour: CONCRETE },
  IFCCOLUMN: { layer: 'Columns', colour: [0.52, 0.57, 0.62] },
  IFCCOVERING: { layer: 'Ceilings', colour: [0.93, 0.92, 0.88] },
  IFCCURTAINWALL: { layer: 'Glazed walls', colour: [0.6, 0.76, 0.82], transparency: 0.5 },
  IFCDOOR: { layer: 'Doors', colour: [0.66, 0.5, 0.36] },
  IFCFOOTING: { layer: 'Foundations', colour: [0.58, 0.57, 0.55] },
  IFCMEMBER: { layer: 'Glazed walls', colour: [0.38, 0.42, 0.45] },
  IFCPLATE: { layer: 'Glazed walls', colour: [0.6, 0.76, 0.82], transparency: 0.5 },
  IFCRAILING: { layer: 'Guards', colour: [0.38, 0.42, 0.45] },
  IFCRAMP: { layer: 'Ramps', colour: [0.76, 0.7, 0.62] },
  IFCROOF: { layer: 'Roofs', colour: [0.45, 0.55, 0.47] },
  IFCRAMPFLIGHT: { layer: 'Ramps', colour: [0.76, 0.7, 0.62] },
  IFCSLAB: { layer: 'Slabs', colour: CONCRETE },
  IFCSPACE: { layer: 'Spaces', colour: [0.55, 0.72, 0.6], transparency: 0.75 },
  IFCSTAIR: { layer: 'Stairs', colour: [0.76, 0.7, 0.62] },
  IFCSTAIRFLIGHT: { layer: 'Stairs', colour: [0.76, 0.7, 0.62] },
  IFCTRANSPORTELEMENT: { layer: 'Lifts', colour: [0.4, 0.4, 0.44] },
  IFCWALL: { layer: 'Walls', colour: [0.86, 0.84, 0.8] },
  IFCWINDOW: { layer: 'Windows', colour: [0.6, 0.76, 0.82], transparency: 0.5 },
};

export const lookOf = ({ entity }: Pick<Product, 'entity'>): Look => LOOKS[entity];

/** Colours of shapes and the layers they are on, gathered as they are written. */
export class Looks {
  private readonly styles = new Map<string, Ref>();
  private readonly layers = new Map<string, Ref[]>();

  constructor(private readonly step: StepLines) {}

  /** Gives solids their colour, and notes the layer their representation is on. */
  wear(look: Look, solids: readonly Ref[], representation: Ref): void {
    const style = this.styleOf(look);
    for (const Item of solids) this.step.add('IFCSTYLEDITEM', { Item, Styles: [style] });
    this.layers.set(look.layer, [...(this.layers.get(look.layer) ?? []), representation]);
  }

  private styleOf({ layer, colour: [Red, Green, Blue], transparency }: Look): Ref {
    const key = `${layer} ${Red} ${Green} ${Blue}`;
    let style = this.styles.get(key);
    if (!style) {
      const SurfaceColour = this.step.add('IFCCOLOURRGB', { Red, Green, Blue });
      const shading = this.step.add('IFCSURFACESTYLESHADING', { SurfaceColour, Transparency: transparency ?? 0 });
      style = this.step.add('IFCSURFACESTYLE', { Name: layer, Side: 'BOTH', Styles: [shading] });
      this.styles.set(key, style);
    }
    return style;
  }

  /** The layers, each with all that is on it. */
  write(): void {
    for (const [Name, AssignedItems] of [...this.layers].sort(([a], [b]) => (a < b ? -1 : 1)))
      this.step.add('IFCPRESENTATIONLAYERASSIGNMENT', { Name, AssignedItems });
  }
}
