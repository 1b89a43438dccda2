"use client";

import { useRouter } from "next/navigation";
import { startTransition, useEffect } from "react";
import { Notice } from "@/ui/layout/notice";

const LOOK_EVERY_MS = 2500;

/** A page that could not be made, most often because the database is away. Comes back by itself as soon as that is well again. */
export default function PageError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const router = useRouter();
  useEffect(() => {
    const retry = () =>
      startTransition(() => {
        router.refresh();
        reset();
      });
    const look = async () => {
      const health = await fetch("/healthz").catch(() => null);
      if (health?.ok) retry();
    };
    const timer = setInterval(() => void look(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [router, reset]);
  return (
    <Notice heading="The records cannot be read just now">
      <p>
        The application is up, but this page could not be made; most often the database is being restarted. Nothing is
        lost. The page looks for it every few seconds and comes back by itself.
      </p>
      <button
        onClick={() =>
          startTransition(() => {
            router.refresh();
            reset();
          })
        }
      >
        Try now
      </button>
      {error.digest && (
        <p>
          <small>Error {error.digest}, also in the server&apos;s log.</small>
        </p>
      )}
    </Notice>
  );
}
