"use client";

import { useMemo } from "react";
import {
  airOfDay,
  EMPTY_PLAN,
  firstSettings,
  LINES_STAGE,
  usualErrors,
  type CloudOnPlan,
  type FlownOnPlan,
  type LaidWith,
  type SitePlan,
} from "@/core";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { useNewest } from "@/ui/worker/use-newest";
import type { YardWorker } from "@/workers/yard.worker";
import { namedFlight, type NamedFlight } from "./flights";
import type { PlanData } from "./load-plan";
import type { YardDay } from "./use-day";

/** What came of one flight of a plan. */
export type OnPlan =
  | { readonly kind: "flown"; readonly flown: FlownOnPlan }
  | { readonly kind: "refused"; readonly why: Error };
type OnPlanOf = readonly [flightId: string, onPlan: OnPlan];

/** Flights with errors that make up a cloud. */
export const CLOUD_RUNS = 60;

const yardWorker = () => new Worker(new URL("../../workers/yard.worker.ts", import.meta.url), { type: "module" });

interface FlightsRequest {
  readonly plan: SitePlan;
  readonly flights: readonly { readonly id: string; readonly laid: NamedFlight["laid"] }[];
  readonly asked: LaidWith;
}

interface CloudRequest extends Pick<FlightsRequest, "plan" | "asked"> {
  readonly laid: NamedFlight["laid"];
  readonly stage: number;
}

/** What of a plan a flight is flown over: where it lies on the earth, what else is flown and its picture change no flight. */
const flownOver = ({ features, courses, northDeg, indoorHeightM }: SitePlan): SitePlan => ({
  ...EMPTY_PLAN,
  ...{ features, courses, northDeg, indoorHeightM },
});

/** Flies what is laid on a plan with the aircraft at hand on the day, and the one that is chosen many times with the errors of usual hands. */
export function useFlights({ site, flown, flyable }: PlanData, plan: SitePlan, day: YardDay, chosenId: string | null) {
  const syllabus = useSyllabus();
  const named = useMemo(
    () => (plan.flights ?? []).flatMap((flight) => namedFlight(flight, { ...flyable, syllabus }) ?? []),
    [plan.flights, flyable, syllabus],
  );
  const asked = useMemo(
    (): LaidWith | null =>
      flown && {
        airframe: flown.aircraft.airframe,
        settings: flown.setup?.settings ?? firstSettings,
        air: airOfDay({ elevationM: site.elevationM ?? 0, temperatureC: day.temperatureC, windMps: 0 }),
        ...{ windMps: day.windMps, windFromDeg: day.windFromDeg, ceilingM: site.ceilingM },
      },
    [flown, site, day.temperatureC, day.windMps, day.windFromDeg],
  );
  const request = useMemo(
    (): FlightsRequest | null =>
      asked && named.length > 0
        ? { plan: flownOver(plan), flights: named.map(({ flight, laid }) => ({ id: flight.id, laid })), asked }
        : null,
    [asked, named, plan],
  );
  const { result } = useNewest<FlightsRequest, readonly OnPlanOf[], YardWorker>(
    request,
    yardWorker,
    (remote, { plan: on, flights, asked: how }) =>
      Promise.all(
        flights.map(({ id, laid }) =>
          remote.flyOnPlan(on, laid, how).then(
            (one): OnPlanOf => [id, { kind: "flown", flown: one }],
            (why: Error): OnPlanOf => [id, { kind: "refused", why }],
          ),
        ),
      ),
  );
  const answers = result?.kind === "answer" ? result.answer : null;
  const chosen = named.find(({ flight }) => flight.id === chosenId) ?? null;
  const cloudRequest = useMemo(
    (): CloudRequest | null =>
      asked && chosen ? { plan: flownOver(plan), laid: chosen.laid, asked, stage: chosen.stage ?? LINES_STAGE } : null,
    [asked, chosen, plan],
  );
  const cloud = useNewest<CloudRequest, CloudOnPlan, YardWorker>(
    cloudRequest,
    yardWorker,
    async (remote, { plan: on, laid, asked: how, stage }) => {
      const { planned, throwsM } = await remote.flyOnPlan(on, laid, how);
      return remote.cloudOnPlan(on, laid, how, { planned, throwsM }, { errors: usualErrors(stage), runs: CLOUD_RUNS });
    },
  );
  const flownCloud = cloud.result?.kind === "answer" && !cloud.pending ? cloud.result.answer : null;
  const cloudRefused = cloud.result?.kind === "refused" && !cloud.pending;
  return useMemo(
    () => ({
      named,
      chosen,
      /** What came of a flight; null while it is flown for the first time, and where there is no aircraft to fly it with. */
      answerOf: (id: string): OnPlan | null => answers?.find(([of]) => of === id)?.[1] ?? null,
      /** Of the chosen flight; null while it is flown. */
      cloud: flownCloud,
      /** Nothing can be flown with errors that is not flown without. */
      cloudRefused,
    }),
    [named, chosen, answers, flownCloud, cloudRefused],
  );
}

export type Flights = ReturnType<typeof useFlights>;
