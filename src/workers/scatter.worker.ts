import { expose } from "comlink";
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

expose(worker);
