"use client";

import { useMemo } from "react";
import { requireSitePlan, type SitePlan } from "@/core";
import { useDraft } from "@/ui/drafts/use-draft";
import type { PlanData } from "./load-plan";

const isPlan = (document: unknown): document is SitePlan => {
  try {
    requireSitePlan(document as SitePlan);
    return true;
  } catch (error) {
    // What an earlier version left on this device, or half of a draft, is no plan: it is let go of.
    if (error instanceof RangeError || error instanceof TypeError) return false;
    throw error;
  }
};

/** The plan as it is being changed, on this device until it is saved. */
export function usePlan({ site, kept }: PlanData) {
  const key = `bathygon-plan-${site.id}`;
  const draft = useDraft<SitePlan>({ key, saved: kept.plan, basedOn: kept.version, isWhole: isPlan });
  // What cannot be saved is said before it is tried.
  const problem = useMemo(() => {
    try {
      requireSitePlan(draft.document);
      return null;
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      return error;
    }
  }, [draft.document]);
  return { draft, problem };
}
