import {
  entryOf,
  airOfDay,
  allot,
  orderTurns,
  topSpeed,
  turnsIn,
  type Airframe,
  type DayAir,
  type SessionFrame,
} from "@/core";
import type { PlannedBlock } from "@/contract";
import {
  stepName,
  type BrokenLimit,
  type LeftOut,
  type ReasonedOffer,
  type StepRefusal,
  type Syllabus,
} from "@/syllabus";
import type { Candidate } from "./load";

/** Who flies, with how many charged packs and which setup. */
export interface Flier {
  readonly one: Candidate;
  readonly packs: number;
  readonly setupId: string;
  readonly syllabus: Syllabus;
}

export interface PlanFrame extends SessionFrame {
  readonly windMps: number;
  /** Whether anybody said how windy it is. */
  readonly windKnown?: boolean;
  /** Null where nobody said. */
  readonly temperatureC?: number | null;
}

/** What each pilot flies, in which order they take turns, and what was left out. */
export interface SessionPlan {
  /** By pilot id. */
  readonly blocks: ReadonlyMap<string, readonly PlannedBlock[]>;
  /** Ids of the pilots that fly in each slot. */
  readonly slots: readonly (readonly string[])[];
  /** What does not fit or is refused, and why. */
  readonly left: readonly { readonly pilotId: string; readonly because: LeftOut }[];
}

/** Above this wind nobody takes on a new step. Common practice, no source. */
const NEW_STEP_WIND_MPS = 6;
/** A wind above this share of its top speed leaves an aircraft too little to come home with. Ours. */
const WIND_SHARE_OF_TOP_SPEED = 1 / 3;

/** The plan of a session from what each pilot could fly; `refusal` says why a step is not flown here today. */
export function planSession(
  fliers: readonly Flier[],
  frame: PlanFrame,
  refusal: (flier: Flier, offer: ReasonedOffer) => StepRefusal | null,
): SessionPlan {
  const left: { pilotId: string; because: LeftOut }[] = [];
  const pilots = fliers.map((flier) => ({
    pilotId: flier.one.id,
    packs: flier.packs,
    offers: flier.one.offers.filter((offer) => {
      const why = refusal(flier, offer);
      if (why) left.push({ pilotId: flier.one.id, because: why });
      return why === null;
    }),
  }));
  const given = allot(pilots, frame);
  const blocks = new Map(
    fliers.map(({ one, syllabus }) => {
      const { blocks: own, left: rest } = entryOf(given, one.id);
      for (const { offer, because } of rest)
        left.push({
          pilotId: one.id,
          because: leftBecause(offer.stepId && stepName(syllabus, offer.stepId), because, frame),
        });
      const offers = pilots.find(({ pilotId }) => pilotId === one.id)!.offers;
      return [
        one.id,
        own.map(({ kind, stepId, halfPacks }): PlannedBlock => {
          const offer = offers.find((known) => known.kind === kind && known.stepId === stepId)!;
          return {
            kind,
            stepId,
            minutes: (halfPacks * frame.packMin) / 2,
            firstDirection: offer.firstDirection,
            reason: offer.reason,
          };
        }),
      ];
    }),
  );
  return { blocks, slots: slotsFor(fliers, blocks, frame), left };
}

/** The order of turns for what each pilot is to fly. */
export function slotsFor(
  fliers: readonly Flier[],
  blocks: ReadonlyMap<string, readonly PlannedBlock[]>,
  frame: PlanFrame,
): readonly (readonly string[])[] {
  const packs = fliers.map(({ one }) => [one.id, packsFor(blocks.get(one.id) ?? [], frame)] as const);
  return orderTurns(packs, Math.max(1, turnsIn(frame).atOnce)).map((slot) => slot.map(({ pilotId }) => pilotId));
}

