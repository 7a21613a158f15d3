'use client';

import type { ThreeEvent } from '@react-three/fiber';
import { useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo } from 'react';
import * as THREE from 'three';
import type { Solid } from '@/core/kinds/solids';
import type { Id } from '@/core/model/ids';
import type { Solved } from '@/core/solving/solved';
import { Instances, isInstanced } from './instances';
import type { Pointed } from './pointed';
import { merged, paint, solidAt, type Drawn } from './merged';

export interface SolidsProps extends Pointed {
  solids: readonly Solid[];
  profiles: Solved['profiles'];
  level: Id | null;
  /** Chosen, and under the pointer. */
  chosen: ReadonlySet<Id>;
  over: Id | null;
  colours: Record<string, string>;
}

/** Solids of one kind: sections instanced, outlines drawn out and merged into one mesh, with their edges. */
export function Solids({ solids, profiles, ...rest }: SolidsProps) {
  const sections = useMemo(() => solids.filter(isInstanced), [solids]);
  const { solid, clear } = useMemo(() => {
    const drawn = solids.filter((each): each is Drawn => !isInstanced(each));
    return {
      solid: drawn.filter(({ look }) => look.opacity === undefined),
      clear: drawn.filter(({ look }) => look.opacity !== undefined),
    };
  }, [solids]);
  return (
    <>
      <Instances solids={sections} {...rest} />
      {solid.length > 0 && <OneMesh solids={solid} profiles={profiles} {...rest} />}
      {clear.length > 0 && <OneMesh solids={clear} profiles={profiles} {...rest} />}
    </>
  );
}

function OneMesh({
  solids,
  profiles,
  level,
  chosen,
  over,
  colours,
  onPoint,
  onPress,
}: Omit<SolidsProps, 'solids'> & { solids: readonly Drawn[] }) {
  const invalidate = useThree((state) => state.invalidate);
  const mesh = useMemo(() => merged(solids, profiles), [solids, profiles]);
  useEffect(
    () => () => {
      mesh.geometry.dispose();
      for (const [, geometry] of mesh.edges) geometry.dispose();
    },
    [mesh],
  );
  useLayoutEffect(() => {
    paint(mesh, (solid) => {
      const isNow = chosen.has(solid.id) || (solid.look.marksLevel === true && solid.level === level);
      return isNow ? colours.now! : solid.id === over ? colours.over! : colours[solid.look.colour]!;
    });
    invalidate();
  }, [mesh, chosen, over, level, colours, invalidate]);
  const opacity = solids[0]!.look.opacity;
  const idOf = (event: ThreeEvent<PointerEvent | MouseEvent>) => solidAt(mesh, event.faceIndex ?? -1)?.id ?? null;
  return (
    <>
      <mesh
        geometry={mesh.geometry}
        onPointerMove={(event) => {
          event.stopPropagation();
          onPoint(idOf(event));
        }}
        onPointerOut={() => onPoint(null)}
        onClick={(event) => {
          // A drag that turned the view is no press.
          if (event.delta > 4) return;
          event.stopPropagation();
          const id = idOf(event);
          if (id) onPress(id, event.nativeEvent);
        }}
        onContextMenu={(event) => {
          event.stopPropagation();
          const id = idOf(event);
          if (id && event.delta <= 4) onPress(id, event.nativeEvent);
        }}
      >
        <meshLambertMaterial
          vertexColors
          transparent={opacity !== undefined}
          opacity={opacity ?? 1}
          depthWrite={opacity === undefined}
          side={THREE.DoubleSide}
          // Edges lie on the faces, and are seen over them.
          polygonOffset
          polygonOffsetFactor={1}
          polygonOffsetUnits={1}
        />
      </mesh>
      {mesh.edges.map(([colour, geometry]) => (
        <lineSegments key={colour} geometry={geometry} raycast={() => null}>
          <lineBasicMaterial color={colours[colour]} />
        </lineSegments>
      ))}
    </>
  );
}
