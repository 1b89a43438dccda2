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
} from "@/core";
import { same } from "./same";

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
