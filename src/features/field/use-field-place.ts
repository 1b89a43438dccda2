"use client";

import { isCount, isRecord, isText, recordOf } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";
import type { PlannedBlock, TallyPilot } from "@/contract";
import { blockKinds } from "@/core";

/** Whose turn it is, what they fly and in which direction, as this device has it. */
interface Place {
  /** Place in the order of turns. */
  readonly turn: number;
  readonly blockOf: Readonly<Record<string, number>>;
  readonly directionOf: Readonly<Record<string, string>>;
  /** Steps taken up in the field, beside the plan, by pilot. */
  readonly added: Readonly<Record<string, readonly PlannedBlock[]>>;
}

const START: Place = { turn: 0, blockOf: {}, directionOf: {}, added: {} };

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

/** Places in the list of pilots, each once, in the order in which they come after a turn. */
export function orderFrom(turns: readonly FieldTurn[], turn: number): readonly number[] {
  return [...new Set(turns.map((_, i) => turns[(turn + 1 + i) % turns.length].at))];
}

/** A place as it was kept, by whatever version: what cannot be read begins anew. */
export function placeFrom(kept: unknown): Place | null {
  if (!isRecord(kept)) return null;
  return {
    turn: isCount(kept.turn) ? kept.turn : START.turn,
    blockOf: recordOf(kept.blockOf, isCount),
    directionOf: recordOf(kept.directionOf, isText),
    added: recordOf(kept.added, areBlocks),
  };
}

/** Where the field is, kept on this device over reloads. */
export function useFieldPlace(sessionId: string, pilots: readonly TallyPilot[]) {
  const [place, change] = useDeviceState(`bathygon-field-${sessionId}`, START, placeFrom);
  const turns = fieldTurns(pilots);
  const turn = place.turn % turns.length;
  const now = turns[turn];
  const following = turns[(turn + 1) % turns.length];
  const pilot = pilots[now.at];
  const blocks = [...pilot.blocks, ...(place.added[pilot.id] ?? [])];
  const at = Math.min(place.blockOf[pilot.id] ?? blockAt(pilot, now.pack), blocks.length - 1);
  const block = blocks[at];
  const directionKey = `${pilot.id} ${block.stepId}`;
  const goTo = (to: number) =>
    change((before) => {
      const who = pilots[turns[to].at];
      const planned = who.turns.length > 0 ? { [who.id]: blockAt(who, turns[to].pack) } : {};
      return { ...before, turn: to, blockOf: { ...before.blockOf, ...planned } };
    });
  return {
    pilot,
    pack: now.pack,
    next: pilots[following.at],
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
          [pilot.id]: [
            ...(before.added[pilot.id] ?? []),
            { kind: "main", stepId, minutes: 0, firstDirection: null, reason: { kind: "taken-up" } },
          ],
        },
        blockOf: { ...before.blockOf, [pilot.id]: blocks.length },
      })),
    /** Everybody once, in the order in which they come next; who is flying comes last. */
    order: orderFrom(turns, turn).map((one) => pilots[one]),
    /** The next pilot, at the block their plan has come to. */
    nextTurn: () => goTo((turn + 1) % turns.length),
    /** The turn before, as after a tap too much. */
    turnBack: () => goTo((turn + turns.length - 1) % turns.length),
    /** Somebody out of turn: their next turn is taken now, and the order goes on from there. */
    choosePilot: (pilotId: string) => {
      const ahead = turns.map((_, i) => (turn + i) % turns.length);
      const to = ahead.find((i) => pilots[turns[i].at].id === pilotId);
      if (to !== undefined) goTo(to);
    },
  };
}
