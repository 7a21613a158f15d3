'use client';

import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo } from 'react';
import * as THREE from 'three';
import { sectionRing, sectionSize, sectionWords } from '@/core/columns/section-shape';
import type { Solid, SolidForm } from '@/core/kinds/solids';
import type { Id } from '@/core/model/ids';
import { prism } from './prism';
import type { Pointed } from './pointed';

type Upright = Solid & { form: Extract<SolidForm, { section: unknown }> };

/** Solids of a section at a point: drawn as instances, one geometry for all of a section. */
export const isInstanced = (solid: Solid): solid is Upright => 'section' in solid.form;

interface InstancesProps extends Pointed {
  solids: readonly Upright[];
  chosen: ReadonlySet<Id>;
  over: Id | null;
  colours: Record<string, string>;
}

/** Unit solids that instances are scaled from: 1 mm each way, standing on z = 0. */
const UNIT_BOX = new THREE.BoxGeometry(1, 1, 1).translate(0, 0, 0.5);
const UNIT_CYLINDER = new THREE.CylinderGeometry(0.5, 0.5, 1, 20).rotateX(Math.PI / 2).translate(0, 0, 0.5);

export function Instances({ solids, ...rest }: InstancesProps) {
  const groups = useMemo(() => {
    const made = new Map<string, { geometry: THREE.BufferGeometry; solids: Upright[] }>();
    for (const solid of solids) {
      const { section } = solid.form;
      const key = section.shape === 'I' ? sectionWords(section) : section.shape;
      const group = made.get(key) ?? {
        geometry:
          section.shape === 'rectangle'
            ? UNIT_BOX
            : section.shape === 'circle'
              ? UNIT_CYLINDER
              : prism({ regions: [{ outer: sectionRing(section, { x: 0, y: 0 }, 0), holes: [] }] }, 1),
        solids: [],
      };
      made.set(key, group);
      group.solids.push(solid);
    }
    return [...made];
  }, [solids]);
  return groups.map(([key, group]) => (
    <Group key={`${key} ${group.solids.length}`} geometry={group.geometry} solids={group.solids} {...rest} />
  ));
}

function Group({
  geometry,
  solids,
  chosen,
  over,
  colours,
  onPoint,
  onPress,
}: InstancesProps & { geometry: THREE.BufferGeometry }) {
  const invalidate = useThree((state) => state.invalidate);
  const mesh = useMemo(() => {
    const material = new THREE.MeshLambertMaterial({ color: '#ffffff' });
    const instances = new THREE.InstancedMesh(geometry, material, solids.length);
    const matrix = new THREE.Matrix4();
    const turn = new THREE.Quaternion();
    solids.forEach(({ form: { section, at, turnDeg, bottomMm, heightMm } }, i) => {
      const [w, d] = section.shape === 'I' ? [1, 1] : sectionSize(section);
      turn.setFromAxisAngle(new THREE.Vector3(0, 0, 1), (turnDeg * Math.PI) / 180);
      matrix.compose(new THREE.Vector3(at.x, at.y, bottomMm), turn, new THREE.Vector3(w, d, heightMm));
      instances.setMatrixAt(i, matrix);
      instances.setColorAt(i, new THREE.Color());
    });
    instances.computeBoundingSphere();
    return instances;
  }, [geometry, solids]);
  useLayoutEffect(() => {
    paintInstances(mesh, solids, ({ id, look }) =>
      chosen.has(id) ? colours.now! : id === over ? colours.over! : colours[look.colour]!,
    );
    invalidate();
  }, [mesh, solids, chosen, over, colours, invalidate]);
  useEffect(() => () => void mesh.dispose(), [mesh]);
  const idOf = ({ instanceId }: { instanceId?: number | undefined }) => solids[instanceId ?? -1]?.id ?? null;
  const press = (event: ThreeEvent<MouseEvent>) => {
    if (event.delta > 4) return;
    event.stopPropagation();
    const id = idOf(event);
    if (id) onPress(id, event.nativeEvent);
  };
  return (
    <primitive
      object={mesh}
      onPointerMove={(event: ThreeEvent<PointerEvent>) => {
        event.stopPropagation();
        onPoint(idOf(event));
      }}
      onPointerOut={() => onPoint(null)}
      onClick={press}
      onContextMenu={press}
    />
  );
}

function paintInstances(
  mesh: THREE.InstancedMesh,
  solids: readonly Upright[],
  colourOf: (solid: Upright) => string,
): void {
  const colour = new THREE.Color();
  solids.forEach((solid, i) => mesh.setColorAt(i, colour.set(colourOf(solid))));
  mesh.instanceColor!.needsUpdate = true;
}
