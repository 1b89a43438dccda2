import "server-only";
import { promisify } from "node:util";
import { gunzip } from "node:zlib";
import { unpackTry } from "@/core";
import { badField } from "@/server/actions";

const unpack = promisify(gunzip);
/** A try of the longest time there is takes a quarter of it, unpacked. */
const LONGEST_UNPACKED = 16 * 1024 * 1024;

/** The packed sticks of a try, looked at whole: nobody's browser is sent what is none. Throws a Refusal naming `packed`. */
export async function keptTry(text: string): Promise<Buffer> {
  const packed = Buffer.from(text, "base64");
  try {
    unpackTry(await unpack(packed, { maxOutputLength: LONGEST_UNPACKED }));
  } catch (error) {
    throw badField(
      "packed",
      `These are not the sticks of a try: ${error instanceof Error ? error.message : "unknown"}`,
    );
  }
  return packed;
}
