"use client";

import type { Measured } from "@/core";
import { isRecord } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";

/** What is done at a course in the field, kept on this device: which poles stand, and what was measured back. */
export interface InField {
  readonly standing: readonly string[];
  readonly measured: readonly Measured[];
}
const nothingYet: InField = { standing: [], measured: [] };

const readInField = (kept: unknown): InField | null => {
  if (!isRecord(kept) || !Array.isArray(kept.standing) || !Array.isArray(kept.measured)) return null;
  const measured = (kept.measured as unknown[]).flatMap((one) =>
    isRecord(one) &&
    typeof one.from === "string" &&
    typeof one.to === "string" &&
    typeof one.m === "number" &&
    one.m > 0
      ? [{ from: one.from, to: one.to, m: one.m }]
      : [],
  );
  return { standing: (kept.standing as unknown[]).filter((id): id is string => typeof id === "string"), measured };
};

/** By course. */
export const useInField = (courseId: string) =>
  useDeviceState<InField>(`bathygon-set-out-${courseId}`, nothingYet, readInField);
