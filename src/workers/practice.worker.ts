import { expose } from "comlink";
import { answering } from "@/contract";
import { judgeTry, prepareDrill } from "@/core";

const worker = { judgeTry, prepareDrill };
export type PracticeWorker = typeof worker;

expose(answering(worker));
