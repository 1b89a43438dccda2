/** Longest side of a picture that is sent, px. */
const LONGEST_PX = 1600;
/** A photo from a phone is smaller. */
const LARGEST_FILE_BYTES = 30 * 1024 * 1024;
const KINDS = ["image/jpeg", "image/png", "image/webp"];

export interface ShrunkPicture {
  readonly widthPx: number;
  readonly heightPx: number;
  /** As JPEG, base64. */
  readonly jpeg: string;
}

/** A photo or a sketch of this device drawn anew, small enough to be sent, without what else is in its file. Throws an Error in words for what is no picture. */
export async function shrunkPicture(file: File): Promise<ShrunkPicture> {
  if (!KINDS.includes(file.type)) throw new Error("A picture is a JPEG, PNG or WebP.");
  if (file.size > LARGEST_FILE_BYTES) throw new Error("That file is larger than 30 MB.");
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error("That file holds no picture that can be read.");
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(scale * bitmap.width));
  canvas.height = Math.max(1, Math.round(scale * bitmap.height));
  const context = canvas.getContext("2d");
  if (!context) throw new Error("This browser draws no pictures.");
  // What is see-through lies on white.
  context.fillStyle = "white";
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const [, jpeg] = canvas.toDataURL("image/jpeg", 0.85).split(",");
  return { widthPx: canvas.width, heightPx: canvas.height, jpeg };
}
