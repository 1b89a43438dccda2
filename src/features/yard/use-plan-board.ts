"use client";

import { useMemo, useState } from "react";
import { v7 as newId } from "uuid";
import {
  planOrigin,
  standOf,
  type CourseKind,
  type CourseParameters,
  type PlanKind,
  type PlannedFlight,
  type PlanPoint,
  type SitePlan,
} from "@/core";
import type { Draft } from "@/ui/drafts/use-draft";
import { useHydrated } from "@/ui/hydration/use-hydrated";
import { usePreferences } from "@/ui/theme/preferences";
import { quantityText } from "@/words";
import { useInField } from "./use-in-field";
import {
  newFeature,
  nextPole,
  roomOf,
  usualShape,
  withFeature,
  withMovedPoints,
  withNewCourse,
  without,
  type Chosen,
} from "./edits";
import type { PlanData } from "./load-plan";
import type { Drawn, DrawnFlight, PlanEvents, PlanMap, Tool } from "./plan-map";
import { useYardDay, useYardFigures } from "./use-day";
import { useFlights, type Flights } from "./use-flights";

/** How far something dead flies where no aircraft is at hand to say, m. Ours. */
const THROW_UNKNOWN_M = 15;

/** What the plan's board holds: what is chosen, the tool, the day and what follows from it. */
export function usePlanBoard(data: PlanData, draft: Draft<SitePlan>) {
  const plan = draft.document;
  const { units } = usePreferences();
  const inBrowser = useHydrated();
  const [openedMs] = useState(() => Date.now());
  const nowMs = inBrowser ? openedMs : null;
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [tool, setTool] = useState<Tool>("choose");
  const [map, setMap] = useState<Pick<PlanMap, "zoom" | "fit" | "cancel" | "centre"> | null>(null);
  const [measuredM, setMeasuredM] = useState<number | null>(null);
  const [day, changeDay] = useYardDay();
  const feature = plan.features.find(({ id }) => id === chosen?.id) ?? null;
  const flightChosen = plan.flights?.some(({ id }) => id === chosen?.id) ?? false;
  const course =
    plan.courses.find(({ id }) => id === chosen?.id) ?? (feature || flightChosen ? null : (plan.courses.at(0) ?? null));
  const [inField, changeInField] = useInField(course?.id ?? "none");
  const figures = useYardFigures(data, plan, course, day, nowMs);
  const throwM = figures?.throwM ?? THROW_UNKNOWN_M;
  const next = course && nextPole(course, inField.standing);
  const flights = useFlights(data, plan, day, chosen?.id ?? null);
  const edit = (to: SitePlan, gesture: string | null = null) => draft.change(to, gesture);
  const intoWindDeg = day.windMps > 0 ? (day.windFromDeg - plan.northDeg + 360) % 360 : null;
  const middle = () => map?.centre() ?? planOrigin(plan);
  const put = (kind: PlanKind, points: readonly PlanPoint[]) => {
    const id = newId();
    edit(withFeature(plan, newFeature(id, kind, points)));
    setChosen({ id });
    setTool("choose");
  };
  /** Lays a course into the boundary for this day, in the place of the one named. */
  const lay = (kind: CourseKind, parameters: CourseParameters, instead: string | null = null) => {
    const id = newId();
    const room = roomOf(plan, {
      windFromDeg: day.windMps > 0 ? day.windFromDeg - plan.northDeg : null,
      sun: figures?.sun ? { ...figures.sun, azimuthDeg: figures.sun.azimuthDeg - plan.northDeg } : null,
      throwM,
    });
    const before = instead === null ? plan : without(plan, instead);
    edit(withNewCourse(before, { id, kind, parameters, at: middle() }, room));
    setChosen({ id });
  };
  /** Lays a trick or a line at the pilot stand, into the wind. */
  const layFlight = (of: PlannedFlight["of"]) => {
    const id = newId();
    const at = standOf(plan);
    edit({ ...plan, flights: [...(plan.flights ?? []), { id, of, at, headingDeg: intoWindDeg ?? 0 }] });
    setChosen({ id });
  };
  const events: PlanEvents = {
    onChoose: setChosen,
    onMoved: (moved, points) => edit(withMovedPoints(plan, moved, points)),
    onDrawn: put,
    onMeasured: setMeasuredM,
  };
  const drawn = useMemo(
    (): Drawn => ({
      plan,
      chosen,
      standing: course ? { [course.id]: inField.standing } : {},
      settingOut: course && { course, pole: next },
      throwM,
      flights: drawnFlights(flights),
      pictureFrom: `/site-pictures/${data.site.id}/${plan.picture?.id}`,
      lengthText: (m) => quantityText(m, "length", units, 2),
    }),
    [plan, chosen, course, inField.standing, next, throwM, flights, units, data.site.id],
  );
  return {
    ...{ plan, feature, course, chosen, setChosen, tool, map, setMap, measuredM, day, figures, throwM, next, nowMs },
    ...{ edit, events, drawn, lay, layFlight, flights, intoWindDeg, inField, changeInField },
    changeDay: (change: Partial<typeof day>) => changeDay((before) => ({ ...before, ...change })),
    use: (picked: Tool) => {
      setTool(picked);
      setMeasuredM(null);
    },
    putInMiddle: (kind: PlanKind) => put(kind, usualShape(kind, middle())),
    remove: (id: string) => {
      edit(without(plan, id));
      setChosen(null);
    },
  };
}

/** The flights of a plan as they are drawn; the cloud of the one that is chosen. */
const drawnFlights = ({ named, answerOf, chosen, cloud }: Flights): readonly DrawnFlight[] =>
  named.map(({ flight, name }) => {
    const answer = answerOf(flight.id);
    return {
      ...{ id: flight.id, name, at: flight.at, headingDeg: flight.headingDeg },
      flown: answer?.kind === "flown" ? answer.flown : null,
      cloud: chosen?.flight.id === flight.id && cloud ? cloud.ways : [],
    };
  });

export type Board = ReturnType<typeof usePlanBoard>;
