import "server-only";
import { entryOf } from "@/core";
import type { SignedInCoach } from "@/server/accounts";
import { loadProgress } from "@/server/progress";
import type { Aircraft, Pilot, Setup, SquadVariant } from "@/contract";
import { latestSetups, listPilots, listVariants } from "@/server/repositories";
import { currentStepOf, findStep, findTrick, trickFrom, tricks, variantOf } from "@/syllabus";

export interface ChoreographerData {
  readonly pilot: Pilot;
  readonly aircraft: Aircraft | null;
  readonly setup: Setup | null;
  readonly trickId: string;
  /** The built-in way that is begun from, and the direction. */
  readonly wayId: string;
  readonly direction: string;
  /** The own way that is open, out of `own`; null when a built-in one is. */
  readonly openId: string | null;
  /** Every own way of the pilot's squad to fly this trick. */
  readonly own: readonly SquadVariant[];
  /** Pilots of the squad, for whom a way can be chosen. */
  readonly squadPilots: readonly { readonly id: string; readonly name: string }[];
}

export interface Asked {
  readonly step: string | null;
  readonly way: string | null;
  readonly direction: string | null;
  /** An own way, by its id. */
  readonly own: string | null;
}

/** The trick asked for, else the pilot's current one, in the way and direction asked for. Null for what is not flown in the model, and for an own way that there is not. */
export async function loadChoreographer(
  who: SignedInCoach,
  pilot: Pilot,
  aircraft: Aircraft | null,
  asked: Asked,
): Promise<ChoreographerData | null> {
  const [setups, progress, pilots] = await Promise.all([
    latestSetups([pilot.id]),
    loadProgress([pilot]),
    listPilots(who),
  ]);
  const { syllabus, school } = entryOf(progress, pilot.id);
  const open = asked.step === null ? currentStepOf(entryOf(progress, pilot.id)) : findStep(syllabus, asked.step);
  const trick =
    asked.step === null
      ? open
        ? trickFrom(syllabus, open.id)
        : tricks[tricks.length - 1]
      : findTrick(open?.flownAs?.trick ?? asked.step);
  if (!trick) return null;
  const own = await listVariants(pilot.squadId, trick.id);
  const opened = own.find(({ id }) => id === asked.own);
  if (asked.own !== null && !opened) return null;
  const usual = variantOf(open?.flownAs?.trick === trick.id ? open.flownAs : { trick: trick.id }, school)!;
  const way = trick.variants.find(({ id }) => id === (opened?.instead ?? asked.way)) ?? usual;
  const direction = opened?.direction ?? asked.direction ?? "";
  return {
    pilot,
    aircraft,
    setup: (aircraft && setups.get(aircraft.id)) ?? null,
    trickId: trick.id,
    wayId: way.id,
    direction: way.recipes[direction] ? direction : Object.keys(way.recipes)[0],
    openId: opened?.id ?? null,
    own,
    squadPilots: pilots.filter(({ squadId }) => squadId === pilot.squadId).map(({ id, name }) => ({ id, name })),
  };
}
