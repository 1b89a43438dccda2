import { LONGEST_TRY_PACKED } from "@/contract";
import { judgeTry, packTry, unpackTry, type KeptTry } from "@/core";
import { through } from "./through";

/** A try as it is kept, packed; null where it is longer than one is kept. */
export async function packedTry(kept: KeptTry): Promise<Uint8Array<ArrayBuffer> | null> {
  const packed = await through(packTry(kept), new CompressionStream("gzip"));
  return packed.length <= LONGEST_TRY_PACKED ? packed : null;
}

/** A kept try fetched, flown again and judged as it was. Throws with the server's own words where it can't be had. */
export async function flyKeptTry(attemptId: string) {
  const answer = await fetch(`/kept-tries/${attemptId}`);
  if (!answer.ok) throw new Error((await answer.text()).trim());
  const packed = new Uint8Array(await answer.arrayBuffer());
  const { record, drill, environment, airframe, settings } = unpackTry(
    await through(packed, new DecompressionStream("gzip")),
  );
  return judgeTry(record, { drill, environment }, airframe, settings);
}
