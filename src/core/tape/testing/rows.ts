import { columnNames } from "../columns";

type Row = readonly number[];

/** A recording of so many rows: time, sticks, throttle and gyro of each by its time. */
export function rowsOf(hz: number, seconds: number, at: (timeS: number) => Row): string {
  const rows = Array.from({ length: Math.round(hz * seconds) }, (_, i) => [i / hz, ...at(i / hz)].join(","));
  return [columnNames.slice(0, 8).join(","), ...rows, ""].join("\n");
}
