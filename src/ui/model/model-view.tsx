'use client';

import { Canvas } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState } from 'react';
import * as THREE from 'three';
import { openedAt } from '@/core/drawing/opened-at';
import { partOf } from '@/core/drawing/part-of';
import { tessellated } from '@/core/geometry/curve';
import type { Id } from '@/core/model/ids';
import { isAt } from '@/core/solving/is-at';
import type { Solved } from '@/core/solving/solved';
import { ActBar } from '../acts/act-bar';
import { sayThing } from '../details/sentence';
import { PointerWords } from '../plan/pointer-tag';
import { useChosen } from '../session/use-chosen';
import { useSlice } from '../session/store';
import { useSize } from '../surface/use-size';
import { WhatIsShown } from '../surface/what-is-shown';
import { EndHandles, hasHandles } from './end-handles';
import { Rig, type Asked, type Look, type Projection } from './rig';
import { Solids } from './solids';
import { middleOf, reachOf, solidsOf, type Reach } from './space';
import { ViewRose } from './view-rose';

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

const COLOURS = [
  'columns',
  'floors',
  'shafts',
  'stairs',
  'now',
  'now-tint',
  'film',
  'sheet',
  'faint',
  'hair',
  'walls',
  'roofs',
  'ink2',
] as const;

/** How high one's eyes are, mm. */
const EYE_MM = 1600;

