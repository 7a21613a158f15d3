'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { Solid, SolidForm, SolidLook } from '@/core/kinds/solids';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { Instances, isInstanced } from './instances';
import { prism } from './prism';

export interface SolidsProps {
  solids: readonly Solid[];
  profiles: Solved['profiles'];
  level: Id | null;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** The shape of an outline drawn out; those of one shape share a geometry. */
type Drawn = Exclude<SolidForm, { section: unknown }>;

const shapeOf = (form: Drawn): string =>
  `${'profile' in form ? form.profile : form.ring.map(({ x, y }) => `${x},${y}`).join(' ')} ${form.heightMm}`;

const geometryOf = (form: Drawn, profiles: Solved['profiles']): THREE.BufferGeometry =>
  prism('profile' in form ? profiles[form.profile]! : { regions: [{ outer: form.ring, holes: [] }] }, form.heightMm);

/** Where a geometry that stands on z = 0 comes to stand. */
function matrixOf(form: Drawn): THREE.Matrix4 {
  if ('bottomMm' in form) return new THREE.Matrix4().makeTranslation(0, 0, form.bottomMm);
  const [x, y] = [new THREE.Vector3(...form.x), new THREE.Vector3(...form.y)];
  const matrix = new THREE.Matrix4().makeBasis(x, y, new THREE.Vector3().crossVectors(x, y));
  return matrix.setPosition(new THREE.Vector3(...form.from));
}

/** Solids of one kind: sections instanced, outlines drawn out, each with its edges where it has some. */
export function Solids({ solids, profiles, level, chosen, colours, onSelect }: SolidsProps) {
  const drawn = useMemo(
    () => solids.filter((solid): solid is Solid & { form: Drawn } => !isInstanced(solid)),
    [solids],
  );
  const sections = useMemo(() => solids.filter(isInstanced), [solids]);
  const shapes = useMemo(() => {
    const made = new Map<string, { geometry: THREE.BufferGeometry; edges: THREE.BufferGeometry | null }>();
    for (const { form, look } of drawn) {
      const key = shapeOf(form);
      if (made.has(key)) continue;
      const geometry = geometryOf(form, profiles);
      made.set(key, { geometry, edges: look.edges ? new THREE.EdgesGeometry(geometry, 30) : null });
    }
    return made;
  }, [profiles, drawn]);
  useEffect(
    () => () =>
      shapes.forEach(({ geometry, edges }) => {
        geometry.dispose();
        edges?.dispose();
      }),
    [shapes],
  );
  const placed = useMemo(
    () => drawn.map((solid) => ({ solid, matrix: matrixOf(solid.form), shape: shapes.get(shapeOf(solid.form))! })),
    [drawn, shapes],
  );
  const colourOf = (solid: Solid) =>
    chosen.has(solid.id) || (solid.look.marksLevel && solid.level === level) ? colours.now : colours[solid.look.colour];
  return (
    <>
      <Instances solids={sections} chosen={chosen} colours={colours} onSelect={onSelect} />
      {placed.map(({ solid, matrix, shape }) => (
        <mesh
          key={solid.key}
          geometry={shape.geometry}
          matrix={matrix}
          matrixAutoUpdate={false}
          onClick={(event) => {
            event.stopPropagation();
            onSelect(solid.id);
          }}
        >
          <Material look={solid.look} colour={colourOf(solid)} />
          {shape.edges && (
            <lineSegments geometry={shape.edges} raycast={() => null}>
              <lineBasicMaterial color={colours[solid.look.edges!]} />
            </lineSegments>
          )}
        </mesh>
      ))}
    </>
  );
}

function Material({ look: { opacity }, colour }: { look: SolidLook; colour: string | undefined }) {
  return (
    <meshLambertMaterial
      color={colour}
      transparent={opacity !== undefined}
      opacity={opacity ?? 1}
      depthWrite={opacity === undefined}
      side={THREE.DoubleSide}
    />
  );
}
