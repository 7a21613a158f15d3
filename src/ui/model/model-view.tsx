'use client';

import { OrbitControls } from '@react-three/drei';
import { Canvas } from '@react-three/fiber';
import { useEffect, useMemo, useState } from 'react';
import * as THREE from 'three';
import { plus, turned, type Point } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { sectionRing, sectionSize, sectionWords } from '@/core/columns/section-shape';
import { tessellated } from '@/core/geometry/curve';
import { isAt } from '@/core/solving/is-at';
import type { FloorPiece, Solved } from '@/core/solving/solved';
import { useProject } from '../session/store';
import { prism } from './prism';
import { Stairs } from './stairs';
import { Walls } from './walls';

/** Colours of the page, read from its theme. */
function useThemeColours(names: readonly string[]): Record<string, string> {
  const [colours, setColours] = useState<Record<string, string>>({});
  useEffect(() => {
    const read = () => {
      const style = getComputedStyle(document.documentElement);
      setColours(Object.fromEntries(names.map((name) => [name, style.getPropertyValue(`--color-${name}`).trim()])));
    };
    read();
    const dark = matchMedia('(prefers-color-scheme: dark)');
    dark.addEventListener('change', read);
    return () => dark.removeEventListener('change', read);
  }, [names]);
  return colours;
}

const COLOURS = ['columns', 'floors', 'shafts', 'stairs', 'now', 'film', 'sheet', 'walls', 'ink2'] as const;

/** The framework in space: columns instanced per section, slabs per profile, shafts as their free space. Drawn on demand. */
export function ModelView() {
  const { solved, building, level, selection, select } = useProject((project) => project);
  const colours = useThemeColours(COLOURS);
  const [showSpace, setShowSpace] = useState(true);
  const chosen = useMemo(() => new Set(selection), [selection]);
  const centre = useMemo(() => (solved ? middleOf(solved) : null), [solved]);
  if (!solved || !building || !centre || !colours.columns) return null;
  return (
    <div
      className="relative min-h-0 min-w-0 flex-1"
      role="img"
      aria-label={`3D of the framework: ${solved.columns.length} column pieces, ${solved.floors.length} slabs, ${solved.shafts.length} shafts`}
    >
      <Canvas
        frameloop="demand"
        camera={{ fov: 20, near: 1, far: 4000, position: [centre.size * 2.4, centre.size * 1.3, centre.size * 3.1] }}
        gl={{ antialias: true, preserveDrawingBuffer: true }}
        onPointerMissed={() => select([])}
      >
        <color attach="background" args={[colours.film!]} />
        <ambientLight intensity={1.15} />
        <directionalLight position={[60, 120, 90]} intensity={1.3} />
        <directionalLight position={[-80, 20, 60]} intensity={0.7} />
        <group rotation={[-Math.PI / 2, 0, 0]}>
          <group position={[-centre.x, -centre.y, -centre.z]} scale={0.001}>
            {solved.buildings.map((each) => (
              <group
                key={each.id}
                position={[each.at.x, each.at.y, each.zeroMm]}
                rotation={[0, 0, (each.turnDeg * Math.PI) / 180]}
              >
                <Columns
                  solved={solved}
                  building={each.id}
                  chosen={chosen}
                  colours={colours}
                  onSelect={(id) => select([id])}
                />
                <Slabs
                  solved={solved}
                  building={each.id}
                  level={level}
                  chosen={chosen}
                  colours={colours}
                  onSelect={(id) => select([id])}
                />
                <Stairs
                  solved={solved}
                  building={each.id}
                  chosen={chosen}
                  colours={colours}
                  onSelect={(id) => select([id])}
                />
                <Walls
                  solved={solved}
                  building={each.id}
                  chosen={chosen}
                  colours={colours}
                  onSelect={(id) => select([id])}
                />
                <GridLines solved={solved} building={each.id} level={level} colour={colours.ink2!} />
                {showSpace && (
                  <Shafts
                    solved={solved}
                    building={each.id}
                    chosen={chosen}
                    colours={colours}
                    onSelect={(id) => select([id])}
                  />
                )}
              </group>
            ))}
          </group>
        </group>
        <OrbitControls makeDefault enableDamping={false} />
      </Canvas>
      <label className="absolute right-4 bottom-3 flex items-center gap-2 text-[11px] text-ink2">
        <input
          type="checkbox"
          className="accent-(--color-now)"
          checked={showSpace}
          onChange={(event) => setShowSpace(event.target.checked)}
        />
        Show the free space of shafts
      </label>
    </div>
  );
}

