import "server-only";
import { createHash } from "node:crypto";
import jpeg from "jpeg-js";

/** No picture is wider or higher, px. */
const MOST_PIXELS = 2048;
const QUALITY = 82;
/** Each scan goes over the whole picture again: a file of thousands would keep the server busy for minutes. Cameras write up to a dozen. */
const MOST_SCANS = 20;
const MEMORY_MB = 128;

/** Markers "start of scan" (ITU-T T.81, B.1.1.3); within a scan no byte FF is followed by DA. */
function scansIn(bytes: Buffer): number {
  let count = 0;
  for (let at = bytes.indexOf("ffda", 0, "hex"); at >= 0; at = bytes.indexOf("ffda", at + 2, "hex")) count++;
  return count;
}

/** A picture that is none, or larger than it may be. */
export class BadPicture extends Error {}

/**
 * A JPEG written anew from its pixels: nothing else that the file held (place, camera, comments, what a program hid in it) is left. Throws BadPicture
 * for what is no whole JPEG of at most 2048 pixels each way.
 */
export function rewrittenJpeg(bytes: Buffer): { readonly jpeg: Buffer; readonly hash: string } {
  if (scansIn(bytes) > MOST_SCANS) throw new BadPicture(`more than ${MOST_SCANS} scans`);
  let picture: { readonly width: number; readonly height: number; readonly data: Uint8Array };
  try {
    picture = jpeg.decode(bytes, {
      ...{ useTArray: true, tolerantDecoding: false, formatAsRGBA: true },
      ...{ maxResolutionInMP: (MOST_PIXELS * MOST_PIXELS) / 1e6, maxMemoryUsageInMB: MEMORY_MB },
    });
  } catch (error) {
    throw new BadPicture((error as Error).message, { cause: error });
  }
  const { width, height } = picture;
  if (!(width > 0 && height > 0 && width <= MOST_PIXELS && height <= MOST_PIXELS))
    throw new BadPicture(`${width} by ${height} pixels`);
  const { data } = jpeg.encode({ width, height, data: Buffer.from(picture.data) }, QUALITY);
  return { jpeg: data, hash: createHash("sha256").update(data).digest("base64url") };
}
