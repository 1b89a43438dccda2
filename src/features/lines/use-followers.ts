"use client";

import { useEffect, useState } from "react";
import type { Joint } from "@/core";
import type { Pool } from "@/ui/scatter/pool";
import type { LineWorker } from "@/workers/line.worker";
import { linePool, type FlownWith } from "./line-worker";
import { wholeRecipe, type Tile } from "./repertoire";

/** Since the page was loaded: what can follow a trick flown with something, by both, then by the recipe that follows. */
const known = new Map<string, Map<string, Joint>>();
const MOST_KNOWN = 60;

/** How each tile can follow a trick, by the tile's key, or why that cannot be said; `share` of them is worked out. */
export interface Followers {
  readonly joints: ReadonlyMap<string, Joint | Error>;
  readonly share: number;
}

const SETTLED_MS = 300;
/** One core is left for the line itself. */
const cores = () => Math.max(1, (navigator.hardwareConcurrency || 2) - 1);
const keyOf = ({ recipe }: Tile) => (typeof recipe === "string" ? recipe : JSON.stringify(recipe));

/** Works out in a pool of workers which of some tricks can follow one; stops as soon as another is asked for. */
export function useFollowers(after: Tile["recipe"] | null, tiles: readonly Tile[], flownWith: FlownWith): Followers {
  const [found, setFound] = useState<Followers>({ joints: new Map(), share: 0 });
  const asked = after === null ? null : JSON.stringify([after, flownWith]);
  useEffect(() => {
    if (asked === null) return;
    const [from, { airframe, settings, environment }] = JSON.parse(asked) as [Tile["recipe"], FlownWith];
    if (!known.has(asked) && known.size >= MOST_KNOWN) known.clear();
    const follows = known.get(asked) ?? new Map<string, Joint>();
    known.set(asked, follows);
    const joints = new Map<string, Joint | Error>();
    for (const tile of tiles) {
      const joint = follows.get(keyOf(tile));
      if (joint) joints.set(tile.key, joint);
    }
    const missing = tiles.filter(({ key }) => !joints.has(key));
    let gone = false;
    let pool: Pool<LineWorker> | null = null;
    const show = () => !gone && setFound({ joints: new Map(joints), share: joints.size / tiles.length });
    const find = async (tile: Tile, own: Pool<LineWorker>): Promise<void> => {
      const joint = await own
        .run(async (remote): Promise<Joint> =>
          remote.joins(wholeRecipe(from), wholeRecipe(tile.recipe), airframe, settings, environment),
        )
        .catch((error: Error) => error);
      if (!(joint instanceof Error)) follows.set(keyOf(tile), joint);
      joints.set(tile.key, joint);
      show();
    };
    // What is known already is there at once; a slider that still moves is waited for.
    void Promise.resolve().then(show);
    const begin = setTimeout(() => {
      if (missing.length === 0) return;
      const own = (pool = linePool(cores()));
      for (const tile of missing) void find(tile, own);
    }, SETTLED_MS);
    return () => {
      gone = true;
      clearTimeout(begin);
      pool?.close();
    };
  }, [asked, tiles]);
  return found;
}
