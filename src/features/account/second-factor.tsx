"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { ActionOutput } from "@/contract";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { saveFile } from "@/ui/forms/save-file";
import type { FormField } from "@/ui/forms/form-fields";
import { SendForm } from "@/ui/forms/send-form";
import { Moment } from "@/ui/moment/moment";
import type { AccountData } from "./load";

const QRCodeSVG = later(() => import("qrcode.react").then((code) => code.QRCodeSVG));

const password: FormField = {
  label: "Your password",
  initial: "",
  secret: true,
  autoComplete: "current-password",
};
const code: FormField = { label: "Code of the authenticator", initial: "", autoComplete: "one-time-code" };
const codeOrRecovery: FormField = { ...code, label: "Code, or a recovery code" };

type Doing =
  | { readonly kind: "nothing" }
  | { readonly kind: "begin" | "renew" | "end" }
  | { readonly kind: "confirm"; readonly made: ActionOutput<"begin-second-factor"> }
  | { readonly kind: "keep"; readonly recoveryCodes: readonly string[] };

/** A second factor by choice: a code of an authenticator beside the password. */
export function SecondFactorPart({ factor }: { factor: AccountData["secondFactor"] }) {
  const router = useRouter();
  const [doing, setDoing] = useState<Doing>({ kind: "nothing" });
  const done = () => {
    setDoing({ kind: "nothing" });
    router.refresh();
  };
  const keep = ({ recoveryCodes }: ActionOutput<"confirm-second-factor">) => {
    setDoing({ kind: "keep", recoveryCodes });
    router.refresh();
  };
  const back = <Button onClick={() => setDoing({ kind: "nothing" })}>Not now</Button>;
  return (
    <Box component="section" aria-labelledby="second-factor" sx={{ mt: 4 }}>
      <Typography variant="h2" id="second-factor" sx={{ mb: 1 }}>
        Second factor
      </Typography>
      {doing.kind === "nothing" && (
        <FactorState
          factor={factor}
          onBegin={() => setDoing({ kind: "begin" })}
          onRenew={() => setDoing({ kind: "renew" })}
          onEnd={() => setDoing({ kind: "end" })}
        />
      )}
      {doing.kind === "begin" && (
        <>
          <SendForm
            action="begin-second-factor"
            submit="Go on"
            fields={{ password }}
            input={(values) => values}
            onDone={(_, made) => setDoing({ kind: "confirm", made })}
          />
          {back}
        </>
      )}
      {doing.kind === "confirm" && (
        <>
          <Typography sx={{ mb: 1 }}>Read this with an authenticator, then type the code it shows.</Typography>
          <Box sx={{ bgcolor: "#FFFFFF", p: 1.5, width: "fit-content" }}>
            <QRCodeSVG value={doing.made.address} size={180} title="For the authenticator" />
          </Box>
          <Typography sx={{ my: 1, fontSize: "0.9rem", overflowWrap: "anywhere" }}>
            Or type it: <b className="num">{doing.made.secret.replace(/(.{4})(?=.)/g, "$1 ")}</b>
          </Typography>
          <SendForm
            action="confirm-second-factor"
            submit="Turn it on"
            fields={{ code }}
            input={(values) => values}
            onDone={(_, answer) => keep(answer)}
          />
          {back}
        </>
      )}
      {doing.kind === "renew" && (
        <>
          <SendForm
            action="renew-recovery-codes"
            submit="Make new ones"
            fields={{ code: codeOrRecovery }}
            input={(values) => values}
            onDone={(_, answer) => keep(answer)}
          />
          {back}
        </>
      )}
      {doing.kind === "end" && (
        <>
          <SendForm
            action="end-second-factor"
            submit="Turn it off"
            fields={{ password, code: codeOrRecovery }}
            input={(values) => values}
            onDone={done}
          />
          {back}
        </>
      )}
      {doing.kind === "keep" && <RecoveryCodes codes={doing.recoveryCodes} onDone={done} />}
    </Box>
  );
}

function FactorState(props: {
  factor: AccountData["secondFactor"];
  onBegin: () => void;
  onRenew: () => void;
  onEnd: () => void;
}) {
  const { factor, onBegin, onRenew, onEnd } = props;
  if (!factor)
    return (
      <>
        <Typography sx={{ mb: 1 }}>
          Off. With it, signing in takes the password and a code of an authenticator on your phone.
        </Typography>
        <Button variant="outlined" onClick={onBegin}>
          Set it up
        </Button>
      </>
    );
  return (
    <>
      <Typography>
        On since <Moment atMs={factor.sinceMs} show="day" />. Recovery codes left:{" "}
        <b className="num">{factor.codesLeft}</b>
      </Typography>
      {factor.codesLeft <= 2 && <Alert severity="warning">Make new recovery codes before the last is used.</Alert>}
      <Box sx={{ display: "flex", gap: 1.5, mt: 1 }}>
        <Button variant="outlined" onClick={onRenew}>
          New recovery codes
        </Button>
        <Button onClick={onEnd}>Turn it off</Button>
      </Box>
    </>
  );
}

/** Shown once: the server keeps only what tells a right one from a wrong one. */
function RecoveryCodes({ codes, onDone }: { codes: readonly string[]; onDone: () => void }) {
  return (
    <>
      <Alert severity="warning" sx={{ mb: 1 }}>
        Keep these where you find them without your phone. Each works once, and they are never shown again.
      </Alert>
      <Box component="ul" aria-label="Recovery codes" sx={{ columns: 2, listStyle: "none", p: 0, m: 0, mb: 1.5 }}>
        {codes.map((one) => (
          <Box component="li" key={one} className="num" sx={{ fontWeight: 600 }}>
            {one}
          </Box>
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1.5 }}>
        <Button
          variant="outlined"
          onClick={() => saveFile("recovery-codes.txt", "text/plain", `${codes.join("\n")}\n`)}
        >
          Save them as a file
        </Button>
        <Button variant="contained" onClick={onDone}>
          I have saved them
        </Button>
      </Box>
    </>
  );
}
