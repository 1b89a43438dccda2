"use client";

import { useEffect, useState } from "react";
import type { FoundTrick, Pack, TapeWindow } from "@/core";
import type { WorkerClient } from "@/ui/worker/worker-client";
import type { TapeWorker } from "@/workers/tape.worker";

/** How much of a pack is seen: 1 is the whole, 2 the half about the trick at hand. */
export const zooms = [1, 2, 4, 8, 16, 32] as const;
export type Zoom = (typeof zooms)[number];

const COLUMNS = 1200;

/** The stretch of a pack about a trick that is seen, finer the nearer; the whole until it is there. */
export function useWindow(
  pack: Pack,
  ask: WorkerClient<TapeWorker>["ask"],
  { zoom, trick, tiltDeg }: { readonly zoom: Zoom; readonly trick: FoundTrick | undefined; readonly tiltDeg: number },
): TapeWindow {
  const [near, setNear] = useState<TapeWindow | null>(null);
  const [fromS, toS] = stretchOf(pack, zoom, trick);
  useEffect(() => {
    if (zoom === 1) return;
    let current = true;
    ask((remote) => remote.windowOf({ fromS, toS, columns: COLUMNS, tiltDeg }))
      .then((window) => current && window && setNear(window))
      // A worker that broke leaves what is seen as it was.
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [ask, zoom, fromS, toS, tiltDeg]);
  if (zoom === 1) return pack.whole;
  // While the next is asked for, what was near before stays.
  return near ?? pack.whole;
}

/** The part about the trick that stays within the pack. */
function stretchOf(
  { fromS, toS }: Pack,
  zoom: Zoom,
  trick: FoundTrick | undefined,
): readonly [fromS: number, toS: number] {
  const lengthS = (toS - fromS) / zoom;
  const middleS = trick ? (trick.fromS + trick.toS) / 2 : fromS;
  const begin = Math.max(fromS, Math.min(toS - lengthS, middleS - lengthS / 2));
  return [begin, begin + lengthS];
}
