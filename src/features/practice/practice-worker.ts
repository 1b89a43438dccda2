/** The worker that works drills out and flies tries again. */
export const practiceWorker = () =>
  new Worker(new URL("../../workers/practice.worker.ts", import.meta.url), { type: "module" });
