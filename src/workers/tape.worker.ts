import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex } from "@noble/hashes/utils.js";
import { expose, transfer } from "comlink";
import { answering, pieceCount, PIECE_BYTES } from "@/contract";
import {
  modelWay,
  packOf,
  TapeReader,
  TapeRefused,
  tapeWindow,
  type Airframe,
  type FoundTrick,
  type ModelWay,
  type Pack,
  type Settings,
  type Tape,
  type TapeMapping,
  type TapeProblem,
  type TapeWindow,
} from "@/core";
import { through } from "./through";

/** Where a recording comes from: a file of this device, or pieces kept on the server. */
export type TapeSource =
  | { readonly kind: "file"; readonly file: Blob }
  | { readonly kind: "kept"; readonly id: string; readonly bytes: number };

/** A recording that was read, or why it cannot be: one of the two is null. */
export interface ReadPack {
  readonly pack: Pack | null;
  readonly problem: TapeProblem | null;
}

/** A file as it is kept: its hash in hex, and its pieces, each packed by itself. */
export interface PackedFile {
  readonly sha256: string;
  readonly pieces: readonly Uint8Array<ArrayBuffer>[];
}

const READ_BYTES = 1 << 20;

async function* bytesOf(source: TapeSource): AsyncGenerator<Uint8Array> {
  if (source.kind === "file") {
    const { file } = source;
    for (let at = 0; at < file.size; at += READ_BYTES)
      yield new Uint8Array(await file.slice(at, at + READ_BYTES).arrayBuffer());
    return;
  }
  for (let number = 0; number < pieceCount(source.bytes); number++) {
    const answer = await fetch(`/recordings/${source.id}/${number}.gz`);
    if (!answer.ok) throw new Error((await answer.text()).trim());
    yield await through(await answer.blob(), new DecompressionStream("gzip"));
  }
}

/** What was read last: it is asked for stretches of it. */
let tape: Tape | null = null;

const worker = {
  /** Reads a recording piece by piece, then searches it. `onProgress` has the share of it that was read. */
  async readPack(
    source: TapeSource,
    settings: Settings,
    mapping: TapeMapping | null,
    onProgress: (share: number) => void,
  ): Promise<ReadPack> {
    const size = source.kind === "file" ? source.file.size : source.bytes;
    try {
      const reader = new TapeReader(mapping);
      let read = 0;
      for await (const bytes of bytesOf(source)) {
        reader.push(bytes);
        read += bytes.length;
        onProgress(Math.min(1, read / size));
      }
      tape = reader.end();
      return { pack: packOf(tape, settings), problem: null };
    } catch (error) {
      if (!(error instanceof TapeRefused)) throw error;
      return { pack: null, problem: error.problem };
    }
  },

  /** A stretch of the recording that was read last. */
  async windowOf(window: Parameters<typeof tapeWindow>[1]): Promise<TapeWindow | null> {
    return tape && tapeWindow(tape, window);
  },

  /** The trick of the library that is most like one that was found. */
  async modelWay(
    trick: FoundTrick,
    flownWith: { readonly airframe: Airframe; readonly settings: Settings },
  ): Promise<ModelWay | null> {
    return modelWay(trick, flownWith);
  },

  /** Cuts a file into pieces and packs each. */
  async packFile(file: Blob, onProgress: (share: number) => void): Promise<PackedFile> {
    const hash = sha256.create();
    const pieces: Uint8Array<ArrayBuffer>[] = [];
    for (let at = 0; at < file.size; at += PIECE_BYTES) {
      const piece = file.slice(at, at + PIECE_BYTES);
      hash.update(new Uint8Array(await piece.arrayBuffer()));
      pieces.push(await through(piece, new CompressionStream("gzip")));
      onProgress(Math.min(1, (at + PIECE_BYTES) / file.size));
    }
    const packed = { sha256: bytesToHex(hash.digest()), pieces };
    return transfer(
      packed,
      pieces.map(({ buffer }) => buffer),
    );
  },
};
export type TapeWorker = typeof worker;

expose(answering(worker));
