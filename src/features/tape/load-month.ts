import "server-only";
import type { Pilot } from "@/contract";
import { DAY_MS, tapeMonth, type TapeMonth } from "@/core";
import { listRecordings, recordingsFound } from "@/server/repositories";

export interface MonthData {
  readonly pilot: Pilot;
  readonly days: number;
  readonly month: TapeMonth;
  /** Of the packs of the month, in their order. */
  readonly recordings: readonly { readonly id: string; readonly name: string }[];
}

/** The spans a coach looks back over. */
export const spans = [31, 92, 366] as const;

/** A pilot's recordings of the last days, side by side. Whether the pilot may be seen has been asked before. */
export async function loadMonth(pilot: Pilot, days: number, nowMs = Date.now()): Promise<MonthData> {
  const [all, found] = await Promise.all([
    listRecordings(pilot.id),
    recordingsFound(pilot.id, new Date(nowMs - days * DAY_MS)),
  ]);
  const dated = all
    .flatMap((one) => {
      const inIt = found.get(one.id);
      return inIt ? [{ ...one, ...inIt, atMs: one.recordedAtMs ?? one.keptAtMs }] : [];
    })
    .sort((a, b) => a.atMs - b.atMs);
  return { pilot, days, month: tapeMonth(dated), recordings: dated.map(({ id, name }) => ({ id, name })) };
}
