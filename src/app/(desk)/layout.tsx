import type { ReactNode } from "react";
import { loadShell, requireCoach } from "@/features/shell";
import { Shell } from "@/ui/shell/shell";

export default async function DeskLayout({ children }: { children: ReactNode }) {
  return <Shell data={await loadShell((await requireCoach()).coachName)}>{children}</Shell>;
}
