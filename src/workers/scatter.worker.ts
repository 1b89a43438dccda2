import { expose } from "comlink";
import {
  fitOwnErrors,
  heightLosses,
  highestPointM,
  scatterRuns,
  solveTrick,
  startHeightByFreezes,
  tryTurned,
} from "@/core";

const worker = {
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
