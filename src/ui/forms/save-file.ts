/** Hands a text to the browser to be saved as a file. */
export const saveFile = (name: string, type: string, text: string): void => save(name, new Blob([text], { type }));

/** Hands bytes to the browser to be saved as a file. */
export const saveBytes = (name: string, type: string, bytes: Uint8Array<ArrayBuffer>): void =>
  save(name, new Blob([bytes], { type }));

function save(name: string, content: Blob): void {
  const address = URL.createObjectURL(content);
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** Somebody's words as a part of a file name. */
export const nameForFile = (words: string) => words.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase();
