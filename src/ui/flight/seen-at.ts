import { edgesOf, segmentInFrame, type Obstacle, type Settings, type Trace } from "@/core";

/** What the camera has before it at a sample: how the aircraft lies, and the edges of what stands about that are in the picture. */
export function seenAt(trace: Trace, sample: number, settings: Settings, obstacles: readonly Obstacle[]) {
  const attitude = { w: trace.qw[sample], x: trace.qx[sample], y: trace.qy[sample], z: trace.qz[sample] };
  const here = { x: trace.northM[sample], y: trace.eastM[sample], z: -trace.heightM[sample] };
  const camera = { tiltDeg: settings.tiltDeg, ...settings.camera };
  const lines = obstacles.flatMap((one) =>
    edgesOf(one).flatMap(([a, b]) => {
      const seen = segmentInFrame(here, attitude, camera, a, b);
      return seen ? [seen] : [];
    }),
  );
  return { attitude, lines };
}
