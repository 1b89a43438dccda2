import { expose } from "comlink";
import { answering } from "@/contract";
import {
  costOfTurned,
  crashesAtOwnHeight,
  fitOwnErrors,
  heightLosses,
  highestPointM,
  scatterRuns,
  solveTrick,
  startHeightByFreezes,
  tryTurned,
} from "@/core";

const worker = {
  costOfTurned,
  crashesAtOwnHeight,
  fitOwnErrors,
  heightLosses,
  highestPointM,
  scatterRuns,
  solveTrick,
  startHeightByFreezes,
  tryTurned,
};
export type ScatterWorker = typeof worker;

expose(answering(worker));
