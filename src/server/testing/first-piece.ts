import { createHash } from "node:crypto";
import { gzipSync } from "node:zlib";
import { PIECE_BYTES } from "@/contract";

/** A recording of any text as it is announced and sent. */
export function recordingOf(text: string, name = "pack 3.csv") {
  const bytes = Buffer.from(text);
  const pieces: string[] = [];
  let packedBytes = 0;
  for (let at = 0; at < bytes.length; at += PIECE_BYTES) {
    const packed = gzipSync(bytes.subarray(at, at + PIECE_BYTES));
    packedBytes += packed.length;
    pieces.push(packed.toString("base64"));
  }
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  return { file: { name, sha256, bytes: bytes.length, packedBytes, recordedAtMs: null, mapping: null }, pieces };
}

/** So many rows of an aircraft that hovers, 100 a second. */
export function hoverText(rows: number): string {
  const names = [
    ...["time_s", "stick_roll", "stick_pitch", "stick_yaw", "throttle"],
    ...["gyro_roll_dps", "gyro_pitch_dps", "gyro_yaw_dps"],
  ];
  const row = (_: unknown, i: number) => `${(i / 100).toFixed(2)},0,0,0,0.4,${((i * 7919) % 1000) / 1000},0.1,-0.2`;
  return `${[names.join(","), ...Array.from({ length: rows }, row)].join("\n")}\n`;
}

const hover = recordingOf(hoverText(100));

/** A recording that is one piece, and what was found in it. */
export const firstPiece = {
  file: hover.file,
  packed: hover.pieces[0],
  found: {
    ...{ fromS: 0, toS: 0.99, sampleHz: 100, rows: 100, tricks: [], cruise: null, smoothness: null },
    reach: { roll: 0, pitch: 0, yaw: 0 },
  },
};
