"use client";

import { useMemo } from "react";
import {
  airOfDay,
  bearingDeg,
  coursesByEye,
  crab,
  dayLight,
  densityAltitudeM,
  DomainError,
  firstSettings,
  legTimes,
  sunAt,
  throwDistanceM,
  type DayLight,
  type LegTimes,
  type PlannedCourse,
  type SitePlan,
  type Sun,
} from "@/core";
import { useDeviceState } from "@/ui/device/use-device-state";
import { isRecord } from "@/ui/device/device-storage";
import { flownCourse } from "./edits";
import type { PlanData } from "./load-plan";

/** The day on which the site is used, as it was told here. */
export interface YardDay {
  readonly windMps: number;
  /** Where it comes from, ° from north. */
  readonly windFromDeg: number;
  readonly temperatureC: number;
  /** Local time of the day, hours; null for now. */
  readonly hour: number | null;
  /** Above the ground, at which the courses are flown. */
  readonly heightM: number;
  /** A coach's step, m. */
  readonly stepM: number;
}

const usualDay: YardDay = {
  windMps: 0,
  windFromDeg: 230,
  temperatureC: 15,
  hour: null,
  heightM: 3,
  stepM: 0.75,
};

const isDay = (kept: unknown): YardDay | null => {
  if (!isRecord(kept)) return null;
  const number = (name: keyof YardDay) => (typeof kept[name] === "number" ? (kept[name] as number) : null);
  return {
    windMps: number("windMps") ?? usualDay.windMps,
    windFromDeg: number("windFromDeg") ?? usualDay.windFromDeg,
    temperatureC: number("temperatureC") ?? usualDay.temperatureC,
    hour: number("hour"),
    heightM: number("heightM") ?? usualDay.heightM,
    stepM: number("stepM") ?? usualDay.stepM,
  };
};

export const useYardDay = () => useDeviceState<YardDay>("bathygon-yard-day", usualDay, isDay);

/** What follows from the day, the site and the aircraft. */
export interface YardFigures {
  readonly sun: Sun | null;
  readonly light: DayLight | null;
  readonly densityAltitudeM: number;
  readonly legs: LegTimes | null;
  /** Why there are no times of legs; null where there are. */
  readonly noLegs: Error | null;
  /** Nose off the first leg in the day's wind, ° to the right. */
  readonly crabDeg: number | null;
  /** How far the aircraft is thrown at the pace of the course, m. */
  readonly throwM: number;
  readonly throwMps: number;
}

/** A pace where no course is chosen, m/s. Ours. */
const USUAL_PACE_MPS = 6;

/** The moment of the day that is looked at. */
function momentOf(day: YardDay, nowMs: number): number {
  if (day.hour === null) return nowMs;
  const date = new Date(nowMs);
  date.setHours(Math.floor(day.hour), Math.round((day.hour % 1) * 60), 0, 0);
  return date.getTime();
}

const byEye = ({ kind }: PlannedCourse) => kind !== "own" && coursesByEye.includes(kind);

/** How far the nose points off the first leg of a course in the day's wind, ° to the right; null in calm, and where the wind is too much for it. */
function crabOf(plan: SitePlan, course: PlannedCourse, day: YardDay, airSpeedMps: number): number | null {
  const [from, to] = course.order.map((id) => course.poles.find((pole) => pole.id === id));
  if (!from || !to || day.windMps === 0) return null;
  const trackDeg = bearingDeg(from, to) + plan.northDeg;
  try {
    return crab({ trackDeg, airSpeedMps, windFromDeg: day.windFromDeg, windMps: day.windMps }).crabDeg;
  } catch (error) {
    if (error instanceof DomainError) return null;
    throw error;
  }
}

/** Works out the figures of the day for a course. */
export function useYardFigures(
  { site, flown }: PlanData,
  plan: SitePlan,
  course: PlannedCourse | null,
  day: YardDay,
  /** Null in what the server writes, which has another clock. */
  nowMs: number | null,
): YardFigures | null {
  return useMemo(() => {
    if (!flown) return null;
    const elevationM = site.elevationM ?? 0;
    const when = plan.place && nowMs !== null ? { ...plan.place, atMs: momentOf(day, nowMs) } : null;
    const air = airOfDay({ elevationM, temperatureC: day.temperatureC, windMps: day.windMps });
    const { airframe } = flown.aircraft;
    const settings = flown.setup?.settings ?? firstSettings;
    let [legs, noLegs]: [LegTimes | null, Error | null] = [null, null];
    try {
      const flownLegs = course && !byEye(course) ? flownCourse(course) : null;
      if (flownLegs && flownLegs.legs.length > 0)
        legs = legTimes(flownLegs, airframe, settings, settings.tiltDeg, { air });
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      noLegs = error;
    }
    const throwMps = legs?.paceMps ?? USUAL_PACE_MPS;
    return {
      sun: when && sunAt(when),
      light: when && dayLight(when),
      densityAltitudeM: densityAltitudeM({ elevationM, temperatureC: day.temperatureC }),
      legs,
      noLegs,
      crabDeg: course && legs ? crabOf(plan, course, day, legs.paceMps) : null,
      throwMps,
      throwM: throwDistanceM(airframe, {
        ...{ speedMps: throwMps, climbMps: 0, heightM: day.heightM, air, windMps: day.windMps },
      }),
    };
  }, [site, flown, plan, course, day, nowMs]);
}
