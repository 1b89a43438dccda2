import {
  entryOf,
  airOfDay,
  allot,
  atOnceIn,
  mostTurns,
  orderTurns,
  topSpeed,
  turnsWithin,
  type Airframe,
  type DayAir,
  type PilotOffers,
  type SessionFrame,
} from "@/core";
import type { PlannedBlock } from "@/contract";
import {
  findStep,
  onGround,
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

/** What a step on the ground takes beside the others' flying, min. Ours. */
const GROUND_MIN = 10;

/** The plan of a session from what each pilot could fly; `refusal` says why a step is not flown here today. */
export function planSession(
  fliers: readonly Flier[],
  frame: PlanFrame,
  refusal: (flier: Flier, offer: ReasonedOffer) => StepRefusal | null,
): SessionPlan {
  const left: { pilotId: string; because: LeftOut }[] = [];
  const offered = fliers.map((flier) => {
    const refused = (because: LeftOut) => left.push({ pilotId: flier.one.id, because });
    const possible = flier.one.offers.filter((offer) => {
      const why = isOnGround(flier.syllabus, offer.stepId) ? null : refusal(flier, offer);
      if (why) refused(why);
      return why === null;
    });
    // What is too much wind for a step is too much for flying as one likes.
    const windy = left.some(
      ({ pilotId, because }) =>
        pilotId === flier.one.id && (because.kind === "new-in-wind" || because.kind === "too-much-wind"),
    );
    const open = windy ? possible.filter(({ kind }) => kind !== "free") : possible;
    if (open.length < possible.length) refused({ kind: "free-in-wind", windMps: frame.windMps });
    return { flier, open };
  });
  const pilots = offered.map(({ flier, open }) => ({
    pilotId: flier.one.id,
    packs: flier.packs,
    offers: open.filter(({ stepId }) => !isOnGround(flier.syllabus, stepId)),
  }));
  const { given, slots } = alloted(pilots, frame);
  const blocks = new Map(
    offered.map(({ flier: { one, syllabus }, open }) => {
      const { blocks: own, left: rest } = entryOf(given, one.id);
      for (const { offer, because } of rest)
        left.push({
          pilotId: one.id,
          because: leftBecause(offer.stepId && stepName(syllabus, offer.stepId), because, frame),
        });
      const planned = (offer: ReasonedOffer, minutes: number): PlannedBlock => {
        const { kind, stepId, firstDirection, reason } = offer;
        return { kind, stepId, minutes, firstDirection, reason };
      };
      return [
        one.id,
        [
          ...open.flatMap((offer) => (isOnGround(syllabus, offer.stepId) ? [planned(offer, GROUND_MIN)] : [])),
          ...own.flatMap(({ kind, stepId, halfPacks }) =>
            open
              .filter((offer) => offer.kind === kind && offer.stepId === stepId)
              .map((offer) => planned(offer, (halfPacks * frame.packMin) / 2)),
          ),
        ],
      ];
    }),
  );
  return { blocks, slots, left };
}

/** Packs shared, and their order: with a turn less as long as the order is not over in time. */
function alloted(pilots: readonly PilotOffers[], frame: PlanFrame) {
  const atOnce = atOnceIn(frame);
  for (let turns = mostTurns(frame.minutes, pilots.length, atOnce, frame); ; turns--) {
    const given = allot(pilots, frame, turns);
    const slots = ordered(
      pilots.map(({ pilotId }) => [pilotId, entryOf(given, pilotId).packs] as const),
      frame,
    );
    if (turns <= 0 || turnsWithin(frame.minutes, slots, frame) === slots.length) return { given, slots };
  }
}

/** Orders worked out of late: a plan is drawn anew at every key, and asks for the same ones. */
const orders = new Map<string, SessionPlan["slots"]>();
const MOST_ORDERS = 20;

function ordered(
  packs: readonly (readonly [pilotId: string, packs: number])[],
  frame: PlanFrame,
): SessionPlan["slots"] {
  const key = JSON.stringify([packs, atOnceIn(frame), frame.packMin, frame.changeMin]);
  const slots =
    orders.get(key) ?? orderTurns(packs, atOnceIn(frame), frame).map((slot) => slot.map(({ pilotId }) => pilotId));
  if (orders.size >= MOST_ORDERS) orders.clear();
  orders.set(key, slots);
  return slots;
}

/** The order of turns for what each pilot is to fly. */
export const slotsFor = (
  fliers: readonly Flier[],
  blocks: SessionPlan["blocks"],
  frame: PlanFrame,
): SessionPlan["slots"] =>
  ordered(
    fliers.map((flier) => [flier.one.id, turnsFor(flier, blocks, frame)] as const),
    frame,
  );

/** True where an order gives each pilot the turns their blocks take, and nobody else any: one made by hand for other pilots or blocks does not. */
export function slotsFit(
  slots: SessionPlan["slots"],
  fliers: readonly Flier[],
  blocks: SessionPlan["blocks"],
  frame: PlanFrame,
): boolean {
  const turns = slots.flat();
  const wanted = fliers.map((flier) => [flier.one.id, turnsFor(flier, blocks, frame)] as const);
  return (
    turns.length === wanted.reduce((sum, [, packs]) => sum + packs, 0) &&
    wanted.every(([id, packs]) => turns.filter((one) => one === id).length === packs)
  );
}

/** Turns that a pilot's blocks take, the coach's demonstration among them; what is done on the ground takes none. */
const turnsFor = (flier: Flier, blocks: SessionPlan["blocks"], frame: PlanFrame): number =>
  packsIn(inTheAir(flier, blocks), frame);

/** Packs of the pilot's own that their blocks take. */
const packsFor = (flier: Flier, blocks: SessionPlan["blocks"], frame: PlanFrame): number =>
  packsIn(
    inTheAir(flier, blocks).filter(({ kind }) => kind !== "show"),
    frame,
  );

const inTheAir = ({ one, syllabus }: Flier, blocks: SessionPlan["blocks"]) =>
  (blocks.get(one.id) ?? []).filter(({ stepId }) => !isOnGround(syllabus, stepId));

const packsIn = (blocks: readonly PlannedBlock[], { packMin }: PlanFrame) =>
  Math.ceil(blocks.reduce((sum, { minutes }) => sum + minutes, 0) / packMin - 1e-9);

const isOnGround = (syllabus: Syllabus, stepId: string | null) => {
  const step = stepId === null ? undefined : findStep(syllabus, stepId);
  return step !== undefined && onGround(syllabus, step);
};

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
  const broken = fliers.flatMap((flier): BrokenLimit[] => {
    const { one, packs, syllabus } = flier;
    const own = blocks.get(one.id) ?? [];
    const fresh = [...new Set(own.flatMap(({ stepId }) => stepId ?? []))].filter((id) => !one.known.includes(id));
    const steps = fresh.map((id) => stepName(syllabus, id));
    const wanted = packsFor(flier, blocks, frame);
    return [
      ...(fresh.length > frame.newSteps
        ? [{ kind: "new-steps", pilot: one.name, steps, most: frame.newSteps } as const]
        : []),
      ...(wanted > packs ? [{ kind: "packs", pilot: one.name, wanted, charged: packs } as const] : []),
    ];
  });
  const fit = turnsWithin(frame.minutes, slots, frame);
  const most = atOnceIn(frame);
  if (slots.length > fit) broken.push({ kind: "turns", turns: slots.length, fit });
  if (slots.some((slot) => slot.length > most)) broken.push({ kind: "at-once", most });
  if (slots.some((slot) => new Set(slot).size < slot.length)) broken.push({ kind: "twice-in-a-turn" });
  return broken;
}
