const rooms = ["core", "syllabus", "contract", "words", "server", "ui", "workers", "features", "app"];
/** What each room may import besides itself and the rooms listed; everything else in the house is out of reach. */
const mayUse = {
  core: [],
  syllabus: ["core"],
  contract: ["syllabus", "core"],
  words: ["contract", "syllabus", "core"],
  server: ["contract", "words", "syllabus", "core"],
  workers: ["contract", "syllabus", "core"],
  ui: ["workers", "contract", "words", "syllabus", "core"],
  features: ["ui", "server", "contract", "words", "syllabus", "workers", "core"],
  app: ["features", "ui", "server", "contract", "words", "syllabus", "core"],
};
const database = ["knex", "mysql2", "mysql2/*"];
const interfaceCode = [
  "react",
  "react-dom",
  "react-dom/*",
  "next",
  "next/*",
  "@mui/*",
  "@emotion/*",
  "echarts",
  "echarts/*",
];

/** One direction only: app → features → (ui, server, workers) → (words → contract) → syllabus → core; only server speaks to the database. */
const policies = rooms.flatMap((room) => [
  {
    from: { element: { type: room } },
    disallow: {
      to: { element: { types: { anyOf: rooms.filter((other) => other !== room && !mayUse[room].includes(other)) } } },
    },
    message: `src/${room} may import only: ${mayUse[room].join(", ") || "nothing of the house"}.`,
  },
  ...(room === "server"
    ? []
    : [
        {
          from: { element: { type: room } },
          disallow: { to: { module: { origin: "external", source: database } } },
          message: "Only src/server speaks to the database.",
        },
      ]),
  ...(["core", "syllabus", "contract", "words"].includes(room)
    ? [
        {
          from: { element: { type: room } },
          disallow: { to: { module: { origin: "external", source: interfaceCode } } },
          message: `src/${room} has no interface code.`,
        },
      ]
    : []),
]);

const tests = ["**/*.test.ts", "**/*.test.tsx"];
const notLong = { skipBlankLines: true, skipComments: true };

/** Where a number is no figure that is read: places in a drawing, what a field holds, columns of a file. */
const notRead = [
  "src/ui/sticks/stick-pair-svg.ts",
  "src/ui/flight/horizon-ribbon.tsx",
  "src/ui/forms/number-slider.tsx",
  "src/features/choreographer/{figure-input,timeline-drawing}.tsx",
  "src/features/pilot/depth-layout.ts",
  "src/features/brief/gap-panel.tsx",
  "src/features/setup/protractor.tsx",
  "src/features/report/{download,papers}.ts",
];

/** What is longer or branches more than the limits, each for a reason. A new one wants a better one. */
const longOnPurpose = {
  // The equations of motion, which a reader is better served whole.
  "src/core/flight/dynamics.ts": ["max-lines-per-function", "complexity"],
  // One drawing each, in the order in which it is drawn.
  "src/ui/flight/path-view.tsx": ["max-lines-per-function"],
  "src/ui/flight/side-view.tsx": ["max-lines-per-function"],
  "src/features/setup/card-content.ts": ["max-lines-per-function"],
  // A list of what there is to be looked at.
  "src/features/gallery/exhibits.tsx": ["max-lines-per-function"],
  // Data in words: recipes, the built-in syllabus.
  "src/core/recipes/library/*.ts": ["max-lines"],
  "src/syllabus/built-in/*.ts": ["max-lines"],
  // One sentence a kind.
  "src/words/*.ts": ["complexity"],
  // One made-up squad, one run of faults, from beginning to end.
  "scripts/**": ["max-lines-per-function", "max-lines", "complexity"],
};

