"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { startTransition } from "react";

/** A page that could not be made, most often because the database is away. */
export default function PageError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const router = useRouter();
  return (
    <Box sx={{ maxWidth: 560, mx: "auto", p: 4 }}>
      <Typography variant="h1">The records cannot be read just now</Typography>
      <Typography sx={{ my: 2 }}>
        The application is up, but this page could not be made; most often the database is being restarted. Nothing is
        lost. Try again in a moment.
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
        Try again
      </Button>
      {error.digest && (
        <Typography sx={{ mt: 2, color: "text.secondary", fontSize: "0.85rem" }}>
          Error {error.digest}, also in the server&apos;s log.
        </Typography>
      )}
    </Box>
  );
}
