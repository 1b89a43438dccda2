import type { MetadataRoute } from "next";
import { tokens } from "@/ui/theme/tokens";

/** Lets a phone or tablet keep the field part as an application of its own. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Bathygon",
    short_name: "Bathygon",
    description: "Desk and field companion of a freestyle coach",
    start_url: "/field",
    scope: "/",
    display: "standalone",
    background_color: tokens.light.paper,
    theme_color: tokens.light.rail,
    icons: [
      { src: "/icons/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icons/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icons/icon-maskable-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
  };
}
