import "server-only";
import { completedAirframe, loadedAirframe, requireAirframe, requireMark, requireSettings, withRise } from "@/core";
import { builtInSyllabus, requireSchool, type Syllabus } from "@/syllabus";
import { badField } from "../actions/errors";
import type { PilotRecord } from "../repositories";
import { fileKind, requireFile } from "./check-file";
import schema from "./pilot-record.schema.json";
import setup from "./setup.schema.json";

/** The published schemas of files. */
export const pilotRecordSchema: object = schema;
export const setupSchema: object = setup;

const kind = fileKind<PilotRecord>("the record of a pilot", "bathygon-pilot-record", schema);

/**
 * The record when the file is one and everything in it fits together; otherwise throws a Refusal that names the place. Steps are known by the
 * syllabus of the squad, or by the one the program comes with.
 */
export function requirePilotRecord(file: unknown, syllabus: Syllabus): PilotRecord {
  const record = requireFile(withRise(file), kind);
  requireWhole(record, syllabus);
  return record;
}

/** What a schema cannot say: numbers the core takes, steps this syllabus has, references that lead somewhere. */
function requireWhole(record: PilotRecord, syllabus: Syllabus): void {
  const findStep = (id: string) => syllabus.stepById.get(id) ?? builtInSyllabus.stepById.get(id);
  within("pilot", () => requireSchool(record.pilot.school ?? {}));
  const setupIds = new Set<string>();
  const loadIds = new Set<string>();
  for (const [i, aircraft] of record.aircraft.entries()) {
    within(`aircraft.${i}`, () => requireAirframe(completedAirframe(aircraft.airframe, aircraft.presetId)));
    if (aircraft.estimate)
      within(`aircraft.${i}`, () => requireAirframe(completedAirframe(aircraft.estimate!, aircraft.presetId)));
    for (const [n, load] of (aircraft.loads ?? []).entries()) {
      within(`aircraft.${i}.loads.${n}`, () =>
        loadedAirframe(completedAirframe(aircraft.airframe, aircraft.presetId), load),
      );
      loadIds.add(load.id);
    }
    const numbers = new Set<number>();
    for (const [n, setup] of aircraft.setups.entries()) {
      within(`aircraft.${i}.setups.${n}`, () => requireSettings(setup.settings));
      if (numbers.has(setup.number))
        throw badField(`aircraft.${i}.setups.${n}.number`, `Setup ${setup.number} is in there twice.`);
      numbers.add(setup.number);
      setupIds.add(setup.id);
    }
  }
  const sessionIds = new Set(record.sessions.map((session) => session.id));
  const known = (place: string, stepId: string) => {
    if (!findStep(stepId)) throw badField(place, `${place}: the syllabus here has no step "${stepId}".`);
  };
  for (const list of ["sessions", "attempts", "milestones", "requests"] as const)
    record[list].forEach(({ stepId }, i) => known(`${list}.${i}.stepId`, stepId));
  for (const [i, { sessionId, stepId, direction }] of record.attempts.entries()) {
    if (!sessionIds.has(sessionId))
      throw badField(`attempts.${i}.sessionId`, "An attempt belongs to a session that is not in the file.");
    if (!findStep(stepId)!.directions.some(({ id }) => id === direction))
      throw badField(`attempts.${i}.direction`, "An attempt has a direction in which its step is not flown.");
  }
  for (const list of ["sessions", "attempts"] as const) {
    for (const [i, { setupId, loadId = null }] of record[list].entries()) {
      if (loadId !== null && !loadIds.has(loadId))
        throw badField(`${list}.${i}.loadId`, "A load that was flown with is not in the file.");
      if (setupId !== null && !setupIds.has(setupId))
        throw badField(`${list}.${i}.setupId`, "A setup that was flown with is not in the file.");
    }
  }
  const made = record.aircraft.flatMap(({ setups, loads = [], checks = [] }) =>
    [...setups, ...loads, ...checks].map(({ id }) => id),
  );
  for (const [i, { evidence }] of record.milestones.entries()) {
    const place = `milestones.${i}.evidence`;
    const { judgedBy, reason, advice } = evidence;
    if (judgedBy && typeof judgedBy.mark !== "string") within(`${place}.judgedBy`, () => requireMark(judgedBy.mark));
    if (reason && reason.kind !== advice)
      throw badField(`${place}.reason`, `${place}: the reason is for another advice.`);
  }
  if (new Set(made).size < made.length) throw badField("aircraft", "aircraft has an id of a setup or load twice.");
  requireMoments(record, "");
  const signed = record.milestones.map(({ stepId }) => stepId);
  const twice = signed.findIndex((stepId, i) => signed.indexOf(stepId) !== i);
  if (twice >= 0) throw badField(`milestones.${twice}.stepId`, "A step is signed off twice in the file; once counts.");
  for (const list of ["aircraft", "sessions", "attempts", "milestones", "notes", "requests"] as const) {
    if (new Set(record[list].map(({ id }) => id)).size < record[list].length)
      throw badField(list, `${list} has an id twice.`);
  }
}

const MOMENT = /^\d{4}-\d{2}-\d{2}[Tt ]\d{2}:/;
const FIRST_MS = Date.parse("1970-01-01T00:00:00Z");
const LAST_MS = Date.parse("2200-01-01T00:00:00Z");

/** Every moment of the file is one that the calendar and the database have: no leap second, no year beyond it. */
function requireMoments(value: unknown, place: string): void {
  if (typeof value === "string") {
    if (!value.isWellFormed()) throw badField(place, `${place} is not text.`);
    if (!place.endsWith("At") || !MOMENT.test(value)) return;
    const ms = Date.parse(value);
    if (!(ms >= FIRST_MS && ms <= LAST_MS)) throw badField(place, `${place} is no time between 1970 and 2200.`);
    return;
  }
  if (typeof value !== "object" || value === null) return;
  for (const [name, inner] of Object.entries(value)) requireMoments(inner, place === "" ? name : `${place}.${name}`);
}

function within(place: string, check: () => unknown): void {
  try {
    check();
  } catch (error) {
    throw badField(place, `${place}: ${(error as Error).message}.`);
  }
}
