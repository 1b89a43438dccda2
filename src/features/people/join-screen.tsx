"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { OpenedInvitation } from "@/contract";
import { send, type SendResult } from "@/ui/actions/send";
import { useSend } from "@/ui/actions/use-send";
import { Entrance } from "@/ui/entrance/entrance";
import type { FormField } from "@/ui/forms/form-fields";
import { SendForm } from "@/ui/forms/send-form";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";

const password: FormField = {
  label: "A password",
  initial: "",
  secret: true,
  autoComplete: "new-password",
  help: "12 characters or more; a few random words work well.",
};

/** Where an invitation leads: says what it is for, and makes the account. The secret comes behind the # of the address. */
export function JoinScreen({ signedInAs, isCoach }: { signedInAs: string | null; isCoach: boolean }) {
  const [token, setToken] = useState<string | null>(null);
  const [opened, setOpened] = useState<SendResult<"open-invitation"> | null>(null);
  useEffect(() => {
    const secret = location.hash.slice(1);
    void send("open-invitation", { token: secret }).then((result) => {
      setToken(secret);
      setOpened(result);
    });
  }, []);
  if (!opened || token === null) return <Entrance title="Reading the invitation" />;
  if (!opened.ok) {
    return (
      <Entrance title="This link is no longer valid">
        <Alert severity="error" sx={{ my: 2 }}>
          {opened.message}
        </Alert>
      </Entrance>
    );
  }
  return <Opened invitation={opened.data} token={token} signedInAs={signedInAs} isCoach={isCoach} />;
}

function Opened(props: { invitation: OpenedInvitation; token: string; signedInAs: string | null; isCoach: boolean }) {
  const { invitation, token, signedInAs, isCoach } = props;
  const { kind, pilotName, squadName, byName, expiresAtMs } = invitation;
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const inside = () => {
    router.push("/");
    router.refresh();
  };
  const until = (
    <>
      {byName ? `${byName} invites you. ` : ""}The link works once, until <Moment atMs={expiresAtMs} show="both" />.
    </>
  );
  if (kind === "way-back") {
    return (
      <Entrance title={pilotName ? `Back in, ${pilotName}` : "Back in"}>
        <Typography sx={{ my: 2 }}>Choose a new password. Every device is signed out. {until}</Typography>
        <SendForm
          action="take-way-back"
          submit="Set password"
          fields={{ password }}
          input={({ password }) => ({ token, password })}
          onDone={inside}
        />
      </Entrance>
    );
  }
  if (kind === "coach" && isCoach && squadName) {
    return (
      <Entrance title={`Coach ${squadName} too`}>
        <Typography sx={{ my: 2 }}>
          You are signed in as {signedInAs}. You will see and keep the records of everybody in {squadName}. {until}
        </Typography>
        <Button
          variant="contained"
          disabled={pending}
          onClick={async () => {
            if ((await sendAction("join-squad", { token })).ok) inside();
          }}
        >
          Join
        </Button>
      </Entrance>
    );
  }
  return (
    <Entrance
      title={kind === "pilot" ? `Your own record, ${pilotName}` : `Coach ${squadName ?? "a squad of your own"}`}
    >
      <Typography sx={{ my: 2 }}>
        {kind === "pilot"
          ? "You read everything that is kept about you, log attempts when you practise alone, and ask for sign-offs. Nobody but you and your coaches sees it. "
          : "Your name goes on every sign-off and setup you make. "}
        {until}
      </Typography>
      {signedInAs && (
        <Alert severity="info" sx={{ mb: 2 }}>
          {signedInAs} is signed in on this device. Going on signs in the new account instead.
        </Alert>
      )}
      <SendForm
        action="accept-invitation"
        submit="Create account"
        fields={{
          name: {
            label: kind === "pilot" ? "Name to sign in by" : "Your name",
            initial: pilotName ?? "",
            autoComplete: "username",
          },
          password,
        }}
        input={(values, id) => ({ id, token, ...values })}
        onDone={inside}
      />
      {kind === "coach" && squadName && !signedInAs && (
        <Box sx={{ mt: 2, fontSize: "0.9rem" }}>You coach here already? Sign in first, then open the link again.</Box>
      )}
    </Entrance>
  );
}