/** The framework in space, pointed at and chosen in as the plan is; ends dragged up and down. Drawn on demand. */
export function ModelView() {
  const { framework, solved, building, level, hidden, part, selection, display, mayEdit, select, set } = useSlice(
    'framework',
    'solved',
    'building',
    'level',
    'hidden',
    'part',
    'selection',
    'display',
    'mayEdit',
    'select',
    'set',
  );
  const theme = useThemeColours(COLOURS);
  // Slabs are lighter than what stands on them; what is pointed at is between its colour and that of what is chosen.
  const colours = useMemo(() => {
    if (!theme.floors || !theme.sheet) return theme;
    const mixed = (a: string, b: string, t: number) =>
      `#${new THREE.Color(a).lerp(new THREE.Color(b), t).getHexString()}`;
    return {
      ...theme,
      slabs: mixed(theme.floors, theme.sheet, 0.45),
      over: mixed(theme.now!, theme['now-tint']!, 0.55),
    };
  }, [theme]);
  const [isTopOff, setTopOff] = useState(false);
  const [over, setOver] = useState<Id | null>(null);
  const [pointer, setPointer] = useState({ x: 0, y: 0 });
  const [told, setTold] = useState<string | null>(null);
  const [projection, setProjection] = useState<Projection>('perspective');
  const box = useRef<HTMLDivElement>(null);
  const room = useSize(box);
  const shown = useMemo(
    () => solved && partOf(isTopOff && level ? openedAt(solved, level) : solved, part),
    [solved, isTopOff, level, part],
  );
  const inSpace = useMemo(
    () => (shown?.buildings ?? []).map((each) => ({ of: each, kinds: solidsOf(shown!, each.id, hidden) })),
    [shown, hidden],
  );
  const chosen = useChosen();
  const centre = useMemo(() => (solved ? middleOf(solved) : null), [solved]);
  // Where the scene has its zero stays: a level that moves moves nothing else.
  const [zero] = useState(centre);
  const origin = zero ?? centre;
  const [asked, setAsked] = useState<Asked | null>(null);
  const first = useMemo<Asked | null>(
    () => origin && { look: 'corner', n: 0, at: new THREE.Vector3(), size: origin.size },
    [origin],
  );
  if (!solved || !shown || !building || !origin || !first || !colours.columns)
    return <div ref={box} className="relative min-h-0 min-w-0 flex-1" />;
  const own = solved.buildings.find(({ id }) => id === building);
  const reaches = inSpace.flatMap(({ of, kinds }) => {
    const all = kinds.flatMap(({ solids }) => solids.filter(({ id }) => chosen.has(id)));
    const reach = reachOf(all, shown.profiles);
    return reach ? [{ of, reach }] : [];
  });
  const [only] = mayEdit && selection.length === 1 && reaches.length === 1 ? selection : [];
  const record = only === undefined ? undefined : framework.records.get(only);
  /** A point of a building in the scene, m. */
  const inScene = (of: Solved['buildings'][number], [x, y, z]: Reach['low']): THREE.Vector3 => {
    const at = new THREE.Vector2(x, y).rotateAround(new THREE.Vector2(), (of.turnDeg * Math.PI) / 180);
    return new THREE.Vector3(
      (at.x + of.at.x) / 1000 - origin.x,
      (z + of.zeroMm) / 1000 - origin.z,
      -((at.y + of.at.y) / 1000 - origin.y),
    );
  };
  const look = (way: Look) => {
    const n = (asked?.n ?? 0) + 1;
    const corners = reaches.flatMap(({ of, reach }) => [inScene(of, reach.low), inScene(of, reach.high)]);
    const around = corners.length > 0 ? new THREE.Box3().setFromPoints(corners) : null;
    if (way === 'eye') {
      setProjection('perspective');
      const fflMm = solved.levels.find(({ id }) => id === level)?.fflMm ?? 0;
      const middle = around?.getCenter(new THREE.Vector3()) ?? new THREE.Vector3(0, 0, origin.size * 0.4);
      const eye = own ? inScene(own, [0, 0, fflMm + EYE_MM]).y : 1.6;
      setAsked({ look: way, n, at: new THREE.Vector3(middle.x, eye, middle.z + 3), size: origin.size });
    } else if (way === 'there' && around) {
      const size = Math.max(around.getSize(new THREE.Vector3()).length() * 1.3, 4);
      setAsked({ look: way, n, at: around.getCenter(new THREE.Vector3()), size });
    } else {
      // All there is now, which need not be what there was when the scene got its zero.
      const now = centre ?? origin;
      const at = new THREE.Vector3(now.x - origin.x, now.z - origin.z, origin.y - now.y);
      setAsked({ look: way, n, at, size: now.size });
    }
  };
  const press = (id: Id, event: MouseEvent) => {
    if (event.type === 'contextmenu') {
      event.preventDefault();
      if (!chosen.has(id)) select([id]);
      set({ menu: { x: event.clientX, y: event.clientY } });
    } else if (event.shiftKey)
      select(selection.includes(id) ? selection.filter((other) => other !== id) : [...selection, id]);
    else select([id]);
  };
  const said = over ? sayThing(framework, solved, over, display)?.title : null;
  const ground = Math.ceil(origin.size / 10) * 30;
  return (
    <div
      ref={box}
      className="relative min-h-0 min-w-0 flex-1"
      onPointerMove={({ currentTarget, clientX, clientY }) => {
        const { left, top } = currentTarget.getBoundingClientRect();
        setPointer({ x: clientX - left, y: clientY - top });
      }}
      onContextMenu={(event) => event.preventDefault()}
    >
      <div
        role="img"
        aria-label={`3D of the framework: ${shown.columns.length} column pieces, ${shown.floors.length} slabs, ${shown.shafts.length} shafts`}
        className={`absolute inset-0 ${over ? 'cursor-pointer' : ''}`}
      >
        <Canvas
          frameloop="demand"
          gl={{ antialias: true, preserveDrawingBuffer: true }}
          onPointerMissed={(event) => event.type === 'click' && select([])}
        >
          <color attach="background" args={[colours.film!]} />
          <hemisphereLight args={[colours.sheet!, colours.walls!, 1.5]} />
          <directionalLight position={[60, 120, 90]} intensity={1.5} />
          <directionalLight position={[-80, 20, 60]} intensity={0.6} />
          <mesh
            rotation={[-Math.PI / 2, 0, 0]}
            position={[0, -origin.z - 0.05, 0]}
            raycast={() => null}
            renderOrder={-1}
          >
            <planeGeometry args={[ground, ground]} />
            <meshBasicMaterial
              color={colours.faint}
              transparent
              opacity={0.55}
              depthWrite={false}
              side={THREE.DoubleSide}
            />
          </mesh>
          <gridHelper
            args={[ground, ground / 10, colours.hair, colours.hair]}
            position={[0, -origin.z - 0.04, 0]}
            raycast={() => null}
          />
          <group rotation={[-Math.PI / 2, 0, 0]}>
            <group position={[-origin.x, -origin.y, -origin.z]} scale={0.001}>
              {inSpace.map(({ of, kinds }) => (
                <group
                  key={of.id}
                  position={[of.at.x, of.at.y, of.zeroMm]}
                  rotation={[0, 0, (of.turnDeg * Math.PI) / 180]}
                >
                  {!hidden.has('grids') && (
                    <GridLines solved={shown} building={of.id} level={level} colour={colours.ink2!} />
                  )}
                  {kinds.map(({ kind, solids }) => (
                    <Solids
                      key={kind}
                      solids={solids}
                      profiles={shown.profiles}
                      level={level}
                      chosen={chosen}
                      over={over}
                      colours={colours}
                      onPoint={setOver}
                      onPress={press}
                    />
                  ))}
                  {record && hasHandles(framework, record.id) && reaches[0]!.of.id === of.id && (
                    <EndHandles
                      key={record.id}
                      id={record.id}
                      reach={reaches[0]!.reach}
                      colour={colours.now!}
                      onTold={setTold}
                    />
                  )}
                </group>
              ))}
            </group>
          </group>
          <Rig projection={projection} asked={asked ?? first} turnDeg={own?.turnDeg ?? 0} />
        </Canvas>
      </div>
      <WhatIsShown view="model" />
      <ViewRose
        projection={projection}
        hasChosen={reaches.length > 0}
        onLook={look}
        onProjection={(next) => {
          setProjection(next);
          setAsked({ ...(asked ?? first), look: 'there', n: (asked?.n ?? 0) + 1 });
        }}
      />
      {(told ?? said) && <PointerWords at={pointer} room={room} words={told ?? said!} />}
      {selection.length > 0 && !told && (
        <ActBar
          at={{ minX: room.width / 2, maxX: room.width / 2, minY: 84, maxY: 84 }}
          room={room}
          onMore={(menu) => set({ menu })}
        />
      )}
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
