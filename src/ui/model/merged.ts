import * as THREE from 'three';
import type { Solid, SolidForm } from '@/core/kinds/solids';
import type { Solved } from '@/core/solving/solved';
import { prism } from './prism';
import { slanted } from './slanted';

/** A solid that is an outline drawn out. */
export type Drawn = Solid & { form: Exclude<SolidForm, { section: unknown }> };

/** Solids as one mesh, and which of its corners belong to which of them. */
export interface Merged {
  geometry: THREE.BufferGeometry;
  /** Their edges, by colour of the theme. */
  edges: readonly [colour: string, geometry: THREE.BufferGeometry][];
  /** Each with the first of its corners and how many it has, in order. */
  parts: readonly { solid: Drawn; start: number; count: number }[];
}

const formKey = ({ form }: Drawn): string =>
  'slants' in form
    ? form.slants
        .flat()
        .map(({ x, y, topMm, bottomMm }) => `${x},${y},${topMm},${bottomMm}`)
        .join(' ')
    : `${'profile' in form ? form.profile : form.ring.map(({ x, y }) => `${x},${y}`).join(' ')} ${form.heightMm}`;

/** Where a geometry that stands on z = 0 comes to stand. */
function matrixOf(form: Drawn['form']): THREE.Matrix4 {
  if ('slants' in form) return new THREE.Matrix4();
  if ('bottomMm' in form) return new THREE.Matrix4().makeTranslation(0, 0, form.bottomMm);
  const [x, y] = [new THREE.Vector3(...form.x), new THREE.Vector3(...form.y)];
  const matrix = new THREE.Matrix4().makeBasis(x, y, new THREE.Vector3().crossVectors(x, y));
  return matrix.setPosition(new THREE.Vector3(...form.from));
}

/** Edges between faces that turn by more than this are drawn, degrees. */
const EDGE_DEG = 30;

interface Shape {
  corners: Float32Array;
  normals: Float32Array;
  edges: Float32Array;
}

function geometryOf(form: Drawn['form'], profiles: Solved['profiles']): THREE.BufferGeometry {
  if ('slants' in form) return slanted(form.slants);
  const outline = 'profile' in form ? profiles[form.profile]! : { regions: [{ outer: form.ring, holes: [] }] };
  return prism(outline, form.heightMm);
}

/** One mesh of many solids: drawn in one go, however many there are. Millimetres; what has one shape is worked out once. */
export function merged(solids: readonly Drawn[], profiles: Solved['profiles']): Merged {
  const shapes = new Map<string, Shape>();
  const shapeOf = (solid: Drawn): Shape => {
    const key = formKey(solid);
    const known = shapes.get(key);
    if (known) return known;
    const { form } = solid;
    const geometry = geometryOf(form, profiles);
    const edges = new THREE.EdgesGeometry(geometry, EDGE_DEG);
    const shape = {
      corners: geometry.getAttribute('position').array as Float32Array,
      normals: geometry.getAttribute('normal').array as Float32Array,
      edges: edges.getAttribute('position').array as Float32Array,
    };
    geometry.dispose();
    edges.dispose();
    shapes.set(key, shape);
    return shape;
  };
  const all = solids.map((solid) => ({ solid, shape: shapeOf(solid), matrix: matrixOf(solid.form) }));
  const total = all.reduce((sum, { shape }) => sum + shape.corners.length, 0);
  const [positions, normals] = [new Float32Array(total), new Float32Array(total)];
  const parts: Merged['parts'][number][] = [];
  const lines = new Map<string, number[]>();
  const point = new THREE.Vector3();
  const turn = new THREE.Matrix3();
  let at = 0;
  for (const { solid, shape, matrix } of all) {
    parts.push({ solid, start: at / 3, count: shape.corners.length / 3 });
    turn.getNormalMatrix(matrix);
    for (let i = 0; i < shape.corners.length; i += 3, at += 3) {
      point.fromArray(shape.corners, i).applyMatrix4(matrix).toArray(positions, at);
      point.fromArray(shape.normals, i).applyMatrix3(turn).toArray(normals, at);
    }
    if (!solid.look.edges) continue;
    const own = lines.get(solid.look.edges) ?? [];
    lines.set(solid.look.edges, own);
    for (let i = 0; i < shape.edges.length; i += 3) {
      point.fromArray(shape.edges, i).applyMatrix4(matrix);
      own.push(point.x, point.y, point.z);
    }
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new THREE.BufferAttribute(normals, 3));
  geometry.setAttribute('color', new THREE.BufferAttribute(new Float32Array(total), 3));
  return {
    geometry,
    edges: [...lines].map(([colour, values]) => {
      const made = new THREE.BufferGeometry();
      made.setAttribute('position', new THREE.Float32BufferAttribute(values, 3));
      return [colour, made];
    }),
    parts,
  };
}

/** The solid a triangle of the mesh belongs to. */
export function solidAt({ parts }: Merged, face: number): Drawn | null {
  const corner = face * 3;
  let [low, high] = [0, parts.length - 1];
  while (low <= high) {
    const middle = (low + high) >> 1;
    const { solid, start, count } = parts[middle]!;
    if (corner < start) high = middle - 1;
    else if (corner >= start + count) low = middle + 1;
    else return solid;
  }
  return null;
}

/** Gives every solid its colour. */
export function paint({ geometry, parts }: Merged, colourOf: (solid: Drawn) => string): void {
  const colours = geometry.getAttribute('color') as THREE.BufferAttribute;
  const colour = new THREE.Color();
  for (const { solid, start, count } of parts) {
    colour.set(colourOf(solid));
    for (let i = start; i < start + count; i += 1) colours.setXYZ(i, colour.r, colour.g, colour.b);
  }
  colours.needsUpdate = true;
}
