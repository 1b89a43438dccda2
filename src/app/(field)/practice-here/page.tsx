import { Suspense } from "react";
import { PracticeHere } from "@/features/practice";

export const metadata = { title: "Practice" };

/** Kept by the service worker: the same page for everybody, with nobody's data in it. */
export default function PracticeHerePage() {
  return (
    <Suspense>
      <PracticeHere />
    </Suspense>
  );
}
