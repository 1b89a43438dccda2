import { expose } from "comlink";
import { answering } from "@/contract";
import { packOf, TapeReader, TapeRefused, type Pack, type Settings, type TapeProblem } from "@/core";

/** A recording that was read, or why it cannot be: one of the two is null. */
export interface ReadPack {
  readonly pack: Pack | null;
  readonly problem: TapeProblem | null;
}

const PIECE_BYTES = 1 << 20;

const worker = {
  /** Reads a file piece by piece, then searches it. `onProgress` has the share of it that was read. */
  async readPack(file: Blob, settings: Settings, onProgress: (share: number) => void): Promise<ReadPack> {
    try {
      const reader = new TapeReader();
      for (let at = 0; at < file.size; at += PIECE_BYTES) {
        reader.push(new Uint8Array(await file.slice(at, at + PIECE_BYTES).arrayBuffer()));
        onProgress(Math.min(1, (at + PIECE_BYTES) / file.size));
      }
      return { pack: packOf(reader.end(), settings), problem: null };
    } catch (error) {
      if (!(error instanceof TapeRefused)) throw error;
      return { pack: null, problem: error.problem };
    }
  },
};
export type TapeWorker = typeof worker;

expose(answering(worker));
