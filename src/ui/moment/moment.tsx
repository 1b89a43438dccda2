"use client";

import { useHydrated } from "../hydration/use-hydrated";

const month = new Intl.DateTimeFormat("en-US", { month: "short" });
const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
const day = (date: Date) => `${date.getDate()} ${month.format(date)} ${date.getFullYear()}`;

/** By the platform: this stands on every page, and a package for it is as large as the shell around them. */
const inWords = {
  day,
  time: (date: Date) => clock.format(date),
  both: (date: Date) => `${day(date)}, ${clock.format(date)}`,
} as const;

/** A point in time in the visitor's own zone. The server, which does not know it, writes the UTC day. */
export function Moment({ atMs, show = "day" }: { atMs: number; show?: keyof typeof inWords }) {
  const inBrowser = useHydrated();
  const date = new Date(atMs);
  const iso = date.toISOString();
  return <time dateTime={iso}>{inBrowser ? inWords[show](date) : iso.slice(0, 10)}</time>;
}

/** How many calendar days something is past, in words. */
export function daysAgo(days: number): string {
  if (days <= 0) return "today";
  return days === 1 ? "1 day ago" : `${days} days ago`;
}
