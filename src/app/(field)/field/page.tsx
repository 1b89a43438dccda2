import { Suspense } from "react";
import { FieldScreen } from "@/features/field";

export const metadata = { title: "Field" };

/** Kept by the service worker: the same page for everybody, with nobody's data in it. */
export default function FieldPage() {
  return (
    <Suspense>
      <FieldScreen />
    </Suspense>
  );
}
