import { expose } from "comlink";
import { answering } from "@/contract";
import { flyAsSet } from "@/core";

const worker = { flyAsSet };
export type TrickWorker = typeof worker;

expose(answering(worker));
