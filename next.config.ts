import type { NextConfig } from "next";

const securityHeaders = [
  { key: "X-Content-Type-Options", value: "nosniff" },
  { key: "X-Frame-Options", value: "DENY" },
  { key: "Referrer-Policy", value: "same-origin" },
  { key: "Cross-Origin-Opener-Policy", value: "same-origin" },
];

const config: NextConfig = {
  output: "standalone",
  turbopack: { root: import.meta.dirname },
  outputFileTracingRoot: import.meta.dirname,
  serverExternalPackages: ["knex", "mysql2", "@node-rs/argon2", "pdfmake"],
  // PDFs are set in a thread of its own, which opens its file, its package and its typefaces by path.
  outputFileTracingIncludes: {
    "/setup-card/*": [
      "./src/server/files/pdf-worker.mjs",
      "./node_modules/pdfmake/**",
      "./node_modules/@fontsource/*/files/*-latin-[467]00-normal.woff",
    ],
  },
  // No picture is scaled by the server: the scaler, with a library under the LGPL in it, stays out of the build.
  images: { unoptimized: true },
  outputFileTracingExcludes: { "*": ["./node_modules/sharp/**", "./node_modules/@img/**"] },
  poweredByHeader: false,
  experimental: {
    // Pages answer 403 with app/forbidden.tsx.
    authInterrupts: true,
    // A build is made once for its sources and kept: writing down what the next might use costs a fifth of it.
    turbopackFileSystemCacheForBuild: false,
  },
  // `npm test -- lint` checks types; the build does not do it a second time.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    { source: "/:path*", headers: securityHeaders },
    // Behind TLS only: a browser that was told so never asks in the clear again.
    {
      source: "/:path*",
      has: [{ type: "header", key: "x-forwarded-proto", value: "https" }],
      headers: [{ key: "Strict-Transport-Security", value: "max-age=31536000; includeSubDomains" }],
    },
  ],
};

export default config;
