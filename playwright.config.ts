import { defineConfig } from "@playwright/test";

/** Run by scripts/test.mjs, which starts the applications and says where they are. */
export default defineConfig({
  testDir: "e2e",
  // As many at a time as there are demos to fly in: what one writes, another does not see.
  workers: (process.env.E2E_DEMO ?? "").split(" ").length,
  // Only to tell a hang: how long a journey takes is the machine's doing, and no journey is judged by it.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  projects: [
    { name: "journeys", testIgnore: "practice.spec.ts" },
    // Flown by keys in real time, which wants both cores: run by itself, on one demo.
    { name: "practice", testMatch: "practice.spec.ts" },
  ],
  outputDir: process.env.E2E_OUTPUT ?? "test-results",
  reporter: [["list"], ...(process.env.E2E_REPORT ? [["json", { outputFile: process.env.E2E_REPORT }] as const] : [])],
  use: {
    viewport: { width: 1280, height: 800 },
    screenshot: "only-on-failure",
    // Each journey is a new browser that would fetch all files of the field to keep them: journeys into the field allow it.
    serviceWorkers: "block",
    launchOptions: {
      executablePath: process.env.CHROMIUM,
      args: [
        "--no-sandbox",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});
