/** A reporter for node:test: how many expectations held, and those that did not, as JSON. A test that has others in it counts only when it fails itself. */
export default async function* testReport(source) {
  let passed = 0;
  const failures = [];
  for await (const { type, data } of source) {
    if (type !== "test:pass" && type !== "test:fail") continue;
    const { error, type: kind } = data.details;
    if (error?.failureType === "subtestsFailed") continue;
    if (error) failures.push(`${data.name}: ${error.cause?.message ?? error.message}`);
    else if (data.nesting > 0 && kind !== "suite") passed++;
  }
  yield JSON.stringify({ passed, failures });
}
