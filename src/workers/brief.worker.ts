import { expose } from "comlink";
import { draftBrief } from "@/core";

const worker = { draftBrief };
export type BriefWorker = typeof worker;

expose(worker);
