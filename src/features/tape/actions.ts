import { createHash } from "node:crypto";
import { pieceCount, type Recording } from "@/contract";
import { need } from "@/server/access";
import { isCoach } from "@/server/accounts";
import { badField, ByIdInput, conflict, memberAction, Refusal, there } from "@/server/actions";
import { requireFound, requireMapping } from "@/server/files";
import {
  deleteRecording,
  dropPieces,
  findPiece,
  findRecording,
  insertRecording,
  inTransaction,
  largestRecordings,
  leavePilotTrail,
  listPieces,
  lockRecordings,
  putPiece,
  recordedBytes,
  setPackedBytes,
  setWhole,
} from "@/server/repositories";
import { BeginRecordingInput, FinishRecordingInput, KeepPieceInput, MatchRecordingInput } from "./inputs";
import { LONGEST_FOUND_BYTES, LONGEST_PIECE_BYTES } from "./limits";
import { requireRows, unpackedPiece } from "./piece";
import { takeMeasures } from "./take-measures";
import { QUOTA_BYTES } from "./quota";

const megabytes = (bytes: number) => Math.ceil(bytes / 1024 ** 2);
const SHOWN = 3;

/** Throws a Refusal that says what to delete where a squad's room does not hold so much more. */
async function requireRoom(squadId: string, moreBytes: number): Promise<void> {
  const bytes = await recordedBytes(squadId);
  if (bytes + moreBytes <= QUOTA_BYTES) return;
  const largest = await largestRecordings(squadId, SHOWN);
  const named = largest.map((one) => `${one.name} of ${one.pilotName} (${megabytes(one.packedBytes)} MB)`).join(", ");
  throw badField(
    "bytes",
    `The squad has room for ${megabytes(QUOTA_BYTES)} MB of recordings, ${megabytes(bytes)} are taken and this one needs ${megabytes(moreBytes)}. ` +
      `${named ? `Delete some first; the largest: ${named}.` : "It is too large for it."}`,
  );
}

/** Whether the pieces that are here, put together, are the file with this hash. */
async function isTheFile(recording: Recording): Promise<boolean> {
  const { id, bytes, sha256 } = recording;
  const hash = createHash("sha256");
  for (let number = 0; number < pieceCount(bytes); number++) {
    const packed = await findPiece(id, number);
    if (!packed) return false;
    hash.update(await unpackedPiece(recording, number, packed));
  }
  return hash.digest("hex") === sha256;
}

export const tapeActions = {
  /** Says what is to come; answers which pieces of this very file are here already. */
  "begin-recording": memberAction(
    BeginRecordingInput,
    ({ pilotId, setupId }) => [
      need("reader", "pilot", pilotId),
      ...(setupId ? [need("reader", "setup", setupId)] : []),
    ],
    async (input, who, { squadOf, pilotOf }) => {
      const { id, pilotId, setupId = null, packedBytes, recordedAtMs = null } = input;
      if (setupId && pilotOf(setupId) !== pilotId) throw badField("setupId", "That setup is another pilot's.");
      const mapping = input.mapping ? requireMapping(input.mapping) : null;
      return inTransaction(async (transaction) => {
        const squadId = squadOf(pilotId);
        const known = await lockRecordings(transaction, { squadId, pilotId, sha256: input.sha256 });
        if (known?.whole) return { id: known.id, whole: true, here: [] };
        await requireRoom(squadId, packedBytes - (known?.packedBytes ?? 0));
        if (known) {
          await setPackedBytes(transaction, known.id, packedBytes);
          return { id: known.id, whole: false, here: await listPieces(known.id, transaction) };
        }
        const { name, sha256, bytes } = input;
        const kept = { keptBy: who.name, keptByPilot: !isCoach(who) };
        const one = { id, pilotId, setupId, name, sha256, bytes, packedBytes, recordedAtMs, mapping, ...kept };
        await insertRecording(transaction, one, new Date());
        return { id, whole: false, here: [] };
      });
    },
  ),

  "keep-piece": {
    ...memberAction(
      KeepPieceInput,
      ({ id }) => [need("keeper", "recording", id)],
      async ({ id, number, packed: text }) => {
        const recording = there(await findRecording(id), "That recording");
        const packed = Buffer.from(text, "base64");
        const piece = await unpackedPiece(recording, number, packed);
        if (number === 0) requireRows(piece, recording.mapping);
        const fits = await inTransaction((transaction) => putPiece(transaction, id, { number, packed }));
        if (!fits) throw badField("packed", "The pieces are more than was said before.");
      },
    ),
    longestBytes: LONGEST_PIECE_BYTES,
  },

  /** Once all pieces are here: looks whether they are the file, and keeps what was found in it. */
  "finish-recording": {
    ...memberAction(
      FinishRecordingInput,
      ({ id }) => [need("keeper", "recording", id)],
      async (input, who) => {
        const { id } = input;
        const found = requireFound(input.found);
        const recording = there(await findRecording(id), "That recording");
        if (recording.whole) return;
        if (recording.piecesHere < pieceCount(recording.bytes))
          throw conflict(
            `${recording.piecesHere} of ${pieceCount(recording.bytes)} pieces are here; send the others first.`,
          );
        const whole = await isTheFile(recording);
        await inTransaction(async (transaction) => {
          if (!whole) return dropPieces(transaction, id);
          const now = new Date();
          if (!(await setWhole(transaction, id, found, now))) return;
          const done = { kind: "kept-recording", name: recording.name } as const;
          await leavePilotTrail(transaction, { who: who.name, done, pilotId: recording.pilotId }, now);
        });
        if (!whole)
          throw new Refusal(
            422,
            "What arrived is not the file that was announced. Nothing of it was kept; send it again.",
          );
      },
    ),
    longestBytes: LONGEST_FOUND_BYTES,
    files: ["found"],
  },

  /** What was measured goes into the attempts beside what stands there; what was never tapped becomes attempts. The same again changes nothing. */
  "match-recording": {
    ...memberAction(
      MatchRecordingInput,
      ({ id, sessionId }) => [need("reader", "recording", id), need("keeper", "session", sessionId)],
      (input, who) => takeMeasures({ ...input, found: requireFound(input.found) }, who.name),
    ),
    files: ["found"],
    longestBytes: LONGEST_FOUND_BYTES,
  },

  /** For good: it makes room at once. */
  "delete-recording": memberAction(
    ByIdInput,
    ({ id }) => [need("keeper", "recording", id)],
    async ({ id }, who) => {
      const recording = there(await findRecording(id), "That recording");
      await inTransaction(async (transaction) => {
        await deleteRecording(transaction, id);
        if (!recording.whole) return;
        const done = { kind: "deleted-recording", name: recording.name } as const;
        await leavePilotTrail(transaction, { who: who.name, done, pilotId: recording.pilotId }, new Date());
      });
    },
  ),
};
