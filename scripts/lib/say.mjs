/** A failure with a message for the person at the terminal; no stack is shown. */
export class PlainFailure extends Error {}

const started = Date.now();

/** Prints a stage with the seconds since the start. */
export function say(text) {
  console.log(`[${((Date.now() - started) / 1000).toFixed(1).padStart(6)} s] ${text}`);
}

/** Runs a script's main function and turns failures into a plain message and exit code 1. */
export async function runMain(main) {
  try {
    await main();
  } catch (error) {
    console.error("");
    console.error(error instanceof PlainFailure ? error.message : explain(error));
    process.exitCode = 1;
  }
}

function explain(error) {
  if (error?.code === "ENOSPC") return "The disk is full. Free some space (about 1 GB is needed) and start again.";
  if (error?.code === "EACCES") return `No permission for ${error.path}. Run as the owner of this folder, or as root.`;
  return error?.stack ?? String(error);
}
