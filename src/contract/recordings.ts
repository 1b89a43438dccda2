import type { FoundTrick, Outcome, Smoothness, TapeMapping } from "@/core";

/** A recording is cut into pieces of so many bytes, each packed by itself: any browser makes the same file of them again. */
export const PIECE_BYTES = 512 * 1024;
/** Longest recording that is kept. */
export const MOST_RECORDING_BYTES = 128 * 1024 * 1024;
/** Tricks of one recording that are kept with it. */
export const MOST_TRICKS = 1000;

/** Longest try that keeps its sticks, packed: about two minutes. */
export const LONGEST_TRY_PACKED = 192 * 1024;

/** A try of practice that can be flown again. */
export interface KeptTryFound {
  /** Of its attempt. */
  readonly id: string;
  readonly stepId: string;
  readonly direction: string;
  /** The line that was flown; null at any other step. */
  readonly lineId: string | null;
  readonly outcome: Outcome;
  readonly atMs: number;
  readonly seconds: number;
}

/** What was found in a recording, kept beside it so that nobody has to read it again for a list or a month. */
export interface RecordingFound {
  readonly fromS: number;
  readonly toS: number;
  readonly sampleHz: number;
  readonly rows: number;
  readonly tricks: readonly FoundTrick[];
  readonly cruise: { readonly throttle: number; readonly share: number } | null;
  readonly smoothness: (Smoothness & { readonly moves: number }) | null;
  /** The most stick used, 0 to 1. */
  readonly reach: { readonly roll: number; readonly pitch: number; readonly yaw: number };
}

/** A recording that is kept, or on its way: without its bytes and without what was found. */
export interface Recording {
  readonly id: string;
  readonly pilotId: string;
  /** With which it was flown; null where that is gone. */
  readonly setupId: string | null;
  readonly name: string;
  /** Of the file, in hex. */
  readonly sha256: string;
  readonly bytes: number;
  /** What its pieces take up, packed. */
  readonly packedBytes: number;
  /** When the file was written, by the device; null where it did not say. */
  readonly recordedAtMs: number | null;
  /** Pieces that are here. It is whole once all of them are, and their hash is that of the file. */
  readonly piecesHere: number;
  readonly whole: boolean;
  /** How its columns are read; null for the open format. */
  readonly mapping: TapeMapping | null;
  readonly keptBy: string;
  /** The pilot brought it, not a coach. */
  readonly keptByPilot: boolean;
  readonly keptAtMs: number;
  /** How long it is and how many tricks were found in it; null until it is whole. */
  readonly durationS: number | null;
  readonly tricks: number | null;
  /** The moment of its time 0, once its tricks were matched with taps; null before. */
  readonly clockMs: number | null;
}

/** How many pieces a file is cut into. */
export const pieceCount = (bytes: number): number => Math.ceil(bytes / PIECE_BYTES);
