import { run } from "./lib/processes.mjs";
import { PlainFailure, runMain, say } from "./lib/say.mjs";

/** What is bad enough to stop for. Lesser ones are told. */
const STOPPED_FOR = ["high", "critical"];

/**
 * Asks the registry for known weaknesses of the packages that are served: npm run audit. Fails where it names a high or critical one; where the registry
 * does not answer such questions it says so and fails nothing.
 */
await runMain(async () => {
  const { output } = await run("npm", ["audit", "--json", "--omit=dev"], { allowFailure: true });
  const found = reportIn(output)?.metadata?.vulnerabilities;
  if (!found) return say("The registry does not say what weaknesses are known; not looked at");
  const told = Object.entries(found).filter(([severity, n]) => severity !== "total" && n > 0);
  const words = told.map(([severity, n]) => `${n} ${severity}`).join(", ") || "none";
  if (STOPPED_FOR.some((severity) => found[severity] > 0))
    throw new PlainFailure(`Known weaknesses in what is served: ${words}. npm audit names them.`);
  say(`Known weaknesses in what is served: ${words}`);
});

/** npm's report, without the warnings it prints around it; null where there is none. */
function reportIn(output) {
  try {
    return JSON.parse(output.slice(output.indexOf("{"), output.lastIndexOf("}") + 1));
  } catch {
    return null;
  }
}
