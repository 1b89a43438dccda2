"use client";

import { Grid, Line, OrbitControls } from "@react-three/drei";
import { Canvas } from "@react-three/fiber";
import { useTheme } from "@mui/material/styles";
import { useMemo, useState } from "react";
import { Quaternion as ThreeQuaternion } from "three";
import type { Obstacle, Trace } from "@/core";

export interface SceneProps {
  readonly trace: Trace;
  readonly obstacles: readonly Obstacle[];
  readonly ghost: Trace | null;
  readonly cursor: number | null;
  readonly turning: boolean;
}

/** World axes north, east, up become the scene's x, z, y. */
const points = ({ northM, eastM, heightM }: Trace): [number, number, number][] =>
  northM.filter((_, i) => i % 3 === 0).map((north, k) => [north, heightM[3 * k], eastM[3 * k]]);

/** The flight in space, or a plain word where the browser cannot draw it. */
export default function Scene(props: SceneProps) {
  const [able] = useState(hasWebGl);
  return able ? (
    <Space {...props} />
  ) : (
    <p style={{ margin: 0, padding: 16 }}>
      This browser does not draw in space here; the views from the side and from above say the same.
    </p>
  );
}

function hasWebGl(): boolean {
  try {
    return document.createElement("canvas").getContext("webgl2") !== null;
  } catch {
    // Switched off by the browser's settings.
    return false;
  }
}

/** The flight in space: path, aircraft at the moment, and what stands about; turned by the pointer. */
function Space({ trace, obstacles, ghost, cursor, turning }: SceneProps) {
  const { tokens } = useTheme();
  const path = useMemo(() => points(trace), [trace]);
  const ghostPath = useMemo(() => ghost && points(ghost), [ghost]);
  const middle = useMemo(() => {
    const mid = (values: readonly number[]) => 0.5 * (Math.min(...values) + Math.max(...values));
    return [mid(trace.northM), mid(trace.heightM), mid(trace.eastM)] as const;
  }, [trace]);
  const size = Math.max(
    4,
    Math.max(...trace.northM) - Math.min(...trace.northM),
    Math.max(...trace.heightM) - Math.min(...trace.heightM),
    Math.max(...trace.eastM) - Math.min(...trace.eastM),
  );
  const at = cursor ?? 0;
  const attitude = useMemo(
    // Body forward, right, down in the scene: a rotation of the same axes with up for minus down.
    () => new ThreeQuaternion(trace.qx[at], -trace.qz[at], trace.qy[at], trace.qw[at]),
    [trace, at],
  );
  return (
    <Canvas
      style={{ height: 257 }}
      frameloop={turning ? "always" : "demand"}
      gl={{ antialias: false }}
      camera={{
        position: [middle[0] - 0.7 * size, middle[1] + 0.6 * size, middle[2] + 1.1 * size],
        near: 0.05,
        far: 2000,
      }}
    >
      <color attach="background" args={[tokens.sheet]} />
      <ambientLight intensity={2.2} />
      <directionalLight position={[30, 60, 20]} intensity={1.5} />
      <Grid
        args={[200, 200]}
        position={[middle[0], 0, middle[2]]}
        cellSize={1}
        sectionSize={5}
        cellColor={tokens.rule}
        sectionColor={tokens.inkSoft}
        fadeDistance={12 * size}
      />
      <Line points={path} color={tokens.shoal} lineWidth={3} />
      {ghostPath && <Line points={ghostPath} color={tokens.slate} lineWidth={2} dashed dashSize={0.3} gapSize={0.2} />}
      {obstacles.map((one, i) => (
        <Solid key={i} obstacle={one} colour={tokens.depths[5]} />
      ))}
      <group
        position={[trace.northM[at], trace.heightM[at], trace.eastM[at]]}
        quaternion={attitude}
        scale={Math.max(0.35, 0.05 * size)}
      >
        <mesh>
          <boxGeometry args={[1.4, 0.14, 0.34]} />
          <meshStandardMaterial color={tokens.ink} />
        </mesh>
        <mesh>
          <boxGeometry args={[0.22, 0.1, 1.4]} />
          <meshStandardMaterial color={tokens.ink} />
        </mesh>
        <mesh position={[0.75, 0, 0]}>
          <sphereGeometry args={[0.19, 12, 12]} />
          <meshStandardMaterial color={tokens.buoy} />
        </mesh>
        <mesh position={[0, 0.35, 0]}>
          <boxGeometry args={[0.08, 0.6, 0.08]} />
          <meshStandardMaterial color={tokens.shoal} />
        </mesh>
      </group>
      <OrbitControls target={[...middle]} autoRotate={turning} autoRotateSpeed={1.4} makeDefault />
    </Canvas>
  );
}

const BEAM_M = 0.12;

function Solid({
  obstacle: { kind, alongM, acrossM, heightM, widthM },
  colour,
}: {
  obstacle: Obstacle;
  colour: string;
}) {
  const paint = <meshStandardMaterial color={colour} transparent opacity={0.85} />;
  const box = (key: string, [x, y, z]: readonly number[], size: [number, number, number]) => (
    <mesh key={key} position={[alongM + x, y, acrossM + z]}>
      <boxGeometry args={size} />
      {paint}
    </mesh>
  );
  switch (kind) {
    case "wall":
      return box("wall", [0, heightM / 2, 0], [0.3, heightM, widthM]);
    case "building":
      return box("building", [0, heightM / 2, 0], [widthM, heightM, widthM]);
    case "bar":
    case "gap":
      return (
        <>
          {box("beam", [0, heightM, 0], [BEAM_M, BEAM_M, widthM])}
          {box("left", [0, heightM / 2, -widthM / 2], [BEAM_M, heightM, BEAM_M])}
          {box("right", [0, heightM / 2, widthM / 2], [BEAM_M, heightM, BEAM_M])}
        </>
      );
    case "pole":
      return (
        <mesh position={[alongM, heightM / 2, acrossM]}>
          <cylinderGeometry args={[widthM / 2, widthM / 2, heightM, 16]} />
          {paint}
        </mesh>
      );
    case "tree": {
      const crown = Math.min(widthM / 2, heightM / 2);
      return (
        <>
          {box("trunk", [0, (heightM - crown) / 2, 0], [0.3, heightM - crown, 0.3])}
          <mesh position={[alongM, heightM - crown, acrossM]}>
            <sphereGeometry args={[crown, 20, 16]} />
            {paint}
          </mesh>
        </>
      );
    }
  }
}
