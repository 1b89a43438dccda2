import Papa from "papaparse";
import { rateAtStick, rounded, throttleAtStick, type Settings } from "@/core";

/** Turning rates and throttle over the stick, one line a percent (RFC 4180). */
export function curvesCsv({ rates, throttle }: Settings): string {
  const rows = Array.from({ length: 101 }, (_, percent) => {
    const stick = percent / 100;
    const rate = (axis: "roll" | "pitch" | "yaw") => rounded(rateAtStick(rates[axis], stick), 2);
    return [percent, rate("roll"), rate("pitch"), rate("yaw"), rounded(100 * throttleAtStick(throttle, stick), 2)];
  });
  const fields = ["stick_percent", "roll_dps", "pitch_dps", "yaw_dps", "throttle_percent"];
  return `${Papa.unparse({ fields, data: rows }, { newline: "\r\n" })}\r\n`;
}
