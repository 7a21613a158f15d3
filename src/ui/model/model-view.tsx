'use client';

import { OrbitControls } from '@react-three/drei';
import { Canvas } from '@react-three/fiber';
import { useEffect, useMemo, useState } from 'react';
import * as THREE from 'three';
import { plus, turned } from '@/core/geometry/point';
import type { Id } from '@/core/model/ids';
import { tessellated } from '@/core/geometry/curve';
import { isAt } from '@/core/solving/is-at';
import { DEFINITIONS } from '@/core/kinds/registry';
import type { ViewKind } from '@/core/kinds/view-kinds';
import type { Solved } from '@/core/solving/solved';
import { useSlice } from '../session/store';
import { openedAt } from '@/core/drawing/opened-at';
import { partOf } from '@/core/drawing/part-of';
import { WhatIsShown } from '../surface/what-is-shown';
import { useChosen } from '../session/use-chosen';
import { Solids, type SolidsProps } from './solids';

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

const COLOURS = ['columns', 'floors', 'shafts', 'stairs', 'now', 'film', 'sheet', 'walls', 'roofs', 'ink2'] as const;

/** The framework in space: columns instanced per section, slabs per profile, shafts as their free space. Drawn on demand. */
export function ModelView() {
  const { solved, building, level, hidden, part, select } = useSlice(
    'solved',
    'building',
    'level',
    'hidden',
    'part',
    'select',
  );
  const theme = useThemeColours(COLOURS);
  // Slabs are lighter than what stands on them.
  const colours = useMemo(
    () =>
      theme.floors && theme.sheet
        ? {
            ...theme,
            slabs: `#${new THREE.Color(theme.floors).lerp(new THREE.Color(theme.sheet), 0.45).getHexString()}`,
          }
        : theme,
    [theme],
  );
  const [isTopOff, setTopOff] = useState(false);
  const shown = useMemo(
    () => solved && partOf(isTopOff && level ? openedAt(solved, level) : solved, part),
    [solved, isTopOff, level, part],
  );
  const chosen = useChosen();
  const centre = useMemo(() => (solved ? middleOf(solved) : null), [solved]);
  if (!solved || !shown || !building || !centre || !colours.columns) return null;
  return (
    <div
      className="relative min-h-0 min-w-0 flex-1"
      role="img"
      aria-label={`3D of the framework: ${shown.columns.length} column pieces, ${shown.floors.length} slabs, ${shown.shafts.length} shafts`}
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
            {shown.buildings.map((each) => (
              <group
                key={each.id}
                position={[each.at.x, each.at.y, each.zeroMm]}
                rotation={[0, 0, (each.turnDeg * Math.PI) / 180]}
              >
                {!hidden.has('grids') && (
                  <GridLines solved={shown} building={each.id} level={level} colour={colours.ink2!} />
                )}
                <Building
                  solved={shown}
                  building={each.id}
                  hidden={hidden}
                  level={level}
                  chosen={chosen}
                  colours={colours}
                  onSelect={(id) => select([id])}
                />
              </group>
            ))}
          </group>
        </group>
        <OrbitControls makeDefault enableDamping={false} />
      </Canvas>
      <WhatIsShown view="model" />
      <div className="absolute right-4 bottom-3">
        <button
          type="button"
          aria-pressed={isTopOff}
          className={`rounded-sm border px-2 py-0.5 text-[11px] ${isTopOff ? 'border-now bg-now-tint font-semibold text-now' : 'border-hair bg-sheet'}`}
          onClick={() => setTopOff(!isTopOff)}
        >
          opened at this level
        </button>
      </div>
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

/** What stands in a building, kind by kind, but for kinds that are hidden. */
function Building({
  solved,
  building,
  hidden,
  ...rest
}: Omit<SolidsProps, 'solids' | 'profiles'> & { solved: Solved; building: Id; hidden: ReadonlySet<ViewKind> }) {
  const kinds = useMemo(
    () =>
      DEFINITIONS.flatMap(({ records, solids, shownAs }) => {
        if ('none' in solids || (!('none' in shownAs) && hidden.has(shownAs.kind))) return [];
        return [{ kind: records.kind, solids: solids.of(solved, building) }];
      }),
    [solved, building, hidden],
  );
  return kinds.map(({ kind, solids }) => <Solids key={kind} solids={solids} profiles={solved.profiles} {...rest} />);
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
