'use client';

import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { sectionRing, sectionSize, sectionWords } from '@/core/columns/section-shape';
import type { Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { prism } from './prism';

interface PartProps {
  solved: Solved;
  building: Id;
  chosen: ReadonlySet<Id>;
  colours: Record<string, string>;
  onSelect: (id: Id) => void;
}

/** Unit solids that instances are scaled from: 1 mm each way, standing on z = 0. */
const UNIT_BOX = new THREE.BoxGeometry(1, 1, 1).translate(0, 0, 0.5);
const UNIT_CYLINDER = new THREE.CylinderGeometry(0.5, 0.5, 1, 20).rotateX(Math.PI / 2).translate(0, 0, 0.5);

/** Columns instanced per section, heads and thickenings among them. */
export function Columns({ solved, building, chosen, colours, onSelect }: PartProps) {
  const groups = useMemo((): [THREE.BufferGeometry, Solid[]][] => {
    const pieces = solved.columns.filter((piece) => piece.building === building);
    const shaped = new Map<string, [THREE.BufferGeometry, Solid[]]>();
    for (const piece of pieces) {
      if (piece.section.shape !== 'I') continue;
      const key = sectionWords(piece.section);
      const ring = sectionRing(piece.section, { x: 0, y: 0 }, 0);
      const group = shaped.get(key) ?? [prism({ regions: [{ outer: ring, holes: [] }] }, 1), []];
      shaped.set(key, group);
      group[1].push({ ...piece, size: [1, 1] });
    }
    const solids = (shape: 'rectangle' | 'circle'): Solid[] =>
      pieces
        .filter(({ section }) => section.shape === shape)
        .map((piece) => ({ ...piece, size: sectionSize(piece.section) }));
    const blocks = solved.blocks
      .filter((block) => block.building === building)
      .map((block): Solid => ({ ...block, size: [block.widthMm, block.depthMm] }));
    return [[UNIT_BOX, [...solids('rectangle'), ...blocks]], [UNIT_CYLINDER, solids('circle')], ...shaped.values()];
  }, [solved, building]);
  return groups.map(([geometry, group], i) => (
    <ColumnGroup
      key={`${i} ${group.length}`}
      geometry={geometry}
      pieces={group}
      chosen={chosen}
      colours={colours}
      onSelect={onSelect}
    />
  ));
}

/** An upright solid: a unit solid scaled to its size and height. */
interface Solid {
  stack: Id;
  at: Point;
  turnDeg: number;
  bottomMm: number;
  topMm: number;
  size: [number, number];
}

function ColumnGroup({
  geometry,
  pieces,
  chosen,
  colours,
  onSelect,
}: { geometry: THREE.BufferGeometry; pieces: Solid[] } & Pick<PartProps, 'chosen' | 'colours' | 'onSelect'>) {
  const mesh = useMemo(() => {
    const instances = new THREE.InstancedMesh(
      geometry,
      new THREE.MeshLambertMaterial({ color: '#ffffff' }),
      pieces.length,
    );
    const matrix = new THREE.Matrix4();
    const turn = new THREE.Quaternion();
    pieces.forEach((piece, i) => {
      const {
        at,
        bottomMm,
        topMm,
        turnDeg,
        size: [w, d],
      } = piece;
      turn.setFromAxisAngle(new THREE.Vector3(0, 0, 1), (turnDeg * Math.PI) / 180);
      matrix.compose(new THREE.Vector3(at.x, at.y, bottomMm), turn, new THREE.Vector3(w, d, topMm - bottomMm));
      instances.setMatrixAt(i, matrix);
      instances.setColorAt(i, new THREE.Color(chosen.has(piece.stack) ? colours.now : colours.columns));
    });
    instances.computeBoundingSphere();
    return instances;
  }, [geometry, pieces, chosen, colours]);
  useEffect(() => () => mesh.dispose(), [mesh]);
  if (pieces.length === 0) return null;
  return (
    <primitive
      object={mesh}
      onClick={(event: { instanceId?: number; stopPropagation: () => void }) => {
        event.stopPropagation();
        const piece = pieces[event.instanceId ?? -1];
        if (piece) onSelect(piece.stack);
      }}
    />
  );
}
