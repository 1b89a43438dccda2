import "server-only";
import { promisify } from "node:util";
import { gunzip } from "node:zlib";
import { PIECE_BYTES, pieceCount, type Recording } from "@/contract";
import { TapeReader, TapeRefused } from "@/core";
import { badField } from "@/server/actions";
import { tapeProblemWords } from "@/words";

const unpack = promisify(gunzip);

/** Bytes of a piece of a file, unpacked: the last is what remains. */
const pieceBytes = ({ bytes }: Pick<Recording, "bytes">, number: number) =>
  number === pieceCount(bytes) - 1 ? bytes - number * PIECE_BYTES : PIECE_BYTES;

/** A piece unpacked, never more than one can be. Throws a Refusal for what is no piece of this recording. */
export async function unpackedPiece(
  recording: Pick<Recording, "bytes">,
  number: number,
  packed: Uint8Array,
): Promise<Buffer> {
  if (number >= pieceCount(recording.bytes))
    throw badField("number", `This recording has ${pieceCount(recording.bytes)} pieces.`);
  const piece = await unpack(packed, { maxOutputLength: PIECE_BYTES }).catch(() => null);
  if (piece?.length !== pieceBytes(recording, number))
    throw badField("packed", `Piece ${number} is not as long as it should be.`);
  return piece;
}

/** Throws a Refusal where the rows of a first piece are none: what is no recording is not kept, whoever sends it. */
export function requireRows(piece: Uint8Array, mapping: Recording["mapping"]): void {
  try {
    new TapeReader(mapping).push(piece);
  } catch (error) {
    if (!(error instanceof TapeRefused)) throw error;
    throw badField("packed", tapeProblemWords(error.problem));
  }
}
