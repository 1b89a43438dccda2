"use client";

import { isCount, isRecord, isText, recordOf } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";
import type { PlannedBlock, TallyPilot } from "@/contract";
import { blockKinds } from "@/core";
import { FROM_THE_START, nextTurn, takeTurn, turnBefore, turnNow, turnsAhead, type TurnOrder } from "./turn-order";

/** Whose turn it is, what they fly and in which direction, as this device has it. */
interface Place extends TurnOrder {
  readonly blockOf: Readonly<Record<string, number>>;
  readonly directionOf: Readonly<Record<string, string>>;
  /** Steps taken up in the field, beside the plan, by pilot. */
  readonly added: Readonly<Record<string, readonly PlannedBlock[]>>;
}

const START: Place = { ...FROM_THE_START, blockOf: {}, directionOf: {}, added: {} };

/** One turn: the pilot's place in the list, and the how-manieth of their packs, from 0. */
export interface FieldTurn {
  readonly at: number;
  readonly pack: number;
}

/** The turns of a session in order; where none were planned, each pilot once, round and round. */
export function fieldTurns(pilots: readonly TallyPilot[]): readonly FieldTurn[] {
  const planned = pilots
    .flatMap(({ turns }, at) => [...turns].sort((a, b) => a - b).map((slot, pack) => ({ at, pack, slot })))
    .sort((a, b) => a.slot - b.slot || a.at - b.at);
  if (planned.length === 0) return pilots.map((_, at) => ({ at, pack: 0 }));
  const missing = pilots.flatMap(({ turns }, at) => (turns.length === 0 ? [{ at, pack: 0 }] : []));
  return [...planned.map(({ at, pack }) => ({ at, pack })), ...missing];
}

/** The block a pilot has come to when a pack begins: blocks follow one another over the planned packs. */
export function blockAt({ blocks, turns }: Pick<TallyPilot, "blocks" | "turns">, pack: number): number {
  const minutes = blocks.reduce((sum, block) => sum + block.minutes, 0);
  if (turns.length === 0 || minutes === 0) return 0;
  const begun = (pack * minutes) / turns.length;
  let until = 0;
  const found = blocks.findIndex((block) => (until += block.minutes) > begun + 1e-9);
  return found < 0 ? blocks.length - 1 : found;
}

const isBlock = (value: unknown): value is PlannedBlock =>
  isRecord(value) &&
  (value.stepId === null || isText(value.stepId)) &&
  typeof value.minutes === "number" &&
  blockKinds.some((kind) => kind === value.kind);
const areBlocks = (value: unknown): value is readonly PlannedBlock[] => Array.isArray(value) && value.every(isBlock);

const takenUp = (stepId: string | null): PlannedBlock => ({
  kind: "main",
  stepId,
  minutes: 0,
  firstDirection: null,
  reason: { kind: "taken-up" },
});

/** A place as it was kept, by whatever version: what cannot be read begins anew. */
export function placeFrom(kept: unknown): Place | null {
  if (!isRecord(kept)) return null;
  return {
    turn: isCount(kept.turn) ? kept.turn : START.turn,
    guest: isCount(kept.guest) ? kept.guest : START.guest,
    early: Array.isArray(kept.early) ? kept.early.filter(isCount) : START.early,
    blockOf: recordOf(kept.blockOf, isCount),
    directionOf: recordOf(kept.directionOf, isText),
    // Only one reason there is to take a step up in the field.
    added: Object.fromEntries(
      Object.entries(recordOf(kept.added, areBlocks)).map(([id, blocks]) => [
        id,
        blocks.map(({ stepId }) => takenUp(stepId)),
      ]),
    ),
  };
}

/** Where the field is, kept on this device over reloads. */
export function useFieldPlace(sessionId: string, pilots: readonly TallyPilot[]) {
  const [place, change] = useDeviceState(`bathygon-field-${sessionId}`, START, placeFrom);
  const turns = fieldTurns(pilots);
  const gone = new Set(turns.flatMap(({ at }, i) => (pilots[at].left ? [i] : [])));
  const now = turns[turnNow(place, turns.length, gone)];
  const ahead = turnsAhead(place, turns.length, gone);
  const pilot = pilots[now.at];
  const blocks = [...pilot.blocks, ...(place.added[pilot.id] ?? [])];
  const at = Math.min(place.blockOf[pilot.id] ?? blockAt(pilot, now.pack), blocks.length - 1);
  const block = blocks[at];
  const directionKey = `${pilot.id} ${block.stepId}`;
  const goTo = (order: (before: Place) => TurnOrder) =>
    change((before) => {
      const after = order(before);
      const { at: to, pack } = turns[turnNow(after, turns.length, gone)];
      const who = pilots[to];
      const planned = who.turns.length > 0 ? { [who.id]: blockAt(who, pack) } : {};
      return { ...before, ...after, blockOf: { ...before.blockOf, ...planned } };
    });
  return {
    pilot,
    pack: now.pack,
    next: pilots[turns[ahead[0]].at],
    blocks,
    at,
    block,
    /** The direction chosen for this step by hand, if any. */
    chosenDirection: place.directionOf[directionKey] ?? null,
    chooseDirection: (id: string) =>
      change((before) => ({ ...before, directionOf: { ...before.directionOf, [directionKey]: id } })),
    chooseBlock: (index: number) =>
      change((before) => ({ ...before, blockOf: { ...before.blockOf, [pilot.id]: index } })),
    /** Takes up another step now. */
    addStep: (stepId: string) =>
      change((before) => ({
        ...before,
        added: {
          ...before.added,
          [pilot.id]: [...(before.added[pilot.id] ?? []), takenUp(stepId)],
        },
        blockOf: { ...before.blockOf, [pilot.id]: blocks.length },
      })),
    /** Everybody once, in the order in which they come next; who is flying comes last. */
    order: [...new Set([...ahead.map((one) => turns[one].at), ...pilots.keys()])]
      .filter((one) => one !== now.at && !pilots[one].left)
      .concat(now.at)
      .map((one) => pilots[one]),
    /** The next pilot, at the block their plan has come to. */
    nextTurn: () => goTo((before) => nextTurn(before, turns.length, gone)),
    /** The turn before, as after a tap too much. */
    turnBack: () => goTo((before) => turnBefore(before, turns.length, gone)),
    /** Somebody out of turn: their next turn is flown now, and nobody loses theirs. */
    choosePilot: (pilotId: string) => {
      const at = ahead.find((one) => pilots[turns[one].at].id === pilotId);
      if (at !== undefined && pilotId !== pilot.id) goTo((before) => takeTurn(before, at));
    },
  };
}
