"use client";

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useTheme } from "@mui/material/styles";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { SendForm, type FormField } from "@/ui/forms/send-form";

const name: FormField = { name: "name", label: "Your name", initial: "", autoComplete: "username" };

/** The first page of empty records: who coaches. */
export function BeginScreen() {
  const router = useRouter();
  return (
    <Entrance title="Who is coaching?">
      <Typography sx={{ my: 2 }}>
        These records are empty. Say who you are first: your name stands beside every sign-off and setup you make. Then
        add a pilot, their aircraft and its setup; from those Bathygon computes the brief of each step.
      </Typography>
      <SendForm
        action="begin"
        submit="Begin"
        fields={[
          name,
          {
            name: "password",
            label: "A password",
            initial: "",
            secret: true,
            autoComplete: "new-password",
            help: "12 characters or more; a few unrelated words do well. Nobody can look it up for you.",
          },
        ]}
        onDone={() => router.push("/squad")}
      />
    </Entrance>
  );
}

/** Sign in. */
export function SignInScreen() {
  const router = useRouter();
  return (
    <Entrance title="Sign in">
      <Box sx={{ mt: 2 }}>
        <SendForm
          action="sign-in"
          submit="Sign in"
          makesSomething={false}
          fields={[
            name,
            { name: "password", label: "Password", initial: "", secret: true, autoComplete: "current-password" },
          ]}
          onDone={() => {
            router.push("/squad");
            router.refresh();
          }}
        />
      </Box>
    </Entrance>
  );
}

function Entrance({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ minHeight: "100dvh", display: "flex", flexDirection: "column" }}>
      <Box
        component="main"
        sx={{ flex: 1, width: "100%", maxWidth: 640, mx: "auto", px: 3, pt: { xs: 4, md: 9 }, pb: 4 }}
      >
        <Typography component="p" sx={{ fontSize: "1.1rem", fontWeight: 750, fontStretch: "118%" }}>
          Bathygon
        </Typography>
        <Typography sx={{ color: "text.secondary", mb: 3 }}>
          how deep a pilot has sounded, and what comes next
        </Typography>
        <Typography variant="h1">{title}</Typography>
        {children}
      </Box>
      <Soundings />
    </Box>
  );
}

/** The depths as contours, for the eye only. */
function Soundings() {
  const { tokens } = useTheme();
  const wave = (band: number) =>
    Array.from(
      { length: 13 },
      (_, i) => `${i * 100} ${20 + band * 34 + 9 * Math.sin(i * 1.3 + band * 2.1) + 5 * Math.cos(i * 2.9 - band)}`,
    ).join("L");
  return (
    <svg
      viewBox="0 0 1200 300"
      preserveAspectRatio="none"
      width="100%"
      height="34vh"
      aria-hidden
      focusable="false"
      style={{ display: "block" }}
    >
      {tokens.depths.map((colour, band) => (
        <path key={band} d={`M${wave(band)}L1200 300L0 300Z`} fill={colour} stroke={tokens.ink} strokeOpacity="0.18" />
      ))}
    </svg>
  );
}
