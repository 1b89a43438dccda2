import { useCallback, useMemo, useState } from "react";
import { useKeys } from "@/ui/keys/keys";
import { usePreferences } from "@/ui/theme/preferences";
import { useSyllabusOf } from "@/ui/syllabus/use-syllabus";
import type { ActionInput } from "@/contract";
import type { Place } from "@/core";
import { brokenLimitWords } from "@/words";
import type { CandidateEntry, PlanData } from "./load";
import { limitsBroken, type Flier } from "./planning";
import { dayOfPlan, startHeightsAsked, type Asked } from "./start-heights";
import { useCandidates } from "./use-candidates";
import { UNTOUCHED, useChecked, type ByHand } from "./use-checked";
import { usePlanFrame } from "./use-plan-frame";
import { useStartHeights } from "./use-start-heights";

export interface Choice {
  readonly taken: boolean;
  readonly packs: string;
  readonly setupId: string;
}

const NOTHING_ASKED: Asked = [];
const MINUTES = 90;
const PACKS = "4";
export const MOST_PACKS = 50;

/** Who flies, where, and what becomes of it: the plan with what stands against it, and every way to change it. */
export function usePlan(data: PlanData) {
  const [place, setPlace] = useState<Place>("field");
  const [choices, setChoices] = useState<Readonly<Record<string, Choice>>>(() =>
    Object.fromEntries(
      data.candidates.map((one) => [
        one.id,
        {
          taken: data.taken.includes(one.id),
          packs: PACKS,
          setupId: one.setups[0]?.id ?? "",
        },
      ]),
    ),
  );
  const taken = data.candidates.filter((one) => choices[one.id]?.taken);
  const sites = data.sites.filter(({ squadId }) => taken.length === 0 || squadId === taken[0].squadId);
  const [siteId, setSiteId] = useState(data.plan?.siteId ?? (data.sites.length === 1 ? data.sites[0].id : ""));
  const site = sites.find((known) => known.id === siteId) ?? null;
  const day = usePlanFrame(data.plan?.minutes ?? MINUTES);
  const syllabusOf = useSyllabusOf();
  const hand = useByHand();
  const { units } = usePreferences();

  const candidates = useCandidates(
    data,
    taken.map(({ id }) => id),
  );

  const packsOf = (one: CandidateEntry) => {
    const packs = Number(choices[one.id].packs);
    return Number.isInteger(packs) && packs >= 0 && packs <= MOST_PACKS ? packs : null;
  };
  const fliers = taken.flatMap(({ id }): Flier[] => {
    const one = candidates.known.get(id);
    return one
      ? [{ one, packs: packsOf(one) ?? 0, setupId: choices[id].setupId, syllabus: syllabusOf(one.squadId) }]
      : [];
  });
  const outside = place !== "simulator";
  const { plan, tasks, peaks, refused } = useChecked(day.frame, fliers, hand.byHand, { outside, site, units });
  const air = dayOfPlan(site, day.frame);
  const heights = useStartHeights(
    plan && outside
      ? fliers.flatMap((flier) =>
          (plan.blocks.get(flier.one.id) ?? []).flatMap(({ stepId }) =>
            stepId ? startHeightsAsked({ ...flier, stepId }, air) : [],
          ),
        )
      : NOTHING_ASKED,
  );
  const broken = plan && day.frame ? limitsBroken(fliers, plan, day.frame).map(brokenLimitWords) : [];
  const flown = peaks.size === tasks.length;
  const again = asLastTime(data);
  return {
    place,
    setPlace,
    /** Of one squad, as a session is: that of whoever is taken already. */
    takeAll: () => {
      const squadId = taken[0]?.squadId ?? data.candidates[0]?.squadId;
      setChoices((all) =>
        chosen(all, new Map(data.candidates.flatMap((one) => (one.squadId === squadId ? [[one.id, null]] : [])))),
      );
    },
    /** Who flew in the last session, with the same aircraft, at the same place; null where there was none. */
    asLastTime:
      again &&
      (() => {
        setChoices((all) => chosen(all, again.setups));
        setPlace(again.place);
        setSiteId(again.siteId);
      }),
    sites,
    site,
    setSiteId,
    day,
    air,
    outside,
    choices,
    taken,
    packsOf,
    /** Those of the pilots taken of whom it is known what they could fly. */
    fliers,
    /** Why of the others it is not known, by their ids; while it is being asked they are not there. */
    unread: candidates.unread,
    readAgain: candidates.readAgain,
    plan,
    heights,
    refused,
    broken,
    hand,
    choose: (id: string, part: Partial<Choice>) => setChoices((all) => ({ ...all, [id]: { ...all[id], ...part } })),
    /** How many tricks were flown in the model for their highest point, of how many; null once all were. */
    flying: flown ? null : { done: peaks.size, of: tasks.length },
    ready:
      taken.length > 0 &&
      fliers.length === taken.length &&
      plan !== null &&
      taken.every((one) => packsOf(one) !== null) &&
      flown &&
      refused.length === 0 &&
      broken.length === 0,
  };
}

