"use client";

import { useState } from "react";
import type { Recording } from "@/contract";
import { columnNames, guessMapping, requiredColumns, type MappingGuess, type TapeMapping } from "@/core";
import { isRecord } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";

/** A file whose columns somebody has to name first. */
export interface Unmapped {
  readonly file: File;
  readonly guess: MappingGuess;
  readonly known: TapeMapping | null;
}

const CHUNK_BYTES = 16 * 1024;
const CHUNKS = 8;

/** The line of names and rows from all over a file: at its beginning an aircraft stands still, and tells nothing of its units. */
async function someRows(file: File): Promise<string> {
  const lines: string[] = [];
  for (let n = 0; n < CHUNKS; n++) {
    const at = Math.floor((n * file.size) / CHUNKS);
    const part = (await file.slice(at, at + CHUNK_BYTES).text()).split(/\r?\n/);
    // Lines that are cut at either end say something else than they do.
    lines.push(...part.slice(n === 0 ? 0 : 1, at + CHUNK_BYTES < file.size ? -1 : undefined));
  }
  return `${lines.join("\n")}\n`;
}

function readMapping(kept: unknown): TapeMapping | null {
  if (!isRecord(kept)) return null;
  const whole = Object.entries(kept).every(
    ([column, source]) =>
      columnNames.some((one) => one === column) &&
      isRecord(source) &&
      typeof source.from === "string" &&
      Number.isFinite(source.factor) &&
      Number.isFinite(source.offset),
  );
  return whole ? (kept as TapeMapping) : null;
}

/**
 * How the files of an aircraft are read: as open recordings, else as they were read last, on this device or for what is kept. `ask` says whether someone has
 * to look at it first, and gives the mapping where not.
 */
export function useMapping(aircraftId: string, recordings: readonly Recording[], setupIds: readonly string[]) {
  const [onDevice, change] = useDeviceState<TapeMapping | null>(
    `bathygon-tape-mapping-${aircraftId}`,
    null,
    readMapping,
  );
  const [unmapped, setUnmapped] = useState<Unmapped | null>(null);
  const ofRecordings = recordings.flatMap(({ mapping, setupId }) =>
    mapping && setupId !== null && setupIds.includes(setupId) ? [mapping] : [],
  );
  const ask = async (file: File): Promise<{ readonly mapping: TapeMapping | null } | null> => {
    setUnmapped(null);
    // A file that went away is told so by whoever reads the whole of it.
    const guess = guessMapping(await someRows(file).catch(() => ""));
    const names = new Set(guess.names);
    // What has too few columns is no recording in any wording: the reader says what is wrong with it.
    if (requiredColumns.every((column) => names.has(column)) || names.size < requiredColumns.length)
      return { mapping: null };
    const fits = (mapping: TapeMapping) =>
      requiredColumns.every((column) => mapping[column]) && Object.values(mapping).every(({ from }) => names.has(from));
    const known = [...(onDevice ? [onDevice] : []), ...ofRecordings].find(fits);
    if (known) return { mapping: known };
    setUnmapped({ file, guess, known: null });
    return null;
  };
  return {
    unmapped,
    ask,
    /** Somebody looked at it. */
    remember: (mapping: TapeMapping) => {
      change(() => mapping);
      setUnmapped(null);
    },
    /** Lets somebody look at it again. */
    again: async (file: File, known: TapeMapping) =>
      setUnmapped({ file, guess: guessMapping(await someRows(file)), known }),
    leave: () => setUnmapped(null),
  };
}
