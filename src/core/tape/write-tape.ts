import { requiredColumns } from "./columns";
import type { Tape } from "./tape";

/** Between two flights that are written one after the other, s. */
const BETWEEN_S = 0.01;
const DIGITS = 4;

/**
 * Flights as one open recording (CSV, RFC 4180): the columns that have to be there, one flight after the other. What is read again from it differs by less
 * than half of the last digit, 0.0001.
 */
export function writeTape(tapes: readonly Tape[]): string {
  const lines = [requiredColumns.join(",")];
  let beginsS = 0;
  for (const { timeS, stick, gyroDps } of tapes) {
    const columns = [
      ...[stick.roll, stick.pitch, stick.yaw, stick.throttle],
      ...[gyroDps.roll, gyroDps.pitch, gyroDps.yaw],
    ];
    for (let i = 0; i < timeS.length; i++)
      lines.push(
        [beginsS + timeS[i], ...columns.map((column) => column[i])].map((one) => one.toFixed(DIGITS)).join(","),
      );
    beginsS += (timeS.at(-1) ?? 0) + BETWEEN_S;
  }
  return `${lines.join("\r\n")}\r\n`;
}
