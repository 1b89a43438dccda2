"use client";

import { typedNumber } from "@/contract";
import { useState } from "react";
import { dayAirRanges } from "@/core";
import { isText, recordOf } from "@/ui/device/device-storage";
import { useDeviceState } from "@/ui/device/use-device-state";
import { usePreferences } from "@/ui/theme/preferences";
import { entryIn } from "@/words";
import type { PlanFrame } from "./planning";

/** What a session gives, as typed. */
export const frameFields = [
  { name: "minutes", label: "Minutes", least: 5, most: 1440, whole: true },
  { name: "lightMin", label: "Daylight left, min", least: 0, most: 1440, whole: true },
  {
    name: "windMps",
    label: "Wind",
    quantity: "speed",
    least: dayAirRanges.windMps[0],
    most: dayAirRanges.windMps[1],
    whole: false,
  },
  {
    name: "temperatureC",
    label: "Air",
    quantity: "temperature",
    least: dayAirRanges.temperatureC[0],
    most: dayAirRanges.temperatureC[1],
    whole: false,
  },
  { name: "packMin", label: "Pack, min", least: 0.5, most: 60, whole: false },
  { name: "changeMin", label: "Battery swap, min", least: 0, most: 60, whole: false },
  { name: "spots", label: "Flying spots", least: 1, most: 10, whole: true },
  { name: "observers", label: "Observers", least: 1, most: 10, whole: true },
  { name: "newSteps", label: "New steps per pilot", least: 0, most: 10, whole: true },
] as const;
export type FrameField = (typeof frameFields)[number]["name"];
type Typed = Readonly<Record<FrameField, string>>;

/** A coach's habits are kept on the device; the day's minutes, light and wind are not. */
const USUAL = { packMin: "4", changeMin: "3", spots: "1", observers: "1", newSteps: "1" };
const habitsFrom = (kept: unknown): typeof USUAL => {
  const known = recordOf(kept, isText);
  const { packMin, changeMin, spots, observers, newSteps } = { ...USUAL, ...known };
  return { packMin, changeMin, spots, observers, newSteps };
};
/** Not known is no mistake. */
const mayBeEmpty = ["lightMin", "windMps", "temperatureC"] as const satisfies readonly FrameField[];
type MayBeEmpty = (typeof mayBeEmpty)[number];

/** The day and the habits a plan is made from, with what is wrong about each field. */
export function usePlanFrame(minutes: number) {
  const { units } = usePreferences();
  const [day, setDay] = useState({ minutes: String(minutes), lightMin: "", windMps: "", temperatureC: "" });
  const [habits, changeHabits] = useDeviceState("bathygon-plan-habits", USUAL, habitsFrom);
  const typed: Typed = { ...day, ...habits };
  const set = (name: FrameField, text: string) =>
    name in USUAL
      ? changeHabits((before) => ({ ...before, [name]: text }))
      : setDay((before) => ({ ...before, [name]: text }));
  const errors: Partial<Record<FrameField, string>> = {};
  /** What may stay empty is missing where it is. */
  const values: Record<Exclude<FrameField, MayBeEmpty>, number> & Partial<Record<MayBeEmpty, number>> = {
    minutes: 0,
    packMin: 0,
    changeMin: 0,
    spots: 0,
    observers: 0,
    newSteps: 0,
  };
  for (const field of frameFields) {
    const { name, whole } = field;
    if (typed[name].trim() === "" && mayBeEmpty.some((one) => one === name)) continue;
    const entry = entryIn("quantity" in field ? field.quantity : "count", units);
    const [least, most] = entry.range([field.least, field.most]);
    const value = typedNumber(typed[name]);
    if (!Number.isFinite(value) || value < least || value > most || (whole && !Number.isInteger(value)))
      errors[name] = `${least} to ${most}${whole ? ", whole" : ""}`;
    else values[name] = entry.read(value);
  }
  const complete = Object.keys(errors).length === 0;
  const frame: PlanFrame | null = complete
    ? {
        minutes: Math.min(values.minutes, values.lightMin ?? Infinity),
        windMps: values.windMps ?? 0,
        windKnown: values.windMps !== undefined,
        temperatureC: values.temperatureC ?? null,
        packMin: values.packMin,
        changeMin: values.changeMin,
        spots: values.spots,
        observers: values.observers,
        newSteps: values.newSteps,
      }
    : null;
  return { typed, set, errors, frame };
}
