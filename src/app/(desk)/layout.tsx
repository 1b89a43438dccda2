import type { ReactNode } from "react";
import { enter, loadShell } from "@/features/shell";
import { Shell } from "@/ui/shell/shell";

export default async function DeskLayout({ children }: { children: ReactNode }) {
  return <Shell data={await loadShell(await enter())}>{children}</Shell>;
}
