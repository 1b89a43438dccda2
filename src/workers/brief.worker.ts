import { expose } from "comlink";
import { draftBrief, windAdvice } from "@/core";

const worker = { draftBrief, windAdvice };
export type BriefWorker = typeof worker;

expose(worker);
