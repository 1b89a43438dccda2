const swcTs = [
  "@swc/jest",
  {
    jsc: {
      parser: { syntax: "typescript", tsx: true, decorators: true },
      transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: "automatic" } },
      target: "es2022",
    },
  },
];
const swcJs = ["@swc/jest", { jsc: { parser: { syntax: "ecmascript" }, target: "es2022" } }];

const shared = {
  // Looked up through the sandbox at every use otherwise, which makes the flight model fifteen times slower (Math), and a seventh slower again (the others).
  sandboxInjectedGlobals: ["Math", "Number", "Array", "Object", "Float64Array", "Map", "Set"],
  transform: { "^.+\\.tsx?$": swcTs, "^.+\\.m?js$": swcJs },
  transformIgnorePatterns: ["/node_modules/(?!(uuid|ts-fsrs|ml-[a-z-]+|is-any-array|d3-[a-z-]+|internmap)/)"],
  moduleNameMapper: {
    "^@/(.*)$": "<rootDir>/src/$1",
    "^server-only$": "<rootDir>/scripts/jest/empty.cjs",
    "^echarts/(charts|components|core|renderers)$": "<rootDir>/scripts/jest/echarts.cjs",
  },
  modulePathIgnorePatterns: ["<rootDir>/.next/", "<rootDir>/.bathygon/"],
};

const config = {
  // Every core: nothing else runs beside the tests.
  maxWorkers: "100%",
  // Only to tell a hang from a slow machine.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: "core",
      testEnvironment: "node",
      testMatch: ["<rootDir>/src/{core,syllabus,contract,words,ui}/**/*.test.ts", "<rootDir>/scripts/**/*.test.ts"],
    },
    {
      ...shared,
      displayName: "ui",
      testEnvironment: "<rootDir>/scripts/jest/jsdom-environment.cjs",
      moduleNameMapper: {
        "loading/later$": "<rootDir>/scripts/jest/later.cjs",
        ...shared.moduleNameMapper,
        "^next/navigation$": "<rootDir>/scripts/jest/next-navigation.cjs",
        "^@mui/material-nextjs/.*$": "<rootDir>/scripts/jest/emotion-cache.cjs",
        "chart-canvas$": "<rootDir>/scripts/jest/chart-canvas.cjs",
        "plan-canvas$": "<rootDir>/scripts/jest/plan-canvas.cjs",
      },
      testMatch: ["<rootDir>/src/{ui,features}/**/*.test.tsx"],
      setupFilesAfterEnv: ["<rootDir>/scripts/jest/setup-ui.cjs"],
    },
    {
      ...shared,
      displayName: "db",
      testEnvironment: "node",
      testMatch: ["<rootDir>/src/{server,features,app}/**/*.test.ts"],
      setupFiles: ["<rootDir>/scripts/jest/setup-db.cjs"],
      setupFilesAfterEnv: ["<rootDir>/scripts/jest/quiet-log.cjs"],
    },
  ],
};

export default config;
