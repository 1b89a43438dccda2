"use client";

import { useHydrated } from "../hydration/use-hydrated";

const months = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** "24 Sep": the day, 1 to 31, of a month, 0 to 11. */
export const dayAndMonth = (day: number, month: number): string => `${day} ${months[month]}`;

// Without a package: this stands on every page, and one is as large as the shell around them.
const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
const day = (date: Date) => `${dayAndMonth(date.getDate(), date.getMonth())} ${date.getFullYear()}`;
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
