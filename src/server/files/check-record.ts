import "server-only";
import Ajv2020 from "ajv/dist/2020";
import addFormats from "ajv-formats";
import { requireAirframe, requireSettings } from "@/core";
import { findStep } from "@/syllabus";
import { badField, Refusal } from "../actions/errors";
import type { PilotRecord } from "../repositories";
import schema from "./pilot-record.schema.json";
import setup from "./setup.schema.json";

/** The published schemas of files. */
export const pilotRecordSchema: object = schema;
export const setupSchema: object = setup;

const ajv = new Ajv2020({ strict: true, strictTypes: false });
addFormats(ajv, ["date-time"]);
const matches = ajv.compile<PilotRecord>(schema);

/** The record when the file is one and everything in it fits together; otherwise throws a Refusal that names the place. */
export function requirePilotRecord(file: unknown): PilotRecord {
  if (typeof file !== "object" || file === null || Array.isArray(file))
    throw new Refusal(422, "The file is not a record.");
  const { format, version } = file as { format?: unknown; version?: unknown };
  if (format !== "bathygon-pilot-record") throw badField("format", "The file is not the record of a pilot.");
  if (version !== 1)
    throw badField(
      "version",
      `The file is of version ${JSON.stringify(version)?.slice(0, 20)}; this program reads version 1.`,
    );
  if (!matches(file)) {
    const [error] = matches.errors ?? [];
    const place = error.instancePath.slice(1).replaceAll("/", ".") || "the file";
    const extra = (error.params as { additionalProperty?: string }).additionalProperty;
    throw badField(place, `${place} ${error.message}${extra ? `: ${extra.slice(0, 40)}` : ""}.`);
  }
  requireWhole(file);
  return file;
}

/** What a schema cannot say: numbers the core takes, steps this syllabus has, references that lead somewhere. */
function requireWhole(record: PilotRecord): void {
  const setupIds = new Set<string>();
  for (const [i, aircraft] of record.aircraft.entries()) {
    within(`aircraft.${i}`, () => requireAirframe(aircraft.airframe));
    if (aircraft.estimate) within(`aircraft.${i}`, () => requireAirframe(aircraft.estimate!));
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
    for (const [i, { setupId }] of record[list].entries()) {
      if (setupId !== null && !setupIds.has(setupId))
        throw badField(`${list}.${i}.setupId`, "A setup that was flown with is not in the file.");
    }
  }
  for (const list of ["aircraft", "sessions", "attempts", "milestones", "notes", "requests"] as const) {
    if (new Set(record[list].map(({ id }) => id)).size < record[list].length)
      throw badField(list, `${list} has an id twice.`);
  }
}

function within(place: string, check: () => unknown): void {
  try {
    check();
  } catch (error) {
    throw badField(place, `${place}: ${(error as Error).message}.`);
  }
}
