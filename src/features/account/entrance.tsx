"use client";

import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Entrance } from "@/ui/entrance/entrance";
import type { FormField } from "@/ui/forms/form-fields";
import { SendForm } from "@/ui/forms/send-form";
import { Box } from "@/ui/layout/box";

const name: FormField = { label: "Your name", initial: "", autoComplete: "username" };

/** The first page of empty records: who coaches. */
export function BeginScreen() {
  const router = useRouter();
  return (
    <Entrance title="Who is coaching?">
      <Typography sx={{ my: 2 }}>
        Nothing here yet. First, your name: it goes on every sign-off and setup you make. Then add a squad&apos;s first
        pilot, their aircraft and its setup; Bathygon computes the brief of each step from those.
      </Typography>
      <SendForm
        action="begin"
        submit="Create account"
        fields={{
          name,
          password: {
            label: "A password",
            initial: "",
            secret: true,
            autoComplete: "new-password",
            help: "12 characters or more; a few random words work well. It cannot be recovered, only reset.",
          },
        }}
        input={(values, id) => ({ id, ...values })}
        onDone={() => router.push("/squad")}
      />
    </Entrance>
  );
}

/** Sign in. */
export function SignInScreen() {
  const router = useRouter();
  // Shown once the password is right and the account has a second factor.
  const [asked, setAsked] = useState(false);
  return (
    <Entrance title="Sign in">
      <Box sx={{ mt: 2 }}>
        <SendForm
          action="sign-in"
          submit="Sign in"
          fields={{
            name,
            password: { label: "Password", initial: "", secret: true, autoComplete: "current-password" },
            code: {
              label: "Code of the authenticator",
              initial: "",
              autoComplete: "one-time-code",
              help: "Six figures, or one of your recovery codes.",
              hidden: !asked,
            },
          }}
          input={({ code, ...values }) => (asked ? { ...values, code } : values)}
          onRefused={({ code }) => code !== undefined && setAsked(true)}
          onDone={() => {
            router.push("/");
            router.refresh();
          }}
        />
      </Box>
    </Entrance>
  );
}
