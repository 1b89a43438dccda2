"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { startTransition, useEffect } from "react";

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
    <Box sx={{ maxWidth: 560, mx: "auto", p: 4 }}>
      <Typography variant="h1">The records cannot be read just now</Typography>
      <Typography sx={{ my: 2 }}>
        The application is up, but this page could not be made; most often the database is being restarted. Nothing is
        lost. The page looks for it every few seconds and comes back by itself.
      </Typography>
      <Button
        variant="contained"
        onClick={() =>
          startTransition(() => {
            router.refresh();
            reset();
          })
        }
      >
        Try now
      </Button>
      {error.digest && (
        <Typography sx={{ mt: 2, color: "text.secondary", fontSize: "0.85rem" }}>
          Error {error.digest}, also in the server&apos;s log.
        </Typography>
      )}
    </Box>
  );
}
