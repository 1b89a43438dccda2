import type { ReactNode } from "react";
import { loadShell } from "@/features/shell";
import { Shell } from "@/ui/shell/shell";

export default async function DeskLayout({ children }: { children: ReactNode }) {
  return <Shell data={await loadShell()}>{children}</Shell>;
}
