import { MOST_TRICKS, type RecordingFound } from "@/contract";
import type { Pack } from "@/core";

/** What of a pack that was read is kept beside its recording. */
export function recordingFound({ fromS, toS, sampleHz, rows, tricks, cruise, smoothness, axes }: Pack): RecordingFound {
  const reach = (axis: "roll" | "pitch" | "yaw") => axes.find((one) => one.axis === axis)?.reach ?? 0;
  return {
    ...{ fromS, toS, sampleHz, rows, cruise, smoothness },
    tricks: tricks.slice(0, MOST_TRICKS),
    reach: { roll: reach("roll"), pitch: reach("pitch"), yaw: reach("yaw") },
  };
}