/** Rules by folder; types are checked in the same run, on the native TypeScript that comes with the linter's typed rules. */
const config = {
  options: { typeAware: true, typeCheck: true, maxWarnings: 0, reportUnusedDisableDirectives: "error" },
  ignorePatterns: [".next/", ".bathygon/", "node_modules/", "next-env.d.ts", "test-results/", "playwright-report/"],
  plugins: ["eslint", "typescript", "react", "nextjs", "jsx-a11y", "import", "oxc"],
  jsPlugins: ["eslint-plugin-boundaries", "./scripts/lint/house.mjs"],
  categories: { correctness: "error" },
  settings: {
    next: { rootDir: "src" },
    "boundaries/elements": [
      { type: "features", pattern: "src/features/*", capture: ["feature"] },
      ...rooms.filter((room) => room !== "features").map((room) => ({ type: room, pattern: `src/${room}` })),
    ],
    "import/resolver": { typescript: { project: "./tsconfig.json" } },
  },
  rules: {
    "react/display-name": "error",
    "react/jsx-no-comment-textnodes": "error",
    "react/no-unescaped-entities": "error",
    "react/rules-of-hooks": "error",
    "react/unsupported-syntax": "error",
    "import/no-anonymous-default-export": "error",
    "no-var": "error",
    "prefer-const": "error",
    "prefer-rest-params": "error",
    "prefer-spread": "error",
    "no-array-constructor": "error",
    "typescript/ban-ts-comment": "error",
    "typescript/no-empty-object-type": "error",
    "typescript/no-explicit-any": "error",
    "typescript/no-namespace": "error",
    "typescript/no-require-imports": "error",
    "typescript/no-unnecessary-type-constraint": "error",
    "typescript/no-unsafe-function-type": "error",
    // No faults here: fields of our own say what they are; pictures are pressed on beside a slider that does the same; a box
    // somebody asked for takes the cursor; a coach's own footage has no words.
    "jsx-a11y/prefer-tag-over-role": "off",
    "jsx-a11y/control-has-associated-label": "off",
    "jsx-a11y/click-events-have-key-events": "off",
    "jsx-a11y/no-noninteractive-element-interactions": "off",
    "jsx-a11y/no-autofocus": "off",
    "jsx-a11y/media-has-caption": "off",
    "no-control-regex": "off",
    "nextjs/no-html-link-for-pages": "off",
    "typescript/no-duplicate-type-constituents": "off",
    "typescript/no-meaningless-void-operator": "off",
    "typescript/no-misused-spread": "off",
    "typescript/no-redundant-type-constituents": "off",
    "typescript/no-useless-default-assignment": "off",
    "typescript/require-array-sort-compare": "off",
    "no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_+$" }],
  },
  overrides: [
    {
      files: ["src/**/*.{ts,tsx}"],
      rules: {
        "boundaries/dependencies": [
          "error",
          {
            default: "allow",
            checkAllOrigins: true,
            policies: [
              ...policies,
              {
                // A feature shows another only what its index.ts shows, and in the browser its client.ts.
                from: { element: { type: "features" } },
                disallow: { to: { element: { type: "features", fileInternalPath: "!{index,client}.ts" } } },
                message: "Features do not import one another's insides.",
              },
            ],
          },
        ],
        "import/no-duplicates": "error",
        "typescript/no-restricted-imports": [
          "error",
          {
            paths: [
              { name: "next/link", message: "Links are those of src/ui/actions/link.tsx, which fetch nothing ahead." },
              {
                name: "@mui/material/Box",
                allowTypeImports: true,
                message: "Boxes are those of src/ui/layout/box.tsx, which work out an sx once.",
              },
            ],
          },
        ],
        // What only the types can tell: a promise nobody waits for, a kind nobody thought of.
        "typescript/no-floating-promises": "error",
        "typescript/no-misused-promises": ["error", { checksVoidReturn: { attributes: false } }],
        "typescript/switch-exhaustiveness-check": [
          "error",
          { considerDefaultExhaustiveForUnions: true, requireDefaultForNonUnion: false },
        ],
      },
    },
    {
      files: ["src/**/*.{ts,tsx}", "scripts/**/*.{ts,mjs}"],
      excludeFiles: [...tests, "src/server/database/migrations/*"],
      rules: {
        "max-lines-per-function": ["error", { max: 100, ...notLong }],
        "max-lines": ["error", { max: 400, ...notLong }],
        complexity: ["error", 27],
      },
    },
    {
      files: ["src/features/**/*.{ts,tsx}", "src/ui/**/*.{ts,tsx}", "src/words/**/*.ts"],
      excludeFiles: [...tests, "src/words/quantity.ts", ...notRead],
      rules: { "house/numbers-by-words": "error", "house/spaces-on-grid": "error" },
    },
    ...Object.entries(longOnPurpose).map(([file, rules]) => ({
      files: [file],
      rules: Object.fromEntries(rules.map((rule) => [rule, "off"])),
    })),
    {
      // The arithmetic has no clock, random source or browser of its own.
      files: ["src/core/**/*.ts"],
      excludeFiles: tests,
      rules: {
        "no-restricted-globals": ["error", "window", "document", "performance", "process", "fetch"],
        "house/no-own-clock": "error",
      },
    },
    { files: tests, rules: { "typescript/no-base-to-string": "off", "typescript/unbound-method": "off" } },
    // What the audit of a page gives is a promise in one of its many forms.
    { files: ["e2e/addresses.ts"], rules: { "typescript/await-thenable": "off" } },
    { files: ["scripts/**/*.cjs"], rules: { "typescript/no-require-imports": "off" } },
    // A test that is set up and then run by its runner: nothing waits for it here.
    { files: ["scripts/{cluster,faults}.mjs"], rules: { "typescript/no-floating-promises": "off" } },
    {
      files: ["src/ui/actions/link.tsx", "src/ui/layout/box.test.tsx"],
      rules: { "typescript/no-restricted-imports": "off" },
    },
  ],
};

export default config;
