import "server-only";
import { createHash } from "node:crypto";
import jpeg from "jpeg-js";

/** No picture is wider or higher, px. */
const MOST_PIXELS = 2048;
const QUALITY = 82;
const MEMORY_MB = 128;

/** A picture that is none, or larger than it may be. */
export class BadPicture extends Error {}

/**
 * A JPEG written anew from its pixels: nothing else that the file held (place, camera, comments, what a program hid in it) is left. Throws BadPicture
 * for what is no whole JPEG of at most 2048 pixels each way.
 */
export function rewrittenJpeg(bytes: Buffer): { readonly jpeg: Buffer; readonly hash: string } {
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
