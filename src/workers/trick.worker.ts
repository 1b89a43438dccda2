import { expose } from "comlink";
import { flyAsSet } from "@/core";

const worker = { flyAsSet };
export type TrickWorker = typeof worker;

expose(worker);
