'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { prism } from './prism';

interface FoundationsProps {
  solved: Solved;
  building: Id;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Rafts, pads and strips as solids; pieces of one shape share a geometry. */
export function Foundations({ solved, building, chosen, colours, onSelect }: FoundationsProps) {
  const pieces = useMemo(() => solved.foundations.filter((piece) => piece.building === building), [solved, building]);
  const geometries = useMemo(() => {
    const made = new Map<string, THREE.BufferGeometry>();
    for (const { profile, bottomMm, topMm } of pieces) {
      const key = `${profile} ${topMm - bottomMm}`;
      if (!made.has(key)) made.set(key, prism(solved.profiles[profile]!, topMm - bottomMm));
    }
    return made;
  }, [solved, pieces]);
  useEffect(() => () => [...geometries.values()].forEach((geometry) => geometry.dispose()), [geometries]);
  return pieces.map(({ foundation, under, profile, bottomMm, topMm }) => (
    <mesh
      key={`${foundation} ${under ?? ''}`}
      geometry={geometries.get(`${profile} ${topMm - bottomMm}`)}
      position={[0, 0, bottomMm]}
      onClick={(event) => {
        event.stopPropagation();
        onSelect(foundation);
      }}
    >
      <meshLambertMaterial color={chosen.has(foundation) ? colours.now : colours.walls} side={THREE.DoubleSide} />
    </mesh>
  ));
}
