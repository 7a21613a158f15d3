'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { prism } from './prism';

interface WallsProps {
  solved: Solved;
  building: Id;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Walls in slices between the heights of their openings; equal slices share a geometry. */
export function Walls({ solved, building, chosen, colours, onSelect }: WallsProps) {
  const pieces = useMemo(() => solved.walls.filter((piece) => piece.building === building), [solved, building]);
  const geometries = useMemo(() => {
    const made = new Map<string, THREE.BufferGeometry>();
    for (const { slices } of pieces) {
      for (const { profile, bottomMm, topMm } of slices) {
        const key = `${profile} ${topMm - bottomMm}`;
        if (!made.has(key)) made.set(key, prism(solved.profiles[profile]!, topMm - bottomMm));
      }
    }
    return made;
  }, [solved, pieces]);
  const edges = useMemo(
    () => new Map([...geometries].map(([key, geometry]) => [key, new THREE.EdgesGeometry(geometry, 30)])),
    [geometries],
  );
  useEffect(
    () => () => [...geometries.values(), ...edges.values()].forEach((geometry) => geometry.dispose()),
    [geometries, edges],
  );
  return pieces.flatMap((piece) =>
    piece.slices.map(({ profile, bottomMm, topMm }) => {
      const key = `${profile} ${topMm - bottomMm}`;
      const isGlass = piece.use === 'glazed';
      return (
        <mesh
          key={`${piece.wall} ${piece.level} ${bottomMm}`}
          geometry={geometries.get(key)}
          position={[0, 0, bottomMm]}
          onClick={(event) => {
            event.stopPropagation();
            onSelect(piece.wall);
          }}
        >
          <meshLambertMaterial
            color={chosen.has(piece.wall) ? colours.now : isGlass ? colours.shafts : colours.sheet}
            transparent={isGlass}
            opacity={isGlass ? 0.35 : 1}
            depthWrite={!isGlass}
            side={THREE.DoubleSide}
          />
          <lineSegments geometry={edges.get(key)} raycast={() => null}>
            <lineBasicMaterial color={colours.walls} />
          </lineSegments>
        </mesh>
      );
    }),
  );
}
