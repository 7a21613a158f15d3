'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { prism } from './prism';

/** A piece of one profile from its bottom to its top. */
interface Piece {
  /** Tells it from all others shown. */
  key: string;
  /** The record that a press chooses. */
  id: Id;
  profile: string;
  bottomMm: number;
  topMm: number;
}

interface PrismsProps {
  pieces: readonly Piece[];
  profiles: Solved['profiles'];
  chosen: ReadonlySet<Id>;
  colour: string | undefined;
  chosenColour: string | undefined;
  onSelect: (id: Id) => void;
}

/** Foundations, ceilings and the like as solids; pieces of one shape share a geometry. */
export function Prisms({ pieces, profiles, chosen, colour, chosenColour, onSelect }: PrismsProps) {
  const geometries = useMemo(() => {
    const made = new Map<string, THREE.BufferGeometry>();
    for (const { profile, bottomMm, topMm } of pieces) {
      const shape = `${profile} ${topMm - bottomMm}`;
      if (!made.has(shape)) made.set(shape, prism(profiles[profile]!, topMm - bottomMm));
    }
    return made;
  }, [profiles, pieces]);
  useEffect(() => () => [...geometries.values()].forEach((geometry) => geometry.dispose()), [geometries]);
  return pieces.map(({ key, id, profile, bottomMm, topMm }) => (
    <mesh
      key={key}
      geometry={geometries.get(`${profile} ${topMm - bottomMm}`)}
      position={[0, 0, bottomMm]}
      onClick={(event) => {
        event.stopPropagation();
        onSelect(id);
      }}
    >
      <meshLambertMaterial color={chosen.has(id) ? chosenColour : colour} side={THREE.DoubleSide} />
    </mesh>
  ));
}
