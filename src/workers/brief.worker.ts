import { expose } from "comlink";
import { answering } from "@/contract";
import { draftBrief, lastGoAroundM, windAdvice } from "@/core";

const worker = { draftBrief, lastGoAroundM, windAdvice };
export type BriefWorker = typeof worker;

expose(answering(worker));