/** True where an order gives each pilot the turns their blocks take, and nobody else any: one made by hand for other pilots or blocks does not. */
export function slotsFit(
  slots: SessionPlan["slots"],
  fliers: readonly Flier[],
  blocks: SessionPlan["blocks"],
  frame: PlanFrame,
): boolean {
  const turns = slots.flat();
  const wanted = fliers.map(({ one }) => [one.id, packsFor(blocks.get(one.id) ?? [], frame)] as const);
  return (
    turns.length === wanted.reduce((sum, [, packs]) => sum + packs, 0) &&
    wanted.every(([id, packs]) => turns.filter((one) => one === id).length === packs)
  );
}

/** Packs that some blocks take. */
const packsFor = (blocks: readonly PlannedBlock[], { packMin }: PlanFrame) =>
  Math.ceil(blocks.reduce((sum, { minutes }) => sum + minutes, 0) / packMin - 1e-9);

/** When a slot begins, min after the session does. */
export const slotBeginsMin = (slot: number, { packMin, changeMin }: PlanFrame) => slot * (packMin + changeMin);

function leftBecause(step: string | null, because: "time" | "packs" | "new-steps", { newSteps }: PlanFrame): LeftOut {
  if (because === "new-steps") return { kind: "new-steps", step, most: newSteps };
  return { kind: because === "time" ? "no-time" : "no-pack", step };
}

/** Why a step is not flown in this wind, or null. */
export function windRefusal(
  { one, setupId }: Flier,
  step: string,
  isNew: boolean,
  { windMps, temperatureC = null }: Pick<PlanFrame, "windMps" | "temperatureC">,
  elevationM = 0,
): StepRefusal | null {
  if (isNew && windMps > NEW_STEP_WIND_MPS) return { kind: "new-in-wind", step, mostMps: NEW_STEP_WIND_MPS, windMps };
  const setup = one.setups.find(({ id }) => id === setupId);
  if (!setup || windMps === 0) return null;
  const topMps = topSpeedOf(setup.airframe, { elevationM, temperatureC, windMps: 0 });
  if (windMps <= WIND_SHARE_OF_TOP_SPEED * topMps) return null;
  return { kind: "too-much-wind", step, windMps, topMps, aircraft: setup.name };
}

const topSpeeds = new WeakMap<Airframe, Map<string, number>>();

function topSpeedOf(airframe: Airframe, day: DayAir): number {
  const byAir = topSpeeds.get(airframe) ?? new Map<string, number>();
  topSpeeds.set(airframe, byAir);
  const key = JSON.stringify(day);
  const known = byAir.get(key);
  if (known !== undefined) return known;
  const { speedMps } = topSpeed(airframe, airOfDay(day));
  byAir.set(key, speedMps);
  return speedMps;
}

/** What a plan changed by hand does against the limits. */
export function limitsBroken(
  fliers: readonly Flier[],
  { blocks, slots }: Pick<SessionPlan, "blocks" | "slots">,
  frame: PlanFrame,
): BrokenLimit[] {
  const broken = fliers.flatMap(({ one, packs, syllabus }): BrokenLimit[] => {
    const own = blocks.get(one.id) ?? [];
    const fresh = [...new Set(own.flatMap(({ stepId }) => stepId ?? []))].filter((id) => !one.known.includes(id));
    const steps = fresh.map((id) => stepName(syllabus, id));
    const wanted = packsFor(own, frame);
    return [
      ...(fresh.length > frame.newSteps
        ? [{ kind: "new-steps", pilot: one.name, steps, most: frame.newSteps } as const]
        : []),
      ...(wanted > packs ? [{ kind: "packs", pilot: one.name, wanted, charged: packs } as const] : []),
    ];
  });
  const room = turnsIn(frame);
  if (slots.length > room.slots) broken.push({ kind: "turns", turns: slots.length, fit: room.slots });
  if (slots.some((slot) => slot.length > room.atOnce)) broken.push({ kind: "at-once", most: room.atOnce });
  if (slots.some((slot) => new Set(slot).size < slot.length)) broken.push({ kind: "twice-in-a-turn" });
  return broken;
}
