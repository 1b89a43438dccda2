/** Where scripts/test.mjs serves an application on an empty database and one with the demo. */
export const emptyAddress = process.env.E2E_EMPTY ?? "";
export const demoAddress = process.env.E2E_DEMO ?? "";
