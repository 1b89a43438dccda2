import "server-only";
import type { ActionInput, RecordingFound } from "@/contract";
import { measuredOfTrick, type FoundTrick } from "@/core";
import { badField, conflict, there } from "@/server/actions";
import {
  findAttempt,
  findRecording,
  findSession,
  insertAttempt,
  inTransaction,
  leavePilotTrail,
  setMatched,
  syllabusOf,
  updateAttempt,
} from "@/server/repositories";
import { findStep } from "@/syllabus";

/** Throws a Refusal for a trick that was not found in the recording. */
function trickAt({ tricks }: RecordingFound, at: number): FoundTrick {
  if (at >= tricks.length) throw badField("trick", `${tricks.length} tricks were found in this recording.`);
  return tricks[at];
}

/**
 * What was measured of tricks goes into the attempts that were tapped, beside what stands there; what was never tapped becomes attempts, of the pack of
 * the others. The same again changes nothing. Throws a Refusal for what is not of this pilot and session.
 */
export async function takeMeasures(
  {
    id,
    sessionId,
    found,
    clockMs,
    matches,
    taken,
  }: ActionInput<"match-recording"> & { readonly found: RecordingFound },
  who: string,
): Promise<void> {
  const { pilotId, name, whole } = there(await findRecording(id), "That recording");
  if (!whole) throw conflict("That recording has not arrived whole yet.");
  const session = there(await findSession(sessionId), "That session");
  const member = session.pilots.find((one) => one.pilotId === pilotId);
  if (!member) throw badField("sessionId", "The pilot did not fly in that session.");
  const syllabus = await syllabusOf(session.squadId);
  for (const { stepId, direction } of taken)
    if (!findStep(syllabus, stepId)?.directions.some((one) => one.id === direction))
      throw badField("stepId", "That step is not in the squad’s syllabus, or is not flown in this direction.");
  await inTransaction(async (transaction) => {
    let changed = 0;
    let pack: number | null = null;
    for (const { trick, attemptId } of matches) {
      const attempt = there(await findAttempt(transaction, attemptId), "That attempt");
      if (attempt.pilotId !== pilotId || attempt.sessionId !== sessionId)
        throw badField("attemptId", "That attempt is not one of this pilot in this session.");
      ({ pack } = attempt);
      const measured = { ...attempt.measured, ...measuredOfTrick(trickAt(found, trick)) };
      if (JSON.stringify(measured) === JSON.stringify(attempt.measured)) continue;
      await updateAttempt(transaction, attempt, { measured });
      changed++;
    }
    for (const { id: attemptId, trick, stepId, direction, outcome } of taken) {
      if (await findAttempt(transaction, attemptId)) continue;
      const flown = trickAt(found, trick);
      await insertAttempt(transaction, {
        ...{ id: attemptId, sessionId, pilotId, stepId, direction, outcome, pack, minutes: null, faults: [] },
        ...{ place: session.place, setupId: member.setupId, loadId: member.loadId ?? null },
        measured: measuredOfTrick(flown),
        atMs: Math.round(clockMs + 1000 * flown.toS),
      });
      changed++;
    }
    await setMatched(transaction, id, { found, clockAt: new Date(clockMs) });
    if (changed === 0) return;
    const now = new Date();
    await leavePilotTrail(
      transaction,
      { who, done: { kind: "matched-recording", name, count: changed }, pilotId },
      now,
    );
  });
}