/** Middle of all buildings in metres, and how large they are together. */
function middleOf(solved: Solved): { x: number; y: number; z: number; size: number } {
  const points = solved.buildings.flatMap(({ id, at, turnDeg, zeroMm }) => {
    const own = [
      ...solved.crossings.filter((crossing) => crossing.building === id).map((crossing) => crossing.at),
      ...solved.floors.filter((floor) => floor.building === id).flatMap(({ outline }) => outline),
    ];
    const heights = solved.levels.filter((level) => level.building === id).map(({ fflMm }) => fflMm + zeroMm);
    const corners = own.length > 0 ? own : [{ x: 0, y: 0 }];
    return corners.flatMap((point) => heights.map((z) => ({ ...plus(at, turned(point, turnDeg)), z })));
  });
  const span = (values: number[]): [number, number] =>
    values.reduce(([low, high], value) => [Math.min(low, value), Math.max(high, value)], [Infinity, -Infinity]);
  if (points.length === 0) return { x: 0, y: 0, z: 0, size: 20 };
  const [[x0, x1], [y0, y1], [z0, z1]] = [
    span(points.map(({ x }) => x)),
    span(points.map(({ y }) => y)),
    span(points.map(({ z }) => z)),
  ];
  return {
    x: (x0 + x1) / 2000,
    y: (y0 + y1) / 2000,
    z: (z0 + z1) / 2000,
    size: Math.max(x1 - x0, y1 - y0, z1 - z0, 10_000) / 1000,
  };
}

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

function Columns({ solved, building, chosen, colours, onSelect }: PartProps) {
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

function Slabs({ solved, building, level, chosen, colours, onSelect }: PartProps & { level: Id | null }) {
  const pieces = useMemo(() => solved.floors.filter((piece) => piece.building === building), [solved, building]);
  const geometries = useMemo(() => {
    const made = new Map<string, THREE.BufferGeometry>();
    for (const piece of pieces) {
      const key = `${piece.profile} ${piece.thicknessMm}`;
      if (!made.has(key)) made.set(key, prism(solved.profiles[piece.profile]!, piece.thicknessMm));
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
  const slabColour = useMemo(
    () => `#${new THREE.Color(colours.floors).lerp(new THREE.Color(colours.sheet), 0.45).getHexString()}`,
    [colours],
  );
  const colourOf = (piece: FloorPiece) => (chosen.has(piece.plate) || piece.level === level ? colours.now : slabColour);
  return pieces.map((piece) => (
    <mesh
      key={`${piece.plate} ${piece.level}`}
      geometry={geometries.get(`${piece.profile} ${piece.thicknessMm}`)}
      position={[0, 0, piece.topMm - piece.thicknessMm]}
      onClick={(event) => {
        event.stopPropagation();
        onSelect(piece.plate);
      }}
    >
      <meshLambertMaterial color={colourOf(piece)} side={THREE.DoubleSide} />
      <lineSegments geometry={edges.get(`${piece.profile} ${piece.thicknessMm}`)} raycast={() => null}>
        <lineBasicMaterial color={colours.walls} />
      </lineSegments>
    </mesh>
  ));
}

/** Grid lines of the current level, or of the ground for another building, as thin lines at its height. */
function GridLines({
  solved,
  building,
  level,
  colour,
}: {
  solved: Solved;
  building: Id;
  level: Id | null;
  colour: string;
}) {
  const levels = solved.levels.filter((each) => each.building === building);
  const shown = levels.find(({ id }) => id === level) ?? levels.find(({ fflMm }) => fflMm >= 0);
  const fflMm = shown?.fflMm ?? 0;
  const geometry = useMemo(() => {
    const positions = solved.lines
      .filter((line) => line.building === building && isAt(line, fflMm))
      .flatMap((line) => {
        const points = tessellated(line.curve, 20);
        return points.slice(1).flatMap((b, i) => [points[i]!.x, points[i]!.y, 0, b.x, b.y, 0]);
      });
    const made = new THREE.BufferGeometry();
    made.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
    return made;
  }, [solved, building, fflMm]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <lineSegments geometry={geometry} position={[0, 0, fflMm + 20]} raycast={() => null}>
      <lineBasicMaterial color={colour} />
    </lineSegments>
  );
}

function Shafts({ solved, building, chosen, colours, onSelect }: PartProps) {
  const shafts = useMemo(
    () => solved.shafts.filter((shaft) => shaft.building === building && shaft.topMm > shaft.bottomMm),
    [solved, building],
  );
  const stages = useMemo(
    () =>
      shafts.flatMap(({ shaft, stages: parts }) =>
        parts.map(({ ring, topMm, bottomMm }) => ({
          shaft,
          bottomMm,
          geometry: prism({ regions: [{ outer: ring, holes: [] }] }, topMm - bottomMm),
        })),
      ),
    [shafts],
  );
  useEffect(() => () => stages.forEach(({ geometry }) => geometry.dispose()), [stages]);
  return stages.map(({ shaft, bottomMm, geometry }) => (
    <mesh
      key={`${shaft} ${bottomMm}`}
      geometry={geometry}
      position={[0, 0, bottomMm]}
      onClick={(event) => {
        event.stopPropagation();
        onSelect(shaft);
      }}
    >
      <meshLambertMaterial
        color={chosen.has(shaft) ? colours.now : colours.shafts}
        transparent
        opacity={0.5}
        side={THREE.DoubleSide}
        depthWrite={false}
      />
    </mesh>
  ));
}
