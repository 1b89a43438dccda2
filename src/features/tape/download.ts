import "server-only";
import { pieceCount } from "@/contract";
import { need, requireAccess } from "@/server/access";
import type { SignedIn } from "@/server/accounts";
import { missing, there } from "@/server/actions";
import { findPiece, findRecording, inTransaction, leavePilotTrail } from "@/server/repositories";
import { unpackedPiece } from "./piece";

/**
 * A recording that is whole, as the file it was: `whole.csv`; or `3.gz`, one of its pieces, packed as it is kept. For its pilot and their coaches. Throws a
 * Refusal for what is not there or not theirs. The trail tells who took the whole.
 */
export async function downloadRecording(who: SignedIn, id: string, file: string): Promise<Response> {
  await requireAccess(who, [need("reader", "recording", id)]);
  const recording = there(await findRecording(id), "That recording");
  if (!recording.whole) throw missing("The whole of that recording");
  const piece = /^(\d{1,4})\.gz$/.exec(file);
  if (piece) {
    const packed = there(await findPiece(id, Number(piece[1])), "That piece");
    return new Response(new Uint8Array(packed), {
      headers: { "content-type": "application/gzip", "cache-control": "no-store" },
    });
  }
  if (file !== "whole.csv") throw missing("That file");
  const { name, bytes, pilotId } = recording;
  const deed = { who: who.name, done: { kind: "exported", file: name }, pilotId } as const;
  await inTransaction((transaction) => leavePilotTrail(transaction, deed, new Date()));
  let number = 0;
  const body = new ReadableStream<Uint8Array>({
    async pull(stream) {
      if (number >= pieceCount(bytes)) return stream.close();
      const packed = there(await findPiece(id, number), "That piece");
      stream.enqueue(new Uint8Array(await unpackedPiece(recording, number, packed)));
      number++;
    },
  });
  return new Response(body, {
    headers: {
      "content-type": "text/csv; charset=utf-8; header=present",
      "content-length": String(bytes),
      "content-disposition": `attachment; filename="recording-${id.slice(-6)}.csv"; filename*=UTF-8''${encoded(name)}`,
      "cache-control": "no-store",
    },
  });
}

/** A file's name for a header (RFC 8187). */
const encoded = (name: string) =>
  encodeURIComponent(/\.csv$/i.test(name) ? name : `${name}.csv`).replace(
    /['()*]/g,
    (character) => `%${character.charCodeAt(0).toString(16)}`,
  );
