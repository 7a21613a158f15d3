'use client';

import { OrbitControls, OrthographicCamera, PerspectiveCamera } from '@react-three/drei';
import { useThree } from '@react-three/fiber';
import { useEffect, useRef, type ComponentRef } from 'react';
import * as THREE from 'three';

/** From where one looks. */
export type Look = 'corner' | 'south' | 'east' | 'north' | 'west' | 'above' | 'eye' | 'there';
export type Projection = 'perspective' | 'parallel';

/** A look that was asked for; `n` tells it from the last. */
export interface Asked {
  look: Look;
  n: number;
  /** What is looked at, and how large it is, m. */
  at: THREE.Vector3;
  size: number;
}

interface RigProps {
  projection: Projection;
  asked: Asked;
  /** How far building axes are turned, degrees. */
  turnDeg: number;
}

const WAYS: Record<Exclude<Look, 'eye' | 'there'>, [number, number, number]> = {
  corner: [0.6, 0.33, 0.78],
  south: [0, 0, 1],
  east: [1, 0, 0],
  north: [0, 0, -1],
  west: [-1, 0, 0],
  // Not straight down: north stays up.
  above: [0, 1, 0.0001],
};
const FIELD_DEG = 20;
const EYE_FIELD_DEG = 60;
/** How many times its size one stands away from what is looked at, so that it fills the view. */
const AWAY = 3.4;

/** The camera and how it is turned: about what was looked at last. */
export function Rig({ projection, asked, turnDeg }: RigProps) {
  const read = useThree((state) => state.get);
  const kept = useThree((state) => state.camera);
  const controls = useRef<ComponentRef<typeof OrbitControls>>(null);
  /** The camera one looked with last: another begins where that was. */
  const last = useRef<THREE.Camera>(null);
  useEffect(() => {
    const { current } = controls;
    const { camera, size, invalidate } = read();
    if (!current) return;
    const { look, at } = asked;
    if (look === 'eye') {
      camera.position.copy(at);
      // One looks north, and turns about where one stands.
      current.target.copy(at).add(new THREE.Vector3(0, 0, -0.5));
    } else {
      const way =
        look === 'there'
          ? (last.current ?? camera).position.clone().sub(current.target)
          : new THREE.Vector3(...WAYS[look]).applyAxisAngle(new THREE.Vector3(0, 1, 0), (turnDeg * Math.PI) / 180);
      current.target.copy(at);
      camera.position.copy(at).addScaledVector(way.normalize(), asked.size * AWAY);
    }
    last.current = camera;
    if (camera instanceof THREE.PerspectiveCamera) camera.fov = look === 'eye' ? EYE_FIELD_DEG : FIELD_DEG;
    if (camera instanceof THREE.OrthographicCamera)
      camera.zoom = Math.min(size.width, size.height) / (asked.size * 1.25);
    camera.updateProjectionMatrix();
    current.update();
    invalidate();
    // Another camera begins from what was asked for last.
  }, [asked, kept, turnDeg, read]);
  return (
    <>
      {projection === 'perspective' ? (
        <PerspectiveCamera makeDefault fov={FIELD_DEG} near={0.2} far={6000} />
      ) : (
        <OrthographicCamera makeDefault near={-3000} far={6000} />
      )}
      <OrbitControls ref={controls} makeDefault enableDamping={false} />
    </>
  );
}
