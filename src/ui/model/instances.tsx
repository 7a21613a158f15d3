'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { sectionRing, sectionSize, sectionWords } from '@/core/columns/section-shape';
import type { Solid, SolidForm } from '@/core/kinds/solids';
import type { Id } from '@/core/model/ids';
import { prism } from './prism';

type Upright = Solid & { form: Extract<SolidForm, { section: unknown }> };

/** Solids of a section at a point: drawn as instances, one geometry for all of a section. */
export const isInstanced = (solid: Solid): solid is Upright => 'section' in solid.form;

interface InstancesProps {
  solids: readonly Upright[];
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Unit solids that instances are scaled from: 1 mm each way, standing on z = 0. */
const UNIT_BOX = new THREE.BoxGeometry(1, 1, 1).translate(0, 0, 0.5);
const UNIT_CYLINDER = new THREE.CylinderGeometry(0.5, 0.5, 1, 20).rotateX(Math.PI / 2).translate(0, 0, 0.5);

export function Instances({ solids, chosen, colours, onSelect }: InstancesProps) {
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
    <Group
      key={`${key} ${group.solids.length}`}
      geometry={group.geometry}
      solids={group.solids}
      chosen={chosen}
      colours={colours}
      onSelect={onSelect}
    />
  ));
}

function Group({ geometry, solids, chosen, colours, onSelect }: InstancesProps & { geometry: THREE.BufferGeometry }) {
  const mesh = useMemo(() => {
    const material = new THREE.MeshLambertMaterial({ color: '#ffffff' });
    const instances = new THREE.InstancedMesh(geometry, material, solids.length);
    const matrix = new THREE.Matrix4();
    const turn = new THREE.Quaternion();
    solids.forEach(({ id, look, form: { section, at, turnDeg, bottomMm, heightMm } }, i) => {
      const [w, d] = section.shape === 'I' ? [1, 1] : sectionSize(section);
      turn.setFromAxisAngle(new THREE.Vector3(0, 0, 1), (turnDeg * Math.PI) / 180);
      matrix.compose(new THREE.Vector3(at.x, at.y, bottomMm), turn, new THREE.Vector3(w, d, heightMm));
      instances.setMatrixAt(i, matrix);
      instances.setColorAt(i, new THREE.Color(chosen.has(id) ? colours.now : colours[look.colour]));
    });
    instances.computeBoundingSphere();
    return instances;
  }, [geometry, solids, chosen, colours]);
  useEffect(() => () => mesh.dispose(), [mesh]);
  return (
    <primitive
      object={mesh}
      onClick={(event: { instanceId?: number; stopPropagation: () => void }) => {
        event.stopPropagation();
        const solid = solids[event.instanceId ?? -1];
        if (solid) onSelect(solid.id);
      }}
    />
  );
}
