'use client';

import { useFrame, useThree, type ThreeEvent } from '@react-three/fiber';
import { useCallback, useEffect, useRef } from 'react';
import * as THREE from 'three';
import { cornerHeightAt, highCorners } from '@/core/drafting/corner-heights-by-hand';
import { endAt, hasEnds, type EndSnap, type Writing } from '@/core/drafting/ends-by-hand';
import type { Framework } from '@/core/model/framework';
import type { Solved } from '@/core/solving/solved';
import type { Id } from '@/core/model/ids';
import { formatLength } from '@/core/units/format-length';
import { dragStep } from '../plan/drag-step';
import { useSlice } from '../session/store';
import { useTried, type Tried } from '../session/use-tried';
import { swallowPress } from '../surface/use-handle';
import type { Reach } from './space';

interface EndHandlesProps {
  id: Id;
  reach: Reach;
  colour: string;
  onTold: (words: string | null) => void;
}

/** Within this of a face of a level an end is on it, mm. */
const REACH_MM = 250;
/** Size of a handle, as a part of how far away it is. */
const SIZE = 0.009;

/** Where a height goes that a handle is dragged to; null: nowhere. */
type Taking = (framework: Framework, solved: Solved, zMm: number, writing: Writing) => EndSnap | null;

/** Whether anything of it can be dragged up and down. */
export const hasHandles = (framework: Framework, id: Id): boolean => {
  const record = framework.records.get(id);
  return record !== undefined && (hasEnds(record) || highCorners(framework, id).length > 0);
};

/**
 * The two ends of what is chosen, or its corners where those have heights, dragged up and down onto faces of levels or in steps. Drawn inside
 * its building, in millimetres.
 */
export function EndHandles({ id, reach, colour, onTold }: EndHandlesProps) {
  const left = useCallback(() => onTold(null), [onTold]);
  const tried = useTried(id, left);
  const { framework } = useSlice('framework');
  const corners = highCorners(framework, id);
  if (corners.length > 0)
    return corners.map(({ x: atX, y: atY, z }, corner) => (
      <EndHandle
        key={corner}
        tried={tried}
        at={[atX, atY, z]}
        colour={colour}
        onTold={onTold}
        take={(now, solved, zMm, writing) => cornerHeightAt(now, solved, { id, corner }, zMm, REACH_MM / 4, writing)}
      />
    ));
  const end =
    (side: 'start' | 'stop'): Taking =>
    (now, solved, zMm, writing) =>
      endAt(now, solved, id, side, zMm, REACH_MM, writing);
  const [x, y] = [(reach.low[0] + reach.high[0]) / 2, (reach.low[1] + reach.high[1]) / 2];
  return (
    <>
      <EndHandle tried={tried} take={end('start')} at={[x, y, reach.low[2]]} colour={colour} onTold={onTold} />
      <EndHandle tried={tried} take={end('stop')} at={[x, y, reach.high[2]]} colour={colour} onTold={onTold} />
    </>
  );
}

function EndHandle({
  tried,
  take,
  at,
  colour,
  onTold,
}: {
  tried: Tried;
  take: Taking;
  at: [number, number, number];
  colour: string;
  onTold: (words: string | null) => void;
}) {
  const { framework, solved, display } = useSlice('framework', 'solved', 'display');
  const mesh = useRef<THREE.Group>(null);
  const read = useThree((state) => state.get);
  const held = useRef<{ fromMm: number; pointerMm: number; stop: () => void } | null>(null);
  useFrame(({ camera }) => {
    if (!mesh.current) return;
    const there = mesh.current.getWorldPosition(new THREE.Vector3());
    const px =
      camera instanceof THREE.OrthographicCamera ? 4.5 / camera.zoom : camera.position.distanceTo(there) * SIZE * 0.5;
    // Inside the building it is in millimetres.
    mesh.current.scale.setScalar(px * 1000);
  });
  /** Where along the upright through the handle a pointer is, in the building's heights, mm. */
  const heightOf = (event: PointerEvent): number => {
    const { camera, gl } = read();
    const { left, top, width, height } = gl.domElement.getBoundingClientRect();
    const on = new THREE.Vector2(((event.clientX - left) / width) * 2 - 1, 1 - ((event.clientY - top) / height) * 2);
    const caster = new THREE.Raycaster();
    caster.setFromCamera(on, camera);
    const { origin, direction } = caster.ray;
    const foot = mesh.current!.parent!.localToWorld(new THREE.Vector3(at[0], at[1], 0));
    const up = new THREE.Vector3(0, 1, 0);
    // The point of the upright nearest to the ray.
    const between = foot.sub(origin);
    const along = direction.dot(up);
    return ((along * direction.dot(between) - up.dot(between)) / (1 - along * along || 1)) * 1000;
  };
  const put = (event: PointerEvent) => {
    const drag = held.current;
    if (!drag || !solved) return;
    const zMm = drag.fromMm + heightOf(event) - drag.pointerMm;
    const writing = { stepMm: dragStep(display), write: (mm: number) => formatLength(mm, display) };
    const next = take(framework, solved, zMm, writing);
    if (!next) return;
    tried.show(next.sent);
    onTold(next.words);
  };
  const end = (isTaken: boolean) => {
    const drag = held.current;
    if (!drag) return;
    held.current = null;
    drag.stop();
    swallowPress();
    onTold(null);
    tried.done(isTaken);
  };
  const latest = useRef({ put, end });
  useEffect(() => {
    latest.current = { put, end };
  });
  const begin = (event: PointerEvent) => {
    const move = (next: PointerEvent) => latest.current.put(next);
    const up = () => latest.current.end(true);
    const cancel = () => latest.current.end(false);
    // While an end is held the view does not turn.
    const controls = read().controls as unknown as { enabled: boolean } | null;
    if (controls) controls.enabled = false;
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    window.addEventListener('pointercancel', cancel);
    const stop = () => {
      if (controls) controls.enabled = true;
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      window.removeEventListener('pointercancel', cancel);
    };
    held.current = { fromMm: at[2], pointerMm: heightOf(event), stop };
  };
  // Esc lets go, and nothing is done.
  useEffect(() => {
    const giveUp = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || !held.current) return;
      event.stopPropagation();
      latest.current.end(false);
    };
    window.addEventListener('keydown', giveUp, true);
    return () => {
      window.removeEventListener('keydown', giveUp, true);
      held.current?.stop();
    };
  }, []);
  return (
    <group
      ref={mesh}
      position={at}
      onPointerDown={(event: ThreeEvent<PointerEvent>) => {
        if (event.button !== 0) return;
        event.stopPropagation();
        begin(event.nativeEvent);
      }}
    >
      <mesh renderOrder={5}>
        <octahedronGeometry args={[1]} />
        <meshBasicMaterial color={colour} depthTest={false} transparent opacity={0.9} />
      </mesh>
      {/* What is pressed is larger than what is seen. */}
      <mesh>
        <sphereGeometry args={[2, 10, 8]} />
        <meshBasicMaterial transparent opacity={0} depthWrite={false} />
      </mesh>
    </group>
  );
}
