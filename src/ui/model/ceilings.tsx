'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { prism } from './prism';

interface CeilingsProps {
  solved: Solved;
  building: Id;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Ceilings as thin solids; pieces of one shape share a geometry. */
export function Ceilings({ solved, building, chosen, colours, onSelect }: CeilingsProps) {
  const pieces = useMemo(() => solved.ceilings.filter((piece) => piece.building === building), [solved, building]);
  const geometries = useMemo(() => {
    const made = new Map<string, THREE.BufferGeometry>();
    for (const { profile, bottomMm, topMm } of pieces) {
      const key = `${profile} ${topMm - bottomMm}`;
      if (!made.has(key)) made.set(key, prism(solved.profiles[profile]!, topMm - bottomMm));
    }
    return made;
  }, [solved, pieces]);
  useEffect(() => () => [...geometries.values()].forEach((geometry) => geometry.dispose()), [geometries]);
  return pieces.map(({ ceiling, level, room, profile, bottomMm, topMm }, i) => (
    <mesh
      key={`${ceiling} ${level} ${room ?? i}`}
      geometry={geometries.get(`${profile} ${topMm - bottomMm}`)}
      position={[0, 0, bottomMm]}
      onClick={(event) => {
        event.stopPropagation();
        onSelect(ceiling);
      }}
    >
      <meshLambertMaterial color={chosen.has(ceiling) ? colours.now : colours.roofs} side={THREE.DoubleSide} />
    </mesh>
  ));
}