export type Plan = ReturnType<typeof usePlan>;
type Choices = Readonly<Record<string, Choice>>;

/** Some pilots taken, and nobody else; each with the setup said, or as it stood. */
const chosen = (all: Choices, setups: ReadonlyMap<string, string | null>): Choices =>
  Object.fromEntries(
    Object.entries(all).map(([id, choice]) => [
      id,
      { ...choice, taken: setups.has(id), setupId: setups.get(id) ?? choice.setupId },
    ]),
  );

/** The last session that a coach held: where, and the setup of each pilot who stayed; null where there was none. */
function asLastTime({ recent, candidates }: PlanData) {
  const last = recent.find(({ session }) => session.coachId !== null && session.begun)?.session;
  const setups = new Map(
    (last?.pilots ?? []).flatMap(({ pilotId, setupId, loadId = null, left }) => {
      const one = candidates.find(({ id }) => id === pilotId);
      const flown = one?.setups.find((setup) => setup.setupId === setupId && setup.loadId === loadId);
      return one && !left ? [[pilotId, flown?.id ?? null] as const] : [];
    }),
  );
  return last && setups.size > 0 ? { place: last.place, siteId: last.siteId ?? "", setups } : null;
}

/** What the coach changes by hand, and the way back. */
function useByHand() {
  const [history, setHistory] = useState<readonly ByHand[]>([UNTOUCHED]);
  const byHand = history[history.length - 1];
  const undo = useCallback(() => setHistory((before) => (before.length > 1 ? before.slice(0, -1) : before)), []);
  const keys = useMemo(() => [{ key: "u", label: "Undo the last change of the plan", run: undo }], [undo]);
  useKeys(keys);
  return {
    byHand,
    change: (part: Partial<ByHand>) => setHistory((before) => [...before, { ...before[before.length - 1], ...part }]),
    undo: history.length > 1 ? undo : null,
  };
}

/** What is sent of a plan; null while there is none. */
export function sessionFrom(
  { plan, fliers, place, site, day }: Plan,
  id: string,
  prepared: boolean,
): ActionInput<"start-session"> | null {
  if (!plan) return null;
  const pilots = fliers.map(({ one, setupId }) => {
    const blocks = plan.blocks.get(one.id) ?? [];
    const main = blocks.find(({ kind, stepId }) => kind === "main" && stepId) ?? blocks.find(({ stepId }) => stepId);
    const flown = one.setups.find((setup) => setup.id === setupId);
    return {
      pilotId: one.id,
      stepId: main?.stepId ?? one.currentStepId,
      setupId: flown?.setupId ?? null,
      loadId: flown?.loadId ?? null,
      plan: { blocks, turns: plan.slots.flatMap((slot, i) => (slot.includes(one.id) ? [i] : [])) },
    };
  });
  return {
    id,
    place,
    siteId: site?.id ?? null,
    temperatureC: day.frame?.temperatureC ?? null,
    windMps: day.frame?.windKnown ? day.frame.windMps : null,
    prepared,
    pilots,
  };
}
