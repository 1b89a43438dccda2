import jpeg from "jpeg-js";

/** A picture of 6 by 4 grey pixels, as base64. */
export const smallJpeg = jpeg
  .encode({ width: 6, height: 4, data: Buffer.alloc(6 * 4 * 4, 127) }, 80)
  .data.toString("base64");
