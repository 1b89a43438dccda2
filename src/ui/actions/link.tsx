"use client";

import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A link to another screen. Nothing is fetched before it is pressed: every screen is made for whoever asks, so the framework's fetching ahead brings nothing of
 * it, and costs the server a request for each link in sight.
 */
export function Link(props: Omit<ComponentProps<typeof NextLink>, "prefetch">) {
  return <NextLink {...props} prefetch={false} />;
}
