import { evenly, type ItemWayOut, type LineFlight } from "@/core";
import type { LineSheet } from "@/contract";

/** So many samples are enough for a page. */
const SAMPLES = 400;

/** What a flight has to say on paper. */
export function sheetOf(
  { trace, items, measures }: LineFlight,
  wayOuts: readonly ItemWayOut[] | null,
  more: Omit<LineSheet, "samples" | "items" | "figures"> & { readonly startHeightM: number | null },
): LineSheet {
  const places = evenly(trace.timeS.length, SAMPLES);
  const way = wayOf(trace);
  const at = (column: readonly number[]) => places.map((i) => column[i]);
  const { startHeightM, ...facts } = more;
  return {
    ...facts,
    samples: {
      timeS: at(trace.timeS),
      wayM: at(way),
      heightM: at(trace.heightM),
      northM: at(trace.northM),
      eastM: at(trace.eastM),
      throttle: at(trace.stickThrottle),
      roll: at(trace.stickRoll),
      pitch: at(trace.stickPitch),
      yaw: at(trace.stickYaw),
    },
    items: items.map(({ fromS, toS, entry, exit }, i) => {
      const out = wayOuts?.[i];
      const state = ({ heightM, speedMps, headingDeg }: typeof entry) => ({ heightM, speedMps, headingDeg });
      return {
        fromS,
        toS,
        entry: state(entry),
        exit: state(exit),
        lastS: out?.lastS == null ? null : out.lastS - fromS,
        lastHeightM: out?.lastHeightM ?? null,
        carryOnAt: out?.carryOnAt ?? null,
      };
    }),
    figures: {
      startHeightM,
      lengthM: measures.lengthM,
      lowestM: measures.lowestM,
      highestM: measures.highestM,
      roomAlongM: measures.roomAlongM,
      roomAcrossM: measures.roomAcrossM,
      packShare: measures.packShare,
    },
  };
}

/** The way flown up to each sample, m: up and down count too. */
export function wayOf({ northM, eastM, heightM }: LineFlight["trace"]): readonly number[] {
  let flown = 0;
  return northM.map((north, i) => {
    if (i > 0) flown += Math.hypot(north - northM[i - 1], eastM[i] - eastM[i - 1], heightM[i] - heightM[i - 1]);
    return flown;
  });
}
