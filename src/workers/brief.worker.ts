import { expose } from "comlink";
import { draftBrief, lastGoAroundM, windAdvice } from "@/core";

const worker = { draftBrief, lastGoAroundM, windAdvice };
export type BriefWorker = typeof worker;

expose(worker);
