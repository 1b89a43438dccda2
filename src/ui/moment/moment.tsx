"use client";

import { DAY_MS } from "@/core";
import { format } from "date-fns";
import { useHydrated } from "../hydration/use-hydrated";

const patterns = { day: "d MMM yyyy", time: "HH:mm", both: "d MMM yyyy, HH:mm" } as const;

/** A point in time in the visitor's own zone. The server, which does not know it, writes the UTC day. */
export function Moment({ atMs, show = "day" }: { atMs: number; show?: keyof typeof patterns }) {
  const inBrowser = useHydrated();
  const iso = new Date(atMs).toISOString();
  return <time dateTime={iso}>{inBrowser ? format(atMs, patterns[show]) : iso.slice(0, 10)}</time>;
}

/** Calendar days (UTC) between two times, in words. */
export function daysAgo(atMs: number, nowMs: number): string {
  const days = Math.floor(nowMs / DAY_MS) - Math.floor(atMs / DAY_MS);
  if (days <= 0) return "today";
  return days === 1 ? "1 day ago" : `${days} days ago`;
}
