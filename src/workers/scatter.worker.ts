import { expose } from "comlink";
import { fitOwnErrors, scatterRuns, tryTurned } from "@/core";

const worker = { fitOwnErrors, scatterRuns, tryTurned };
export type ScatterWorker = typeof worker;

expose(worker);
