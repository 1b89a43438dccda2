import boundaries from "eslint-plugin-boundaries";
import nextVitals from "eslint-config-next/core-web-vitals";
import nextTypescript from "eslint-config-next/typescript";
import prettier from "eslint-config-prettier/flat";

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

/** A margin, a padding or a gap. */
const SPACE = "Property[key.name=/^([mp][xytblr]?|gap|rowGap|columnGap)$/]";

const config = [
  { ignores: [".next/", ".bathygon/", "node_modules/", "next-env.d.ts", "test-results/", "playwright-report/"] },
  ...nextVitals,
  { settings: { next: { rootDir: "src" } }, rules: { "@next/next/no-html-link-for-pages": "off" } },
  ...nextTypescript,
  {
    files: ["src/**/*.{ts,tsx}"],
    plugins: { boundaries },
    settings: {
      "boundaries/elements": [
        { type: "features", pattern: "src/features/*", capture: ["feature"] },
        ...rooms.filter((room) => room !== "features").map((room) => ({ type: room, pattern: `src/${room}` })),
      ],
      "import/resolver": { typescript: { project: "./tsconfig.json" } },
    },
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
      "@typescript-eslint/no-restricted-imports": [
        "error",
        { name: "next/link", message: "Links are those of src/ui/actions/link.tsx, which fetch nothing ahead." },
        {
          name: "@mui/material/Box",
          allowTypeImports: true,
          message: "Boxes are those of src/ui/layout/box.tsx, which work out an sx once.",
        },
      ],
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_+$" }],
    },
  },
  {
    // What only the types can tell: a promise nobody waits for, a kind nobody thought of.
    files: ["src/**/*.{ts,tsx}"],
    ignores: ["**/*.test.{ts,tsx}"],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      "@typescript-eslint/no-floating-promises": "error",
      "@typescript-eslint/no-misused-promises": ["error", { checksVoidReturn: { attributes: false } }],
      "@typescript-eslint/switch-exhaustiveness-check": [
        "error",
        { considerDefaultExhaustiveForUnions: true, requireDefaultForNonUnion: false },
      ],
    },
  },
  {
    files: ["src/**/*.{ts,tsx}", "scripts/**/*.{ts,mjs}"],
    ignores: ["**/*.test.{ts,tsx}", "src/server/database/migrations/*"],
    rules: {
      "max-lines-per-function": ["error", { max: 100, ...notLong }],
      "max-lines": ["error", { max: 400, ...notLong }],
      complexity: ["error", 27],
    },
  },
  {
    files: ["src/features/**/*.{ts,tsx}", "src/ui/**/*.{ts,tsx}", "src/words/**/*.ts"],
    ignores: ["**/*.test.{ts,tsx}", "src/words/quantity.ts", ...notRead],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: "CallExpression[callee.property.name='toFixed']",
          message: "Numbers reach the screen through formatQuantity, quantityText and numeral.",
        },
        {
          selector: [" > ", " > UnaryExpression > ", " > ObjectExpression > Property > "]
            .map((within) => `JSXAttribute[name.name=/[sS]x$/] ${SPACE}${within}Literal[raw=/\\.(?!50*$)/]`)
            .join(", "),
          message: "Spaces stand on a grid of 4 px: halves of 8.",
        },
      ],
    },
  },
  ...Object.entries(longOnPurpose).map(([file, rules]) => ({
    files: [file],
    rules: Object.fromEntries(rules.map((rule) => [rule, "off"])),
  })),
  {
    // The arithmetic has no clock, random source or browser of its own.
    files: ["src/core/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-globals": ["error", "window", "document", "performance", "process", "fetch"],
      "no-restricted-properties": [
        "error",
        { object: "Math", property: "random", message: "Random sources come in as arguments." },
        { object: "Date", property: "now", message: "Times come in as arguments." },
      ],
      "no-restricted-syntax": [
        "error",
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: "Times come in as arguments." },
      ],
    },
  },
  {
    files: ["src/ui/actions/link.tsx", "src/ui/layout/box.test.tsx"],
    rules: { "@typescript-eslint/no-restricted-imports": "off" },
  },
  { files: ["scripts/**/*.{cjs,mjs}"], rules: { "@typescript-eslint/no-require-imports": "off" } },
  prettier,
];

export default config;
