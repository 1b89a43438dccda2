import { expose } from "comlink";
import { answering } from "@/contract";
import {
  aloneShare,
  flyLineWorkedOut,
  joins,
  lineFreezes,
  lineLosses,
  lineMends,
  lineRuns,
  lineWayOut,
  proposedLine,
  withOdds,
  type Airframe,
} from "@/core";

/** What is kept of an aircraft is found again by the aircraft itself, and every message brings another copy of it. */
const known = new Map<string, Airframe>();
function same(aircraft: Airframe): Airframe {
  const key = JSON.stringify(aircraft);
  const kept = known.get(key) ?? aircraft;
  known.set(key, kept);
  return kept;
}

const worker = {
  aloneShare,
  flyLineWorkedOut,
  joins: (...[from, to, aircraft, ...rest]: Parameters<typeof joins>) => joins(from, to, same(aircraft), ...rest),
  lineFreezes,
  lineLosses,
  lineMends,
  lineRuns,
  lineWayOut,
  proposedLine,
  withOdds,
};
export type LineWorker = typeof worker;

expose(answering(worker));
