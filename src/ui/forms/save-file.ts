/** Hands a text to the browser to be saved as a file. */
export function saveFile(name: string, type: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** Somebody's words as a part of a file name. */
export const nameForFile = (words: string) => words.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase();
