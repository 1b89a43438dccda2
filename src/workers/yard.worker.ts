import { expose } from "comlink";
import { answering } from "@/contract";
import { cloudOnPlan, flyOnPlan, type FlownOnPlan, type Laid, type LaidWith, type SitePlan } from "@/core";
import { same } from "./same";

/** What was flown last: when one of several flights is moved, the others stay as they were. */
const flown = new Map<string, FlownOnPlan>();
const MOST_KEPT = 40;

const worker = {
  cloudOnPlan,
  flyOnPlan: (plan: SitePlan, laid: Laid, asked: LaidWith): FlownOnPlan => {
    const key = JSON.stringify([plan, laid, asked]);
    const known = flown.get(key);
    if (known) return known;
    const answer = flyOnPlan(plan, laid, { ...asked, airframe: same(asked.airframe) });
    if (flown.size >= MOST_KEPT) flown.delete([...flown.keys()][0]);
    flown.set(key, answer);
    return answer;
  },
};
export type YardWorker = typeof worker;

expose(answering(worker));
