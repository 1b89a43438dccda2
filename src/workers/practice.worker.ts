import { expose } from "comlink";
import { answering } from "@/contract";
import { judgeTry, prepareDrill } from "@/core";
import { flyKeptTry, packedTry } from "./kept-tries";

const worker = { flyKeptTry, judgeTry, packedTry, prepareDrill };
export type PracticeWorker = typeof worker;

expose(answering(worker));
