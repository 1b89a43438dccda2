import "@fontsource-variable/archivo/standard.css";
import "@fontsource-variable/martian-mono/standard.css";
import numbersFont from "@fontsource-variable/martian-mono/files/martian-mono-latin-standard-normal.woff2";
import wordsFont from "@fontsource-variable/archivo/files/archivo-latin-standard-normal.woff2";
import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { preload } from "react-dom";
import { chosenUnits } from "@/features/shell";
import { PreferencesProvider } from "@/ui/theme/preferences";
import { themeNames } from "@/ui/theme/tokens";

export const metadata: Metadata = {
  title: { default: "Bathygon", template: "%s · Bathygon" },
  description: "Desk and field companion of a freestyle coach",
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Before the style sheet asks for them: what is set in another typeface first would jump.
  for (const font of [wordsFont, numbersFont])
    preload(font, { as: "font", type: "font/woff2", crossOrigin: "anonymous" });
  const jar = await cookies();
  const theme = themeNames.find((name) => name === jar.get("bathygon-theme")?.value) ?? "light";
  const units = await chosenUnits();
  return (
    <html lang="en">
      <body>
        <PreferencesProvider initial={{ theme, units }}>{children}</PreferencesProvider>
      </body>
    </html>
  );
}
