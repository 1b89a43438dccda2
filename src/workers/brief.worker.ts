import { expose } from "comlink";
import { briefTrick } from "@/core";

const worker = { briefTrick };
export type BriefWorker = typeof worker;

expose(worker);
