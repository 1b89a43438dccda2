"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { tell } from "@/ui/messages/messages";
import { forgetOnDevice } from "@/ui/outbox/forget";
import { flush, outboxNow, reread } from "@/ui/outbox/outbox";
import { useOutbox } from "@/ui/outbox/use-outbox";
import { useSend } from "@/ui/actions/use-send";
import { SendForm } from "@/ui/forms/send-form";
import { Moment } from "@/ui/moment/moment";
import type { AccountData } from "./load";
import { SecondFactorPart } from "./second-factor";

/** One's own account: password, and the devices on which they are signed in. */
export function AccountScreen({ data }: { data: AccountData }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const { items } = useOutbox();
  const [leaving, setLeaving] = useState<boolean | null>(null);
  const signOut = async (everywhere: boolean, sure = false) => {
    await flush();
    await reread();
    if (outboxNow().items.length > 0 && !sure) return setLeaving(everywhere);
    setLeaving(null);
    if (!(await sendAction("sign-out", { everywhere })).ok) return;
    await forgetOnDevice();
    router.push("/sign-in");
    router.refresh();
  };
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "1fr 1fr" }, gap: 5 }}>
      <section aria-labelledby="account">
        <Typography variant="h1" id="account" sx={{ mb: 2 }}>
          {data.name}
        </Typography>
        <Typography variant="h2" sx={{ mb: 1.5 }}>
          Change the password
        </Typography>
        <SendForm
          action="change-password"
          submit="Change it"
          fields={{
            password: {
              label: "Current password",
              initial: "",
              secret: true,
              autoComplete: "current-password",
            },
            newPassword: {
              label: "New password",
              initial: "",
              secret: true,
              autoComplete: "new-password",
              help: "12 characters or more. Other devices are signed out.",
            },
          }}
          input={(values) => values}
          onDone={() => {
            tell("Password changed; other devices are signed out", { kind: "done" });
            router.refresh();
          }}
        />
        {data.coaches && <SecondFactorPart factor={data.secondFactor} />}
        <Dialog open={leaving !== null} onClose={() => setLeaving(null)} aria-labelledby="leaving">
          <DialogTitle id="leaving">
            <span className="num">{items.length}</span> still waiting on this device
          </DialogTitle>
          <DialogContent>
            What was tapped in the field has not reached the server yet. It stays on this device, and is sent when you
            sign in here again. Nobody else can send it.
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setLeaving(null)}>Stay signed in</Button>
            <Button onClick={() => void signOut(leaving ?? false, true)}>Sign out all the same</Button>
          </DialogActions>
        </Dialog>
        <Box sx={{ display: "flex", gap: 1.5, mt: 4 }}>
          <Button variant="outlined" disabled={pending} onClick={() => signOut(false)}>
            Sign out
          </Button>
          <Button disabled={pending} onClick={() => signOut(true)}>
            Sign out everywhere
          </Button>
        </Box>
      </section>
      <Devices data={data} />
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 3 }}>
        <a href="/third-party-licences.txt">What others made, and its licences</a>
      </Typography>
    </Box>
  );
}

/** Where somebody is signed in, each to be signed out from here. */
function Devices({ data }: { data: AccountData }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  return (
    <section aria-labelledby="devices">
      <Typography variant="h2" id="devices" sx={{ mb: 1 }}>
        Signed in on
      </Typography>
      {data.signIns.map((signIn) => (
        <Box
          key={signIn.id}
          sx={(theme) => ({
            py: 1,
            borderTop: `1.5px solid ${theme.tokens.rule}`,
            display: "flex",
            gap: 2,
            alignItems: "center",
          })}
        >
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <Box sx={{ overflowWrap: "anywhere", fontSize: "0.88rem" }}>{signIn.device}</Box>
            <Box sx={{ fontSize: "0.85rem", color: "text.secondary" }}>
              since <Moment atMs={signIn.createdAtMs} show="both" />, last used{" "}
              <Moment atMs={signIn.seenAtMs} show="both" />
            </Box>
          </Box>
          {signIn.id === data.thisSignInId ? (
            <b>■ this one</b>
          ) : (
            <Button
              size="small"
              disabled={pending}
              onClick={async () => {
                if ((await sendAction("end-sign-in", { id: signIn.id })).ok) router.refresh();
              }}
            >
              Sign it out
            </Button>
          )}
        </Box>
      ))}
    </section>
  );
}
