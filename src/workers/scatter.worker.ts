import { expose } from "comlink";
import { fitOwnErrors, highestPointM, scatterRuns, tryTurned } from "@/core";

const worker = { fitOwnErrors, highestPointM, scatterRuns, tryTurned };
export type ScatterWorker = typeof worker;

expose(worker);
