"use client";

import { format } from "date-fns";
import { useHydrated } from "../hydration/use-hydrated";

const patterns = { day: "d MMM yyyy", time: "HH:mm", both: "d MMM yyyy, HH:mm" } as const;

/** A point in time in the visitor's own zone. The server, which does not know it, writes the UTC day. */
export function Moment({ atMs, show = "day" }: { atMs: number; show?: keyof typeof patterns }) {
  const inBrowser = useHydrated();
  const iso = new Date(atMs).toISOString();
  return <time dateTime={iso}>{inBrowser ? format(atMs, patterns[show]) : iso.slice(0, 10)}</time>;
}

/** How many calendar days something is past, in words. */
export function daysAgo(days: number): string {
  if (days <= 0) return "today";
  return days === 1 ? "1 day ago" : `${days} days ago`;
}
