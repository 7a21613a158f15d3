'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { Id } from '@/core/model/ids';
import { flightProfile } from '@/core/stairs/flight-profile';
import type { Flight } from '@/core/stairs/half-turn';
import type { SolvedStair } from '@/core/stairs/solved-stair';
import type { Solved } from '@/core/solving/solved';
import { prism } from './prism';

interface StairsProps {
  solved: Solved;
  building: Id;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Flights with their treads, and landings. One mesh for each stair. */
export function Stairs({ solved, building, chosen, colours, onSelect }: StairsProps) {
  const stairs = useMemo(
    () =>
      solved.stairs
        .filter((stair) => stair.building === building)
        .map((stair) => {
          const geometry = stairGeometry(stair);
          return { id: stair.stair, geometry, edges: new THREE.EdgesGeometry(geometry, 30) };
        }),
    [solved, building],
  );
  useEffect(
    () => () =>
      stairs.forEach(({ geometry, edges }) => {
        geometry.dispose();
        edges.dispose();
      }),
    [stairs],
  );
  return stairs.map(({ id, geometry, edges }) => (
    <mesh
      key={id}
      geometry={geometry}
      onClick={(event) => {
        event.stopPropagation();
        onSelect(id);
      }}
    >
      <meshLambertMaterial color={chosen.has(id) ? colours.now : colours.stairs} side={THREE.DoubleSide} />
      <lineSegments geometry={edges} raycast={() => null}>
        <lineBasicMaterial color={colours.ink2} />
      </lineSegments>
    </mesh>
  ));
}

function stairGeometry(stair: SolvedStair): THREE.BufferGeometry {
  const positions: number[] = [];
  for (const { flights, landing } of stair.storeys) {
    for (const flight of flights) positions.push(...flightPositions(stair, flight));
    for (const ring of landing ? [landing.ring] : []) {
      const thick = stair.landingMm;
      const solid = prism({ regions: [{ outer: ring, holes: [] }] }, thick);
      const points = solid.getAttribute('position');
      const bottom = landing!.topMm - stair.finishMm - thick;
      for (let i = 0; i < points.count; i += 1) positions.push(points.getX(i), points.getY(i), points.getZ(i) + bottom);
      solid.dispose();
    }
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  return geometry;
}

/** The flight's side profile drawn out across its width: corners of triangles. */
function flightPositions(stair: SolvedStair, flight: Flight): number[] {
  const profile = flightProfile(stair, flight);
  if (profile.length < 3 || flight.risers < 2) return [];
  const { from, along, widthMm } = flight;
  const left = { x: -along.y, y: along.x };
  const solid = prism({ regions: [{ outer: profile, holes: [] }] }, widthMm);
  const points = solid.getAttribute('position');
  const positions: number[] = [];
  for (let i = 0; i < points.count; i += 1) {
    const [s, z, across] = [points.getX(i), points.getY(i), points.getZ(i) - widthMm / 2];
    positions.push(from.x + along.x * s + left.x * across, from.y + along.y * s + left.y * across, z);
  }
  solid.dispose();
  return positions;
}
