import { run } from "./lib/processes.mjs";
import { runMain } from "./lib/say.mjs";

/** Sends many inputs of every shape to every action, on a throw-away database: npm run fuzz -- [how many] [seed]. */
const [inputs = "100000", seed = ""] = process.argv.slice(2);

await runMain(async () => {
  const env = { BATHYGON_FUZZ: inputs, ...(seed && { BATHYGON_FUZZ_SEED: seed }) };
  const { code } = await run(process.execPath, ["scripts/test.mjs", "jest", "--only=fuzz"], {
    env,
    quiet: false,
    allowFailure: true,
  });
  process.exitCode = code ?? 1;
});
